import type { CategoryId } from '../contract/ids.js';
import type { TiedOn } from '../contract/trips.js';
import type { Trip } from './trip.js';

/** What was tied on with the last fish that a lure of this category landed on a trip; null where nobody said. */
export function lastTiedOn({ notes }: Pick<Trip, 'notes'>, category: CategoryId): TiedOn | null {
  const said = notes.findLast(
    ({ event }) => event.kind === 'contact' && event.fish?.tiedOn && event.fishing?.category === category,
  )?.event;
  return (said?.kind === 'contact' && said.fish?.tiedOn) || null;
}
