import { chromium } from 'playwright-core';
import { findChromium, findTestChromium } from './chromium.mjs';

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

// What runs for seconds is over before a compiler that works out the fastest code has earned its own time.
const TEST_ARGS = [...ARGS, '--js-flags=--no-opt'];

const asUsed = () => ({ executablePath: findChromium(), args: ARGS });
const forTests = () => ({ executablePath: findTestChromium(), args: TEST_ARGS });

function found(browser) {
  if (!browser.executablePath) throw new Error('No Chromium found: install the package chromium or set INKY_CHROMIUM');
  return browser;
}

function keep(folder, { executablePath, args }, more) {
  return chromium.launchPersistentContext(folder, { executablePath, ...more, args: [...args, ...(more.args ?? [])] });
}

/** Starts the system's Chromium without a window and without calls of its own to the network. */
export const launchBrowser = () => chromium.launch(found(asUsed()));

/** Starts the one for tests. */
export const launchTestBrowser = () => chromium.launch(found(forTests()));

/**
 * Starts Chromium on a folder of its own, in which it keeps what pages keep: the next one on the folder finds it again.
 * @param {string} folder
 * @param {import('playwright-core').BrowserContextOptions & { args?: string[] }} more
 */
export const keptBrowser = (folder, more = {}) => keep(folder, found(asUsed()), more);

/**
 * The one for tests, on a folder of its own.
 * @param {string} folder
 * @param {import('playwright-core').BrowserContextOptions & { args?: string[] }} more
 */
export const keptTestBrowser = (folder, more = {}) => keep(folder, found(forTests()), more);
