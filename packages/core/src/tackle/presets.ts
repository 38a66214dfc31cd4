import type { CategoryId } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import { HOOK_SIZES, type HookSize } from '../mechanics/hooks.js';
import { categoryOf } from '../lures/categories.js';
import { usualDepthM } from '../lures/forms.js';
import { STATED_CAST_M } from '../lures/reach.js';
import type { TackleDraft, TackleKind } from './item.js';

const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;
const rounded = (value: number, step: number): number => Number((Math.round(value / step) * step).toFixed(3));
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Where the trebles of a body hang: two on most, three on a long one. */
const HOOK_PLACES = { two: [0.35, 0.9], three: [0.25, 0.55, 0.9] } as const;

/** The size of treble that suits a body of a length. Judgement. */
function trebleFor(lengthMm: number): HookSize {
  const steps = Math.floor((lengthMm - 35) / 16);
  return HOOK_SIZES[Math.max(0, Math.min(HOOK_SIZES.length - 1, 1 + steps))] as HookSize;
}

function buoyancyOf(id: CategoryId): 'floats' | 'suspends' | 'sinks' {
  if (id.startsWith('suspending')) return 'suspends';
  const form = categoryOf(id).form;
  return form === 'diver' || form === 'surface' ? 'floats' : 'sinks';
}

/** A lure of a category with its usual attributes filled in, to be changed where it differs. */
export function lurePreset(id: CategoryId): Extract<TackleDraft, { kind: 'lure' }> {
  const category = categoryOf(id);
  const lengthMm = rounded(middle(category.lengthMm), 5);
  const places = lengthMm > 115 ? HOOK_PLACES.three : HOOK_PLACES.two;
  const size = trebleFor(lengthMm);
  const diver = categoryOf(id).form === 'diver';
  const { noise } = category.traits;
  return {
    kind: 'lure',
    name: capital(nameOf(id)),
    count: 1,
    category: id,
    lengthMm,
    weightG: rounded(middle(category.weightG), 0.5),
    ...(diver && {
      widthMm: rounded(lengthMm * 0.17, 1),
      statedDepthM: usualDepthM(category),
      statedMaterial: 'fluorocarbon' as const,
      statedTestLb: category.line.material === 'fluorocarbon' ? category.line.testLb : 10,
      statedCastM: STATED_CAST_M,
    }),
    buoyancy: buoyancyOf(id),
    families: [...category.families.slice(0, 2)],
    sound: noise > 0.55 ? 'rattles' : noise > 0.3 ? 'one-knock' : 'silent',
    hooks: category.hook === 'treble' ? places.map((at) => ({ size, at })) : [],
    ...(category.blades && { bladeShapes: [...category.blades], bladeFinish: 'silver' as const }),
  };
}

type OtherKind = Exclude<TackleKind, 'lure'>;
type Preset<K extends TackleKind> = Extract<TackleDraft, { kind: K }>;

const PRESETS: { readonly [K in OtherKind]: Preset<K> } = {
  trailer: {
    kind: 'trailer',
    name: 'Trailer',
    count: 1,
    lengthMm: 75,
    trailerAction: 'kicking',
    bulk: 'full',
    families: ['green'],
  },
  hook: { kind: 'hook', name: 'Treble hooks', count: 1, hookStyle: 'treble', hookSize: '6' },
  weight: { kind: 'weight', name: 'Bullet weights', count: 1, weightG: 10.5, shape: 'bullet', metal: 'tungsten' },
  blade: { kind: 'blade', name: 'Blades', count: 1, bladeShape: 'round', bladeFinish: 'silver', lengthMm: 25 },
  rod: {
    kind: 'rod',
    name: 'Rod',
    count: 1,
    handle: 'casting',
    power: 'medium',
    rodAction: 'moderate-fast',
    rodLengthM: 2.1,
    castsFromG: 7,
    castsToG: 21,
  },
  reel: { kind: 'reel', name: 'Reel', count: 1, handle: 'casting', ratio: 6.4, spoolMm: 34 },
  line: { kind: 'line', name: 'Line', count: 1, material: 'fluorocarbon', testLb: 12, lengthM: 120 },
  leader: { kind: 'leader', name: 'Leader', count: 1, material: 'fluorocarbon', testLb: 10, lengthM: 25 },
};

/** A piece of a kind with usual attributes, to be changed where it differs; lures have theirs by category. */
export const presetOf = <K extends OtherKind>(kind: K): Preset<K> => ({ ...PRESETS[kind] });
