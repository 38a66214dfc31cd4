import type { CategoryId } from '../contract/ids.js';
import type { Reason } from '../contract/plan.js';
import { factsAt, type HoldingPlace } from '../place/place.js';
import { COVER_GROUND } from '../place/places.js';
import { GROUNDS, type Ground } from '../rules/vocabulary.js';
import { runsWithin } from '../lures/reach.js';
import type { Facts } from '../rules/facts.js';
import { mentions, type Judge } from '../rules/fuzzy.js';
import { holds, judgeOfRule, reasonOf, strongest } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import {
  answersOf,
  atTheirLevel,
  eatenIn,
  looksLikeFood,
  passageThrough,
  passesCover,
  reach,
  riseFor,
  riseM,
  runsOver,
  waterFit,
  type Eaten,
  type WaterFit,
} from './aspects.js';
import type { Category } from '../lures/category.js';
import { formsOf, type LureForm } from '../lures/forms.js';
import { occasionsOf, type Occasion } from './occasions/index.js';
import { idealsOf, lossAt, QUESTIONS, type Ideal } from './questions.js';

/** A lure weighed for one window: how much, and at which place it does best. */
export interface Weighed {
  /** The category in the class that does best. */
  readonly category: Category;
  readonly form: LureForm;
  readonly logWeight: number;
  /** Share of the total over all categories, 0 to 1. */
  readonly score: number;
  readonly place: HoldingPlace;
}

/** Scores spread over categories like a softmax at this temperature, so that the first is ahead but not alone. */
const SOFTNESS = 1.1;

/** Log-weights of the plain questions. Judgement. */
export const TEMPERATURE_WEIGHT = 0.9;
export const VISIBILITY_WEIGHT = 0.8;
export const FOOD_WEIGHT = 1.7;
/** A lure that passes for food so far is neither praised nor blamed. */
export const FOOD_CENTRE = 0.45;
const LEVEL_WEIGHT = 0.9;
const COVER_WEIGHT = 1.1;
/** Passing so freely is neither praise nor fault. */
const COVER_CENTRE = 0.75;
/** Passing as freely as can be gains no more than this. */
const MAX_PASSAGE = 0.25;
/** Under this a lure is not fished in a cover. */
const MIN_PASSAGE = 0.12;
/** Not suiting the water at all is as bad as this share of suiting it. */
const MIN_FIT = 0.03;
export const logFit = (fit: number): number => Math.log(MIN_FIT + (1 - MIN_FIT) * fit);
/** Where it hits and glances off, a lure that lives by that gains. */
const DEFLECT_WEIGHT = 0.5;

/** So far behind the first, in log-weight, a lure is not wanted in any set. */
const SPAN = 8;

/** Facts that differ from place to place; occasions that mention none of them hold alike everywhere. */
const LOCAL_FACT = /^(structure|cover|ground|position|group):|^holdingDepthM$|^waterOverCoverM$/;

/** An occasion made ready to be asked. */
interface ReadyOccasion {
  readonly judge: Judge;
  readonly effect: number;
  /** The most that it can weigh, whichever way. */
  readonly most: number;
}
/** Those of a category, what can weigh most first. */
interface SplitOccasions {
  readonly everywhere: readonly ReadyOccasion[];
  readonly here: readonly ReadyOccasion[];
}
function split(occasions: readonly Occasion[] = []): SplitOccasions {
  const asked = (local: boolean) =>
    occasions
      .filter(({ when }) => mentions(when, LOCAL_FACT) === local)
      .map((rule) => ({ judge: judgeOfRule(rule), effect: rule.effect, most: Math.abs(rule.effect) }))
      .sort((a, b) => b.most - a.most);
  return { everywhere: asked(false), here: asked(true) };
}

const mostOf = (occasions: readonly ReadyOccasion[]): number => Math.max(0, ...occasions.map(({ effect }) => effect));

/** What a passage through cover is worth, as a factor; 0 where it does not come through. */
const passageFactor = (passage: number): number =>
  passage < MIN_PASSAGE ? 0 : Math.exp(COVER_WEIGHT * Math.min(MAX_PASSAGE, Math.log(passage / COVER_CENTRE)));

