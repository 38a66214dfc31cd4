import { chromium } from 'playwright-core';
import { findChromium } from './chromium.mjs';

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--font-render-hinting=none',
];

function options() {
  const executablePath = findChromium();
  if (!executablePath) throw new Error('No Chromium found: install the package chromium or set INKY_CHROMIUM');
  return { executablePath, args: ARGS };
}

/** Starts the system's Chromium without a window and without calls of its own to the network. */
export const launchBrowser = () => chromium.launch(options());

/** Starts it on a folder of its own, in which it keeps what pages keep: the next one on the folder finds it again. */
export const keptBrowser = (folder, more) => chromium.launchPersistentContext(folder, { ...options(), ...more });
