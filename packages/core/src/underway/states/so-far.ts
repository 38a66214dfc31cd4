import { chanceOf, type Stretch } from './belief.js';
import { SAME_DEPTH } from './options.js';
import type { Fished, Ways } from './ways.js';

/** A bite speaks for its place for so long, and fishing in vain against what was fished, minutes. Judgement: what anglers say. */
const LIVE_MIN = 30;
const IN_VAIN_MIN = 60;

const isAlike = (a: Fished, b: Fished): boolean =>
  a.place === b.place &&
  a.lure === b.lure &&
  a.paceSteps === b.paceSteps &&
  a.tone === b.tone &&
  Math.abs(a.depthLog - b.depthLog) < SAME_DEPTH;

/** How a day has gone so far, beside what is believed of it. */
export class DaySoFar {
  /**
   * How far the plan was borne out, 0 to 1: the chance of no more bites than came, by what it foretold before the first
   * cast of what was fished (prior predictive check, Box 1980).
   */
  readonly borneOut: number;

  /** @param stretches in the order in which they were fished, of which `ways` know @param nowMin on the same clock */
  constructor(
    ways: Ways,
    private readonly stretches: readonly Stretch[],
    private readonly nowMin: number,
  ) {
    const planned = stretches.reduce((sum, each) => sum + each.hours * ways.plannedPerHour(each), 0);
    const bites = stretches.reduce((sum, each) => sum + each.bites, 0);
    let borneOut = 0;
    for (let count = 0; count <= bites; count++) borneOut += chanceOf(count, planned);
    this.borneOut = Math.min(1, borneOut);
  }

  /** Whether a place has bitten lately. */
  isLive(place: number): boolean {
    return this.stretches.some(
      (each) => each.place === place && each.bites > 0 && this.nowMin - each.toMin <= LIVE_MIN,
    );
  }

  /** Whether something was fished in vain within the hour. */
  wasInVain(fished: Fished): boolean {
    return this.stretches.some(
      (each) => each.bites === 0 && this.nowMin - each.toMin < IN_VAIN_MIN && isAlike(each, fished),
    );
  }
}
