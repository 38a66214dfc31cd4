import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync } from 'node:zlib';

export const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const STAMPS = join(ROOT, '.build');
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Says something to the user without disturbing what goes to standard output. */
export const say = (text) => process.stderr.write(`${text}\n`);

/** Runs a command in the project; its output goes to standard error. Ends the script where it fails. */
export function run(command, args, { cwd = ROOT, quiet = false, what = command } = {}) {
  const { status, error, stdout, stderr } = spawnSync(command, args, {
    cwd,
    stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 2, 2],
    encoding: 'utf8',
    env: { ...process.env, NG_CLI_ANALYTICS: 'false', FORCE_COLOR: '0' },
  });
  if (error || status !== 0) {
    if (quiet) process.stderr.write(`${stdout ?? ''}${stderr ?? ''}`);
    say(`Could not ${what}${error ? `: ${error.message}` : ` (it ended with ${status})`}.`);
    process.exit(1);
  }
}

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    say(`Node 20.19 or newer is needed; this is ${process.versions.node}.`);
    process.exit(1);
  }
}

function filesUnder(path) {
  const full = join(ROOT, path);
  if (!existsSync(full)) return [];
  if (statSync(full).isFile()) return [full];
  return readdirSync(full, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name))
    .filter((file) => !/[\\/](dist|program|node_modules|\.angular)[\\/]/.test(file.slice(full.length)));
}

/** A fingerprint of files by where they lie in the project and what is in them: a copied or moved folder has the same. */
function fingerprint(paths) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap(filesUnder).sort()) {
    hash
      .update(`${relative(ROOT, file)}\0`)
      .update(readFileSync(file))
      .update('\0');
  }
  return hash.digest('hex');
}

/** Does `work` where `inputs` changed since it was last done or `output` is missing. */
function once(name, inputs, output, work) {
  const stamp = join(STAMPS, name);
  const print = fingerprint(inputs);
  if (existsSync(join(ROOT, output)) && existsSync(stamp) && readFileSync(stamp, 'utf8') === print) return;
  work();
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, print);
}

/** Installs the packages that the lock file names, where they are missing or others. */
export function ensureInstalled() {
  checkNode();
  once('installed', ['package-lock.json'], 'node_modules/.package-lock.json', () => {
    say('Installing packages…');
    run(npm, ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { what: 'install the packages' });
  });
}

const NODE_SOURCES = [
  'packages/core',
  'demo',
  'apps/server',
  'apps/sim',
  'tsconfig.json',
  'tsconfig.base.json',
  'package-lock.json',
];

/** Compiles core, demo data and server, where something changed. */
export function ensureServerBuilt() {
  once('server', [...NODE_SOURCES, 'scripts/lib/programs.mjs'], 'apps/server/program/main.js', () => {
    say('Building the planner…');
    run(process.execPath, [join(ROOT, 'node_modules/typescript/bin/tsc'), '-b'], { what: 'build the planner' });
    run(process.execPath, [join(ROOT, 'scripts/lib/programs.mjs')], { what: 'lay the programs together' });
  });
}

/** Lays a Brotli file beside each text file of the page: pressed once here, harder than there is time for on request. */
function compressPage(folder) {
  for (const name of readdirSync(folder, { recursive: true })) {
    const file = join(folder, String(name));
    if (/\.(js|css|svg)$/.test(file)) writeFileSync(`${file}.br`, brotliCompressSync(readFileSync(file)));
  }
}

/** The view that most visits begin on. */
const FIRST_VIEW = 'src/app/sheet/sheet.view.ts';

/**
 * Writes down which parts the first view is made of, beyond those that the page names itself: the server tells the browser
 * at once, which else finds them one behind the other.
 */
function notePreloads(folder) {
  const statsFile = join(folder, 'stats.json');
  const { outputs } = JSON.parse(readFileSync(statsFile, 'utf8'));
  const wanted = new Set();
  const take = (file) => {
    if (wanted.has(file)) return;
    wanted.add(file);
    for (const { kind, path } of outputs[file]?.imports ?? []) if (kind === 'import-statement') take(path);
  };
  for (const [file, { entryPoint }] of Object.entries(outputs))
    if (entryPoint === 'src/main.ts' || entryPoint === FIRST_VIEW) take(file);
  const page = readFileSync(join(folder, 'browser/index.html'), 'utf8');
  const parts = [...wanted].filter((file) => !page.includes(file));
  writeFileSync(join(folder, 'preload.json'), JSON.stringify(parts));
  rmSync(statsFile);
}

/** Builds the page, where something changed. */
export function ensurePageBuilt() {
  ensureServerBuilt();
  once('page', ['apps/web', 'packages/core/src', 'package-lock.json'], 'apps/web/dist/browser/index.html', () => {
    say('Building the page…');
    const ng = join(ROOT, 'node_modules/@angular/cli/bin/ng.js');
    run(process.execPath, [ng, 'build', '--stats-json'], {
      quiet: true,
      cwd: join(ROOT, 'apps/web'),
      what: 'build the page',
    });
    notePreloads(join(ROOT, 'apps/web/dist'));
    compressPage(join(ROOT, 'apps/web/dist/browser'));
  });
}
