import type { Holding, Reason } from '../contract/plan.js';
import { placeFacts } from '../place/place.js';
import { runsWithin } from '../rig/reach.js';
import type { Facts } from '../rules/facts.js';
import { mentions } from '../rules/fuzzy.js';
import { fire, reasonOf, strongest, type Fired, type Rule } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import {
  ASPECT_INDEX,
  aspectsOfItself,
  aspectsWith,
  passesCover,
  reachesDepth,
  riseM,
  waterFigures,
  waterFit,
  type Aspects,
  type Fit,
  type WaterFigures,
} from './aspects.js';
import type { Category } from './category.js';
import { ASPECTS, PRESENTATION_RULES, type Aspect, type AspectWeights } from './rules.js';

/** A category weighed for one window: how much, and at which place it does best. */
export interface Weighed {
  readonly category: Category;
  readonly logWeight: number;
  /** Share of the total over all categories, 0 to 1. */
  readonly score: number;
  readonly place: Holding;
  readonly fit: Fit;
  /** The rules that held at that place. */
  readonly fired: readonly Fired<AspectWeights>[];
}

/** Scores spread over categories like a softmax at this temperature, so that the first is ahead but not alone. */
const SOFTNESS = 1.5;
/** Under these a category is out, whatever else speaks for it. */
const LEAST_REACH = 0.25;
/** Over such a span above it a category fades in, so that no little change of depth brings one in at its full weight. */
const REACH_FADES_OVER = 0.35;
const LEAST_PASSAGE = 0.15;
/** Reasons that weigh less are not worth reading. */
const LEAST_REASON = 0.1;

/** Against these a rule speaks only to what has them: not being a surface lure is no merit worth naming. */
const UNCENTRED: ReadonlySet<string> = new Set<Aspect>([
  'surface',
  'suspended',
  'bottom',
  'treble',
  'vertical',
  'madeForMats',
]);

const TEMPERATURE = ASPECT_INDEX.suitsTemperature;
const VISIBILITY = ASPECT_INDEX.suitsVisibility;
const DEPTH = ASPECT_INDEX.reachesDepth;
const COVER = ASPECT_INDEX.passesCover;

/** Facts that differ from place to place; rules that mention none of them hold alike everywhere. */
const LOCAL_FACT = /^(structure|cover|ground|position):|^holdingDepthM$/;
const LOCAL_RULES = PRESENTATION_RULES.filter(({ when }) => mentions(when, LOCAL_FACT));
const ANYWHERE_RULES = PRESENTATION_RULES.filter(({ when }) => !mentions(when, LOCAL_FACT));

/** An effect made ready to be walked: which aspect, its slope, and the constant that centres it. */
interface Term {
  readonly index: number;
  readonly slope: number;
  readonly constant: number;
}

/** Fitting the day is expected and little praised; failing to fit weighs in full against. */
const FIT_CENTRE = 1.95;
/** Passing three quarters freely is neither praise nor fault. */
const PASSAGE_CENTRE = 1.5;

function centreOf(aspect: Aspect, weight: number): number {
  if (aspect === 'passesCover') return PASSAGE_CENTRE;
  if (aspect === 'suitsTemperature' || aspect === 'suitsVisibility' || aspect === 'reachesDepth') return FIT_CENTRE;
  return weight < 0 && UNCENTRED.has(aspect) ? 0 : 1;
}

const termsOf = new WeakMap<Rule<AspectWeights>, readonly Term[]>();

function terms(rule: Rule<AspectWeights>): readonly Term[] {
  let ready = termsOf.get(rule);
  if (!ready) {
    ready = Object.entries(rule.effect).map(([aspect, weight]) => ({
      index: ASPECT_INDEX[aspect as Aspect],
      slope: 2 * weight,
      constant: -weight * centreOf(aspect as Aspect, weight),
    }));
    termsOf.set(rule, ready);
  }
  return ready;
}

/**
 * The log-weight one rule lends to something with these aspects: each weight times the aspect, centred on the middle.
 * Where the centre lies is the same for all categories, so it moves only what counts as a reason, never the order.
 */
export function contribution({ rule, degree }: Fired<AspectWeights>, aspects: Aspects): number {
  let sum = 0;
  for (const { index, slope, constant } of terms(rule)) sum += slope * (aspects[index] as number) + constant;
  return degree * sum;
}

/** All rules that hold at a place as one sum, log-weight = constant + slopes . aspects: rules are linear in aspects. */
function summed(fired: readonly Fired<AspectWeights>[]): { slopes: Float64Array; constant: number } {
  const slopes = new Float64Array(ASPECTS.length);
  let constant = 0;
  for (const { rule, degree } of fired) {
    for (const term of terms(rule)) {
      slopes[term.index] = (slopes[term.index] as number) + degree * term.slope;
      constant += degree * term.constant;
    }
  }
  return { slopes, constant };
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let index = 0; index < a.length; index++) sum += (a[index] as number) * (b[index] as number);
  return sum;
}

