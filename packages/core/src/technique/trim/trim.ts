import {
  BLADE_FINISHES,
  COLOUR_FAMILIES,
  TONES,
  type ColourFamily,
  type ForageKind,
  type Sound,
  type Tone,
} from '../../contract/ids.js';
import type { Blades, Presentation, Reason, Trailer } from '../../contract/plan.js';
import type { Category } from '../../lures/category.js';
import { slotOf, type Facts } from '../../rules/facts.js';
import { fire, ranked, reasonsOf, strongest, tally } from '../../rules/rule.js';
import type { UnitSystem } from '../../units/units.js';
import {
  BLADE_PAIRS,
  BLADE_RULES,
  FAMILY_RULES,
  FINISH_RULES,
  SIZE_RULES,
  SOUND_RULES,
  TONE_RULES,
  type BladePair,
} from './rules.js';

export interface Trim {
  readonly size: Presentation['size'];
  readonly colour: Presentation['colour'];
  readonly blades: Blades | null;
  readonly trailer: Trailer | null;
  readonly sound: Sound | null;
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

const part = ([from, to]: readonly [number, number], at: number): number => from + (to - from) * at;

/** Of the size of the bait, or so much larger where that is the school. */
const LARGER_THAN_BAIT = 1.25;
/** How closely a lure that passes for the food keeps to its length, against the other rules of size. */
const FOLLOWS_BAIT = 0.8;

function sizeOf(category: Category, facts: Facts, food: ForageKind | null) {
  let at = 0.5;
  const forageMm = facts.figure('forageLengthMm');
  if (forageMm !== undefined && food && FISH.has(food)) {
    const [from, to] = category.lengthMm;
    const wanted = forageMm * (facts.degree('school:forage-size:larger') ? LARGER_THAN_BAIT : 1);
    const matched = Math.min(1, Math.max(0, (wanted - from) / (to - from)));
    at = (1 - FOLLOWS_BAIT) * at + FOLLOWS_BAIT * matched;
  }
  for (const { rule, degree } of fire(SIZE_RULES, facts)) at += degree * rule.effect;
  at = Math.min(1 - SIZE_SPAN, Math.max(SIZE_SPAN, at));
  const span = (range: readonly [number, number]): [number, number] => [
    part(range, at - SIZE_SPAN),
    part(range, at + SIZE_SPAN),
  ];
  return { lengthMm: span(category.lengthMm), weightG: span(category.weightG) };
}

/** Food whose length a lure is matched to. */
const FISH: ReadonlySet<ForageKind> = new Set([
  'shad',
  'herring',
  'mullet',
  'menhaden',
  'pinfish',
  'sunfish',
  'shrimp',
]);

const TONE_SLOTS = Object.fromEntries(TONES.map((tone) => [tone, slotOf(`tone:${tone}`)])) as Record<Tone, number>;
const PASSES_SLOTS = [
  slotOf('passes-for:crayfish'),
  slotOf('passes-for:baitfish'),
  slotOf('passes-for:sunfish'),
  slotOf('passes-for:bottom-food'),
];
const passes = new WeakMap<Category, readonly number[]>();

/** What a lure can pass for, 0 to 1 each: a crayfish, a baitfish, a sunfish, food on the bottom. */
function passesFor({ traits, fished, positions }: Category): number[] {
  const degree = (value: number) => Math.min(1, Math.max(0, (value - 0.2) / 0.2));
  const bottomFood = positions.bottom >= 0.7 && (fished === 'dragged' || fished === 'dropped' || fished === 'swum');
  return [
    degree(traits.likeCrayfish),
    degree(traits.likeBaitfish),
    degree(traits.likeSunfish),
    bottomFood && traits.likeBaitfish < 0.6 ? 1 : 0,
  ];
}

/** These facts with what a lure can pass for on top, for the rules of colour. */
export function withPassesFor(facts: Facts, category: Category): Facts {
  let degrees = passes.get(category);
  if (!degrees) passes.set(category, (degrees = passesFor(category)));
  return facts.withSlots(PASSES_SLOTS, degrees);
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

/** Short strikes: the right lure with something off; what is changed first is a school, and it is changed alone. */
const SHORT_STRIKES: Readonly<Record<string, string>> = {
  colour:
    'Short strikes: the right lure, something off. Another colour first; then a trailer hook or a shorter trailer; then slower',
  'trailer-hook':
    'Short strikes: a trailer hook first, where it is allowed and not in weeds; then another colour; then slower',
  slower: 'Short strikes: slower first; then another colour; then a trailer hook',
};

function bladesOf(category: Category, facts: Facts, units: UnitSystem): { blades: Blades; because: Reason[] } | null {
  if (!category.blades) return null;
  const shapeRules = fire(BLADE_RULES, facts);
  const pair = ranked(Object.keys(BLADE_PAIRS) as BladePair[], tally(shapeRules))[0] ?? 'round-long';
  const finish = ranked(BLADE_FINISHES, tally(fire(FINISH_RULES, facts)))[0] ?? 'silver';
  return {
    blades: { shapes: [...BLADE_PAIRS[pair]], finish },
    because: reasonsOf(shapeRules, (votes, degree) => TRIM_SHARE * degree * (votes[pair] ?? 0), units),
  };
}

/** Its hardware where the day asks for it: a second skirt, a trailer hook, a bladed treble, weight strips. */
function hardwareOf(category: Category, facts: Facts): Reason[] {
  const reason = (rule: string, text: string): Reason => ({ rule, text, weight: 0.2, school: null });
  const reasons: Reason[] = [];
  const muddy = (facts.figure('effectiveVisibilityM') ?? 1) < 0.5;
  const tempC = facts.figure('surfaceTempC') ?? 15;
  const weeds = facts.degree('ground:grass') > 0 || facts.degree('ground:mat') > 0;
  if (category.id === 'spinnerbait') {
    reasons.push(
      muddy
        ? reason('second-skirt', 'Bulk it up with a second skirt, not with larger blades, which slow it')
        : reason('spinnerbait-trailer', 'A trailer makes them take the body and not the blade'),
    );
  }
  if (facts.degree('feedback:short-strikes') > 0 && category.hook === 'single' && category.blades && !weeds) {
    reasons.push(reason('trailer-hook', 'A trailer hook, where it is allowed'));
  }
  if (category.hooks && facts.degree('feedback:short-strikes') > 0) {
    reasons.push(reason('bladed-treble-rear', 'A treble with a small blade at the rear: they strike and miss'));
  } else if (category.hooks && category.id !== 'slab-spoon' && muddy && category.positions.surface < 0.5) {
    reasons.push(reason('bladed-treble-belly', 'A treble with a small blade on the belly: more to feel and to see'));
  }
  if (category.form === 'diver' && !category.hangs && tempC < 9 && category.traits.deflects > 0.5) {
    reasons.push(reason('weight-strips', 'Adhesive weight strips make it hang where it stops'));
  }
  return reasons;
}

/** The rules of tone that hold, and what they give each tone. @param facts with what the lure passes for, where it is told */
export function toneVotes(facts: Facts) {
  const fired = fire(TONE_RULES, facts);
  return { fired, votes: tally(fired) };
}

/**
 * Size, colour, blades, trailer and sound of a category for these facts (season, water, food, light and holding place in).
 * @param food what the lure passes for, where it passes for something they eat
 */
export function trim(category: Category, given: Facts, food: ForageKind | null, units: UnitSystem): Trim {
  const facts = withPassesFor(given, category);
  const { fired: toneRules, votes } = toneVotes(facts);
  const tones = ranked(TONES, votes);
  const shy = facts.degree('feedback:short-strikes') >= 0.5;
  const shyFirst =
    ['colour', 'trailer-hook', 'slower'].find((side) => facts.degree(`school:short-strike-first:${side}`)) ?? 'colour';
  const tone = tones[shy && shyFirst === 'colour' ? 1 : 0] ?? 'natural';
  const families: readonly ColourFamily[] = COLOUR_FAMILIES.filter((family) => category.families.includes(family));
  const familyRules = fire(FAMILY_RULES, facts.withSlots([TONE_SLOTS[tone]], [1]));
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
  if (shy) {
    reasons.push({
      rule: `short-strikes-${shyFirst}`,
      text: SHORT_STRIKES[shyFirst] as string,
      weight: 0.6,
      school: `short-strike-first: ${shyFirst}`,
    });
  }
  const bladed = bladesOf(category, facts, units);
  let sound: Sound | null = null;
  if (category.sounds) {
    const soundRules = fire(SOUND_RULES, facts);
    sound = ranked(category.sounds, tally(soundRules))[0] ?? null;
    const voice = sound;
    reasons.push(
      ...reasonsOf(soundRules, (votes, degree) => TRIM_SHARE * degree * (voice ? (votes[voice] ?? 0) : 0), units),
    );
  }
  return {
    size: sizeOf(category, facts, food),
    colour: { tone, families: named },
    blades: bladed?.blades ?? null,
    trailer: trailerOf(category, facts),
    sound,
    because: [...strongest([...reasons, ...(bladed?.because ?? [])], 0.1), ...hardwareOf(category, facts)],
  };
}
