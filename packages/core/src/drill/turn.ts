import type { CategoryId, Cover, Structure } from '../contract/ids.js';
import { LIMITS } from '../contract/limits.js';
import { nameOf } from '../contract/names.js';
import type { Range } from '../contract/plan.js';
import { BITES_BY_WEIGHT } from '../mornings/wanted.js';
import { holdsUntil } from '../numbers/holds-until.js';
import { seededNumbers } from '../numbers/seeded.js';
import { judgeDay, rejudge, type JudgedDay } from '../plan/judge.js';
import { chooseForWindow, firstChoice } from '../plan/window.js';
import { explain } from '../presentation/score.js';
import { sayRange, type UnitSystem } from '../units/units.js';
import type { Graded } from './answer.js';
import { marks, texts } from './grading/marks.js';
import { askedWindow } from './key.js';
import type { Scene } from './scene.js';

/** What somebody says must be true for a lure. */
export interface TurnAnswer {
  readonly surfaceTempC: number;
  readonly visibilityM: number;
  readonly structure: Structure;
  readonly cover: Cover;
}

/** A lure, and where and in which water of a day it comes first. */
export interface TurnKey {
  readonly day: JudgedDay;
  readonly index: number;
  readonly category: CategoryId;
  readonly tempC: Range;
  readonly visibilityM: Range;
  /** Structure and cover where it comes first in that water. */
  readonly places: readonly { readonly structure: Structure; readonly cover: Cover }[];
  readonly units: UnitSystem;
}

/** Water is looked at so far to both sides of the day's, degrees Celsius, and between these visibilities, metres. */
const OFF_C = 8;
const TEMPERATURES = 7;
const VISIBILITIES_M = [0.2, 0.5, 1.2, 2.6, 5] as const;
/** Halvings to where another lure takes over. */
const HALVINGS = 6;
const STEPS = 8;

const first = (day: JudgedDay, index: number): CategoryId | null => {
  const window = day.windows[index];
  return (window && firstChoice(day, window)?.category.id) ?? null;
};

/** How far something holds from where it does towards an end. */
const edge = (from: number, to: number, holds: (value: number) => boolean): number => {
  const at = (share: number) => from + (to - from) * share;
  return at(holdsUntil((share) => holds(at(share)), STEPS, HALVINGS).stands);
};

const within = ([least, most]: readonly [number, number], value: number) => Math.min(most, Math.max(least, value));

/** Structures and covers of a day that can be said of a lure. */
export const turnPlaces = ({ conditions }: Scene) => ({
  structures: conditions.structures ?? [],
  covers: conditions.covers ?? [],
});

/**
 * Turns a day round: a lure that does not come first on it but would in other water, and between which temperatures and
 * visibilities it would, found as tipping points are. The same seed, the same lure.
 * @returns null where one lure comes first whatever the water is like
 */
export function turnRound(scene: Scene, seed: number, units: UnitSystem): TurnKey | null {
  const day = judgeDay(scene.conditions, units);
  const index = askedWindow(day, scene);
  const { surfaceTempC } = day.conditions;
  const now = first(day, index);
  const temps = Array.from({ length: TEMPERATURES }, (_, step) =>
    within(LIMITS.surfaceTempC, surfaceTempC - OFF_C + (2 * OFF_C * step) / (TEMPERATURES - 1)),
  );
  const cells = temps.flatMap((tempC) =>
    VISIBILITIES_M.flatMap((visibilityM) => {
      const category = first(rejudge(day, { surfaceTempC: tempC, visibilityM }), index);
      return category && category !== now ? [{ tempC, visibilityM, category }] : [];
    }),
  );
  const lures = [...new Set(cells.map(({ category }) => category))];
  const category = lures[Math.floor(seededNumbers(seed + 4711)() * lures.length)];
  const own = cells.filter((cell) => cell.category === category);
  const middle = own[Math.floor(own.length / 2)];
  if (!category || !middle) return null;
  const isFirst = (change: Parameters<typeof rejudge>[1]) => first(rejudge(day, change), index) === category;
  const { tempC, visibilityM } = middle;
  const byTemp = (value: number) => isFirst({ surfaceTempC: value, visibilityM });
  // Along the logarithm: a foot counts for more in mud than in clear water.
  const byVisibility = (value: number) => isFirst({ surfaceTempC: tempC, visibilityM: Math.exp(value) });
  const [coldest = tempC, warmest = tempC] = [temps[0], temps.at(-1)];
  const [murkiest, clearest] = [VISIBILITIES_M[0], VISIBILITIES_M[VISIBILITIES_M.length - 1]] as const;
  const { structures, covers } = day.conditions;
  const places = structures
    .flatMap((structure) => covers.map((cover) => ({ structure, cover })))
    .filter(({ structure, cover }) =>
      isFirst({ surfaceTempC: tempC, visibilityM, structures: [structure], covers: [cover] }),
    );
  return {
    day,
    index,
    category,
    tempC: [edge(tempC, coldest, byTemp), edge(tempC, warmest, byTemp)],
    visibilityM: [
      Math.exp(edge(Math.log(visibilityM), Math.log(murkiest), byVisibility)),
      Math.exp(edge(Math.log(visibilityM), Math.log(clearest as number), byVisibility)),
    ],
    places,
    units,
  };
}

/** What must be true, in words. */
export function turnWords({ tempC, visibilityM, places, units }: TurnKey): string {
  const [place] = places;
  const at = place ? `, as on a ${nameOf(place.structure)} with ${nameOf(place.cover)}` : '';
  return `water of ${sayRange('temp', tempC, units)} that one sees ${sayRange('depth', visibilityM, units)} into${at}`;
}

/** What an answer is worth: how far the lure is behind the first in the water and at the place that were said, in bites. */
export function gradeTurn(key: TurnKey, { surfaceTempC, visibilityM, structure, cover }: TurnAnswer): Graded {
  const { day, index, category, units } = key;
  const said = rejudge(day, { surfaceTempC, visibilityM, structures: [structure], covers: [cover] });
  const window = said.windows[index];
  const best = turnWords(key);
  if (!window) return { score: 0, best, because: [], against: [], school: null, unsure: false };
  const { weighed, grounds, set } = chooseForWindow(said, window, units);
  const [ahead] = set;
  const own = weighed.find((each) => each.category.id === category);
  const behind = own && ahead ? own.logWeight - ahead.weighed.logWeight : -Infinity;
  const reasons = own ? explain(own, grounds, units) : { because: [], against: [] };
  const other =
    ahead && ahead.weighed.category.id !== category ? [`${nameOf(ahead.weighed.category.id)} comes first`] : [];
  return {
    ...marks(Math.exp(BITES_BY_WEIGHT * Math.min(0, behind)), 1),
    best,
    because: texts(reasons.because),
    against: [...other.map((text) => text.charAt(0).toUpperCase() + text.slice(1)), ...texts(reasons.against)],
    school: null,
    unsure: false,
  };
}
