import type { Conditions } from '../contract/conditions.js';
import { levelAtM } from '../day/level.js';
import { tideAboveM } from '../day/tide.js';
import { judgeDay } from '../plan/judge.js';
import { holdingModel } from './holding-model.js';
import type { SpotDay } from './spots.js';

/**
 * Judges a day as a plan does, and makes its holding model for every quarter hour. A tide whose
 * course is known follows it; one that is told by its stage is told for the day's first quarter hour and moves on from there. @param cellM side of the chart's cells
 */
export function judgeSpots(given: Conditions, cellM: number): SpotDay {
  const day = judgeDay(given, 'us');
  const { tide } = day.conditions;
  const first = day.curve[0]?.minute ?? 0;
  const aboveM = (minute: number): number => {
    if (day.tide) return levelAtM(day.tide, minute) - day.tide.middleM;
    return tide ? tideAboveM(tide, minute - first) : 0;
  };
  const tideM = day.curve.map(({ minute }) => aboveM(minute));
  const highM = Math.max(...tideM);
  return {
    day,
    sun: day.sun,
    latitude: given.place.latitude,
    models: day.curve.map(({ minute }, at) => holdingModel(day, minute, cellM, highM - (tideM[at] as number))),
    highM,
  };
}
