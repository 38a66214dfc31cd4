import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { say } from './workspace.mjs';

const PLACES = [process.env.INKY_CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** Where the system's Chromium is; undefined where there is none. */
export const findChromium = () => PLACES.find((place) => place && existsSync(place));

const INSTALL = 'apt-get update -qq && apt-get install -y -qq --no-install-recommends chromium';

/**
 * Installs Chromium from the system's packages where it is missing and that is possible, in a process of its own, which
 * goes on whatever is waited for meanwhile.
 * @returns whether there is one
 */
export async function ensureChromium() {
  if (findChromium()) return true;
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    say('Installing Chromium for the browser tests…');
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    const [status] = await once(spawn('sh', ['-c', INSTALL], { stdio: ['ignore', 2, 2], env }), 'close');
    if (status === 0 && findChromium()) return true;
  }
  say('No Chromium for the browser tests: install the package chromium, or set INKY_CHROMIUM to where one is.');
  return false;
}
