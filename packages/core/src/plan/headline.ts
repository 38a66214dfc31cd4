import { capital, nameOf, pluralOf } from '../contract/names.js';
import type { Plan } from '../contract/plan.js';
import { sayRange, type UnitSystem } from '../units/units.js';

/** From about a quarter of a degree a day the water is called warming or cooling. */
const WARMING_C_PER_DAY = 0.2;

function trendWord(trendCPerDay: number): string {
  if (trendCPerDay >= WARMING_C_PER_DAY) return 'and warming';
  if (trendCPerDay <= -WARMING_C_PER_DAY) return 'and cooling';
  return 'and steady';
}

/** Depth has to change by this factor over the day to be worth saying. */
const MOVES = 1.25;

/**
 * The answer in two short sentences: the season and its way, then where and how deep, and which way through the day.
 * @example
 * const conditions = Conditions.parse({
 *   discipline: 'bass',
 *   date: '2027-03-13',
 *   surfaceTempC: 10.5,
 *   place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
 * });
 * headline(makePlan(conditions), 0.3, 'us').split('.')[0] // => 'Pre-spawn and warming'
 */
export function headline(plan: Plan, tempTrendCPerDay: number, units: UnitSystem): string {
  const [first] = plan.windows;
  const place = first?.holding[0];
  const season = `${capital(nameOf(plan.phase.id))} ${trendWord(tempTrendCPerDay)}.`;
  if (!first || !place) return season;
  const depths = plan.windows.flatMap(({ holding }) =>
    holding.slice(0, 1).map(({ depthM }) => (depthM[0] + depthM[1]) / 2),
  );
  const start = depths[0] as number;
  const [up, down] = [start / Math.min(...depths), Math.max(...depths) / start];
  const way =
    up > MOVES && up >= down ? ', moving up with the sun' : down > MOVES ? ', deeper as the light comes up' : '';
  return `${season} ${capital(pluralOf(place.structure))}, ${sayRange('depth', place.depthM, units)}${way}.`;
}
