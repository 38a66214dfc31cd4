import proj4 from 'proj4';
import { knownCrs } from './crs';
import { chartProjection, utmOf } from './projection';

const PLACE: [number, number] = [-88.4, 35.9];
const from = (epsg: number) => proj4('+proj=longlat +datum=WGS84 +no_defs', knownCrs(epsg)?.definition ?? '');

it('knows degrees on three datums as degrees', () => {
  for (const epsg of [4326, 4269, 4258]) {
    expect(knownCrs(epsg)?.degrees).toBe(true);
    const [longitude, latitude] = from(epsg).forward([...PLACE]) as [number, number];
    expect(longitude).toBeCloseTo(PLACE[0], 8);
    expect(latitude).toBeCloseTo(PLACE[1], 8);
  }
});

it('knows Web Mercator by its closed formula on a sphere', () => {
  const radius = 6_378_137;
  const [x, y] = from(3857).forward([...PLACE]) as [number, number];
  expect(x).toBeCloseTo((radius * PLACE[0] * Math.PI) / 180, 3);
  expect(y).toBeCloseTo(radius * Math.log(Math.tan(Math.PI / 4 + (PLACE[1] * Math.PI) / 360)), 3);
});

it('takes the zones of three datums as one, to two metres', () => {
  const [x, y] = chartProjection(32616).toChart(PLACE);
  for (const epsg of [32616, 26916]) {
    const [east, north] = from(epsg).forward([...PLACE]) as [number, number];
    expect(Math.hypot(east - x, north - y)).toBeLessThan(2);
  }
  const [east, north] = from(25832).forward([9.5, 47]) as [number, number];
  const [e, n] = chartProjection(32632).toChart([9.5, 47]);
  expect(Math.hypot(east - e, north - n)).toBeLessThan(2);
});

it('has the meridian of a zone at 500 km east, the equator at 0 or, in the south, 10,000 km', () => {
  expect(from(32616).forward([-87, 0])).toEqual([expect.closeTo(500_000, 3), expect.closeTo(0, 3)]);
  expect(from(32716).forward([-87, 0])).toEqual([expect.closeTo(500_000, 3), expect.closeTo(10_000_000, 3)]);
  expect(utmOf([-87, -1])).toBe(32716);
});

it.each([2274, 32661, 26924, 25839, 0])('does not know EPSG %d', (epsg) => {
  expect(knownCrs(epsg)).toBeUndefined();
});
