import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { say } from './workspace.mjs';

const PLACES = [process.env.INKY_CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** Where the system's Chromium is; undefined where there is none. */
export const findChromium = () => PLACES.find((place) => place && existsSync(place));

/** Installs Chromium from the system's packages where it is missing and that is possible. @returns whether there is one */
export function ensureChromium() {
  if (findChromium()) return true;
  const apt = (...args) =>
    spawnSync('apt-get', args, { stdio: ['ignore', 2, 2], env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
      .status === 0;
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    say('Installing Chromium for the browser tests…');
    if (apt('update', '-qq') && apt('install', '-y', '-qq', '--no-install-recommends', 'chromium') && findChromium())
      return true;
  }
  say('No Chromium for the browser tests: install the package chromium, or set INKY_CHROMIUM to where one is.');
  return false;
}
