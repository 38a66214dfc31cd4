import { dayStep, newStep, type DayStep } from './column.js';
import { Covariance, STATES } from './covariance.js';
import { KNOWLEDGE, type Driver } from './driver.js';
import type { ZoneFit } from './fit.js';
import { overMeanC, swingC, type HeatReading } from './readings.js';
import type { HeatExchange } from './surface.js';
import type { ZoneHeat } from './zone.js';

/** A zone's temperatures, day by day of the driver, degrees Celsius. */
export interface ZoneCourse {
  /** Daily mean of the mixed layer. */
  readonly surfaceC: Float32Array;
  /** Its standard deviation. */
  readonly sdC: Float32Array;
  /** How far what is not known of it goes with that of every zone, in the zones' order: correlations, 1 with itself. */
  readonly alike: readonly Float32Array[];
  readonly deepC: Float32Array;
}

export interface Filtered {
  readonly zones: readonly ZoneCourse[];
  /** Readings that stand so far off everything else that they were hardly believed. */
  readonly outliers: readonly string[];
}

const OFFSET_DAYS = 40;
const OFFSET_SD_C = 1.0;
/** A zone that nobody has read may be off by so much more. */
const UNREAD = 1.7;
/** Noise of a day that no weather explains. */
const SURFACE_NOISE_C = 0.12;
const DEEP_NOISE_C = 0.05;
/**
 * What goes down through the thermocline may be off by this share of itself: the figures of the exchange are judgement.
 * That error lasts as long as the layers do, so as one error a day it counts as so many times its own square.
 */
const EXCHANGE_SD_SHARE = 0.5;
const EXCHANGE_LASTS = 60;
/** Doubt about the pull of a day, degrees Celsius: observed, forecast by its lead, and a usual day without weather. */
const OBSERVED_PULL_SD_C = 1;
const FORECAST_PULL_SD_C = 0.8;
const FORECAST_PULL_SD_C_PER_DAY = 0.35;
const USUAL_PULL_SD_C = 4;
/** Errors of the pull last for days: as one error a day they count as so many times their own square. */
const OBSERVED_LASTS = 1.5;
const FORECAST_LASTS = 1.2;
const USUAL_LASTS = 5;
const START_SD_C = 2.5;
const READING_SD_C = 0.4;
/** A reading from somewhere in the water may be this far off its middle. */
const ANYWHERE_SD_C = 1.2;
/** What a day's swing leaves uncertain of it. */
const SWING_SHARE = 0.35;
const PROFILE_SD_C = 0.6;
/** Zones share their weather almost wholly, and other errors less the further they lie apart. */
const WEATHER_SHARED = 0.97;
const ERROR_SHARED = 0.75;

function pullVariance(driver: Driver, at: number): number {
  const knowledge = driver.knowledge[at];
  if (knowledge === KNOWLEDGE.observed) return OBSERVED_PULL_SD_C ** 2 * OBSERVED_LASTS;
  if (knowledge === KNOWLEDGE.forecast) {
    const sd = FORECAST_PULL_SD_C + FORECAST_PULL_SD_C_PER_DAY * (driver.leadDays[at] as number);
    return Math.min(sd, USUAL_PULL_SD_C) ** 2 * FORECAST_LASTS;
  }
  return USUAL_PULL_SD_C ** 2 * USUAL_LASTS;
}

/**
 * Follows the temperatures of all zones together with a Kalman filter (Kalman 1960) around the heat model. A filter,
 * since what is off changes from week to week (inflow, shade, weather at the station against weather at the lake), since
 * it carries its doubt with it, and since what one zone's reading says of the weather holds in the others too. Steps are
 * linear but for the mixing, which is taken at the day before (an extended filter).
 * @param pulls for each zone, the pull on every day of the driver
 * @param readings by day, earliest first
 */
