import {
  nameOf,
  phaseShares,
  say,
  sayRange,
  symbolOf,
  toShown,
  type OutsideState,
  type SeasonYear,
  type SeasonZone,
  type UnitSystem,
} from '@inky-shoal/core';
import { sayClock, sayTrend } from '../sheet/words';
import { localInput } from '../ui/local-time';
import { plainFigure } from '../ui/numbers';
import { BAND_SD } from './chart/year-picture';

const HOUR_MS = 3_600_000;
const HOURS_PER_DAY = 24;

/** How old something is: `2 hours old`, `3 days old`. */
export function sayAge(fromInstant: string, nowInstant: string): string {
  const hours = Math.max(0, Math.round((Date.parse(nowInstant) - Date.parse(fromInstant)) / HOUR_MS));
  if (hours < 1) return 'fresh';
  if (hours < 2 * HOURS_PER_DAY) return `${hours} ${hours === 1 ? 'hour' : 'hours'} old`;
  return `${Math.round(hours / HOURS_PER_DAY)} days old`;
}

const sayMoment = (instant: string, timeZone: string): string => {
  const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', timeZone }).format(new Date(instant));
  return `${day}, ${sayClock(localInput(instant, timeZone).slice(11))}`;
};

/** Where the weather comes from, how old it is, and what is wrong with it, in a sentence. */
export function sayWeather(state: OutsideState, now: string, timeZone: string): string {
  const { source, issuedAt, failure, asking } = state;
  const kept = issuedAt ? `of ${sayMoment(issuedAt, timeZone)}, ${sayAge(issuedAt, now)}` : null;
  if (failure && kept) return `The weather does not come in: ${failure}. What is used is ${kept}.`;
  if (failure) return `The weather does not come in: ${failure}. The usual year stands in for it.`;
  if (asking) return kept ? `Weather ${kept}; newer is being asked for.` : 'The weather is being asked for.';
  return kept
    ? `Weather ${kept}, from ${source ?? 'outside'}.`
    : 'No weather: give a service in Settings, or a CSV file here.';
}

/** Probabilities in words: `pre-spawn 93 %, staging 7 %`. */
export const sayPhases = (zone: SeasonZone, day: number, most = 3): string =>
  phaseShares(zone, day)
    .slice(0, most)
    .map(({ phase, probability }) => `${nameOf(phase)} ${Math.round(probability * 100)} %`)
    .join(', ');

export interface DayRead {
  readonly temp: string;
  readonly band: string;
  readonly trend: string;
  readonly phases: string;
  readonly food: string;
  readonly overlays: string;
}

const OVERLAYS = [
  ['turnover', 'the basin is turning over'],
  ['shad-spawn', 'the shad spawn is on'],
  ['cold-front', 'a cold front is just through'],
  ['run-off', 'run-off comes in'],
  ['bait-leaving', 'bait leaves the marsh'],
  ['flood-on-grass', 'the tide goes over the grass'],
  ['cold-kill', 'the cold stuns fish on the flats'],
] as const;

/** What is known of a zone on a day, in words. */
export function readDay(year: SeasonYear, zone: SeasonZone, day: number, units: UnitSystem): DayRead {
  const at = day - year.firstDay;
  /** What set it off is known of today. */
  const why = (id: string): string => {
    const [first] = day === year.today ? (zone.overlaysNow.find((each) => each.id === id)?.because ?? []) : [];
    return first ? ` (${first.text})` : '';
  };
  const [tempC, sd] = [zone.surfaceC[at] as number, (zone.sdC[at] as number) * BAND_SD];
  return {
    temp: say('temp', tempC, units),
    band: sayRange('temp', [Math.max(0, tempC - sd), tempC + sd], units),
    trend: sayTrend(zone.trendCPerDay[at] as number, units),
    phases: sayPhases(zone, day),
    food: zone.food
      .filter(({ from, to }) => from <= day && day <= to)
      .sort((a, b) => b.activity - a.activity)
      .map(({ kind, stage }) => `${nameOf(kind)} ${stage}`)
      .join(', '),
    overlays: OVERLAYS.filter(([id]) => (zone.overlays[id][at] as number) >= 0.5)
      .map(([id, words]) => `${words}, ${Math.round((zone.overlays[id][at] as number) * 100)} %${why(id)}`)
      .join('; '),
  };
}

/** A temperature with half its band, as `52 °F ± 2`. */
export function sayTempBand(zone: SeasonZone, at: number, units: UnitSystem): string {
  const half = toShown('tempChange', (zone.sdC[at] as number) * BAND_SD, units);
  return `${plainFigure('temp', zone.surfaceC[at] as number, units)} ± ${half.toFixed(half < 2 ? 1 : 0)} ${symbolOf('temp', units)}`;
}

/** By how much this year is ahead of the last, in words. */
export function sayAhead(zone: SeasonZone): string {
  if (!zone.lastYear) return 'last year not known';
  const { aheadDays } = zone.lastYear;
  if (aheadDays === null) return 'hardly moving';
  if (aheadDays === 0) return 'as last year';
  const days = `${Math.abs(aheadDays)} ${Math.abs(aheadDays) === 1 ? 'day' : 'days'}`;
  return aheadDays > 0 ? `${days} ahead` : `${days} behind`;
}
