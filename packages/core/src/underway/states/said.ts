import * as z from 'zod';
import { Conditions } from '../../contract/conditions.js';
import { clockTime, maybe, oneOf, quantity, record, shortText } from '../../contract/fields.js';
import { CATEGORIES, COVERS, STRUCTURES, TONES } from '../../contract/ids.js';
import { minutesOf } from '../../day/windows.js';

/** How fast a lure comes, as one says it. */
export const PACES = ['slow', 'medium', 'fast'] as const;
export type Pace = (typeof PACES)[number];

const MOST_PLACES = 40;
/** No day of fishing, and no stretch of one, is longer: what seems so runs backwards. */
export const LONGEST_MIN = 960;
const MOST_NOTES = 400;
const count = (what: string) => quantity(what, 0, 500).int({ error: `expected a whole number of ${what}` });
const minutes = quantity('minutes', 0, 600);
const placeId = shortText('the id of a place', 60);

export const NextPlaceShape = record('a place with id, structure and depthM', {
  id: placeId,
  structure: oneOf('a structure', STRUCTURES),
  cover: maybe(oneOf('a cover', COVERS)),
  depthM: z
    .tuple([quantity('a depth in metres', 0, 300), quantity('a depth in metres', 0, 300)], {
      error: 'expected the shallowest and the deepest of it in metres',
    })
    .refine(([from, to]) => from <= to, { error: 'expected the shallower depth first' }),
  /** Minutes of running to other places, by their ids. */
  minutesTo: maybe(z.record(placeId, minutes)),
});

/** What a stretch of fishing is written down with. */
export const noteFields = {
  from: clockTime,
  to: clockTime,
  place: placeId,
  category: oneOf('a category', CATEGORIES),
  depthM: maybe(quantity('a depth in metres', 0, 300)),
  pace: maybe(oneOf('a pace', PACES)),
  tone: maybe(oneOf('a tone', TONES)),
  casts: maybe(count('casts')),
  bites: count('bites'),
  follows: maybe(count('follows')),
  shortStrikes: maybe(count('short strikes')),
};
const Note = record('a note with from, to, place and category', noteFields);

/** A day as it stands: what was planned from, the places that can be gone to, and what was fished so far. */
export const NextInput = record('a day with conditions, now, until, places and notes', {
  conditions: Conditions,
  now: clockTime,
  until: clockTime,
  costs: maybe(record('costs in minutes', { retieMinutes: maybe(minutes), moveMinutes: maybe(minutes) })),
  places: z
    .array(NextPlaceShape, { error: 'expected a list of places' })
    .min(1, { error: 'expected at least one place' })
    .max(MOST_PLACES, { error: `expected at most ${MOST_PLACES} places` })
    .refine((places) => new Set(places.map(({ id }) => id)).size === places.length, {
      error: 'expected ids that are each used once',
    }),
  notes: z.array(Note, { error: 'expected a list of notes' }).max(MOST_NOTES, {
    error: `expected at most ${MOST_NOTES} notes`,
  }),
}).superRefine(({ places, notes, now, until }, context) => {
  const known = new Set(places.map(({ id }) => id));
  const refuse = (path: (string | number)[], message: string) =>
    context.addIssue({ code: 'custom', path, message, input: notes });
  // Over midnight a day goes on: its hours are told from its first note, or from now.
  const begin = minutesOf(notes[0]?.from ?? now);
  const since = (clock: string) => (minutesOf(clock) - begin + 1440) % 1440;
  const ahead = (minutesOf(until) - minutesOf(now) + 1440) % 1440;
  if (ahead === 0 || ahead > LONGEST_MIN) refuse(['until'], `expected a time after now, ${now}, got "${until}"`);
  let last = 0;
  notes.forEach(({ place, from, to }, at) => {
    if (!known.has(place)) refuse(['notes', at, 'place'], `expected the id of one of the places, got "${place}"`);
    const lasts = (minutesOf(to) - minutesOf(from) + 1440) % 1440;
    if (lasts === 0 || lasts > LONGEST_MIN) refuse(['notes', at, 'to'], `expected a time after ${from}, got "${to}"`);
    else if (since(from) < last)
      refuse(['notes', at, 'from'], `expected notes in the order of their hours, got "${from}"`);
    else if (since(to) > since(now)) refuse(['notes', at, 'to'], `expected a time up to now, ${now}, got "${to}"`);
    last = Math.max(last, since(to));
  });
});
export type NextInput = z.infer<typeof NextInput>;
export type NextPlace = NextInput['places'][number];
export type NextNote = NextInput['notes'][number];

/** What can be done next. To rest a place is not said by itself yet: one goes elsewhere, and is told when its fish are back. */
export const NEXT_MOVES = ['stay', 'turn-back', 'depth', 'pace', 'trim', 'lure', 'place', 'rest'] as const;
export type NextMoveId = (typeof NEXT_MOVES)[number];
