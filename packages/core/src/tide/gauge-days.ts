import * as z from 'zod';
import { calendarDate, instant } from '../contract/fields.js';
import { OutsideState } from '../contract/outside.js';
import type { GaugeLevel } from './gauge.js';

const QUARTER_MS = 900_000;
const QUARTERS = 96;
const MOST_LEVELS = 20_000;

/** Levels of a gauge on one day of Greenwich, metres over its own zero: the mean about each quarter hour, null where silent. */
export const LevelDay = z.object({
  date: calendarDate,
  quarterM: z.array(z.number().nullable()).length(QUARTERS),
});
export type LevelDay = Readonly<z.infer<typeof LevelDay>>;

/** What a service tells of a gauge of tidal water: levels in even steps from `firstAt` on, null where it was silent. */
export const TideGaugeColumn = z.object({
  source: z.string().min(1).max(80),
  issuedAt: instant,
  firstAt: instant,
  stepMin: z.number().min(1).max(60),
  levelM: z
    .array(z.number().nullable(), { error: 'expected a list of numbers or nulls' })
    .max(MOST_LEVELS, { error: `expected at most ${MOST_LEVELS} levels` }),
});
export type TideGaugeColumn = z.infer<typeof TideGaugeColumn>;

/** Levels of a column, one an instant. */
export function levelsOfColumn({ firstAt, stepMin, levelM }: TideGaugeColumn): GaugeLevel[] {
  const firstMs = Date.parse(firstAt);
  return levelM.flatMap((level, at) =>
    level === null || !Number.isFinite(level) ? [] : { atMs: firstMs + at * stepMin * 60_000, levelM: level },
  );
}

/** Levels as days of Greenwich, in their order. */
export function levelDays(levels: readonly GaugeLevel[]): LevelDay[] {
  const days = new Map<string, { sum: number; count: number }[]>();
  for (const { atMs, levelM } of levels) {
    const nearMs = Math.round(atMs / QUARTER_MS) * QUARTER_MS;
    const near = new Date(nearMs);
    const date = near.toISOString().slice(0, 10);
    let quarters = days.get(date);
    if (!quarters) {
      days.set(date, (quarters = Array.from({ length: QUARTERS }, () => ({ sum: 0, count: 0 }))));
    }
    const quarter = quarters[near.getUTCHours() * 4 + near.getUTCMinutes() / 15] as (typeof quarters)[number];
    quarter.sum += levelM;
    quarter.count++;
  }
  return [...days]
    .map(([date, quarters]) => ({
      date,
      quarterM: quarters.map(({ sum, count }) => (count ? Math.round((sum / count) * 1000) / 1000 : null)),
    }))
    .sort((a, b) => (a.date < b.date ? -1 : 1));
}

/** The levels of such days, one an instant. */
export function levelsOfDays(days: readonly LevelDay[]): GaugeLevel[] {
  return days.flatMap(({ date, quarterM }) => {
    const beginMs = Date.parse(`${date}T00:00:00Z`);
    return quarterM.flatMap((levelM, at) => (levelM === null ? [] : { atMs: beginMs + at * QUARTER_MS, levelM }));
  });
}

/** What is known of a gauge at a tidal water: how it stands with it, its last weeks, and the air of those and the days ahead. */
export const TideGaugeAt = z.object({
  state: OutsideState,
  days: z.array(LevelDay),
  air: z.array(
    z.object({
      date: calendarDate,
      windMps: z.number(),
      windFromDeg: z.number().nullable(),
      pressureHpa: z.number().nullable(),
    }),
  ),
});
export type TideGaugeAt = z.infer<typeof TideGaugeAt>;
