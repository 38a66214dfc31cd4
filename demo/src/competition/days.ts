import type { Way } from '@inky-shoal/core/competition';
import { normal, seeded } from '../random.js';

/** Minutes of a simulated competition day. */
export const FROM_MIN = 7 * 60;
export const END_MIN = 15 * 60;
const MINUTES = END_MIN - FROM_MIN;
/** Two full practice days before it: how long each way was fished on each. */
const PRACTICE_DAYS = [2, 1] as const;
const PRACTICE_HOURS = 4;

/** What a simulated day hides. Nothing of it has the form that the planner believes in. */
export interface HiddenDay {
  /** Whether a fish would come in a minute of one way, were nothing thinned out: chances and their dice. */
  readonly chance: Readonly<Record<Way, Float64Array>>;
  readonly dice: Readonly<Record<Way, Float64Array>>;
  /** What the fish of a minute would weigh, grams. */
  readonly grams: Readonly<Record<Way, Float64Array>>;
  readonly practice: readonly PracticeDay[];
}

/** What a practice day showed of one way. */
export interface PracticeDay {
  readonly way: Way;
  readonly daysBefore: number;
  readonly hours: number;
  readonly grams: readonly number[];
}

/** Each fish that is caught thins them out by so much, and an hour brings back so much of what is gone. */
const THINNED = { limit: 0.08, big: 0.15 } as const;
const BACK_AN_HOUR = 0.25;

/** Fish of either way bite in spells, whose lengths nobody knows: how much of the day's rate a spell has, and how long it lasts. */
const SPELLS = { on: 1.8, off: 0.3, meanMin: 100 } as const;

function spells(random: () => number): Float64Array {
  const times = new Float64Array(MINUTES);
  let on = random() < 0.5;
  for (let at = 0; at < MINUTES; at++) {
    if (random() < 1 / SPELLS.meanMin) on = !on;
    times[at] = on ? SPELLS.on : SPELLS.off;
  }
  return times;
}

/** What grows in a water: waters of many small fish, and waters of few large ones. */
interface Stock {
  readonly usualG: number;
  /** How much heavier the big ones are, and how many of those that such fishing brings are big. */
  readonly times: number;
  readonly bigShare: Readonly<Record<Way, number>>;
}

function stockOf(random: () => number): Stock {
  return {
    usualG: 820 * Math.exp(0.2 * normal(random)),
    times: 2 + random(),
    bigShare: { limit: 0.02 + 0.1 * random(), big: 0.6 + 0.3 * random() },
  };
}

/** A fish of either way: most are of the usual size, some are of the other's. */
function fishG(way: Way, { usualG, times, bigShare }: Stock, random: () => number): number {
  const isBig = random() < bigShare[way];
  const median = isBig ? usualG * times : usualG;
  return median * Math.exp((isBig ? 0.3 : 0.26) * normal(random));
}

/** A competition day with the practice before it. The same seed, the same day. */
export function hiddenDay(seed: number): HiddenDay {
  const random = seeded(seed);
  const stock = stockOf(random);
  const good = normal(random);
  const rate = {
    limit: 0.85 * Math.exp(0.6 * (0.8 * normal(random) + 0.6 * good)),
    big: 0.3 * Math.exp(0.75 * (0.85 * normal(random) + 0.5 * good)),
  };
  const bites = { limit: spells(random), big: spells(random) };
  const minutes = (of: (at: number) => number) => Float64Array.from({ length: MINUTES }, (_, at) => of(at));
  const chance = (way: Way) => minutes((at) => (rate[way] / 60) * (bites[way][at] as number));
  const practice = PRACTICE_DAYS.flatMap((daysBefore) =>
    (['limit', 'big'] as const).map((way): PracticeDay => {
      // The further back, the less the day is like it.
      const then = rate[way] * Math.exp(0.35 * Math.sqrt(daysBefore) * normal(random));
      const grams: number[] = [];
      for (let at = -Math.log(1 - random()) / then; at < PRACTICE_HOURS; at += -Math.log(1 - random()) / then) {
        grams.push(fishG(way, stock, random));
      }
      return { way, daysBefore, hours: PRACTICE_HOURS, grams };
    }),
  );
  return {
    chance: { limit: chance('limit'), big: chance('big') },
    dice: { limit: minutes(random), big: minutes(random) },
    grams: { limit: minutes(() => fishG('limit', stock, random)), big: minutes(() => fishG('big', stock, random)) },
    practice,
  };
}

/** A fish that was caught on a simulated day. */
export interface SimulatedFish {
  readonly atMin: number;
  readonly way: Way;
  readonly grams: number;
}

/** What an angler knows as a minute begins. */
export interface AnglersMinute {
  readonly min: number;
  readonly way: Way;
  readonly fish: readonly SimulatedFish[];
  /** Minutes that were fished so far in one way and the other, each by its minute. */
  readonly fished: readonly { readonly atMin: number; readonly way: Way }[];
}

/**
 * Fishes a day minute by minute. @param choose which way from now on @param moveMin minutes without a line in the water at
 * every change @returns what was caught
 */
export function fishDay(
  { chance, dice, grams }: HiddenDay,
  first: Way,
  choose: (now: AnglersMinute) => Way,
  moveMin: number,
): SimulatedFish[] {
  const fish: SimulatedFish[] = [];
  const fished: { atMin: number; way: Way }[] = [];
  const left = { limit: 1, big: 1 };
  let [way, movingUntil] = [first, -1];
  for (let at = 0; at < MINUTES; at++) {
    const min = FROM_MIN + at;
    if (at >= movingUntil) {
      const next = choose({ min, way, fish, fished });
      if (next !== way) [way, movingUntil] = [next, at + moveMin];
    }
    for (const each of ['limit', 'big'] as const) left[each] += (1 - left[each]) * (BACK_AN_HOUR / 60);
    if (at < movingUntil) continue;
    fished.push({ atMin: min, way });
    if ((dice[way][at] as number) < (chance[way][at] as number) * left[way]) {
      fish.push({ atMin: min, way, grams: grams[way][at] as number });
      left[way] *= 1 - THINNED[way];
    }
  }
  return fish;
}
