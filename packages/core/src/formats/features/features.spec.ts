import { spawnSync } from 'node:child_process';
import fc from 'fast-check';
import { BOTTOMS, FEATURE_KINDS, type ChartFeature, type FeatureShape } from '../../contract/charts';
import { COVERS, STRUCTURES } from '../../contract/ids';
import {
  checkFeaturesNear,
  crossingIn,
  featuresToGeoJson,
  featuresToGpx,
  featuresToKml,
  globeM,
  readFeatures,
  type FeatureFormat,
} from '.';

const WATER: [number, number] = [-88.4, 35.9];
const uuid = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const newIds = () => {
  let n = 900;
  return () => uuid(n++);
};
const WRITERS: Record<FeatureFormat, (features: readonly ChartFeature[]) => string> = {
  gpx: featuresToGpx,
  kml: featuresToKml,
  geojson: featuresToGeoJson,
};
const FORMATS = Object.keys(WRITERS) as FeatureFormat[];
const byId = (features: readonly ChartFeature[]) => [...features].sort((a, b) => a.id.localeCompare(b.id));
const read = (text: string) => readFeatures(text, newIds());

const position = fc
  .tuple(fc.double({ min: -89, max: -88, noNaN: true }), fc.double({ min: 35, max: 36, noNaN: true }))
  .map(([x, y]): [number, number] => [x, y]);
/** Areas that do not cross themselves: four corners about a middle. */
const ring = fc.tuple(position, fc.double({ min: 1e-4, max: 0.01, noNaN: true })).map(([[x, y], size]) => {
  const corner = [x - size, y - size] as [number, number];
  return [corner, [x + size, y - size], [x + size, y + size], [x - size, y + size], corner] as [number, number][];
});
const shape: fc.Arbitrary<FeatureShape> = fc.oneof(
  position.map((coordinates): FeatureShape => ({ type: 'Point', coordinates })),
  fc
    .array(position, { minLength: 2, maxLength: 6 })
    .map((coordinates): FeatureShape => ({ type: 'LineString', coordinates })),
  fc.array(ring, { minLength: 1, maxLength: 3 }).map((coordinates): FeatureShape => ({ type: 'Polygon', coordinates })),
);
/** Words with signs that a file has to write otherwise; spaces at the ends are cut where a name is entered. */
const words = fc
  .string({ minLength: 1, maxLength: 40, unit: fc.constantFrom('a', 'B', '7', ' ', '&', '<', '>', '"', "'", 'é', 'ß') })
  .map((text) => text.trim())
  .filter(Boolean);
const feature = fc
  .record(
    {
      kind: fc.constantFrom(...FEATURE_KINDS),
      shape,
      name: words,
      note: words,
      cover: fc.constantFrom(...COVERS),
      structure: fc.constantFrom(...STRUCTURES),
      bottom: fc.constantFrom(...BOTTOMS),
      zoneId: fc.nat(99).map((n) => uuid(n + 500)),
      lineUps: fc.array(fc.record({ toward: position, text: words }), { minLength: 1, maxLength: 3 }),
    },
    { requiredKeys: ['kind', 'shape'] },
  )
  .map((each): Omit<ChartFeature, 'id'> => each);
const features = fc
  .array(feature, { minLength: 1, maxLength: 8 })
  .map((all) => all.map((each, index): ChartFeature => ({ ...each, id: uuid(index + 1) })));

