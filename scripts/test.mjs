/**
 * All checks and tests: `npm test`. With files, `npm test -- FILE`, the tests in those alone, in the browser too where they
 * are of the page. The last line is `N passed, N failed, N skipped`.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { ensureChromium } from './lib/chromium.mjs';
import { countJest } from './lib/jest.mjs';
import { ensureInstalled, ensurePageBuilt, ensureServerBuilt, ROOT, say } from './lib/workspace.mjs';

const bin = (path) => [process.execPath, join(ROOT, 'node_modules', path)];
const CHECKS = [
  ['types', ...bin('typescript/bin/tsc'), '-p', 'tsconfig.check.json'],
  ['types of the page', ...bin('typescript/bin/tsc'), '-p', 'apps/web/tsconfig.spec.json', '--noEmit'],
  ['lint and boundaries', ...bin('eslint/bin/eslint.js'), '.', '--max-warnings=0'],
  [
    'the order of imports',
    ...bin('dependency-cruiser/bin/dependency-cruise.mjs'),
    '--config',
    '.dependency-cruiser.mjs',
    ...['packages/core/src', 'apps/server/src', 'apps/web/src/app', 'demo/src'],
  ],
  ['what the demo has written down', process.execPath, 'demo/dist/make-charts.js', '--check'],
];
const FORMATTING = ['formatting', ...bin('prettier/bin/prettier.cjs'), '--check', '--log-level=warn', '.'];

const totals = { passed: 0, failed: 0, skipped: 0 };
const add = (counts) => Object.keys(totals).forEach((key) => (totals[key] += counts[key]));

async function check([name, command, ...args]) {
  say(`Checking ${name}…`);
  const [status] = await once(spawn(command, args, { cwd: ROOT, stdio: ['ignore', 2, 2] }), 'close');
  totals[status === 0 ? 'passed' : 'failed']++;
  if (status !== 0) say(`The check of ${name} failed.`);
}

/** Checks what is left to check, one after the other. */
async function checkOn(left) {
  for (let next = left.shift(); next; next = left.shift()) await check(next);
}

/**
 * Builds, which takes one core, and checks on the other meanwhile, then on both: the planner's types are there once it is
 * built.
 */
async function buildAndCheck() {
  const formatting = check(FORMATTING);
  ensureServerBuilt();
  const build = once(spawn(process.execPath, [join(ROOT, 'scripts/build.mjs')], { stdio: ['ignore', 2, 2] }), 'close');
  const left = [...CHECKS];
  const checked = formatting.then(() => checkOn(left));
  const [status] = await build;
  if (status !== 0) process.exit(1);
  await Promise.all([checkOn(left), checked]);
}

const files = process.argv.slice(2);
const only = files.flatMap((file) => ['--testPathPatterns', file]);
const ofPage = files.some((file) => file.includes('e2e'));
const ofUnits = files.some((file) => !file.includes('e2e'));
const inBrowser = !files.length || ofPage;

const chromium = inBrowser ? ensureChromium() : false;
ensureInstalled();
if (files.length) ensurePageBuilt();
else await buildAndCheck();
const hasBrowser = await chromium;
if (inBrowser && !hasBrowser) totals.failed++;
const projects = [
  ...(!files.length || ofUnits ? ['core', 'server', 'web', 'scripts'] : []),
  ...(hasBrowser ? ['e2e'] : []),
];
if (projects.length) add(countJest(projects, only));

process.stdout.write(`${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped\n`);
process.exit(totals.failed ? 1 : 0);
