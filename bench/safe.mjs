import { randomBytes, randomInt } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { connect, createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { clearInterval } from 'node:timers';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { readFeatures } from '@inky-shoal/core/formats/features';
import { launchBrowser } from '../scripts/lib/browser.mjs';
import { freePort, startServer } from '../scripts/lib/server.mjs';
import { caller, CONDITIONS, GONE, memoryMb, pause, pick, uuid, WATER } from './safe-common.mjs';
import { KILLS, killsLost } from './safe-kills.mjs';

/** So many damages and hostile requests; fewer for a quick look. */
const DAMAGES = Number(process.env.INKY_BENCH_DAMAGES ?? 100);
const FUZZED = Number(process.env.INKY_BENCH_FUZZED ?? 10_000);
const SOAK_MIN = Number(process.env.INKY_BENCH_SOAK_MIN ?? 0);

/** A server on a folder of its own, put away afterwards. */
async function withServer(work) {
  const dataDir = await mkdtemp(join(tmpdir(), 'inky-bench-'));
  const server = await startServer({ dataDir, outside: null });
  try {
    return await work(server, caller(server), dataDir);
  } finally {
    await server.stop();
    await rm(dataDir, GONE);
  }
}

function gpx40kMs() {
  const points = Array.from({ length: 40_000 }, (_, at) => `<trkpt lat="${35 + at * 1e-6}" lon="-88"/>\n`);
  const text = `<gpx><trk><trkseg>\n${points.join('')}</trkseg></trk></gpx>`;
  return Array.from({ length: 5 }, () => {
    const begun = performance.now();
    readFeatures(text, uuid);
    return performance.now() - begun;
  });
}

/** The longest that the server kept anybody waiting while it took 190,000 hours of weather. */
const weatherBlockMs = () =>
  withServer(async (server, call) => {
    const water = uuid();
    await call('PUT', `/api/books/own/waters/${water}`, WATER);
    const begin = Date.UTC(2004, 0, 1);
    const rows = Array.from({ length: 190_000 }, (_, at) => {
      const hour = new Date(begin + at * 3_600_000).toISOString().slice(0, 16);
      return `${hour},${10 + (at % 9)},4,3`;
    });
    const csv = `time,air temp C,dew point C,wind m/s\n${rows.join('\n')}`;
    let longest = 0;
    let over = false;
    const looking = (async () => {
      while (!over) {
        const begun = performance.now();
        await call('GET', '/api/health');
        longest = Math.max(longest, performance.now() - begun);
        await pause(5);
      }
    })();
    const { status, text } = await call('POST', `/api/books/own/waters/${water}/weather`, csv, {
      'content-type': 'text/csv',
    });
    over = true;
    await looking;
    if (status !== 200) throw new Error(`The weather was refused: ${text.slice(0, 200)}`);
    return [longest];
  });

/** By how much the server grows while thirty pages do not read what a boat says without end. */
const streamFloodMb = () =>
  withServer(async (server, call) => {
    const boat = createServer((socket) => {
      socket.on('error', () => socket.destroy());
      const line = '$SDDPT,3.4,0.0*50\r\n'.repeat(500);
      const talk = setInterval(() => socket.writable && socket.write(line), 2);
      socket.on('close', () => clearInterval(talk));
    }).listen(0, '127.0.0.1');
    await new Promise((ready) => boat.once('listening', ready));
    await call('PUT', '/api/books/own/instruments', {
      address: `tcp://127.0.0.1:${boat.address().port}`,
      privateNetwork: true,
    });
    const { hostname, port, host } = new URL(server.address);
    const before = memoryMb(server.pid);
    const pages = Array.from({ length: 30 }, () => {
      const page = connect(Number(port), hostname);
      page.pause();
      page.on('error', () => page.destroy());
      page.write(`GET /api/books/own/instruments/stream HTTP/1.1\r\nhost: ${host}\r\n\r\n`);
      return page;
    });
    await pause(10_000);
    const grown = memoryMb(server.pid) - before;
    pages.forEach((page) => page.destroy());
    await call('PUT', '/api/books/own/instruments', { address: null });
    boat.close();
    return [Math.max(0, grown)];
  });

/** A backup of a book of 100 MB, verified, while readings are written. */
const backupMs = () =>
  withServer(async (server, call) => {
    const water = uuid();
    await call('PUT', `/api/books/own/waters/${water}`, WATER);
    const photo = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), randomBytes(190_000)]);
    for (let n = 0; n < 530; n++) {
      const { status } = await call('PUT', `/api/books/own/photos/${uuid()}`, photo, { 'content-type': 'image/png' });
      if (status !== 204) throw new Error(`A photo was refused: ${status}`);
    }
    let over = false;
    let written = 0;
    const writing = (async () => {
      while (!over) {
        const at = new Date(Date.UTC(2026, 0, 1) + written * 60_000).toISOString();
        await call('PUT', `/api/books/own/waters/${water}/readings/${uuid()}`, { at, surfaceTempC: 9 });
        written++;
      }
    })();
    const samples = [];
    for (let run = 0; run < 3; run++) {
      const begun = performance.now();
      const { status, text } = await call('POST', '/api/books/own/backups');
      if (status !== 201) throw new Error(`No backup: ${text}`);
      samples.push(performance.now() - begun);
      await pause(1100);
    }
    over = true;
    await writing;
    return samples;
  });

