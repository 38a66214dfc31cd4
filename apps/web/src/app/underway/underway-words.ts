import { say, type UnitSystem } from '@inky-shoal/core';
import {
  type BaitSeen,
  type Contact,
  type Fishing,
  fishingWords,
  type GoTo,
  placeWords,
  type TripEvent,
} from '@inky-shoal/core/underway';
import { compassOf, ON_TOP_M, sayWay } from '../sheet/words';

/** A time of day on the water's clock. */
export const sayTime = (atMs: number, timeZone: string | undefined): string =>
  new Intl.DateTimeFormat('en-US', { hour: 'numeric', minute: '2-digit', timeZone }).format(atMs).toLowerCase();

/** Where to steer: `1.2 miles NW, 312°`. */
export const sayGoTo = ({ distanceM, bearingDeg }: GoTo, units: UnitSystem): string =>
  `${sayWay(distanceM, units)} ${compassOf(bearingDeg)}, ${String(Math.round(bearingDeg) % 360).padStart(3, '0')}°`;

/** Where and how deep, as the end of a sentence. */
export const sayWhere = (fishing: Fishing): string => placeWords(fishing) || 'where you are';

/** A depth at which one fishes. */
export const sayDepth = (depthM: number, units: UnitSystem): string =>
  depthM <= ON_TOP_M ? 'on top' : say('depth', depthM, units);

/** An event as one line of the log. */
export function eventWords(event: TripEvent, units: UnitSystem): string {
  switch (event.kind) {
    case 'effort':
      return event.casts ? `${event.casts} casts` : `${event.minutes ?? 0} minutes`;
    case 'contact':
      return CONTACT_WORDS[event.what];
    case 'fishing':
      return fishingWords(event.fishing, units);
    case 'bait':
      return event.seen ? `Bait ${SEEN_NAMES[event.seen]}` : 'Bait seen';
    case 'birds':
      return `Birds ${event.sign === 'birds-diving' ? 'diving' : 'on the bank'}`;
    case 'mark':
      return 'Mark';
    case 'reading':
      return 'Reading';
    case 'plan':
      return 'New plan taken';
    default:
      return '';
  }
}

/** What bait did, in words. */
export const SEEN_NAMES: Readonly<Record<BaitSeen, string>> = {
  flicking: 'flicking',
  chased: 'chased',
  'schooled-deep': 'deep',
  'on-banks': 'on the banks',
  'following-the-lure': 'following',
  'at-the-surface': 'on top',
};

const CONTACT_WORDS: Readonly<Record<Contact, string>> = {
  follow: 'Follow',
  short: 'Short strike',
  missed: 'Bite missed',
  lost: 'Lost',
  landed: 'Landed',
};
