import type { CategoryId, Species } from '../../contract/ids.js';
import { LIMITS } from '../../contract/limits.js';
import { FISH_LENGTH_MM, FISH_WEIGHT_G } from '../../contract/trips.js';
import { momentOf } from '../../formats/moments.js';
import { figureIn, roughFigureIn, type TableLine, type TextTable } from '../../formats/table.js';
import { readQuantityIn } from '../../units/typed.js';
import { say, type Measure, type UnitSystem } from '../../units/units.js';
import { lureKey, lureNamed, speciesNamed } from './names.js';
import type { TripMapping, TripMeasure, TripRole } from './trip-mapping.js';

/** One line of a table of trips, read. */
export interface TripRow {
  readonly line: number;
  /** All that stands in it, for telling whether it stands twice. */
  readonly whole: string;
  /** Noon of its day: by it rows of one day are told. */
  readonly noonMs: number;
  readonly startMs: number | undefined;
  readonly endMs: number | undefined;
  readonly hours: number | undefined;
  /** The moment of the fish. */
  readonly atMs: number | undefined;
  readonly water: string;
  readonly spot: string | undefined;
  readonly lure: CategoryId | undefined;
  /** As it was written. */
  readonly lureWords: string;
  readonly species: Species | undefined;
  readonly count: number;
  readonly lengthMm: number | undefined;
  readonly weightG: number | undefined;
  readonly depthM: number | undefined;
  readonly surfaceTempC: number | undefined;
  readonly visibilityM: number | undefined;
  readonly note: string | undefined;
}

export interface RowContext {
  /** The clock on which times without an offset stand. */
  readonly timeZone: string;
  /** Nothing later than this can have been fished. */
  readonly now: string;
  readonly units: UnitSystem;
  /** What lures mean whose names may mean several, by `lureKey`; null for none of ours. */
  readonly lures: Readonly<Record<string, CategoryId | null>>;
}

/** A line that makes no sense, in a sentence. */
class RowProblem extends Error {}

const MEASURES: Readonly<Record<TripMeasure, Measure>> = {
  temp: 'temp',
  depth: 'depth',
  length: 'fishLength',
  weight: 'fishWeight',
};
/** Fish that one line may tell of, and hours that a trip may last. */
const MOST_FISH = 300;
const MOST_HOURS = 36;
const MAX_SPOT = 120;
const MAX_NOTE = 500;
/** Who begins from this hour on may end after midnight. */
const EVENING_MS = 15 * 3_600_000;
const DAY_MS = 24 * 3_600_000;

/** `3.5`, `3:30`, `3 h 30`, `210 min`: hours. */
function hoursIn(cell: string, decimalComma: boolean): number | undefined {
  const [, hours, minutes] = /^(\d{1,2})\s*(?::|h|hrs?|hours?)\s*(\d{1,2})?\s*(?:m|min)?$/i.exec(cell) ?? [];
  if (hours !== undefined) return Number(hours) + Number(minutes ?? 0) / 60;
  const [, only] = /^(\d{1,4})\s*min(?:utes)?$/i.exec(cell) ?? [];
  if (only !== undefined) return Number(only) / 60;
  return figureIn(cell.replace(/\s*(?:h|hrs?|hours?)$/i, ''), decimalComma);
}

/** Reads one line, or says what is wrong with it. */
export function readTripRow(
  { line, cells }: TableLine,
  table: TextTable,
  mapping: TripMapping,
  context: RowContext,
): TripRow | string {
  try {
    return readCells(line, cells, table, mapping, context);
  } catch (error) {
    if (error instanceof RowProblem) return error.message;
    throw error;
  }
}

