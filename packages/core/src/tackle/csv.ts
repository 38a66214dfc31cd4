import Papa from 'papaparse';
import { parse } from '../contract/problems.js';
import { guarded, unguarded } from '../formats/formula.js';
import { readTable, TableProblem, type TableLine } from '../formats/table.js';
import { TackleDraft, type TackleItem } from './item.js';

/** What is in a cell of a field. */
type Codec = 'text' | 'figure' | 'list' | 'hooks';

/** Every column, in the order in which they are written. Quantities are in the unit that the name ends with. */
const COLUMNS: readonly (readonly [column: string, field: string, codec: Codec])[] = [
  ['id', 'id', 'text'],
  ['kind', 'kind', 'text'],
  ['name', 'name', 'text'],
  ['count', 'count', 'figure'],
  ['box', 'box', 'text'],
  ['slot', 'slot', 'text'],
  ['category', 'category', 'text'],
  ['length_mm', 'lengthMm', 'figure'],
  ['width_mm', 'widthMm', 'figure'],
  ['weight_g', 'weightG', 'figure'],
  ['stated_depth_m', 'statedDepthM', 'figure'],
  ['stated_material', 'statedMaterial', 'text'],
  ['stated_test_lb', 'statedTestLb', 'figure'],
  ['stated_cast_m', 'statedCastM', 'figure'],
  ['buoyancy', 'buoyancy', 'text'],
  ['colours', 'families', 'list'],
  ['tone', 'tone', 'text'],
  ['sound', 'sound', 'text'],
  ['hooks', 'hooks', 'hooks'],
  ['blade_shapes', 'bladeShapes', 'list'],
  ['blade_shape', 'bladeShape', 'text'],
  ['blade_finish', 'bladeFinish', 'text'],
  ['hook_style', 'hookStyle', 'text'],
  ['hook_size', 'hookSize', 'text'],
  ['shape', 'shape', 'text'],
  ['metal', 'metal', 'text'],
  ['trailer_action', 'trailerAction', 'text'],
  ['bulk', 'bulk', 'text'],
  ['handle', 'handle', 'text'],
  ['power', 'power', 'text'],
  ['rod_action', 'rodAction', 'text'],
  ['rod_length_m', 'rodLengthM', 'figure'],
  ['casts_from_g', 'castsFromG', 'figure'],
  ['casts_to_g', 'castsToG', 'figure'],
  ['reel_id', 'reelId', 'text'],
  ['ratio', 'ratio', 'figure'],
  ['spool_mm', 'spoolMm', 'figure'],
  ['line_id', 'lineId', 'text'],
  ['leader_id', 'leaderId', 'text'],
  ['material', 'material', 'text'],
  ['test_lb', 'testLb', 'figure'],
  ['diameter_mm', 'diameterMm', 'figure'],
  ['length_m', 'lengthM', 'figure'],
  ['since', 'since', 'text'],
  ['days_used', 'daysUsed', 'figure'],
  ['runs', 'runs', 'text'],
  ['hook_state', 'hookState', 'text'],
  ['ring_state', 'ringState', 'text'],
  ['checked_on', 'checkedOn', 'text'],
  ['photo_id', 'photoId', 'text'],
  ['notes', 'notes', 'text'],
];

/** Names of all columns. */
export const TACKLE_COLUMNS: readonly string[] = COLUMNS.map(([column]) => column);

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
    COLUMNS.map(([, field, codec]) => guarded(encoded((item as unknown as Loose)[field], codec))),
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
}

const HOOK = /^([\d/]+)@([\d.e-]+)$/;
const FIGURE = /^[-+]?(\d+([.,]\d*)?|[.,]\d+)(e[-+]?\d+)?$/i;

function read(cell: string, codec: Codec): unknown {
  if (codec === 'figure') return FIGURE.test(cell) ? Number(cell.replace(',', '.')) : cell;
  if (codec === 'list') return cell.split(/[\s|;]+/).filter(Boolean);
  if (codec === 'hooks') {
    return cell
      .split(/[\s|;]+/)
      .filter(Boolean)
      .map((part) => {
        const [, size, at] = HOOK.exec(part) ?? [];
        return size === undefined ? part : { size, at: Number(at) };
      });
  }
  return cell;
}

const tidy = (header: string): string =>
  header
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, '_');
const columnOfField = new Map(COLUMNS.map(([column, field]) => [field, column]));

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

function rowOf({ line, cells }: TableLine, columns: readonly (readonly [string, string, Codec] | undefined)[]): Row {
  const loose: Record<string, unknown> = {};
  for (const [at, column] of columns.entries()) {
    const cell = unguarded(cells[at] ?? '');
    if (column && cell !== '') loose[column[1]] = read(cell, column[2]);
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
}

/**
 * Reads tackle from CSV text. Rows that cannot be read are told with line and column, columns that are not known by
 * name, and pieces that stand twice are set aside.
 * @throws TableProblem where it is no table of tackle at all
 * @example
 * const text = 'kind,name,material,test_lb\nline,Main,braid,20';
 * const read = readTackleCsv(text, { owned: [], newId: () => '01950000-0000-7000-8000-000000000001' });
 * read.items[0].testLb // => 20
 */
export function readTackleCsv(text: string, { owned, newId, onProgress }: TackleImportOptions): TackleImport {
  const table = readTable(text);
  const head = table.header ?? table.lines[0]?.cells ?? [];
  const columns = head.map((header) => COLUMNS.find(([column]) => column === tidy(header)));
  if (!columns.some((column) => column?.[0] === 'kind') || !columns.some((column) => column?.[0] === 'name')) {
    throw new TableProblem(
      'This is no table of tackle: expected a first line with the columns kind and name, as in a file written here.',
    );
  }
  const lines = table.header ? table.lines : table.lines.slice(1);
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
  return {
    items,
    changed,
    twice,
    problems,
    unknownColumns: head.filter((header, at) => header.trim() !== '' && !columns[at]),
  };
}
