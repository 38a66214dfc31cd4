import type { ConditionsInput } from '../contract/conditions.js';
import type { Phase, Sky } from '../contract/ids.js';
import type { WeatherDay } from '../contract/outside.js';
import { dateOf } from '../day/calendar.js';
import { likeliest, phasesOn } from './phase-filter.js';
import type { SeasonYear } from './year.js';
import type { SeasonZone } from './zone-year.js';

/** An overlay of this strength or more counts as there. */
const THERE = 0.5;
const YEAR_DAYS = 365;

export interface PhaseShare {
  readonly phase: Phase;
  readonly probability: number;
}

/** The phases of a zone on a day, likeliest first; those under two in a hundred are left out. */
export function phaseShares({ phases }: Pick<SeasonZone, 'phases'>, day: number): PhaseShare[] {
  const shares = phasesOn(phases, day);
  return phases.phases
    .map((phase, index) => ({ phase, probability: shares[index] as number }))
    .filter(({ probability }) => probability >= 0.02)
    .sort((a, b) => b.probability - a.probability);
}

/** The likeliest phase of a zone on a day. */
export const phaseOn = ({ phases }: Pick<SeasonZone, 'phases'>, day: number): Phase =>
  phases.phases[likeliest(phasesOn(phases, day))] as Phase;

/** A day of the season's span at the same time of year, for one that lies outside of it. */
function withinSpan({ firstDay, lastDay }: SeasonYear, day: number): number {
  const years =
    day > lastDay ? Math.ceil((day - lastDay) / YEAR_DAYS) : -Math.ceil(Math.max(0, firstDay - day) / YEAR_DAYS);
  return Math.min(lastDay, Math.max(firstDay, day - years * YEAR_DAYS));
}

/**
 * What the season knows of a day in a zone, as conditions to plan it from. Weather goes in where it is known. A day
 * outside the season's span is taken as the same time of year within it.
 */
export function conditionsOn(
  year: SeasonYear,
  zone: SeasonZone,
  day: number,
  weather: readonly WeatherDay[],
): Partial<ConditionsInput> {
  const at = withinSpan(year, day) - year.firstDay;
  const date = dateOf(day);
  const round = (value: number, step: number) => Math.round(value / step) * step;
  const tidy = (value: number) => Number(value.toFixed(2));
  const known = weather.find((each) => each.date === date);
  const front = zone.overlays['cold-front'][at] as number;
  return {
    date,
    surfaceTempC: tidy(round(zone.surfaceC[at] as number, 0.1)),
    tempTrendCPerDay: tidy(zone.trendCPerDay[at] as number),
    yearLowC: tidy(round(zone.yearLowC[at] as number, 0.1)),
    ...(zone.thermoclineM === null ? {} : { thermoclineM: tidy(zone.thermoclineM) }),
    ...(known
      ? {
          sky: skyOf(known),
          windMps: round(known.windMps, 0.5),
          ...(known.windFromDeg === null ? {} : { windFromDeg: round(known.windFromDeg, 5) % 360 }),
          front: front >= THERE ? ('post-frontal' as const) : ('stable' as const),
        }
      : {}),
  };
}

/** The sky of a day from its cloud and rain. */
export function skyOf({ cloudFraction, rainMm }: Pick<WeatherDay, 'cloudFraction' | 'rainMm'>): Sky {
  if (rainMm >= 3) return 'rain';
  if (cloudFraction >= 0.75) return 'overcast';
  return cloudFraction >= 0.35 ? 'partly-cloudy' : 'clear';
}
