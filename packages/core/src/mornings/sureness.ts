import type { CategoryId, ClarityClass, Phase } from '../contract/ids.js';
import type { UnitSystem } from '../units/units.js';
import type { Morning, MorningWindow } from './answers.js';
import { isOver, questionsOn, type Question } from './questions.js';

/** A thing and in what share of the mornings it is so. */
export interface Share<Of> {
  readonly of: Of;
  readonly share: number;
}

/** How sure the plan of a window is. */
export interface WindowSureness {
  readonly windowId: string;
  /** What the plan names first. */
  readonly first: CategoryId;
  /** In what share of the mornings it is the first again, and among the set. */
  readonly stands: number;
  readonly inSet: number;
  /** What is first over all mornings, most often first. */
  readonly firsts: readonly Share<CategoryId>[];
  /** How often each is among what is named. */
  readonly sets: readonly Share<CategoryId>[];
  /** The middle of the depth at which the first is run, metres: tenth, half and ninth tenth of the mornings. */
  readonly depthM: readonly [number, number, number];
  /** What decides: the one reading that tells best which lure comes first; null where none tells more than none does. */
  readonly decides: Decides | null;
}

export interface Decides {
  readonly question: Question;
  /** What mostly comes first over the bound and up to it, and how often in each. */
  readonly over: Share<CategoryId>;
  readonly under: Share<CategoryId>;
}

export interface Sureness {
  readonly mornings: number;
  readonly windows: readonly (WindowSureness | null)[];
  readonly phases: readonly Share<Phase>[];
  readonly clarities: readonly Share<ClarityClass>[];
}

/** How often each is, most often first; what is equally often keeps its order. */
export function sharesOf<Of>(list: readonly Of[]): Share<Of>[] {
  const counts = new Map<Of, number>();
  for (const each of list) counts.set(each, (counts.get(each) ?? 0) + 1);
  return [...counts].map(([of, count]) => ({ of, share: count / list.length })).sort((a, b) => b.share - a.share);
}

const quantile = (ascending: readonly number[], share: number): number =>
  ascending[Math.min(ascending.length - 1, Math.floor(share * ascending.length))] as number;

/** A reading must tell the first lure in so many more of a hundred mornings than no reading does. */
const TELLS_MORE = 0.06;
/** Either answer must be given in so many mornings. */
const LEAST_SIDE = 0.06;

type At = readonly { readonly morning: Morning; readonly window: MorningWindow }[];

/** The one question whose answers tell best what comes first. */
function decidesIn(at: At, units: UnitSystem): Decides | null {
  const [likeliest] = sharesOf(at.map(({ window }) => window.first));
  let best: Decides | null = null;
  let most = (likeliest?.share ?? 1) + TELLS_MORE;
  for (const question of questionsOn(
    at.map(({ morning: { change } }) => change),
    units,
  )) {
    const sides = [true, false].map((over) => at.filter(({ morning }) => isOver(question, morning.change) === over));
    if (sides.some(({ length }) => length < LEAST_SIDE * at.length)) continue;
    const [over, under] = sides.map((side) => sharesOf(side.map(({ window }) => window.first))[0]);
    if (!over || !under || over.of === under.of) continue;
    const tells = sides.reduce((sum, side, index) => sum + side.length * ((index ? under : over).share / at.length), 0);
    if (tells > most) [best, most] = [{ question, over, under }, tells];
  }
  return best;
}

function windowSureness(
  mornings: readonly Morning[],
  index: number,
  first: CategoryId,
  units: UnitSystem,
): WindowSureness | null {
  const at: At = mornings.flatMap((morning) => {
    const window = morning.windows[index];
    return window ? [{ morning, window }] : [];
  });
  if (!at.length) return null;
  const share = (holds: (window: MorningWindow) => boolean) =>
    at.filter(({ window }) => holds(window)).length / at.length;
  const depths = at
    .map(
      ({
        window: {
          runDepthM: [from, to],
        },
      }) => (from + to) / 2,
    )
    .sort((a, b) => a - b);
  return {
    windowId: `w${index + 1}`,
    first,
    stands: share((window) => window.first === first),
    inSet: share(({ set }) => set.includes(first)),
    firsts: sharesOf(at.map(({ window }) => window.first)),
    sets: [...new Set(at.flatMap(({ window }) => window.set))]
      .map((of) => ({ of, share: share(({ set }) => set.includes(of)) }))
      .sort((a, b) => b.share - a.share),
    depthM: [quantile(depths, 0.1), quantile(depths, 0.5), quantile(depths, 0.9)],
    decides: decidesIn(at, units),
  };
}

/**
 * How sure a plan is over all mornings that may come.
 * @param planned what the plan itself says of the day as planned
 */
export function surenessOf(planned: Morning, mornings: readonly Morning[], units: UnitSystem): Sureness {
  return {
    mornings: mornings.length,
    windows: planned.windows.map((window, index) =>
      window ? windowSureness(mornings, index, window.first, units) : null,
    ),
    phases: sharesOf(mornings.map(({ phase }) => phase)),
    clarities: sharesOf(mornings.map(({ clarity }) => clarity)),
  };
}
