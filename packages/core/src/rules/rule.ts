import type { Reason } from '../contract/plan.js';
import type { SchoolId } from '../contract/ids.js';
import { inUnits, type UnitSystem } from '../units/units.js';
import type { Facts } from './facts.js';
import { all, is, compile, type Condition, type Judge } from './fuzzy.js';

/**
 * One piece of knowledge: when it holds, what it does, and why in an angler's words.
 * Weights are judgement unless a source is named. `{temp:10}`, `{depth:1}` and `{wind:5}` in words follow the user's
 * units.
 */
export interface Rule<Effect> {
  readonly id: string;
  readonly when: Condition;
  readonly effect: Effect;
  /** Said where the rule speaks for something. */
  readonly text: string;
  /** Said where the same rule speaks against something. */
  readonly against?: string;
  /** The school and side to which the rule belongs: it is silent while another side is chosen. */
  readonly school?: readonly [SchoolId, string];
  /** Where it comes from; absent means judgement. */
  readonly source?: string;
}

/** A rule that holds now, and how far. */
export interface Fired<Effect> {
  readonly rule: Rule<Effect>;
  readonly degree: number;
}

const judges = new WeakMap<Rule<unknown>, Judge>();

/** The judge of a rule, its school's side included. */
function judgeOf(rule: Rule<unknown>): Judge {
  let judge = judges.get(rule);
  if (!judge) {
    const [school, side] = rule.school ?? [];
    judge = compile(school && side ? all(is(`school:${school}:${side}`), rule.when) : rule.when);
    judges.set(rule, judge);
  }
  return judge;
}

const judgesOfList = new WeakMap<readonly Rule<unknown>[], readonly Judge[]>();

/** The judges of a list of rules, made once: the lists are data that stand for good. */
function judgesOf(rules: readonly Rule<unknown>[]): readonly Judge[] {
  let known = judgesOfList.get(rules);
  if (!known) judgesOfList.set(rules, (known = rules.map(judgeOf)));
  return known;
}

/** The judge of a rule, for who asks it many times. */
export const judgeOfRule = (rule: Rule<unknown>): Judge => judgeOf(rule);

/** How far a rule holds, 0 to 1; not at all while another side of its school is in force. */
export const holds = (rule: Rule<unknown>, facts: Facts): number => judgeOf(rule)(facts);

/** The rules that hold by at least `least`, in their own order. */
export function fire<Effect>(rules: readonly Rule<Effect>[], facts: Facts, least = 0.02): Fired<Effect>[] {
  const fired: Fired<Effect>[] = [];
  const asked = judgesOf(rules);
  for (let index = 0; index < asked.length; index++) {
    const degree = (asked[index] as Judge)(facts);
    if (degree >= least) fired.push({ rule: rules[index] as Rule<Effect>, degree });
  }
  return fired;
}

/** A reason as it goes out: weights are shown to two places, which is finer than they are known. */
export function reasonOf(
  rule: Pick<Rule<unknown>, 'id' | 'text' | 'against' | 'school'>,
  weight: number,
  units: UnitSystem,
): Reason {
  const words = weight < 0 ? (rule.against ?? rule.text) : rule.text;
  return {
    rule: rule.id,
    text: inUnits(words, units),
    weight: Math.round(Math.abs(weight) * 100) / 100,
    school: rule.school ? `${rule.school[0]}: ${rule.school[1]}` : null,
  };
}

/** Under this a reason is not worth reading. */
const MIN_WEIGHT = 0.05;

/** The reasons of rules that hold, by what each weighs here; what weighs next to nothing is left out. */
export function reasonsOf<Effect>(
  fired: readonly Fired<Effect>[],
  weightOf: (effect: Effect, degree: number) => number,
  units: UnitSystem,
): Reason[] {
  const reasons: Reason[] = [];
  for (const { rule, degree } of fired) {
    const weight = weightOf(rule.effect, degree);
    if (Math.abs(weight) >= MIN_WEIGHT) reasons.push(reasonOf(rule, weight, units));
  }
  return reasons;
}

/** Strongest first; what weighs next to nothing is left out. */
export function strongest<R extends Reason>(reasons: readonly R[], least = MIN_WEIGHT): R[] {
  return reasons.filter((reason) => reason.weight >= least).sort((a, b) => b.weight - a.weight);
}

const votesOf = new WeakMap<object, readonly (readonly [string, number])[]>();

/** The votes of a rule as pairs, made once. */
function votes(effect: Partial<Record<string, number>>): readonly (readonly [string, number])[] {
  let known = votesOf.get(effect);
  if (!known) votesOf.set(effect, (known = Object.entries(effect) as [string, number][]));
  return known;
}

/** Adds up the weighted votes of the rules that hold, option by option. */
export function tally<Option extends string>(
  fired: readonly Fired<Partial<Record<Option, number>>>[],
): Partial<Record<Option, number>> {
  const sum: Partial<Record<string, number>> = {};
  for (const { rule, degree } of fired) {
    for (const [option, vote] of votes(rule.effect)) sum[option] = (sum[option] ?? 0) + degree * vote;
  }
  return sum as Partial<Record<Option, number>>;
}

/** The weighted votes of the rules that hold for one option alone. */
export function votesFor<Option extends string>(
  fired: readonly Fired<Partial<Record<Option, number>>>[],
  option: Option,
): number {
  let sum = 0;
  for (const { rule, degree } of fired) {
    const vote = rule.effect[option];
    if (vote !== undefined) sum += degree * vote;
  }
  return sum;
}

/** Options by their votes, most first; equal votes keep the order of `options`, so the same input gives the same answer. */
export function ranked<Option extends string>(
  options: readonly Option[],
  votes: Partial<Record<Option, number>>,
): Option[] {
  return [...options].sort((a, b) => (votes[b] ?? 0) - (votes[a] ?? 0));
}
