import { factsAt, type HoldingPlace } from '../place/place.js';
import { holds } from '../rules/rule.js';
import type { Category } from '../lures/category.js';
import { answersOf, looksLikeFood, waterFit } from './aspects.js';
import { occasionsOf, type Occasion } from './occasions/index.js';
import { lossAt, type Ideal } from './questions.js';
import { FOOD_CENTRE, FOOD_WEIGHT, logFit, TEMPERATURE_WEIGHT, VISIBILITY_WEIGHT, type Grounds } from './score.js';

/** What one rule makes of a lure: its id, and the log-weight that would be missing without it. */
export interface Voice {
  readonly rule: string;
  readonly logWeight: number;
}

/** Less than this is no voice. */
const SILENT = 0.02;

/** The loudest of several occasions: the others add nothing beside it. */
function loudest(occasions: readonly Occasion[], at: Parameters<typeof holds>[1]): Voice | null {
  let found: Voice | null = null;
  for (const rule of occasions) {
    const logWeight = holds(rule, at) * rule.effect;
    if (Math.abs(logWeight) > Math.abs(found?.logWeight ?? SILENT)) found = { rule: rule.id, logWeight };
  }
  return found;
}

/** What the two rules that moved an ideal point make of a lure: what it loses there, less what it would without each. */
function voicesOfIdeal(ideal: Ideal, category: Category): Voice[] {
  const answer = answersOf(category)[ideal.question];
  const loss = lossAt(ideal, answer);
  return [ideal.up, ideal.down].flatMap((mover) => {
    if (!mover) return [];
    const at = Math.min(1, Math.max(0, ideal.at - mover.degree * mover.rule.effect.shift));
    return { rule: mover.rule.id, logWeight: loss - lossAt({ ...ideal, at }, answer) };
  });
}

/**
 * Every rule that speaks of a lure at a place, with its share of the lure's log-weight: what would change if its weight
 * were another, in the first order. What says next to nothing is left out.
 */
export function voicesOn(category: Category, place: HoldingPlace, grounds: Grounds): readonly Voice[] {
  const here = factsAt(grounds.facts, place);
  const { suits, spoils = [] } = occasionsOf(category);
  const { suitsTemperature, suitsVisibility } = waterFit(category, grounds.facts);
  const food = FOOD_WEIGHT * (looksLikeFood(category, grounds.eaten).degree - FOOD_CENTRE);
  const spoken = [
    loudest(suits, here),
    loudest(spoils, here),
    ...grounds.ideals.flatMap((ideal) => voicesOfIdeal(ideal, category)),
    { rule: 'its-temperature', logWeight: TEMPERATURE_WEIGHT * logFit(suitsTemperature) },
    { rule: 'its-visibility', logWeight: VISIBILITY_WEIGHT * logFit(suitsVisibility) },
    { rule: 'passes-for-food', logWeight: food },
  ];
  return spoken.filter((voice): voice is Voice => voice !== null && Math.abs(voice.logWeight) >= SILENT);
}
