import { nameOf, type SeasonYear, type SeasonZone, type UnitSystem } from '@inky-shoal/core';
import { sayComing, sayDays } from '@inky-shoal/core/season/answer';
import { capital } from '../sheet/words';
import { readDay, sayAhead, sayPhases, sayTempBand } from './season-words';

/** The table of the year has a row for every so many days. */
const TABLE_STEP_DAYS = 7;
const SOON_DAYS = 5;

/** Whether a day's figure is read and worked out, forecast, or only what is usual. */
export function kindOfDay({ today, forecastTo }: SeasonYear, day: number): string {
  if (day <= today) return 'worked out';
  return day <= (forecastTo ?? today) ? 'forecast' : 'usual course';
}

function comingWords(zone: SeasonZone, today: number): string {
  const words = sayComing(zone, today);
  return words ? capital(words) : 'not within ten weeks';
}

/** The zones of a year side by side. */
export function zoneRows(year: SeasonYear, units: UnitSystem) {
  const at = year.today - year.firstDay;
  return year.zones.map((zone) => ({
    zone,
    now: sayTempBand(zone, at, units),
    soon: sayTempBand(zone, at + SOON_DAYS, units),
    phases: sayPhases(zone, year.today, 2),
    coming: comingWords(zone, year.today),
    ahead: sayAhead(zone),
    recorded: zone.recorded,
  }));
}

/** A zone's year, a row a week. */
export function weekRows(year: SeasonYear, zone: SeasonZone, units: UnitSystem) {
  const rows = [];
  for (let day = year.firstDay; day <= year.lastDay; day += TABLE_STEP_DAYS) {
    rows.push({ day, kind: kindOfDay(year, day), ...readDay(year, zone, day, units) });
  }
  return rows;
}

/** What the picture of a year says, for those who do not see it. */
export function yearWords({ name, spans }: SeasonZone): string {
  const phases = spans.map(({ phase, from, to }) => `${nameOf(phase)} ${sayDays(from, to)}`).join('; ');
  return `The year of ${name}: temperatures, phases and food by day. ${phases}. The table below says the same.`;
}
