import {
  LIMITS,
  readQuantityIn,
  say,
  sayRange,
  toShown,
  toSi,
  readNumber,
  type Limited,
  type Measure,
  type UnitSystem,
} from '@inky-shoal/core';

export interface Typed {
  /** In SI; undefined where the field is empty or wrong. */
  readonly si: number | undefined;
  /** What is wrong, in a sentence. */
  readonly problem: string | null;
}

/**
 * A quantity typed in the user's units, checked against what the field may be. Says "did you mean °F?" where that fits.
 * @param before what stood there, in SI: what was only shown rounded, and not typed over, stays as it was
 */
export function readQuantity(
  text: string,
  field: Limited,
  measure: Measure,
  units: UnitSystem,
  { required = false, before }: { readonly required?: boolean; readonly before?: number | undefined } = {},
): Typed {
  if (before !== undefined && text === plainFigure(measure, before, units)) return { si: before, problem: null };
  const limits = LIMITS[field];
  const expected = `Expected ${sayRange(measure, limits, units)}`;
  if (!text.trim()) return { si: undefined, problem: required ? `${expected}.` : null };
  const si = readQuantityIn(text, measure, units);
  if (si === undefined) return { si, problem: `${expected}, got "${text.trim().slice(0, 20)}".` };
  if (si >= limits[0] && si <= limits[1]) return { si, problem: null };
  const bare = measure === 'temp' && units === 'metric' ? readNumber(text) : undefined;
  const inFahrenheit = bare === undefined ? Number.NaN : toSi(measure, bare, 'us');
  const fits = inFahrenheit >= 0 && inFahrenheit <= limits[1];
  return { si: undefined, problem: `${expected}, got ${say(measure, si, units)}.${fits ? ' Did you mean °F?' : ''}` };
}

/** Decimals with which a quantity stands in a field; one where it is not said. */
const DECIMALS: Record<UnitSystem, Partial<Record<Measure, number>>> = {
  us: { temp: 0, length: 2, weight: 3, speed: 2, rodLength: 2, fishWeight: 2 },
  metric: { length: 0, weight: 2, speed: 2, rodLength: 2, fishWeight: 2 },
};

/** A quantity as it stands in a field to be typed over: plain decimals, where words may have fractions. */
export const plainFigure = (measure: Measure, si: number, units: UnitSystem): string =>
  String(Number(toShown(measure, si, units).toFixed(DECIMALS[units][measure] ?? 1)));
