import type { Conditions } from '../contract/conditions.js';
import type { GaugeDay, WeatherDay } from '../contract/outside.js';
import type { Reading, Water } from '../contract/records.js';
import { moonMarks, type MoonMark } from '../day/moon.js';
import { followLake } from './heat/lake.js';
import type { UnitSystem } from '../units/units.js';
import { dateOf, dayNumber, localTimes } from '../day/calendar.js';
import { withGaugeReadings } from './gauge-readings.js';
import { notesOf } from './notes.js';
import { sharedFacts } from './zone-facts.js';
import { zoneYear, type SeasonZone, type ZoneScope } from './zone-year.js';

/** The year that is shown: so many days back and ahead of today. */
export const SHOWN_BACK_DAYS = 245;
export const SHOWN_AHEAD_DAYS = 120;
/** The next phase is looked for this far ahead. */
const LOOK_AHEAD_DAYS = 160;
/** Last year is laid along the forecast so far. */
const COMPARED_AHEAD_DAYS = 10;

export interface SeasonInput {
  readonly water: Water;
  readonly readings: readonly Reading[];
  readonly weather: readonly WeatherDay[];
  readonly gauge: readonly GaugeDay[];
  /** The instant that counts as now. */
  readonly now: string;
  readonly species?: Conditions['species'];
  readonly units: UnitSystem;
}

export interface SeasonYear {
  readonly firstDay: number;
  readonly today: number;
  readonly lastDay: number;
  /** Last day of which a forecast is known; null where there is none. */
  readonly forecastTo: number | null;
  readonly zones: readonly SeasonZone[];
  readonly moon: readonly MoonMark[];
  /** What the figures rest on, where they rest on less than they might. */
  readonly notes: readonly string[];
}

/**
 * The season of a water: where each zone stands and stood, what phase the fish think it is, what is coming and when, and
 * what the forage does. Everything follows from the record, the weather and the place; with none of the first two it is
 * the usual year of the latitude, and says so.
 * @example
 * const place = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
 * const water = { id: '1', name: 'Pond', discipline: 'bass', waterKind: 'pond', place, createdAt: '', updatedAt: '' };
 * const year = seasonYear({ water, readings: [], weather: [], gauge: [], now: '2027-03-13T12:00:00Z', units: 'us' });
 * dateOf(year.today) // => '2027-03-13'
 */
export function seasonYear(given: SeasonInput): SeasonYear {
  const { water, now } = given;
  const input = { ...given, readings: withGaugeReadings(water, given.readings, given.gauge) };
  const today = localTimes(water.place.timeZone)(Date.parse(now)).day;
  const lake = followLake({ ...input, today: dateOf(today), daysAhead: LOOK_AHEAD_DAYS });
  const firstDay = today - SHOWN_BACK_DAYS;
  const lastDay = today + SHOWN_AHEAD_DAYS;
  const forecastDays = input.weather.filter(({ kind }) => kind === 'forecast').map(({ date }) => dayNumber(date));
  const forecastTo = forecastDays.length ? Math.max(...forecastDays) : null;
  const scope: ZoneScope = {
    ...input,
    lake,
    firstDay,
    today,
    lastDay,
    comparedTo: Math.max(today, Math.min(forecastTo ?? today, today + COMPARED_AHEAD_DAYS)),
    shared: sharedFacts(water, input.weather, input.gauge),
  };
  return {
    firstDay,
    today,
    lastDay,
    forecastTo: forecastTo !== null && forecastTo > today ? forecastTo : null,
    zones: lake.zones.map((zone, index) => zoneYear(zone, index, scope)),
    moon: moonMarks(firstDay, lastDay),
    notes: notesOf(water, input.weather, lake),
  };
}
