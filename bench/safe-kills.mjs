import { randomInt } from 'node:crypto';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { copyFileSync, readdirSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServer } from '../scripts/lib/server.mjs';
import { ROOT } from '../scripts/lib/workspace.mjs';
import { caller, CONDITIONS, GONE, pause, pick, uuid, WATER } from './safe-common.mjs';

/** So many kills; fewer for a quick look. */
export const KILLS = Number(process.env.INKY_BENCH_KILLS ?? 100);

/** Books as each engine so far left them. */
const FIXTURE_DIR = join(ROOT, 'apps/server/fixtures');
const FIXTURES = readdirSync(FIXTURE_DIR).flatMap((name) => /^book-engine-(.+)\.sqlite$/.exec(name)?.[1] ?? []);

/** Every kind of write that makes or takes something, as the request for it; the id is what is looked for afterwards. */
const writesOf = (water) => [
  ['readings', (id) => ['PUT', `/waters/${water}/readings/${id}`, { at: '2026-03-01T12:00:00Z', surfaceTempC: 9 }]],
  ['plans', (id) => ['PUT', `/plans/${id}`, { name: 'A plan', conditions: CONDITIONS }]],
  ['tackle', (id) => ['PUT', `/tackle/${id}`, { kind: 'line', name: id, material: 'braid', testLb: 20 }]],
  ['waters', (id) => ['PUT', `/waters/${id}`, WATER]],
  [
    'features',
    (id) => [
      'PUT',
      `/waters/${water}/chart/features/${id}`,
      { id, kind: 'mark', name: id, shape: { type: 'Point', coordinates: [-88.4, 35.9] } },
    ],
  ],
  [
    'trip-events',
    (id) => [
      'POST',
      '/trip-events',
      [
        {
          id,
          tripId: id,
          deviceId: water,
          seq: 0,
          at: '2026-05-01T12:00:00Z',
          kind: 'effort',
          casts: 20,
          fishing: null,
        },
      ],
    ],
  ],
  [
    'photos',
    (id) => ['PUT', `/photos/${id}`, Buffer.from('89504e470d0a1a0a00', 'hex'), { 'content-type': 'image/png' }],
  ],
];

/** The ids of everything of these kinds that the book holds. */
async function idsIn(call, water) {
  const own = async (path) => JSON.parse((await call('GET', `/api/books/own${path}`)).text);
  const { features } = await own(`/waters/${water}/chart`);
  const ids = {
    readings: (await own(`/waters/${water}/readings`)).map(({ id }) => id),
    plans: (await own('/plans')).map(({ id }) => id),
    tackle: (await own('/tackle')).map(({ id }) => id),
    waters: (await own('/waters')).map(({ id }) => id),
    features: features.map(({ id }) => id),
    'trip-events': (await own('/trip-events')).events.map(({ id }) => id),
  };
  return ids;
}

/**
 * What goes on when the server is killed: writes of every kind, some with a backup beside them; the book put back to a
 * backup of the same; the book read in again from an archive of the same.
 */
const WORKS = {
  writes: async () => undefined,
  backup: async (call) => void call('POST', '/api/books/own/backups').catch(() => null),
  restore: async (call) => {
    const { text } = await call('POST', '/api/books/own/backups');
    return () => call('POST', `/api/books/own/backups/${JSON.parse(text).name}/restore`);
  },
  archive: async (call, server) => {
    const archive = Buffer.from(await (await fetch(`${server.address}/api/books/own/archive`)).arrayBuffer());
    return () => call('PUT', '/api/books/own/archive', archive, { 'content-type': 'application/zip' });
  },
};

