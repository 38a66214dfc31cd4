import type { NextInput, NextPlace } from '@inky-shoal/core/underway/states';
import { normal } from '../random.js';
import { spread, weighted } from '../underway/patchy/chance.js';

export type DayConditions = NextInput['conditions'];

const SKIES = ['clear', 'partly-cloudy', 'overcast', 'rain'] as const;
const SKY_SHARES = { clear: 3, 'partly-cloudy': 4, overcast: 3, rain: 1 } as const;
/** Nobody goes out in the coldest weeks: days of the year from the end of February to the end of November. */
const FIRST_DAY = 55;
const LAST_DAY = 330;
const DAY_MS = 86_400_000;

/** The water of a day of the year in degrees Celsius, and how it moves a day: a made-up reservoir of the middle south. */
const usualC = (day: number): number => 17.5 - 11.5 * Math.cos(((day - 30) / 365) * 2 * Math.PI);

/** The n-th of so many trips: over a season and a half, in their order, each day as one would type it. */
export function drawDay(random: () => number, share: number, places: readonly NextPlace[]): DayConditions {
  const season = LAST_DAY - FIRST_DAY;
  const along = share * 1.5 * season;
  const [year, day] = along < season ? [2026, FIRST_DAY + along] : [2027, FIRST_DAY + along - season];
  const at = Math.floor(day);
  const visibilityM = Math.min(4, Math.max(0.2, spread(random, 1.2, 0.55)));
  return {
    discipline: 'bass',
    date: new Date(Date.UTC(year, 0, 1) + at * DAY_MS).toISOString().slice(0, 10),
    surfaceTempC: Math.round(10 * Math.max(4, usualC(at) + 1.5 * normal(random))) / 10,
    tempTrendCPerDay: Math.round(100 * ((usualC(at + 5) - usualC(at - 5)) / 10 + 0.15 * normal(random))) / 100,
    visibilityM: Math.round(10 * visibilityM) / 10,
    normalVisibilityM: 1.3,
    sky: weighted(random, SKIES, (sky) => SKY_SHARES[sky]),
    windMps: Math.round(10 * Math.min(11, spread(random, 3, 0.5))) / 10,
    front: random() < 0.12 ? 'post-frontal' : 'stable',
    waterKind: 'highland-reservoir',
    window: { from: '06:30', to: '14:30' },
    place: { latitude: 35.2, longitude: -85.9, timeZone: 'America/New_York' },
    maxDepthM: 18,
    structures: [...new Set(places.map(({ structure }) => structure))],
    covers: [...new Set(places.flatMap(({ cover }) => cover ?? []))],
  };
}
