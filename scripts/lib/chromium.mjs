import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { say } from './workspace.mjs';

const AS_USED = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];
/** The same without the program around the page, which tests have no use for: a page starts with a fifth less of a core. */
const PAGE_ALONE = ['/usr/bin/chromium-headless-shell'];

const first = (places) => [process.env.INKY_CHROMIUM, ...places].find((place) => place && existsSync(place));

/** Where the system's Chromium is, the one that people use before the one for tests; undefined where there is none. */
export const findChromium = () => first([...AS_USED, ...PAGE_ALONE]);

/** Where the Chromium for tests is; any other where there is none. */
export const findTestChromium = () => first([...PAGE_ALONE, ...AS_USED]);

// Nothing of the system's is taken away for it, and a network that is not there does not hold up what can do without.
const APT = 'apt-get -qq -o Acquire::Retries=0 -o Acquire::http::Timeout=20';
const INSTALL = `${APT} update && ${APT} install -y --no-remove --no-install-recommends chromium-headless-shell`;

/**
 * Installs the Chromium for tests from the system's packages where it is missing and that is possible, in a process of its
 * own, which goes on whatever is waited for meanwhile.
 * @returns whether there is one, or another that will do
 */
export async function ensureChromium() {
  if (!first(PAGE_ALONE) && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    say('Installing Chromium for the browser tests…');
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    await once(spawn('sh', ['-c', INSTALL], { stdio: ['ignore', 2, 2], env }), 'close');
  }
  if (findTestChromium()) return true;
  say(
    'No Chromium for the browser tests: install chromium-headless-shell or chromium, or set INKY_CHROMIUM to where one is.',
  );
  return false;
}
