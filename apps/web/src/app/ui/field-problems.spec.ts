import { fieldProblems } from './field-problems';
import type { FieldSpec } from './fields.component';

const SPECS: readonly FieldSpec[] = [
  { key: 'length', label: 'Length', kind: 'figure', measure: 'fishLength', bounds: [20, 2500] },
  { key: 'minutes', label: 'Fished', kind: 'figure', unit: 'minutes', bounds: [1, 1440] },
  { key: 'plain', label: 'Any', kind: 'figure' },
  { key: 'word', label: 'A word', kind: 'text' },
];

describe('what is wrong with figures of a form', () => {
  it.each<[string, Record<string, unknown>, Record<string, string>]>([
    ['nothing, where nothing stands', { length: undefined, minutes: '', plain: null, word: 'x' }, {}],
    ['nothing, at their bounds', { length: 2500, minutes: 1 }, {}],
    ['a fish of 900 cm', { length: 9000 }, { length: 'Expected 2 to 250 cm, got 900 cm.' }],
    ['no minute at all', { minutes: 0 }, { minutes: 'Expected 1 to 1440 minutes, got 0.' }],
    [
      'words for figures',
      { length: 'long', plain: 'many' },
      { length: 'Expected 2 to 250 cm, got "long".', plain: 'Expected a number, got "many".' },
    ],
  ])('is said by its field and in the units of the user: %s', (_, values, problems) => {
    expect(fieldProblems(SPECS, values, 'metric')).toEqual(problems);
  });
});
