import { tzOffset } from '@date-fns/tz';
import type * as z from 'zod';
import { parse, type Parsed } from '../../contract/problems.js';
import type { TideStation } from '../../contract/tide.js';
import { DATE_ORDERS } from '../moments.js';
import { readTable, TableProblem, type TextTable } from '../table.js';
import { readNumber } from '../../units/typed.js';
import { constituentSpeedDegPerHour } from '../../tide/harmonic.js';
import { LIKELY_RANGE_M, StationInput } from '../../tide/station-input.js';
import { readTurns, turnColumns } from './turns-file.js';

const METRES_PER_FOOT = 0.3048;

/** What a file of constituents leaves open. */
export interface StationFileContext {
  readonly name: string;
  readonly latitude: number;
  readonly longitude: number;
  /** What amplitudes without a unit are in. */
  readonly unit: 'm' | 'ft';
  /**
   * Hours by which the clock of its phases is ahead of Greenwich, west negative; 0 for phases at Greenwich (G). Of tables
   * this is the standard time of the place (g).
   */
  readonly phasesAheadH: number;
  /** The clock of a table of highs and lows. */
  readonly timeZone?: string | undefined;
  /** The mean level over the datum, metres; 0 where heights are told from mean sea level. */
  readonly meanLevelM?: number | undefined;
}

/** How far a zone's standard time is ahead of Greenwich, hours: tables keep no summer time. @param year any, since 1970 */
export const standardTimeAheadH = (timeZone: string, year: number): number =>
  Math.min(...[0, 6].map((month) => tzOffset(timeZone, new Date(Date.UTC(year, month, 1))))) / 60;

const TITLES = {
  name: /name|constituent|harmonic|tide\b|partial/i,
  amplitude: /ampl|height|\bh\b/i,
  phase: /phase|\bg\b|kappa|lag|epoch/i,
} as const;
type Column = keyof typeof TITLES;

const FEET = /\bft\b|feet|foot|_ft/i;
const METRES = /\bm\b|met(?:er|re)|_m\b/i;
const CENTIMETRES = /\bcm\b|_cm\b/i;

/** Metres in one of what amplitudes are in, by their title, else as was said. */
function metresIn(title: string, unit: 'm' | 'ft'): number {
  if (CENTIMETRES.test(title)) return 0.01;
  if (FEET.test(title)) return METRES_PER_FOOT;
  return METRES.test(title) || unit === 'm' ? 1 : METRES_PER_FOOT;
}

/** Phases as Greenwich has them: a clock that is ahead sees each part of the tide so much later. */
function greenwichDeg(name: string, phaseDeg: number, aheadH: number): number {
  const turned = phaseDeg - (constituentSpeedDegPerHour(name) ?? 0) * aheadH;
  return Number((((turned % 360) + 360) % 360).toFixed(4));
}

const refused = (message: string): { ok: false; problems: { path: string; message: string }[] } => ({
  ok: false,
  problems: [{ path: '', message }],
});

const told = (read: ReturnType<typeof readTurns>): number => ('problem' in read ? read.read : Infinity);

/** A station of a table of highs and lows, in the order of dates in which all of them can be. */
function fromTurns(
  table: TextTable,
  columns: NonNullable<ReturnType<typeof turnColumns>>,
  { unit, timeZone = 'UTC', ...context }: StationFileContext,
): Parsed<TideStation> {
  const metres = metresIn(table.header?.[columns.height] ?? '', unit);
  const read = DATE_ORDERS.map((order) => readTurns(table, columns, { timeZone, order, metres }));
  // Of all orders of a date the one that makes sense of most lines was meant.
  const turns = read.reduce((best, each) => (told(each) > told(best) ? each : best));
  if ('problem' in turns) return refused(turns.problem);
  const levels = turns.map(({ levelM }) => levelM);
  if (Math.max(...levels) - Math.min(...levels) > LIKELY_RANGE_M) {
    return refused(`expected heights in metres: these make a range of over ${LIKELY_RANGE_M} m. Are they in feet?`);
  }
  const meanLevelM = Number((levels.reduce((sum, each) => sum + each, 0) / levels.length).toFixed(4));
  return asStation({ constituents: [], turns, meanLevelM, datum: 'the zero of its table' }, { unit, ...context });
}

