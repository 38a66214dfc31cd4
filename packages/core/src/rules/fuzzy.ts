import { MAX_SITUATIONS, slotOf, type DegreeName, type Facts, type QuantityName } from './facts.js';

/**
 * A fuzzy condition as data (Zadeh 1965): `all` is the least, `any` the greatest, `not` the complement.
 * A ramp runs straight from 0 at `zero` to 1 at `one`, in either direction.
 */
export type Condition =
  | { readonly quantity: QuantityName; readonly zero: number; readonly one: number }
  | { readonly degree: DegreeName }
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition };

const ramp = (value: number, zero: number, one: number): number =>
  Math.min(1, Math.max(0, (value - zero) / (one - zero)));

/** A condition made ready to be asked many times. */
export type Judge = (facts: Facts) => number;

type Kind = 'ramp' | 'degree' | 'not' | 'least' | 'greatest';

/**
 * A condition as it is asked: all of one form, and answered by one function, which takes less time than functions that
 * call one another.
 */
interface ReadyCondition {
  readonly kind: Kind;
  /** The slot of a quantity or a degree. */
  readonly slot: number;
  readonly zero: number;
  readonly one: number;
  /** Plain degrees among the parts, by their slots: they are the most by far, and often decide alone. */
  readonly slots: readonly number[];
  readonly parts: readonly ReadyCondition[];
  /** One of several parts that many rules share has a number, and its answer is kept with the facts; else -1. */
  situation: number;
}

const ready = (kind: Kind, of: Partial<ReadyCondition>): ReadyCondition => ({
  kind,
  slot: 0,
  zero: 0,
  one: 0,
  slots: [],
  parts: [],
  situation: -1,
  ...of,
});

const joinOf = (kind: 'least' | 'greatest', listed: readonly Condition[]): ReadyCondition =>
  ready(kind, {
    slots: listed.flatMap((part) => ('degree' in part ? slotOf(part.degree) : [])),
    parts: listed.filter((part) => !('degree' in part)).map(readyOf),
  });

function madeReady(condition: Condition): ReadyCondition {
  if ('quantity' in condition) {
    const { quantity, zero, one } = condition;
    return ready('ramp', { slot: slotOf(quantity), zero, one });
  }
  if ('degree' in condition) return ready('degree', { slot: slotOf(condition.degree) });
  if ('not' in condition) return ready('not', { parts: [readyOf(condition.not)] });
  return 'all' in condition ? joinOf('least', condition.all) : joinOf('greatest', condition.any);
}

const readies = new WeakMap<Condition, ReadyCondition>();
let situations = 0;

/** A condition made ready, once: conditions are data that stands for good. */
function readyOf(condition: Condition): ReadyCondition {
  const known = readies.get(condition);
  if (!known) {
    const made = madeReady(condition);
    readies.set(condition, made);
    return made;
  }
  const isJoin = known.kind === 'least' || known.kind === 'greatest';
  if (isJoin && known.situation < 0 && situations < MAX_SITUATIONS) known.situation = situations++;
  return known;
}

/** The least of the parts of a condition. */
function least({ slots, parts }: ReadyCondition, facts: Facts): number {
  let degree = 1;
  for (const slot of slots) {
    const own = facts.at(slot) || 0;
    if (own < degree) degree = own;
  }
  for (let at = 0; at < parts.length && degree !== 0; at++) {
    const own = answer(parts[at] as ReadyCondition, facts);
    if (own < degree) degree = own;
  }
  return degree;
}

/** The greatest of the parts of a condition. */
function greatest({ slots, parts }: ReadyCondition, facts: Facts): number {
  let degree = 0;
  for (const slot of slots) {
    const own = facts.at(slot) || 0;
    if (own > degree) degree = own;
  }
  for (let at = 0; at < parts.length && degree !== 1; at++) {
    const own = answer(parts[at] as ReadyCondition, facts);
    if (own > degree) degree = own;
  }
  return degree;
}

function answer(asked: ReadyCondition, facts: Facts): number {
  const { kind } = asked;
  if (kind === 'ramp') {
    const value = facts.at(asked.slot);
    return Number.isNaN(value) ? 0 : ramp(value, asked.zero, asked.one);
  }
  if (kind === 'degree') return facts.at(asked.slot) || 0;
  if (kind === 'not') return 1 - answer(asked.parts[0] as ReadyCondition, facts);
  const { situation } = asked;
  if (situation < 0) return kind === 'least' ? least(asked, facts) : greatest(asked, facts);
  const known = facts.answerTo(situation);
  if (!Number.isNaN(known)) return known;
  return facts.answered(situation, kind === 'least' ? least(asked, facts) : greatest(asked, facts));
}

const judges = new WeakMap<Condition, Judge>();

/** The judge of a condition, made once. */
export function compile(condition: Condition): Judge {
  const asked = readyOf(condition);
  let judge = judges.get(condition);
  if (!judge) judges.set(condition, (judge = (facts) => answer(asked, facts)));
  return judge;
}

/** How far a condition holds, 0 to 1. Both a missing figure and its complement hold not at all. */
export const degreeOf = (condition: Condition, facts: Facts): number => compile(condition)(facts);

/** Whether a condition looks at a fact whose name matches. */
export function mentions(condition: Condition, name: RegExp): boolean {
  if ('quantity' in condition) return name.test(condition.quantity);
  if ('degree' in condition) return name.test(condition.degree);
  if ('all' in condition) return condition.all.some((part) => mentions(part, name));
  if ('any' in condition) return condition.any.some((part) => mentions(part, name));
  return mentions(condition.not, name);
}

/** 0 at `zero` and beyond, 1 at `one` and above it. */
export const above = (quantity: QuantityName, zero: number, one: number): Condition => ({ quantity, zero, one });
/** 1 at `one` and under it, 0 at `zero` and above. */
export const below = (quantity: QuantityName, one: number, zero: number): Condition => ({ quantity, zero, one });
/** 0 outside `from` to `to`, 1 between `fullFrom` and `fullTo`. */
export const between = (
  quantity: QuantityName,
  from: number,
  fullFrom: number,
  fullTo: number,
  to: number,
): Condition => all(above(quantity, from, fullFrom), below(quantity, fullTo, to));
export const is = (degree: DegreeName): Condition => ({ degree });
export const all = (...parts: Condition[]): Condition => ({ all: parts });
export const any = (...parts: Condition[]): Condition => ({ any: parts });
export const not = (part: Condition): Condition => ({ not: part });
export const always: Condition = { all: [] };
/** Any of several degrees, as `anyOf('phase:fall', 'phase:late-fall')`. */
export const anyOf = (...degrees: DegreeName[]): Condition => ({ any: degrees.map(is) });

/** The trapezoid 0 - 1 - 1 - 0 over four ascending figures, as a plain function. */
export function trapezoid(value: number, corners: readonly [number, number, number, number]): number {
  const [up, down] = [corners[1], corners[2]];
  return Math.min(value < up ? ramp(value, corners[0], up) : 1, value > down ? ramp(value, corners[3], down) : 1);
}

/** Straight-line interpolation through points in ascending order; flat beyond both ends. */
export function interpolate(points: readonly (readonly [x: number, y: number])[], x: number): number {
  const next = points.findIndex(([px]) => px > x);
  const last = points.at(-1);
  if (!last) return Number.NaN;
  if (next === -1) return last[1];
  const [x1, y1] = points[next] as readonly [number, number];
  const before = points[next - 1];
  if (!before) return y1;
  const [x0, y0] = before;
  return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
}
