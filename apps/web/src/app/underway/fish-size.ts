import { readQuantityIn, say, sayRange, symbolOf, type UnitSystem } from '@inky-shoal/core';
import { FISH_LENGTH_MM, FISH_WEIGHT_G, type Catch, type TagSeen, type Trip } from '@inky-shoal/core/underway';
import { sayShortDate } from '../ui/dates';
import { plainFigure } from '../ui/numbers';
import { sayTime } from './underway-words';

/** What is measured of a fish. */
export type FishSize = 'lengthMm' | 'weightG';
export const FISH_SIZES = [
  { key: 'lengthMm', name: 'Length' },
  { key: 'weightG', name: 'Weight' },
] as const;
const BOUNDS = { lengthMm: FISH_LENGTH_MM, weightG: FISH_WEIGHT_G } as const;
const MEASURES = { lengthMm: 'fishLength', weightG: 'fishWeight' } as const;

export const unitOf = (size: FishSize, units: UnitSystem): string => symbolOf(MEASURES[size], units);

const read = (size: FishSize, text: string, units: UnitSystem): number | undefined =>
  readQuantityIn(text, MEASURES[size], units);

/** A known size as it stands in its field. */
export function shownSize(size: FishSize, known: Catch, units: UnitSystem): string {
  const si = known[size];
  return si === undefined ? '' : plainFigure(MEASURES[size], si, units);
}

/** What was typed; nothing where the field stands as it did, since it was only shown rounded. */
export const typedOver = (size: FishSize, typed: string, known: Catch, units: UnitSystem): number | undefined =>
  typed === shownSize(size, known, units) ? undefined : read(size, typed, units);

/** What is wrong with a size as it is typed, in the user's units. */
export function sizeProblem(size: FishSize, text: string, units: UnitSystem): string | null {
  if (!text.trim()) return null;
  const expected = `Expected ${sayRange(MEASURES[size], BOUNDS[size], units)}`;
  const si = read(size, text, units);
  if (si === undefined) return `${expected}, got "${text.trim().slice(0, 20)}".`;
  const [least, most] = BOUNDS[size];
  return si < least || si > most ? `${expected}, got ${text.trim()} ${unitOf(size, units)}.` : null;
}

/** A note of a fish among trips, with its trip. */
export function noteOf(trips: readonly Trip[], id: string) {
  const trip = trips.find(({ notes }) => notes.some(({ event }) => event.id === id));
  const event = trip?.notes.find((note) => note.event.id === id)?.event;
  return { trip, contact: event?.kind === 'contact' ? event : undefined };
}

/** Where a tagged fish was seen before, in words. */
export const seenWords = ({ atMs, tripName, spot, lengthMm }: TagSeen, units: UnitSystem) => ({
  when: `${sayShortDate(atMs)}, ${sayTime(atMs, undefined)}`,
  where: [tripName, spot].filter(Boolean).join(', '),
  length: lengthMm === null ? null : say('fishLength', lengthMm, units),
});
