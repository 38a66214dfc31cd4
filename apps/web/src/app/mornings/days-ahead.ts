import { Conditions, parse, type UnitSystem } from '@inky-shoal/core';
import type { WaterSeason } from '../season/season.service';
import { seasonDraft } from '../sheet/draft';
import { doubtsOf } from './day-doubts';
import type { MorningsQuestion } from './mornings-api';

/** Over so many days what is lacking is asked, and on one day in so many. */
const DAYS = 60;
const EVERY = 4;

/** Days to come of a water's season, with what is not known of each. A day that cannot be planned is left out. */
export function daysAhead(season: WaterSeason, units: UnitSystem): MorningsQuestion[] {
  const { year, readings, outside, water } = season;
  const known = { water, year, readings, weatherDays: outside.weatherDays };
  return Array.from({ length: DAYS / EVERY }, (_, at) => year.today + 1 + EVERY * at).flatMap((day) => {
    const draft = seasonDraft(season, undefined, day);
    const checked = parse(Conditions, draft.input);
    if (!checked.ok) return [];
    const { doubts } = doubtsOf(draft, known, year.today);
    return [{ conditions: checked.value, doubts, pairs: [], units }];
  });
}
