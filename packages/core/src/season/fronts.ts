import type { GaugeDay, WeatherDay } from '../contract/outside.js';
import type { Known } from '../rules/facts.js';
import { dateOf } from '../day/calendar.js';

const ramp = (value: number, zero: number, one: number): number =>
  Math.min(1, Math.max(0, (value - zero) / (one - zero)));

/** Weather by date. */
export type WeatherByDate = ReadonlyMap<string, WeatherDay>;
/** Gauge by date. */
export type GaugeByDate = ReadonlyMap<string, GaugeDay>;

/** How much a front of yesterday and the day before still counts. */
const WEARS_OFF = [1, 0.7, 0.4] as const;

/**
 * How far a cold front went through on a day, 0 to 1: the air colder than the two days before by 3 to 7 degrees while
 * pressure rises or the wind stands in the north-west. Judgement.
 */
function frontOn(weather: WeatherByDate, day: number): number {
  const [here, before, earlier] = [0, 1, 2].map((back) => weather.get(dateOf(day - back)));
  if (!here || !before) return 0;
  const was = earlier ? Math.max(before.airTempC, earlier.airTempC) : before.airTempC;
  const fell = ramp(was - here.airTempC, 3, 7);
  const rose =
    here.pressureHpa === null || before.pressureHpa === null ? 1 : ramp(here.pressureHpa - before.pressureHpa, -2, 3);
  return fell * Math.max(rose, 0.4);
}

/** What the weather says of fronts on a day: one behind, for up to three days, and one that is coming tomorrow. */
export function frontFacts(weather: WeatherByDate, day: number): Known {
  const behind = Math.max(...WEARS_OFF.map((share, back) => share * frontOn(weather, day - back)));
  const coming = frontOn(weather, day + 1);
  return { 'front:post-frontal': behind, 'front:approaching': coming > behind ? coming : 0 };
}

/** Level that counts as rising, metres in two days, and turbidity that counts as mud against its usual. */
const RISING_M = [0.05, 0.25] as const;
const LOOK_BACK_DAYS = 30;

/** What the gauge says of a day: a level that comes up, water dirtier than it was in the month before. */
export function gaugeFacts(gauge: GaugeByDate, day: number): Known {
  const [here, before] = [gauge.get(dateOf(day)), gauge.get(dateOf(day - 2))];
  if (!here) return {};
  const rise = here.levelM !== null && typeof before?.levelM === 'number' ? here.levelM - before.levelM : 0;
  const usual = Array.from({ length: LOOK_BACK_DAYS }, (_, back) => gauge.get(dateOf(day - 1 - back))?.turbidityNtu)
    .filter((value): value is number => typeof value === 'number')
    .sort((a, b) => a - b);
  const median = usual[usual.length >> 1];
  // Seen depth goes about with the inverse of turbidity to the power of two thirds.
  const relativeClarity =
    median && here.turbidityNtu !== null ? (median / Math.max(0.1, here.turbidityNtu)) ** 0.67 : undefined;
  return { 'level:rising': ramp(rise, ...RISING_M), ...(relativeClarity === undefined ? {} : { relativeClarity }) };
}
