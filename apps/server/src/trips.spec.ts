import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { TripEvent } from '@inky-shoal/core/underway';
import { testServer, type TestServer } from './testing/running.js';

const PATH = '/api/books/own/trip-events';
const idOf = (n: number, of = 'e') => `01960000-0000-7000-8000-0000${of}${n.toString(16).padStart(7, '0')}`;
const TRIP = idOf(1, 'a');
const fishing = {
  spot: 'Ditch bend',
  structure: 'ditch',
  cover: 'stump',
  depthM: 1.6,
  category: 'suspending-jerkbait',
  trim: null,
  paceMps: 0.3,
};
const event = (n: number, more: object = { kind: 'effort', casts: 20, fishing }): TripEvent =>
  ({
    id: idOf(n),
    tripId: TRIP,
    deviceId: idOf(1, 'd'),
    seq: n,
    at: new Date(Date.parse('2027-03-13T14:00:00Z') + n * 1000).toISOString(),
    ...more,
  }) as TripEvent;
const many = (from: number, to: number) => Array.from({ length: to - from }, (_, at) => event(from + at));

interface News {
  events: TripEvent[];
  upTo: number;
  more: boolean;
}
async function allOf(address: string, path = PATH): Promise<TripEvent[]> {
  const all: TripEvent[] = [];
  for (let after = 0, more = true; more;) {
    const news = (await (await fetch(`${address}${path}?after=${after}`)).json()) as News;
    all.push(...news.events);
    ({ more, upTo: after } = news);
  }
  return all;
}

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.remove());

describe('events of trips', () => {
  it('are kept once however often they are sent, alone or among others', async () => {
    const once = await server.call('POST', PATH, many(0, 3));
    expect(once).toMatchObject({ status: 200, body: { kept: 3, added: 3 } });
    for (let each = 0; each < 5; each++) {
      expect((await server.call('POST', PATH, [event(1)])).body).toEqual({ kept: 1, added: 0 });
    }
    expect((await server.call('POST', PATH, many(0, 6))).body).toEqual({ kept: 6, added: 3 });
    expect((await server.call('POST', PATH, [event(9), event(9), event(9)])).body).toMatchObject({ added: 1 });
    const all = await allOf(server.address);
    expect(all.map(({ seq }) => seq)).toEqual([0, 1, 2, 3, 4, 5, 9]);
    expect(all[1]).toEqual(event(1));
  });

  it('go out by arrival, in portions, from where one had come to', async () => {
    await server.call('POST', PATH, many(1000, 2900));
    await server.call('POST', PATH, many(2900, 3500));
    const first = (await server.call('GET', `${PATH}?after=0`)).body as News;
    expect(first).toMatchObject({ more: true });
    expect(first.events).toHaveLength(2000);
    const rest = (await server.call('GET', `${PATH}?after=${first.upTo}`)).body as News;
    expect(rest.more).toBe(false);
    expect(first.events.length + rest.events.length).toBe(2507);
    const none = (await server.call('GET', `${PATH}?after=${rest.upTo}`)).body as News;
    expect(none).toEqual({ events: [], upTo: rest.upTo, more: false });
  });

  it('do not go out with half a trip where the whole of it fits into what goes next', async () => {
    const { upTo: before } = (await server.call('GET', `${PATH}?after=2507`)).body as News;
    const trip = (of: number, from: number, notes: number) => [
      {
        ...event(from, { kind: 'begin', name: 'Dawn', place: null, plan: null, stops: [], aheadMs: 0 }),
        tripId: idOf(of, 'a'),
      },
      ...many(from + 1, from + 1 + notes).map((each) => ({ ...each, tripId: idOf(of, 'a') })),
    ];
    await server.call('POST', PATH, trip(11, 10_000, 1200));
    await server.call('POST', PATH, trip(12, 20_000, 1200));
    const first = (await server.call('GET', `${PATH}?after=${before}`)).body as News;
    expect([first.events.length, first.more]).toEqual([1201, true]);
    const next = (await server.call('GET', `${PATH}?after=${first.upTo}`)).body as News;
    expect([next.events.length, next.more]).toEqual([1201, false]);
    expect(new Set(next.events.map(({ tripId }) => tripId))).toEqual(new Set([idOf(12, 'a')]));
  });

  it('stay in the book they were made in', async () => {
    const ofDemo = { ...event(800), tripId: idOf(8, 'a') };
    await server.call('POST', '/api/books/demo/trip-events', [ofDemo]);
    const idsOf = async (book: string) =>
      new Set((await allOf(server.address, `/api/books/${book}/trip-events`)).map(({ id }) => id));
    const [demo, own] = [await idsOf('demo'), await idsOf('own')];
    expect(demo).toEqual(new Set([ofDemo.id]));
    expect(own.size).toBeGreaterThan(0);
    expect(own).not.toContain(ofDemo.id);
  });

  it.each([
    [
      'a fish too long',
      [event(5000, { kind: 'contact', what: 'landed', fishing, fish: { lengthMm: 9000 } })],
      'fish.lengthMm',
    ],
    ['an unknown kind', [event(5001), event(5002, { kind: 'dream' })], '[1].kind'],
    ['no casts at all', [event(5003, { kind: 'effort', casts: 0, fishing })], 'casts'],
    ['no moment', [{ ...event(5004), at: 'yesterday' }], '[0].at'],
    ['nothing', [], ''],
  ])('are refused with the place and the reason, and none of the batch is kept: %s', async (_, batch, path) => {
    const before = (await allOf(server.address)).length;
    const answer = await server.call('POST', PATH, batch);
    expect(answer).toMatchObject({ status: 422, type: expect.stringContaining('application/problem+json') });
    expect((answer.body as { detail: string }).detail).toContain(path);
    expect(await allOf(server.address)).toHaveLength(before);
  });

  it.each(['-1', 'soon', '1.5'])('are not asked for after %s', async (after) => {
    expect(await server.call('GET', `${PATH}?after=${after}`)).toMatchObject({ status: 422 });
  });
});