function fromTable(table: TextTable, context: StationFileContext): Parsed<TideStation> {
  const { header, lines, decimalComma } = table;
  if (!header) return refused('expected a head that names the columns: name, amplitude, phase');
  const columnOf = (column: Column) => header.findIndex((title) => TITLES[column].test(title.replaceAll('_', ' ')));
  const turns = columnOf('phase') < 0 ? turnColumns(table) : null;
  if (turns) return fromTurns(table, turns, context);
  const missing = (Object.keys(TITLES) as Column[]).find((column) => columnOf(column) < 0);
  if (missing) return refused(`expected a column of ${missing === 'name' ? 'names' : `${missing}s`} in the head`);
  const factor = metresIn(header[columnOf('amplitude')] ?? '', context.unit);
  const constituents: { name: string; amplitudeM: number; phaseDeg: number }[] = [];
  for (const { line, cells } of lines) {
    const figure = (column: Column) => {
      const cell = cells[columnOf(column)] ?? '';
      return readNumber(decimalComma ? cell.replace(',', '.') : cell);
    };
    const [name, amplitude, phase] = [(cells[columnOf('name')] ?? '').trim(), figure('amplitude'), figure('phase')];
    if (amplitude === undefined || phase === undefined) {
      return refused(`line ${line}: expected an amplitude and a phase, got "${cells.join(' ').slice(0, 30)}"`);
    }
    if (Math.abs(phase) > 360) return refused(`line ${line}: expected a phase up to 360 degrees, got ${phase}`);
    // What the water does not do is not a part of its tide.
    if (amplitude === 0) continue;
    if (constituentSpeedDegPerHour(name) === undefined) {
      return refused(`line ${line}: expected the name of a constituent, as M2, got "${name.slice(0, 20)}"`);
    }
    constituents.push({
      name,
      amplitudeM: Number((amplitude * factor).toFixed(5)),
      phaseDeg: greenwichDeg(name, phase, context.phasesAheadH),
    });
  }
  return asStation({ constituents }, context);
}

function asStation(found: object, { name, latitude, longitude, meanLevelM = 0 }: StationFileContext) {
  const usual = { name, latitude, longitude, meanLevelM, datum: meanLevelM ? 'as in the file' : 'mean sea level' };
  return parse(StationInput as z.ZodType<TideStation>, { ...usual, ...found });
}

/** One constituent of a JSON file as tables write it: `amplitudeM`, or `amplitude` in what was said. */
function fromEntry(entry: unknown, { unit, phasesAheadH }: StationFileContext): unknown {
  if (typeof entry !== 'object' || entry === null) return entry;
  const { name, amplitudeM, amplitude, phaseDeg, phase } = entry as Record<string, unknown>;
  const inFeet = amplitudeM === undefined && unit === 'ft';
  const metres = amplitudeM ?? amplitude;
  const degrees = phaseDeg ?? phase;
  return {
    name,
    amplitudeM: inFeet && typeof metres === 'number' ? metres * METRES_PER_FOOT : metres,
    phaseDeg:
      typeof degrees === 'number' && typeof name === 'string' && Math.abs(degrees) <= 360
        ? greenwichDeg(name, degrees, phasesAheadH)
        : degrees,
  };
}

function fromJson(body: unknown, context: StationFileContext): Parsed<TideStation> {
  const listed = Array.isArray(body) ? body : (body as { constituents?: unknown } | null)?.constituents;
  if (!Array.isArray(listed)) return refused('expected a list of constituents, or an object that has one');
  const constituents = listed.map((entry) => fromEntry(entry, context));
  return asStation(Array.isArray(body) ? { constituents } : { ...(body as object), constituents }, context);
}

/**
 * A station from a file of its constituents: CSV with columns of names, amplitudes and phases, or JSON, a list of them or
 * a station as it goes out of a book; or from a table of its highs and lows, CSV with columns of dates and heights. Never throws on a bad file: what is wrong comes back as a problem.
 * @example
 * const at = { name: 'Bay', latitude: 30, longitude: -88, unit: 'm', phasesAheadH: 0 };
 * readStationFile('name,amplitude (ft),phase\nM2,1.5,200', at).value.constituents[0].amplitudeM // => 0.4572
 */
export function readStationFile(text: string, context: StationFileContext): Parsed<TideStation> {
  if (/^\s*[[{]/.test(text)) {
    let body: unknown;
    try {
      body = JSON.parse(text);
    } catch {
      return refused('this is no JSON, though it begins like it');
    }
    return fromJson(body, context);
  }
  try {
    return fromTable(readTable(text), context);
  } catch (error) {
    if (error instanceof TableProblem) return refused(error.message);
    throw error;
  }
}
