/**
 * Keeps a book as this engine leaves it among the fixtures of the server's upgrade test: run once whenever the engine's
 * version was raised. `node scripts/book-fixture.mjs`
 */
import { copyFileSync, existsSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ENGINE_VERSION } from '@inky-shoal/core';
import { startServer } from './lib/server.mjs';
import { ROOT, say } from './lib/workspace.mjs';

const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
const COAST = { latitude: 30.2, longitude: -88.4, timeZone: 'America/Chicago' };
const id = (n) => `01900000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const at = '2026-11-20T12:00:00.000Z';
const CONTENT = [
  [`waters/${id(1)}`, { name: `Pond of ${ENGINE_VERSION}`, discipline: 'bass', waterKind: 'pond', place: PLACE }],
  ...[0, 1, 2].map((n) => [
    `waters/${id(1)}/readings/${id(10 + n)}`,
    { at: `2026-11-1${n}T15:00:00.000Z`, surfaceTempC: 12.5 - n, ...(n ? { visibilityM: 0.9 } : {}) },
  ]),
  [
    `plans/${id(20)}`,
    {
      name: `Day 1 of ${ENGINE_VERSION}`,
      waterId: id(1),
      conditions: {
        discipline: 'bass',
        date: '2027-03-13',
        place: PLACE,
        surfaceTempC: 9.5,
        visibilityM: 1.4,
        covers: ['laydown'],
      },
    },
  ],
  [
    `plans/${id(21)}`,
    {
      name: `Day 2 of ${ENGINE_VERSION}`,
      conditions: {
        discipline: 'inshore',
        date: '2027-10-02',
        place: COAST,
        surfaceTempC: 23,
        tide: { stage: 'rising' },
        salinityPsu: 18,
      },
    },
  ],
  [`tackle/${id(30)}`, { kind: 'line', name: 'Braid', material: 'braid', testLb: 20 }],
];
const EVENT = { kind: 'effort', id: id(40), tripId: id(41), deviceId: id(42), seq: 0, at, casts: 20, fishing: null };

const fixture = join(ROOT, `apps/server/fixtures/book-engine-${ENGINE_VERSION}.sqlite`);
if (existsSync(fixture)) {
  say(`${fixture} is there already: raise the engine's version first.`);
  process.exit(1);
}
const dataDir = await mkdtemp(join(tmpdir(), 'inky-fixture-'));
try {
  const server = await startServer({ dataDir, outside: null });
  const send = async (method, path, body) => {
    const answer = await fetch(`${server.address}/api/books/own/${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
  };
  for (const [path, body] of CONTENT) await send('PUT', path, body);
  await send('POST', 'trip-events', [EVENT]);
  await server.kill();
  copyFileSync(join(dataDir, 'own.sqlite'), fixture);
} finally {
  await rm(dataDir, { recursive: true, force: true });
}
say(`Kept ${fixture}.`);
