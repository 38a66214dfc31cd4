import type { Grid } from '../chart/grid.js';
import { MAX_CHART_CELLS } from '../contract/limits.js';
import { FileProblem } from './file-problem.js';

/** A file that cannot be read, said with the line. */
export class GridProblem extends FileProblem {}

const KEYS = [
  'ncols',
  'nrows',
  'xllcorner',
  'yllcorner',
  'xllcenter',
  'yllcenter',
  'cellsize',
  'nodata_value',
] as const;
type Key = (typeof KEYS)[number];
/** More cells than this are refused: a chart is held in memory several times over. */
export const MAX_CELLS = MAX_CHART_CELLS;
/** A chart has at least this many cells either way. */
const MIN_SIDE = 3;

const SPACE = 32;
const LINE = 10;

/** Reads the numbers of a text one after another, and knows on which line it stands. */
class Numbers {
  line: number;
  private at: number;

  constructor(
    private readonly text: string,
    from: number,
    line: number,
  ) {
    this.at = from;
    this.line = line;
  }

  /** The next word, empty at the end of the text. */
  word(): string {
    const { text } = this;
    while (this.at < text.length && text.charCodeAt(this.at) <= SPACE) {
      if (text.charCodeAt(this.at) === LINE) this.line++;
      this.at++;
    }
    const from = this.at;
    while (this.at < text.length && text.charCodeAt(this.at) > SPACE) this.at++;
    return text.slice(from, this.at);
  }
}

function header(text: string): { values: Partial<Record<Key, number>>; end: number; line: number } {
  const values: Partial<Record<Key, number>> = {};
  let at = 0;
  let line = 1;
  for (;;) {
    const end = text.indexOf('\n', at);
    const row = text.slice(at, end === -1 ? undefined : end).trim();
    const [word = '', figure = ''] = row.split(/\s+/);
    const key = KEYS.find((each) => each === word.toLowerCase());
    if (!key) break;
    const value = Number(figure);
    if (figure === '' || !Number.isFinite(value)) {
      throw new GridProblem(`line ${line}: expected a number after ${word}, got ${figure || 'nothing'}`);
    }
    values[key] = value;
    if (end === -1) return { values, end: text.length, line };
    at = end + 1;
    line++;
  }
  return { values, end: at, line };
}

function whole(value: number | undefined, key: string): number {
  if (value === undefined) throw new GridProblem(`expected ${key} at the top of the file`);
  if (!Number.isInteger(value) || value < MIN_SIDE) {
    throw new GridProblem(`${key}: expected a whole number of at least ${MIN_SIDE}, got ${value}`);
  }
  return value;
}

/**
 * Reads an ESRI ASCII grid. What has no data becomes NaN. The grid lies where its corner says, in whatever projection
 * it was made; the file does not say which.
 * @param step told now and then how far it is, 0 to 1; a throw from it ends the reading
 * @throws GridProblem with the line
 */
export function readAsciiGrid(text: string, step?: (share: number) => void): Grid {
  const { values: head, end, line } = header(text);
  const cols = whole(head.ncols, 'ncols');
  const rows = whole(head.nrows, 'nrows');
  const cellM = head.cellsize;
  if (cellM === undefined) throw new GridProblem('expected cellsize at the top of the file');
  if (cellM <= 0) throw new GridProblem(`cellsize: expected more than 0, got ${cellM}`);
  if (cols * rows > MAX_CELLS) {
    throw new GridProblem(`expected at most ${MAX_CELLS / 1e6} million cells, got ${Math.round((cols * rows) / 1e6)}`);
  }
  const nodata = head.nodata_value ?? -9999;
  const values = new Float32Array(cols * rows);
  const numbers = new Numbers(text, end, line);
  let known = 0;
  let lastLine = -1;
  for (let row = 0; row < rows; row++) {
    let rowLine = -1;
    for (let col = 0; col < cols; col++) {
      const word = numbers.word();
      if (rowLine === -1) rowLine = numbers.line;
      if (word === '') {
        throw new GridProblem(
          `line ${numbers.line}: the file ends in row ${row + 1} of ${rows}, after ${col} of ${cols} columns`,
        );
      }
      if (col > 0 && numbers.line !== rowLine) {
        throw new GridProblem(`line ${rowLine}: expected ${cols} columns, got ${col}`);
      }
      if (col === 0 && row > 0 && numbers.line === lastLine) {
        throw new GridProblem(`line ${numbers.line}: expected ${cols} columns, got more`);
      }
      const value = Number(word);
      if (Number.isNaN(value)) {
        throw new GridProblem(`line ${numbers.line}, column ${col + 1}: expected a number, got ${word.slice(0, 20)}`);
      }
      const cell = row * cols + col;
      if (value === nodata) values[cell] = Number.NaN;
      else {
        values[cell] = value;
        known++;
      }
    }
    lastLine = rowLine;
    if ((row & 63) === 0) step?.(row / rows);
  }
  if (numbers.word() !== '') throw new GridProblem(`line ${numbers.line}: expected ${rows} rows, got more`);
  if (!known) throw new GridProblem('expected depths, got no data in every cell');
  const westM = head.xllcorner ?? (head.xllcenter === undefined ? 0 : head.xllcenter - cellM / 2);
  const southM = head.yllcorner ?? (head.yllcenter === undefined ? 0 : head.yllcenter - cellM / 2);
  return { cols, rows, cellM, westM, northM: southM + rows * cellM, values };
}
