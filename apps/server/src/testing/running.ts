import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Config } from '../config.js';
import { startServer, type RunningServer } from '../server.js';

export interface TestServer extends RunningServer {
  readonly dataDir: string;
  /** Calls the API; a body is sent as JSON. */
  readonly call: (
    method: string,
    path: string,
    body?: unknown,
  ) => Promise<{ status: number; type: string; body: never }>;
  readonly remove: () => Promise<void>;
}

/**
 * A server of its own on a free port with an empty data folder, for one test file. Its demo has no trips of the past, which
 * take seconds to plan, unless `demoTrips` asks for them.
 */
export async function testServer(more: Partial<Config> = {}): Promise<TestServer> {
  const dataDir = more.dataDir ?? (await mkdtemp(join(tmpdir(), 'inky-')));
  const server = await startServer({
    host: '127.0.0.1',
    port: 0,
    dataDir,
    programDir: join(process.cwd(), 'apps/server/program'),
    webDir: join(dataDir, 'no-page'),
    allowedHosts: ['boat.local'],
    demoOutside: null,
    demoTrips: false,
    logLevel: 'silent',
    ...more,
  });
  return {
    ...server,
    dataDir,
    call: async (method, path, body) => {
      const response = await fetch(server.address + path, {
        method,
        ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      });
      const text = await response.text();
      return {
        status: response.status,
        type: response.headers.get('content-type') ?? '',
        body: (text && response.headers.get('content-type')?.includes('json') ? JSON.parse(text) : text) as never,
      };
    },
    remove: async () => {
      await server.stop();
      await rm(dataDir, { recursive: true, force: true });
    },
  };
}
