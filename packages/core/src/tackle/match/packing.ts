import { nameOf } from '../../contract/names.js';
import type { TackleItem } from '../item.js';
import type { PackedBox, RodAdvice } from './rig-plan.js';

/**
 * What goes into the boat for these rods, box by box and slot by slot, each piece once.
 * @param more what goes along beside, each with what for
 */
export function packed(
  rods: readonly RodAdvice[],
  more: readonly { readonly item: TackleItem; readonly forWhat: string }[] = [],
): PackedBox[] {
  const boxes = new Map<string, { item: TackleItem; slot: string | null; forWhat: string }[]>();
  const seen = new Set<string>();
  const put = (item: TackleItem | null, forWhat: string) => {
    if (!item || seen.has(item.id)) return;
    seen.add(item.id);
    const box = item.box ?? '';
    boxes.set(box, [...(boxes.get(box) ?? []), { item, slot: item.slot ?? null, forWhat }]);
  };
  for (const { combo, lure, needs, respool, presentation } of rods) {
    const forWhat = nameOf(presentation.category);
    put(combo.rod, forWhat);
    put(lure, forWhat);
    for (const { item } of needs) put(item, forWhat);
    if (respool) put(respool.line, `to go on ${combo.reel.name}`);
  }
  for (const { item, forWhat } of more) put(item, forWhat);
  const order = (slot: string | null) => slot ?? '';
  return [...boxes]
    .sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : a.localeCompare(b, 'en', { numeric: true })))
    .map(([box, pieces]) => ({
      box: box || null,
      pieces: pieces.sort((a, b) => order(a.slot).localeCompare(order(b.slot), 'en', { numeric: true })),
    }));
}
