import type { Fishing, TripEvent, TripEventOf, TripPlan } from '../contract/trips.js';
import { withoutUndefined } from './without-undefined.js';
import { timelineOf, type Timed } from './timeline.js';

/** Events that say something of the water or the fishing, as they stand after corrections. */
export type Note = Timed<TripEventOf<'effort' | 'contact' | 'bait' | 'birds' | 'mark' | 'reading' | 'fishing'>>;
export type TripState = 'going' | 'paused' | 'over';

/** A trip as its events tell it so far. */
export interface Trip {
  readonly id: string;
  readonly begin: TripEventOf<'begin'>;
  readonly startMs: number;
  readonly state: TripState;
  /** When it was paused or finished; null while it goes on. */
  readonly stoppedMs: number | null;
  /** The plan that is followed, and since when; null where one set out without. */
  readonly plan: TripPlan | null;
  readonly planMs: number;
  /** What is fished at present; null until it was said. */
  readonly fishing: Fishing | null;
  readonly notes: readonly Note[];
  /** Stretches in which one did not fish, in milliseconds; the last may still be open. */
  readonly pauses: readonly { readonly fromMs: number; readonly toMs: number | null }[];
  readonly review: TripEventOf<'review'> | null;
  /** When it went to the bin, a UTC instant by the machine's clock, not the book's; null where it is not there. */
  readonly removedAt: string | null;
  /** Devices whose clocks jumped. */
  readonly wrongClocks: ReadonlySet<string>;
}

/** Kinds of events that a tap makes and an undo takes back. */
const TAPS: ReadonlySet<TripEvent['kind']> = new Set([
  'effort',
  'contact',
  'bait',
  'birds',
  'mark',
  'reading',
  'fishing',
  'plan',
]);
const isNote = ({ event }: Timed): boolean => event.kind !== 'plan' && TAPS.has(event.kind);

/** An event as later ones put it right. */
function corrected<E extends TripEvent>(event: E, correction: TripEventOf<'correct'>): E {
  const { fish, atBoat, casts, fishing, forage, seen, sign } = correction;
  const told = event as TripEvent;
  const about = fishing && 'fishing' in told ? { fishing } : {};
  if (told.kind === 'contact') {
    const own = {
      ...(fish && { fish: { ...told.fish, ...withoutUndefined(fish) } }),
      ...(atBoat !== undefined && { atBoat }),
    };
    return { ...event, ...about, ...own };
  }
  if (told.kind === 'bait') return { ...event, ...withoutUndefined({ forage, seen }) };
  if (told.kind === 'birds') return { ...event, ...withoutUndefined({ sign }) };
  if (told.kind === 'effort') return { ...event, ...about, ...(casts && { casts }) };
  return { ...event, ...about };
}

/** Ids of events that were taken back, unless that was taken back again, whatever order clocks put them in. */
function takenBack(events: readonly TripEvent[]): Set<string> {
  const takers = new Map<string, string[]>();
  for (const event of events) {
    if (event.kind === 'take-back') takers.set(event.of, [...(takers.get(event.of) ?? []), event.id]);
  }
  const known = new Map<string, boolean>();
  const isTaken = (id: string): boolean => {
    const before = known.get(id);
    if (before !== undefined) return before;
    // What would take itself back in a circle does not.
    known.set(id, false);
    const taken = (takers.get(id) ?? []).some((taker) => !isTaken(taker));
    known.set(id, taken);
    return taken;
  };
  return new Set([...takers.keys()].filter(isTaken));
}

/** A trip's events, whatever was taken back left out and what was corrected in its place. */
function effectiveEvents(events: readonly Timed[]): Timed[] {
  const taken = takenBack(events.map(({ event }) => event));
  const corrections = new Map<string, TripEventOf<'correct'>[]>();
  for (const { event } of events) {
    if (event.kind === 'correct') corrections.set(event.of, [...(corrections.get(event.of) ?? []), event]);
  }
  return events
    .filter(({ event }) => !taken.has(event.id))
    .map(({ event, atMs }) => ({
      event: (corrections.get(event.id) ?? []).filter(({ id }) => !taken.has(id)).reduce(corrected, event),
      atMs,
    }));
}

/**
 * The trip that some events tell; null where they do not begin one, or it was erased. Events of other trips are passed over.
 * @example
 * tripOf([], 'no-trip') // => null
 */
export function tripOf(events: readonly TripEvent[], tripId: string): Trip | null {
  const { events: timed, wrongClocks } = timelineOf(events.filter((event) => event.tripId === tripId));
  const held = effectiveEvents(timed);
  const first = held.find((each): each is Timed<TripEventOf<'begin'>> => each.event.kind === 'begin');
  if (!first || timed.some(({ event }) => event.kind === 'erase')) return null;
  let state: TripState = 'going';
  let stoppedMs: number | null = null;
  let plan = first.event.plan;
  let planMs = first.atMs;
  let fishing: Fishing | null = null;
  let review: TripEventOf<'review'> | null = null;
  let removedAt: string | null = null;
  const pauses: { fromMs: number; toMs: number | null }[] = [];
  for (const { event, atMs } of held) {
    switch (event.kind) {
      case 'pause':
      case 'finish':
        if (state === 'going') {
          pauses.push({ fromMs: atMs, toMs: null });
          stoppedMs = atMs;
        }
        if (state !== 'over') state = event.kind === 'pause' ? 'paused' : 'over';
        break;
      case 'resume': {
        const open = pauses.at(-1);
        if (open && state !== 'going') open.toMs = atMs;
        state = 'going';
        stoppedMs = null;
        break;
      }
      case 'plan':
        ({ plan } = event);
        planMs = atMs;
        // Who takes a plan does what it says.
        fishing = null;
        break;
      case 'review':
        review = event;
        break;
      case 'remove':
        removedAt = new Date(Date.parse(event.at) - first.event.aheadMs).toISOString();
        break;
      case 'put-back':
        removedAt = null;
        break;
      case 'fishing':
      case 'effort':
      case 'contact':
        fishing = event.fishing ?? fishing;
        break;
      default:
    }
  }
  return {
    id: tripId,
    begin: first.event,
    startMs: first.atMs,
    state,
    stoppedMs,
    plan,
    planMs,
    fishing,
    notes: held.filter(isNote) as Note[],
    pauses,
    review,
    removedAt,
    wrongClocks,
  };
}

