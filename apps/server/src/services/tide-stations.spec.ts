import { CurrentStation, tideDay, type TideStation } from '@inky-shoal/core/tide';
import { currentOf, stationOf, stationsNear } from './tide-stations.js';

const made = (id: string, more: object) => ({
  id,
  name: 'Gull Bar',
  region: 'West Shore',
  country: 'Nowhere',
  kind: 'tide',
  latitude: 30.123456789,
  longitude: -88.5,
  chart_datum: 'MLLW',
  source: { name: 'A survey' },
  attribution: 'From a survey.',
  license: { type: 'cc-by-4.0', commercial_use: true, url: 'https://example.org' },
  datums: { MLLW: 0.25, MSL: 0.75 },
  epoch: { start: '1983-01-01', end: '2001-12-31' },
  harmonic_constituents: [
    { name: 'M2', amplitude: 0.40000001, phase: 120.000001 },
    { name: 'S2', amplitude: 0.0001, phase: 10 },
    { name: 'XYZ9', amplitude: 0.2, phase: 10 },
  ],
  ...more,
});
const STATIONS = [
  made('a/1', {}),
  made('a/2', {
    offsets: { reference: 'a/1', time: { high: 30, low: 45 }, height: { type: 'fixed', high: 0.2, low: -0.1 } },
    license: { type: 'cc-by-nc-4.0', commercial_use: false, url: '' },
  }),
  made('a/3', { chart_datum: undefined, datums: {}, harmonic_constituents: [] }),
  made('a/4', { kind: 'current', harmonic_constituents: [] }),
  made('a/5', {
    kind: 'current',
    current: { flood_direction: 40, ebb_direction: 220, mean_flow: 0.2 },
    harmonic_constituents: [
      { name: 'M2', amplitude: 2, phase: 322.3 },
      { name: 'S4', amplitude: 0, phase: 0 },
    ],
  }),
];
// The package itself can only be imported, and its stations are real places: what matters here is what is made of them.
jest.mock(
  '@neaps/tide-database',
  () => ({
    near: ({ filter, maxResults }: { filter: (station: unknown) => boolean; maxResults: number }) =>
      STATIONS.filter(filter)
        .slice(0, maxResults)
        .map((station, at) => [station, at * 7.04]),
    stationsById: { get: (id: string) => STATIONS.find((each) => each.id === id) },
  }),
  { virtual: true },
);

const PLACE = { latitude: 30.1, longitude: -88.4 };

it('tells the stations of tides near a place, each with who measured it and under which licence', async () => {
  const near = await stationsNear(PLACE, 6);
  expect(near.map(({ id, distanceKm }) => [id, distanceKm])).toEqual([
    ['a/1', 0],
    ['a/2', 7],
    ['a/3', 14.1],
  ]);
  expect(near[0]).toMatchObject({ name: 'Gull Bar, West Shore, Nowhere', source: 'A survey', licence: 'cc-by-4.0' });
  expect(near[1]!.licence).toBe('cc-by-nc-4.0, not for commercial use');
});

it('gives a station as a water keeps it: what moves the water, over its datum, with its notice', async () => {
  expect(await stationOf('a/1')).toEqual({
    name: 'Gull Bar, West Shore, Nowhere',
    latitude: 30.12346,
    longitude: -88.5,
    constituents: [{ name: 'M2', amplitudeM: 0.4, phaseDeg: 120 }],
    meanLevelM: 0.5,
    datum: 'mean lower low water',
    origin: { source: 'A survey', licence: 'cc-by-4.0', notice: 'From a survey.', epoch: '1983 to 2001' },
  });
});

it('keeps the offsets of a subordinate station, and its turns come later and higher by them', async () => {
  const own = (await stationOf('a/1')) as TideStation;
  const sub = (await stationOf('a/2')) as TideStation;
  expect(sub.offsets).toEqual({
    highMin: 30,
    lowMin: 45,
    highFactor: 1,
    lowFactor: 1,
    highAddedM: 0.2,
    lowAddedM: -0.1,
  });
  const high = (station: TideStation) =>
    tideDay(station, '2027-06-18', 'America/Chicago').turns.find(({ kind }) => kind === 'high')!;
  expect(high(sub).minute - high(own).minute).toBe(30);
  expect(high(sub).levelM - high(own).levelM).toBeCloseTo(0.2, 2);
});

it('has no station where nothing is known to reckon with, nor one of currents', async () => {
  for (const id of ['a/3', 'a/4', 'nobody']) expect(await stationOf(id)).toBeUndefined();
});

it('tells the stations of currents that can be reckoned, in metres a second', async () => {
  expect((await stationsNear(PLACE, 6, 'current')).map(({ id }) => id)).toEqual(['a/5']);
  const one = CurrentStation.parse(await currentOf('a/5'));
  expect(one.constituents).toEqual([{ name: 'M2', amplitudeMps: 1.0289, phaseDeg: 322.3 }]);
  expect(one.meanMps).toBeCloseTo(0.1029, 4);
  expect([one.floodDeg, one.ebbDeg]).toEqual([40, 220]);
  for (const id of ['a/4', 'a/1']) expect(await currentOf(id)).toBeUndefined();
});
