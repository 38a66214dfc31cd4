import Papa from 'papaparse';
import { parse } from '../contract/problems.js';
import { guarded, unguarded } from '../formats/formula.js';
import { readTable, TableProblem, type TableLine } from '../formats/table.js';
import type { UnitSystem } from '../units/units.js';
import { columnNamed, COLUMNS, guessColumn, readCell, TACKLE_COLUMNS, type Codec, type Column } from './columns.js';
import { TackleDraft, type TackleItem } from './item.js';

type Loose = Readonly<Record<string, unknown>>;

function encoded(value: unknown, codec: Codec): string {
  if (value === undefined || value === null) return '';
  if (codec === 'list') return (value as readonly string[]).join(' ');
  if (codec === 'hooks')
    return (value as readonly { size: string; at: number }[]).map(({ size, at }) => `${size}@${at}`).join(' ');
  return String(value);
}

/** Tackle as a CSV file, all columns, quoted where needed: read again it is the same. */
export function tackleToCsv(items: readonly TackleItem[]): string {
  const rows = items.map((item) =>
    COLUMNS.map(({ field, codec }) => guarded(encoded((item as unknown as Loose)[field], codec))),
  );
  // An emptied list of hooks or blades is told from none by what the schema makes of an empty cell: both are none.
  return `${Papa.unparse([[...TACKLE_COLUMNS], ...rows], { newline: '\r\n' })}\r\n`;
}

/** A problem of a file: in which line and column, and one sentence. */
export interface CsvProblem {
  readonly line: number;
  readonly column: string;
  readonly message: string;
}

/** A piece that stands in the file, or among what is owned, already. */
export interface Twice {
  readonly line: number;
  readonly item: TackleItem;
  /** The line of the file in which it stands, or what is owned that is the same. */
  readonly as: { readonly line: number } | { readonly owned: TackleItem };
}

/** What a file holds. Nothing of it is taken in yet. */
export interface TackleImport {
  readonly items: readonly TackleItem[];
  /** Pieces whose id is owned already and that say something else now: taken in they replace it. */
  readonly changed: readonly TackleItem[];
  /** The same piece twice: same id, or alike in everything. Left out of `items`. */
  readonly twice: readonly Twice[];
  readonly problems: readonly CsvProblem[];
  /** Columns that are not known here; what they hold is not taken in. */
  readonly unknownColumns: readonly string[];
  /** Titles of the columns with what each is taken for, by its name here; null for nothing. */
  readonly columns: readonly { readonly title: string; readonly role: string | null }[];
  /** The first rows as they came. */
  readonly sample: readonly (readonly string[])[];
}

const columnOfField = new Map(COLUMNS.map(({ name, field }) => [field, name]));

