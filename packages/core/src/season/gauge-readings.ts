import type { GaugeDay } from '../contract/outside.js';
import type { Reading, Water } from '../contract/records.js';
import { dateOf, localTimes } from '../day/calendar.js';
import { noonMs } from '../day/noon.js';

/**
 * The record with the water's temperature at the gauge as a reading of each day on which nobody read it oneself. In a
 * water of several zones a gauge is of none of them, and says nothing of where they stand apart.
 */
export function withGaugeReadings(
  { id: waterId, place, zones }: Pick<Water, 'id' | 'place' | 'zones'>,
  readings: readonly Reading[],
  gauge: readonly GaugeDay[],
): readonly Reading[] {
  if (zones && zones.length > 1) return readings;
  const local = localTimes(place.timeZone);
  const read = new Set(readings.map(({ at }) => dateOf(local(Date.parse(at)).day)));
  const zone = zones?.[0] ? { zoneId: zones[0].id } : {};
  const more = gauge.flatMap(({ date, waterTempC }): Reading[] =>
    typeof waterTempC !== 'number' || read.has(date)
      ? []
      : [
          {
            id: `gauge-${date}`,
            waterId,
            at: new Date(noonMs(date, place.timeZone)).toISOString(),
            surfaceTempC: waterTempC,
            version: 1,
            ...zone,
          },
        ],
  );
  return more.length ? [...readings, ...more] : readings;
}
