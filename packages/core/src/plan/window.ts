import type { PlanWindow, Presentation, Range, Reason } from '../contract/plan.js';
import type { CategoryId, Discipline, RetrieveStyle } from '../contract/ids.js';
import type { Moment } from '../day/curve.js';
import { tideAt } from '../day/tide.js';
import { clockOf, type DayWindow } from '../day/windows.js';
import type { GroupId } from '../rules/vocabulary.js';
import { floorOf } from '../place/groups.js';
import { factsAt, groupBands, holdingPlaces, type HoldingPlace, type SheetGroup } from '../place/place.js';
import { riseM } from '../presentation/aspects.js';
import { CATALOGUE } from '../lures/categories.js';
import type { Category } from '../lures/category.js';
import { chooseSet } from '../presentation/choose.js';
import { explain, groundsOf, weighCategories, type Grounds, type Weighed } from '../presentation/score.js';
import { approachTo } from '../technique/retrieve/approach.js';
import { styleOf } from '../lures/pace.js';
import { pauseS, retrieve } from '../technique/retrieve/retrieve.js';
import { attitudeFor } from '../technique/rig/attitude.js';
import { rigThatGetsDown, whyAbove } from '../technique/rig/gets-down.js';
import { slotOf, type Facts } from '../rules/facts.js';
import { strongest } from '../rules/rule.js';
import { foodOfLure } from '../technique/trim/food-of-lure.js';
import { trim } from '../technique/trim/trim.js';
import { inUnits, type UnitSystem } from '../units/units.js';
import type { Leaning } from './leaning.js';
import { bindSet, confidenceIn, isBound, type Bound } from './constraints.js';
import { limitsAt, meanMoment, momentGround, withoutRepeats, type JudgedDay } from './judge.js';
import { roundedDepthAboveM, roundedDepthM, roundedG, roundedMm } from '../units/rounding.js';

/** Presentations named in a window: enough roles to fish it, few enough to have tied on. */
export const MAX_PRESENTATIONS = 4;
/** Reasons shown on one piece of advice. */
const MAX_REASONS = 9;

/**
 * The depth a lure is run at over a holding place, in metres: on the bottom at the fish's depth, what hits things down
 * among them, others just above them; always within what the lure can do.
 */
export function runDepthM(
  category: Category,
  place: Pick<HoldingPlace, 'depthM' | 'position'>,
  facts: Facts,
): [number, number] {
  const [least, most] = category.runDepthM;
  if (category.positions.surface > 0.8) return [least, most];
  const [from, to] = place.depthM;
  const onBottom =
    category.positions.bottom >= 0.55 && (place.position === 'bottom' || category.positions.suspended < 0.3);
  const wanted: Range = onBottom
    ? [from, to]
    : [from - Math.min(0.3 * from, 0.5 * riseM(facts)), from + 0.65 * (to - from)];
  const clearance = facts.figure('waterOverCoverM');
  // Over the grass a lure that digs in keeps to the water above it; fish that lie deeper lie beside it.
  const over = clearance !== undefined && (from + to) / 2 < 1.6 * clearance;
  const digs = over && category.snag.grass < 0.8 && facts.degree('ground:grass') > 0;
  const deepest = clearance !== undefined && digs ? Math.min(most, Math.max(least, clearance)) : most;
  const lower = Math.min(deepest, Math.max(least, wanted[1]));
  const upper = Math.max(least, Math.min(wanted[0], lower - 0.1, deepest - 0.2));
  return [Math.min(upper, lower), lower];
}

/** The depth of a lure as the angler's record would have it: within what the lure can do. */
function leantDepthM(category: Category, run: readonly [number, number], leaning: Leaning | null, facts: Facts): Range {
  const factor = Math.exp(leaning?.depthLog(facts) ?? 0);
  if (factor === 1 || category.positions.surface > 0.8) return run;
  const [least, most] = category.runDepthM;
  const within = (depthM: number) => Math.min(most, Math.max(least, depthM * factor));
  return [within(run[0]), within(run[1])];
}

