import type { GaugeDay } from '../contract/outside.js';
import type { Reading } from '../contract/records.js';
import { withGaugeReadings } from './gauge-readings.js';

const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
const WATER = { id: '01980000-0000-7000-8000-000000000001', place: PLACE, zones: undefined };
const gauge = (date: string, waterTempC?: number | null): GaugeDay => ({
  date,
  levelM: 0,
  inflowM3s: null,
  turbidityNtu: null,
  waterTempC,
});
const own: Reading = { id: 'r', waterId: WATER.id, at: '2027-03-10T23:00:00-06:00', surfaceTempC: 11 };

it('fills the days on which nobody read the water', () => {
  const all = withGaugeReadings(
    WATER,
    [own],
    [gauge('2027-03-09', 10), gauge('2027-03-10', 9), gauge('2027-03-11', null)],
  );
  // The reading of late on the tenth stands for the tenth, whatever day it is in UTC.
  expect(all.map(({ at, surfaceTempC }) => [at.slice(0, 10), surfaceTempC])).toEqual([
    ['2027-03-10', 11],
    ['2027-03-09', 10],
  ]);
});

it('says nothing of a water of several zones, and is of the zone where there is one', () => {
  const zone = (id: string) => ({ id, name: id, meanDepthM: 3 }) as never;
  expect(withGaugeReadings({ ...WATER, zones: [zone('a'), zone('b')] }, [own], [gauge('2027-03-09', 10)])).toEqual([
    own,
  ]);
  const [, added] = withGaugeReadings({ ...WATER, zones: [zone('a')] }, [own], [gauge('2027-03-09', 10)]);
  expect(added).toMatchObject({ zoneId: 'a', surfaceTempC: 10 });
});