/** What of a category is the same in any water, worked out once. */
interface ReadyCategory {
  readonly suits: SplitOccasions;
  readonly spoils: SplitOccasions;
  readonly excludes: SplitOccasions;
  /** The most that its occasions can lend it, as a log-weight, and of that those that look at the place. */
  readonly gain: number;
  readonly gainHere: number;
  /** The most that the cover of a place can lend it, as a log-weight. */
  readonly ease: number;
  /** What its passage is worth through every ground, and over it. */
  readonly through: Readonly<Record<Ground, number>>;
  readonly over: Readonly<Record<Ground, number>>;
}
const readies = new WeakMap<Category, ReadyCategory>();

function readyOf(category: Category): ReadyCategory {
  let known = readies.get(category);
  if (!known) {
    const occasions = occasionsOf(category);
    const suits = split(occasions.suits);
    const gainHere = mostOf(suits.here);
    const passage = (over: boolean) =>
      Object.fromEntries(
        GROUNDS.map((ground) => [ground, passageFactor(passageThrough(category, ground, over))]),
      ) as Record<Ground, number>;
    known = {
      suits,
      spoils: split(occasions.spoils),
      excludes: split(occasions.excludes),
      gain: Math.max(gainHere, mostOf(suits.everywhere)),
      gainHere,
      ease: DEFLECT_WEIGHT * Math.max(0, category.traits.deflects - 0.4) + COVER_WEIGHT * MAX_PASSAGE,
      through: passage(false),
      over: passage(true),
    };
    readies.set(category, known);
  }
  return known;
}

/** The strongest of several occasions, by degree times weight; one voice, so the others add nothing. */
function voice(occasions: readonly ReadyOccasion[], facts: Facts): number {
  let strongest = 0;
  let weighs = 0;
  for (const { judge, effect, most } of occasions) {
    // None of those that are left can be louder.
    if (most <= weighs) break;
    const weight = judge(facts) * effect;
    if (Math.abs(weight) > weighs) [strongest, weighs] = [weight, Math.abs(weight)];
  }
  return strongest;
}

const louder = (a: number, b: number): number => (Math.abs(a) >= Math.abs(b) ? a : b);

/** A place with its facts, the ground that its cover is, and whether that is hard: rock or wood. */
interface PlaceGround {
  readonly place: HoldingPlace;
  readonly here: Facts;
  readonly ground: Ground;
  readonly hard: boolean;
}

/** What holds at each place, and what holds over the whole window. */
export interface Grounds {
  readonly facts: Facts;
  readonly ideals: readonly Ideal[];
  readonly eaten: readonly Eaten[];
  readonly clearanceM: number | undefined;
  readonly sightM: number;
  readonly rise: number;
  readonly places: readonly PlaceGround[];
}

export const groundsOf = (places: readonly HoldingPlace[], facts: Facts): Grounds => ({
  facts,
  ideals: idealsOf(facts),
  eaten: eatenIn(facts),
  clearanceM: facts.figure('waterOverCoverM'),
  sightM: facts.figure('sightM') ?? 1,
  rise: riseM(facts),
  places: places.map((place) => {
    const ground = COVER_GROUND[place.cover];
    return { place, here: factsAt(facts, place), ground, hard: ground === 'rock' || ground === 'wood' };
  }),
});

/** What the occasions of a category that hold alike everywhere make of its worth. */
interface Everywhere {
  /** What exclusion leaves, 0 to 1. */
  readonly left: number;
  readonly gain: number;
  readonly loss: number;
}

function everywhereOf({ suits, spoils, excludes }: ReadyCategory, facts: Facts): Everywhere {
  const left = 1 - Math.abs(voice(excludes.everywhere, facts));
  if (left <= 0) return { left: 0, gain: 0, loss: 0 };
  return { left, gain: voice(suits.everywhere, facts), loss: voice(spoils.everywhere, facts) };
}

