import {
  BLADE_FINISHES,
  BLADE_SHAPES,
  CATEGORIES,
  COLOUR_FAMILIES,
  LINE_MATERIALS,
  ROD_ACTIONS,
  ROD_POWERS,
  TONES,
} from '@inky-shoal/core';
import { categoryOf } from '@inky-shoal/core/lures';
import { HOOK_SIZES } from '@inky-shoal/core/mechanics';
import {
  ALL_HOOK_SIZES,
  BUOYANCIES,
  HANDLES,
  HOOK_STATES,
  HOOK_STYLES,
  METALS,
  RING_STATES,
  RUNS,
  SOUNDS,
  WEIGHT_SHAPES,
  type TackleItem,
  type TackleKind,
} from '@inky-shoal/core/tackle';
import { choices, type Choice } from '../../ui/choices';
import { type FieldSpec, type Values } from '../../ui/fields.component';

const NOT_SAID = 'not said';
const figure = (key: string, label: string, measure: Extract<FieldSpec, { kind: 'figure' }>['measure']): FieldSpec => ({
  kind: 'figure',
  key,
  label,
  ...(measure && { measure }),
});
const number = (key: string, label: string, unit = ''): FieldSpec => ({ kind: 'figure', key, label, unit });
const one = (key: string, label: string, ids: readonly string[], none?: string): FieldSpec => ({
  kind: 'one',
  key,
  label,
  choices: choices(ids),
  ...(none !== undefined && { none }),
});

const KEPT: readonly FieldSpec[] = [
  number('count', 'Pieces'),
  { kind: 'text', key: 'box', label: 'Box' },
  { kind: 'text', key: 'slot', label: 'Slot' },
];
const COLOURS: FieldSpec = { kind: 'some', key: 'families', label: 'Colours', choices: choices(COLOUR_FAMILIES) };
const THREAD: readonly FieldSpec[] = [
  one('material', 'Material', LINE_MATERIALS),
  figure('testLb', 'Test', 'test'),
  number('diameterMm', 'Thickness', 'mm'),
  figure('lengthM', 'Length', 'depth'),
  { kind: 'date', key: 'since', label: 'On the reel since' },
  number('daysUsed', 'Days fished'),
];

const LURE: readonly FieldSpec[] = [
  figure('lengthMm', 'Length', 'length'),
  figure('weightG', 'Weight', 'weight'),
  one('buoyancy', 'Left alone it', BUOYANCIES, NOT_SAID),
  one('sound', 'Sound', SOUNDS, NOT_SAID),
  one('tone', 'Tone', TONES, NOT_SAID),
];
const DIVER: readonly FieldSpec[] = [
  figure('statedDepthM', 'Dives to', 'depth'),
  one('statedMaterial', 'Stated for', LINE_MATERIALS, NOT_SAID),
  figure('statedTestLb', 'Of test', 'test'),
  figure('statedCastM', 'On a cast of', 'depth'),
  figure('widthMm', 'Width', 'length'),
];
const BLADES: readonly FieldSpec[] = [one('bladeFinish', 'Blades', BLADE_FINISHES, NOT_SAID)];
const STATE: readonly FieldSpec[] = [
  one('runs', 'Reeled fast it runs', RUNS, NOT_SAID),
  one('hookState', 'Hooks', HOOK_STATES, NOT_SAID),
  one('ringState', 'Rings', RING_STATES, NOT_SAID),
  { kind: 'date', key: 'checkedOn', label: 'Looked at on' },
];

const OTHERS: Readonly<Record<Exclude<TackleKind, 'lure' | 'rod' | 'reel'>, readonly FieldSpec[]>> = {
  trailer: [
    figure('lengthMm', 'Length', 'length'),
    one('trailerAction', 'Action', ['still', 'kicking']),
    one('bulk', 'Bulk', ['slim', 'full']),
    COLOURS,
  ],
  hook: [
    one('hookStyle', 'Style', HOOK_STYLES),
    { kind: 'one', key: 'hookSize', label: 'Size', choices: ALL_HOOK_SIZES.map((id) => ({ id, name: id })) },
  ],
  weight: [figure('weightG', 'Weight', 'weight'), one('shape', 'Shape', WEIGHT_SHAPES), one('metal', 'Metal', METALS)],
  blade: [
    one('bladeShape', 'Shape', BLADE_SHAPES),
    one('bladeFinish', 'Finish', BLADE_FINISHES),
    figure('lengthMm', 'Length', 'length'),
  ],
  line: THREAD,
  leader: THREAD,
};

const named = (items: readonly TackleItem[], kind: TackleKind): Choice[] =>
  items.filter((item) => item.kind === kind).map(({ id, name }) => ({ id, name }));

/** Reels and lines are chosen from what is owned. */
const linked = (key: string, label: string, items: readonly TackleItem[], kind: TackleKind): FieldSpec => ({
  kind: 'one',
  key,
  label,
  choices: named(items, kind),
  none: 'none',
});

/** The fields of a piece, in the order in which one thinks of them. */
export function itemFields(values: Values, items: readonly TackleItem[]): FieldSpec[] {
  const kind = values['kind'] as TackleKind;
  if (kind === 'lure') {
    const category = CATEGORIES.find((id) => id === values['category']);
    const known = category && categoryOf(category);
    return [
      ...LURE,
      ...(known?.form === 'diver' ? DIVER : []),
      ...(known?.blades ? BLADES : []),
      COLOURS,
      ...KEPT,
      ...STATE,
    ];
  }
  if (kind === 'rod') {
    return [
      one('handle', 'For', HANDLES),
      one('power', 'Power', ROD_POWERS),
      one('rodAction', 'Action', ROD_ACTIONS),
      figure('rodLengthM', 'Length', 'rodLength'),
      figure('castsFromG', 'Casts from', 'weight'),
      figure('castsToG', 'Casts to', 'weight'),
      linked('reelId', 'Reel on it', items, 'reel'),
      ...KEPT,
    ];
  }
  if (kind === 'reel') {
    return [
      one('handle', 'Kind', HANDLES),
      number('ratio', 'Gear ratio'),
      figure('spoolMm', 'Spool across', 'length'),
      linked('lineId', 'Line on it', items, 'line'),
      linked('leaderId', 'Leader on it', items, 'leader'),
      ...KEPT,
    ];
  }
  return [...OTHERS[kind], ...KEPT];
}

export const TREBLE_SIZES = HOOK_SIZES;
