import { existsSync } from 'node:fs';
import { chromium } from 'playwright-core';

const PLACES = [process.env.INKY_CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** Where the system's Chromium is; undefined where there is none. */
export const findChromium = () => PLACES.find((place) => place && existsSync(place));

/** Starts the system's Chromium without a window and without calls of its own to the network. */
export function launchBrowser() {
  const executablePath = findChromium();
  if (!executablePath) throw new Error('No Chromium found: install the package chromium or set INKY_CHROMIUM');
  return chromium.launch({
    executablePath,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--font-render-hinting=none',
    ],
  });
}
