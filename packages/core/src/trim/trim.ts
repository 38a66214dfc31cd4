import { BLADE_FINISHES, COLOUR_FAMILIES, TONES, type ColourFamily } from '../contract/ids.js';
import type { Blades, Presentation, Reason, Trailer } from '../contract/plan.js';
import type { Category } from '../presentation/category.js';
import type { Facts } from '../rules/facts.js';
import { fire, ranked, reasonsOf, strongest, tally } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { BLADE_PAIRS, BLADE_RULES, FAMILY_RULES, FINISH_RULES, SIZE_RULES, TONE_RULES } from './rules.js';

export interface Trim {
  readonly size: Presentation['size'];
  readonly colour: Presentation['colour'];
  readonly blades: Blades | null;
  readonly trailer: Trailer | null;
  readonly because: readonly Reason[];
}

/** Half the share of a category's size range that the advice spans. */
const SIZE_SPAN = 0.2;
/** Families named: enough to pick from in the box, few enough to mean something. */
const FAMILIES_NAMED = 2;
/** Colour, size and blades weigh less than depth, place and retrieve: their reasons are shown at this share. */
const TRIM_SHARE = 0.25;
/** The family weighs less than the tone. */
const FAMILY_SHARE = 0.6;

const SHORT_STRIKES: Reason = {
  rule: 'short-strikes-colour',
  text: 'Short strikes: the right lure, something off. Another colour first; then a trailer hook or a shorter trailer; then slower',
  weight: 0.6,
  school: null,
};

const part = ([from, to]: readonly [number, number], at: number): number => from + (to - from) * at;

function sizeOf(category: Category, facts: Facts, forageMm: readonly [number, number] | undefined) {
  let at = 0.5;
  if (forageMm) {
    const [from, to] = category.lengthMm;
    const wanted = (forageMm[0] + forageMm[1]) / 2;
    at = 0.35 + 0.3 * Math.min(1, Math.max(0, (wanted - from) / (to - from)));
  }
  for (const { rule, degree } of fire(SIZE_RULES, facts)) at += degree * rule.effect;
  at = Math.min(1 - SIZE_SPAN, Math.max(SIZE_SPAN, at));
  const span = (range: readonly [number, number]): [number, number] => [
    part(range, at - SIZE_SPAN),
    part(range, at + SIZE_SPAN),
  ];
  return { lengthMm: span(category.lengthMm), weightG: span(category.weightG) };
}

function trailerOf(category: Category, facts: Facts): Trailer | null {
  if (!category.trailer) return null;
  const kicking = facts.degree('school:cold-trailer:kicking') > 0;
  const tucked =
    facts.degree('school:claws:tucked') > 0 &&
    category.schools?.includes('claws') &&
    (facts.figure('surfaceTempC') ?? 15) < 18;
  const dirty = (facts.figure('effectiveVisibilityM') ?? 1) < 0.6;
  const slim =
    !dirty &&
    ((facts.figure('surfaceTempC') ?? 15) < 13 ||
      facts.degree('front:post-frontal') > 0.5 ||
      (facts.figure('effectiveVisibilityM') ?? 1) > 2);
  return { action: kicking && !tucked ? 'kicking' : 'still', bulk: slim ? 'slim' : 'full' };
}

/**
 * Size, colour, blades and trailer of a category for these facts (season, water, food, light and holding place in).
 * @param forageMm length of the forage it stands for, where one is known
 */
export function trim(
  category: Category,
  facts: Facts,
  forageMm: readonly [number, number] | undefined,
  units: UnitSystem,
): Trim {
  const toneRules = fire(TONE_RULES, facts);
  const tones = ranked(TONES, tally(toneRules));
  // Short strikes: the right lure with something off. Colour is what is changed first, and alone.
  const shy = facts.degree('feedback:short-strikes') >= 0.5;
  const tone = tones[shy ? 1 : 0] ?? 'natural';
  const families: readonly ColourFamily[] = COLOUR_FAMILIES.filter((family) => category.families.includes(family));
  const familyRules = fire(FAMILY_RULES, facts.with({ [`tone:${tone}`]: 1 }));
  const named = ranked(families, tally(familyRules)).slice(0, FAMILIES_NAMED);
  const [family] = named;
  const reasons = [
    ...reasonsOf(toneRules, (votes, degree) => TRIM_SHARE * degree * (votes[tone] ?? 0), units),
    ...reasonsOf(
      familyRules.filter(({ rule }) => rule.id !== `family-${tone}`),
      (votes, degree) => TRIM_SHARE * FAMILY_SHARE * degree * (family ? (votes[family] ?? 0) : 0),
      units,
    ),
  ];
  if (shy) reasons.push(SHORT_STRIKES);
  let blades: Blades | null = null;
  if (category.blades) {
    const shapeRules = fire(BLADE_RULES, facts);
    const pair = ranked(Object.keys(BLADE_PAIRS) as (keyof typeof BLADE_PAIRS)[], tally(shapeRules))[0] ?? 'round-long';
    const finish = ranked(BLADE_FINISHES, tally(fire(FINISH_RULES, facts)))[0] ?? 'silver';
    blades = { shapes: [...BLADE_PAIRS[pair]], finish };
    reasons.push(...reasonsOf(shapeRules, (votes, degree) => TRIM_SHARE * degree * (votes[pair] ?? 0), units));
  }
  return {
    size: sizeOf(category, facts, forageMm),
    colour: { tone, families: named },
    blades,
    trailer: trailerOf(category, facts),
    because: strongest(reasons, 0.1),
  };
}
