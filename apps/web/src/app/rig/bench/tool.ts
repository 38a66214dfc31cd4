import { Directive, input } from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { Combo } from '@inky-shoal/core/tackle/match';
import type { ItemOf } from '@inky-shoal/core/tackle';
import type { FieldChange, FieldSpec, Values } from '../../ui/fields.component';

/** What every tool is given: the chosen lure and rod, and the depths that a plan wants of them. */
@Directive()
export abstract class Tool {
  readonly lure = input.required<ItemOf<'lure'> | null>();
  readonly combo = input.required<Combo | null>();
  readonly wantedM = input<readonly [number, number] | null>(null);
  readonly units = input.required<UnitSystem>();
}

/** A value as an input of the arithmetic takes it: left out where nothing stands there. */
export const given = (values: Values, ...keys: string[]): Record<string, unknown> =>
  Object.fromEntries(keys.flatMap((key) => (values[key] === undefined ? [] : [[key, values[key]]])));

export const withChange = (values: Values, { key, value }: FieldChange): Values => ({ ...values, [key]: value });

/** The fields of a line. */
export const lineFields = (materials: readonly { id: string; name: string }[]): FieldSpec[] => [
  { kind: 'one', key: 'material', label: 'Line', choices: materials },
  { kind: 'figure', key: 'testLb', label: 'Test', measure: 'test' },
  { kind: 'figure', key: 'diameterMm', label: 'Or thickness', unit: 'mm' },
];

/** A line of fields: its thickness where that is typed, else its test. */
export const lineGiven = (values: Values): Record<string, unknown> => ({
  material: values['material'],
  ...(values['diameterMm'] === undefined ? given(values, 'testLb') : given(values, 'diameterMm')),
});

/** The line of a rod as fields. */
export const lineValues = (combo: Combo | null): Values => ({
  material: combo?.line.material ?? 'fluorocarbon',
  testLb: combo?.line.testLb ?? 12,
  diameterMm: combo?.line.diameterMm,
});

/** The middle of the depths that are wanted. */
export const middleOf = (range: readonly [number, number] | null): number | undefined =>
  range ? (range[0] + range[1]) / 2 : undefined;