/** Ten years of notes out of one book and into another. */
const archiveRoundTripMs = () =>
  withServer(async (server, call) => {
    const waters = [uuid(), uuid(), uuid()];
    for (const id of waters) await call('PUT', `/api/books/own/waters/${id}`, WATER);
    for (const id of waters) {
      for (let part = 0; part < 3; part++) {
        const readings = Array.from({ length: 1200 }, (_, at) => ({
          id: uuid(),
          at: new Date(Date.UTC(2017, 0, 1) + (part * 1200 + at) * 86_400_000).toISOString(),
          surfaceTempC: 5 + (at % 20),
        }));
        await call('PUT', `/api/books/own/waters/${id}/readings`, readings);
      }
    }
    for (let plan = 0; plan < 300; plan++)
      await call('PUT', `/api/books/own/plans/${uuid()}`, { name: `Plan ${plan}`, conditions: CONDITIONS });
    for (let trip = 0; trip < 600; trip += 20) {
      const events = Array.from({ length: 20 }, () => uuid()).flatMap((tripId) =>
        Array.from({ length: 50 }, (_, seq) => ({
          id: uuid(),
          tripId,
          deviceId: waters[0],
          seq,
          at: '2026-05-01T12:00:00Z',
          kind: 'effort',
          casts: 20,
          fishing: null,
        })),
      );
      const { status, text } = await call('POST', '/api/books/own/trip-events', events);
      if (status !== 200) throw new Error(text);
    }
    const begun = performance.now();
    const archive = Buffer.from(await (await fetch(`${server.address}/api/books/own/archive`)).arrayBuffer());
    const { status, text } = await call('PUT', '/api/books/demo/archive', archive, {
      'content-type': 'application/zip',
    });
    if (status !== 204) throw new Error(text);
    return [performance.now() - begun];
  });

/** From the phone's look at the code to its first page. */
async function pairMs() {
  process.env.INKY_SHARE_HOST = '127.0.0.2';
  process.env.INKY_SHARE_PORT = String(await freePort());
  const server = await startServer({ outside: null });
  const browser = await launchBrowser();
  const samples = [];
  try {
    const call = caller(server);
    await call('PUT', '/api/share', { on: true });
    for (let run = 0; run < 3; run++) {
      const { code } = JSON.parse((await call('POST', '/api/share/code', {})).text);
      const context = await browser.newContext({ viewport: { width: 390, height: 844 }, ignoreHTTPSErrors: true });
      const page = await context.newPage();
      const begun = performance.now();
      await page.goto(`${code.address}#${code.text}`);
      await page.getByRole('button', { name: 'Pair' }).click();
      await page.waitForURL(/\/sheet$/);
      await page.getByRole('heading', { level: 1 }).waitFor();
      samples.push(performance.now() - begun);
      await context.close();
    }
  } finally {
    await browser.close();
    await server.stop();
    delete process.env.INKY_SHARE_HOST;
    delete process.env.INKY_SHARE_PORT;
  }
  return samples;
}

