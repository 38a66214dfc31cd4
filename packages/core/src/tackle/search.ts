import { nameOf } from '../contract/names.js';
import type { TackleItem } from './item.js';

const GRAMS_PER_OUNCE = 28.349523125;

/** Words are compared small, without marks and hyphens: "Square-bill" is found by "squarebill". */
const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[-_]/g, '');

/** Weights as anglers say them: to the sixteenth of an ounce. */
function ounces(grams: number): string {
  const sixteenths = Math.round((grams / GRAMS_PER_OUNCE) * 16);
  for (const part of [1, 2, 4, 8]) {
    if (sixteenths % (16 / part) === 0)
      return part === 1 ? `${sixteenths / 16}oz` : `${sixteenths / (16 / part)}/${part}oz`;
  }
  return `${sixteenths}/16oz`;
}

/** Everything of an item that a person might type, as one text. */
export function searchText(item: TackleItem): string {
  const said: unknown[] = [item.kind, item.name, item.box, item.slot, item.notes];
  for (const [field, value] of Object.entries(item)) {
    if (['id', 'photoId', 'reelId', 'lineId', 'leaderId'].includes(field)) continue;
    if (typeof value === 'string' && field !== 'kind') said.push(nameOf(value));
    else if (Array.isArray(value)) said.push(...value.filter((each) => typeof each === 'string').map(nameOf));
  }
  if ('weightG' in item) said.push(ounces(item.weightG), `${item.weightG}g`);
  if ('lengthMm' in item) said.push(`${item.lengthMm}mm`, `${Math.round((item.lengthMm / 25.4) * 2) / 2}in`);
  if ('testLb' in item) said.push(`${item.testLb}lb`);
  if ('ratio' in item) said.push(String(item.ratio));
  if ('hookSize' in item) said.push(`#${item.hookSize}`);
  return plain(said.filter(Boolean).join(' '));
}

/** Owned tackle, ready to be searched. */
export interface TackleIndex<T extends TackleItem> {
  readonly items: readonly T[];
  readonly texts: readonly string[];
  readonly names: readonly string[];
}

export const tackleIndex = <T extends TackleItem>(items: readonly T[]): TackleIndex<T> => ({
  items,
  texts: items.map(searchText),
  names: items.map(({ name }) => plain(name)),
});

/**
 * Items that hold every word typed, anywhere; those whose name begins with the first word stand first, then those with
 * it in their name. Without words, all in their order.
 */
export function searchTackle<T extends TackleItem>({ items, texts, names }: TackleIndex<T>, typed: string): T[] {
  const words = plain(typed).split(/\s+/).filter(Boolean);
  const [first] = words;
  if (first === undefined) return [...items];
  const ranked: [T[], T[], T[]] = [[], [], []];
  for (const [at, item] of items.entries()) {
    const text = texts[at] as string;
    if (!words.every((word) => text.includes(word))) continue;
    const name = names[at] as string;
    ranked[name.startsWith(first) ? 0 : name.includes(first) ? 1 : 2].push(item);
  }
  return ranked.flat();
}
