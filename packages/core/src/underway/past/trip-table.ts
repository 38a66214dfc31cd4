import { group } from 'd3-array';
import type { Catch, DayReading, Fishing, NewTripEvent } from '../../contract/trips.js';
import type { TextTable } from '../../formats/table.js';
import { usualFishing } from '../candidates.js';
import type { Trip } from '../trip.js';
import { withoutUndefined } from '../without-undefined.js';
import { lureKey } from './names.js';
import type { TripMapping } from './trip-mapping.js';
import { readTripRow, type RowContext, type TripRow } from './trip-row.js';

/** A water as a table may name it. */
export interface NamedWater {
  readonly id: string;
  readonly name: string;
  /** The clock on which its trips are told. */
  readonly timeZone: string;
}

export interface TripTableContext extends RowContext {
  readonly waters: readonly NamedWater[];
  /** The water of rows that name none. */
  readonly waterId?: string | undefined;
  /** Trips that the log holds already. */
  readonly known: readonly Pick<Trip, 'begin' | 'startMs'>[];
}

/** What is said of a past trip, at its moment. */
export interface Told {
  readonly atMs: number;
  readonly said: NewTripEvent;
}

/** A trip of a table: its day, its water, and all that is told of it after its beginning. */
export interface PastTrip {
  readonly lines: readonly number[];
  readonly startMs: number;
  /** Null where the table does not tell how long it was. */
  readonly hours: number | null;
  readonly waterId: string | undefined;
  /** As the table names it, or the water that was chosen for it. */
  readonly waterName: string;
  readonly fish: number;
  readonly lures: readonly string[];
  readonly told: readonly Told[];
  /** A trip of that day on that water stands in the log. */
  readonly isInLog: boolean;
}

export interface TripImport {
  readonly trips: readonly PastTrip[];
  readonly problems: readonly { readonly line: number; readonly message: string }[];
  /** Lines that are alike in every cell to one before. */
  readonly alike: readonly number[];
  /** What is worth knowing before it goes in, in sentences. */
  readonly notes: readonly string[];
  /** Lures that may mean several categories, or none: by `lureKey`, as written, and how often. */
  readonly unknownLures: readonly { readonly key: string; readonly words: string; readonly count: number }[];
}

const HOUR_MS = 3_600_000;
const MOST_EFFORT_MIN = 480;
const FISH_ROLES = ['count', 'species', 'length', 'weight'] as const;

/** The local day of a moment, YYYY-MM-DD: formatters are dear, and few zones are asked. */
function dayReader(): (atMs: number, timeZone: string) => string {
  const formats = new Map<string, Intl.DateTimeFormat>();
  return (atMs, timeZone) => {
    let format = formats.get(timeZone);
    if (!format) formats.set(timeZone, (format = new Intl.DateTimeFormat('en-CA', { timeZone, dateStyle: 'short' })));
    return format.format(atMs);
  };
}

/** What was fished as far as a row says it; what it leaves out is usual with the lure, and marked as not said. */
function fishingOf({ lure, depthM, spot }: TripRow): Fishing | null {
  if (!lure) return null;
  const usual = usualFishing(lure);
  return {
    ...usual,
    spot: spot ?? null,
    depthM: depthM ?? usual.depthM,
    unsaid: depthM === undefined ? ['depthM', 'paceMps'] : ['paceMps'],
  };
}

/** The fish of a row: what is said of the size is said of the first, where there are several the best. */
function fishOf(row: TripRow, startMs: number): Told[] {
  const { count, species, lengthMm, weightG, note } = row;
  const atMs = Math.max(startMs, row.atMs ?? startMs);
  return Array.from({ length: count }, (_, index): Told => {
    const fish: Catch = index ? { species } : { species, lengthMm, weightG, note };
    return {
      atMs,
      said: { kind: 'contact', what: 'landed', fishing: fishingOf(row), fish: withoutUndefined(fish) },
    };
  });
}

/** So many minutes of fishing, in the pieces that one note may hold. */
export function effortOf(hours: number, fishing: Fishing, atMs: number): Told[] {
  const told: Told[] = [];
  for (let left = Math.round(hours * 60); left > 0; left -= MOST_EFFORT_MIN) {
    told.push({ atMs, said: { kind: 'effort', minutes: Math.min(MOST_EFFORT_MIN, left), fishing } });
  }
  return told;
}

