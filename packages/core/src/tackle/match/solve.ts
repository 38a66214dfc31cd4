import { bestAssignment, NEVER } from './assignment.js';
import type { Pair } from './pairs.js';

/** What goes on which combo, for each piece of advice, and what it is worth. */
export interface Solution {
  readonly value: number;
  readonly chosen: readonly ({ readonly combo: number; readonly pair: Pair } | null)[];
}

/** Something that more pairs use than there is of it, with the pieces of advice that do. */
function overused(
  chosen: Solution['chosen'],
  lures: ReadonlyMap<string, number>,
): [id: string, users: number[]] | undefined {
  const users = new Map<string, number[]>();
  for (const [at, each] of chosen.entries()) {
    for (const id of each?.pair.uses ?? []) users.set(id, [...(users.get(id) ?? []), at]);
  }
  return [...users].find(([id, who]) => who.length > (lures.get(id) ?? 1));
}

/** Branches followed at most: far beyond what a day's advice needs. */
const MAX_BRANCHES = 400;

/** For each combo the best way to bring it together with one piece of advice that uses nothing ruled out. */
const openTo = (row: readonly Pair[][], barred: ReadonlySet<string>): (Pair | undefined)[] =>
  row.map((ways) => ways.find(({ uses }) => uses.every((id) => !barred.has(id))));

/** A branch of the search: for each piece of advice what it may not use, and the best ways that are left to it. */
interface Branch {
  readonly barred: readonly ReadonlySet<string>[];
  readonly open: readonly (Pair | undefined)[][];
}

/**
 * The best assignment of advice to combos in which nothing is used twice. A lure, or a line that lies ready, may be the
 * best for two pieces of advice; then the search branches on which of them goes without it, and a branch that cannot beat
 * what is found already is not followed (branch and bound over assignments).
 * @param lures how many there are of each
 */
export function solve(pairs: readonly Pair[][][], most: number, lures: ReadonlyMap<string, number>): Solution {
  let best: Solution = { value: -1, chosen: pairs.map(() => null) };
  let branches = 0;
  const follow = ({ barred, open }: Branch): void => {
    if (branches++ > MAX_BRANCHES) return;
    const columns = bestAssignment(
      open.map((row) => row.map((pair) => pair?.value ?? NEVER)),
      most,
    );
    const chosen = columns.map((combo, at) => {
      const pair = combo === null ? undefined : open[at]?.[combo];
      return combo === null || !pair ? null : { combo, pair };
    });
    const value = chosen.reduce((sum, each) => sum + (each?.pair.value ?? 0), 0);
    if (value <= best.value + 1e-9) return;
    const shared = overused(chosen, lures);
    if (!shared) {
      best = { value, chosen };
      return;
    }
    const [id, users] = shared;
    const without = (barring: readonly number[]): Branch =>
      barring.reduce<Branch>(
        (branch, at) => {
          const own = new Set(branch.barred[at]).add(id);
          return { barred: branch.barred.with(at, own), open: branch.open.with(at, openTo(pairs[at] ?? [], own)) };
        },
        { barred, open },
      );
    // Of one thing at most one of them can be the user; of several, one more of them goes without.
    const single = (lures.get(id) ?? 1) === 1;
    for (const at of users) follow(without(single ? users.filter((other) => other !== at) : [at]));
  };
  const none = pairs.map(() => new Set<string>());
  follow({ barred: none, open: pairs.map((row) => openTo(row, new Set())) });
  return best;
}
