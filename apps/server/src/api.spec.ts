import { request } from 'node:http';
import { connect } from 'node:net';
import { Plan, type Reading, type SavedPlan, type SavedPlanSummary, type Water } from '@inky-shoal/core';
import { testServer, type TestServer } from './testing/running.js';

const CONDITIONS = {
  discipline: 'bass',
  date: '2027-03-13',
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  surfaceTempC: 10.5,
};
const id = (n: number) => `01950000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const WATER = { name: 'Test pond', discipline: 'bass', waterKind: 'pond', place: CONDITIONS.place };

interface ProblemBody {
  title: string;
  status: number;
  detail: string;
  errors?: { path: string; message: string }[];
}

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.remove());

const problem = async (method: string, path: string, body?: unknown) => {
  const answer = await server.call(method, path, body);
  expect(answer.type).toContain('application/problem+json');
  return answer as { status: number; body: ProblemBody };
};

describe('POST /api/plan', () => {
  it('plans from conditions', async () => {
    const { status, body } = await server.call('POST', '/api/plan', CONDITIONS);
    expect(status).toBe(200);
    expect(Plan.parse(body).windows.length).toBeGreaterThan(1);
  });

  it.each([
    [
      'a reading of 212 degrees',
      { surfaceTempC: 212 },
      'surfaceTempC',
      'a water temperature in degrees Celsius from -2 to 40, got 212',
    ],
    ['a visibility of -1', { visibilityM: -1 }, 'visibilityM', 'a visibility in metres from 0.01 to 30, got -1'],
    ['a date that does not exist', { date: '2027-02-30' }, 'date', 'a date that exists'],
    ['an unknown field', { moonPhase: 'full' }, 'moonPhase', 'no such field'],
    ['a word where a number belongs', { windMps: 'strong' }, 'windMps', 'got "strong"'],
    [
      'a window that ends when it begins',
      { window: { from: '15:00', to: '15:00' } },
      'window.to',
      'does not end when it begins',
    ],
    [
      'a time zone that is none',
      { place: { ...CONDITIONS.place, timeZone: 'Mars/North' } },
      'place.timeZone',
      'an IANA time zone',
    ],
    ['a species of the other discipline', { species: 'snook' }, 'species', 'of the chosen discipline'],
    ['a missing temperature', { surfaceTempC: undefined }, 'surfaceTempC', 'got nothing'],
    [
      'a reading deep inside',
      { readings: [{ at: '2027-03-01', surfaceTempC: 8 }] },
      'readings[0].at',
      'a moment with its offset',
    ],
    ['not a number at all', { surfaceTempC: null }, 'surfaceTempC', 'got null'],
  ])('refuses %s, naming the field and what was expected', async (_, change, path, words) => {
    const { status, body } = await problem('POST', '/api/plan', { ...CONDITIONS, ...change });
    expect(status).toBe(422);
    expect(body.detail).toContain(`${path}: expected`);
    expect(body.errors?.[0]).toMatchObject({ path });
    expect(body.errors?.[0]?.message).toContain(words);
  });

  it('names every wrong field', async () => {
    const { body } = await problem('POST', '/api/plan', { ...CONDITIONS, surfaceTempC: 99, sky: 'purple' });
    expect(body.errors?.map(({ path }) => path)).toEqual(['surfaceTempC', 'sky']);
    expect(body.detail).toContain('and 1 more');
  });

  const post = async (body: string | undefined, type: string) => {
    const response = await fetch(`${server.address}/api/plan`, {
      method: 'POST',
      body,
      headers: { 'content-type': type },
    });
    return { status: response.status, body: (await response.json()) as ProblemBody };
  };

  it('says so when JSON is not JSON, the body is empty, or not marked as JSON', async () => {
    expect(await post('{ "date": ', 'application/json')).toMatchObject({
      status: 400,
      body: { detail: expect.stringContaining('not JSON') },
    });
    expect(await post(undefined, 'application/json')).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('got nothing') },
    });
    expect(await post('a=b', 'text/plain')).toMatchObject({
      status: 415,
      body: { detail: expect.stringContaining('application/json') },
    });
    expect(await post('[]', 'application/json')).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('conditions of a day') },
    });
  });

  it('refuses 50 MB without reading them all', async () => {
    expect(await post(JSON.stringify({ pad: 'x'.repeat(50_000_000) }), 'application/json')).toMatchObject({
      status: 413,
      body: { detail: expect.stringContaining('too large') },
    });
  });
});

describe('waters and readings', () => {
  it('begins with the demo waters in the demo book and with nothing in the own one', async () => {
    const demo = (await server.call('GET', '/api/books/demo/waters')).body as Water[];
    expect(demo.map(({ name }) => name)).toEqual(['Lake Ferrow', 'Tern Hollow Sound']);
    expect((await server.call('GET', '/api/books/own/waters')).body).toEqual([]);
    const readings = (await server.call('GET', `/api/books/demo/waters/${demo[0]!.id}/readings`)).body as Reading[];
    expect(readings.length).toBeGreaterThan(50);
    expect(readings[0]!.at > readings.at(-1)!.at).toBe(true);
  });

  it('gives the demo a clock of its own', async () => {
    expect((await server.call('GET', '/api/books/demo')).body).toMatchObject({
      clock: { now: '2027-03-13T08:12:00-06:00', fixed: true },
    });
    expect((await server.call('GET', '/api/books/own')).body).toMatchObject({ clock: { fixed: false } });
  });

  it('makes and changes a water under the id of the client, and keeps the books apart', async () => {
    expect((await server.call('PUT', `/api/books/own/waters/${id(1)}`, WATER)).status).toBe(200);
    await server.call('PUT', `/api/books/own/waters/${id(1)}`, { ...WATER, name: 'Renamed pond' });
    const own = (await server.call('GET', '/api/books/own/waters')).body as Water[];
    expect(own.map(({ name }) => name)).toEqual(['Renamed pond']);
    const demo = (await server.call('GET', '/api/books/demo/waters')).body as Water[];
    expect(demo.map(({ name }) => name)).not.toContain('Renamed pond');
  });

  it('takes a reading once however often it is sent, removes it, and takes it back', async () => {
    await server.call('PUT', `/api/books/own/waters/${id(2)}`, WATER);
    const path = `/api/books/own/waters/${id(2)}/readings`;
    const reading = { at: '2027-03-01T14:00:00-06:00', surfaceTempC: 8.1 };
    await server.call('PUT', `${path}/${id(3)}`, reading);
    await server.call('PUT', `${path}/${id(3)}`, reading);
    const kept = (await server.call('GET', path)).body as Reading[];
    expect(kept).toEqual([
      { id: id(3), waterId: id(2), at: '2027-03-01T20:00:00.000Z', surfaceTempC: 8.1, version: 1 },
    ]);
    expect((await server.call('DELETE', `${path}/${id(3)}`)).status).toBe(204);
    expect((await problem('DELETE', `${path}/${id(3)}`)).status).toBe(404);
    await server.call('PUT', `${path}/${id(3)}`, reading);
    expect((await server.call('GET', path)).body).toHaveLength(1);
  });

  it('changes nothing on a refused reading', async () => {
    await server.call('PUT', `/api/books/own/waters/${id(4)}`, WATER);
    const path = `/api/books/own/waters/${id(4)}/readings`;
    const { body } = await problem('PUT', `${path}/${id(5)}`, { at: '2027-03-01T14:00:00Z', surfaceTempC: 212 });
    expect(body.detail).toContain('surfaceTempC');
    expect((await server.call('GET', path)).body).toEqual([]);
  });

  it('does not know readings of a water that is not there, ids that are none, or other books', async () => {
    expect((await problem('GET', `/api/books/own/waters/${id(99)}/readings`)).status).toBe(404);
    expect((await problem('PUT', '/api/books/own/waters/first', WATER)).body.errors?.[0]?.path).toBe('id');
    expect((await problem('GET', '/api/books/mine/waters')).status).toBe(404);
  });

  it('removes a water, keeps what is written of it meanwhile, and brings all of it back', async () => {
    const path = `/api/books/own/waters/${id(5)}`;
    await server.call('PUT', path, WATER);
    await server.call('PUT', `${path}/readings/${id(51)}`, { at: '2027-03-01T14:00:00Z', surfaceTempC: 9 });
    expect((await server.call('DELETE', path)).status).toBe(204);
    const names = async () =>
      ((await server.call('GET', '/api/books/own/waters')).body as Water[]).map((each) => each.id);
    expect(await names()).not.toContain(id(5));
    expect((await problem('GET', `${path}/readings`)).status).toBe(404);
    // Written on another device before it heard of the removal.
    const late = { at: '2027-03-02T14:00:00Z', surfaceTempC: 10 };
    expect((await server.call('PUT', `${path}/readings/${id(52)}`, late)).status).toBe(200);
    await server.call('PUT', path, WATER);
    expect(await names()).toContain(id(5));
    const back = (await server.call('GET', `${path}/readings`)).body as Reading[];
    expect(back.map(({ surfaceTempC }) => surfaceTempC)).toEqual([10, 9]);
  });
});

describe('saved plans', () => {
  const draft = { name: 'Saturday', conditions: CONDITIONS };
  const path = (n: number) => `/api/books/own/plans/${id(n)}`;
  const list = async () =>
    ((await server.call('GET', '/api/books/own/plans')).body as SavedPlanSummary[]).map((plan) => plan.id);

  it('keeps the conditions, the plan and the version of the engine', async () => {
    await server.call('PUT', path(10), draft);
    const saved = (await server.call('GET', path(10))).body as SavedPlan;
    expect(saved).toMatchObject({ name: 'Saturday', conditions: CONDITIONS });
    expect(saved.engineVersion).toMatch(/^\d+\.\d+\.\d+$/);
    expect(saved.plan).toEqual((await server.call('POST', '/api/plan', CONDITIONS)).body);
  });

  it('renames, removes, and undoes the removing', async () => {
    await server.call('PUT', path(11), draft);
    expect((await server.call('PATCH', path(11), { name: 'Sunday' })).body).toMatchObject({ name: 'Sunday' });
    expect((await problem('PATCH', path(11), { name: ' ' })).body.detail).toContain('name: expected');
    expect((await server.call('DELETE', path(11))).status).toBe(204);
    expect(await list()).not.toContain(id(11));
    expect((await problem('GET', path(11))).status).toBe(404);
    expect((await server.call('POST', `${path(11)}/restore`)).body).toMatchObject({ name: 'Sunday' });
    expect(await list()).toContain(id(11));
    expect((await problem('POST', `${path(11)}/restore`)).status).toBe(404);
  });

  it('keeps the run of its day with it, and as part of its versions', async () => {
    const stop = { name: 'Point', depthM: 2, lonLat: [-88, 36], fromMin: 400, toMin: 440, legM: 900 };
    const run = { waterId: id(1), date: '2027-03-13', ramp: 'Ramp', backMin: 800, stops: [stop], line: [[-88, 36]] };
    await server.call('PUT', path(14), draft);
    await server.call('PUT', path(14), { ...draft, run });
    expect((await server.call('GET', path(14))).body).toMatchObject({ run, version: 2 });
    await server.call('PUT', path(14), { ...draft, run: null });
    expect((await server.call('GET', path(14))).body).not.toHaveProperty('run');
    const wrong = { ...run, stops: [{ ...stop, lonLat: [-88, 136] }] };
    const { body } = await problem('PUT', path(14), { ...draft, run: wrong });
    expect(body.errors?.[0]).toMatchObject({ path: 'run.stops[0].lonLat[1]' });
    expect(body.errors?.[0]?.message).toContain('a latitude in degrees from -90 to 90, got 136');
  });

  it('keeps a plan by the record as it was made, with the record that made it', async () => {
    const record = { trips: 61, hours: 338.2, lastTrip: '2027-03-07' };
    const { body: shipped } = await server.call('POST', '/api/plan', CONDITIONS);
    const [window, ...others] = (shipped as SavedPlan['plan']).windows;
    const plan = { ...(shipped as object), windows: [{ ...window, from: '05:00' }, ...others] };
    await server.call('PUT', path(15), { ...draft, byRecord: { record, plan } });
    expect((await server.call('GET', path(15))).body).toMatchObject({ record, plan });
    const listed = (await server.call('GET', '/api/books/own/plans')).body as SavedPlanSummary[];
    expect(listed.find((each) => each.id === id(15))).toMatchObject({ record });
    // Saved again without it the planner's own stands.
    await server.call('PUT', path(15), draft);
    const own = (await server.call('GET', path(15))).body as SavedPlan;
    expect([own.record, own.plan]).toEqual([undefined, shipped]);
    const wrong = { record: { ...record, trips: 0 }, plan };
    const { body } = await problem('PUT', path(15), { ...draft, byRecord: wrong });
    expect(body.errors?.[0]).toMatchObject({ path: 'byRecord.record.trips' });
  });

  it('saves the same plan once however often it is sent', async () => {
    await server.call('PUT', path(12), draft);
    const before = await list();
    await server.call('PUT', path(12), draft);
    expect(await list()).toEqual(before);
  });

  it('refuses a plan of a water that is not there, and bad conditions by their path', async () => {
    expect((await problem('PUT', path(13), { ...draft, waterId: id(77) })).status).toBe(404);
    const { body } = await problem('PUT', path(13), { ...draft, conditions: { ...CONDITIONS, sky: 'pink' } });
    expect(body.errors?.[0]?.path).toBe('conditions.sky');
    expect(await list()).not.toContain(id(13));
  });
});

describe('the server itself', () => {
  const raw = (host: string) =>
    new Promise<number>((resolve, reject) => {
      const { port } = new URL(server.address);
      request({ port, host: '127.0.0.1', path: '/api/health', headers: { host } }, (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      })
        .on('error', reject)
        .end();
    });

  it('answers to its own names only', async () => {
    expect(await raw('127.0.0.1:4720')).toBe(200);
    expect(await raw('localhost')).toBe(200);
    expect(await raw('boat.local')).toBe(200);
    expect(await raw('evil.example')).toBe(421);
    expect(await raw('127.0.0.1.evil.example')).toBe(421);
  });

  it('sets a strict policy with a fresh nonce each time', async () => {
    const policy = async () =>
      (await fetch(`${server.address}/api/health`)).headers.get('content-security-policy') ?? '';
    const [first, second] = [await policy(), await policy()];
    expect(first).toContain("default-src 'none'");
    expect(first).not.toContain('unsafe');
    expect(first).not.toBe(second);
  });

  it('says what is not there, and that the page is not built', async () => {
    expect((await problem('GET', '/api/nothing')).body.detail).toContain('/api/nothing');
    expect((await problem('GET', '/missing.js')).status).toBe(404);
    expect((await problem('GET', '/waters')).status).toBe(503);
  });

  it('survives a request that is cut off', async () => {
    const { port } = new URL(server.address);
    await new Promise<void>((resolve) => {
      const socket = connect(Number(port), '127.0.0.1', () => {
        socket.write(
          'POST /api/plan HTTP/1.1\r\nhost: localhost\r\ncontent-type: application/json\r\ncontent-length: 100\r\n\r\n{"a"',
        );
        socket.destroy();
        resolve();
      });
    });
    expect((await server.call('GET', '/api/health')).status).toBe(200);
  });
});