/** How long each lure of a trip was fished, where that is told: row by row, or for all of it where there was but one. */
function efforts(rows: readonly TripRow[], hours: number | null, atMs: number): Told[] {
  const lures = new Set(rows.flatMap(({ lure }) => lure ?? []));
  const each = new Set(rows.flatMap((row) => row.hours ?? []));
  const [first] = rows.flatMap((row) => fishingOf(row) ?? []);
  if (lures.size === 1 && hours && first && rows.every(({ lure }) => lure)) return effortOf(hours, first, atMs);
  if (lures.size < 2 || each.size < 2) return [];
  return rows.flatMap((row) => {
    const fishing = fishingOf(row);
    return fishing && row.hours ? effortOf(row.hours, fishing, atMs) : [];
  });
}

function readingOf(rows: readonly TripRow[]): DayReading | null {
  const surfaceTempC = rows.find((row) => row.surfaceTempC !== undefined)?.surfaceTempC;
  const visibilityM = rows.find((row) => row.visibilityM !== undefined)?.visibilityM;
  return surfaceTempC === undefined && visibilityM === undefined
    ? null
    : withoutUndefined({ surfaceTempC, visibilityM });
}

/** Hours of a trip: from its beginning to its end, else as said; row by row they are added up where they differ. */
function hoursOf(rows: readonly TripRow[], startMs: number, endMs: number | undefined): number | null {
  if (endMs !== undefined && rows.some((row) => row.startMs !== undefined)) return (endMs - startMs) / HOUR_MS;
  const said = rows.flatMap(({ hours }) => hours ?? []);
  if (!said.length) return null;
  return new Set(said).size > 1 ? said.reduce((sum, hours) => sum + hours, 0) : (said[0] as number);
}

function tripOfRows(rows: readonly TripRow[]): Omit<PastTrip, 'waterId' | 'waterName' | 'isInLog'> {
  const moments = (pick: (row: TripRow) => number | undefined) => rows.flatMap((row) => pick(row) ?? []);
  const starts = [...moments(({ startMs }) => startMs), ...moments(({ atMs }) => atMs)];
  const ends = moments(({ endMs }) => endMs);
  const startMs = starts.length ? Math.min(...starts) : (rows[0] as TripRow).noonMs;
  const hours = hoursOf(rows, startMs, ends.length ? Math.max(...ends) : undefined);
  const fish = rows.flatMap((row) => fishOf(row, startMs)).sort((a, b) => a.atMs - b.atMs);
  const endMs = Math.max(startMs + (hours ?? 0) * HOUR_MS, fish.at(-1)?.atMs ?? 0);
  const reading = readingOf(rows);
  const remarks = rows.flatMap(({ count, note }) => (count === 0 && note ? [note] : []));
  return {
    lines: rows.map(({ line }) => line),
    startMs,
    hours,
    fish: fish.length,
    lures: [...new Set(rows.map(({ lureWords }) => lureWords).filter(Boolean))],
    told: [
      ...(reading ? [{ atMs: startMs, said: { kind: 'reading', reading } as const }] : []),
      ...fish,
      ...efforts(rows, hours, endMs),
      { atMs: endMs, said: { kind: 'finish' } },
      {
        atMs: endMs,
        said: {
          kind: 'review',
          // Told anew whenever it is looked at: what is in the log tells it.
          review: { planned: [], done: [], found: [] },
          ...(remarks.length ? { note: remarks.join('; ').slice(0, 2000) } : {}),
        },
      },
    ],
  };
}

/** Lines as they are listed: a few, and that there are others. */
const listed = (lines: readonly number[]): string =>
  `${lines.length === 1 ? 'Line' : 'Lines'} ${lines.slice(0, 5).join(', ')}${lines.length > 5 ? ' and others' : ''}`;

/**
 * Reads the rows of a table as trips of the past: rows of one day on one water are one trip, each a fish, several fish, or
 * a stretch with a lure. Nothing is left out silently: a row that makes no sense is listed with its line, and a row or a
 * trip that stands twice is told.
 * @param withTwice takes rows that are alike in every cell as often as they stand
 */