/** The rules that hold at each place; those that do not look at the place are asked once for all. */
function groundsOf(places: readonly Holding[], facts: Facts) {
  const everywhere = fire(ANYWHERE_RULES, facts);
  return places.map((place) => {
    const here: Facts = facts.with(placeFacts(place));
    const fired = [...everywhere, ...fire(LOCAL_RULES, here)];
    const { slopes, constant } = summed(fired);
    return { place, fired, slopes, constant: constant + Math.log(place.weight), rise: riseM(here) };
  });
}

type Ground = ReturnType<typeof groundsOf>[number];

/** One category over all places: its log-weight, and the place at which it does best; null where it suits none. */
function weighOne(category: Category, grounds: readonly Ground[], figures: WaterFigures) {
  const itself = aspectsOfItself(category);
  const { suitsTemperature, suitsVisibility } = waterFit(category, figures);
  const runM = runsWithin(category, figures.facts);
  let best: Ground | undefined;
  let bestWeight = -Infinity;
  let total = 0;
  for (const ground of grounds) {
    const reach = reachesDepth(category, runM, ground.place, ground.rise);
    if (reach <= LEAST_REACH) continue;
    const passage = passesCover(category, ground.place, figures.clearanceM);
    if (passage < LEAST_PASSAGE) continue;
    const logWeight =
      ground.constant +
      dot(ground.slopes, itself) +
      (ground.slopes[TEMPERATURE] as number) * suitsTemperature +
      (ground.slopes[VISIBILITY] as number) * suitsVisibility +
      (ground.slopes[DEPTH] as number) * reach +
      (ground.slopes[COVER] as number) * passage +
      Math.log(Math.min(1, (reach - LEAST_REACH) / REACH_FADES_OVER));
    total += Math.exp(logWeight);
    if (logWeight > bestWeight) [best, bestWeight] = [ground, logWeight];
  }
  return best ? { category, ground: best, logWeight: Math.log(total) } : null;
}

/**
 * Weighs every category over the holding places of a window. At each place the rules that hold add up as log-weights on
 * aspects; places combine by their own weights. Most first; equal weights keep the catalogue's order.
 */
export function weighCategories(catalogue: readonly Category[], places: readonly Holding[], facts: Facts): Weighed[] {
  const grounds = groundsOf(places, facts);
  const figures = waterFigures(facts);
  const weighed = catalogue.flatMap((category) => weighOne(category, grounds, figures) ?? []);
  const top = weighed.reduce((most, { logWeight }) => Math.max(most, logWeight), -Infinity);
  const total = weighed.reduce((sum, { logWeight }) => sum + Math.exp((logWeight - top) / SOFTNESS), 0);
  return weighed
    .sort((a, b) => b.logWeight - a.logWeight)
    .map(({ category, ground: { place, fired, rise }, logWeight }) => ({
      category,
      place,
      fired,
      logWeight,
      score: Math.exp((logWeight - top) / SOFTNESS) / total,
      fit: {
        ...waterFit(category, figures),
        reachesDepth: reachesDepth(category, runsWithin(category, facts), place, rise),
        passesCover: passesCover(category, place, figures.clearanceM),
      },
    }));
}

/** The category of most weight and the place at which it does best; null where none suits any place. */
export function heaviest(
  catalogue: readonly Category[],
  places: readonly Holding[],
  facts: Facts,
): { readonly category: Category; readonly place: Holding } | null {
  const grounds = groundsOf(places, facts);
  const figures = waterFigures(facts);
  let most: ReturnType<typeof weighOne> = null;
  for (const category of catalogue) {
    const each = weighOne(category, grounds, figures);
    if (each && (!most || each.logWeight > most.logWeight)) most = each;
  }
  return most && { category: most.category, place: most.ground.place };
}

/** Why a category stands where it does: reasons for and against, strongest first. */
export function explain(
  { category, fit, fired }: Pick<Weighed, 'category' | 'fit' | 'fired'>,
  units: UnitSystem,
): { because: Reason[]; against: Reason[] } {
  const aspects = aspectsWith(category, fit);
  const weights = fired.map((each) => ({ rule: each.rule, weight: contribution(each, aspects) }));
  const reasons = (kept: typeof weights) =>
    strongest(
      kept.map(({ rule, weight }) => reasonOf(rule, weight, units)),
      LEAST_REASON,
    );
  return {
    because: reasons(weights.filter(({ weight }) => weight > 0)),
    against: reasons(weights.filter(({ rule, weight }) => weight < 0 && rule.against)),
  };
}