function readCells(
  line: number,
  cells: readonly string[],
  { decimalComma }: TextTable,
  { roles, units, dateOrder }: TripMapping,
  context: RowContext,
): TripRow {
  const cell = (role: TripRole): string => {
    const column = roles.indexOf(role);
    return column < 0 ? '' : (cells[column] ?? '').trim();
  };
  const short = (text: string) => text.slice(0, 30);
  const date = cell('date').split(/[T ](?=\d{1,2}[:.h]\d\d)/)[0] ?? '';
  const moment = (day: string, clock: string | undefined) => {
    const at = momentOf(day, clock, dateOrder, context.timeZone);
    return at === undefined ? undefined : Date.parse(at);
  };
  const noonMs = moment(date, '12:00');
  if (noonMs === undefined) throw new RowProblem(`expected a day that exists, got "${short(cell('date'))}"`);
  const clock = (role: 'start' | 'end' | 'time'): number | undefined => {
    if (!cell(role)) return undefined;
    // A column of times may hold the day as well.
    const at = moment(date, cell(role)) ?? moment(cell(role), undefined);
    if (at === undefined) throw new RowProblem(`expected a time of day, got "${short(cell(role))}"`);
    return at;
  };
  const inDate = moment(cell('date'), undefined);
  const startMs = clock('start');
  let endMs = clock('end');
  if (startMs !== undefined && endMs !== undefined && endMs <= startMs) {
    if (startMs < noonMs - 12 * 3_600_000 + EVENING_MS) {
      throw new RowProblem(`the trip ends at ${short(cell('end'))}, before it begins at ${short(cell('start'))}`);
    }
    endMs += DAY_MS;
  }
  let atMs = clock('time') ?? (inDate !== undefined && inDate !== noonMs ? inDate : undefined);
  if (atMs !== undefined && startMs !== undefined && atMs < startMs && endMs !== undefined && atMs + DAY_MS <= endMs) {
    atMs += DAY_MS;
  }
  if (Math.max(noonMs - 12 * 3_600_000, startMs ?? 0, atMs ?? 0) > Date.parse(context.now)) {
    throw new RowProblem(`${short(cell('date'))} is still to come`);
  }

  const hours = cell('hours') ? hoursIn(cell('hours'), decimalComma) : undefined;
  if (cell('hours') && (hours === undefined || hours <= 0 || hours > MOST_HOURS)) {
    throw new RowProblem(`expected hours up to ${MOST_HOURS}, got "${short(cell('hours'))}"`);
  }
  const quantity = (role: TripRole, measure: TripMeasure, [min, max]: readonly [number, number], what: string) => {
    const text = cell(role);
    if (!text) return undefined;
    const bare = roughFigureIn(text, decimalComma);
    const plain = figureIn(text, decimalComma) !== undefined && /\d$/.test(text);
    const unit = units[measure];
    const rough = bare && (plain || bare.rough) ? `${bare.figure} ${unit}` : undefined;
    const value =
      readQuantityIn(rough ?? `${text} ${unit}`, MEASURES[measure], context.units) ??
      readQuantityIn(text, MEASURES[measure], context.units);
    if (value === undefined) throw new RowProblem(`expected ${what}, got "${short(text)}"`);
    if (value < min || value > max) {
      const shown = (si: number) => say(MEASURES[measure], si, context.units);
      throw new RowProblem(`expected ${what} from ${shown(min)} to ${shown(max)}, got ${shown(value)}`);
    }
    return value;
  };
  const lengthMm = quantity('length', 'length', FISH_LENGTH_MM, 'a length of a fish');
  const weightG = quantity('weight', 'weight', FISH_WEIGHT_G, 'a weight of a fish');
  const countText = cell('count');
  const said = figureIn(countText, decimalComma);
  if (countText && (said === undefined || !Number.isInteger(said) || said < 0 || said > MOST_FISH)) {
    throw new RowProblem(`expected how many fish, up to ${MOST_FISH}, got "${short(countText)}"`);
  }
  const kind = cell('species');
  const lureWords = cell('lure');
  const isFish = lengthMm !== undefined || weightG !== undefined || kind !== '' || atMs !== undefined;
  const species = kind ? speciesNamed(kind) : undefined;
  const lure = context.lures[lureKey(lureWords)] ?? lureNamed(lureWords);
  const unread = [kind && !species ? kind : '', lureWords && !lure ? `lure: ${lureWords}` : '', cell('note')].filter(
    Boolean,
  );
  return {
    line,
    whole: cells.join('\u001f').toLowerCase(),
    noonMs,
    startMs,
    endMs,
    hours,
    atMs,
    water: cell('water'),
    spot: cell('spot').slice(0, MAX_SPOT) || undefined,
    lure,
    lureWords,
    species,
    count: said ?? (isFish ? 1 : 0),
    lengthMm: lengthMm && Math.round(lengthMm),
    weightG: weightG && Math.round(weightG),
    depthM: quantity('depth', 'depth', [0, 300], 'a depth'),
    surfaceTempC: quantity('temp', 'temp', LIMITS.surfaceTempC, 'a temperature of water'),
    visibilityM: quantity('clarity', 'depth', LIMITS.visibilityM, 'how far one saw down'),
    note: unread.join('; ').slice(0, MAX_NOTE) || undefined,
  };
}