/** Random damages to a book's file: starts that answer, and say what is damaged where something is. */
async function damagedStarts() {
  const dataDir = await mkdtemp(join(tmpdir(), 'inky-damages-'));
  const file = join(dataDir, 'own.sqlite');
  let answered = 0;
  try {
    const first = await startServer({ dataDir, outside: null });
    const call = caller(first);
    const water = uuid();
    await call('PUT', `/api/books/own/waters/${water}`, WATER);
    const readings = Array.from({ length: 600 }, (_, at) => ({
      id: uuid(),
      at: new Date(Date.UTC(2025, 0, 1) + at * 86_400_000).toISOString(),
      surfaceTempC: 5 + (at % 20),
    }));
    await call('PUT', `/api/books/own/waters/${water}/readings`, readings);
    for (let plan = 0; plan < 8; plan++)
      await call('PUT', `/api/books/own/plans/${uuid()}`, { name: `Plan ${plan}`, conditions: CONDITIONS });
    await first.kill();
    const whole = readFileSync(file);
    for (let damage = 0; damage < DAMAGES; damage++) {
      const bytes = Buffer.from(whole);
      const kind = damage % 4;
      if (kind === 0) bytes.writeUInt8(randomInt(256), randomInt(bytes.length));
      else if (kind === 1) randomBytes(4096).copy(bytes, randomInt(bytes.length - 4096));
      else if (kind === 2) for (let n = 0; n < 40; n++) bytes.writeUInt8(randomInt(128, 256), randomInt(bytes.length));
      writeFileSync(file, kind === 3 ? bytes.subarray(0, randomInt(bytes.length)) : bytes);
      for (const end of ['-wal', '-shm']) await rm(file + end, { force: true });
      const server = await startServer({ dataDir, outside: null });
      const ask = caller(server);
      const answers = [];
      for (const path of ['', '/waters', '/plans', '/tackle', '/trip-events', '/history', '/bin'])
        answers.push(await ask('GET', `/api/books/own${path}`).catch(() => ({ status: 0 })));
      const alive = (await ask('GET', '/api/health').catch(() => ({ status: 0 }))).status === 200;
      if (alive && answers.every(({ status }) => status === 200)) answered++;
      await server.kill('SIGKILL');
    }
  } finally {
    await rm(dataDir, GONE);
  }
  return [DAMAGES - answered];
}

const ROUTES = [
  '/api/plan', '/api/books/own', '/api/books/own/waters', '/api/books/own/waters/ID', '/api/books/own/waters/ID/readings',
  '/api/books/own/waters/ID/readings/ID', '/api/books/own/waters/ID/readings/remove', '/api/books/own/waters/ID/outside',
  '/api/books/own/waters/ID/weather', '/api/books/own/waters/ID/chart', '/api/books/own/waters/ID/chart/bed?frame=JSON',
  '/api/books/own/waters/ID/chart/features', '/api/books/own/waters/ID/chart/features/ID', '/api/books/own/outside',
  '/api/books/own/plans', '/api/books/own/plans/ID', '/api/books/own/plans/ID/restore', '/api/books/own/tackle',
  '/api/books/own/tackle/ID', '/api/books/own/tackle/remove', '/api/books/own/photos/ID', '/api/books/own/trip-events',
  '/api/books/own/trip-events?after=JSON', '/api/books/own/instruments', '/api/books/own/backups/none',
  '/api/books/own/history', '/api/books/own/history/JSON', '/api/books/own/bin/plan/ID', '/api/books/own/archive',
  '/api/share', '/api/share/code', '/api/books/JSON/plans', '/api/nowhere',
]; // prettier-ignore
const METHODS = ['GET', 'PUT', 'POST', 'PATCH', 'DELETE'];

function oddValue(deep = 0) {
  const plain = [
    null,
    true,
    -1,
    1e308,
    '',
    'x',
    '\u0000',
    '💧'.repeat(50),
    '2027-02-30',
    uuid(),
    [],
    {},
    WATER,
    CONDITIONS,
  ];
  if (deep > 3 || Math.random() < 0.5) return pick(plain);
  return Math.random() < 0.5
    ? Array.from({ length: randomInt(4) }, () => oddValue(deep + 1))
    : {
        ...WATER,
        conditions: CONDITIONS,
        [pick(['name', 'place', 'at', 'id', 'kind', 'items', 'zz'])]: oddValue(deep + 1),
      };
}

function oddBody() {
  const text = JSON.stringify(oddValue());
  return pick([
    () => [text, 'application/json'],
    () => [text.slice(0, randomInt(text.length + 1)), 'application/json'],
    () => [
      randomBytes(randomInt(2000)),
      pick(['application/json', 'text/csv', 'application/octet-stream', 'application/zip', 'image/png']),
    ],
    () => [gzipSync(text), 'application/json'],
    () => ['time,air C,dew,wind\n2026-01-01 00:00,1,1,1\n', 'text/csv'],
    () => ['['.repeat(randomInt(1, 3000)), 'application/json'],
  ])();
}

