import { readFileSync } from 'node:fs';

/** Ends with what is wrong, a line each: where, and what was expected. */
export function refuse(lines) {
  process.stderr.write(lines.map((line) => `${line}\n`).join(''));
  process.exit(2);
}

const LARGEST_BYTES = 1024 * 1024;

function readInput(file, what) {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    const why = { ENOENT: 'there is no such file', EISDIR: 'it is a folder', EACCES: 'it may not be read' }[error.code];
    return refuse([`${file}: expected a file with ${what}, but ${why ?? error.message}`]);
  }
}

/**
 * Reads a file of JSON, `-` being standard input; ends with one sentence where there is none.
 * @param what is expected in it, in words
 */
export function jsonFrom(file, what) {
  const name = file === '-' ? 'standard input' : file;
  const text = readInput(file, what);
  if (text.length > LARGEST_BYTES) refuse([`${name}: expected at most 1 MB, got ${Math.round(text.length / 1e6)} MB`]);
  if (!text.trim()) refuse([`${name}: expected JSON with ${what}, got an empty file`]);
  try {
    return { name, value: JSON.parse(text) };
  } catch (error) {
    return refuse([`${name}: expected JSON with ${what}, but it is not JSON (${error.message})`]);
  }
}

/** Ends with every problem of an input, a line each. */
export const refuseProblems = (problems, name) =>
  refuse(problems.map(({ path, message }) => `${path || name}: ${message}`));
