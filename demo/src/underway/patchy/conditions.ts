import type { NextInput } from '@inky-shoal/core/underway/states';

type Conditions = NextInput['conditions'];

/** Days of a made-up reservoir, from the end of winter to fall, as one would type them. */
export const SEASONS: readonly Conditions[] = [
  { date: '2027-03-06', surfaceTempC: 9.5, tempTrendCPerDay: 0.3, visibilityM: 0.8, sky: 'overcast', windMps: 4 },
  { date: '2027-04-10', surfaceTempC: 15, tempTrendCPerDay: 0.5, visibilityM: 1.2, sky: 'partly-cloudy', windMps: 3 },
  { date: '2027-05-29', surfaceTempC: 23, tempTrendCPerDay: 0.2, visibilityM: 1.8, sky: 'clear', windMps: 2 },
  { date: '2027-07-24', surfaceTempC: 29, tempTrendCPerDay: 0, visibilityM: 2.2, sky: 'clear', windMps: 2 },
  { date: '2027-10-09', surfaceTempC: 20, tempTrendCPerDay: -0.4, visibilityM: 1.2, sky: 'partly-cloudy', windMps: 5 },
  { date: '2027-11-20', surfaceTempC: 13, tempTrendCPerDay: -0.4, visibilityM: 1.5, sky: 'overcast', windMps: 5 },
].map((day) => ({
  ...(day as Pick<Conditions, 'date' | 'surfaceTempC' | 'tempTrendCPerDay' | 'visibilityM' | 'sky' | 'windMps'>),
  discipline: 'bass',
  waterKind: 'highland-reservoir',
  window: { from: '06:30', to: '15:00' },
  place: { latitude: 35.2, longitude: -85.9, timeZone: 'America/New_York' },
  normalVisibilityM: 1.5,
  maxDepthM: 18,
}));
