import Papa from 'papaparse';
import { FileProblem } from './file-problem.js';

/** A row of a table with the number of its line in the text, the first being 1. */
export interface TableLine {
  readonly line: number;
  readonly cells: readonly string[];
}

/** A table as it was read from text: what parts its cells, its head where it has one, and its lines. */
export interface TextTable {
  readonly delimiter: string;
  readonly header: readonly string[] | null;
  readonly lines: readonly TableLine[];
  /** Figures are written with a comma, as in `8,4`. */
  readonly decimalComma: boolean;
}

/** Larger texts are refused. */
export const MAX_TABLE_CHARACTERS = 8_000_000;
const DELIMITERS = ['\t', ';', ',', '|'];

/** A text that cannot be read as a table, in a sentence. */
export class TableProblem extends FileProblem {}

const numeric = (cell: string): boolean => /^[-+]?\d+([.,]\d+)?$/.test(cell.trim());

const hasFigures = ({ cells }: TableLine): boolean =>
  cells.some((cell) => /\d/.test(cell) && (numeric(cell) || /\d[-/.:]\d/.test(cell)));

/** Lines without those that stand before the head and are narrower than the table: who made it, where, of what. */
function withoutPreamble(lines: readonly TableLine[]): readonly TableLine[] {
  const widths = new Map<number, number>();
  const filled = ({ cells }: TableLine) => cells.filter(Boolean).length;
  for (const { cells } of lines.slice(0, 200)) widths.set(cells.length, (widths.get(cells.length) ?? 0) + 1);
  const [width = 1] = [...widths].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0] ?? [];
  if (width < 2) return lines;
  const start = lines.findIndex((line) => line.cells.length >= width && filled(line) > width / 2);
  return start > 0 ? lines.slice(start) : lines;
}

/**
 * Reads delimited text: a CSV file with commas, semicolons, bars or tabs, or rows pasted from a sheet. Lines that are
 * empty are passed over, and those before the head that are narrower than the table; a first line without any figure is the
 * head, and one of units under it belongs to it.
 * @param most characters that are taken
 * @throws TableProblem where there is nothing to read
 * @example
 * readTable('date;temp\n2027-03-01;9,5').header // => ['date', 'temp']
 */
export function readTable(text: string, most = MAX_TABLE_CHARACTERS): TextTable {
  if (text.length > most) {
    throw new TableProblem(`This text is too long: expected at most ${most / 1e6} million characters.`);
  }
  // Only what is parsed line by line knows the lines' numbers, since a quoted cell may hold a line's end.
  const lines: TableLine[] = [];
  const plain = text.replace(/^\uFEFF/, '');
  const { meta } = Papa.parse<string[]>(plain, { preview: 30, delimitersToGuess: DELIMITERS, skipEmptyLines: true });
  const delimiter = meta.delimiter;
  let from = 0;
  let line = 1;
  Papa.parse<string[]>(plain, {
    delimiter,
    step: ({ data, meta: { cursor } }) => {
      const cells = data.map((cell) => cell.trim());
      if (cells.some(Boolean)) lines.push({ line, cells });
      for (let at = from; at < cursor; at++) if (plain.charCodeAt(at) === 10) line++;
      from = cursor;
    },
  });
  if (!lines.length) throw new TableProblem('There is nothing to read: expected rows of figures.');
  const [first, ...rest] = withoutPreamble(lines) as [TableLine, ...TableLine[]];
  const isHeader = rest.length > 0 && !hasFigures(first);
  // A second line of words alone holds the units of the titles over it.
  const unitLine = isHeader && rest.length > 1 && !hasFigures(rest[0] as TableLine) ? rest[0] : undefined;
  const body = isHeader ? rest.slice(unitLine ? 1 : 0) : [first, ...rest];
  const titles = unitLine ? first.cells.map((cell, at) => `${cell} ${unitLine.cells[at] ?? ''}`.trim()) : first.cells;
  const cells = body.slice(0, 200).flatMap((each) => each.cells);
  const commas = cells.filter((cell) => /^[-+]?\d+,\d+$/.test(cell)).length;
  const points = cells.filter((cell) => /^[-+]?\d+\.\d+$/.test(cell)).length;
  return {
    delimiter,
    header: isHeader ? titles : null,
    lines: body,
    decimalComma: delimiter !== ',' && commas > points,
  };
}

const ABOUT = /^(?:~|≈|ca\.?|c\.|about|abt\.?|approx\.?|>|<|≥|≤)\s*/i;
const RANGE = /^([-+]?[\d.,]+)\s*(?:-|–|to|bis|\.\.)\s*([\d.,]+)(.*)$/;

/**
 * A figure of a cell as it is noted by hand: `~5`, `about 5 ft`, `5+`, and of `3-4` the middle.
 * @returns undefined where it holds none; `rough` where it was no plain figure
 */
export function roughFigureIn(cell: string, decimalComma: boolean): { figure: number; rough: boolean } | undefined {
  const exact = figureIn(cell, decimalComma);
  if (exact !== undefined) return { figure: exact, rough: false };
  const bare = cell
    .trim()
    .replace(ABOUT, '')
    .replace(/\s*\+$/, '');
  const about = figureIn(bare, decimalComma);
  if (about !== undefined) return { figure: about, rough: true };
  const [, from = '', to = '', unit = ''] = RANGE.exec(bare) ?? [];
  const [low, high] = [figureIn(from, decimalComma), figureIn(`${to}${unit}`, decimalComma)];
  return low === undefined || high === undefined ? undefined : { figure: (low + high) / 2, rough: true };
}

/** A figure of a cell; undefined where it holds none. Units behind it are passed over. */
export function figureIn(cell: string, decimalComma: boolean): number | undefined {
  const plain = (decimalComma ? cell.replace(',', '.') : cell).replace(/\s*(°?\s*[cf]|m|ft|feet|'|%)\s*$/i, '').trim();
  return /^[-+]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : undefined;
}
