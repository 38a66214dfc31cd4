import type { CategoryId, Front, Sky, Species } from '@inky-shoal/core';
import { categoryOf } from '@inky-shoal/core/lures';

/** A fish, or what came of a bite: minutes after its stretch began, what it was, and of one that was landed its length. */
export type ContactRow = readonly [
  afterMin: number,
  what: 'landed' | 'lost' | 'missed' | 'follow',
  species?: Species,
  lengthMm?: number,
  tag?: string,
];

/** How fast a lure was fished, of what it is fished at: slow, medium, fast. */
export type PaceStep = 0 | 1 | 2;
/** Where each lies in what a lure is fished at. */
const PACE_SHARE = [1 / 6, 1 / 2, 5 / 6] as const;

/** A pace in metres a second. */
export function paceOfStep(category: CategoryId, step: PaceStep): number {
  const [slow, fast] = categoryOf(category).paceMps;
  return Math.round(1000 * (slow + (fast - slow) * PACE_SHARE[step])) / 1000;
}

/** A stretch of fishing one thing as the data file writes it; the place by its number among the water's. */
export type StretchRow = readonly [
  fromMin: number,
  place: number,
  category: CategoryId,
  depthM: number,
  pace: PaceStep,
  casts: number,
  contacts: readonly ContactRow[],
];

/** A trip as the data file writes it: the day as the angler measured it, and what was fished. */
export interface TripRow {
  readonly water: 'ferrow' | 'tern';
  /** YYYY-MM-DD on the water's clock. */
  readonly date: string;
  readonly surfaceTempC: number;
  readonly tempTrendCPerDay: number;
  readonly visibilityM: number;
  readonly sky: Sky;
  readonly windMps: number;
  readonly windFromDeg: number;
  readonly front: Front;
  readonly stretches: readonly StretchRow[];
  /** In the angler's words, where something was worth one. */
  readonly note?: string;
}
