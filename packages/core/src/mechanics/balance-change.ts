import {
  balanceOf,
  bodyOf,
  type BalanceHook,
  type BalanceWeight,
  type SuspendingBalance,
  type SuspendingBalanceInput,
} from './balance.js';
import { hookSizeBy, type HookSize } from './hooks.js';

/** One thing done to a lure. */
export type HardwareChange =
  | { readonly kind: 'hook'; readonly at: number; readonly from: HookSize; readonly to: HookSize }
  | { readonly kind: 'weight'; readonly at: number; readonly massG: number }
  | { readonly kind: 'weight-off'; readonly at: number; readonly massG: number };

/** Changes that make a lure hang as wanted, with how it hangs then. */
export interface HardwareAnswer {
  readonly changes: readonly HardwareChange[];
  readonly result: SuspendingBalance;
}

/** A hook may be so many sizes larger or smaller before it no longer suits the lure. */
const MAX_STEPS = 2;
/** Adhesive strips and wire come in such pieces, in g. */
const STRIPS_G = [0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.35, 0.4, 0.5, 0.6, 0.75, 1];
/** Where they are put: before, at and behind the middle, clear of the hooks. */
const STRIP_PLACES = [0.2, 0.35, 0.5, 0.65, 0.8];
const MAX_ANSWERS = 3;

interface Option {
  readonly cost: number;
  readonly changes: readonly HardwareChange[];
  readonly hooks: readonly BalanceHook[];
}

/** Every way to keep or swap the hooks, with what each costs: a hook a piece, and a little for each size. */
function hookOptions(hooks: readonly BalanceHook[]): Option[] {
  return hooks.reduce<Option[]>(
    (options, hook) =>
      options.flatMap((option) =>
        Array.from({ length: 2 * MAX_STEPS + 1 }, (_, index) => index - MAX_STEPS).flatMap((steps) => {
          const size = hookSizeBy(hook.size, steps);
          if (size === undefined) return [];
          const changes: HardwareChange[] = steps ? [{ kind: 'hook', at: hook.at, from: hook.size, to: size }] : [];
          return [
            {
              cost: option.cost + (steps ? 1 + 0.2 * Math.abs(steps) : 0),
              changes: [...option.changes, ...changes],
              hooks: [...option.hooks, { ...hook, size }],
            },
          ];
        }),
      ),
    [{ cost: 0, changes: [], hooks: [] }],
  );
}

interface WeightOption {
  readonly cost: number;
  readonly changes: readonly HardwareChange[];
  readonly weights: readonly BalanceWeight[];
}

/** The weights as they are, without one of them, or with one strip more: less work than a change of hooks. */
const weightOptions = (weights: readonly BalanceWeight[]): WeightOption[] => [
  { cost: 0, changes: [], weights },
  ...weights.map((off) => ({
    cost: 0.6,
    changes: [{ kind: 'weight-off' as const, ...off }],
    weights: weights.filter((weight) => weight !== off),
  })),
  ...STRIP_PLACES.flatMap((at) =>
    STRIPS_G.map((massG) => ({
      cost: 0.8 + 0.2 * massG,
      changes: [{ kind: 'weight' as const, massG, at }],
      weights: [...weights, { massG, at }],
    })),
  ),
];

type Costed = HardwareAnswer & { readonly cost: number };

/** Everything within reach, worked out, the smallest change first. */
function costed(input: SuspendingBalanceInput): Costed[] {
  const body = bodyOf(input);
  const weights = weightOptions(input.addedWeights);
  return hookOptions(input.hooks)
    .flatMap((hooks) =>
      weights.map((more) => {
        const rigged = { ...input, hooks: [...hooks.hooks], addedWeights: [...more.weights] };
        const result = balanceOf(body, rigged, input);
        const cost = hooks.cost + more.cost + 0.02 * Math.abs(result.noseAngleDeg);
        return { cost, changes: [...hooks.changes, ...more.changes], result };
      }),
    )
    .sort((a, b) => a.cost - b.cost);
}

/**
 * The smallest changes of hardware that make a lure hang as wanted: all hook sizes within two, with one weight taken off
 * or one strip put on, weighed by how many pieces are touched and how much. Nothing to do is an answer too. Where the
 * wanted attitude is out of reach, those that give the behaviour alone.
 * @returns at most three answers, the smallest first; none where nothing within reach does it
 */
export function smallestChanges(input: SuspendingBalanceInput): HardwareAnswer[] {
  const { wanted } = input;
  if (!wanted) return [];
  const behaving = costed(input).filter(({ result }) => result.behaviour === wanted.behaviour);
  const whole = behaving.filter(({ result }) => (wanted.attitude ?? result.attitude) === result.attitude);
  return distinct(whole.length ? whole : behaving)
    .slice(0, MAX_ANSWERS)
    .map(({ changes, result }) => ({ changes, result }));
}

/** One answer for each kind of work: not three strips that differ by a hair. */
function distinct<T extends HardwareAnswer>(answers: readonly T[]): T[] {
  const seen = new Set<string>();
  return answers.filter(({ changes }) => {
    const work = changes.map((change) => `${change.kind}${change.kind === 'hook' ? change.at : ''}`).join();
    return seen.has(work) ? false : (seen.add(work), true);
  });
}