/** Trips as they were told last, with how many events told them: events are only added, so as many tell the same. */
export type KnownTrips = Map<string, { readonly count: number; readonly trip: Trip | null }>;

/**
 * Trips among events that do not lie in the bin, the latest made first: ids go by the time at which they are made,
 * whatever hour a book shows.
 * @param known what was told before is not told anew; filled on the way
 */
export function tripsOf(events: readonly TripEvent[], known?: KnownTrips): Trip[] {
  return allTripsOf(events, known).filter(({ removedAt }) => removedAt === null);
}

/** Trips that lie in the bin, the latest removed first. */
export function removedTripsOf(events: readonly TripEvent[]): (Trip & { readonly removedAt: string })[] {
  return allTripsOf(events)
    .flatMap((trip) => (trip.removedAt === null ? [] : { ...trip, removedAt: trip.removedAt }))
    .sort((a, b) => Date.parse(b.removedAt) - Date.parse(a.removedAt));
}

function allTripsOf(events: readonly TripEvent[], known?: KnownTrips): Trip[] {
  const byTrip = new Map<string, TripEvent[]>();
  for (const event of events) {
    const own = byTrip.get(event.tripId);
    if (own) own.push(event);
    else byTrip.set(event.tripId, [event]);
  }
  return [...byTrip]
    .flatMap(([id, own]) => {
      const before = known?.get(id);
      if (before?.count === own.length) return before.trip ?? [];
      const trip = tripOf(own, id);
      known?.set(id, { count: own.length, trip });
      return trip ?? [];
    })
    .sort((a, b) => (a.id < b.id ? 1 : -1));
}

/** The last tap of a device on a trip that still stands: what an undo takes back. */
export function lastTap(events: readonly TripEvent[], tripId: string, deviceId: string): TripEvent | null {
  const own = events
    .filter((event) => event.tripId === tripId && event.deviceId === deviceId)
    .sort((a, b) => a.seq - b.seq);
  const taken = takenBack(own);
  return own.filter(({ id, kind }) => TAPS.has(kind) && !taken.has(id)).at(-1) ?? null;
}

/** Something that was done to a note after it was made: taken back or put right, by which device, and when. */
export interface NoteChange {
  readonly event: TripEventOf<'take-back' | 'correct'>;
  /** The note as it was made. */
  readonly note: TripEvent;
}

/** What was done to the notes of all trips, the latest first; what was itself taken back is left out. */
export function noteChanges(events: readonly TripEvent[]): NoteChange[] {
  const byId = new Map(events.map((event) => [event.id, event]));
  const inOrder = [...events].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.seq - b.seq);
  const taken = takenBack(inOrder);
  return inOrder
    .flatMap((event): NoteChange[] => {
      if ((event.kind !== 'take-back' && event.kind !== 'correct') || taken.has(event.id)) return [];
      const note = byId.get(event.of);
      return note && note.kind !== 'take-back' ? [{ event, note }] : [];
    })
    .reverse();
}

/** Milliseconds of a stretch in which one fished: pauses taken off. */
export function activeMs({ pauses }: Pick<Trip, 'pauses'>, fromMs: number, toMs: number): number {
  const rested = pauses.reduce(
    (sum, pause) => sum + Math.max(0, Math.min(toMs, pause.toMs ?? toMs) - Math.max(fromMs, pause.fromMs)),
    0,
  );
  return Math.max(0, toMs - fromMs - rested);
}

/** An earlier fish with the same tag number. */
export interface TagSeen {
  readonly atMs: number;
  readonly tripName: string;
  readonly spot: string | null;
  readonly lonLat: readonly [number, number] | null;
  readonly lengthMm: number | null;
}

const tagKey = (tag: string): string => tag.replace(/\s+/g, '').toUpperCase();

/** Where and when fish with a tag number were seen before, the latest first. @param except the note being written */
export function tagSeen(trips: readonly Trip[], tag: string, except?: string): TagSeen[] {
  const wanted = tagKey(tag);
  if (!wanted) return [];
  return trips
    .flatMap(({ begin, notes }) =>
      notes.flatMap(({ event, atMs }): TagSeen[] =>
        event.kind === 'contact' && event.id !== except && tagKey(event.fish?.tag ?? '') === wanted
          ? [
              {
                atMs,
                tripName: begin.name,
                spot: event.fishing?.spot ?? null,
                lonLat: event.sensed?.lonLat ?? null,
                lengthMm: event.fish?.lengthMm ?? null,
              },
            ]
          : [],
      ),
    )
    .sort((a, b) => b.atMs - a.atMs);
}
