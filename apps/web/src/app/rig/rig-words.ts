import { nameOf, say, type UnitSystem } from '@inky-shoal/core';
import type { RigPlan } from '@inky-shoal/core/tackle/match';
import type { TackleItem } from '@inky-shoal/core/tackle';
import { capital } from '../sheet/words';

const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const count = (number: number): string => COUNTS[number] ?? String(number);

/** Where a piece is kept: "Box 2, B1". */
export const sayWhere = ({ box, slot }: Pick<TackleItem, 'box' | 'slot'>): string =>
  [box, slot].filter(Boolean).join(', ');

/** What a piece is, in a line under its name. */
export function sayItem(item: TackleItem, units: UnitSystem): string {
  switch (item.kind) {
    case 'lure':
      return `${capital(nameOf(item.category))}, ${say('length', item.lengthMm, units)}, ${say('weight', item.weightG, units)}`;
    case 'trailer':
      return `Trailer, ${item.bulk} ${item.trailerAction}, ${say('length', item.lengthMm, units)}`;
    case 'hook':
      return `${capital(nameOf(item.hookStyle))} hooks, size ${item.hookSize}`;
    case 'weight':
      return `${capital(item.shape)}, ${item.metal}, ${say('weight', item.weightG, units)}`;
    case 'blade':
      return `${capital(item.bladeShape)} blades, ${nameOf(item.bladeFinish)}`;
    case 'rod':
      return `${capital(item.power)} ${item.rodAction} ${item.handle} rod, ${say('rodLength', item.rodLengthM, units)}`;
    case 'reel':
      return `${capital(item.handle)} reel, ${item.ratio}`;
    case 'line':
    case 'leader':
      return `${capital(item.kind)}, ${say('test', item.testLb, units)} ${item.material}`;
  }
}

/** The answer of a match: how many rods, and what of them is not right yet. */
export function sayRods({ rods, left, missing }: RigPlan): string {
  if (!rods.length) return 'Nothing owned carries what this day asks for.';
  const take = `Take ${rods.length === 1 ? 'this rod' : `these ${count(rods.length)} rods`}`;
  const short = rods.filter(({ reach }) => reach?.misses);
  const fresh = rods.filter(({ respool }) => respool);
  const turns = [
    ...(fresh.length ? [`put new line on ${count(fresh.length)}`] : []),
    ...(short.length ? [`${count(short.length)} will not reach as ${short.length === 1 ? 'it is' : 'they are'}`] : []),
    ...(left.some(({ why }) => why === 'no-lure') || missing.length ? ['something is missing'] : []),
  ];
  return turns.length ? `${take}; ${turns.join(', ')}.` : `${take}: they carry the whole day.`;
}
