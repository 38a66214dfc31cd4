import { resolve } from 'node:path';
import { parse } from '@inky-shoal/core';
import { InstrumentsAddress } from '@inky-shoal/core/formats/nmea';
import type { SlowLimits } from './http/slow.js';
import type { LineRetryPolicy } from './services/instruments.js';
import type { RetryPolicy } from './outside/ask-patiently.js';

/** How the server runs. Everything has a default; the environment may say otherwise. */
export interface Config {
  readonly host: string;
  readonly port: number;
  /** The one folder in which data lives. */
  readonly dataDir: string;
  /** Whether paired devices of the network are let in from the start. */
  readonly share?: boolean;
  /** Where they find the server; everywhere, on the usual port, where it is not said. */
  readonly shareHost?: string;
  readonly sharePort?: number;
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
  /** Whether the demo's book has its trips of the past, each of which is planned anew; it has where it is not said. */
  readonly demoTrips?: boolean;
  readonly logLevel: string;
  /** How slowly requests may come in; the usual where it is not said. */
  readonly slow?: SlowLimits;
  /** How long services outside are waited for; the usual where it is not said. */
  readonly retryPolicy?: RetryPolicy;
  /** How long a boat's instruments may be silent, and when they are called again; the usual where it is not said. */
  readonly lineRetryPolicy?: LineRetryPolicy;
}

const USUAL_PORT = 4720;
/** Where paired devices find the server. */
export const USUAL_SHARE_PORT = 4721;

/** The loopback alone: over the network nobody comes in who is not paired. */
function hostOf(text: string | undefined): string {
  const host = text ?? '127.0.0.1';
  if (!/^(127(\.\d{1,3}){3}|::1|localhost)$/.test(host)) {
    throw new Error(
      `INKY_HOST: ${host} would let in whoever is in the network. Leave it out, and use npm start -- --share, which lets in paired devices alone.`,
    );
  }
  return host;
}

function portOf(name: string, text: string | undefined, usual: number): number {
  if (text === undefined) return usual;
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`${name}: expected a port from 0 to 65535, got ${text}`);
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
export function readConfig(
  env: Readonly<Record<string, string | undefined>>,
  rootDir: string,
  programDir = resolve(rootDir, 'apps/server/program'),
): Config {
  return {
    host: hostOf(env['INKY_HOST']),
    share: env['INKY_SHARE'] === '1',
    ...(env['INKY_SHARE_HOST'] ? { shareHost: env['INKY_SHARE_HOST'] } : {}),
    sharePort: portOf('INKY_SHARE_PORT', env['INKY_SHARE_PORT'], USUAL_SHARE_PORT),
    port: portOf('INKY_PORT', env['INKY_PORT'], USUAL_PORT),
    dataDir: resolve(rootDir, env['INKY_DATA'] ?? '.data'),
    ...(env['INKY_BACKUPS'] ? { backupDir: resolve(rootDir, env['INKY_BACKUPS']) } : {}),
    programDir,
    webDir: resolve(rootDir, env['INKY_WEB'] ?? 'apps/web/dist/browser'),
    allowedHosts: (env['INKY_ALLOWED_HOSTS'] ?? '')
      .split(',')
      .map((host) => host.trim())
      .filter(Boolean),
    demoOutside: addressOf(env['INKY_DEMO_OUTSIDE']),
    demoBoat: boatOf(env['INKY_DEMO_BOAT']),
    demoTrips: env['INKY_DEMO_TRIPS'] !== '0',
    logLevel: env['INKY_LOG'] ?? 'info',
  };
}