describe('a server that is killed while events come in', () => {
  const MAIN = join(process.cwd(), 'apps/server/program/main.js');
  const running = new Set<ChildProcess>();
  afterAll(() => running.forEach((child) => child.kill('SIGKILL')));

  async function start(dataDir: string) {
    const child = spawn(process.execPath, [MAIN], {
      env: { ...process.env, INKY_PORT: '0', INKY_DATA: dataDir, INKY_LOG: 'silent', INKY_DEMO_TRIPS: '0' },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    running.add(child);
    const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
    const address = await new Promise<string>((resolve) =>
      child.stdout.on('data', (chunk: Buffer) => {
        const found = /http:\S+/.exec(chunk.toString());
        if (found) resolve(found[0]);
      }),
    );
    return { child, address, ended };
  }

  it('has each event once when all were sent again, whenever it was killed', async () => {
    const dataDir = server.dataDir + '-killed';
    const path = '/api/books/own/trip-events';
    for (const afterMs of [0, 8, 20, 60]) {
      const { child, address, ended } = await start(dataDir);
      const cut = Promise.allSettled(
        [0, 1, 2, 3].map((part) =>
          fetch(address + path, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify(many(part * 1500, part * 1500 + 1500)),
          }),
        ),
      );
      await new Promise((resolve) => setTimeout(resolve, afterMs));
      child.kill('SIGKILL');
      await Promise.all([cut, ended]);
    }
    const { child, address, ended } = await start(dataDir);
    for (let part = 0; part < 6; part++) {
      const answer = await fetch(address + path, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(many(part * 1000, part * 1000 + 1000)),
      });
      expect(answer.status).toBe(200);
    }
    const all = await allOf(address, path);
    expect(all).toHaveLength(6000);
    expect(new Set(all.map(({ id }) => id)).size).toBe(6000);
    child.kill('SIGTERM');
    await ended;
    await rm(dataDir, { recursive: true, force: true });
    // Five servers come and go, on a busy machine slowly.
  });
});

describe('a trip that is erased', () => {
  const own = (n: number, more: object) => ({ ...event(n, more), tripId: idOf(7, 'a') });
  const begin = { kind: 'begin', name: 'A secret morning', place: null, plan: null, stops: [], aheadMs: 0 };
  const bin = `/api/books/own/bin/trip/${idOf(7, 'a')}`;
  const photo = idOf(1, 'f');
  const photoStatus = async () => (await fetch(`${server.address}/api/books/own/photos/${photo}`)).status;
  const ofTrip = async () => (await allOf(server.address)).filter(({ tripId }) => tripId === idOf(7, 'a'));

  it('must lie in the bin, goes with its photographs, and says so to every device', async () => {
    await server.call('POST', PATH, [
      own(700, begin),
      own(701, { kind: 'contact', what: 'landed', fishing, fish: { photoId: photo } }),
    ]);
    const png = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(50)]);
    const path = `${server.address}/api/books/own/photos/${photo}`;
    await fetch(path, { method: 'PUT', headers: { 'content-type': 'image/png' }, body: png });
    expect([(await server.call('DELETE', bin)).status, await photoStatus()]).toEqual([404, 200]);
    await server.call('POST', PATH, [own(702, { kind: 'remove', device: 'Phone' })]);
    expect((await ofTrip()).map(({ kind }) => kind)).toEqual(['begin', 'contact', 'remove']);
    expect([(await server.call('DELETE', bin)).status, await photoStatus()]).toEqual([204, 404]);
    expect((await ofTrip()).map(({ kind }) => kind)).toEqual(['erase']);
    expect((await server.call('DELETE', bin)).status).toBe(404);
    for (const end of ['', '-wal']) {
      expect(readFileSync(join(server.dataDir, `own.sqlite${end}`)).includes('A secret morning')).toBe(false);
    }
  });

  it('takes nothing more, and no device says of another trip that it is erased', async () => {
    const late = [own(703, { kind: 'bait' }), { ...event(704, { kind: 'erase' }), tripId: TRIP }];
    expect((await server.call('POST', PATH, late)).body).toEqual({ kept: 2, added: 0 });
    expect((await ofTrip()).map(({ kind }) => kind)).toEqual(['erase']);
    expect((await allOf(server.address)).filter(({ tripId }) => tripId === TRIP).length).toBeGreaterThan(1);
  });
});

it('the demo gets its past trips once they are wanted, also where it was begun without them', async () => {
  const begun = await testServer();
  try {
    const { dataDir } = begun;
    expect(await allOf(begun.address, '/api/books/demo/trip-events')).toEqual([]);
    await begun.stop();
    const again = await testServer({ dataDir, demoTrips: true });
    expect((await allOf(again.address, '/api/books/demo/trip-events')).length).toBeGreaterThan(1000);
    await again.stop();
  } finally {
    await rm(begun.dataDir, { recursive: true, force: true });
  }
});
