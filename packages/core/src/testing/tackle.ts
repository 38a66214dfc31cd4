import type { CategoryId } from '../contract/ids.js';
import type { TackleDraft, TackleItem } from '../tackle/item.js';
import { lurePreset, presetOf } from '../tackle/presets.js';

type Draft<K extends TackleDraft['kind']> = Partial<Extract<TackleDraft, { kind: K }>>;

/** Ids that are told apart by a number. */
export const idOf = (number: number): string => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`;

/** A lure of a category as it usually is, with changes. */
export const lure = (number: number, category: CategoryId, more: Draft<'lure'> = {}) => ({
  id: idOf(number),
  ...lurePreset(category),
  ...more,
});

/** A rod with reel and line, three pieces that hang on one another; ids from the number on. */
export function combo(
  number: number,
  rod: Draft<'rod'> = {},
  line: Draft<'line'> = {},
  reel: Draft<'reel'> = {},
): TackleItem[] {
  const [reelId, lineId] = [idOf(number + 1), idOf(number + 2)];
  return [
    { id: idOf(number), ...presetOf('rod'), name: `Rod ${number}`, reelId, ...rod },
    { id: reelId, ...presetOf('reel'), name: `Reel ${number}`, lineId, ...reel },
    { id: lineId, ...presetOf('line'), name: `Line ${number}`, ...line },
  ];
}

/** A large collection: so many lures of all categories and tones, told apart by size and name. */
export function manyLures(count: number, categories: readonly CategoryId[]): TackleItem[] {
  return Array.from({ length: count }, (_, at) => {
    const category = categories[at % categories.length] as CategoryId;
    const preset = lurePreset(category);
    return {
      id: idOf(1_000_000 + at),
      ...preset,
      name: `${preset.name} ${at}`,
      box: `Box ${at % 40}`,
      slot: `${at % 24}`,
      lengthMm: preset.lengthMm + (at % 7),
    };
  });
}
