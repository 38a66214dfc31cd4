import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { BinEntry, HistoryEntry, SavedPlan, SavedPlanSummary, Water } from '@inky-shoal/core';
import { testServer, type TestServer } from './testing/running.js';

const id = (n: number) => `019a0000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
const WATER = { name: 'Test pond', discipline: 'bass', waterKind: 'pond', place: PLACE };
const CONDITIONS = { discipline: 'bass', date: '2027-03-13', place: PLACE, surfaceTempC: 10.5 };
const BOOK = '/api/books/own';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.remove());

/** A call by a device, from a version where one is given. */
async function by(device: string, method: string, path: string, body?: unknown, from?: number) {
  const answer = await fetch(`${server.address}${BOOK}${path}`, {
    method,
    headers: {
      'x-inky-device': encodeURIComponent(device),
      ...(from === undefined ? {} : { 'x-inky-changed-from': String(from) }),
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  const text = await answer.text();
  return { status: answer.status, body: (text ? JSON.parse(text) : null) as never };
}
const get = async <T>(path: string) => (await by('reader', 'GET', path)).body as T;
const plan = (name: string, surfaceTempC = 10.5) => ({ name, conditions: { ...CONDITIONS, surfaceTempC } });

describe('two devices that change the same thing', () => {
  it('leave both: the later one of an old version becomes a second copy, once however often it is sent', async () => {
    await by('Laptop', 'PUT', `/plans/${id(1)}`, plan('Saturday'));
    const seen = await get<SavedPlan>(`/plans/${id(1)}`);
    expect(seen.version).toBe(1);
    expect((await by('Phone', 'PUT', `/plans/${id(1)}`, plan('Saturday', 12), 1)).status).toBe(200);
    const stale = () => by('Laptop', 'PUT', `/plans/${id(1)}`, plan('Saturday', 14), 1);
    const told = await stale();
    expect(told).toMatchObject({ status: 409, body: { copy: { name: 'Saturday (second copy)' }, version: 2 } });
    expect((await stale()).body).toEqual(told.body);
    const plans = await get<SavedPlanSummary[]>('/plans');
    expect(plans.map(({ name }) => name).sort()).toEqual(['Saturday', 'Saturday (second copy)']);
    const copy = await get<SavedPlan>(`/plans/${(told.body as { copy: { id: string } }).copy.id}`);
    expect([copy.conditions.surfaceTempC, (await get<SavedPlan>(`/plans/${id(1)}`)).conditions.surfaceTempC]).toEqual([
      14, 12,
    ]);
  });

  it('the same change sent twice is one change, and one that does not say from what stands', async () => {
    await by('Phone', 'PUT', `/plans/${id(2)}`, plan('Sunday'));
    for (let times = 0; times < 2; times++) {
      const { status } = await by('Phone', 'PUT', `/plans/${id(2)}`, plan('Sunday', 11), 1);
      expect(status).toBe(200);
    }
    expect((await get<SavedPlan>(`/plans/${id(2)}`)).version).toBe(2);
    expect((await by('Old page', 'PUT', `/plans/${id(2)}`, plan('Sunday', 9))).status).toBe(200);
  });

  it.each<[string, string, object, object, string]>([
    ['waters', `/waters/${id(11)}`, WATER, { ...WATER, name: 'Other pond' }, 'Other pond (second copy)'],
    [
      'tackle',
      `/tackle/${id(12)}`,
      { kind: 'line', name: 'Braid', material: 'braid', testLb: 20 },
      { kind: 'line', name: 'Braid', material: 'braid', testLb: 30 },
      'Braid (second copy)',
    ],
  ])('%s, too', async (_kind, path, first, second, name) => {
    await by('Laptop', 'PUT', path, first);
    await by('Phone', 'PUT', path, { ...first, name: 'Phone' }, 1);
    expect(await by('Laptop', 'PUT', path, second, 1)).toMatchObject({ status: 409, body: { copy: { name } } });
  });
});

describe('what was done', () => {
  it('is told with what, when and which device, and a former version comes back', async () => {
    await by('Laptop', 'PUT', `/waters/${id(20)}`, WATER);
    await by('Phöne', 'PUT', `/waters/${id(20)}`, { ...WATER, name: 'Renamed' }, 1);
    const history = await get<HistoryEntry[]>(`/history/water/${id(20)}`);
    expect(history).toMatchObject([{ what: 'changed', device: 'Phöne', version: 1, name: 'Test pond', kind: 'water' }]);
    expect(Date.now() - Date.parse(history[0]!.at)).toBeLessThan(60_000);
    expect((await by('Laptop', 'POST', `/history/${history[0]!.entry}`)).status).toBe(204);
    const waters = await get<Water[]>('/waters');
    expect(waters.find((water) => water.id === id(20))).toMatchObject({ name: 'Test pond', version: 3 });
    expect((await by('Laptop', 'POST', '/history/99999')).status).toBe(404);
  });

  it('counts nothing where nothing was changed', async () => {
    const before = (await get<HistoryEntry[]>('/history')).length;
    await by('Laptop', 'PUT', `/waters/${id(20)}`, WATER);
    expect(await get<HistoryEntry[]>('/history')).toHaveLength(before);
  });
});

describe('the bin', () => {
  it('holds what was removed, gives it back, and erases it for good', async () => {
    const secret = 'A name that nobody is to find';
    await by('Laptop', 'PUT', `/plans/${id(30)}`, plan(secret));
    await by('Laptop', 'PATCH', `/plans/${id(30)}`, { name: `${secret} again` });
    await by('Phone', 'DELETE', `/plans/${id(30)}`);
    const bin = () => get<BinEntry[]>('/bin');
    expect(await bin()).toMatchObject([{ kind: 'plan', id: id(30), name: `${secret} again` }]);
    expect((await by('Phone', 'POST', `/bin/plan/${id(30)}`)).status).toBe(204);
    expect(await bin()).toEqual([]);
    expect((await by('Phone', 'DELETE', `/bin/plan/${id(30)}`)).status).toBe(404);
    await by('Phone', 'DELETE', `/plans/${id(30)}`);
    expect((await by('Phone', 'DELETE', `/bin/plan/${id(30)}`)).status).toBe(204);
    expect(await get<HistoryEntry[]>(`/history/plan/${id(30)}`)).toEqual([]);
    for (const end of ['', '-wal']) {
      const bytes = readFileSync(join(server.dataDir, `own.sqlite${end}`));
      expect(bytes.includes(secret)).toBe(false);
    }
  });

  it('erases photographs with the piece that showed them, unless another shows them, too', async () => {
    const png = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(200, 5)]);
    const photo = async (n: number) => {
      const answer = await fetch(`${server.address}${BOOK}/photos/${id(n)}`, {
        method: 'PUT',
        headers: { 'content-type': 'image/png' },
        body: png,
      });
      expect(answer.status).toBe(204);
    };
    const there = async (n: number) => (await fetch(`${server.address}${BOOK}/photos/${id(n)}`)).status;
    const line = (photoId: string) => ({ kind: 'line', name: 'Shown', material: 'braid', testLb: 20, photoId });
    await photo(51);
    await photo(52);
    await by('Laptop', 'PUT', `/tackle/${id(53)}`, line(id(51)));
    await by('Laptop', 'PUT', `/tackle/${id(54)}`, line(id(52)));
    await by('Laptop', 'PUT', `/tackle/${id(55)}`, line(id(52)));
    await by('Laptop', 'POST', '/tackle/remove', [id(53), id(54)]);
    for (const n of [53, 54]) expect((await by('Laptop', 'DELETE', `/bin/tackle/${id(n)}`)).status).toBe(204);
    expect([await there(51), await there(52)]).toEqual([404, 200]);
  });

  it('takes a water with all that hangs on it, and gives all of it back', async () => {
    const water = `/waters/${id(40)}`;
    await by('Laptop', 'PUT', water, WATER);
    await by('Laptop', 'PUT', `${water}/readings/${id(41)}`, { at: '2026-03-01T12:00:00Z', surfaceTempC: 9 });
    expect((await by('Laptop', 'DELETE', water)).status).toBe(204);
    expect((await get<Water[]>('/waters')).some(({ id: each }) => each === id(40))).toBe(false);
    expect((await by('Laptop', 'GET', `${water}/readings`)).status).toBe(404);
    await by('Laptop', 'POST', `/bin/water/${id(40)}`);
    expect(await get<unknown[]>(`${water}/readings`)).toHaveLength(1);
  });

  it('knows its kinds', async () => {
    expect((await by('Laptop', 'POST', `/bin/fact/${id(1)}`)).status).toBe(404);
  });
});
