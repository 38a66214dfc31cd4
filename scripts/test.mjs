import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureInstalled, ensurePageBuilt, ROOT, say } from './lib/workspace.mjs';
import { ensureChromium } from './lib/chromium.mjs';

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

function check([name, command, ...args]) {
  say(`Checking ${name}…`);
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: ['ignore', 2, 2] });
  totals[status === 0 ? 'passed' : 'failed']++;
  if (status !== 0) say(`The check of ${name} failed.`);
}

/** Runs some of Jest's projects and adds up what they say. */
function jest(projects, ...more) {
  const folder = mkdtempSync(join(tmpdir(), 'inky-test-'));
  const file = join(folder, 'results.json');
  const [node, script] = bin('jest/bin/jest.js');
  spawnSync(node, [script, '--selectProjects', ...projects, '--json', `--outputFile=${file}`, ...more], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 2],
  });
  try {
    const results = JSON.parse(readFileSync(file, 'utf8'));
    totals.passed += results.numPassedTests;
    // A file that could not run at all counts as one failure: its tests are not in the count.
    totals.failed += results.numFailedTests + results.numRuntimeErrorTestSuites;
    totals.skipped += results.numPendingTests + results.numTodoTests;
  } catch (error) {
    say(`The tests of ${projects.join(', ')} gave no result: ${error.message}`);
    totals.failed++;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

ensureInstalled();
ensurePageBuilt();
for (const each of CHECKS) check(each);
jest(['core', 'server', 'web', 'scripts']);
if (ensureChromium()) jest(['e2e'], '--maxWorkers=2');
else totals.failed++;

process.stdout.write(`${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped\n`);
process.exit(totals.failed ? 1 : 0);
