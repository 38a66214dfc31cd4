import { backward, cholesky, forward, rowsOf } from '../numbers/cholesky.js';
import type { TideStation } from '../contract/tide.js';
import { tideHeights } from './harmonic.js';

/** What a gauge of tidal water read at an instant, metres over a zero of its own or its station's. */
export interface GaugeLevel {
  readonly atMs: number;
  readonly levelM: number;
}

/** How the water stands to its table, and how that goes on. */
export interface Surge {
  /** When the gauge was last heard. */
  readonly heardMs: number;
  /** How far the water stood over the table then, metres. */
  readonly overM: number;
  /** How far it is expected to stand over the table at an instant, and how far off that may be (one standard deviation). */
  readonly at: (atMs: number) => { readonly overM: number; readonly doubtM: number };
  /** Levels that were no levels, as 99.99: how many were passed over. */
  readonly passedOver: number;
}

const HOUR_MS = 3_600_000;
/** A gauge that was silent for longer says nothing of today. */
const STALE_MS = 12 * HOUR_MS;
/** No surge is so great: what stands farther off is a fault of the gauge. */
const MOST_OFF_M = 5;
/** So much of the record is looked at, and from so much on its zero is the record's own. */
const RECORD_MS = 30 * 24 * HOUR_MS;
const ZERO_MS = 3 * 24 * HOUR_MS;
/** A gauge that stands farther than this from its table for the whole of its record has a zero of its own, metres. */
const OWN_ZERO_M = 0.4;
/** Wind and pressure of a common storm do not do more than this, metres. */
const LIKELY_SURGE_M = 1.5;
/** The difference of now is the mean of so long: a gauge is noisy. */
const NOW_MS = 2 * HOUR_MS;
/** From how it was so long before, the way it goes is told. */
const BEFORE_MS = 3 * HOUR_MS;
/** What is expected before anything is learnt: wind and pressure change over a day or so. Judgement. */
const FADES_H = 30;
/** Farther ahead nothing is said. */
const MOST_AHEAD_H = 72;
/** The record counts as much as so many hours of what is expected before. */
const PRIOR_HOURS = 60;
/** A gauge and a table are never nearer to each other than this, metres. */
const LEAST_DOUBT_M = 0.03;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted.length ? (sorted[sorted.length >> 1] as number) : 0;
};

/** Means of the differences by the hour; undefined where the gauge was silent. */
function byHour(off: readonly GaugeLevel[], firstHour: number, hours: number): (number | undefined)[] {
  const sums = Array.from({ length: hours }, () => ({ sum: 0, count: 0 }));
  for (const { atMs, levelM } of off) {
    const hour = sums[Math.floor(atMs / HOUR_MS) - firstHour];
    if (!hour) continue;
    hour.sum += levelM;
    hour.count++;
  }
  return sums.map(({ sum, count }) => (count ? sum / count : undefined));
}

/** Wind and pressure of the air at an instant; undefined where they are not known. */
export type WeatherAt = (
  atMs: number,
) => { readonly mps: number; readonly fromDeg: number; readonly hPa?: number | undefined } | undefined;

/** Under a hectopascal less water stands so much higher (the inverse barometer). */
const M_PER_HPA = -0.01;

/** Water answers wind over so long. Of bays of this size; judgement. */
const ANSWERS_H = 9;
/** Stress of wind is told in these, (m/s)², so that it weighs about as much as a difference of level does. */
const STRESS = 1000;

/** What wind does between two hours, to north and to east. */
type WindDoes = (fromHour: number, hours: number) => readonly [north: number, east: number];

/**
 * What the wind of some hours will have done at their end: stress goes by the square of its speed, and fades as the water
 * answers (a linear reservoir). Which way the land lies is learnt from the record. Filled once over all hours, the wind of
 * a few of them is what it holds at their end less what is left of what it held before them.
 */
function reservoirOf(wind: WeatherAt, firstHour: number, count: number): WindDoes {
  const held = new Float64Array(2 * (count + 1));
  const keeps = Math.exp(-1 / ANSWERS_H);
  for (let at = 1; at <= count; at++) {
    const told = wind((firstHour + at - 1) * HOUR_MS);
    const stress = told ? told.mps ** 2 / STRESS : 0;
    const from = ((told?.fromDeg ?? 0) * Math.PI) / 180;
    held[2 * at] = (held[2 * at - 2] as number) * keeps + stress * Math.cos(from);
    held[2 * at + 1] = (held[2 * at - 1] as number) * keeps + stress * Math.sin(from);
  }
  return (fromHour, hours) => {
    const before = Math.min(count, Math.max(0, fromHour - firstHour));
    const end = Math.min(count, before + hours + 1);
    const left = keeps ** (end - before);
    const of = (side: 0 | 1) => (held[2 * end + side] as number) - (held[2 * before + side] as number) * left;
    return [of(0), of(1)];
  };
}

