import { capital, dateOf, figureOf, nameOf, say, type UnitSystem } from '@inky-shoal/core';
import {
  crossed,
  levelWords,
  type Claim,
  type Counted,
  type Factor,
  type LevelRate,
  type LogbookRow,
  type SpotMemory,
} from '@inky-shoal/core/logbook';
import type { Moved } from '@inky-shoal/core/record';
import { sayStretch } from '@inky-shoal/core/underway';
import { sayShortDate } from '../ui/dates';
import type { Taught } from '../record/record-api';
import { countWords } from '../record/record-words';

export const sayDay = (date: string): string => sayShortDate(`${date}T12:00:00Z`, 'UTC');

/** Hours of fishing in words: `5 h 20`. */
export const hoursWords = (hours: number): string => sayStretch(hours * 3_600_000);

/** Water and phase of a trip in a line. */
export function dayWords({ surfaceTempC, visibilityM, phase }: LogbookRow, units: UnitSystem): string {
  return [
    surfaceTempC === null ? null : say('temp', surfaceTempC, units),
    visibilityM === null ? null : `sees ${say('depth', visibilityM, units)}`,
    phase && nameOf(phase),
  ]
    .filter(Boolean)
    .join(', ');
}

/** What a trip brought in a line: `3 fish of 5 bites, 6 h 10`. */
export function broughtWords({ fish, bites, hours }: Pick<LogbookRow, 'fish' | 'bites' | 'hours'>): string {
  const landed = fish === bites ? `${fish} fish` : `${fish} fish of ${countWords(bites, 'bite')}`;
  return `${landed}, ${hoursWords(hours)}`;
}

/** How sure something is, as an angler says it. */
export function sureWords(likely: number): string {
  if (likely >= 0.975) return 'nearly certain';
  const tenths = Math.min(9, Math.max(5, Math.round(10 * likely)));
  return tenths === 5 ? 'even odds' : `${tenths} in 10 sure`;
}

const round = (value: number): string => (value >= 10 ? value.toFixed(0) : value.toFixed(value < 1 ? 2 : 1));

/** What is told of the record in its one sentence must be likely, and rest on hours. */
const TOLD_LIKELY = 0.9;
const TOLD_HOURS = 5;

/** What was learnt that is worth a sentence: the furthest moved of what is likely and rests on hours. */
export const mostTelling = (moved: readonly Moved[]): Moved | undefined =>
  moved.find(({ likely, hours, kind }) => kind === 'factor' && likely >= TOLD_LIKELY && hours >= TOLD_HOURS);

/** One thing that was learnt, in words, with how sure it is. */
export function taughtWords({ what, posterior, hours, likely }: Moved): string {
  const times = posterior >= 1 ? `${posterior.toFixed(1)} times` : `${Math.round(100 * posterior)} % of`;
  return `${capital(what)} brings ${times} the bites that the rules expect (${countWords(Math.round(hours), 'hour')}; ${sureWords(likely)}).`;
}

/** What the record says of a claim, in words. */
export function claimWords(
  claim: Claim | null,
  factor: Factor,
  level: string,
  counted: Counted,
  units: UnitSystem,
): string {
  const what = levelWords(factor, level, units);
  if (!claim) return `${capital(what)}: it was never so, or never otherwise, so nothing can be said.`;
  const { times, low, high, likely, trips, tripsWith } = claim;
  const range = `${round(times)} times the ${counted} of the rest, four times in five between ${round(low)} and ${round(high)}`;
  const from = `${tripsWith} of ${countWords(trips, 'trip')}`;
  if (likely < 0.8 && likely > 0.2) return `${capital(what)}: no sign of it in ${from} (${range}).`;
  const way = likely >= 0.5 ? 'More' : 'Fewer';
  return `${capital(what)}: ${way.toLowerCase()} ${counted}, ${sureWords(Math.max(likely, 1 - likely))}: ${range} (${from}).`;
}

/** A rate in words. */
export const rateFigure = (perHour: number): string => round(perHour);

/** What a place brought so far, in a line. */
export function spotHistory({ trips, hours, bites, fish, lastBiteDay }: SpotMemory): string {
  const last = lastBiteDay === null ? 'never a bite' : `last bite ${sayDay(dateOf(lastBiteDay))}`;
  return `${countWords(trips, 'trip')}, ${hoursWords(hours)}, ${countWords(bites, 'bite')}, ${fish} fish; ${last}.`;
}

/** The chance of a bite within an hour at a place, in words. */
export const biteChance = ({ bitesAgain }: SpotMemory): string => `${Math.round(100 * bitesAgain)} in 100`;

/** How long a fish is, in the user's units, without the unit. */
export const lengthFigure = (mm: number | null, units: UnitSystem): string =>
  mm === null ? '' : figureOf('fishLength', mm, units);

/** What the waters' records have taught, in one sentence; null where there is none. */
export function recordSentence(taught: readonly Taught[]): string | null {
  const [most] = [...taught].sort((a, b) => b.hours - a.hours);
  if (!most) return null;
  const telling = mostTelling(most.moved);
  const from = `${countWords(most.trips, 'trip')}, ${countWords(Math.round(most.hours), 'hour')}`;
  return telling ? `${from}. ${taughtWords(telling)}` : `${from}: nothing is sure enough yet to be told.`;
}

/** What trips that were found brought together. @param of so many */
export function countedWords(found: readonly LogbookRow[], of: number): string {
  const total = (what: 'fish' | 'bites' | 'hours') => found.reduce((sum, row) => sum + row[what], 0);
  const among = found.length === of ? '' : ` of ${of}`;
  const trips = `${found.length}${among} ${found.length === 1 && !among ? 'trip' : 'trips'}`;
  return `${trips}: ${total('fish')} fish of ${countWords(total('bites'), 'bite')} in ${countWords(Math.round(total('hours')), 'hour')}.`;
}

/** What stands in a log to be looked for. */
export const namesIn = (rows: readonly LogbookRow[]) => ({
  lures: [...new Set(rows.flatMap(({ lures }) => lures))],
  species: [...new Set(rows.flatMap(({ species }) => species))],
  companions: [...new Set(rows.flatMap(({ companions }) => companions))].sort(),
});

/** A level of what is looked at, or of two things crossed, in words. */
export function levelName(
  { level }: Pick<LevelRate, 'level'>,
  factor: Factor,
  across: Factor | undefined,
  units: UnitSystem,
): string {
  const [one = '', other = ''] = level.split(crossed('', ''));
  const first = capital(levelWords(factor, one, units));
  return across ? `${first}, ${levelWords(across, other, units)}` : first;
}
