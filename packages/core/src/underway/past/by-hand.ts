import * as z from 'zod';
import { calendarDate, clockTime, maybe, oneOf, quantity, record, shortText, timeZone } from '../../contract/fields.js';
import { CATEGORIES, SPECIES, STRUCTURES } from '../../contract/ids.js';
import { parse, type Parsed } from '../../contract/problems.js';
import { FISH_LENGTH_MM, type Fishing } from '../../contract/trips.js';
import { noonMs } from '../../day/noon.js';
import { minutesOf } from '../../day/windows.js';
import { usualFishing } from '../candidates.js';
import { withoutUndefined } from '../without-undefined.js';
import { effortOf, type Told } from './trip-table.js';

const MINUTE_MS = 60_000;
const NOON_MIN = 720;
/** A trip over midnight lasts at most so long: else its end was typed before its start. */
const LONGEST_OVER_MIDNIGHT_MIN = 840;
const MOST_LURES = 30;
const MOST_BITES = 200;

const count = (what: string) => quantity(what, 0, MOST_BITES).int({ error: `expected a whole number of bites` });

/** What was fished with one lure on a trip of the past. */
const FishedByHand = record('what was fished', {
  category: oneOf('a category', CATEGORIES),
  spot: maybe(shortText('a place', 120)),
  structure: maybe(oneOf('a structure', STRUCTURES)),
  depthM: maybe(quantity('a depth in metres', 0, 300)),
  minutes: quantity('minutes', 1, 1440),
  /** All that took it, those that were landed among them. */
  bites: count('a number of bites'),
  fish: count('a number of fish'),
  species: maybe(oneOf('a species', SPECIES)),
  /** The longest of them. */
  lengthMm: maybe(quantity('a length in millimetres', ...FISH_LENGTH_MM)),
}).refine(({ bites, fish }) => fish <= bites, {
  error: 'expected no more fish than bites',
  path: ['fish'],
});

/** A trip of the past as one writes it down by hand. */
export const TripByHand = record('a trip of the past', {
  date: calendarDate,
  from: clockTime,
  to: clockTime,
  timeZone,
  fished: z
    .array(FishedByHand, { error: 'expected what was fished' })
    .min(1, { error: 'expected at least one lure' })
    .max(MOST_LURES, { error: `expected at most ${MOST_LURES} lures` }),
  note: maybe(shortText('a note', 2000)),
}).superRefine(({ from, to, fished }, context) => {
  const lasts = lastsMin(from, to);
  const overMidnight = to <= from;
  if (lasts === 0 || (overMidnight && lasts > LONGEST_OVER_MIDNIGHT_MIN)) {
    const message = `expected an end after ${from}, got ${to}`;
    context.addIssue({ code: 'custom', path: ['to'], message, input: to });
    return;
  }
  const minutes = fished.reduce((sum, each) => sum + each.minutes, 0);
  if (minutes > lasts) {
    const message = `expected at most the ${lasts} minutes from ${from} to ${to} in all, got ${minutes}`;
    context.addIssue({ code: 'custom', path: ['fished'], message, input: fished });
  }
});
export type TripByHand = z.input<typeof TripByHand>;

/** Minutes from one clock time to the next time that the other is shown. */
export const lastsMin = (from: string, to: string): number => (minutesOf(to) - minutesOf(from) + 1440) % 1440;

/** A trip as the log takes it: when it began, and all that is told of it. */
export interface WrittenDown {
  readonly startMs: number;
  readonly told: readonly Told[];
}

/**
 * Checks a trip that was written down by hand and tells it as notes made afterwards, each lure after the one before.
 * Never throws on bad input: refusals come back as problems, field by field.
 */
export function tripByHand(value: unknown): Parsed<WrittenDown> {
  const checked = parse(TripByHand, value);
  if (!checked.ok) return checked;
  const { date, from, to, timeZone: zone, fished, note } = checked.value;
  const startMs = noonMs(date, zone) + (minutesOf(from) - NOON_MIN) * MINUTE_MS;
  const told: Told[] = [];
  let atMs = startMs;
  for (const { category, spot, structure, depthM, minutes, bites, fish, species, lengthMm } of fished) {
    const usual = usualFishing(category, depthM);
    const fishing: Fishing = {
      ...usual,
      spot: spot ?? null,
      structure: structure ?? null,
      unsaid: depthM === undefined ? ['depthM', 'paceMps'] : ['paceMps'],
    };
    told.push(...effortOf(minutes / 60, fishing, atMs));
    for (let bite = 0; bite < bites; bite++) {
      const inHand = bite < fish;
      const best = withoutUndefined(bite === 0 ? { species, lengthMm } : { species });
      told.push({
        // Nobody said when they bit: spread over the lure's own time.
        atMs: Math.round(atMs + ((bite + 0.5) / bites) * minutes * MINUTE_MS),
        said: { kind: 'contact', what: inHand ? 'landed' : 'missed', fishing, ...(inHand ? { fish: best } : {}) },
      });
    }
    atMs += minutes * MINUTE_MS;
  }
  const endMs = startMs + lastsMin(from, to) * MINUTE_MS;
  told.push({ atMs: endMs, said: { kind: 'finish' } });
  const review = { planned: [], done: [], found: [] };
  told.push({ atMs: endMs, said: { kind: 'review', review, ...(note ? { note } : {}) } });
  return { ok: true, value: { startMs, told } };
}