/** What the difference some hours ahead follows from. */
type Signs = readonly [now: number, way: number, windNorth: number, windEast: number, pressure: number];

/** How a difference some hours ahead follows from its signs, and how far off that was. */
interface Ahead {
  readonly weights: readonly number[];
  readonly sdM: number;
}

/**
 * Least squares over the record, drawn to a fading persistence where that is short (a direct forecast for each step,
 * with a ridge prior).
 */
function ahead(samples: readonly (readonly [Signs, number])[], hours: number, spreadM2: number): Ahead {
  const fades = Math.exp(-hours / FADES_H);
  const size = 5;
  const prior = PRIOR_HOURS * spreadM2;
  const normal = Float64Array.from({ length: size * size }, (_, at) => (at % (size + 1) === 0 ? prior : 0));
  // Of pressure it is known what it does, of wind only that it does.
  const right = Float64Array.of(prior * fades, 0, 0, 0, prior);
  for (const [signs, y] of samples) {
    for (let row = 0; row < size; row++) {
      const own = signs[row] as number;
      right[row] = (right[row] as number) + own * y;
      for (let col = 0; col <= row; col++) {
        normal[row * size + col] = (normal[row * size + col] as number) + own * (signs[col] as number);
      }
    }
  }
  const lower = cholesky(rowsOf(normal, size));
  const weights = [...backward(lower, forward(lower, right))];
  const missed = samples.reduce((sum, [signs, y]) => sum + (y - weigh(weights, signs)) ** 2, 0);
  const expected = spreadM2 * (1 - fades ** 2);
  const sdM = Math.sqrt((missed + PRIOR_HOURS * expected) / (samples.length + PRIOR_HOURS));
  return { weights, sdM: Math.max(LEAST_DOUBT_M, sdM) };
}

const weigh = (weights: readonly number[], signs: Signs): number =>
  signs.reduce((sum, sign, at) => sum + sign * (weights[at] as number), 0);

function meanSquare(values: readonly (number | undefined)[]): number {
  const known = values.filter((value) => value !== undefined);
  return known.length ? known.reduce((sum, value) => sum + value * value, 0) / known.length : 0;
}

/** A gauge of this tide goes with its table by at least so much: one of a river or another coast does not. */
const FOLLOWS = 0.3;
/** A tide that small drowns in the weather, metres: whether a gauge follows it cannot be told. */
const LEAST_TIDE_M = 0.1;
const ENOUGH_LEVELS = 96;

/** Whether what a gauge read goes with its table. @param pairs how far it was off, and the table */
function followsTable(pairs: readonly (readonly [offM: number, tableM: number])[]): boolean {
  if (pairs.length < ENOUGH_LEVELS) return true;
  const mean = (side: 0 | 1) => pairs.reduce((sum, pair) => sum + pair[side], 0) / pairs.length;
  const [offM, tableM] = [mean(0), mean(1)];
  const variance = pairs.reduce((sum, [, table]) => sum + (table - tableM) ** 2, 0) / pairs.length;
  const together = pairs.reduce((sum, [off, table]) => sum + (off - offM) * (table - tableM), 0) / pairs.length;
  // What was read is the table and the difference: its slope over the table is one more than the difference's.
  return Math.sqrt(variance) < LEAST_TIDE_M || 1 + together / variance >= FOLLOWS;
}

/**
 * What a gauge says of the water against its table: the difference, carried forward as differences of its record went on,
 * with a doubt that grows. Where three days and more stand far from the table the gauge has a zero of its own, and that is
 * taken off; what stands near it is over the station's datum, and water that is high for weeks is high. Null where the gauge has not been heard lately, never says a level, or reads another water.
 * @param weather as far as it is known, of the record and of the hours to come
 */
