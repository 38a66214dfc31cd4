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

/** A condition of several parts; one that many rules share has a number, and its answer is kept with the facts. */
interface Joined {
  situation: number;
  readonly ask: Judge;
}
const joins = new WeakMap<Judge, Joined>();
let situations = 0;

function share(judge: Judge): void {
  const joined = joins.get(judge);
  if (joined && joined.situation < 0 && situations < MAX_SITUATIONS) joined.situation = situations++;
}

function judgeOf(condition: Condition): Judge {
  if ('quantity' in condition) {
    const { quantity, zero, one } = condition;
    const slot = slotOf(quantity);
    return (facts) => {
      const value = facts.at(slot);
      return Number.isNaN(value) ? 0 : ramp(value, zero, one);
    };
  }
  if ('degree' in condition) {
    const { degree } = condition;
    const slot = slotOf(degree);
    return (facts) => facts.at(slot) || 0;
  }
  if ('not' in condition) {
    const part = compile(condition.not);
    return (facts) => 1 - part(facts);
  }
  const least = 'all' in condition;
  const listed = least ? condition.all : condition.any;
  // Plain degrees are read off their slots first: they are the most by far, and often decide alone.
  const slots = listed.flatMap((part) => ('degree' in part ? slotOf(part.degree) : []));
  const parts = listed.filter((part) => !('degree' in part)).map(compile);
  const end = least ? 0 : 1;
  const ask = (facts: Facts): number => {
    let degree = 1 - end;
    for (const slot of slots) {
      const own = facts.at(slot) || 0;
      if (least ? own < degree : own > degree) degree = own;
    }
    if (degree === end) return degree;
    for (const part of parts) {
      const own = part(facts);
      if (least ? own < degree : own > degree) degree = own;
      if (degree === end) break;
    }
    return degree;
  };
  const joined: Joined = { situation: -1, ask };
  const judge: Judge = (facts) => (joined.situation < 0 ? ask(facts) : facts.answerTo(joined.situation, ask));
  joins.set(judge, joined);
  return judge;
}

const judges = new WeakMap<Condition, Judge>();

/** The judge of a condition, made once: conditions are data that stands for good. */
export function compile(condition: Condition): Judge {
  let judge = judges.get(condition);
  if (judge) share(judge);
  else judges.set(condition, (judge = judgeOf(condition)));
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
export function trapezoid(value: number, [a, b, c, d]: readonly [number, number, number, number]): number {
  return Math.min(value < b ? ramp(value, a, b) : 1, value > c ? ramp(value, d, c) : 1);
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
