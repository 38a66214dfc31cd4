import { Conditions, parse, type UnitSystem } from '@inky-shoal/core';
import type { WaterSeason } from '../season/season.service';
import { seasonDraft } from '../sheet/draft';
import { doubtsOf } from './day-doubts';
import type { MorningsQuestion } from './mornings-api';

/** Over so many days what is lacking is asked, and on one day in so many. */
const DAYS = 60;
const EVERY = 4;

/** A day of a water's season, with what is not known of it; none where it cannot be planned. */
function questionsOn(
  season: WaterSeason,
  zoneId: string | undefined,
  day: number,
  units: UnitSystem,
): MorningsQuestion[] {
  const { year, readings, outside, water } = season;
  const draft = seasonDraft(season, zoneId, day);
  const checked = parse(Conditions, draft.input);
  if (!checked.ok) return [];
  const { doubts } = doubtsOf(draft, { water, year, readings, weatherDays: outside.weatherDays }, year.today);
  return [{ conditions: checked.value, doubts, pairs: [], units }];
}

/** Days to come of a water's season, with what is not known of each. A day that cannot be planned is left out. */
export const daysAhead = (season: WaterSeason, units: UnitSystem): MorningsQuestion[] =>
  Array.from({ length: DAYS / EVERY }, (_, at) => season.year.today + 1 + EVERY * at).flatMap((day) =>
    questionsOn(season, undefined, day, units),
  );

/** The days that follow one on the same water, as many as there are of the season. @param after day number */
export const daysAfter = (
  season: WaterSeason,
  zoneId: string | undefined,
  after: number,
  count: number,
  units: UnitSystem,
): MorningsQuestion[] =>
  Array.from({ length: count }, (_, at) => after + 1 + at)
    .filter((day) => day <= season.year.lastDay)
    .flatMap((day) => questionsOn(season, zoneId, day, units));
