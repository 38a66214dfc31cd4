import type * as ids from '../contract/ids.js';

/** Measured or derived figures, each with its unit in its name. */
export type QuantityName =
  | 'surfaceTempC'
  | 'tempTrendCPerDay'
  | 'riseAboveYearLowC'
  | 'dayLengthH'
  | 'dayLengthChangeMinPerDay'
  | 'visibilityM'
  | 'effectiveVisibilityM'
  | 'relativeClarity'
  | 'windMps'
  | 'bankSlopeDeg'
  | 'light'
  | 'sunWarmth'
  | 'hoursFromSunrise'
  | 'holdingDepthM'
  | 'waterOverCoverM'
  | 'tideHours'
  | 'tideRangeM'
  | 'salinityPsu'
  /** Month of the year with its fraction, 1 to 13, as in the north: July is 7 to 8, and January south of the equator. */
  | 'yearMonth'
  /** Lit part of the moon, 0 to 1. */
  | 'moonFullness';

/** Things that are so to a degree, 0 to 1: `phase:winter`, `cover:pads`, `sky:overcast`. */
export type DegreeName =
  | `discipline:${ids.Discipline}`
  | `species:${ids.Species}`
  | `phase:${ids.Phase}`
  | `overlay:${ids.OverlayId}`
  | `clarity:${ids.ClarityClass}`
  | `regime:${ids.Regime}`
  | `trend:${'clearing' | 'dropping'}`
  | `level:${ids.Level}`
  | `sky:${ids.Sky}`
  | `front:${ids.Front}`
  | `inflow:${'warmer' | 'colder'}`
  | `water:${ids.WaterKind}`
  | `goal:${'numbers' | 'big-fish' | 'balanced'}`
  | `familiarity:${'known' | 'new'}`
  | `forage:${ids.ForageKind}`
  | `seen:${(typeof ids.FORAGE_SEEN)[number]}`
  | `sign:${(typeof ids.SIGNS)[number]}`
  | `feedback:${(typeof ids.FEEDBACK)[number]}`
  | `tide:${(typeof ids.TIDE_STAGES)[number]}`
  | `light:${ids.Light}`
  | `structure:${ids.Structure}`
  | `cover:${ids.Cover}`
  | `ground:${'rock' | 'wood' | 'grass' | 'mat' | 'open' | 'shell'}`
  | `position:${ids.Position}`
  | `school:${string}`
  | `category:${ids.CategoryId}`
  | `tone:${ids.Tone}`
  | 'murky-normal'
  | 'bright-and-calm'
  | 'cold'
  /** Deep water is followed apart from the surface; and it is mixing with it now. */
  | 'basin:followed'
  | 'basin:mixing'
  | 'day:night';

export type FactName = QuantityName | DegreeName;

/** Facts as a step states them. */
export type Known = Partial<Record<FactName, number>>;

/** Room for every fact that is asked or stated; some two hundred names are. */
const ROOM = 288;
const slots = new Map<string, number>();

/** The slot of a fact, given on first asking and kept for good. */
export function slotOf(name: FactName): number {
  let slot = slots.get(name);
  if (slot === undefined) {
    slot = slots.size;
    if (slot >= ROOM) throw new Error(`No room for the fact ${name}: raise ROOM`);
    slots.set(name, slot);
  }
  return slot;
}

/**
 * What is known so far. A figure that is missing supports no rule; a degree that is missing is 0. Facts stand in
 * numbered slots, since a plan asks them some ten thousand times and stacks a few new ones on all the old ones a
 * hundred times; copying an object of as many names takes over ten times as long.
 */
export class Facts {
  private constructor(private readonly values: Float64Array) {}

  static of(known: Known): Facts {
    return new Facts(new Float64Array(ROOM).fill(Number.NaN)).with(known);
  }

  /** These facts with more on top; what is stated anew wins. */
  with(known: Known): Facts {
    const values = this.values.slice();
    for (const name in known) values[slotOf(name as FactName)] = known[name as FactName] ?? Number.NaN;
    return new Facts(values);
  }

  /** Asks something as if these degrees were 1; nothing is copied, and all is as it was afterwards. */
  trying<T>(names: readonly DegreeName[], ask: (facts: Facts) => T): T {
    const before = names.map((name) => this.at(slotOf(name)));
    for (const name of names) this.values[slotOf(name)] = 1;
    try {
      return ask(this);
    } finally {
      names.forEach((name, index) => (this.values[slotOf(name)] = before[index] as number));
    }
  }

  /** The value in a slot, NaN where it is not known. */
  at(slot: number): number {
    return this.values[slot] as number;
  }

  /** A figure, undefined where it is not known. */
  figure(name: QuantityName): number | undefined {
    const value = this.at(slotOf(name));
    return Number.isNaN(value) ? undefined : value;
  }

  /** How far something is so, 0 where nothing is known of it. */
  degree(name: DegreeName): number {
    return this.at(slotOf(name)) || 0;
  }
}
