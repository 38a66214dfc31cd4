import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './workspace.mjs';

/**
 * Starts the built server as a process of its own on a free port.
 * @param {{ dataDir?: string, port?: number }} [options] a data folder to use; without one it gets an empty one, removed in the end
 */
export async function startServer({ dataDir, port = 0 } = {}) {
  const folder = dataDir ?? (await mkdtemp(join(tmpdir(), 'inky-')));
  const child = spawn(process.execPath, [join(ROOT, 'apps/server/dist/main.js')], {
    env: { ...process.env, INKY_PORT: String(port), INKY_DATA: folder, INKY_LOG: 'warn' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const address = await new Promise((resolve, reject) => {
    child.stdout.on('data', (chunk) => {
      const found = /http:\S+/.exec(String(chunk));
      if (found) resolve(found[0]);
    });
    void ended.then((code) => reject(new Error(`The server ended with ${code} before it listened`)));
  });
  return {
    address,
    dataDir: folder,
    async kill(signal = 'SIGTERM') {
      child.kill(signal);
      await ended;
    },
    async stop() {
      child.kill('SIGTERM');
      await ended;
      if (!dataDir) await rm(folder, { recursive: true, force: true });
    },
  };
}
