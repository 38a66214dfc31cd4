import { closeSync, openSync, readSync, statSync } from 'node:fs';

/** Ends with what is wrong, a line each: where, and what was expected. */
export function refuse(lines) {
  process.stderr.write(lines.map((line) => `${line}\n`).join(''));
  process.exit(2);
}

const LARGEST_BYTES = 1024 * 1024;
const PIECE_BYTES = 65_536;

// Who reads the answer may have seen enough of it: that is no fault.
process.stdout.on('error', (error) => process.exit(error.code === 'EPIPE' ? 0 : 1));

/** The bytes of a file or a stream, and no more than one piece over the largest: some never end. */
function bytesOf(file) {
  const opened = file === '-' ? 0 : openSync(file, 'r');
  const pieces = [];
  let bytes = 0;
  while (bytes <= LARGEST_BYTES) {
    const piece = Buffer.alloc(PIECE_BYTES);
    let read;
    try {
      read = readSync(opened, piece);
    } catch (error) {
      // A pipe that nothing was put into yet says so.
      if (error.code === 'EAGAIN') {
        Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 20);
        continue;
      }
      if (error.code === 'EOF') break;
      throw error;
    }
    if (!read) break;
    pieces.push(piece.subarray(0, read));
    bytes += read;
  }
  if (opened) closeSync(opened);
  return Buffer.concat(pieces);
}

function readInput(file, what, name) {
  try {
    const size = file === '-' ? 0 : statSync(file).size;
    const bytes = size > LARGEST_BYTES ? null : bytesOf(file);
    if (bytes === null || bytes.length > LARGEST_BYTES) {
      const found = size > LARGEST_BYTES ? `${(size / 1e6).toFixed(size < 1e7 ? 1 : 0)} MB` : 'more';
      return refuse([`${name}: expected at most 1 MB, got ${found}`]);
    }
    return bytes.toString('utf8').replace(/^\uFEFF/, '');
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
  const text = readInput(file, what, name);
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