/** Hostile requests over all routes: how many were answered with a fault of ours, or not as a problem. */
const fuzzedFaults = () =>
  withServer(async (server, call) => {
    const water = uuid();
    await call('PUT', `/api/books/own/waters/${water}`, WATER);
    const before = memoryMb(server.pid);
    let faults = 0;
    let slowest = 0;
    for (let at = 0; at < FUZZED; at++) {
      const method = pick(METHODS);
      const odd = () => pick([uuid(), water, 'x', '%00', '..%2f', '1'.repeat(300), '%F0%9F%92%A7']);
      const path = pick(ROUTES)
        .replaceAll('ID', odd)
        .replace('JSON', () => encodeURIComponent(JSON.stringify(oddValue()).slice(0, 1500).toWellFormed()));
      const [body, type] = method === 'GET' ? [undefined, 'application/json'] : oddBody();
      // Sharing is not turned on by chance, and a backup a hundred times over is no fault.
      if ((path === '/api/share' && method === 'PUT') || (path.endsWith('/backups') && method === 'POST')) continue;
      const headers = {
        'content-type': type,
        ...(Math.random() < 0.05 ? { 'content-encoding': pick(['gzip', 'br', 'x']) } : {}),
      };
      const answer = await call(method, path, body, headers).catch(() => ({ status: 599, type: '' }));
      if (answer.status >= 500 || (answer.status >= 400 && !answer.type.includes('problem+json'))) {
        faults++;
        console.error(`${method} ${path.slice(0, 120)} ${answer.status} ${answer.text?.slice(0, 200) ?? ''}`);
      }
      if (at % 500 === 0) {
        const asked = performance.now();
        await call('GET', '/api/health');
        slowest = Math.max(slowest, performance.now() - asked);
      }
    }
    await pause(3000);
    const grown = memoryMb(server.pid) - before;
    console.error(`fuzzed: memory ${grown.toFixed(0)} MB more, health at most ${slowest.toFixed(0)} ms`);
    return [faults];
  });

/** Four pages that read and write for minutes, one request in a hundred broken off: by how much memory grows. */
const soakMb = () =>
  withServer(async (server, call) => {
    const end = Date.now() + SOAK_MIN * 60_000;
    const settledAt = Date.now() + Math.min(120_000, SOAK_MIN * 12_000);
    const samples = [];
    const page = async () => {
      const water = uuid();
      await call('PUT', `/api/books/own/waters/${water}`, WATER);
      while (Date.now() < end) {
        const id = uuid();
        const signal = Math.random() < 0.01 ? globalThis.AbortSignal.timeout(1) : undefined;
        await fetch(`${server.address}/api/books/own/waters/${water}/readings/${id}`, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ at: '2026-03-01T12:00:00Z', surfaceTempC: 9 }),
          signal,
        })
          .then((answer) => answer.text())
          .catch(() => null);
        await call('DELETE', `/api/books/own/waters/${water}/readings/${id}`);
        await call('GET', '/api/books/own/plans');
        await call('POST', '/api/plan', CONDITIONS);
        await pause(20);
      }
    };
    const looking = (async () => {
      while (Date.now() < end) {
        if (Date.now() > settledAt) samples.push(memoryMb(server.pid));
        await pause(1000);
      }
    })();
    await Promise.all([page(), page(), page(), page(), looking]);
    const middle = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];
    const third = Math.ceil(samples.length / 3);
    return [middle(samples.slice(-third)) - middle(samples.slice(0, third))];
  });

const FIGURES = [
  ['gpx40kMs', 'ms', gpx40kMs, '40,000 points of GPX read and checked'],
  ['weatherCsv190kBlockMs', 'ms', weatherBlockMs, 'longest wait of another request'],
  ['streamFloodMb', 'MB', streamFloodMb, '30 pages that do not read, 10 s'],
  ['backupMs', 'ms', backupMs, '100 MB while readings are written'],
  ['archiveRoundTripMs', 'ms', archiveRoundTripMs, '30,000 notes, 10,800 readings, 300 plans, out and in'],
  ['pairMs', 'ms', pairMs, 'from the code to the first page'],
  ['damagedStartsFailed', '', damagedStarts, `${DAMAGES} random damages`],
  ['fuzzedFaults', '', fuzzedFaults, `${FUZZED} hostile requests`],
  ['killsLost', '', killsLost, `${KILLS} kills while writing, backing up, restoring, reading in and migrating`],
  ...(SOAK_MIN ? [['soakMb', 'MB', soakMb, `${SOAK_MIN} minutes, four pages`]] : []),
];

/** Only these figures, where they are named. */
const ONLY = process.env.INKY_BENCH_ONLY?.split(',');

export async function* rows() {
  for (const [figure, unit, measure, how] of FIGURES) {
    if (!ONLY || ONLY.includes(figure)) yield { figure, unit, samples: await measure(), how };
  }
}
