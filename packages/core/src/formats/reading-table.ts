import { LIMITS } from '../contract/limits.js';
import type { Reading, ReadingDraft, Zone } from '../contract/records.js';
import { figureOf, say, type UnitSystem } from '../units/units.js';
import { momentOf } from './moments.js';
import type { ColumnRole, ReadingMapping } from './reading-mapping.js';
import { roughFigureIn, type TableLine, type TextTable } from './table.js';

export interface TableContext {
  readonly zones: readonly Zone[];
  readonly timeZone: string;
  /** Nothing later than this can have been read. */
  readonly now: string;
  /** What the record holds already. */
  readonly known: readonly Reading[];
  /** The zone of rows that name none. */
  readonly zoneId?: string;
  readonly units: UnitSystem;
}

/** A reading of a table, and the lines it came from: several where a profile was written down the page. */
export interface TableReading {
  readonly lines: readonly number[];
  readonly draft: ReadingDraft;
  /** It stands in the record, or earlier in the table, at the same time in the same zone. */
  readonly twice: 'record' | 'table' | null;
}

export interface TableProblemAt {
  readonly line: number;
  readonly message: string;
}

export interface ReadingImport {
  readonly readings: readonly TableReading[];
  readonly problems: readonly TableProblemAt[];
  /** What is worth knowing before it goes in, in sentences. */
  readonly notes: readonly string[];
  /** The other unit would make sense of most of the temperatures that make none. */
  readonly meantUnit: 'C' | 'F' | null;
}

const METRES_PER_FOOT = 0.3048;
const toC = (value: number, unit: 'C' | 'F') => (unit === 'C' ? value : (value - 32) / 1.8);
const within = (value: number, [min, max]: readonly [number, number]) => value >= min && value <= max;
const round = (value: number, places: number) => Number(value.toFixed(places));

interface Row {
  readonly line: number;
  readonly at: string;
  readonly tempC: number;
  readonly depthM: number | undefined;
  readonly visibilityM: number | undefined;
  readonly zoneId: string | undefined;
  /** A figure of it was a range, or about. */
  readonly isRough: boolean;
  /** Cells beside the temperature that are no figures. */
  readonly unread: readonly string[];
}

/** Reads one line, or says what is wrong with it. */
function readLine(
  { line, cells }: TableLine,
  table: TextTable,
  mapping: ReadingMapping,
  context: TableContext,
): Row | string {
  const { roles, tempUnit, depthUnit, dateOrder } = mapping;
  const cell = (role: ColumnRole) => {
    const column = roles.indexOf(role);
    return column < 0 ? '' : (cells[column] ?? '');
  };
  const at = momentOf(cell('date'), cell('time'), dateOrder, context.timeZone);
  if (!at) return `expected a day and time that exist, got "${`${cell('date')} ${cell('time')}`.trim().slice(0, 30)}"`;
  if (Date.parse(at) > Date.parse(context.now)) return `${cell('date').slice(0, 20)} is still to come`;
  const read = roughFigureIn(cell('temp'), table.decimalComma);
  const temp = read?.figure;
  if (temp === undefined) return `expected a temperature, got "${cell('temp').slice(0, 20)}"`;
  const tempC = toC(temp, tempUnit);
  if (!within(tempC, LIMITS.surfaceTempC)) {
    const other = tempUnit === 'C' ? 'F' : 'C';
    const meant = within(toC(temp, other), LIMITS.surfaceTempC) ? ` Did you mean °${other}?` : '';
    return `no water is at ${temp} °${tempUnit}.${meant}`;
  }
  let isRough = read?.rough ?? false;
  const unread: string[] = [];
  const metres = (role: 'visibility' | 'depth') => {
    const found = roughFigureIn(cell(role), table.decimalComma);
    if (!found && cell(role)) unread.push(cell(role).slice(0, 20));
    isRough ||= found?.rough ?? false;
    return found && round(found.figure * (depthUnit === 'ft' ? METRES_PER_FOOT : 1), 3);
  };
  const visibilityM = metres('visibility');
  if (visibilityM !== undefined && !within(visibilityM, LIMITS.visibilityM)) {
    return `nobody sees ${figureOf('depth', visibilityM, context.units)} down in water`;
  }
  const depthM = metres('depth');
  if (depthM !== undefined && !within(depthM, [0, 300])) return `expected a depth, got "${cell('depth').slice(0, 20)}"`;
  const named = cell('zone').trim().toLowerCase();
  const zone = named ? context.zones.find(({ name }) => name.toLowerCase() === named) : undefined;
  if (named && !zone && context.zones.length > 1)
    return `there is no zone "${cell('zone').slice(0, 30)}" in this water`;
  const zoneId = zone?.id ?? context.zoneId;
  return { line, at, tempC: round(tempC, 2), depthM, visibilityM, zoneId, isRough, unread };
}

/** Deeper than this is no surface: such a row belongs to a profile. */
const SURFACE_TO_M = 1;
const GAP_DAYS = 60;
const DAY_MS = 86_400_000;

