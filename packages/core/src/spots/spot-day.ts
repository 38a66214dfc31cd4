import type { Conditions } from '../contract/conditions.js';
import { sunDay } from '../day/sun.js';
import { assume } from '../plan/assume.js';
import { judgeDay } from '../plan/judge.js';
import { holdingModel } from './holding-model.js';
import type { SpotDay } from './spots.js';

/** Judges a day as a plan does, and makes its holding model for every quarter hour. @param cellM side of the chart's cells */
export function judgeSpots(given: Conditions, cellM: number): SpotDay {
  const sun = sunDay(given.date, given.place);
  const { conditions, sharpChangeC } = assume(given, sun);
  const day = judgeDay(conditions, sun, sharpChangeC, 'us');
  return {
    day,
    sun,
    latitude: given.place.latitude,
    models: day.curve.map(({ minute }) => holdingModel(day, minute, cellM)),
  };
}
