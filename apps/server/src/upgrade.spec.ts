import { copyFileSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import {
  ENGINE_VERSION,
  type BookNotice,
  type Reading,
  type SavedPlan,
  type SavedPlanSummary,
  type Water,
} from '@inky-shoal/core';
import { closeDb, openDb } from './db/open.js';
import { testServer, type TestServer } from './testing/running.js';

/** A book as each version of the engine so far left it: a water, three readings, two plans, and what else there was then. */
const FIXTURES = join(process.cwd(), 'apps/server/fixtures');
const versions = readdirSync(FIXTURES).flatMap((name) => /^book-engine-(.+)\.sqlite$/.exec(name)?.[1] ?? []);

/** Engines that wrote books of the tables of today: those are not changed when they are opened. */
const OF_TODAYS_TABLES: readonly string[] = [];

let server: TestServer | undefined;
let dataDir: string;
beforeEach(() => {
  dataDir = mkdtempSync(join(tmpdir(), 'inky-upgrade-'));
});
afterEach(async () => {
  await server?.stop();
  server = undefined;
  rmSync(dataDir, { recursive: true, force: true });
});

it('there is a book of every version so far, this one among them', () => {
  expect(versions).toContain(ENGINE_VERSION);
  expect(versions.length).toBeGreaterThanOrEqual(5);
});

it.each(versions)('a book of engine %s opens with all that it held, backed up first', async (version) => {
  copyFileSync(join(FIXTURES, `book-engine-${version}.sqlite`), join(dataDir, 'own.sqlite'));
  const { call } = (server = await testServer({ dataDir }));
  const get = async <T>(path: string) => (await call('GET', `/api/books/own${path}`)).body as T;
  const waters = await get<Water[]>('/waters');
  expect(waters.map(({ name }) => name)).toEqual([`Pond of ${version}`]);
  expect(await get<Reading[]>(`/waters/${waters[0]!.id}/readings`)).toHaveLength(3);
  const plans = await get<SavedPlanSummary[]>('/plans');
  expect(plans.map(({ name, date, engineVersion }) => [name, date, engineVersion]).sort()).toEqual([
    [`Day 1 of ${version}`, '2027-03-13', version],
    [`Day 2 of ${version}`, '2027-10-02', version],
  ]);
  for (const { id } of plans) expect((await get<SavedPlan>(`/plans/${id}`)).plan.windows.length).toBeGreaterThan(1);
  expect((await get<{ notices: BookNotice[] }>('')).notices).toEqual([]);
  const { backups } = await get<{ backups: { reason: string }[] }>('/backups');
  expect(backups.some(({ reason }) => reason === 'before-migration')).toBe(!OF_TODAYS_TABLES.includes(version));
});

it('a former version that is damaged does not keep a book from being brought up to date', async () => {
  const file = join(dataDir, 'own.sqlite');
  copyFileSync(join(FIXTURES, 'book-engine-0.4.6.sqlite'), file);
  const database = new Database(file);
  database.exec(`insert into history (kind, entity_id, version, what, at, body)
    values ('plan', 'x', 1, 'changed', '2027-03-01T00:00:00Z', '{"name": "half'),
      ('plan', 'y', 1, 'changed', '2027-03-01T00:00:00Z', '{"name": "whole"}')`);
  database.close();
  await closeDb(await openDb(file));
  const after = new Database(file);
  const bodies = after.prepare('select body from history order by entity_id').all() as { body: string }[];
  after.close();
  expect(bodies.map(({ body }) => body)).toEqual(['{"name": "half', '{"name":"whole","record":null}']);
});

it('a step that is cut off leaves the book as it was, and the next start goes on', async () => {
  const file = join(dataDir, 'own.sqlite');
  copyFileSync(join(FIXTURES, 'book-engine-0.1.0.sqlite'), file);
  const run = (text: string) => {
    const database = new Database(file);
    database.exec(text);
    database.close();
  };
  // The step stops in its middle, where its table is there already.
  run('create table history (id integer)');
  await expect(openDb(file)).rejects.toThrow('could not be brought up to date');
  run('drop table history');
  const db = await openDb(file);
  expect(await db.selectFrom('plan').select(['name', 'date']).execute()).toHaveLength(2);
  await closeDb(db);
});
