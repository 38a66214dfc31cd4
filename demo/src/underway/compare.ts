import { playDay, POLICIES, type Policy } from './policies.js';
import { drawWorld, WORLD_KINDS, type WorldKind } from './world.js';

/** What the policies brought over many days. */
export interface Compared {
  readonly days: number;
  /** Bites an hour of each policy, over all days and by kind of day. */
  readonly perHour: Readonly<Record<Policy, number>>;
  readonly byKind: Readonly<Record<WorldKind, Readonly<Record<Policy, number>>>>;
  /** Share of the told ranges of four in five that held the truth. */
  readonly coverage80: number;
}

const none = (): Record<Policy, number> => ({ favourite: 0, random: 0, plan: 0, evidence: 0 });

/** Plays every policy on the same days: so many of each kind. */
export function compareDays(daysOfKind: number, firstSeed = 1): Compared {
  const perHour = none();
  const byKind = {} as Record<WorldKind, Record<Policy, number>>;
  let [told, held] = [0, 0];
  const days = daysOfKind * WORLD_KINDS.length;
  for (const [index, kind] of WORLD_KINDS.entries()) {
    byKind[kind] = none();
    for (let day = 0; day < daysOfKind; day++) {
      const seed = firstSeed + index * 10_007 + day * 31;
      const world = drawWorld(seed, kind);
      for (const policy of POLICIES) {
        const played = playDay(world, policy, seed + 5);
        perHour[policy] += played.perHour / days;
        byKind[kind][policy] += played.perHour / daysOfKind;
        told += played.told;
        held += played.held;
      }
    }
  }
  return { days, perHour, byKind, coverage80: held / told };
}
