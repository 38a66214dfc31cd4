/**
 * All checks and tests: `npm test`. With files, `npm test -- FILE`, the tests in those alone, in the browser too where they
 * are of the page. The last line is `N passed, N failed, N skipped`.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { ensureChromium } from './lib/chromium.mjs';
import { countJest } from './lib/jest.mjs';
import { ensureInstalled, ensurePageBuilt, ROOT, say } from './lib/workspace.mjs';

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
  ['formatting', ...bin('prettier/bin/prettier.cjs'), '--check', '--log-level=warn', '.'],
];

const totals = { passed: 0, failed: 0, skipped: 0 };
const add = (counts) => Object.keys(totals).forEach((key) => (totals[key] += counts[key]));

async function check([name, command, ...args]) {
  say(`Checking ${name}…`);
  const [status] = await once(spawn(command, args, { cwd: ROOT, stdio: ['ignore', 2, 2] }), 'close');
  totals[status === 0 ? 'passed' : 'failed']++;
  if (status !== 0) say(`The check of ${name} failed.`);
}

/** Two at a time. */
async function checkAll() {
  const left = CHECKS.values();
  const checkNext = async () => {
    for (const next of left) await check(next);
  };
  await Promise.all([checkNext(), checkNext()]);
}

const files = process.argv.slice(2);
const only = files.flatMap((file) => ['--testPathPatterns', file]);
const ofPage = files.filter((file) => file.includes('e2e'));
const ofUnits = files.filter((file) => !file.includes('e2e'));

ensureInstalled();
ensurePageBuilt();
if (!files.length) await checkAll();
if (!files.length || ofUnits.length) add(countJest(['core', 'server', 'web', 'scripts'], only));
if (!files.length || ofPage.length) {
  if (ensureChromium()) add(countJest(['e2e'], only));
  else totals.failed++;
}

process.stdout.write(`${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped\n`);
process.exit(totals.failed ? 1 : 0);