export function filterZones(
  zones: readonly ZoneHeat[],
  fits: readonly ZoneFit[],
  pulls: readonly (readonly HeatExchange[])[],
  distances: readonly (readonly number[])[],
  driver: Driver,
  startC: number,
  readings: readonly HeatReading[],
): Filtered {
  const count = zones.length;
  const { count: days, firstDay } = driver;
  const state = new Float64Array(count * STATES);
  const covariance = new Covariance(count);
  const unsure = fits.map(({ readings: own }) => (own ? 1 : UNREAD));
  const share = (a: number, b: number, base: number) => base ** ((distances[a] as number[])[b] as number);
  const errorShares = zones.map((_, a) =>
    Float64Array.from(zones, (__, b) => share(a, b, ERROR_SHARED) * (unsure[a] as number) * (unsure[b] as number)),
  );
  const errorShare = (a: number, b: number) => (errorShares[a] as Float64Array)[b] as number;
  const courses = zones.map(() => ({
    surfaceC: new Float32Array(days),
    sdC: new Float32Array(days),
    alike: zones.map(() => new Float32Array(days)),
    deepC: new Float32Array(days),
  }));
  for (let a = 0; a < count; a++) {
    state[a * STATES] = startC;
    state[a * STATES + 1] = startC;
    for (let b = 0; b < count; b++) {
      const shared = share(a, b, 0.9);
      covariance.add(a * STATES, b * STATES, START_SD_C ** 2 * shared);
      covariance.add(a * STATES + 1, b * STATES + 1, START_SD_C ** 2 * shared);
      covariance.add(a * STATES + 2, b * STATES + 2, OFFSET_SD_C ** 2 * errorShare(a, b));
    }
  }
  const keeps = Math.exp(-1 / OFFSET_DAYS);
  const offsetNoise = OFFSET_SD_C ** 2 * (1 - keeps * keeps);
  const steps = zones.map(newStep);
  /** What went down into each zone's deep water that day, degrees Celsius. */
  const sunk = new Float64Array(count);
  const outliers: string[] = [];

  let next = 0;
  while (next < readings.length && (readings[next] as HeatReading).day < firstDay) next++;
  for (let at = 0; at < days; at++) {
    for (let zone = 0; zone < count; zone++) {
      const base = zone * STATES;
      const [surface, deep, offset] = [state[base] as number, state[base + 1] as number, state[base + 2] as number];
      const pull = (pulls[zone] as readonly HeatExchange[])[at] as HeatExchange;
      const step = dayStep(
        zones[zone] as ZoneHeat,
        pull,
        surface,
        deep,
        driver.windMps[at] as number,
        steps[zone] as DayStep,
      );
      const drawn = pull.equilibriumC + (fits[zone] as ZoneFit).offsetC + offset;
      // Water ices over rather than getting colder.
      state[base] = Math.max(0, step.ss * surface + step.sd * deep + step.sp * drawn);
      state[base + 1] = Math.max(0, step.ds * surface + step.dd * deep + step.dp * drawn);
      state[base + 2] = keeps * offset;
      sunk[zone] = EXCHANGE_SD_SHARE * step.ds * (surface - deep);
    }
    covariance.predict(steps, keeps);
    const variance = pullVariance(driver, at);
    for (let a = 0; a < count; a++) {
      const [stepA, atA] = [steps[a] as DayStep, a * STATES];
      for (let b = 0; b < count; b++) {
        const [stepB, atB] = [steps[b] as DayStep, b * STATES];
        const weather = variance * (a === b ? 1 : WEATHER_SHARED);
        const error = errorShare(a, b);
        covariance.add(atA, atB, weather * stepA.sp * stepB.sp + SURFACE_NOISE_C ** 2 * error);
        const exchange = EXCHANGE_LASTS * (sunk[a] as number) * (sunk[b] as number);
        covariance.add(atA + 1, atB + 1, weather * stepA.dp * stepB.dp + (DEEP_NOISE_C ** 2 + exchange) * error);
        covariance.add(atA, atB + 1, weather * stepA.sp * stepB.dp);
        covariance.add(atA + 1, atB, weather * stepA.dp * stepB.sp);
        covariance.add(atA + 2, atB + 2, offsetNoise * error);
      }
    }
    for (let reading = readings[next]; reading && reading.day === firstDay + at; reading = readings[++next]) {
      const zone = zones[reading.zone] as ZoneHeat;
      const swing = swingC(driver, at, zone);
      const error = READING_SD_C ** 2 + (SWING_SHARE * swing) ** 2 + (reading.anywhere ? ANYWHERE_SD_C ** 2 : 0);
      const wasOdd = covariance.update(
        state,
        reading.zone * STATES,
        reading.surfaceC - overMeanC(swing, reading.hour),
        error,
      );
      if (wasOdd) outliers.push(reading.id);
      if (reading.deepC !== undefined && zone.deepDepthM > 0) {
        covariance.update(state, reading.zone * STATES + 1, reading.deepC, PROFILE_SD_C ** 2);
      }
    }
    for (let zone = 0; zone < count; zone++) {
      const [course, base] = [courses[zone] as (typeof courses)[number], zone * STATES];
      // A cold reading elsewhere may draw a zone under what water can be.
      for (const own of [base, base + 1]) state[own] = Math.max(0, state[own] as number);
      course.surfaceC[at] = state[base] as number;
      course.sdC[at] = Math.sqrt(Math.max(0, covariance.at(base, base)));
      course.deepC[at] = state[base + 1] as number;
    }
    for (let a = 0; a < count; a++) {
      const own = courses[a] as (typeof courses)[number];
      for (let b = 0; b < count; b++) {
        const sds = (own.sdC[at] as number) * (courses[b]?.sdC[at] as number);
        const alike = sds > 0 ? covariance.at(a * STATES, b * STATES) / sds : Number(a === b);
        (own.alike[b] as Float32Array)[at] = Math.min(1, Math.max(-1, alike));
      }
    }
  }
  return { zones: courses, outliers };
}
