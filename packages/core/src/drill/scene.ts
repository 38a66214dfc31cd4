import { Conditions } from '../contract/conditions.js';
import {
  COVERS,
  FRONTS,
  SKIES,
  STRUCTURES,
  TIDE_STAGES,
  type Cover,
  type Discipline,
  type Structure,
} from '../contract/ids.js';
import { dateOf, dayNumber, yearDayOf } from '../day/calendar.js';
import { seededNumbers } from '../numbers/seeded.js';
import { climateHighC, climateLowC, climateTempC, climateTrendCPerDay } from '../season/climate.js';

/** A day to be judged, and the window of it that is asked about. */
export interface Scene {
  readonly conditions: Conditions;
  /** Where within the day's windows, 0 to 1: the windows are known once it is judged. */
  readonly at: number;
  /** A minute of the day whose window is asked about, where it is known. */
  readonly minute?: number | undefined;
}

/** Scenes lie in one year; which is all the same to them. */
const FIRST_DAY = dayNumber('2027-01-01');
const PLACES = {
  bass: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  inshore: { latitude: 29.1, longitude: -90.3, timeZone: 'America/Chicago' },
} as const;
const KINDS = {
  bass: ['highland-reservoir', 'lowland-reservoir', 'natural-lake', 'pond'],
  inshore: ['estuary'],
} as const;
const GROUND: Readonly<
  Record<Discipline, { readonly structures: readonly Structure[]; readonly covers: readonly Cover[] }>
> = {
  bass: {
    structures: STRUCTURES.slice(0, STRUCTURES.indexOf('dam-face')),
    covers: COVERS.slice(0, COVERS.indexOf('shell')),
  },
  inshore: {
    structures: ['flat', 'drain-mouth', 'oyster-bar', 'grass-edge', 'pothole', 'pass', 'trough', 'marsh-point'],
    covers: ['submerged-grass', 'shell', 'oyster', 'mangrove', 'bare'],
  },
};

/** How far a day's water may be off what is usual on its date, degrees Celsius, and its trend. */
const OFF_C = 4;
const OFF_TREND_C = 0.5;

/**
 * A day out of the space of conditions, the same for the same seed. Water goes with the date as the climate has it, and
 * may be as far off as years differ; the rest is drawn evenly, so that a muddy day after a front comes as often as a fair one.
 */
export function drawScene(seed: number, discipline: Discipline): Scene {
  const random = seededNumbers(seed);
  const between = (from: number, to: number) => from + (to - from) * random();
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const some = <T>(list: readonly T[], most: number): T[] => {
    const left = [...list];
    const count = Math.min(left.length, 1 + Math.floor(random() * most));
    return Array.from({ length: count }, () => left.splice(Math.floor(random() * left.length), 1)[0] as T);
  };
  const place = PLACES[discipline];
  const day = FIRST_DAY + Math.floor(random() * 365);
  const dayOfYear = yearDayOf(day);
  const [low, high] = [climateLowC(place.latitude), climateHighC(place.latitude)];
  const usualC = climateTempC(place.latitude, dayOfYear) + between(-OFF_C, OFF_C);
  const normalVisibilityM = Math.exp(between(Math.log(0.4), Math.log(4)));
  const { structures, covers } = GROUND[discipline];
  const conditions = Conditions.parse({
    discipline,
    date: dateOf(day),
    place,
    waterKind: one(KINDS[discipline]),
    surfaceTempC: Math.round(Math.min(high + 2, Math.max(low - 1, usualC)) * 2) / 2,
    tempTrendCPerDay:
      Math.round((climateTrendCPerDay(place.latitude, dayOfYear) + between(-OFF_TREND_C, OFF_TREND_C)) * 10) / 10,
    normalVisibilityM: Math.round(normalVisibilityM * 10) / 10,
    visibilityM: Math.max(0.1, Math.round(normalVisibilityM * Math.exp(between(-1.4, 0.5)) * 10) / 10),
    sky: one(SKIES),
    front: one(FRONTS),
    windMps: Math.round(between(0, 9)),
    windFromDeg: Math.round(between(0, 359)),
    structures: some(structures, 4),
    covers: some(covers, 3),
    maxDepthM: Math.round(between(3, 20)),
    ...(discipline === 'inshore' ? { tide: { stage: one(TIDE_STAGES) } } : {}),
  });
  return { conditions, at: random() };
}
