import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import fc from 'fast-check';
import { readTackleCsv } from '@inky-shoal/core/tackle';
import { ARCHIVED, OWN_FACTS } from './archive/tables.js';
import { openFile } from './db/file.js';
import { testServer, type TestServer } from './testing/running.js';

jest.setTimeout(120_000);

const id = (n: number) => `01990000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };

let folder: string;
const servers: TestServer[] = [];
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'inky-archive-'));
});
afterAll(async () => {
  await Promise.all(servers.map((server) => server.remove()));
  rmSync(folder, { recursive: true, force: true });
});

async function server(demoTrips = false): Promise<TestServer> {
  const made = await testServer({ demoTrips });
  servers.push(made);
  return made;
}

const archiveOf = async ({ address }: TestServer, book = 'demo'): Promise<Uint8Array> => {
  const answer = await fetch(`${address}/api/books/${book}/archive`);
  expect(answer.status).toBe(200);
  expect(answer.headers.get('content-disposition')).toMatch(/inky-shoal-\w+-\d{4}-\d\d-\d\d\.zip/);
  return new Uint8Array(await answer.arrayBuffer());
};
const takeIn = ({ address }: TestServer, archive: Uint8Array, book = 'demo') =>
  fetch(`${address}/api/books/${book}/archive`, {
    method: 'PUT',
    headers: { 'content-type': 'application/zip' },
    body: Buffer.from(archive),
  });

/** All rows of a book that an archive carries, JSON as what it holds. */
function rowsOf({ dataDir }: TestServer, book = 'demo'): unknown {
  const file = openFile(join(dataDir, `${book}.sqlite`));
  try {
    return ARCHIVED.map(({ table, order, json, bytes }) => [
      table,
      file
        .all(`select * from ${table} order by ${order}`)
        .filter(({ name }) => table !== 'fact' || !OWN_FACTS.has(String(name)))
        .map((row) =>
          Object.entries(row).map(([column, value]) => [
            column,
            column === bytes?.column
              ? Buffer.from(value as ArrayBuffer).toString('base64')
              : json.includes(column) && value !== null
                ? (JSON.parse(String(value)) as unknown)
                : value,
          ]),
        ),
    ]);
  } finally {
    file.close();
  }
}

it('the demo goes out and in again on an empty machine as the same book', async () => {
  const here = await server(true);
  const png = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(300, 3)]);
  await fetch(`${here.address}/api/books/demo/photos/${id(1)}`, {
    method: 'PUT',
    headers: { 'content-type': 'image/png' },
    body: png,
  });
  const archive = await archiveOf(here);
  const there = await server();
  expect(isDeepStrictEqual(rowsOf(here), rowsOf(there))).toBe(false);
  expect((await takeIn(there, archive)).status).toBe(204);
  expect(rowsOf(there)).toEqual(rowsOf(here));
  const photo = await fetch(`${there.address}/api/books/demo/photos/${id(1)}`);
  expect(Buffer.from(await photo.arrayBuffer()).equals(png)).toBe(true);
  const backups = (await there.call('GET', '/api/books/demo/backups')).body as { backups: { reason: string }[] };
  expect(backups.backups.map(({ reason }) => reason)).toEqual(['before-import']);
});

it('holds what other programs read', async () => {
  const here = await server();
  const files = unzipSync(await archiveOf(here));
  const names = Object.keys(files);
  expect(names).toEqual(
    expect.arrayContaining(['about.json', 'open/readings.csv', 'open/tackle.csv', 'open/plans-and-trips.ics']),
  );
  expect(names.filter((name) => /^open\/.*\.(gpx|geojson)$/.test(name)).length).toBeGreaterThan(1);
  const text = (name: string) => strFromU8(files[name]!);
  const tackle = readTackleCsv(text('open/tackle.csv'), { owned: [], newId: () => id(5) });
  expect(tackle.problems).toEqual([]);
  expect(tackle.items.length).toBeGreaterThan(20);
  expect(text('open/plans-and-trips.ics')).toMatch(/BEGIN:VEVENT[\s\S]+SUMMARY:/);
  expect(text('open/readings.csv').split('\r\n')[0]).toBe('water,time,water temp C,visibility m,zone,suspect');
});

it('random books come back as they were', async () => {
  const [here, there] = [await server(), await server()];
  const word = fc
    .string({ minLength: 1, maxLength: 30, unit: 'grapheme' })
    .filter((text) => text.trim().length > 0 && !text.includes('\0'));
  const reading = fc.record({
    at: fc
      .date({ min: new Date('2020-01-01'), max: new Date('2027-01-01'), noInvalidDate: true })
      .map((date) => date.toISOString()),
    surfaceTempC: fc
      .integer({ min: -10, max: 350 })
      .map((tenths) => tenths / 10)
      .filter((temp) => temp >= -2),
    visibilityM: fc.option(
      fc.integer({ min: 1, max: 300 }).map((cm) => cm / 10),
      { nil: undefined },
    ),
  });
  let next = 100;
  await fc.assert(
    fc.asyncProperty(word, fc.array(reading, { minLength: 1, maxLength: 20 }), async (name, readings) => {
      const water = id(next++);
      const put = (path: string, body: unknown) => here.call('PUT', `/api/books/own/waters/${water}${path}`, body);
      expect((await put('', { name, discipline: 'bass', waterKind: 'pond', place: PLACE })).status).toBe(200);
      expect(
        (
          await put(
            '/readings',
            readings.map((each) => ({ id: id(next++), ...each })),
          )
        ).status,
      ).toBe(200);
      await here.call('DELETE', `/api/books/own/waters/${water}/readings/${id(next - 1)}`);
      expect((await takeIn(there, await archiveOf(here, 'own'), 'own')).status).toBe(204);
      expect(rowsOf(there, 'own')).toEqual(rowsOf(here, 'own'));
    }),
    { numRuns: 3 },
  );
});

describe('an archive that is no good', () => {
  let there: TestServer;
  let good: Record<string, Uint8Array>;
  let before: unknown;
  beforeAll(async () => {
    there = await server();
    good = unzipSync(await archiveOf(there));
    before = rowsOf(there);
  });

  it.each<[string, () => Uint8Array, RegExp]>([
    ['is no zip', () => strToU8('not a zip at all'), /no archive|about\.json/],
    ['is cut off', () => zipSync(good).slice(0, 20_000), /damaged|missing|no archive/],
    [
      'says nothing of itself',
      () => zipSync({ ...good, 'about.json': strToU8('{}') }),
      /no archive that can be read here/,
    ],
    [
      'has a line that is none',
      () => zipSync({ ...good, 'data/waters.jsonl': strToU8(`${strFromU8(good['data/waters.jsonl']!)}{oops\n`) }),
      /data\/waters\.jsonl line 3: expected a line of JSON\. Nothing was changed\./,
    ],
    [
      'has a plan with a fault',
      () =>
        zipSync({
          ...good,
          'data/plans.jsonl': strToU8(
            strFromU8(good['data/plans.jsonl']!).replace('"surfaceTempC":', '"surfaceTempC":9'),
          ),
        }),
      /data\/plans\.jsonl line \d+: conditions: expected a water temperature/,
    ],
    [
      'lacks a table',
      () => zipSync(Object.fromEntries(Object.entries(good).filter(([name]) => name !== 'data/tackle.jsonl'))),
      /tackle\.jsonl is missing/,
    ],
    [
      'lacks a chart',
      () => zipSync(Object.fromEntries(Object.entries(good).filter(([name]) => !name.startsWith('charts/')))),
      /charts\/.*\.bed\.gz is missing/,
    ],
  ])('%s is refused with where, and nothing is changed', async (_name, archive, words) => {
    const answer = await takeIn(there, archive());
    expect(answer.status).toBe(422);
    expect(((await answer.json()) as { detail: string }).detail).toMatch(words);
    expect(rowsOf(there)).toEqual(before);
  });
});
