import {
  believe,
  BIG_FIRST,
  boxOf,
  changeOver,
  expected,
  holdsSince,
  MOVE_MIN,
  otherWay,
  WAYS,
  type Competition,
  type Way,
  type WayBelief,
  type WayEvidence,
} from '@inky-shoal/core/competition';
import {
  END_MIN,
  fishDay,
  FROM_MIN,
  hiddenDay,
  type AnglersMinute,
  type HiddenDay,
  type SimulatedFish,
} from './days.js';

const RULES: Competition = { limit: 5, by: 'weight', culling: true };
/** What bit keeps half of itself for so many days in stained water, as far as anybody can know before the first day. */
const HALF_DAYS = 6;
/** It is thought over anew after every fish, and so many minutes after the last time. */
const ASKED_EVERY_MIN = 15;
/** Hours for changing over that are tried for all days alike. */
const FIXED_EVERY_MIN = 15;

const totalG = (fish: readonly SimulatedFish[]): number =>
  boxOf(
    fish.map(({ grams }) => grams),
    RULES.limit,
    RULES.culling,
  ).total;

/** What an angler believes of both ways at a minute: the practice, and the day so far. */
function beliefsAt(day: HiddenDay, { min, fish, fished }: AnglersMinute): Record<Way, WayBelief> {
  const practice = day.practice.map(({ way, daysBefore, hours, grams }): WayEvidence => ({
    way,
    hours,
    fish: grams.length,
    sizes: grams,
    holds: 0.5 ** (daysBefore / HALF_DAYS),
  }));
  const today = [
    ...fished.map(({ atMin, way }): WayEvidence => ({
      way,
      hours: 1 / 60,
      fish: 0,
      sizes: [],
      holds: holdsSince(atMin, min),
    })),
    ...fish.map(({ atMin, way, grams }): WayEvidence => ({
      way,
      hours: 0,
      fish: 1,
      sizes: [grams],
      holds: holdsSince(atMin, min),
    })),
  ];
  const prior = expected(RULES, 'largemouth');
  const of = (way: Way) =>
    believe(
      prior[way],
      [...practice, ...today].filter((each) => each.way === way),
    );
  return Object.fromEntries(WAYS.map((way) => [way, of(way)])) as Record<Way, WayBelief>;
}

const decide = (day: HiddenDay, now: AnglersMinute, way: Way) =>
  changeOver({
    sizes: now.fish.map(({ grams }) => grams),
    ...RULES,
    nowMin: now.min,
    endMin: END_MIN,
    way,
    beliefs: beliefsAt(day, now),
    minimum: 0,
  });

/** A simulated day fished by what was worked out: its total, and whether it came to lie where it was told to at the start. */
export interface WorkedOut {
  readonly totalG: number;
  /** Between what one day in ten is under and what one in ten is over. */
  readonly held: boolean;
}

/** A day as one fishes it who changes over when that is worked out to be best. */
export function workedOut(day: HiddenDay): WorkedOut {
  const start: AnglersMinute = { min: FROM_MIN, way: 'limit', fish: [], fished: [] };
  const [limitFirst, bigFirst] = [decide(day, start, 'limit'), decide(day, start, 'big')];
  const begun = bigFirst.best.mean > BIG_FIRST * limitFirst.best.mean ? bigFirst : limitFirst;
  let [askedMin, count] = [FROM_MIN, 0];
  const choose = (now: AnglersMinute): Way => {
    if (now.min < askedMin + ASKED_EVERY_MIN && now.fish.length === count) return now.way;
    [askedMin, count] = [now.min, now.fish.length];
    const { atMin } = decide(day, now, now.way);
    return atMin !== null && atMin <= now.min ? otherWay(now.way) : now.way;
  };
  const total = totalG(fishDay(day, begun.from, choose, MOVE_MIN));
  return { totalG: total, held: total >= begun.best.low && total <= begun.best.high };
}

/** An hour to change over that is the same on all days, and what it brings, grams. */
export interface FixedHour {
  readonly atMin: number;
  readonly meanG: number;
}

/** Mean totals of simulated competition days, grams. */
export interface ChangeOverGain {
  readonly days: number;
  readonly workedOutG: number;
  /** Share of the told ranges of eight days in ten that held the total. */
  readonly coverage80: number;
  /** The best of all hours, told afterwards, by what is fished for first. */
  readonly fixed: Readonly<Record<Way, FixedHour>>;
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

function bestHour(days: readonly HiddenDay[], first: Way): FixedHour {
  let best: FixedHour = { atMin: FROM_MIN, meanG: 0 };
  for (let atMin = FROM_MIN; atMin <= END_MIN; atMin += FIXED_EVERY_MIN) {
    const choose = ({ min }: AnglersMinute) => (min >= atMin ? otherWay(first) : first);
    const meanG = mean(days.map((day) => totalG(fishDay(day, first, choose, MOVE_MIN))));
    if (meanG > best.meanG) best = { atMin, meanG };
  }
  return best;
}

/** What changing over when it is worked out to be best brings beside the best fixed hour, on the same days. */
export function changeOverGain(count: number, firstSeed: number): ChangeOverGain {
  const days = Array.from({ length: count }, (_, at) => hiddenDay(firstSeed + at));
  const fished = days.map(workedOut);
  return {
    days: count,
    workedOutG: mean(fished.map(({ totalG: own }) => own)),
    coverage80: mean(fished.map(({ held }) => Number(held))),
    fixed: { limit: bestHour(days, 'limit'), big: bestHour(days, 'big') },
  };
}
