import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './workspace.mjs';

/** A port that nobody listens on. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer().once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/** Starts a built program as a process of its own and waits until it says its address. */
export async function startProgram(file, env) {
  const child = spawn(process.execPath, [join(ROOT, file)], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const address = await new Promise((resolve, reject) => {
    child.stdout.on('data', (chunk) => {
      const found = /http:\S+/.exec(String(chunk));
      if (found) resolve(found[0]);
    });
    void ended.then((code) => reject(new Error(`${file} ended with ${code} before it listened`)));
  });
  return {
    address,
    pid: child.pid,
    async kill(signal = 'SIGTERM') {
      child.kill(signal);
      await ended;
    },
  };
}

/** Starts the stand-ins for what lies outside, on a free port; with a boat that speaks where a port is given for it. */
export const startStandIns = (port = 0, boatPort = 0) =>
  startProgram('apps/sim/program/main.js', { INKY_SIM_PORT: String(port), INKY_SIM_BOAT_PORT: String(boatPort) });

/**
 * Starts the built server on a free port.
 * @param {{ dataDir?: string, port?: number, outside?: string | null, demoTrips?: boolean }} [options] a data folder to
 *   use; without one it gets an empty one, removed in the end. `outside` is the address of the stand-ins; without one it
 *   gets its own, null leaves them out. With `demoTrips` false the demo has no trips of the past.
 */
export async function startServer({ dataDir, port = 0, outside, demoTrips = true } = {}) {
  const folder = dataDir ?? (await mkdtemp(join(tmpdir(), 'inky-')));
  const standIns = outside === undefined ? await startStandIns() : null;
  const server = await startProgram('apps/server/program/main.js', {
    INKY_PORT: String(port),
    INKY_DATA: folder,
    INKY_LOG: 'warn',
    INKY_DEMO_TRIPS: demoTrips ? '1' : '0',
    INKY_DEMO_OUTSIDE: outside === undefined ? standIns.address : (outside ?? ''),
  });
  return {
    address: server.address,
    pid: server.pid,
    dataDir: folder,
    async kill(signal) {
      await server.kill(signal);
      await standIns?.kill();
    },
    async stop() {
      await this.kill();
      if (!dataDir) await rm(folder, { recursive: true, force: true });
    },
  };
}
