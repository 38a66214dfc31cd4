import type { WeatherDay } from '../contract/outside.js';
import type { Reading, Water } from '../contract/records.js';
import { dateOf, dayNumber } from '../day/calendar.js';

const id = (n: number) => `01960000-0000-7000-8000-${String(n).padStart(12, '0')}`;
export const ZONE_IDS = [1, 2, 3].map(id) as [string, string, string];
export const [SHALLOW, MIDDLE, DEEP] = ZONE_IDS;

/** A lake of three zones in a row: a shallow arm, a middle, a deep basin. */
export const LAKE: Water = {
  id: id(100),
  name: 'Test lake',
  discipline: 'bass',
  waterKind: 'highland-reservoir',
  place: { latitude: 36, longitude: -88, timeZone: 'America/Chicago' },
  maxDepthM: 22,
  zones: [
    {
      id: SHALLOW,
      name: 'Arm',
      position: 'upstream',
      mixedDepthM: 2,
      maxDepthM: 3,
      darkBottom: true,
      neighbours: [MIDDLE],
    },
    { id: MIDDLE, name: 'Middle', position: 'mid', mixedDepthM: 5, maxDepthM: 12, neighbours: [SHALLOW, DEEP] },
    { id: DEEP, name: 'Basin', position: 'lower', mixedDepthM: 7, maxDepthM: 22, neighbours: [MIDDLE] },
  ],
  createdAt: '2025-01-01T00:00:00Z',
  updatedAt: '2025-01-01T00:00:00Z',
};

let readings = 0;
/** A reading at two in the afternoon, Chicago winter time. */
export const reading = (date: string, surfaceTempC: number, zoneId?: string, more: Partial<Reading> = {}): Reading => ({
  id: id(1000 + readings++),
  waterId: LAKE.id,
  at: `${date}T20:00:00Z`,
  surfaceTempC,
  zoneId,
  ...more,
});

/** Plain weather of the year about 36 degrees north, with the air off by so much. */
export function plainWeather(from: string, to: string, kind: WeatherDay['kind'] = 'observed', offC = 0): WeatherDay[] {
  const days: WeatherDay[] = [];
  for (let day = dayNumber(from); day <= dayNumber(to); day++) {
    const airTempC = 15 - 11 * Math.cos(((day - dayNumber('2026-01-15')) / 365.25) * 2 * Math.PI) + offC;
    days.push({
      date: dateOf(day),
      kind,
      airTempC,
      dewPointC: airTempC - 6,
      windMps: 3,
      windFromDeg: 200,
      cloudFraction: 0.45,
      pressureHpa: 1016,
      rainMm: 0,
      solarWm2: null,
    });
  }
  return days;
}