/** What all occasions of a category make of its worth at every place, as factors: gains, losses, what exclusion leaves. */
function factorsOf(
  { suits, spoils, excludes }: ReadyCategory,
  { left, gain, loss }: Everywhere,
  { places }: Grounds,
): readonly number[] {
  return places.map(({ here }) => {
    const stays = left * (1 - Math.abs(voice(excludes.here, here)));
    return stays <= 0
      ? 0
      : stays * Math.exp(louder(gain, voice(suits.here, here)) + louder(loss, voice(spoils.here, here)));
  });
}

/** What a lure gains or loses over the whole window, wherever it is fished. */
function overall(category: Category, { facts, ideals, eaten }: Grounds): number {
  const { suitsTemperature, suitsVisibility } = waterFit(category, facts);
  const answers = answersOf(category);
  let sum =
    TEMPERATURE_WEIGHT * logFit(suitsTemperature) +
    VISIBILITY_WEIGHT * logFit(suitsVisibility) +
    FOOD_WEIGHT * (looksLikeFood(category, eaten).degree - FOOD_CENTRE);
  for (const ideal of ideals) sum += lossAt(ideal, answers[ideal.question]);
  return sum;
}

/** How far a lure is where they are in the water, as a factor. */
const levelFactor = (category: Category, { place }: PlaceGround): number =>
  (0.2 + 0.8 * Math.min(1, atTheirLevel(category, place))) ** LEVEL_WEIGHT;

/** What a lure makes of the hard things that it glances off, as a factor. */
const glanceFactor = ({ traits }: Category, { place, hard }: PlaceGround): number =>
  hard ? Math.exp(DEFLECT_WEIGHT * (traits.deflects - 0.4) * place.positions.bottom) : 1;

/** A form with what it is worth at each place before its occasions speak. */
interface PlainForm {
  readonly form: LureForm;
  readonly worths: readonly number[];
}

/** A category before it is known where it could be fished, and the most that it could weigh there. */
interface Contender {
  readonly category: Category;
  readonly ready: ReadyCategory;
  readonly index: number;
  readonly overall: number;
  readonly most: number;
}

interface FormsAt {
  readonly forms: readonly PlainForm[];
  readonly greatest: number;
}

/** The forms of a category with their plain worths, and the greatest of these over all places; null where none is. */
function formsAt({ category, ready }: Contender, grounds: Grounds): FormsAt | null {
  let greatest = 0;
  const forms: PlainForm[] = [];
  const { places } = grounds;
  // All forms of a category are met alike; what none of them reaches is not asked for more.
  const rises = places.map(({ place }) => riseFor(category, place, grounds.rise, grounds.sightM));
  const levels = places.map(() => Number.NaN);
  for (const form of formsOf(category)) {
    const runM = runsWithin(form.category, grounds.facts);
    const passages = runsOver(form.category, grounds.clearanceM) ? ready.over : ready.through;
    const worths: number[] = [];
    let total = 0;
    for (let index = 0; index < places.length; index++) {
      const at = places[index] as PlaceGround;
      const passage = passages[at.ground];
      const covered = passage === 0 ? 0 : reach(runM, at.place.depthM, rises[index] as number);
      if (covered === 0) {
        worths.push(0);
        continue;
      }
      if (Number.isNaN(levels[index])) levels[index] = levelFactor(category, at);
      const worth = at.place.weight * covered * passage * (levels[index] as number) * glanceFactor(category, at);
      worths.push(worth);
      total += worth;
    }
    if (total > 0) forms.push({ form, worths });
    if (total > greatest) greatest = total;
  }
  return greatest === 0 ? null : { forms, greatest };
}

/**
 * A category in the class that does best, its occasions heard; null where they exclude it everywhere, or where what holds
 * alike everywhere leaves it under `least`, whatever the places lend it.
 * @param greatest of its plain worths over all places
 * @param least log-weight that is still wanted
 */
