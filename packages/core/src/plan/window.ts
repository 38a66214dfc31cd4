import type { Holding, PlanWindow, Presentation, Range } from '../contract/plan.js';
import { clockOf, type DayWindow } from '../day/windows.js';
import { holdingPlaces, placeFacts } from '../place/place.js';
import { CATALOGUE } from '../presentation/categories.js';
import type { Category } from '../presentation/category.js';
import { chooseSet, type Chosen } from '../presentation/choose.js';
import { riseM } from '../presentation/aspects.js';
import { explain, heaviest, weighCategories } from '../presentation/score.js';
import type { Discipline, RetrieveStyle } from '../contract/ids.js';
import { pauseS, retrieve, styleOf } from '../retrieve/retrieve.js';
import { rigThatGetsDown, whyAbove } from '../rig/gets-down.js';
import type { Facts } from '../rules/facts.js';
import { strongest } from '../rules/rule.js';
import { trim } from '../trim/trim.js';
import type { UnitSystem } from '../units/units.js';
import { meanMoment, momentGround, withoutRepeats, type JudgedDay } from './judge.js';

/** Presentations named in a window: enough roles to fish it, few enough to have tied on. */
export const MOST_PRESENTATIONS = 4;
/** Reasons shown on one piece of advice. */
const MOST_REASONS = 9;

const round = (value: number): number => Math.round(value * 100) / 100;
const rounded = (range: Range): [number, number] => [round(range[0]), round(range[1])];

/**
 * The depth a category is run at over a holding place, in metres: bottom lures at the fish's depth, others just above
 * and among them, always within what the lure can do.
 */
export function runDepthM(
  category: Category,
  place: Pick<Holding, 'depthM' | 'position'>,
  facts: Facts,
): [number, number] {
  const [least, most] = category.runDepthM;
  if (category.positions.surface > 0.8) return [least, most];
  const [from, to] = place.depthM;
  const onBottom =
    category.positions.bottom >= 0.6 && (place.position === 'bottom' || category.positions.suspended < 0.3);
  const wanted: Range = onBottom
    ? [from, to]
    : [from - Math.min(0.3 * from, 0.5 * riseM(facts)), from + 0.65 * (to - from)];
  const clearance = facts.figure('waterOverCoverM');
  const deepest =
    clearance !== undefined && category.snag.grass < 0.8 && facts.degree('ground:grass')
      ? Math.min(most, Math.max(least, clearance))
      : most;
  const lower = Math.min(deepest, Math.max(least, wanted[1]));
  const upper = Math.max(least, Math.min(wanted[0], lower - 0.1, deepest - 0.2));
  return [Math.min(upper, lower), lower];
}

function presentation({ weighed, role }: Chosen, facts: Facts, day: JudgedDay, units: UnitSystem): Presentation {
  const { category, place } = weighed;
  const reasons = explain(weighed, units);
  const here = facts.with({ ...placeFacts(place), [`category:${category.id}`]: 1 });
  const eaten = day.food.find(({ kind }) =>
    kind === 'crayfish'
      ? category.traits.likeCrayfish > 0.7
      : category.traits.likeBaitfish > 0.7 && kind !== 'crab' && kind !== 'shrimp',
  );
  const trimmed = trim(category, here, eaten && [eaten.lengthMm[0], eaten.lengthMm[1]], units);
  const legal = category.legal
    ? [{ rule: 'legal-note', text: `Check ${category.legal} with the local authority`, weight: 0.1, school: null }]
    : [];
  const down = rigThatGetsDown(category, runDepthM(category, place, here), trimmed.size.weightG, here);
  const run = rounded(down.runDepthM);
  return {
    category: category.id,
    role,
    score: weighed.score,
    size: { lengthMm: rounded(trimmed.size.lengthMm), weightG: rounded(down.weightG) },
    runDepthM: run,
    colour: trimmed.colour,
    blades: trimmed.blades,
    trailer: trimmed.trailer,
    retrieve: retrieve(category, run, here, units),
    rig: down.rig,
    because: [
      ...withoutRepeats(strongest([...reasons.because, ...trimmed.because])).slice(0, MOST_REASONS),
      ...whyAbove(category, run, place, units),
      ...down.why,
    ],
    against: [...reasons.against.slice(0, MOST_REASONS), ...legal],
  };
}

