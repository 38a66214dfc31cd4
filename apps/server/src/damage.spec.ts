import {
  chmodSync,
  copyFileSync,
  existsSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BookNotice, SavedPlanSummary, SetAside, Water } from '@inky-shoal/core';
import Database from 'libsql';
import { Library } from './services/library.js';
import { toLetGo, type Backup } from './services/backups.js';
import { testServer, type TestServer } from './testing/running.js';

const id = (n: number) => `01970000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
const WATER = { name: 'Test pond', discipline: 'bass', waterKind: 'pond', place: PLACE };
const CONDITIONS = { discipline: 'bass', date: '2027-03-13', place: PLACE, surfaceTempC: 10.5 };

jest.setTimeout(60_000);

let dataDir: string;
let server: TestServer | undefined;
beforeEach(async () => {
  dataDir = await mkdtemp(join(tmpdir(), 'inky-damage-'));
});
afterEach(async () => {
  await server?.stop();
  server = undefined;
  await rm(dataDir, { recursive: true, force: true });
});

const file = () => join(dataDir, 'own.sqlite');
const start = async () => (server = await testServer({ dataDir }));
const stop = async () => {
  await server?.stop();
  server = undefined;
};
const get = async <T>(path: string): Promise<T> => (await server!.call('GET', `/api/books/own${path}`)).body as T;
const notices = async () => (await get<{ notices: BookNotice[] }>('')).notices;
const waters = () => get<Water[]>('/waters');

/** A folder with a book of a water, some hundred readings and three plans, closed: made once, copied by each test. */
let whole: string;
beforeAll(async () => {
  whole = await mkdtemp(join(tmpdir(), 'inky-whole-'));
  const { call, stop } = await testServer({ dataDir: whole });
  await call('PUT', `/api/books/own/waters/${id(1)}`, WATER);
  const readings = Array.from({ length: 300 }, (_, at) => ({
    id: id(1000 + at),
    at: new Date(Date.UTC(2026, 0, 1) + at * 86_400_000).toISOString(),
    surfaceTempC: 5 + (at % 20),
  }));
  await call('PUT', `/api/books/own/waters/${id(1)}/readings`, readings);
  for (const n of [1, 2, 3]) {
    const { status } = await call('PUT', `/api/books/own/plans/${id(50 + n)}`, {
      name: `Plan ${n}`,
      waterId: id(1),
      conditions: CONDITIONS,
    });
    expect(status).toBe(200);
  }
  await stop();
});
afterAll(() => rm(whole, { recursive: true, force: true }));
/** Without its journals: they are empty, and the driver removes them only when it comes to it, even while they are copied. */
const filled = () => cp(whole, dataDir, { recursive: true, filter: (each) => !/-(wal|shm)$/.test(each) });

function inFile(work: (database: InstanceType<typeof Database>) => void): void {
  const database = new Database(file());
  work(database);
  database.close();
}

describe('a book that is damaged', () => {
  it('by text that is none opens without that row, says so once, and keeps the row', async () => {
    await filled();
    inFile((database) => database.exec(`update plan set name = cast(x'c328ff' as text) where id = '${id(52)}'`));
    await start();
    expect((await get<SavedPlanSummary[]>('/plans')).map(({ name }) => name).sort()).toEqual(['Plan 1', 'Plan 3']);
    const [notice, ...more] = await notices();
    expect(more).toEqual([]);
    expect(notice).toMatchObject({
      kind: 'rows',
      words: 'Damaged and set aside: 1 plan. The rest of the book is whole.',
    });
    await server!.call('DELETE', `/api/books/own/notices/${notice!.id}`);
    await stop();
    await start();
    expect(await notices()).toEqual([]);
    inFile((database) =>
      expect(database.prepare('select from_table, length(row) > 100 as whole from damaged_row').all()).toEqual([
        { from_table: 'plan', whole: 1 },
      ]),
    );
  });

  it('keeps figures and bytes of a row that is set aside, not its text alone', async () => {
    await filled();
    inFile((database) => database.exec(`update reading set at = cast(x'c328ff' as text) where id = '${id(1007)}'`));
    await start();
    expect(await get<unknown[]>(`/waters/${id(1)}/readings`)).toHaveLength(299);
    await stop();
    inFile((database) => {
      const { row } = database.prepare('select row from damaged_row').get() as { row: ArrayBuffer };
      const kept = JSON.parse(Buffer.from(row).toString()) as Record<string, string>;
      const text = (column: string) => Buffer.from(kept[column] ?? '', 'hex').toString();
      expect([text('id'), Number(text('surface_temp_c')), kept['at']]).toEqual([id(1007), 12, 'c328ff']);
    });
  });

  it('gives back what can be read of a row that was set aside, or lets it go', async () => {
    await filled();
    const withBadName = (n: number) =>
      inFile((database) =>
        database.exec(`update plan set name = cast(x'44617920c32820' || x'6f6e65' as text) where id = '${id(50 + n)}'`),
      );
    withBadName(1);
    withBadName(2);
    inFile((database) =>
      database.exec(
        `pragma foreign_keys = off; update reading set water_id = cast(x'c328' as text) where id = '${id(1007)}'`,
      ),
    );
    await start();
    const aside = () => get<SetAside[]>('/set-aside');
    const rows = await aside();
    expect(rows.map(({ kind, name }) => `${kind}: ${name}`).sort()).toEqual([
      'plan: Day \ufffd( one',
      'plan: Day \ufffd( one',
      'reading: Reading of 2026-01-08 00:00',
    ]);
    const [first, second] = rows.filter(({ kind }) => kind === 'plan');
    const reading = rows.find(({ kind }) => kind === 'reading');
    const call = async (method: string, row: number | undefined) =>
      server!.call(method, `/api/books/own/set-aside/${row}`);
    expect((await call('POST', first?.row)).status).toBe(204);
    expect((await call('DELETE', second?.row)).status).toBe(204);
    expect((await get<SavedPlanSummary[]>('/plans')).map(({ name }) => name).sort()).toEqual([
      'Day \ufffd( one',
      'Plan 3',
    ]);
    expect(await call('POST', reading?.row)).toMatchObject({
      status: 422,
      body: { detail: 'It cannot come back: what it belonged to is not there. A backup may have it whole.' },
    });
    expect((await call('POST', first?.row)).status).toBe(404);
    expect(await aside()).toHaveLength(1);
  });

  it('says with what was found which backup is the last from before, to go back to', async () => {
    await filled();
    await start();
    const made = (await server!.call('POST', '/api/books/own/backups')).body as { name: string; at: string };
    await stop();
    inFile((database) => database.exec(`update plan set name = cast(x'c328ff' as text) where id = '${id(52)}'`));
    await start();
    const [notice] = await notices();
    expect(notice?.backup?.name).toBe(made.name);
    expect((await server!.call('POST', `/api/books/own/backups/${notice?.backup?.name}/restore`)).status).toBe(204);
    expect(await get<SavedPlanSummary[]>('/plans')).toHaveLength(3);
    expect(await notices()).toEqual([]);
  });

  it('in a page opens with what can be read, keeps the damaged file, and says both', async () => {
    await filled();
    const bytes = readFileSync(file());
    const at = bytes.indexOf('"Plan 2"') > 0 ? bytes.indexOf('"Plan 2"') : bytes.indexOf('Plan 2');
    const page = Math.floor(at / 4096) * 4096;
    bytes.fill(0xa5, page, page + 4096);
    writeFileSync(file(), bytes);
    await start();
    expect((await waters()).map(({ name }) => name)).toEqual(['Test pond']);
    const [notice] = await notices();
    expect(notice?.kind).toBe('pages');
    expect(notice?.words).toMatch(/What could be read is here: 1 water, \d+ readings/);
    expect(readdirSync(dataDir).some((name) => /^own\.damaged-.*\.sqlite$/.test(name))).toBe(true);
  });

  it('beyond reading begins empty, with the file kept and the backup at hand', async () => {
    await filled();
    await start();
    await server!.call('POST', '/api/books/own/backups');
    await stop();
    writeFileSync(file(), Buffer.alloc(20_000, 7));
    await start();
    expect(await waters()).toEqual([]);
    expect((await notices()).map(({ kind }) => kind)).toContain('unreadable');
    const { backups } = await get<{ backups: Backup[] }>('/backups');
    const { status } = await server!.call('POST', `/api/books/own/backups/${backups[0]!.name}/restore`);
    expect(status).toBe(204);
    expect(await waters()).toHaveLength(1);
    expect(await get<unknown[]>(`/waters/${id(1)}/readings`)).toHaveLength(300);
  });

  it.each<[string, (bytes: Buffer) => Buffer]>([
    [
      'a byte that is no text',
      (bytes) => (bytes.fill(0xff, bytes.indexOf('Plan 2'), bytes.indexOf('Plan 2') + 1), bytes),
    ],
    ['a page that is noise', (bytes) => bytes.fill(0xa5, 4096 * 3, 4096 * 4)],
    ['its head', (bytes) => bytes.fill(0, 0, 100)],
    ['half of it', (bytes) => bytes.subarray(0, bytes.length >> 1)],
    ['all of it', () => Buffer.alloc(0)],
  ])('and lost %s goes back to its backup as it was', async (_what, harm) => {
    await filled();
    await start();
    const { name } = (await server!.call('POST', '/api/books/own/backups')).body as Backup;
    await stop();
    writeFileSync(file(), harm(readFileSync(file())));
    await start();
    expect(await notices()).not.toEqual([]);
    // What is asked meanwhile waits for the book, and is answered by the one or the other.
    const back = server!.call('POST', `/api/books/own/backups/${name}/restore`);
    const asked: Promise<{ status: number }>[] = [];
    for (let each = 0; each < 20; each++) {
      asked.push(server!.call('GET', '/api/books/own'));
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    expect((await back).status).toBe(204);
    expect((await Promise.all(asked)).map(({ status }) => status)).not.toContain(503);
    expect(await get<unknown[]>(`/waters/${id(1)}/readings`)).toHaveLength(300);
    expect((await get<SavedPlanSummary[]>('/plans')).map(({ name: each }) => each).sort()).toEqual([
      'Plan 1',
      'Plan 2',
      'Plan 3',
    ]);
    await stop();
    await start();
    expect(await notices()).toEqual([]);
  });

  it('by being cut to nothing says that it held more', async () => {
    await filled();
    truncateSync(file(), 0);
    await start();
    expect((await notices())[0]).toMatchObject({ kind: 'emptied', words: expect.stringContaining('held 304 notes') });
  });

  it('by an old copy in its place, or a journal that is gone, says that it is older', async () => {
    await filled();
    copyFileSync(file(), join(dataDir, 'old-copy'));
    await start();
    await server!.call('PUT', `/api/books/own/waters/${id(2)}`, { ...WATER, name: 'Second' });
    await stop();
    copyFileSync(join(dataDir, 'old-copy'), file());
    await start();
    expect((await notices())[0]).toMatchObject({ kind: 'older' });
  });

  it('by an entry that is not understood still gives its lists', async () => {
    await filled();
    inFile((database) => database.exec(`update reading set profile = '{not json' where id = '${id(1001)}'`));
    await start();
    expect(await get<unknown[]>(`/waters/${id(1)}/readings`)).toHaveLength(299);
    expect((await notices())[0]?.words).toBe(
      'One entry is not understood and left out of the lists. Nothing of them is lost.',
    );
  });
});

describe('a book that cannot be opened', () => {
  const open = () =>
    Library.open({
      dataDir,
      backupDir: join(dataDir, 'backups'),
      programDir: join(process.cwd(), 'apps/server/program'),
      systemNow: () => new Date(),
      demoOutside: null,
      demoBoat: null,
    });

  it('because another server has the folder says so', async () => {
    await start();
    await expect(open()).rejects.toThrow(`The data folder ${dataDir} is in use by another Inky Shoal`);
  });

  it('because a newer one wrote it says so and leaves it is', async () => {
    await filled();
    inFile((database) => database.exec("insert into kysely_migration values ('9999-later', '2030-01-01')"));
    await expect(open()).rejects.toThrow('was written by a newer Inky Shoal');
    inFile((database) => database.exec("delete from kysely_migration where name = '9999-later'"));
    await start();
    expect(await get<unknown[]>('/plans')).toHaveLength(3);
    expect(await notices()).toEqual([]);
  });
});

describe('backups', () => {
  it('are made before a book is changed by a newer program, and once a day', async () => {
    await filled();
    inFile((database) => {
      database.exec(
        "delete from kysely_migration where name in ('0006-safe', '0007-runs', '0008-record', '0009-practice')",
      );
      database.exec('drop table practice_event');
      for (const table of ['water', 'reading', 'plan', 'tackle', 'chart_feature']) {
        database.exec(`drop trigger ${table}_history`);
        database.exec(`alter table ${table} drop column version; alter table ${table} drop column changed_by`);
      }
      database.exec('alter table water drop column removed_at; drop table history; drop table damaged_row');
      for (const column of ['date', 'phase', 'first', 'run', 'record']) {
        database.exec(`alter table plan drop column ${column}`);
      }
    });
    await start();
    expect((await get<SavedPlanSummary[]>('/plans'))[0]).toMatchObject({ date: '2027-03-13' });
    const list = async () => (await get<{ backups: Backup[] }>('/backups')).backups.map(({ reason }) => reason).sort();
    for (let tries = 0; tries < 50 && (await list()).length < 2; tries++)
      await new Promise((go) => setTimeout(go, 100));
    expect(await list()).toEqual(['before-migration', 'daily']);
    await stop();
    await start();
    expect(await list()).toEqual(['before-migration', 'daily']);
  });

  it('tell what they hold beside the book, and one that is damaged is refused', async () => {
    await filled();
    const { call } = await start();
    const { name } = (await call('POST', '/api/books/own/backups')).body as Backup;
    await call('DELETE', `/api/books/own/waters/${id(1)}/readings/${id(1000)}`);
    await call('PUT', `/api/books/own/waters/${id(2)}`, { ...WATER, name: 'Second' });
    expect(await get(`/backups/${name}`)).toMatchObject({ now: { water: 2 }, then: { water: 1, reading: 300 } });
    const { folder } = await get<{ folder: string }>('/backups');
    writeFileSync(join(folder, name), Buffer.alloc(9000, 1));
    const refused = await call('POST', `/api/books/own/backups/${name}/restore`);
    expect(refused.status).toBeGreaterThanOrEqual(400);
    expect(await waters()).toHaveLength(2);
    expect((await call('POST', '/api/books/own/backups/none/restore')).status).toBe(404);
  });

  it('are kept for seven days and eight weeks', () => {
    const day = (n: number) => new Date(Date.UTC(2027, 0, 1) + n * 86_400_000).toISOString();
    const daily = Array.from({ length: 120 }, (_, n): Backup => ({
      name: `d${n}`,
      at: day(n),
      reason: 'daily',
      bytes: 1,
    }));
    const asked = Array.from({ length: 9 }, (_, n): Backup => ({
      name: `a${n}`,
      at: day(n),
      reason: 'asked',
      bytes: 1,
    }));
    const gone = new Set(toLetGo([...daily, ...asked]).map(({ name }) => name));
    const kept = daily.filter(({ name }) => !gone.has(name)).map(({ at }) => at);
    expect(kept).toHaveLength(13);
    expect(kept.slice(-7)).toEqual(daily.slice(-7).map(({ at }) => at));
    expect(Date.parse(kept.at(-1)!) - Date.parse(kept[0]!)).toBeGreaterThan(45 * 86_400_000);
    expect(asked.filter(({ name }) => !gone.has(name))).toHaveLength(5);
  });
});

it('a stopped server leaves one file that is the whole book, for its owner alone', async () => {
  await filled();
  expect(existsSync(`${file()}-wal`) && statSync(`${file()}-wal`).size > 0).toBe(false);
  const alone = join(dataDir, 'copied.sqlite');
  copyFileSync(file(), alone);
  const database = new Database(alone);
  expect(database.prepare('select count(*) as plans from plan').get()).toMatchObject({ plans: 3 });
  database.close();
  expect(statSync(file()).mode & 0o777).toBe(0o600);
  chmodSync(alone, 0o600);
  rmSync(alone);
});