/** The class to ask for, in words, as a reason. */
function classReason(bound: Bound, run: Range, units: UnitSystem): Reason[] {
  const { form } = bound.weighed;
  if (!form.class || form.of.classes?.length === 1) return [];
  const text = `Take one ${inUnits(form.class.text, units)}`;
  const held = run[1] < form.class.reachM[0] - 0.05 ? ', held up with rod and line' : '';
  return [{ rule: `class-${form.of.id}-${form.class.id}`, text: `${text}${held}`, weight: 0.15, school: null }];
}

const LURE_SLOTS = new Map(CATALOGUE.map(({ id }) => [id, slotOf(`category:${id}`)]));

/** The facts of a lure at a place. */
export const factsOfLure = (facts: Facts, { id }: Category, place: HoldingPlace): Facts =>
  factsAt(facts, place, LURE_SLOTS.get(id) ?? slotOf(`category:${id}`));

/** @param leaning what the window leans on; the record of the day speaks whether or not the window leans on it */
function presentation(
  bound: Bound,
  grounds: Grounds,
  { units, leaning: record }: JudgedDay,
  leaning: Leaning | null,
): Presentation {
  const { weighed, role, said } = bound;
  const { category, form, place } = weighed;
  const reasons = explain(weighed, grounds, units);
  const here = factsOfLure(grounds.facts, category, place);
  const trimmed = trim(category, here, foodOfLure(category, here), units);
  const legal = category.legal
    ? [{ rule: 'legal-note', text: `Check ${category.legal} with the local authority`, weight: 0.1, school: null }]
    : [];
  const wanted = leantDepthM(category, runDepthM(category, place, here), leaning, here);
  const down = rigThatGetsDown(category, wanted, trimmed.size.weightG, here);
  const recorded = record?.reason(weighed, grounds);
  const run = roundedDepthM(down.runDepthM);
  const attitude = attitudeFor(category, here, units);
  return {
    category: category.id,
    class: form.class && { id: form.class.id, reachM: [...form.class.reachM] },
    role,
    score: bound.score,
    size: { lengthMm: roundedMm(trimmed.size.lengthMm), weightG: roundedG(down.weightG) },
    runDepthM: run,
    colour: trimmed.colour,
    blades: trimmed.blades,
    trailer: trimmed.trailer,
    sound: trimmed.sound,
    retrieve: retrieve(category, run, here, units),
    approach: approachTo(category, place, here, units),
    rig: { ...down.rig, attitude: attitude.attitude },
    because: [
      ...said,
      ...(recorded?.for ? [recorded.reason] : []),
      ...withoutRepeats(strongest([...reasons.because, ...trimmed.because])).slice(0, MAX_REASONS),
      ...classReason(bound, run, units),
      ...whyAbove(category, run, place, units),
      ...attitude.because,
      ...down.why,
    ],
    against: [
      ...(recorded && !recorded.for ? [recorded.reason] : []),
      ...reasons.against.slice(0, MAX_REASONS),
      ...legal,
    ],
  };
}

const fishedIn = (discipline: Discipline) => CATALOGUE.filter(({ disciplines }) => disciplines.includes(discipline));
const USABLE: Readonly<Record<Discipline, readonly Category[]>> = {
  bass: fishedIn('bass'),
  inshore: fishedIn('inshore'),
};
/** The lures of a discipline, in the catalogue's order. */
export const usableIn = (discipline: Discipline): readonly Category[] => USABLE[discipline];

export interface WindowOptions {
  readonly catalogue?: readonly Category[];
  /** Presentations to name. */
  readonly most?: number | undefined;
}

