import type { GaugeDay, GaugeHours, WeatherDay, WeatherHours } from '../contract/outside.js';
import { dateOf, localTimes } from '../day/calendar.js';

const HOUR_MS = 3_600_000;
/** A day with fewer hours than this says too little of its mean. */
const MIN_HOURS = 12;

type Column = readonly (number | null)[];

/** Indices of the hours of each local day, in order. */
function hoursByDay(firstHour: string, count: number, timeZone: string): Map<number, number[]> {
  const local = localTimes(timeZone);
  const first = Date.parse(firstHour);
  const days = new Map<number, number[]>();
  for (let index = 0; index < count; index++) {
    const { day } = local(first + index * HOUR_MS);
    const hours = days.get(day);
    if (hours) hours.push(index);
    else days.set(day, [index]);
  }
  return days;
}

const there = (column: Column, hours: readonly number[]): number[] =>
  hours.map((hour) => column[hour]).filter((value): value is number => typeof value === 'number');

function meanOf(column: Column, hours: readonly number[], least = MIN_HOURS): number | null {
  const values = there(column, hours);
  return values.length < least ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
}

/** Mean direction weighted by speed, so that a stormy hour counts for more than a breath. */
function meanDirection(from: Column, speed: Column, hours: readonly number[]): number | null {
  let [east, north, found] = [0, 0, 0];
  for (const hour of hours) {
    const [direction, wind] = [from[hour], speed[hour]];
    if (typeof direction !== 'number' || typeof wind !== 'number') continue;
    east += wind * Math.sin((direction * Math.PI) / 180);
    north += wind * Math.cos((direction * Math.PI) / 180);
    found++;
  }
  return found < MIN_HOURS ? null : ((((Math.atan2(east, north) * 180) / Math.PI) % 360) + 360) % 360;
}

/** Thermometers, wind gauges and flow gauges are read to the tenth: a mean is kept no finer, and days are sent about in thousands. */
const tenths = (value: number): number => Math.round(value * 10) / 10;
/** Cloud is seen in eighths: a twentieth is finer than that. */
const twentieths = (share: number): number => Math.round(share * 20) / 20;
/** Rain and levels are kept to the hundredth. */
const tidy = (value: number): number => Math.round(value * 100) / 100;
/** Wind's direction is kept to ten degrees, as stations report it; light to five watts, which no pyranometer tells apart. */
const maybeTens = (degrees: number | null): number | null =>
  degrees === null ? null : (Math.round(degrees / 10) * 10) % 360;
const maybeFives = (watts: number | null): number | null => (watts === null ? null : Math.round(watts / 5) * 5);
const maybeTidy = (value: number | null): number | null => (value === null ? null : tidy(value));
/** Pressure is measured to a tenth. */
const maybeTenths = (value: number | null): number | null => (value === null ? null : tenths(value));

/** Usual cloud, for a service that gives none. */
const USUAL_CLOUD = 0.5;

/**
 * Days of weather from hours, on the water's own clock. Hours that are missing are left out of the means; a day with
 * fewer than twelve hours of air, dew point or wind is left out altogether. A day is forecast where its noon is.
 */
export function daysOfWeather(hours: WeatherHours, timeZone: string): WeatherDay[] {
  const first = Date.parse(hours.firstHour);
  const forecastFrom = Date.parse(hours.forecastFrom);
  const days: WeatherDay[] = [];
  for (const [day, own] of hoursByDay(hours.firstHour, hours.airTempC.length, timeZone)) {
    const airTempC = meanOf(hours.airTempC, own);
    const dewPointC = meanOf(hours.dewPointC, own);
    const windMps = meanOf(hours.windMps, own);
    if (airTempC === null || dewPointC === null || windMps === null) continue;
    const observed = own.filter((hour) => first + hour * HOUR_MS < forecastFrom).length;
    const rain = there(hours.rainMm, own);
    // Light has a night: only a whole day's hours give its mean.
    const light = own.length >= 23 ? meanOf(hours.solarWm2, own, 23) : null;
    days.push({
      date: dateOf(day),
      kind: observed * 2 >= own.length ? 'observed' : 'forecast',
      airTempC: tenths(airTempC),
      dewPointC: tenths(Math.min(dewPointC, airTempC)),
      windMps: tenths(windMps),
      windFromDeg: maybeTens(meanDirection(hours.windFromDeg, hours.windMps, own)),
      cloudFraction: twentieths(meanOf(hours.cloudFraction, own) ?? USUAL_CLOUD),
      pressureHpa: maybeTenths(meanOf(hours.pressureHpa, own)),
      rainMm: tidy(rain.reduce((sum, value) => sum + value, 0)),
      solarWm2: maybeFives(light),
    });
  }
  return days;
}

/** Days of a gauge from its hours, on the water's own clock. */
export function daysOfGauge(hours: GaugeHours, timeZone: string): GaugeDay[] {
  return [...hoursByDay(hours.firstHour, hours.levelM.length, timeZone)].map(([day, own]) => ({
    date: dateOf(day),
    levelM: maybeTidy(meanOf(hours.levelM, own, 1)),
    inflowM3s: maybeTenths(meanOf(hours.inflowM3s, own, 1)),
    turbidityNtu: maybeTenths(meanOf(hours.turbidityNtu, own, 1)),
    ...(hours.waterTempC ? { waterTempC: maybeTidy(meanOf(hours.waterTempC, own, 1)) } : {}),
  }));
}
