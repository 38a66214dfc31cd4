import { playPatchyDay, type PatchyDay } from './play.js';
import { PATCHY_POLICIES, SIMPLE_POLICIES, type PatchyPolicy } from './policies.js';
import { drawPatchyWorld, PATCHY_KINDS, type PatchyKind } from './world.js';

type PerPolicy = Readonly<Record<PatchyPolicy, number>>;

/** What the policies brought over many days of patchy water. */
export interface PatchyCompared {
  readonly days: number;
  readonly perHour: PerPolicy;
  readonly byKind: Readonly<Record<PatchyKind, PerPolicy>>;
  /** Share of the days on which less was caught than by the plan alone. */
  readonly worseThanPlan: number;
  /** The states against the best simple policy, in the kind where that is worst. */
  readonly worstKind: number;
  /** Share of the told ranges of four in five that held the truth. */
  readonly coverage80: number;
  /** Largest difference of said and true odds, over fifths of what was said. */
  readonly oddsGap: number;
  /** Median of the minutes until a place that bit and had gone dead was left. */
  readonly minutesOnDead: number;
  /** Share of the changes that went back to what was fished in vain within the hour. */
  readonly loops: number;
}

const none = (): Record<PatchyPolicy, number> => ({ favourite: 0, plan: 0, human: 0, bandit: 0, states: 0, oracle: 0 });
const FIFTHS = 5;

function oddsGapOf(all: PatchyDay['odds']): number {
  const said = [...all].sort((a, b) => a.said - b.said);
  const size = Math.ceil(said.length / FIFTHS);
  const gaps = Array.from({ length: FIFTHS }, (_, fifth) => {
    const part = said.slice(fifth * size, (fifth + 1) * size);
    const mean = (of: (each: (typeof part)[number]) => number) =>
      part.reduce((sum, each) => sum + of(each), 0) / Math.max(1, part.length);
    return Math.abs(mean((each) => each.said) - mean(({ isTrue }) => (isTrue ? 1 : 0)));
  });
  return Math.max(...gaps);
}

const medianOf = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** Plays every policy on the same days: so many of each kind. @param firstSeed days of other seeds are other days */
export function comparePatchyDays(
  daysOfKind: number,
  firstSeed: number,
  kinds: readonly PatchyKind[] = PATCHY_KINDS,
): PatchyCompared {
  const days = daysOfKind * kinds.length;
  const perHour = none();
  const byKind = {} as Record<PatchyKind, Record<PatchyPolicy, number>>;
  const odds: PatchyDay['odds'][number][] = [];
  const deadMin: number[] = [];
  let [worse, changes, loops, told, held] = [0, 0, 0, 0, 0];
  for (const [index, kind] of kinds.entries()) {
    byKind[kind] = none();
    for (let day = 0; day < daysOfKind; day++) {
      const seed = firstSeed + index * 10_007 + day * 31;
      const world = drawPatchyWorld(seed, kind);
      const played = Object.fromEntries(
        PATCHY_POLICIES.map((policy) => [policy, playPatchyDay(world, policy, seed + 5)]),
      ) as Record<PatchyPolicy, PatchyDay>;
      for (const policy of PATCHY_POLICIES) {
        perHour[policy] += played[policy].perHour / days;
        byKind[kind][policy] += played[policy].perHour / daysOfKind;
      }
      if (played.states.bites < played.plan.bites) worse++;
      odds.push(...played.states.odds);
      told += played.states.told;
      held += played.states.held;
      deadMin.push(...played.states.deadMin);
      changes += played.states.changes;
      loops += played.states.loops;
    }
  }
  return {
    days,
    perHour,
    byKind,
    worseThanPlan: worse / days,
    worstKind: Math.min(
      ...kinds.map((kind) => byKind[kind].states / Math.max(...SIMPLE_POLICIES.map((policy) => byKind[kind][policy]))),
    ),
    coverage80: held / told,
    oddsGap: oddsGapOf(odds),
    minutesOnDead: medianOf(deadMin),
    loops: changes ? loops / changes : 0,
  };
}
