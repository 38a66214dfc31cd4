import type { Candidate } from '../underway/evidence/fished.js';

/** A crank on a rocky point in low light; tests change what they are about. */
export const POINT: Candidate = {
  id: 'point',
  spot: 'a',
  structure: 'secondary-point',
  cover: 'chunk-rock',
  depthM: 2,
  category: 'flat-sided-crankbait',
  role: 'search',
  trim: null,
  paceMps: 0.7,
  light: 'low',
  tide: null,
  prior: 1,
};