function heard(
  { ready, overall: own, index }: Contender,
  { forms, greatest }: FormsAt,
  grounds: Grounds,
  least: number,
) {
  const everywhere = everywhereOf(ready, grounds.facts);
  const most = Math.max(everywhere.gain, ready.gainHere) + Math.min(0, everywhere.loss);
  if (own + Math.log(everywhere.left * greatest) + most < least) return null;
  const factors = factorsOf(ready, everywhere, grounds);
  let best: LureForm | undefined;
  let place: HoldingPlace | undefined;
  let heaviest = 0;
  for (const { form, worths } of forms) {
    let total = 0;
    let most = 0;
    let at: HoldingPlace | undefined;
    for (let each = 0; each < factors.length; each++) {
      const worth = (factors[each] as number) * (worths[each] as number);
      total += worth;
      if (worth > most) [most, at] = [worth, grounds.places[each]?.place];
    }
    if (total > heaviest) [heaviest, best, place] = [total, form, at];
  }
  return best && place ? { form: best, place, logWeight: own + Math.log(heaviest), index } : null;
}

/** The share of the fish of one place that a lure reaches, 0 to 1. */
export const reachAt = (category: Category, place: HoldingPlace, grounds: Grounds): number =>
  reach(runsWithin(category, grounds.facts), place.depthM, riseFor(category, place, grounds.rise, grounds.sightM));

/** The share of all fish of the window that a lure reaches, 0 to 1. */
export const coverage = ({ category }: LureForm, grounds: Grounds): number =>
  grounds.places.reduce((sum, { place }) => sum + place.weight * reachAt(category, place, grounds), 0);

/**
 * Weighs the categories over the holding places of a window, most first; equal weights keep the catalogue's order. Each
 * question speaks once; a lure counts by the share of the fish that it covers, in the class that covers most. Those that
 * even their best occasion could not bring within `span` of the first are left out, their occasions unheard.
 * @param said what the angler said of a category, as a log-weight on top
 * @param span how far behind the first a lure is still wanted, as a log-weight
 * @param likely the lure that is likely the first: weighed before the others, it spares most of them
 */
export function weighCategories(
  catalogue: readonly Category[],
  grounds: Grounds,
  said: (category: Category) => number = () => 0,
  span = SPAN,
  likely?: CategoryId,
): Weighed[] {
  const contenders = catalogue
    .map((category, index): Contender => {
      const own = overall(category, grounds) + said(category);
      const ready = readyOf(category);
      return { category, ready, index, overall: own, most: own + ready.gain + ready.ease };
    })
    .sort((a, b) => b.most - a.most);
  const at = contenders.findIndex(({ category }) => category.id === likely);
  if (at > 0) contenders.unshift(...contenders.splice(at, 1));
  let weighed: NonNullable<ReturnType<typeof heard>>[] = [];
  let top = -Infinity;
  for (const each of contenders) {
    // None of those that are left can come so far.
    if (each.most < top - span) break;
    const found = formsAt(each, grounds);
    if (!found || each.overall + each.ready.gain + Math.log(found.greatest) < top - span) continue;
    const one = heard(each, found, grounds, top - span);
    if (!one) continue;
    weighed.push(one);
    top = Math.max(top, one.logWeight);
  }
  weighed = weighed.filter(({ logWeight }) => logWeight >= top - span);
  const total = weighed.reduce((sum, { logWeight }) => sum + Math.exp((logWeight - top) / SOFTNESS), 0);
  return weighed
    .sort((a, b) => b.logWeight - a.logWeight || a.index - b.index)
    .map(({ form, place, logWeight }) => ({
      category: form.category,
      form,
      place,
      logWeight,
      score: Math.exp((logWeight - top) / SOFTNESS) / total,
    }));
}

/** Reasons that weigh less are not worth reading; occasions that do are not even told of. */
const MIN_REASON = 0.1;
const MIN_SPOKEN = 0.05;
/** A loss of so little at a question is praise for the lure. */
const MEETS_IDEAL = 0.06;