/** Rows of one time and zone at several depths make one reading with a profile. */
function joinProfiles(rows: readonly Row[]): { rows: readonly Row[]; lines: number[] }[] {
  const byPlace = new Map<string, Row[]>();
  const singles: { rows: readonly Row[]; lines: number[] }[] = [];
  for (const row of rows) {
    if (row.depthM === undefined) {
      singles.push({ rows: [row], lines: [row.line] });
      continue;
    }
    const key = `${row.at} ${row.zoneId ?? ''}`;
    byPlace.set(key, [...(byPlace.get(key) ?? []), row]);
  }
  const profiles = [...byPlace.values()].map((group) => ({ rows: group, lines: group.map(({ line }) => line) }));
  return [...singles, ...profiles].sort((a, b) => (a.lines[0] as number) - (b.lines[0] as number));
}

/**
 * Reads the rows of a table as readings. Nothing is left out silently: a row that makes no sense is listed with its line,
 * and what stands twice is marked.
 */
export function readReadings(table: TextTable, mapping: ReadingMapping, context: TableContext): ReadingImport {
  const problems: TableProblemAt[] = [];
  const missing = (['date', 'temp'] as const).filter((role) => !mapping.roles.includes(role));
  if (missing.length) {
    const words = missing.map((role) => (role === 'date' ? 'the day' : 'the temperature'));
    return {
      readings: [],
      problems: [{ line: table.lines[0]?.line ?? 1, message: `say which column holds ${words.join(' and ')}` }],
      notes: [],
      meantUnit: null,
    };
  }
  const rows: Row[] = [];
  let otherUnit = 0;
  for (const line of table.lines) {
    const row = readLine(line, table, mapping, context);
    if (typeof row === 'string') {
      problems.push({ line: line.line, message: row });
      if (row.includes('Did you mean')) otherUnit++;
    } else rows.push(row);
  }
  const key = (at: string, zoneId: string | undefined) => `${Date.parse(at)} ${zoneId ?? ''}`;
  const known = new Set(context.known.map(({ at, zoneId }) => key(at, zoneId)));
  const seen = new Set<string>();
  const readings: TableReading[] = [];
  for (const { rows: group, lines } of joinProfiles(rows)) {
    const points = group
      .filter((row) => row.depthM !== undefined)
      .map(({ depthM, tempC }) => ({ depthM: depthM as number, tempC }))
      .sort((a, b) => a.depthM - b.depthM);
    const [top] = points;
    if (top && top.depthM > SURFACE_TO_M) {
      const message = `the first depth is ${say('depth', top.depthM, context.units)}: a reading needs the surface`;
      problems.push({ line: lines[0] as number, message });
      continue;
    }
    const profile = points.filter(({ depthM }, at) => depthM !== points[at - 1]?.depthM);
    const { at, zoneId, visibilityM, tempC } = group[0] as Row;
    const own = key(at, zoneId);
    readings.push({
      lines,
      draft: {
        at,
        surfaceTempC: top?.tempC ?? tempC,
        ...(visibilityM === undefined ? {} : { visibilityM }),
        ...(zoneId === undefined ? {} : { zoneId }),
        ...(profile.length > 1 ? { profile } : {}),
      },
      twice: known.has(own) ? 'record' : seen.has(own) ? 'table' : null,
    });
    seen.add(own);
  }
  return {
    readings,
    problems: problems.sort((a, b) => a.line - b.line),
    notes: [...notesOnCells(rows), ...notesOn(readings)],
    meantUnit: otherUnit > table.lines.length / 2 ? (mapping.tempUnit === 'C' ? 'F' : 'C') : null,
  };
}

/** What was taken as something else than stood there, or was passed over. */
function notesOnCells(rows: readonly Row[]): string[] {
  const notes: string[] = [];
  const rough = rows.filter(({ isRough }) => isRough);
  if (rough.length) {
    const lines = rough.length === 1 ? 'Line' : 'Lines';
    const shown = rough.slice(0, 5).map(({ line }) => line);
    const more = rough.length > shown.length ? ' and others' : '';
    notes.push(`${lines} ${shown.join(', ')}${more}: a range or "about" is taken as its middle.`);
  }
  for (const { line, unread } of rows.filter((row) => row.unread.length).slice(0, 5)) {
    notes.push(`Line ${line}: "${unread.join('", "')}" is no figure and is left out; its temperature is taken.`);
  }
  return notes;
}

/** What an angler should know of rows that are right in themselves. */
function notesOn(readings: readonly TableReading[]): string[] {
  const times = readings.map(({ draft }) => Date.parse(draft.at));
  const notes: string[] = [];
  const [up, down] = [
    times.every((time, at) => !at || time >= (times[at - 1] as number)),
    times.every((time, at) => !at || time <= (times[at - 1] as number)),
  ];
  if (!up && !down) notes.push('The rows are not in order of time; they are put in order.');
  const sorted = [...times].sort((a, b) => a - b);
  const gap = Math.max(0, ...sorted.map((time, at) => (at ? time - (sorted[at - 1] as number) : 0)));
  if (gap > GAP_DAYS * DAY_MS) {
    notes.push(
      `There is a gap of ${Math.round(gap / DAY_MS)} days; the weather carries the water over it, with wider doubt.`,
    );
  }
  return notes;
}