/** A window's facts, in its middle, and its holding places. @param units for the places' reasons, null for none */
function windowGround(day: JudgedDay, window: DayWindow, units: UnitSystem | null, light?: number) {
  const mean = meanMoment(day.curve, window);
  const { groups, facts } = momentGround(day, light === undefined ? mean : { ...mean, light }, window.light);
  const { structures, covers } = day.conditions;
  const floorM = floorOf(limitsAt(day, mean.minute));
  const places = holdingPlaces(groups, structures, covers, floorM, facts, units, day.leaning?.places(facts));
  // Rules about the whole window ask how deep the fish are in the mean.
  const holdingDepthM = places.reduce((sum, { depthM, weight }) => sum + (weight * (depthM[0] + depthM[1])) / 2, 0);
  return { places, facts: facts.with({ holdingDepthM }) };
}

/** How the fish of a window share themselves among the groups. */
export function sharesOf(places: readonly HoldingPlace[]): Map<GroupId, number> {
  const shares = new Map<GroupId, number>();
  for (const { group, weight } of places) shares.set(group, (shares.get(group) ?? 0) + weight);
  return shares;
}

/** The groups of a quarter hour over all places of the water: what the sheet draws as its wash. Shallowest first. */
export function groupsAt(day: JudgedDay, moment: Moment): SheetGroup[] {
  const window = day.windows.find(({ toMin }) => moment.minute <= toMin) ?? day.windows.at(-1);
  const { groups, facts } = momentGround(day, moment, window?.light ?? 'high');
  const { structures, covers } = day.conditions;
  return groupBands(groups, structures, covers, floorOf(limitsAt(day, moment.minute)), facts);
}

const weights = (values: readonly number[]): number[] => {
  const rounded = values.map((value) => Math.round(value * 100) / 100);
  const most = rounded.indexOf(Math.max(...rounded));
  // What rounding takes or adds goes to the greatest, so that they still sum to one.
  return rounded.map((value, index) =>
    index === most ? Math.round((value + 1 - rounded.reduce((a, b) => a + b, 0)) * 100) / 100 : value,
  );
};

/** A window with its set chosen, before anything is written out. */
export interface ChosenWindow {
  readonly window: DayWindow;
  readonly facts: Facts;
  readonly places: readonly HoldingPlace[];
  readonly grounds: Grounds;
  readonly set: readonly Bound[];
  /** Every lure that may be wanted, heaviest first. */
  readonly weighed: readonly Weighed[];
  /** What it leans on; null where the record has no say in it. */
  readonly leaning: Leaning | null;
}

/** What the angler said of a category, and what the angler's record says of it, as a log-weight on top. */
function saidOf({ conditions, leaning }: JudgedDay, grounds: Grounds): (category: Category) => number {
  const confidence = confidenceIn(conditions);
  if (!leaning) return confidence;
  const lean = leaning.lures(grounds, weighCategories(USABLE[conditions.discipline], grounds, confidence));
  return (category) => confidence(category) + (lean.get(category.id) ?? 0);
}

/**
 * The holding places of a window, then presentations that suit them, then a small set that covers the roles; as the
 * angler's record would have it where what that would fish first is likely enough to be better.
 */
export function chooseForWindow(
  day: JudgedDay,
  window: DayWindow,
  units: UnitSystem | null,
  options: WindowOptions = {},
  light?: number,
): ChosenWindow {
  const plain = choose({ ...day, leaning: null }, window, units, options, light);
  if (!day.leaning) return plain;
  const own = choose(day, window, units, options, light);
  const [first, plainFirst] = [own.set[0], plain.set[0]];
  if (!first || !plainFirst) return plain;
  return day.leaning.prefers({ ...own, weighed: first.weighed }, { ...plain, weighed: plainFirst.weighed })
    ? own
    : plain;
}

function choose(
  day: JudgedDay,
  window: DayWindow,
  units: UnitSystem | null,
  { catalogue = CATALOGUE, most = MAX_PRESENTATIONS }: WindowOptions,
  light: number | undefined,
): ChosenWindow {
  const { places, facts } = windowGround(day, window, units, light);
  const { discipline, maxRods, confidence } = day.conditions;
  const usable =
    catalogue === CATALOGUE
      ? USABLE[discipline]
      : catalogue.filter(({ disciplines }) => disciplines.includes(discipline));
  const grounds = groundsOf(places, facts);
  const weighed = weighCategories(usable, grounds, saidOf(day, grounds));
  const set = bindSet(chooseSet(weighed, Math.min(most, maxRods), sharesOf(places)), weighed, facts, confidence);
  return { window, facts, places, grounds, set, weighed, leaning: day.leaning };
}

