import { answersOf } from './aspects.js';
import type { Category, Traits } from '../lures/category.js';

const TRAITS: readonly (keyof Traits)[] = [
  'coverage',
  'hang',
  'vibration',
  'flash',
  'noise',
  'bulk',
  'precise',
  'deflects',
  'vertical',
  'likeBaitfish',
  'likeCrayfish',
  'likeSunfish',
  'likeShrimp',
  'likeCrab',
  'plainMorsel',
];

const likenesses = new WeakMap<Category, Map<Category, number>>();

/** Likeness of two categories by what they are, 0 to 1: a Gaussian of the distance between their attributes. */
export function likeness(a: Category, b: Category): number {
  let known = likenesses.get(a);
  if (!known) likenesses.set(a, (known = new Map()));
  let value = known.get(b);
  if (value === undefined) known.set(b, (value = Math.exp(-apart(a, b) / 1.6)));
  return value;
}

function apart(a: Category, b: Category): number {
  let squared = 0;
  for (const trait of TRAITS) squared += (a.traits[trait] - b.traits[trait]) ** 2;
  // The surface parts them most.
  squared += 2.25 * (a.positions.surface - b.positions.surface) ** 2;
  squared += (a.positions.suspended - b.positions.suspended) ** 2 + (a.positions.bottom - b.positions.bottom) ** 2;
  squared += (answersOf(a).pace[0] - answersOf(b).pace[0]) ** 2;
  return squared + (a.hook === b.hook ? 0 : 1);
}
