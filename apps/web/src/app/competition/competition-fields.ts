import { clockOf, type UnitSystem } from '@inky-shoal/core';
import { MAX_PRACTICE_DAYS, type Competition } from '@inky-shoal/core/competition';
import { sayClock } from '../sheet/words';
import { fieldProblems } from '../ui/field-problems';
import type { FieldSpec, Values } from '../ui/fields.component';

/** Rules as they mostly are. */
export const USUAL: Competition = { limit: 5, by: 'weight', culling: true, practiceDays: 3 };

const CLOCKS = Array.from({ length: 48 }, (_, at) => clockOf(at * 30)).map((id) => ({ id, name: sayClock(id) }));

/** The rules of a day that counts, as fields. */
export const FIELDS: readonly FieldSpec[] = [
  { key: 'limit', label: 'Fish that count', kind: 'figure', bounds: [1, 20] },
  {
    key: 'by',
    label: 'Ranked by',
    kind: 'one',
    choices: [
      { id: 'weight', name: 'weight' },
      { id: 'length', name: 'length' },
    ],
  },
  { key: 'minimumMm', label: 'Least length', kind: 'figure', measure: 'fishLength', bounds: [50, 1500] },
  { key: 'backBy', label: 'Back by', kind: 'one', choices: CLOCKS, none: 'as the day ends' },
  {
    key: 'practiceDays',
    label: 'Practice days',
    kind: 'figure',
    bounds: [0, MAX_PRACTICE_DAYS],
  },
];
const WHOLE = ['limit', 'practiceDays'] as const;

/** What is wrong with rules as they are typed, by their fields. */
export function competitionProblems(values: Values, units: UnitSystem): Record<string, string> {
  const found: Record<string, string> = { ...fieldProblems(FIELDS, values, units) };
  for (const key of WHOLE) {
    const value = values[key];
    if (typeof value === 'number' && !found[key] && !Number.isInteger(value)) {
      found[key] = `Expected a whole number, got ${value}.`;
    }
  }
  if (values['limit'] === undefined) found['limit'] = 'Say how many fish count.';
  return found;
}
