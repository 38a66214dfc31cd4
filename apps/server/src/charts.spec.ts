import { gunzipSync, gzipSync } from 'node:zlib';
import { DEMO } from '@inky-shoal/demo';
import { bedFromBytes, bedToBytes, WaterChart, type ChartFrame } from '@inky-shoal/core/chart';
import { testServer, type TestServer } from './testing/running';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.remove());

const ferrow = DEMO.waters[0].id;
const at = (path: string, book = 'demo') => `${server.address}/api/books/${book}/waters/${ferrow}/chart${path}`;
const FRAME: ChartFrame = { epsg: 32616, cols: 4, rows: 3, cellM: 5, westM: 0, northM: 15, source: 'A test' };
const MARK = {
  id: '01950000-0000-7000-8000-00000000c001',
  kind: 'mark',
  shape: { type: 'Point', coordinates: [-88.41, 35.91] },
  name: 'Stump field',
};
const send = (method: string, path: string, body: unknown) =>
  fetch(at(path), { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
const putBed = (frame: unknown, bytes: Uint8Array) =>
  fetch(`${at('/bed')}?frame=${encodeURIComponent(JSON.stringify(frame))}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream' },
    body: new Uint8Array(bytes),
  });
const chart = async () => WaterChart.parse(await (await fetch(at(''))).json());

it('gives the demo chart with its bed and what was drawn', async () => {
  const { chart: frame, features } = await chart();
  expect(frame).toMatchObject({ epsg: 32616, cellM: 10 });
  expect(features.length).toBeGreaterThan(40);
  const bytes = new Uint8Array(await (await fetch(at('/bed'))).arrayBuffer());
  const { values } = bedFromBytes(frame as ChartFrame, bytes);
  const deepest = values.reduce((least, bed) => (bed < least ? bed : least), 0);
  expect(deepest).toBeLessThan(-20);
  expect(deepest).toBeGreaterThan(-32);
});

it('keeps features, takes them out and brings them back', async () => {
  expect((await send('PUT', `/features/${MARK.id}`, MARK)).status).toBe(200);
  expect((await chart()).features).toContainEqual(MARK);
  expect(await (await send('POST', '/features/remove', [MARK.id])).json()).toEqual({ removed: 1 });
  expect((await chart()).features.map(({ id }) => id)).not.toContain(MARK.id);
  expect(await (await send('PUT', '/features', [{ ...MARK, note: 'Again' }])).json()).toEqual({ kept: 1 });
  expect((await chart()).features).toContainEqual({ ...MARK, note: 'Again' });
});

it.each([
  [
    'a shape that does not close',
    {
      ...MARK,
      shape: {
        type: 'Polygon',
        coordinates: [
          [
            [0, 0],
            [1, 0],
            [1, 1],
            [0, 1],
          ],
        ],
      },
    },
    'a ring that closes',
  ],
  ['a latitude that is none', { ...MARK, shape: { type: 'Point', coordinates: [35, 191] } }, 'latitude'],
  ['a cover that is none', { ...MARK, kind: 'cover', cover: 'carpet' }, 'carpet'],
])('refuses %s in words', async (_, feature, words) => {
  const answer = await send('PUT', `/features/${MARK.id}`, feature);
  expect(answer.status).toBe(422);
  expect(JSON.stringify(await answer.json())).toContain(words);
});

it('takes a bed in place of another, and refuses one that does not fit its frame', async () => {
  const before = await chart();
  const values = Float32Array.from([-1, -2.25, Number.NaN, 3, -4, -5, -6, -7, -8, -9, -10.01, 0]);
  const packed = gzipSync(bedToBytes({ values }));
  const short = await putBed({ ...FRAME, rows: 4 }, packed);
  expect(short.status).toBe(422);
  expect(await short.text()).toContain('expected 32 bytes packed with gzip for 4 by 4 cells, got 24');
  expect((await putBed({ ...FRAME, epsg: 4326 }, packed)).status).toBe(422);
  expect((await putBed('nonsense', packed)).status).toBe(422);
  expect((await chart()).chart).toEqual(before.chart);
  expect((await putBed(FRAME, packed)).status).toBe(200);
  const kept = new Uint8Array(await (await fetch(at('/bed'))).arrayBuffer());
  expect(kept).toEqual(new Uint8Array(gunzipSync(packed)));
  expect([...bedFromBytes(FRAME, kept).values].map((bed) => Math.round(bed * 100) / 100)).toEqual([
    -1,
    -2.25,
    Number.NaN,
    3,
    -4,
    -5,
    -6,
    -7,
    -8,
    -9,
    -10.01,
    0,
  ]);
});

it('says of a water without a chart that it has none', async () => {
  expect((await fetch(at('', 'own'))).status).toBe(404);
  const other = DEMO.waters[1].id;
  expect((await fetch(`${server.address}/api/books/demo/waters/${other}/chart/bed`)).status).toBe(200);
});

it('keeps how far the soundings of a bed are, and takes a chart out without what was drawn on it', async () => {
  const before = await chart();
  const away = new Float32Array(12).fill(35);
  const packed = gzipSync(bedToBytes({ values: new Float32Array(12).fill(-2), cellM: 5 }, away));
  expect((await putBed(FRAME, packed)).status).toBe(422);
  expect((await putBed({ ...FRAME, sounded: true }, packed)).status).toBe(200);
  expect((await chart()).chart).toMatchObject({ cols: 4, sounded: true });
  const kept = new Uint8Array(await (await fetch(at('/bed'))).arrayBuffer());
  expect([...kept.subarray(24)]).toEqual(Array(12).fill(7));
  expect((await fetch(at('/bed'), { method: 'DELETE' })).status).toBe(204);
  expect(await chart()).toEqual({ chart: null, features: before.features });
  expect((await fetch(at('/bed'))).status).toBe(404);
});
