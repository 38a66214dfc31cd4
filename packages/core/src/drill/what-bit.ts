import type { CategoryId } from '../contract/ids.js';
import { capital, nameOf } from '../contract/names.js';
import type { Range } from '../contract/plan.js';
import type { Stroke } from '../logbook/row.js';
import { sayRange, type UnitSystem } from '../units/units.js';

/** What really bit on a lure on a trip, and how deep. */
export interface WhatBit {
  readonly category: CategoryId;
  readonly bites: number;
  readonly landed: number;
  readonly depthM: Range;
  /** When most of it bit, minutes past midnight. */
  readonly minute: number;
}

/** Lures that are told. */
const TOLD = 3;

/** What really bit, lure by lure, most bites first, of the strokes of a trip. */
export function whatBit(strokes: readonly Stroke[]): WhatBit[] {
  const byLure = new Map<CategoryId, Stroke[]>();
  for (const stroke of strokes) {
    if (stroke.bites) byLure.set(stroke.category, [...(byLure.get(stroke.category) ?? []), stroke]);
  }
  return [...byLure]
    .map(([category, own]): WhatBit => {
      const most = own.reduce((best, each) => (each.bites > best.bites ? each : best));
      const depths = own.map(({ depthM }) => depthM);
      return {
        category,
        bites: own.reduce((sum, { bites }) => sum + bites, 0),
        landed: own.reduce((sum, { landed }) => sum + landed, 0),
        depthM: [Math.min(...depths), Math.max(...depths)],
        minute: (most.fromMin + most.toMin) / 2,
      };
    })
    .sort((a, b) => b.bites - a.bites);
}

/** What really bit, in a sentence: `What bit: 4 on the jig at 8 ft to 10 ft; 1 on the spinnerbait at 3 ft.` */
export function bitWords(bit: readonly WhatBit[], units: UnitSystem): string {
  if (!bit.length) return 'Nothing bit that day.';
  const told = bit
    .slice(0, TOLD)
    .map(({ category, bites, depthM }) => `${bites} on the ${nameOf(category)} at ${sayRange('depth', depthM, units)}`);
  return capital(`what bit: ${told.join('; ')}.`);
}
