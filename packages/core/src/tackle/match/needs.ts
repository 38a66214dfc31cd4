import type { CategoryId } from '../../contract/ids.js';
import { nameOf } from '../../contract/names.js';
import type { Presentation, Range } from '../../contract/plan.js';
import type { HOOK_STYLES, ItemOf, TackleItem, WEIGHT_SHAPES } from '../item.js';
import { say, sayRange, type UnitSystem } from '../../units/units.js';

/** What a soft lure is rigged on: the weight before it and the hook in it. */
interface Rigging {
  readonly weight?: (typeof WEIGHT_SHAPES)[number];
  readonly hook?: (typeof HOOK_STYLES)[number];
}

const RIGGING: Readonly<Partial<Record<CategoryId, Rigging>>> = {
  'texas-creature': { weight: 'bullet', hook: 'wide-gap' },
  'punch-rig': { weight: 'bullet', hook: 'wide-gap' },
  'ribbon-tail-worm': { weight: 'bullet', hook: 'worm' },
  'carolina-rig': { weight: 'egg', hook: 'worm' },
  'drop-shot': { weight: 'drop', hook: 'drop-shot' },
  'shaky-head': { weight: 'jighead' },
  'mushroom-head-worm': { weight: 'jighead' },
  'paddle-tail-swimbait': { weight: 'jighead' },
  'jighead-paddle-tail': { weight: 'jighead' },
  'jighead-jerk-shad': { weight: 'jighead' },
  'jighead-shrimp': { weight: 'jighead' },
  'weightless-stick-worm': { hook: 'wide-gap' },
  'wacky-stick-worm': { hook: 'wacky' },
  'soft-jerkbait': { hook: 'wide-gap' },
  'weedless-jerk-shad': { hook: 'wide-gap' },
  'dense-craw': { hook: 'wide-gap' },
};

const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;

/** What is cast, in g: a soft lure goes with the weight that is advised for it, others weigh what they weigh. */
export const riggedMassG = (lure: ItemOf<'lure'>, { category, size }: Presentation): number =>
  RIGGING[category]?.weight && RIGGING[lure.category]?.weight ? middle(size.weightG) : lure.weightG;

/** A small thing that a lure needs, and the owned piece that comes nearest. */
export interface Need {
  readonly what: string;
  readonly item: TackleItem | null;
  /** The piece is not quite what is wanted, in words. */
  readonly differs: string | null;
}

function nearest<T>(pieces: readonly T[], off: (piece: T) => number): T | null {
  return pieces.reduce<T | null>((best, piece) => (best === null || off(piece) < off(best) ? piece : best), null);
}

function weightNeed(
  shape: (typeof WEIGHT_SHAPES)[number],
  advisedG: Range,
  owned: readonly TackleItem[],
  units: UnitSystem,
): Need {
  const wanted = middle(advisedG);
  const pieces = owned.filter(
    (item): item is ItemOf<'weight'> => item.kind === 'weight' && item.shape === shape && item.count > 0,
  );
  const item = nearest(pieces, ({ weightG }) => Math.abs(Math.log(weightG / wanted)));
  const fits = item && item.weightG >= advisedG[0] * 0.9 && item.weightG <= advisedG[1] * 1.1;
  const name = shape === 'jighead' ? 'jighead' : `${shape} weight`;
  return {
    what: `${name}, ${sayRange('weight', advisedG, units)}`,
    item,
    differs: !item || fits ? null : `${say('weight', item.weightG, units)} is what there is`,
  };
}

function trailerNeed(
  { action, bulk }: NonNullable<Presentation['trailer']>,
  families: readonly string[],
  owned: readonly TackleItem[],
): Need {
  const pieces = owned.filter((item): item is ItemOf<'trailer'> => item.kind === 'trailer' && item.count > 0);
  const off = (item: ItemOf<'trailer'>) =>
    (item.trailerAction === action ? 0 : 2) +
    (item.bulk === bulk ? 0 : 1) +
    (item.families.some((family) => families.includes(family)) ? 0 : 0.8);
  const item = nearest(pieces, off);
  const same = item && item.trailerAction === action && item.bulk === bulk;
  return {
    what: `${bulk} ${action} trailer`,
    item,
    differs: !item || same ? null : `${item.bulk} and ${item.trailerAction} is what there is`,
  };
}

/** Weight, hook and trailer that a lure wants beside it, for the advice it stands for. */
export function needsOf(
  { category }: Pick<ItemOf<'lure'>, 'category'>,
  { size, trailer, colour, rig }: Presentation,
  owned: readonly TackleItem[],
  units: UnitSystem,
): Need[] {
  const { weight, hook } = RIGGING[category] ?? {};
  const needs: Need[] = [];
  if (weight) needs.push(weightNeed(weight, rig.headG ?? size.weightG, owned, units));
  if (hook) {
    const item = owned.find((each) => each.kind === 'hook' && each.hookStyle === hook && each.count > 0) ?? null;
    needs.push({ what: `${nameOf(hook)} hook`, item, differs: null });
  }
  if (trailer) needs.push(trailerNeed(trailer, colour.families, owned));
  return needs;
}
