import { chromium } from 'playwright-core';
import { findChromium } from './chromium.mjs';

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
