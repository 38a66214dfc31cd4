import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, say } from './workspace.mjs';

const JEST = [process.execPath, join(ROOT, 'node_modules/jest/bin/jest.js')];

/**
 * Runs some of Jest's projects for a person to read.
 * @param {string[]} projects
 * @param {string[]} args files or parts of their paths, and options of Jest's own
 * @returns {number} 0 where all passed
 */
export function runJest(projects, args) {
  const [node, script] = JEST;
  const paths = args.filter((arg) => !arg.startsWith('-'));
  const options = args.filter((arg) => arg.startsWith('-'));
  const { status } = spawnSync(
    node,
    [
      script,
      '--selectProjects',
      ...projects,
      '--passWithNoTests',
      ...paths.flatMap((path) => ['--testPathPatterns', path]),
      ...options,
    ],
    { cwd: ROOT, stdio: 'inherit' },
  );
  return status ?? 1;
}

/**
 * Runs some of Jest's projects and counts.
 * @param {string[]} projects
 * @param {string[]} more options of Jest's own
 * @returns {{ passed: number, failed: number, skipped: number }}
 */
export function countJest(projects, more = []) {
  const folder = mkdtempSync(join(tmpdir(), 'inky-test-'));
  const file = join(folder, 'results.json');
  const [node, script] = JEST;
  spawnSync(node, [script, '--selectProjects', ...projects, '--json', `--outputFile=${file}`, ...more], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 2],
  });
  try {
    const results = JSON.parse(readFileSync(file, 'utf8'));
    return {
      passed: results.numPassedTests,
      // A file that could not run at all counts as one failure: its tests are not in the count.
      failed: results.numFailedTests + results.numRuntimeErrorTestSuites,
      skipped: results.numPendingTests + results.numTodoTests,
    };
  } catch (error) {
    say(`The tests of ${projects.join(', ')} gave no result: ${error.message}`);
    return { passed: 0, failed: 1, skipped: 0 };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