export function surgeOf(
  station: TideStation,
  observed: readonly GaugeLevel[],
  nowMs: number,
  weather: WeatherAt = () => undefined,
): Surge | null {
  const record = observed.filter(({ atMs }) => atMs <= nowMs && atMs > nowMs - RECORD_MS);
  const first = record[0];
  if (!first) return null;
  const firstHour = Math.floor(first.atMs / HOUR_MS);
  const hours = Math.floor(nowMs / HOUR_MS) - firstHour + 1;
  // The table by the quarter hour, straight between: as fine as a gauge is read.
  const stepMin = 15;
  const table = tideHeights(station, firstHour * HOUR_MS, nowMs + HOUR_MS, stepMin);
  const tableM = (atMs: number): number | undefined => {
    const at = (atMs - firstHour * HOUR_MS) / (stepMin * 60_000);
    const [from, to] = [table[Math.floor(at)], table[Math.ceil(at)]];
    return from && to ? from.levelM + (to.levelM - from.levelM) * (at - Math.floor(at)) : undefined;
  };
  const differences = record.flatMap(({ atMs, levelM }) => {
    const told = tableM(atMs);
    return told === undefined ? [] : [{ atMs, levelM: levelM - told }];
  });
  const usualM = median(differences.map(({ levelM }) => levelM));
  const sound = differences.filter(({ levelM }) => Math.abs(levelM - usualM) <= MOST_OFF_M);
  const last = sound.at(-1);
  if (!last || nowMs - last.atMs > STALE_MS) return null;
  if (!followsTable(sound.map(({ atMs, levelM }) => [levelM, tableM(atMs) ?? 0]))) return null;
  const isLong = last.atMs - (sound[0]?.atMs ?? 0) >= ZERO_MS;
  // Too short a record does not tell a zero of its own from water that is high.
  if (!isLong && Math.abs(usualM) > LIKELY_SURGE_M) return null;
  const zeroM = isLong && Math.abs(usualM) > OWN_ZERO_M ? usualM : 0;
  const off = sound.map(({ atMs, levelM }) => ({ atMs, levelM: levelM - zeroM }));
  const hourly = byHour(off, firstHour, hours);
  const meanAbout = (untilMs: number): number | undefined => {
    const near = off.filter(({ atMs }) => atMs <= untilMs && atMs > untilMs - NOW_MS);
    return near.length ? near.reduce((sum, { levelM }) => sum + levelM, 0) / near.length : undefined;
  };
  const overM = meanAbout(last.atMs) ?? (off.at(-1) as GaugeLevel).levelM;
  const wayM = overM - (meanAbout(last.atMs - BEFORE_MS) ?? overM);
  const spreadM2 = Math.max(LEAST_DOUBT_M ** 2, meanSquare(hourly));
  /** The record's own hours from which so many hours ahead are known. */
  const samplesFor = (later: number) =>
    hourly.flatMap((now, at): (readonly [Signs, number])[] => {
      const [before, then] = [hourly[at - BEFORE_MS / HOUR_MS], hourly[at + later]];
      if (now === undefined || before === undefined || then === undefined) return [];
      return [[[now, now - before, ...windDoes(firstHour + at, later), pressureDoes(firstHour + at, later)], then]];
    });
  /** What pressure does between two hours, metres. */
  const pressureDoes = (fromHour: number, later: number): number => {
    const [from, to] = [weather(fromHour * HOUR_MS)?.hPa, weather((fromHour + later) * HOUR_MS)?.hPa];
    return from === undefined || to === undefined ? 0 : M_PER_HPA * (to - from);
  };
  const windDoes = reservoirOf(weather, firstHour, hours + MOST_AHEAD_H);
  const lastHour = Math.floor(last.atMs / HOUR_MS);
  const told = new Map<number, { readonly overM: number; readonly doubtM: number }>();
  /** What is expected so many whole hours after the gauge was last heard. */
  const inHours = (later: number) => {
    let known = told.get(later);
    if (!known) {
      const { weights, sdM } = ahead(samplesFor(later), later, spreadM2);
      const signs: Signs = [overM, wayM, ...windDoes(lastHour, later), pressureDoes(lastHour, later)];
      told.set(later, (known = { overM: weigh(weights, signs), doubtM: sdM }));
    }
    return known;
  };
  return {
    heardMs: last.atMs,
    overM,
    passedOver: differences.length - sound.length,
    at: (atMs) => {
      const later = Math.max(0, (atMs - last.atMs) / HOUR_MS);
      // So far ahead a gauge of today says nothing, and the table stands.
      if (later > MOST_AHEAD_H) return { overM: 0, doubtM: Math.sqrt(spreadM2) };
      const [before, after] = [inHours(Math.floor(later)), inHours(Math.ceil(later))];
      const share = later - Math.floor(later);
      return {
        overM: before.overM + (after.overM - before.overM) * share,
        doubtM: before.doubtM + (after.doubtM - before.doubtM) * share,
      };
    },
  };
}
