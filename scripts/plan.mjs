import { readFileSync } from 'node:fs';
import { ensureInstalled, ensureServerBuilt } from './lib/workspace.mjs';

/** Ends with what is wrong, a line each: where, and what was expected. */
function refuse(lines) {
  process.stderr.write(lines.map((line) => `${line}\n`).join(''));
  process.exit(2);
}

function readInput(file) {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    const why = { ENOENT: 'there is no such file', EISDIR: 'it is a folder', EACCES: 'it may not be read' }[error.code];
    return refuse([`${file}: expected a file with conditions, but ${why ?? error.message}`]);
  }
}

function parseJson(text, name) {
  if (!text.trim()) return refuse([`${name}: expected JSON with the conditions of a day, got an empty file`]);
  try {
    return JSON.parse(text);
  } catch (error) {
    return refuse([`${name}: expected JSON with the conditions of a day, but it is not JSON (${error.message})`]);
  }
}

const LARGEST_BYTES = 1024 * 1024;
const [file, ...rest] = process.argv.slice(2);
if (!file || rest.length) refuse(['usage: npm run --silent plan -- FILE.json (or - for standard input)']);
const name = file === '-' ? 'standard input' : file;
const text = readInput(file);
if (text.length > LARGEST_BYTES) refuse([`${name}: expected at most 1 MB, got ${Math.round(text.length / 1e6)} MB`]);
const value = parseJson(text, name);

ensureInstalled();
ensureServerBuilt();
const { Conditions, makePlan, parse } = await import('@inky-shoal/core');
const conditions = parse(Conditions, value);
if (!conditions.ok) refuse(conditions.problems.map(({ path, message }) => `${path || name}: ${message}`));
process.stdout.write(`${JSON.stringify(makePlan(conditions.value), null, 2)}\n`);
