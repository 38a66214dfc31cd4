import type { CategoryId, Front, Sky, Species } from '@inky-shoal/core';

/** A fish, or what came of a bite: minutes after its stretch began, what it was, and of one that was landed its length. */
export type ContactRow = readonly [
  afterMin: number,
  what: 'landed' | 'lost' | 'missed' | 'follow',
  species?: Species,
  lengthMm?: number,
  tag?: string,
];

/** A stretch of fishing one thing as the data file writes it; the place by its number among the water's. */
export type StretchRow = readonly [
  fromMin: number,
  place: number,
  category: CategoryId,
  depthM: number,
  pace: 0 | 1 | 2,
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
