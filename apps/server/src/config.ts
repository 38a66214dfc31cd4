import { resolve } from 'node:path';

/** How the server runs. Everything has a default; the environment may say otherwise. */
export interface Config {
  readonly host: string;
  readonly port: number;
  /** The one folder in which data lives. */
  readonly dataDir: string;
  /** The built web application; absent where only the API is served. */
  readonly webDir: string;
  /** Names under which the server may be addressed, besides those of the loopback. */
  readonly allowedHosts: readonly string[];
  readonly logLevel: string;
}

function portOf(text: string | undefined): number {
  if (text === undefined) return 4720;
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`INKY_PORT: expected a port from 0 to 65535, got ${text}`);
  }
  return port;
}

/** Reads the configuration from an environment. Throws one clear sentence on a value it cannot use. */
export function readConfig(env: Readonly<Record<string, string | undefined>>, rootDir: string): Config {
  return {
    host: env['INKY_HOST'] ?? '127.0.0.1',
    port: portOf(env['INKY_PORT']),
    dataDir: resolve(rootDir, env['INKY_DATA'] ?? '.data'),
    webDir: resolve(rootDir, env['INKY_WEB'] ?? 'apps/web/dist/browser'),
    allowedHosts: (env['INKY_ALLOWED_HOSTS'] ?? '')
      .split(',')
      .map((host) => host.trim())
      .filter(Boolean),
    logLevel: env['INKY_LOG'] ?? 'info',
  };
}