export function readTrips(
  table: TextTable,
  mapping: TripMapping,
  context: TripTableContext,
  withTwice = false,
): TripImport {
  const missing = [
    ...(mapping.roles.includes('date') ? [] : ['the day']),
    ...(FISH_ROLES.some((role) => mapping.roles.includes(role)) ? [] : ['the fish: how many, which kind, or how long']),
  ];
  if (missing.length) {
    const message = `say which column holds ${missing.join(', and which ')}`;
    return {
      trips: [],
      problems: [{ line: table.lines[0]?.line ?? 1, message }],
      alike: [],
      notes: [],
      unknownLures: [],
    };
  }
  const problems: { line: number; message: string }[] = [];
  const rows: TripRow[] = [];
  const alike: number[] = [];
  const seen = new Set<string>();
  const waterOf = (name: string): NamedWater | undefined =>
    name
      ? context.waters.find((water) => water.name.toLowerCase() === name.toLowerCase())
      : context.waters.find(({ id }) => id === context.waterId);
  const waterColumn = mapping.roles.indexOf('water');
  const zoneOf = (name: string) => waterOf(name)?.timeZone ?? context.timeZone;
  for (const line of table.lines) {
    const timeZone = zoneOf((line.cells[waterColumn] ?? '').trim());
    const row = readTripRow(line, table, mapping, { ...context, timeZone });
    if (typeof row === 'string') {
      problems.push({ line: line.line, message: row });
      continue;
    }
    if (seen.has(row.whole)) alike.push(row.line);
    if (withTwice || !seen.has(row.whole)) rows.push(row);
    seen.add(row.whole);
  }
  const localDay = dayReader();
  const onDay = group(context.known, ({ begin, startMs }) =>
    localDay(startMs, begin.place?.timeZone ?? context.timeZone),
  );
  const isInLog = (day: string, waterId: string | undefined, name: string) =>
    (onDay.get(day) ?? []).some(({ begin }) =>
      waterId ? begin.waterId === waterId : begin.name.toLowerCase().startsWith(`${name.toLowerCase()},`),
    );
  const dayOf = ({ noonMs, water }: TripRow) => localDay(noonMs, zoneOf(water));
  const byTrip = group(rows, (row) => `${dayOf(row)} ${waterOf(row.water)?.id ?? row.water.toLowerCase()}`);
  const trips = [...byTrip.values()]
    .map((own): PastTrip => {
      const first = own[0] as TripRow;
      const water = waterOf(first.water);
      const waterName = water?.name ?? first.water;
      return {
        ...tripOfRows(own),
        waterId: water?.id,
        waterName,
        isInLog: isInLog(dayOf(first), water?.id, waterName),
      };
    })
    .sort((a, b) => a.startMs - b.startMs);
  return {
    trips,
    problems,
    alike,
    notes: notesOn(rows, trips, alike, waterOf),
    unknownLures: unknownLures(rows, context),
  };
}

/** What an angler should know of rows that are right in themselves. */
function notesOn(
  rows: readonly TripRow[],
  trips: readonly PastTrip[],
  alike: readonly number[],
  waterOf: (name: string) => NamedWater | undefined,
): string[] {
  const notes: string[] = [];
  if (alike.length) notes.push(`${listed(alike)}: alike in every cell to a line before.`);
  const foreign = group(
    rows.filter(({ water }) => water && !waterOf(water)),
    ({ water }) => water,
  );
  for (const [name, own] of [...foreign].slice(0, 5)) {
    notes.push(
      `${listed(own.map(({ line }) => line))}: no water here is called "${name.slice(0, 40)}". The trip keeps that name.`,
    );
  }
  const unsized = rows.filter(({ count, lengthMm, weightG }) => count > 1 && (lengthMm ?? weightG) !== undefined);
  if (unsized.length) {
    notes.push(`${listed(unsized.map(({ line }) => line))}: of several fish the size is taken as that of one.`);
  }
  const open = trips.filter(({ hours }) => hours === null).length;
  if (open) {
    const which = open === 1 ? ['One trip does', 'it'] : [`${open} trips do`, 'them'];
    notes.push(`${which[0]} not tell how long one fished: no fish an hour for ${which[1]}.`);
  }
  return notes;
}

function unknownLures(rows: readonly TripRow[], { lures }: RowContext): TripImport['unknownLures'] {
  const unknown = new Map<string, { words: string; count: number }>();
  for (const { lure, lureWords } of rows) {
    const key = lureKey(lureWords);
    if (lure || !key) continue;
    const before = unknown.get(key);
    unknown.set(key, { words: before?.words ?? lureWords, count: (before?.count ?? 0) + 1 });
  }
  // Those that were said to be none of ours stay listed: it may be said otherwise.
  return [...unknown]
    .map(([key, told]) => ({ key, ...told }))
    .sort((a, b) => Number(a.key in lures) - Number(b.key in lures) || b.count - a.count);
}
