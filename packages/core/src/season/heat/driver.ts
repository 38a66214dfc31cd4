import type { Place } from '../../contract/conditions.js';
import type { WeatherDay } from '../../contract/outside.js';
import { climateTempC } from '../climate.js';
import { dateOf, dayNumber, yearDayOf } from '../../day/calendar.js';
import { extraterrestrialWm2, heatExchange, solarWm2, type Exposure, type HeatExchange } from './surface.js';
import { usualYear } from './usual.js';

/** What is known of a day's weather. */
export const KNOWLEDGE = { usual: 0, observed: 1, forecast: 2 } as const;

/** The weather over a stretch of days as the heat model needs it: every day has a pull, and says how well it is known. */
export interface Driver {
  readonly firstDay: number;
  readonly count: number;
  /** One of KNOWLEDGE for every day. */
  readonly knowledge: Uint8Array;
  /** Days since the last observed day, for days of the forecast. */
  readonly leadDays: Float32Array;
  readonly windMps: Float32Array;
  readonly solarWm2: Float32Array;
  /** The pull on water under an exposure, one for every day. */
  readonly pullsOn: (exposure: Exposure) => readonly HeatExchange[];
}

const USUAL_WIND_MPS = 3;
const USUAL_LIGHT_SHARE = 0.55;

/**
 * Lays the known weather over a stretch of days. Days of which nothing is known take the usual year, which what is
 * known has moved.
 */
export function driverOf(place: Place, weather: readonly WeatherDay[], firstDay: number, count: number): Driver {
  const { latitude } = place;
  const known = new Map(weather.map((day) => [dayNumber(day.date), day]));
  const knowledge = new Uint8Array(count);
  const leadDays = new Float32Array(count);
  const windMps = new Float32Array(count).fill(USUAL_WIND_MPS);
  const solar = new Float32Array(count);
  let lastObserved = firstDay - 1;
  for (let at = 0; at < count; at++) {
    const day = known.get(firstDay + at);
    if (day?.kind === 'observed') lastObserved = firstDay + at;
    if (day) {
      knowledge[at] = KNOWLEDGE[day.kind];
      leadDays[at] = day.kind === 'forecast' ? firstDay + at - lastObserved : 0;
      windMps[at] = day.windMps;
    }
    solar[at] = day
      ? solarWm2(day, latitude)
      : extraterrestrialWm2(latitude, dateOf(firstDay + at)) * USUAL_LIGHT_SHARE;
  }
  const usualWaterC = (day: number): number => climateTempC(latitude, yearDayOf(day));
  return {
    firstDay,
    count,
    knowledge,
    leadDays,
    windMps,
    solarWm2: solar,
    pullsOn: (exposure) => {
      const pulls = [...known].map(([day, each]) => ({
        day,
        kind: each.kind,
        pull: heatExchange(each, latitude, usualWaterC(day), exposure),
      }));
      const byDay = new Map(pulls.map(({ day, pull }) => [day, pull]));
      const usual = usualYear(
        latitude,
        pulls.filter(({ kind }) => kind === 'observed'),
      );
      return Array.from({ length: count }, (_, at) => byDay.get(firstDay + at) ?? usual(firstDay + at));
    },
  };
}