describe('a file made here', () => {
  it.each(FORMATS)('loses nothing on its way out and in as %s', (format) => {
    fc.assert(
      fc.property(features, (all) => {
        expect(byId(read(WRITERS[format](all)))).toEqual(byId(all));
      }),
      { numRuns: 150 },
    );
  });

  const MADE: ChartFeature[] = [
    {
      id: uuid(1),
      kind: 'mark',
      shape: { type: 'Point', coordinates: [-88.41, 35.91] },
      name: 'Stump & ledge',
      note: 'at 9 ft',
    },
    {
      id: uuid(2),
      kind: 'cover',
      cover: 'submerged-grass',
      shape: {
        type: 'Polygon',
        coordinates: [
          [
            [-88.42, 35.9],
            [-88.41, 35.9],
            [-88.41, 35.91],
            [-88.42, 35.9],
          ],
        ],
      },
      name: 'Grass',
    },
    {
      id: uuid(3),
      kind: 'track',
      shape: {
        type: 'LineString',
        coordinates: [
          [-88.4, 35.9],
          [-88.39, 35.9],
          [-88.39, 35.91],
        ],
      },
    },
  ];
  // Without the other program it is skipped, and counted as that.
  const withProgram = spawnSync('gpsbabel', ['-V']).error ? it.skip : it;

  withProgram.each(['gpx', 'kml'] as const)('is read by an independent program as %s', (format) => {
    const text = WRITERS[format](MADE);
    const points = spawnSync('gpsbabel', ['-i', format, '-f', '-', '-o', 'unicsv', '-F', '-'], {
      input: text,
      encoding: 'utf8',
    });
    expect(points.stderr).toBe('');
    expect(points.stdout).toMatch(/35\.910+,-88\.410+.*Stump & ledge/);
    const lines = spawnSync('gpsbabel', ['-t', '-i', format, '-f', '-', '-o', 'gpx', '-F', '-'], {
      input: text,
      encoding: 'utf8',
    });
    const tracks = read(lines.stdout).filter(({ kind }) => kind === 'track');
    expect(tracks.map(({ shape: { coordinates } }) => coordinates)).toContainEqual(MADE[2]?.shape.coordinates);
  });

  withProgram('written by that program is read here', () => {
    const csv = 'name,lat,lon\nA,35.91,-88.41\nB,35.92,-88.42\n';
    for (const format of ['gpx', 'kml']) {
      const { stdout } = spawnSync('gpsbabel', ['-i', 'unicsv', '-f', '-', '-o', format, '-F', '-'], {
        input: csv,
        encoding: 'utf8',
      });
      const marks = read(stdout);
      expect(marks.map(({ name, kind, shape: { coordinates } }) => [name, kind, coordinates])).toEqual([
        ['A', 'mark', [-88.41, 35.91]],
        ['B', 'mark', [-88.42, 35.92]],
      ]);
    }
  });
});

describe('a file of others', () => {
  it('in GPX: marks, routes, and each piece of a track', () => {
    const found = read(`<?xml version="1.0"?><gpx version="1.1">
      <wpt lat="35.9" lon="-88.4"><ele>3</ele><name>Dock</name><cmt>old</cmt></wpt>
      <rte><rtept lat="35.9" lon="-88.4"/><rtept lat="35.91" lon="-88.4"/></rte>
      <trk><name>Troll</name><trkseg><trkpt lat="35.9" lon="-88.4"/><trkpt lat="35.92" lon="-88.4"/></trkseg>
      <trkseg><trkpt lat="35.9" lon="-88.5"/></trkseg>
      <trkseg><trkpt lat="35.9" lon="-88.4"/><trkpt lat="35.93" lon="-88.4"/></trkseg></trk></gpx>`);
    expect(found.map(({ kind, name, note }) => [kind, name, note])).toEqual([
      ['mark', 'Dock', 'old'],
      ['track', undefined, undefined],
      ['track', 'Troll', undefined],
      ['track', 'Troll', undefined],
    ]);
    expect(new Set(found.map(({ id }) => id)).size).toBe(4);
  });

  it('in KML: folders in folders, several shapes in one, holes', () => {
    const found =
      read(`<kml xmlns="http://www.opengis.net/kml/2.2"><Document><Folder><Folder><Placemark><name>Pads</name>
      <MultiGeometry><Point><coordinates>-88.4,35.9,0</coordinates></Point>
      <Polygon><outerBoundaryIs><LinearRing><coordinates>-88.4,35.9 -88.3,35.9 -88.3,36 -88.4,35.9</coordinates></LinearRing></outerBoundaryIs>
      <innerBoundaryIs><LinearRing><coordinates>-88.35,35.91 -88.33,35.91 -88.33,35.92 -88.35,35.91</coordinates></LinearRing></innerBoundaryIs>
      </Polygon></MultiGeometry></Placemark></Folder></Folder></Document></kml>`);
    expect(found.map(({ kind, name, shape: { type } }) => [kind, name, type])).toEqual([
      ['mark', 'Pads', 'Point'],
      ['cover', 'Pads', 'Polygon'],
    ]);
    expect(found[1]?.shape.coordinates).toHaveLength(2);
  });

  it('in GeoJSON: what another program calls kind is not ours; many in one come apart', () => {
    const found = read(
      JSON.stringify({
        type: 'Feature',
        properties: { kind: 'tree', title: 'Timber' },
        geometry: { type: 'MultiPoint', coordinates: [[-88.4, 35.9, 4], [-88.41, 35.9]] }, // prettier-ignore
      }),
    );
    expect(found.map(({ kind, name, shape: { coordinates } }) => [kind, name, coordinates])).toEqual([
      ['mark', 'Timber', [-88.4, 35.9]],
      ['mark', 'Timber', [-88.41, 35.9]],
    ]);
  });
});

