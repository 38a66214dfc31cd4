import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const MAIN = join(process.cwd(), 'apps/server/program/main.js');
const PLAN = {
  name: 'Before the lights went out',
  conditions: {
    discipline: 'bass',
    date: '2027-03-13',
    place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
    surfaceTempC: 10.5,
  },
};
const PATH = '/api/books/own/plans/01950000-0000-7000-8000-000000000001';

let dataDir: string;
const running = new Set<ChildProcess>();
beforeAll(async () => {
  if (!existsSync(MAIN)) throw new Error('The server is not built: run npm run build first');
  dataDir = await mkdtemp(join(tmpdir(), 'inky-'));
});
afterAll(async () => {
  for (const child of running) child.kill('SIGKILL');
  await rm(dataDir, { recursive: true, force: true });
});

/** Starts the real server as a process of its own and waits until it says its address. */
async function start(
  env: Record<string, string> = {},
): Promise<{ child: ChildProcess; address: string; ended: Promise<number | null> }> {
  const child = spawn(process.execPath, [MAIN], {
    env: { ...process.env, INKY_PORT: '0', INKY_DATA: dataDir, INKY_LOG: 'silent', INKY_DEMO_TRIPS: '0', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running.add(child);
  const ended = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)));
  void ended.then(() => running.delete(child));
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\S+/.exec(chunk.toString());
      if (found) resolve(found[0]);
    });
    child.stderr.on('data', (chunk: Buffer) => reject(new Error(chunk.toString())));
  });
  return { child, address, ended };
}

/** Each test starts servers of its own, which takes seconds where the machine is busy. */

describe('what was answered is kept', () => {
  it('a saved plan survives kill -9 straight after the answer', async () => {
    const first = await start();
    const answer = await fetch(first.address + PATH, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(PLAN),
    });
    first.child.kill('SIGKILL');
    expect(answer.status).toBe(200);
    await first.ended;

    const second = await start();
    const kept = (await (await fetch(second.address + PATH)).json()) as typeof PLAN;
    expect(kept).toMatchObject(PLAN);
    second.child.kill('SIGTERM');
    expect(await second.ended).toBe(0);
  });

  it('says so in one line where the port is taken', async () => {
    const holder = createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => holder.once('listening', resolve));
    const { port } = holder.address() as { port: number };
    await expect(start({ INKY_PORT: String(port) })).rejects.toThrow('The port is taken');
    holder.close();
  });

  it('says so in one line where the port is none', async () => {
    await expect(start({ INKY_PORT: 'lots' })).rejects.toThrow('INKY_PORT: expected a port');
  });
});