/** What makes a piece the same as another: all it says but its id, its number and where it lies. */
export function likenessKey(item: TackleItem): string {
  const { id: _, count: __, box: ___, slot: ____, photoId: _____, notes: ______, ...rest } = item as unknown as Loose;
  return JSON.stringify(
    Object.entries(rest)
      .filter(([, value]) => value !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );
}

/** Everything an item says. */
const wholeKey = (item: TackleItem): string =>
  JSON.stringify(
    Object.entries(item)
      .filter(([, value]) => value !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );

interface Row {
  readonly line: number;
  readonly loose: Record<string, unknown>;
}

function rowOf({ line, cells }: TableLine, columns: readonly (Column | undefined)[]): Row {
  const loose: Record<string, unknown> = {};
  for (const [at, column] of columns.entries()) {
    const cell = unguarded(cells[at] ?? '');
    if (column && cell !== '') loose[column.field] = readCell(cell, column);
  }
  if (loose['kind'] === 'lure' || loose['kind'] === 'trailer') loose['families'] ??= [];
  return { line, loose };
}

/** A path of the schema as the file's column. */
function columnOf(path: string): string {
  const [field = ''] = path.split(/[.[]/);
  return columnOfField.get(field) ?? field;
}

/** More than so many ids are not all told. */
const MAX_TOLD = 12;

/** A list of ids too long to read is cut short: the file that is written here has them all. */
const cutShort = (message: string): string =>
  message.replace(/: ([a-z0-9-]+(?:, [a-z0-9-]+)+), got/, (whole, list: string) => {
    const ids = list.split(', ');
    return ids.length > MAX_TOLD ? ` (${ids.slice(0, 3).join(', ')} or one of ${ids.length - 3} more), got` : whole;
  });

/** A field that a kind does not have is named by its column, and so is the kind. */
const sentence = (message: string, path: string, kind: unknown): string =>
  message.startsWith('expected no such field')
    ? `expected nothing here: a ${String(kind)} has no ${columnOf(path)}`
    : cutShort(message);

const ID_TEXT = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

export interface TackleImportOptions {
  readonly owned: readonly TackleItem[];
  /** Makes an id for a row without one. */
  readonly newId: () => string;
  /** Told from time to time how far it has come, 0 to 1. */
  readonly onProgress?: (share: number) => void;
  /** What the columns hold, by the names of columns here, null for nothing; else it is guessed from their titles. */
  readonly roles?: readonly (string | null)[];
  /** In which figures are whose column names no unit. */
  readonly units?: UnitSystem;
}

/** Rows that are shown as they came. */
const SAMPLE_ROWS = 3;

/**
 * Reads tackle from CSV text. Rows that cannot be read are told with line and column, columns that are not known by
 * name, and pieces that stand twice are set aside.
 * @throws TableProblem where it is no table of tackle at all
 * @example
 * const text = 'kind,name,material,test_lb\nline,Main,braid,20';
 * const read = readTackleCsv(text, { owned: [], newId: () => '01950000-0000-7000-8000-000000000001' });
 * read.items[0].testLb // => 20
 */
export function readTackleCsv(text: string, options: TackleImportOptions): TackleImport {
  const { owned, newId, onProgress, roles, units = 'metric' } = options;
  const table = readTable(text);
  const head = table.header ?? table.lines[0]?.cells ?? [];
  const taken = new Set<string>();
  const guessed = head.map((title) => {
    const role = guessColumn(title, units);
    if (!role || taken.has(role)) return null;
    taken.add(role);
    return role;
  });
  const names = roles ?? guessed;
  const columns = names.map((name) => (name === null ? undefined : columnNamed(name)));
  if (!roles && !names.includes('kind') && !names.includes('name')) {
    throw new TableProblem(
      'This is no table of tackle: expected a first line with the columns kind and name, as in a file written here.',
    );
  }
  const lines = table.header ? table.lines : table.lines.slice(1);
  const missing = ['kind', 'name'].filter((name) => !names.includes(name));
  const told = {
    unknownColumns: head.filter((title, at) => title.trim() !== '' && !columns[at] && !(roles && guessed[at])),
    columns: head.map((title, at) => ({ title, role: names[at] ?? null })),
    sample: lines.slice(0, SAMPLE_ROWS).map(({ cells }) => cells),
  };
  if (missing.length) {
    const message = `say which column holds the ${missing.join(' and the ')}`;
    return { items: [], changed: [], twice: [], problems: [{ line: 1, column: missing.join(', '), message }], ...told };
  }
  const items: TackleItem[] = [];
  const changed: TackleItem[] = [];
  const twice: Twice[] = [];
  const problems: CsvProblem[] = [];
  const ownedById = new Map(owned.map((item) => [item.id, item]));
  const ownedByLikeness = new Map(owned.map((item) => [likenessKey(item), item]));
  const seenIds = new Map<string, number>();
  const seenLikeness = new Map<string, number>();
  for (const [at, tableLine] of lines.entries()) {
    if (onProgress && at % 200 === 0) onProgress(at / lines.length);
    const { line, loose } = rowOf(tableLine, columns);
    const { id: givenId, ...draft } = loose;
    if (givenId !== undefined && !ID_TEXT.test(String(givenId))) {
      problems.push({ line, column: 'id', message: `expected an id, a UUID, or nothing, got "${String(givenId)}"` });
      continue;
    }
    const checked = parse(TackleDraft, draft);
    if (!checked.ok) {
      problems.push(
        ...checked.problems.map(({ path, message }) => ({
          line,
          column: columnOf(path),
          message: sentence(message, path, draft['kind']),
        })),
      );
      continue;
    }
    const item = { ...checked.value, id: givenId === undefined ? newId() : String(givenId) } as TackleItem;
    const likeness = likenessKey(item);
    const before = ownedById.get(item.id);
    const sameId = seenIds.get(item.id);
    const alike = givenId === undefined ? (seenLikeness.get(likeness) ?? undefined) : undefined;
    const ownedAlike = givenId === undefined ? ownedByLikeness.get(likeness) : undefined;
    if (sameId !== undefined || alike !== undefined)
      twice.push({ line, item, as: { line: (sameId ?? alike) as number } });
    else if (before && wholeKey(before) === wholeKey(item)) twice.push({ line, item, as: { owned: before } });
    else if (before) changed.push(item);
    else if (ownedAlike) twice.push({ line, item, as: { owned: ownedAlike } });
    else items.push(item);
    if (sameId === undefined) seenIds.set(item.id, line);
    if (!seenLikeness.has(likeness)) seenLikeness.set(likeness, line);
  }
  onProgress?.(1);
  return { items, changed, twice, problems, ...told };
}