describe('a file that cannot be taken says where and why', () => {
  it.each([
    ['nothing known', 'lat,lon\n1,2', 'expected GPX, KML or GeoJSON'],
    ['a packed file', 'PK\u0003\u0004', 'packed'],
    ['GPX that breaks off', '<gpx>\n<wpt lat="1" lon="2">\n<name>A</name>', 'line'],
    ['GPX with no points', '<gpx version="1.1"><metadata/></gpx>', 'There are no marks, tracks or areas'],
    ['GPX with a mark nowhere', '<gpx>\n\n<wpt lat="35" lon="">\n</wpt></gpx>', 'line 3'],
    [
      'coordinates swapped beyond doubt',
      '<gpx>\n<wpt lat="-120.4" lon="35.9"/></gpx>',
      'line 2: a latitude of -120.4 cannot be',
    ],
    ['degrees that are metres', '<gpx><wpt lat="3970000" lon="372000"/></gpx>', 'expected degrees'],
    ['JSON that breaks off', '{"type":"FeatureCollection",\n"features":[{"type":"Feature"', 'line'],
    [
      'JSON of something else',
      '{"type":"Feature","geometry":{"type":"Circle"}}',
      'feature 1: expected a shape of GeoJSON',
    ],
    ['JSON in metres', '{"type":"Feature","crs":{"name":"EPSG:32616"},"geometry":null}', 'not in degrees'],
    [
      'a ring that does not close',
      '{"type":"Polygon","coordinates":[[[0,0],[1,0],[1,1],[0,1]]]}',
      'feature 1: expected a ring that closes',
    ],
    [
      'an area that crosses itself',
      '{"type":"Polygon","coordinates":[[[0,0],[1,1],[1,0],[0,1],[0,0]]]}',
      'feature 1: this area crosses itself, after its points 1 and 3',
    ],
  ])('%s', (_, text, words) => {
    expect(() => read(text)).toThrow(words);
  });

  it('too many of them', () => {
    const many = '<wpt lat="35.9" lon="-88.4"/>'.repeat(2001);
    expect(() => read(`<gpx>${many}</gpx>`)).toThrow('Expected at most 2000 marks, tracks and areas, got 2001.');
  });

  it('what lies on another water, or on this one the other way round', () => {
    const at = (longitude: number, latitude: number) => read(`<gpx><wpt lat="${latitude}" lon="${longitude}"/></gpx>`);
    expect(() => checkFeaturesNear(at(-88.45, 35.92), WATER, 'the lake')).not.toThrow();
    expect(() => checkFeaturesNear(at(35.92, -88.45), WATER, 'the lake')).toThrow('swapped');
    expect(() => checkFeaturesNear(at(-80, 35.9), WATER, 'the lake')).toThrow(/lies 75\d km from the lake/);
  });
});

describe('where a ring crosses itself', () => {
  const bruteForce = (points: readonly (readonly [number, number])[]): boolean => {
    const side = (a: readonly number[], b: readonly number[], p: readonly number[]) =>
      Math.sign((b[0]! - a[0]!) * (p[1]! - a[1]!) - (b[1]! - a[1]!) * (p[0]! - a[0]!));
    for (let i = 1; i < points.length; i++) {
      for (let j = i + 1; j < points.length; j++) {
        const [a, b, c, d] = [points[i - 1]!, points[i]!, points[j - 1]!, points[j]!];
        if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return true;
      }
    }
    return false;
  };

  it('is found wherever trying every pair of sides finds it', () => {
    const grid = fc.tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 }));
    let crossed = 0;
    fc.assert(
      fc.property(fc.array(grid, { minLength: 3, maxLength: 7 }), (open) => {
        const points = [...open, open[0]!];
        const found = crossingIn(points);
        if (found) crossed++;
        expect(found !== null).toBe(bruteForce(points));
      }),
      { numRuns: 500 },
    );
    expect(crossed).toBeGreaterThan(50);
  });
});

it('knows the way between two places: a degree along a meridian is about 111.2 km', () => {
  expect(globeM([-88, 35], [-88, 36])).toBeCloseTo(111_195, -2);
  expect(globeM(WATER, WATER)).toBe(0);
});
