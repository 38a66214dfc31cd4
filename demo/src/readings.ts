import type { ReadingDraftInput } from '@inky-shoal/core';
import { normal } from './random.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Readings fall between seven in the morning and about five in the afternoon of the demo waters. */
const FIRST_HOUR_UTC = 13;
const HOURS_OUT = 10;

/** A water's smooth year: temperatures in degrees Celsius on given days, between which it runs straight. */
export type Course = readonly (readonly [date: string, tempC: number])[];

function on(course: Course, timeMs: number): number {
  const next = course.findIndex(([date]) => Date.parse(date) > timeMs);
  if (next <= 0) return (course.at(next === 0 ? 0 : -1) as Course[number])[1];
  const [[fromDate, fromC], [toDate, toC]] = [course[next - 1], course[next]] as [Course[number], Course[number]];
  const share = (timeMs - Date.parse(fromDate)) / (Date.parse(toDate) - Date.parse(fromDate));
  return fromC + (toC - fromC) * share;
}

export interface RecordOptions {
  readonly course: Course;
  readonly from: string;
  /** Last moment of the record. */
  readonly untilMs: number;
  readonly normalVisibilityM: number;
  /** Mean days between two readings. */
  readonly everyDays: number;
}

/**
 * A record as an angler keeps one: uneven in time, in the afternoon more often than not, a few tenths of a degree off,
 * riding on weather that comes and goes every week or so.
 */
export function record(options: RecordOptions, random: () => number): ReadingDraftInput[] {
  const { course, from, untilMs, normalVisibilityM, everyDays } = options;
  const readings: ReadingDraftInput[] = [];
  let dayMs = Date.parse(from);
  while (dayMs < untilMs) {
    const timeMs = dayMs + (FIRST_HOUR_UTC + HOURS_OUT * Math.sqrt(random())) * HOUR_MS;
    if (timeMs >= untilMs) break;
    const days = timeMs / DAY_MS;
    const weather = 0.5 * Math.sin((2 * Math.PI * days) / 6.3) + 0.3 * Math.sin((2 * Math.PI * days) / 10.7 + 1);
    const tempC = on(course, timeMs) + weather + 0.2 * normal(random);
    const visibilityM = normalVisibilityM * Math.exp(0.12 * normal(random));
    readings.push({
      at: new Date(Math.round(timeMs / 60_000) * 60_000).toISOString(),
      surfaceTempC: Math.round(tempC * 10) / 10,
      ...(random() < 0.6 ? { visibilityM: Math.round(visibilityM * 10) / 10 } : {}),
    });
    dayMs += Math.max(1, Math.round(everyDays * (0.35 + 1.3 * random()))) * DAY_MS;
  }
  return readings;
}
