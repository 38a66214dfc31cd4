import type { Competition } from '../contract/competition.js';
import { capital, nameOf } from '../contract/names.js';
import { sayClock } from '../day/say-clock.js';
import { clockOf } from '../day/windows.js';
import { say, sayRange, type UnitSystem } from '../units/units.js';
import type { Way } from './belief.js';
import type { ChangeOver } from './change-over.js';
import type { DayThatCounts } from './day.js';
import type { PracticeSpot } from './practice.js';
import type { WayInWindow } from './ways.js';

const NUMBERS = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'] as const;
const count = (number: number): string => NUMBERS[number] ?? String(number);

/** A share as it is said: `8 of 10`. */
const ofTen = (share: number): string =>
  share >= 0.95
    ? 'nearly all'
    : share < 0.05
      ? 'hardly any'
      : `${Math.max(1, Math.min(9, Math.round(10 * share)))} of 10`;

/** What counts, in the user's units. */
export const sizeWords = (size: number, { by }: Pick<Competition, 'by'>, units: UnitSystem): string =>
  say(by === 'weight' ? 'fishWeight' : 'fishLength', size, units);

/** What a way fishes for. */
const FOR: Readonly<Record<Way, string>> = { limit: 'a limit', big: 'a big one' };

/** The box in a line: `3 of 5, 4.2 lb. Two are missing.` */
export function boxWords(
  { box, rules, unmeasured, fish }: Pick<DayThatCounts, 'box' | 'rules' | 'unmeasured' | 'fish'>,
  units: UnitSystem,
): string {
  const { best, missing, toBeat, isClosed, total } = box;
  if (!best.length) return `Nothing in the box yet; ${count(rules.limit)} count.`;
  const next = isClosed
    ? 'The box is full.'
    : toBeat === null
      ? `${capital(count(missing))} ${missing === 1 ? 'is' : 'are'} missing.`
      : `The next must be over ${sizeWords(toBeat, rules, units)}.`;
  const wereOf = (some: number) => ` ${capital(count(some))} ${some === 1 ? 'was' : 'were'}`;
  const guessed = unmeasured ? `${wereOf(unmeasured)} not measured and taken as usual.` : '';
  const byLength = fish.filter(({ estimated }) => estimated).length;
  const reckoned = byLength ? `${wereOf(byLength)} not weighed, but measured.` : '';
  return `${best.length} of ${rules.limit}, ${sizeWords(total, rules, units)}. ${next}${guessed}${reckoned}`;
}

function whenWords({ atMin, once }: ChangeOver, nowMin: number): string {
  const hour = atMin === null ? null : sayClock(clockOf(atMin));
  const inBox = once === null ? null : `once ${count(once)} ${once === 1 ? 'is' : 'are'} in the box`;
  if (atMin !== null && atMin <= nowMin) return 'now';
  if (hour && inBox) return `${inBox}, at ${hour} at the latest`;
  return inBox ?? `at ${hour}`;
}

/** When to change over, in a sentence. */
export function changeOverWords({
  change,
  nowMin,
  way,
  box,
}: Pick<DayThatCounts, 'change' | 'nowMin' | 'way' | 'box'>): string {
  if (!change) return 'The day is over.';
  if (box.isClosed) return 'The box is full, and none may be let go: go in.';
  const { atMin, once, to } = change;
  if (atMin === null && once === null) return `Fish for ${FOR[way]} to the end.`;
  const when = whenWords(change, nowMin);
  if (when === 'now') return `Change over now: fish for ${FOR[to]}.`;
  return `Fish for ${FOR[way]}. Change over ${when}: then for ${FOR[to]}.`;
}

/** What that brings, and how sure that is. */
export function oddsWords(
  { change, rules, box }: Pick<DayThatCounts, 'change' | 'rules' | 'box'>,
  units: UnitSystem,
): string[] {
  if (!change || box.isClosed) return [];
  const { best, stay, atMin, once, from, more, less } = change;
  const measure = rules.by === 'weight' ? 'fishWeight' : 'fishLength';
  const total = `${sizeWords(best.mean, rules, units)} at the end as a rule, ${sayRange(measure, [best.low, best.high], units)} on eight days of ten.`;
  const full = `The box is full on ${ofTen(best.fullOdds)} of such days.`.replace('of 10 of such days', 'of 10 days');
  if (atMin === null && once === null) return [total, full];
  return [
    total,
    full,
    `Fishing for ${FOR[from]} to the end brings ${sizeWords(stay.mean, rules, units)}: changing over is better on ${ofTen(more)} days, worse on ${ofTen(less)}.`,
  ];
}

/** What is thrown in a way, and where: `jerkbait, point`. */
export const wayWords = ({ presentation, holding }: WayInWindow, units: UnitSystem): string =>
  [
    `${nameOf(presentation.category)} ${sayRange('depth', presentation.runDepthM, units)}`,
    ...(holding ? [nameOf(holding.structure)] : []),
  ].join(', ');

/** Practice in a line. */
export function practiceWords({
  practice: { trips },
}: {
  readonly practice: { readonly trips: readonly { readonly holds: number }[] };
}): string {
  if (!trips.length) return '';
  const holds = Math.round((100 * trips.reduce((sum, trip) => sum + trip.holds, 0)) / trips.length);
  const days = trips.length === 1 ? 'One practice trip' : `${trips.length} practice trips`;
  return `${days}: ${holds} of 100 of what ${trips.length === 1 ? 'it' : 'they'} showed still holds.`;
}

/** What practice showed of a place: `4 bites in 2.5 h, 2 days before; 7 of 10 of that holds`. */
export function spotWords({ bites, hours, daysSince, holds, bitesAgain }: PracticeSpot): string {
  const came = `${bites} ${bites === 1 ? 'bite' : 'bites'} in ${hours < 10 ? hours.toFixed(1) : Math.round(hours)} h`;
  const since = daysSince === 1 ? 'the day before' : `${daysSince} days before`;
  return `${came}, last fished ${since}; ${ofTen(holds)} of that still holds. A bite within an hour: ${Math.round(100 * bitesAgain)} of 100.`;
}