/** A chosen window as it goes out: every place and every presentation with its reasons. */
export function tellWindow(
  day: JudgedDay,
  { window, places, grounds, set, leaning }: ChosenWindow,
  index: number,
): PlanWindow {
  const shares = weights(places.map(({ weight }) => weight));
  const middleMin = (window.fromMin + window.toMin) / 2;
  const floorM = floorOf(limitsAt(day, middleMin));
  return {
    id: `w${index + 1}`,
    from: clockOf(window.fromMin),
    to: clockOf(window.toMin),
    light: window.light,
    night: window.night,
    tide: day.tide && tideAt(day.tide, middleMin).stage,
    holding: places.map(({ structure, cover, depthM, position, because }, at) => ({
      structure,
      cover,
      depthM: roundedDepthAboveM(depthM, floorM),
      position,
      weight: shares[at] as number,
      because: [...because],
    })),
    presentations: set.map((each) => presentation(each, grounds, day, leaning)),
  };
}

/** Plans one window. */
export const planWindow = (
  day: JudgedDay,
  window: DayWindow,
  index: number,
  units: UnitSystem,
  options: WindowOptions = {},
): PlanWindow => tellWindow(day, chooseForWindow(day, window, units, options), index);

/** The first choice of a window, without its reasons: for asking what would change it. */
export interface FirstChoice {
  /** The category, in the class that is advised. */
  readonly category: Category;
  readonly classId: string | null;
  readonly place: HoldingPlace;
  readonly runDepthM: readonly [number, number];
  readonly style: RetrieveStyle;
  readonly pauseS: readonly [number, number] | null;
  /** Weighted mean depth of the fish, metres. */
  readonly fishM: number;
}

/** A lure at its place as a first choice. */
function asFirst({ category, form, place }: Bound['weighed'], facts: Facts, leaning: Leaning | null): FirstChoice {
  const here = factsOfLure(facts, category, place);
  const style = styleOf(category, here);
  return {
    category,
    classId: form.class?.id ?? null,
    place,
    runDepthM: leantDepthM(category, runDepthM(category, place, here), leaning, here),
    style,
    pauseS: pauseS(style, here),
    fishM: facts.figure('holdingDepthM') ?? 0,
  };
}

/** The first choice of a chosen window; null where nothing suits it. */
export const firstOf = ({ set, facts, leaning }: ChosenWindow): FirstChoice | null =>
  set[0] ? asFirst(set[0].weighed, facts, leaning) : null;

/** The facts and the holding places of every window of a day. */
export const windowGrounds = (day: JudgedDay): { readonly facts: Facts; readonly places: readonly HoldingPlace[] }[] =>
  day.windows.map((window) => windowGround(day, window, null));

/**
 * @param light as if so much of full sun entered the water, 0 to 1; else that of the window
 * @param likely the lure that it likely is, which is then found sooner
 * @returns null where no category suits any place of the window
 */
export function firstChoice(
  day: JudgedDay,
  window: DayWindow,
  light?: number,
  likely?: CategoryId,
): FirstChoice | null {
  const { conditions } = day;
  // What was asked for decides over the whole set; else the heaviest is its first, and the rest need not be weighed.
  if (day.leaning || isBound(day.facts, conditions.confidence)) {
    return firstOf(chooseForWindow(day, window, null, {}, light));
  }
  const { places, facts } = windowGround(day, window, null, light);
  const usable = USABLE[conditions.discipline];
  const [first] = weighCategories(usable, groundsOf(places, facts), confidenceIn(conditions), 0, likely);
  return first ? asFirst(first, facts, null) : null;
}
