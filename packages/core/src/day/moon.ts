import { MoonPhase, SearchMoonPhase } from 'astronomy-engine';
import { dateOf, dayNumber } from './calendar.js';

const DAY_MS = 86_400_000;
const NOON_MS = DAY_MS / 2;

/** Lit part of the moon at noon UTC of a day, 0 to 1, from its elongation from the sun. */
export const moonFullness = (day: number): number =>
  (1 - Math.cos((MoonPhase(new Date(day * DAY_MS + NOON_MS)) * Math.PI) / 180)) / 2;

export interface MoonMark {
  readonly kind: 'new' | 'full';
  readonly day: number;
}

/** New and full moons from one day to another, in order, by astronomy-engine. */
export function moonMarks(fromDay: number, toDay: number): MoonMark[] {
  const marks: MoonMark[] = [];
  for (const [kind, elongation] of [
    ['new', 0],
    ['full', 180],
  ] as const) {
    let day = fromDay;
    while (day <= toDay) {
      const found = SearchMoonPhase(elongation, new Date(day * DAY_MS), 40);
      if (!found) break;
      const at = dayNumber(dateOf(Math.floor(found.date.getTime() / DAY_MS)));
      if (at > toDay) break;
      marks.push({ kind, day: at });
      day = at + 20;
    }
  }
  return marks.sort((a, b) => a.day - b.day);
}
