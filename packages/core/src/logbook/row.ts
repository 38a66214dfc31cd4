import type { CategoryId, Phase, Sky, Species } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import { clarityClass } from '../water/clarity.js';
import type { TripEventOf } from '../contract/trips.js';
import type { Trip } from '../underway/trip.js';
import { dateOfTrip, stretchesOf } from './stretches.js';

/** A stretch as the small sheet of a trip draws it: when, how deep, with what, and what it brought. */
export interface Stroke {
  readonly fromMin: number;
  readonly toMin: number;
  readonly depthM: number;
  readonly category: CategoryId;
  readonly bites: number;
  readonly landed: number;
}

/** A trip as a line of the logbook. */
export interface LogbookRow {
  readonly id: string;
  readonly name: string;
  /** YYYY-MM-DD on the trip's own clock. */
  readonly date: string;
  readonly startMs: number;
  readonly waterId: string | null;
  /** What the water is called now, else as the trip was named after it. */
  readonly water: string;
  readonly zoneId: string | null;
  readonly phase: Phase | null;
  /** As it was read on the water, else as it was planned with. */
  readonly surfaceTempC: number | null;
  readonly visibilityM: number | null;
  readonly sky: Sky | null;
  readonly windMps: number | null;
  readonly hours: number;
  readonly bites: number;
  readonly fish: number;
  readonly longestMm: number | null;
  readonly heaviestG: number | null;
  readonly lures: readonly CategoryId[];
  readonly species: readonly Species[];
  readonly spots: readonly string[];
  readonly tags: readonly string[];
  /** Who else fished: whose fish were noted. */
  readonly companions: readonly string[];
  readonly photos: number;
  readonly strokes: readonly Stroke[];
  /** All of it that can be sought, in small letters. */
  readonly words: string;
}

const MONTHS = 'january february march april may june july august september october november december'.split(' ');

/** A day as one would type it: `2026-04-18 april 2026`. */
const dayWords = (date: string): string => `${date} ${MONTHS[Number(date.slice(5, 7)) - 1]} ${date.slice(0, 4)}`;

/** Each once, those that are there, in the order in which they came. */
const each = <T>(list: readonly (T | null | undefined)[]): T[] => [
  ...new Set(list.filter((one): one is T => one !== null && one !== undefined)),
];

const most = (list: readonly (number | undefined)[]): number | null => {
  const told = list.filter((one) => one !== undefined);
  return told.length ? Math.max(...told) : null;
};

function readOf(trip: Trip, figure: 'surfaceTempC' | 'visibilityM'): number | null {
  const read = trip.notes.flatMap(({ event }) => (event.kind === 'reading' ? (event.reading[figure] ?? []) : []));
  return read[0] ?? trip.plan?.conditions[figure] ?? null;
}

const known = new WeakMap<Trip, Map<string, LogbookRow>>();

function rowOf(trip: Trip, waterName: string, zoneName: string): LogbookRow {
  const { id, begin, startMs, notes, plan, review } = trip;
  const date = dateOfTrip(trip);
  const stretches = stretchesOf(trip);
  const contacts = notes.flatMap(({ event }) => (event.kind === 'contact' ? [event] : []));
  const landed = contacts.filter(({ what }) => what === 'landed');
  const fish = landed.flatMap((event: TripEventOf<'contact'>) => event.fish ?? []);
  const fished = notes.flatMap(({ event }) => ('fishing' in event && event.fishing) || []);
  const marks = notes.flatMap(({ event }) => (event.kind === 'mark' ? (event.name ?? []) : []));
  const lures = each(fished.map(({ category }) => category));
  const species = each(fish.map((one) => one.species));
  const spots = each([...fished.map(({ spot }) => spot), ...marks]);
  const tags = each(fish.map(({ tag }) => tag));
  const companions = each(fish.map(({ whose }) => whose));
  const visibilityM = readOf(trip, 'visibilityM');
  const phase = plan?.plan.phase.id ?? null;
  const sky = plan?.conditions.sky ?? null;
  const named = each([phase, visibilityM === null ? null : clarityClass(visibilityM), sky, ...lures, ...species]);
  const grounds = each(fished.flatMap(({ structure, cover }) => [structure, cover]));
  const written = [
    begin.name,
    waterName,
    zoneName,
    review?.note,
    ...fish.map(({ note }) => note),
    ...spots,
    ...tags,
    ...companions,
  ];
  return {
    id,
    name: begin.name,
    date,
    startMs,
    waterId: begin.waterId ?? null,
    water: waterName || (begin.name.split(',')[0] ?? begin.name),
    zoneId: begin.zoneId ?? null,
    phase,
    surfaceTempC: readOf(trip, 'surfaceTempC'),
    visibilityM,
    sky,
    windMps: plan?.conditions.windMps ?? null,
    hours: stretches.reduce((sum, { block }) => sum + block.hours, 0),
    bites: contacts.filter(({ what }) => what !== 'follow' && what !== 'short').length,
    fish: landed.length,
    longestMm: most(fish.map(({ lengthMm }) => lengthMm)),
    heaviestG: most(fish.map(({ weightG }) => weightG)),
    lures,
    species,
    spots,
    tags,
    companions,
    photos: fish.filter(({ photoId }) => photoId).length,
    strokes: stretches.map(({ block: { atMin, hours, depthM, category, bites, landed: inHand } }) => ({
      fromMin: atMin - 30 * hours,
      toMin: atMin + 30 * hours,
      depthM,
      category,
      bites,
      landed: inHand,
    })),
    words: [dayWords(date), ...[...named, ...grounds].map(nameOf), ...written].filter(Boolean).join(' ').toLowerCase(),
  };
}

/**
 * A trip as a line of the logbook. A trip that was told before is not told anew.
 * @param waterName as the water is called now; its trips are found by that, too
 * @param zoneName the same of the zone of it
 */
export function logbookRow(trip: Trip, waterName = '', zoneName = ''): LogbookRow {
  let own = known.get(trip);
  if (!own) known.set(trip, (own = new Map()));
  const names = `${waterName}\n${zoneName}`;
  let row = own.get(names);
  if (!row) own.set(names, (row = rowOf(trip, waterName, zoneName)));
  return row;
}
