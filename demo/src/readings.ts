import type { ReadingDraftInput } from '@inky-shoal/core';
import { LAYER_M, type TrueCourse } from './outside/lake.js';
import { normal } from './random.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Readings fall between seven in the morning and about five in the afternoon of the demo waters. */
const FIRST_HOUR_UTC = 13;
const HOURS_OUT = 10;
/** What a boat's probe is off, degrees Celsius. */
const PROBE_SD_C = 0.25;

/** The true temperature of a zone at the surface, at an instant within its course. */
export function trueSurfaceC(course: TrueCourse, timeMs: number): number {
  const at = (timeMs - course.firstMs) / HOUR_MS;
  const before = Math.max(0, Math.min(course.surfaceC.length - 2, Math.floor(at)));
  const [a, b] = [course.surfaceC[before] as number, course.surfaceC[before + 1] as number];
  return a + (b - a) * (at - before);
}

/** The true daily mean of a zone's surface on a local day six hours behind UTC, given as ms at its midnight UTC. */
export function trueDayC(course: TrueCourse, dayMs: number): number {
  const from = Math.round((dayMs - course.firstMs) / HOUR_MS) + 6;
  return course.surfaceC.subarray(from, from + 24).reduce((sum, tempC) => sum + tempC, 0) / 24;
}

export interface RecordOptions {
  readonly course: TrueCourse;
  readonly fromMs: number;
  /** Last moment of the record. */
  readonly untilMs: number;
  readonly normalVisibilityM: number;
  /** Mean days between two readings. */
  readonly everyDays: number;
  /** Every so many readings from May to October goes down with a line as well. */
  readonly profileEvery?: number;
}

const round1 = (value: number): number => Math.round(value * 10) / 10;

/**
 * A record as an angler keeps one: uneven in time, in the afternoon more often than not, a few tenths of a degree off.
 */
export function record(options: RecordOptions, random: () => number): ReadingDraftInput[] {
  const { course, fromMs, untilMs, normalVisibilityM, everyDays, profileEvery } = options;
  const readings: ReadingDraftInput[] = [];
  let dayMs = fromMs;
  while (dayMs < untilMs) {
    const timeMs = dayMs + (FIRST_HOUR_UTC + HOURS_OUT * Math.sqrt(random())) * HOUR_MS;
    if (timeMs >= untilMs) break;
    const off = PROBE_SD_C * normal(random);
    const visibilityM = normalVisibilityM * Math.exp(0.12 * normal(random));
    const month = new Date(timeMs).getUTCMonth();
    const deep = profileEvery !== undefined && month >= 4 && month <= 9 && readings.length % profileEvery === 0;
    const surfaceTempC = round1(trueSurfaceC(course, timeMs) + off);
    readings.push({
      at: new Date(Math.round(timeMs / 60_000) * 60_000).toISOString(),
      surfaceTempC,
      ...(random() < 0.6 ? { visibilityM: round1(visibilityM) } : {}),
      ...(deep ? { profile: profileAt(course, timeMs, surfaceTempC) } : {}),
    });
    dayMs += Math.max(1, Math.round(everyDays * (0.35 + 1.3 * random()))) * DAY_MS;
  }
  return readings;
}

/** A line let down by a metre at a time, of which every second is written. */
function profileAt(course: TrueCourse, timeMs: number, surfaceTempC: number): { depthM: number; tempC: number }[] {
  const day = Math.floor((timeMs - course.firstMs) / DAY_MS);
  const points = [{ depthM: 0, tempC: surfaceTempC }];
  for (let depthM = 2; depthM < course.layers * LAYER_M; depthM += 2) {
    points.push({ depthM, tempC: round1(course.profiles[day * course.layers + depthM / LAYER_M] as number) });
  }
  return points;
}