/** Kills one server of a folder again and again; what was answered must be there ever after, once, and nothing be found damaged. */
async function killedAgainAndAgain(kills, tell) {
  const dataDir = await mkdtemp(join(tmpdir(), 'inky-kills-'));
  const water = uuid();
  const answered = new Map();
  const removed = new Set();
  let lost = 0;
  try {
    for (let kill = 0; kill <= kills; kill++) {
      const server = await startServer({ dataDir, outside: null });
      const call = caller(server);
      if (!kill) await call('PUT', `/api/books/own/waters/${water}`, WATER);
      const there = await idsIn(call, water);
      for (const [kind, ids] of Object.entries(there)) {
        if (new Set(ids).size !== ids.length) lost += tell(`${kind} doubled`);
        for (const id of ids) if (removed.has(id)) lost += tell(`${kind} ${id} is back`);
      }
      const photos = [...answered].filter(([, kind]) => kind === 'photos');
      const seen = new Set(Object.values(there).flat());
      for (const [id, kind] of answered) if (kind !== 'photos' && !seen.has(id)) lost += tell(`${kind} ${id} lost`);
      for (const [id] of photos.slice(-20))
        if ((await call('GET', `/api/books/own/photos/${id}`)).status !== 200) lost += tell(`photo ${id} lost`);
      const { notices } = JSON.parse((await call('GET', '/api/books/own')).text);
      // The machine was taken away, not the book: nothing may be found wrong with it.
      for (const { words } of notices) lost += tell(words);
      if (kill === kills) {
        await server.kill('SIGKILL');
        break;
      }
      const work = Object.keys(WORKS)[kill % 4];
      let over = false;
      const going = await WORKS[work](call, server).catch(() => undefined);
      const writers =
        typeof going === 'function'
          ? []
          : writesOf(water).map(async ([kind, make]) => {
              let last;
              while (!over) {
                const id = uuid();
                const [method, path, body, headers] = make(id);
                const answer = await call(method, `/api/books/own${path}`, body, headers).catch(() => null);
                if (answer && answer.status < 300) answered.set(id, kind);
                else if (answer) lost += tell(`${kind}: ${answer.status} ${answer.text}`);
                if (last && (kind === 'tackle' || kind === 'features') && Math.random() < 0.3) {
                  // Whether an unanswered removal took hold is open; it is looked for no more.
                  answered.delete(last);
                  const gone = await call('DELETE', `/api/books/own${make(last)[1]}`).catch(() => null);
                  if (gone && gone.status < 300) removed.add(last);
                }
                last = answer ? id : undefined;
              }
            });
      if (typeof going === 'function') void going().catch(() => null);
      await pause(randomInt(5, typeof going === 'function' ? 700 : 500));
      await server.kill('SIGKILL');
      over = true;
      await Promise.all(writers);
    }
    console.error(`killed ${kills} times: ${answered.size + removed.size} answered writes looked for after each`);
  } finally {
    await rm(dataDir, GONE);
  }
  return lost;
}

/** Kills a server while it brings the book of an old engine to the present form; the next start has all of it. */
async function killedInMigration(tell) {
  const dataDir = await mkdtemp(join(tmpdir(), 'inky-migration-'));
  const version = pick(FIXTURES);
  copyFileSync(join(FIXTURE_DIR, `book-engine-${version}.sqlite`), join(dataDir, 'own.sqlite'));
  let lost = 0;
  try {
    const env = { ...process.env, INKY_PORT: '0', INKY_DATA: dataDir, INKY_LOG: 'silent', INKY_DEMO_OUTSIDE: '' };
    const child = spawn(process.execPath, [join(ROOT, 'apps/server/program/main.js')], { env, stdio: 'ignore' });
    await pause(randomInt(150, 1300));
    child.kill('SIGKILL');
    await once(child, 'exit');
    const server = await startServer({ dataDir, outside: null });
    const own = async (path) => JSON.parse((await caller(server)('GET', `/api/books/own${path}`)).text);
    const waters = await own('/waters');
    const plans = await own('/plans');
    const readings = waters.length ? await own(`/waters/${waters[0].id}/readings`) : [];
    if (waters.length !== 1 || plans.length !== 2 || readings.length !== 3)
      lost += tell(`engine ${version}: ${waters.length} waters, ${plans.length} plans, ${readings.length} readings`);
    for (const { words } of (await own('')).notices) lost += tell(words);
    await server.kill('SIGKILL');
  } finally {
    await rm(dataDir, GONE);
  }
  return lost;
}

/** Four kills in five while writing, backing up, restoring and reading in, the fifth in a migration. */
export async function killsLost() {
  const tell = (words) => {
    console.error(`killed: ${words}`);
    return 1;
  };
  let lost = 0;
  for (let done = 0; done < KILLS; done += 100) {
    const these = Math.min(100, KILLS - done);
    const inMigration = Math.floor(these / 5);
    lost += await killedAgainAndAgain(these - inMigration, tell);
    for (let kill = 0; kill < inMigration; kill++) lost += await killedInMigration(tell);
  }
  return [lost];
}
