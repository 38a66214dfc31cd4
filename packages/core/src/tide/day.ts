import type * as z from 'zod';
import { calendarDate, maybe, quantity, record, timeZone } from '../contract/fields.js';
import { parse, type Parsed } from '../contract/problems.js';
import { clockOf, DAY_MIN } from '../day/windows.js';
import type { TideTurn } from './course.js';
import { springAndNeapRangeM, tideHeights, tideTurns } from './harmonic.js';
import { midnightMs } from './midnight.js';
import { StationInput } from './station-input.js';
import type { Surge } from './gauge.js';
import { streamRuns } from './stream.js';
import type { TideStation } from '../contract/tide.js';

/** A high or low of a day, on the water's own clock. */
export interface TurnOfDay extends Pick<TideTurn, 'levelM' | 'kind'> {
  /** Minutes past local midnight; past 1440 it is the night after. */
  readonly minute: number;
}

/** The tide of a local day and the night after it. */
export interface TideDay {
  /** Levels in steps, as conditions take them: `hourlyTide`. */
  readonly levels: readonly {
    readonly at: string;
    readonly levelM: number;
    readonly run?: number;
    /** How far of that it stands over its table, by a gauge, and one standard deviation of it. */
    readonly overM?: number;
    readonly doubtM?: number;
  }[];
  readonly turns: readonly TurnOfDay[];
  /** From the lowest to the highest turn, metres. */
  readonly rangeM: number;
  /** 0 at mean neaps, 1 at mean springs; below and above where it runs less or more. */
  readonly springShare: number;
}

const STEP_MIN = 15;

/** A day of the greatest tides goes far over mean springs; more than this is no tide but a small difference of two. */
const SHARES = [-2, 3] as const;
const withinBounds = (share: number): number => Math.round(Math.min(SHARES[1], Math.max(SHARES[0], share)) * 100) / 100;

const toMm = (metres: number): number => Math.round(metres * 1000) / 1000;

/**
 * The tide between two minutes of a local day: by default from midnight to midnight.
 * @param date YYYY-MM-DD
 * @param surge what a gauge says of the water against its table: it is put on the levels that it says something of
 * @param toMin past 1440 for a day that goes on after midnight, less than a day after `fromMin`
 * @example
 * const station = { name: 'Sound', latitude: 30, longitude: -88, meanLevelM: 0.5, datum: 'mean low water', constituents: [{ name: 'M2', amplitudeM: 0.4, phaseDeg: 0 }] };
 * tideDay(station, '2027-06-01', 'America/Chicago').turns.length // => 4
 */
export function tideDay(
  station: TideStation,
  date: string,
  timeZone: string,
  {
    fromMin = 0,
    toMin = DAY_MIN - STEP_MIN,
    surge = null,
  }: {
    readonly fromMin?: number | undefined;
    readonly toMin?: number | undefined;
    readonly surge?: Surge | null | undefined;
  } = {},
): TideDay {
  const beginMs = midnightMs(date, timeZone);
  const atMin = (minute: number) => beginMs + minute * 60_000;
  const minuteOf = (atMs: number) => Math.round((atMs - beginMs) / 60_000);
  const runs = station.stream ? streamRuns(station, atMin(fromMin), atMin(toMin) + 1, STEP_MIN) : [];
  const heights = tideHeights(station, atMin(fromMin), atMin(toMin) + 1, STEP_MIN);
  const turns = tideTurns(station, atMin(fromMin), atMin(toMin));
  const levelsM = [...turns, ...heights].map(({ levelM }) => levelM);
  const rangeM = levelsM.length ? Math.max(...levelsM) - Math.min(...levelsM) : 0;
  const { springM, neapM } = springAndNeapRangeM(station);
  return {
    levels: heights.map(({ atMs, levelM }, step) => {
      const run = runs[step]?.run;
      const over = surge && surge.heardMs - atMs < DAY_MIN * 60_000 ? surge.at(atMs) : null;
      return {
        at: clockOf(minuteOf(atMs)),
        levelM: toMm(levelM + (over?.overM ?? 0)),
        ...(over ? { overM: toMm(over.overM), doubtM: toMm(over.doubtM) } : {}),
        ...(run === undefined ? {} : { run: Math.round(run * 100) / 100 }),
      };
    }),
    turns: turns.map(({ atMs, levelM, kind }) => ({ minute: minuteOf(atMs), levelM: toMm(levelM), kind })),
    rangeM: toMm(rangeM),
    springShare: springM > neapM ? withinBounds((rangeM - neapM) / (springM - neapM)) : 0.5,
  };
}

const TideDayInput = record('a tide with its station, date and timeZone', {
  station: StationInput,
  date: calendarDate,
  timeZone,
  fromMin: maybe(quantity('minutes past midnight', 0, DAY_MIN)),
  toMin: maybe(quantity('minutes past midnight', 0, 2 * DAY_MIN)),
}).refine(({ fromMin = 0, toMin = DAY_MIN - STEP_MIN }) => toMin > fromMin && toMin - fromMin < DAY_MIN, {
  error: 'expected an end after the beginning, less than a day later',
  path: ['toMin'],
});
export type TideDayInput = z.input<typeof TideDayInput>;

/** Checks what a tide is asked with and works it out. Never throws on bad input: refusals come back as problems. */
export function calculateTide(value: unknown): Parsed<TideDay> {
  const checked = parse(TideDayInput, value);
  if (!checked.ok) return checked;
  const { station, date, timeZone: zone, fromMin, toMin } = checked.value;
  return { ok: true, value: tideDay(station, date, zone, { fromMin, toMin }) };
}
