import type { WaterKind } from '../contract/ids.js';

/** Practical salinity half way between river and sea, as it is when it has not rained for long. Judgement. */
const USUAL_PSU: Partial<Record<WaterKind, number>> = { estuary: 22, 'tidal-river': 8 };
/** Tides flush a small estuary in about a week: what rain brought is down to a third after so many days. */
const FLUSH_DAYS = 6;
/**
 * Share of the water that a millimetre of rain replaces: two fifths of what falls on a catchment six times as large as
 * the water run into it, and it is a metre and a half deep.
 */
const FRESH_PER_MM = (0.4 * 6) / 1500;
/** Fresh water never pushes all of the sea out. */
const MOST_FRESH = 0.9;

/**
 * Salinity of an estuary after rain: a well mixed box whose fraction of fresh water grows with the run-off and is
 * flushed by the tides (fraction of fresh water, Ketchum 1951). Undefined for water that is not tidal.
 * @param recentRainMm of each day, the day itself first, then the days before it
 */
export function salinityAfterRainPsu(kind: WaterKind, recentRainMm: readonly number[]): number | undefined {
  const usualPsu = USUAL_PSU[kind];
  if (usualPsu === undefined) return undefined;
  const fresh = recentRainMm.reduceRight(
    (fraction, rainMm) => fraction * Math.exp(-1 / FLUSH_DAYS) + FRESH_PER_MM * rainMm,
    0,
  );
  return Math.round(usualPsu * (1 - Math.min(MOST_FRESH, fresh)));
}
