import { resolve } from 'node:path';
import { parse } from '@inky-shoal/core';
import { InstrumentsAddress } from '@inky-shoal/core/formats/nmea';
import type { LinePatience } from './services/instruments.js';
import type { Patience } from './outside/http-source.js';

/** How the server runs. Everything has a default; the environment may say otherwise. */
export interface Config {
  readonly host: string;
  readonly port: number;
  /** The one folder in which data lives. */
  readonly dataDir: string;
  /** Where backups lie; in a folder of the data folder where it is not said. */
  readonly backupDir?: string;
  /** Where the built server lies, whose parts run beside it. */
  readonly programDir: string;
  /** The built web application; absent where only the API is served. */
  readonly webDir: string;
  /** Names under which the server may be addressed, besides those of the loopback. */
  readonly allowedHosts: readonly string[];
  /** Where the stand-ins of the demo's weather and gauge are; null where there are none. */
  readonly demoOutside: string | null;
  /** Where the demo's boat speaks; null where it has none. */
  readonly demoBoat?: string | null;
  readonly logLevel: string;
  /** How long services outside are waited for; the usual where it is not said. */
  readonly patience?: Patience;
  /** How long a boat's instruments may be silent, and when they are called again; the usual where it is not said. */
  readonly linePatience?: LinePatience;
}

function portOf(text: string | undefined): number {
  if (text === undefined) return 4720;
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`INKY_PORT: expected a port from 0 to 65535, got ${text}`);
  }
  return port;
}

function addressOf(text: string | undefined): string | null {
  if (!text) return null;
  if (!/^https?:\/\//.test(text) || !URL.canParse(text)) {
    throw new Error(`INKY_DEMO_OUTSIDE: expected an address that begins with http://, got ${text}`);
  }
  return text;
}

function boatOf(text: string | undefined): string | null {
  const parsed = parse(InstrumentsAddress, { address: text || null });
  if (!parsed.ok) throw new Error(`INKY_DEMO_BOAT: ${parsed.problems[0]?.message ?? 'expected an address'}`);
  return parsed.value.address;
}

/** Reads the configuration from an environment. Throws one clear sentence on a value it cannot use. */
export function readConfig(env: Readonly<Record<string, string | undefined>>, rootDir: string): Config {
  return {
    host: env['INKY_HOST'] ?? '127.0.0.1',
    port: portOf(env['INKY_PORT']),
    dataDir: resolve(rootDir, env['INKY_DATA'] ?? '.data'),
    ...(env['INKY_BACKUPS'] ? { backupDir: resolve(rootDir, env['INKY_BACKUPS']) } : {}),
    programDir: resolve(rootDir, 'apps/server/dist'),
    webDir: resolve(rootDir, env['INKY_WEB'] ?? 'apps/web/dist/browser'),
    allowedHosts: (env['INKY_ALLOWED_HOSTS'] ?? '')
      .split(',')
      .map((host) => host.trim())
      .filter(Boolean),
    demoOutside: addressOf(env['INKY_DEMO_OUTSIDE']),
    demoBoat: boatOf(env['INKY_DEMO_BOAT']),
    logLevel: env['INKY_LOG'] ?? 'info',
  };
}
