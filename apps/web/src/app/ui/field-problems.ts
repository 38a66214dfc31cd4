import { say, sayRange, type UnitSystem } from '@inky-shoal/core';
import type { FieldSpec, Values } from './fields.component';

/** What is wrong with a figure, in words and in the user's units; null where nothing is. */
function figureProblem(spec: FieldSpec, value: unknown, units: UnitSystem): string | null {
  if (spec.kind !== 'figure' || value === undefined || value === null || value === '') return null;
  const { bounds, measure, unit = '' } = spec;
  if (!bounds) return typeof value === 'number' ? null : `Expected a number, got "${String(value).slice(0, 20)}".`;
  const range = measure ? sayRange(measure, bounds, units) : `${bounds[0]} to ${bounds[1]} ${unit}`.trim();
  if (typeof value !== 'number') return `Expected ${range}, got "${String(value).slice(0, 20)}".`;
  const got = measure ? say(measure, value, units) : String(value);
  return value < bounds[0] || value > bounds[1] ? `Expected ${range}, got ${got}.` : null;
}

/** What is wrong with the figures of a form, by key. */
export const fieldProblems = (
  specs: readonly FieldSpec[],
  values: Values,
  units: UnitSystem,
): Readonly<Record<string, string>> =>
  Object.fromEntries(
    specs.flatMap((spec) => {
      const problem = figureProblem(spec, values[spec.key], units);
      return problem ? [[spec.key, problem]] : [];
    }),
  );
