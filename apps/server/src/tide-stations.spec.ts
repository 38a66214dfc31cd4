import { once } from 'node:events';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { pino } from 'pino';
import { CurrentStation, type NearStation, TideStation } from '@inky-shoal/core/tide';
import { problemHandler } from './http/problem.js';
import { tideStationRoutes } from './routes/tide-stations.js';
import { StationReader, StationsUnread } from './services/station-reader.js';
import { testServer, type TestServer } from './testing/running.js';

describe('stations over the API', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await testServer();
  });
  afterAll(() => server.remove());

  const get = async (path: string) => {
    const answer = await fetch(`${server.address}/api${path}`);
    return { status: answer.status, body: (await answer.json()) as unknown };
  };

  it('come while the server goes on answering, the nearest first, and by their ids', async () => {
    const answered: string[] = [];
    const note = (what: string) => () => answered.push(what);
    const tides = get('/tide-stations?latitude=30.1&longitude=-88.4');
    const currents = get('/tide-stations?latitude=30.1&longitude=-88.4&kind=current');
    const stations = Promise.all([tides, currents]).then(note('stations'));
    // They take the time of hundreds of these to read: none has to wait for them.
    for (let each = 0; each < 3; each++) await get('/health').then(note('health'));
    await stations;
    expect(answered).toEqual(['health', 'health', 'health', 'stations']);

    const near = (await tides).body as NearStation[];
    expect(near).toHaveLength(6);
    const away = near.map(({ distanceKm }) => distanceKm);
    expect(away).toEqual([...away].sort((a, b) => a - b));
    const byId = async (kind: string, id: string) => (await get(`/${kind}-station?id=${encodeURIComponent(id)}`)).body;
    const tide = TideStation.parse(await byId('tide', near[0]!.id));
    expect(tide.name).toBe(near[0]!.name);
    const [current] = (await currents).body as NearStation[];
    expect(CurrentStation.parse(await byId('current', current!.id)).name).toBe(current!.name);
  });

  it('are not found by an id that nobody has', async () => {
    for (const kind of ['tide', 'current']) expect((await get(`/${kind}-station?id=nobody`)).status).toBe(404);
  });

  it.each([
    ['/tide-stations?latitude=95&longitude=0', 'latitude', 'a latitude in degrees from -90 to 90'],
    ['/tide-stations?latitude=30', 'longitude', 'a longitude in degrees'],
    ['/tide-stations?latitude=30&longitude=-88&kind=wave', 'kind', 'tide or current'],
    ['/tide-station', 'id', 'the id of a station'],
  ])('refuse %s in a sentence', async (path, field, sentence) => {
    const answer = await get(path);
    expect(answer.status).toBe(422);
    expect(answer.body).toMatchObject({
      errors: [{ path: field, message: expect.stringContaining(sentence) as string }],
    });
  });
});

describe('a thread that reads them', () => {
  let programDir: string;
  let reader: StationReader;
  /** What the thread runs, from when it is next started. */
  const runs = (program: string) => writeFile(join(programDir, 'workers/tide-stations.js'), program);
  const PLACE = { latitude: 30.1, longitude: -88.4 };
  const ANSWERS = `
    const { parentPort } = require('node:worker_threads');
    parentPort.on('message', ({ id, question }) => parentPort.postMessage({ id, found: question.as }));`;

  beforeEach(async () => {
    programDir = await mkdtemp(join(tmpdir(), 'inky-'));
    await mkdir(join(programDir, 'workers'));
    reader = new StationReader(programDir);
  });
  afterEach(async () => {
    await reader.close();
    await rm(programDir, { recursive: true, force: true });
  });

  it.each([
    ['ends', `process.exit(1);`],
    ['throws', `throw new Error('no room');`],
    ['says that it could not', ANSWERS.replace('found: question.as', `failure: 'no room'`)],
  ])('and %s is said in a sentence, and the next question is answered', async (_, program) => {
    await runs(program);
    await expect(reader.near(PLACE, 6, 'tide')).rejects.toThrow(StationsUnread);
    await reader.close();
    await runs(ANSWERS);
    await expect(reader.tide('a')).resolves.toBe('tide');
  });

  it('and fails is told over the API as one sentence, and what is behind it to the log', async () => {
    await runs(`throw new Error('no room');`);
    const logged: string[] = [];
    const logger = pino({ level: 'error' }, { write: (line) => logged.push(line) });
    const app = express().use(tideStationRoutes(reader)).use(problemHandler(logger));
    const listening = app.listen(0, '127.0.0.1');
    await once(listening, 'listening');
    try {
      const { port } = listening.address() as AddressInfo;
      const answer = await fetch(`http://127.0.0.1:${port}/tide-station?id=a`);
      expect(answer.status).toBe(503);
      expect(answer.headers.get('content-type')).toContain('application/problem+json');
      expect(await answer.json()).toMatchObject({
        detail: 'The stations of tides could not be read: try again in a moment.',
      });
      expect(logged.join()).toContain('no room');
    } finally {
      listening.closeAllConnections();
      await new Promise((resolve) => listening.close(resolve));
    }
  });

  it('gives each its own answer, in whatever order they come', async () => {
    await runs(`
      const { parentPort } = require('node:worker_threads');
      const asked = [];
      parentPort.on('message', (message) => {
        asked.unshift(message);
        if (asked.length === 3) for (const { id, question } of asked) parentPort.postMessage({ id, found: question.id });
      });`);
    const all = [reader.tide('a'), reader.current('b'), reader.tide('c')];
    expect(await Promise.all(all)).toEqual(['a', 'b', 'c']);
  });

  it('refuses what is waited for when it is closed', async () => {
    await runs(`require('node:worker_threads').parentPort.on('message', () => {});`);
    const waited = expect(reader.tide('a')).rejects.toThrow('The stations of tides could not be read: try again');
    await reader.close();
    await waited;
  });
});