const usableIn = (discipline: Discipline) => CATALOGUE.filter(({ disciplines }) => disciplines.includes(discipline));
const USABLE: Readonly<Record<Discipline, readonly Category[]>> = {
  bass: usableIn('bass'),
  inshore: usableIn('inshore'),
};

export interface WindowOptions {
  readonly catalogue?: readonly Category[];
  /** Presentations to name. */
  readonly most?: number | undefined;
}

/** The facts of a window, in its middle, and its depth band. */
function windowGround(day: JudgedDay, window: DayWindow, units: UnitSystem, light?: number) {
  const mean = meanMoment(day.curve, window);
  return momentGround(day, light === undefined ? mean : { ...mean, light }, window.light, units);
}

const floorOf = ({ limits }: JudgedDay): number =>
  Math.min(limits.bottomM ?? Infinity, limits.thermoclineM ?? Infinity);

/** Plans one window: its holding places, then presentations that suit them, then a small set that covers the roles. */
export function planWindow(
  day: JudgedDay,
  window: DayWindow,
  index: number,
  units: UnitSystem,
  { catalogue = CATALOGUE, most = MOST_PRESENTATIONS }: WindowOptions = {},
): PlanWindow {
  const { band, facts } = windowGround(day, window, units);
  const { structures, covers, discipline, maxRods } = day.conditions;
  const places = holdingPlaces(band, structures, covers, floorOf(day), facts, units);
  const usable =
    catalogue === CATALOGUE
      ? USABLE[discipline]
      : catalogue.filter(({ disciplines }) => disciplines.includes(discipline));
  const searchLures = facts.degree('school:search:two-lures') ? 2 : 1;
  const chosen = chooseSet(weighCategories(usable, places, facts), Math.min(most, maxRods), searchLures);
  return {
    id: `w${index + 1}`,
    from: clockOf(window.fromMin),
    to: clockOf(window.toMin),
    light: window.light,
    holding: places.map(({ positions: _, ...place }) => ({ ...place, depthM: rounded(place.depthM) })),
    presentations: chosen.map((each) => presentation(each, facts, day, units)),
  };
}

/** The first choice of a window, without its reasons: for asking what would change it. */
export interface FirstChoice {
  readonly category: Category;
  readonly place: Holding;
  readonly runDepthM: readonly [number, number];
  readonly style: RetrieveStyle;
  readonly pauseS: readonly [number, number] | null;
}

/** The facts and the holding places of every window of a day. */
export const windowGrounds = (day: JudgedDay): { readonly facts: Facts; readonly places: readonly Holding[] }[] =>
  day.windows.map((window) => {
    const { band, facts } = windowGround(day, window, 'us');
    const { structures, covers } = day.conditions;
    return { facts, places: holdingPlaces(band, structures, covers, floorOf(day), facts, null) };
  });

/**
 * @param light as if so much of full sun entered the water, 0 to 1; else that of the window
 * @returns null where no category suits any place of the window
 */
export function firstChoice(day: JudgedDay, window: DayWindow, light?: number): FirstChoice | null {
  const { band, facts } = windowGround(day, window, 'us', light);
  const { structures, covers, discipline } = day.conditions;
  const places = holdingPlaces(band, structures, covers, floorOf(day), facts, null);
  const first = heaviest(USABLE[discipline], places, facts);
  if (!first) return null;
  const { category, place } = first;
  const here = facts.with({ ...placeFacts(place), [`category:${category.id}`]: 1 });
  const style = styleOf(category, here);
  return { category, place, runDepthM: runDepthM(category, place, here), style, pauseS: pauseS(style, here) };
}
