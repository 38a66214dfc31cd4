import reference from '../testing/fixtures/sun-moon.json';
import { sunAltitudeDeg, sunDay, dayLengthH, dayOfYear } from './sun.js';

const ZONE = 'UTC';
const secondsApart = (a: Date | null, b: string | null) =>
  a && b ? Math.abs(a.getTime() - Date.parse(b)) / 1000 : a === null && b === null ? 0 : Infinity;

describe('sun and moon against an independent ephemeris', () => {
  it.each(reference.rows.map((row) => [`${row.place} ${row.localDate}`, row] as const))('%s', (_, row) => {
    const sun = sunDay(row.localDate, { latitude: row.latitude, longitude: row.longitude, timeZone: ZONE });
    expect(secondsApart(sun.sunrise, row.sunrise)).toBeLessThanOrEqual(60);
    expect(secondsApart(sun.sunset, row.sunset)).toBeLessThanOrEqual(60);
    expect(secondsApart(sun.civilDawn, row.civilDawn)).toBeLessThanOrEqual(60);
    expect(secondsApart(sun.civilDusk, row.civilDusk)).toBeLessThanOrEqual(60);
    expect(secondsApart(sun.solarNoon, row.solarNoon)).toBeLessThanOrEqual(60);
    expect(Math.abs(sun.noonAltitudeDeg - row.noonAltitudeDeg)).toBeLessThanOrEqual(0.05);
    expect(Math.abs(sun.moonIlluminatedFraction - row.moonIlluminatedFraction)).toBeLessThanOrEqual(0.005);
  });

  it('agrees with itself: the sun stands at the horizon at sunrise and highest at noon', () => {
    const sun = sunDay('2027-03-13', { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' });
    expect(sunAltitudeDeg(sun, 35.9, sun.sunriseMin!)).toBeCloseTo(-0.83, 0);
    expect(sunAltitudeDeg(sun, 35.9, sun.noonMin)).toBeCloseTo(sun.noonAltitudeDeg, 1);
  });

  it('knows the local clock, summer time too', () => {
    const winter = sunDay('2027-03-13', { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' });
    const summer = sunDay('2027-03-15', { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' });
    expect(summer.sunriseMin! - winter.sunriseMin!).toBeGreaterThan(50);
  });

  it('gives day lengths near those of sunrise and sunset', () => {
    for (const row of reference.rows) {
      if (!row.sunrise || !row.sunset) continue;
      const hours = (Date.parse(row.sunset) - Date.parse(row.sunrise)) / 3_600_000;
      expect(Math.abs(dayLengthH(row.latitude, dayOfYear(row.localDate)) - hours)).toBeLessThan(0.2);
    }
  });
});