/** What a question says of a lure: praise where it meets the ideal point, blame by what it loses. */
function reasonAt(ideal: Ideal, category: Category, units: UnitSystem): { reason: Reason; for: boolean } | null {
  const { question, at, up, down } = ideal;
  const answer = answersOf(category)[question];
  const loss = -lossAt(ideal, answer);
  const mover = [up, down]
    .filter((each) => each !== null)
    .sort((a, b) => Math.abs(b.degree * b.rule.effect.shift) - Math.abs(a.degree * a.rule.effect.shift))[0];
  const { text, against } = QUESTIONS[question];
  if (loss < MEETS_IDEAL) {
    // What moved the ideal point its way is why it stands where it does.
    const weight = mover ? 0.2 + Math.abs(mover.degree * mover.rule.effect.shift) : 0.12;
    return { for: true, reason: reasonOf(mover?.rule ?? { id: `question-${question}`, text }, weight, units) };
  }
  if (loss < MIN_REASON) return null;
  const tooMuch = answer[0] > at;
  const voiced = tooMuch ? down : up;
  return {
    for: false,
    reason: reasonOf(
      voiced?.rule.against
        ? voiced.rule
        : { id: `question-${question}`, text: against[tooMuch ? 'tooMuch' : 'tooLittle'] },
      voiced?.rule.against ? -loss : loss,
      units,
    ),
  };
}

/** Why a lure stands where it does: reasons for and against, strongest first. */
export function explain(
  { category, form, place }: Pick<Weighed, 'category' | 'form' | 'place'>,
  grounds: Grounds,
  units: UnitSystem,
): { because: Reason[]; against: Reason[] } {
  const { facts } = grounds;
  const here = factsAt(facts, place);
  const because: Reason[] = [];
  const against: Reason[] = [];
  const add = (id: string, text: string, weight: number) =>
    (weight > 0 ? because : against).push(reasonOf({ id, text }, Math.abs(weight), units));
  const { suits, spoils = [] } = occasionsOf(category);
  /** The first speaks; the others are told beside it at a small weight. */
  const spoken = (occasions: readonly Occasion[]): Reason[] => {
    const heard: { rule: Occasion; weight: number }[] = [];
    for (const rule of occasions) {
      const weight = holds(rule, here) * rule.effect;
      if (Math.abs(weight) >= MIN_SPOKEN) heard.push({ rule, weight });
    }
    return heard
      .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight))
      .map(({ rule, weight }, index) => reasonOf(rule, index ? 0.25 * weight : weight, units));
  };
  because.push(...spoken(suits));
  against.push(...spoken(spoils));
  for (const ideal of grounds.ideals) {
    const found = reasonAt(ideal, category, units);
    if (found) (found.for ? because : against).push(found.reason);
  }
  const food = looksLikeFood(category, grounds.eaten);
  const foodWeight = FOOD_WEIGHT * (food.degree - FOOD_CENTRE);
  if (foodWeight > 0 && food.kind) add(`passes-for-${food.kind}`, FOOD_WORDS[food.kind], foodWeight);
  if (foodWeight < -0.3) add('not-their-food', 'It does not pass for what they eat now', foodWeight);
  const { suitsTemperature, suitsVisibility }: WaterFit = waterFit(category, facts);
  if (suitsTemperature < 0.6) add('its-temperature', 'Out of its water temperature', logFit(suitsTemperature));
  if (suitsVisibility < 0.6) add('its-visibility', 'Not the visibility for it', logFit(suitsVisibility));
  const covers = coverage(form, grounds);
  if (covers > 0.4)
    add(
      'reaches-the-fish',
      covers > 0.75 ? 'It runs where most of them hold' : 'It runs where many of them hold',
      0.5 * covers,
    );
  if (covers < 0.2) add('reaches-few', 'It reaches only a few of them', -0.5);
  const passage = passesCover(category, place, grounds.clearanceM);
  if (passage < 0.5)
    add('passes-the-cover', 'It can catch in this cover', COVER_WEIGHT * Math.log(passage / COVER_CENTRE));
  return { because: strongest(because, MIN_REASON), against: strongest(against, MIN_REASON) };
}

const FOOD_WORDS = {
  shad: 'Shad are what they eat now, and it passes for one',
  herring: 'Herring are what they eat now, and it passes for one',
  mullet: 'It passes for a mullet',
  menhaden: 'It passes for a menhaden',
  pinfish: 'It passes for a pinfish',
  crayfish: 'Crayfish are about, and it passes for one',
  sunfish: 'Sunfish are on the menu, and it passes for one',
  shrimp: 'Shrimp are about, and it passes for one',
  crab: 'Crabs are about, and it passes for one',
} as const;
