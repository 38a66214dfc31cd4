import type { Cover, Structure } from '@inky-shoal/core';

/** Kinds of places, and covers, that made-up waters are drawn from. */
export const STRUCTURES: readonly Structure[] = [
  'main-lake-point',
  'secondary-point',
  'flat',
  'ditch',
  'ledge',
  'steep-bank',
  'pocket',
  'hump',
];
export const COVERS: readonly Cover[] = ['chunk-rock', 'submerged-grass', 'laydown', 'gravel', 'brush-pile'];

export const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;
export const within = ([from, to]: readonly [number, number], value: number): number =>
  Math.min(to, Math.max(from, value));
