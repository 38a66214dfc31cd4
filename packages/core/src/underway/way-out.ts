import type { Conditions } from '../contract/conditions.js';
import type { TripStop } from '../contract/trips.js';
import { levelAtM } from '../day/level.js';
import { dayTide } from '../day/tide.js';
import { DAY_MIN } from '../day/windows.js';

/** Whether the tide lets the boat out of a stop. */
export interface WayOut {
  readonly isOpen: boolean;
  /** Minutes until that changes; null where the levels that are known end before. */
  readonly changesInMin: number | null;
}

type Stop = Pick<TripStop, 'outByMin'>;
type Levels = Pick<Conditions, 'hourlyTide'>;

/** A level that is this near to the one at which the way shuts is that one: levels are kept to the millimetre. */
const SAME_LEVEL_M = 0.0015;

/**
 * The way out of a stop at a minute of the day: open while the water stands as high as it does at the minute by which
 * one has to be out. Where no course of the tide is known it shuts then and stays shut. Null where it never shuts.
 */
export function wayOutOf({ outByMin }: Stop, { hourlyTide }: Levels, minute: number): WayOut | null {
  if (outByMin === undefined) return null;
  if (!hourlyTide) {
    const isOpen = minute <= outByMin;
    return { isOpen, changesInMin: isOpen ? outByMin - minute : null };
  }
  const tide = dayTide(hourlyTide);
  const [firstMin, lastMin] = [tide.levels[0]?.minute ?? 0, tide.levels.at(-1)?.minute ?? 0];
  const at = minute < firstMin ? minute + DAY_MIN : minute;
  const leastM = levelAtM(tide, outByMin) - SAME_LEVEL_M;
  const lets = (when: number) => levelAtM(tide, when) >= leastM;
  const isOpen = lets(at);
  for (let when = at + 1; when <= lastMin; when++) {
    if (lets(when) !== isOpen) return { isOpen, changesInMin: when - at - (isOpen ? 1 : 0) };
  }
  return { isOpen, changesInMin: null };
}
