import { Conditions, type ConditionsInput } from '../contract/conditions.js';

/** A plain day on a hill reservoir in early March; tests change what they are about. */
export const PLAIN_DAY = {
  discipline: 'bass',
  date: '2027-03-06',
  window: { from: '06:00', to: '15:00' },
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  waterKind: 'highland-reservoir',
  surfaceTempC: 9.5,
  tempTrendCPerDay: 0.3,
  yearLowC: 4.4,
  visibilityM: 1.8,
  normalVisibilityM: 2,
  sky: 'partly-cloudy',
  windMps: 3,
  structures: ['secondary-point'],
  covers: ['chunk-rock'],
  maxDepthM: 20,
} satisfies ConditionsInput;

/** Checked conditions: the plain day with changes. Throws where a test's own conditions are refused. */
export const day = (changes: Partial<ConditionsInput> = {}): Conditions =>
  Conditions.parse({ ...PLAIN_DAY, ...changes });
