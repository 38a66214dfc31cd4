import type { ForecastPair, WeatherDay } from '../contract/outside.js';
import type { Reading } from '../contract/records.js';
import { dateOf, dayNumber } from '../day/calendar.js';
import { judgeDay } from '../plan/judge.js';
import { day } from '../testing/days.js';
import {
  forecastErrorsOf,
  MORNING_FIELDS,
  usualForecastErrors,
  visibilityDoubt,
  type MorningDoubts,
} from './doubts.js';
import { drawMornings, seenAtRamp, type MorningChange } from './draw.js';

const GIVEN = day({ windFromDeg: 180 });
const BASE = judgeDay(GIVEN, 'us').conditions;
const TODAY = dayNumber(GIVEN.date);

const weatherOn = (offset: number, more: Partial<WeatherDay> = {}): WeatherDay => ({
  date: dateOf(TODAY + offset),
  kind: 'forecast',
  airTempC: 14,
  dewPointC: 6,
  windMps: 3,
  windFromDeg: 180,
  cloudFraction: 0.5,
  pressureHpa: 1015,
  rainMm: 0,
  solarWm2: null,
  ...more,
});
const doubts = (more: Partial<MorningDoubts> = {}): MorningDoubts => ({
  leadDays: 1,
  surfaceSdC: 1.2,
  surfaceSdNowC: 0.8,
  weather: [-2, -1, 0, 1].map((offset) => weatherOn(offset)),
  errors: usualForecastErrors,
  visibility: { daysSince: 3, logPerDay: 0.08, logPerRainMm: 0.012 },
  fixed: [],
  ...more,
});
const drawn = (more: Partial<MorningDoubts> = {}, count = 512, seed = 3) =>
  drawMornings(BASE, doubts(more), count, seed);
const meanOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const sdOf = (values: readonly number[]) => Math.sqrt(meanOf(values.map((value) => (value - meanOf(values)) ** 2)));
const temps = (list: readonly MorningChange[]) => list.map(({ surfaceTempC }) => surfaceTempC);
const shareOf = (list: readonly MorningChange[], holds: (each: MorningChange) => boolean) =>
  list.filter(holds).length / list.length;

describe('mornings that may come', () => {
  it('are the same for a seed, and have the water as the season knows it', () => {
    expect(drawn()).toEqual(drawn());
    expect(drawn({}, 32, 4)).not.toEqual(drawn({}, 32, 3));
    expect(meanOf(temps(drawn()))).toBeCloseTo(BASE.surfaceTempC, 1);
    expect(sdOf(temps(drawn()))).toBeCloseTo(1.2, 1);
  });

  it('keep what was said by hand', () => {
    for (const change of drawn({ fixed: MORNING_FIELDS })) {
      expect(change).toEqual(Object.fromEntries(MORNING_FIELDS.map((field) => [field, BASE[field]])));
    }
    const warm = drawn({ fixed: ['surfaceTempC'] });
    expect(new Set(temps(warm))).toEqual(new Set([BASE.surfaceTempC]));
    expect(new Set(warm.map(({ sky }) => sky)).size).toBeGreaterThan(1);
  });

  it('are read at the ramp as they are where it lies in the same zone, else as far as both waters go together', () => {
    const changes = drawn();
    const at = (alike: number) =>
      seenAtRamp(BASE, doubts({ ramp: { surfaceC: BASE.surfaceTempC + 3, sdC: 0.9, alike } }), changes, 3);
    expect(seenAtRamp(BASE, doubts(), changes, 3)).toBe(changes);
    for (const alike of [0, 0.8, 1]) {
      const read = temps(at(alike));
      expect(meanOf(read)).toBeCloseTo(BASE.surfaceTempC + 3, 0);
      expect(sdOf(read)).toBeCloseTo(0.9, 1);
      const [a, b] = [temps(changes), read];
      const together = meanOf(a.map((each, index) => (each - meanOf(a)) * ((b[index] as number) - meanOf(b))));
      expect(together / (sdOf(a) * sdOf(b))).toBeCloseTo(alike, 1);
    }
    expect(at(0.8).map(({ sky }) => sky)).toEqual(changes.map(({ sky }) => sky));
  });

  it('have colder water under clouds than was forecast, as far as the weather is what is not known', () => {
    const byWeather = drawn({ surfaceSdNowC: 0 });
    const dark = byWeather.filter(({ sky }) => sky === 'overcast' || sky === 'rain');
    const bright = byWeather.filter(({ sky }) => sky === 'clear');
    expect(meanOf(temps(bright)) - meanOf(temps(dark))).toBeGreaterThan(0.6);
    // What nobody knows of today's water has nothing to do with tomorrow's clouds.
    const ofToday = drawn({ surfaceSdNowC: 1.2 });
    const between = (holds: (each: MorningChange) => boolean) => meanOf(temps(ofToday.filter(holds)));
    expect(Math.abs(between(({ sky }) => sky === 'clear') - between(({ sky }) => sky === 'overcast'))).toBeLessThan(
      0.35,
    );
  });

  it('differ more the further ahead they are, and most where nobody forecast them', () => {
    const windSd = (more: Partial<MorningDoubts>) => sdOf(drawn(more).map(({ windMps }) => Math.log(windMps + 0.1)));
    const [tomorrow, later, never] = [{ leadDays: 1 }, { leadDays: 6 }, { weather: [] }].map(windSd);
    expect(later).toBeGreaterThan(1.3 * tomorrow!);
    expect(never).toBeGreaterThan(later!);
    expect(shareOf(drawn({ weather: [] }), ({ front }) => front !== 'stable')).toBeCloseTo(0.35, 1);
  });

  it('may have the front of the day after already, and its clouds with it', () => {
    const front = weatherOn(1, { airTempC: 5, pressureHpa: 1025, cloudFraction: 0.9, windMps: 8 });
    const weather = [weatherOn(-2), weatherOn(-1), weatherOn(0), front];
    const near = drawn({ weather, leadDays: 1 });
    const far = drawn({ weather, leadDays: 7 });
    const behind = ({ front: stands }: MorningChange) => stands === 'post-frontal';
    expect(shareOf(near, behind)).toBeLessThan(shareOf(far, behind));
    expect(shareOf(far, behind)).toBeGreaterThan(0.05);
  });

  it('are dirtier after rain that came since the water was looked at, and on a level that may rise', () => {
    const wet = [-3, -2, -1].map((offset) => weatherOn(offset, { rainMm: 25 }));
    const after = drawn({ weather: [...wet, weatherOn(0)] });
    const seen = (list: readonly MorningChange[]) => meanOf(list.map(({ visibilityM }) => Math.log(visibilityM)));
    expect(seen(after)).toBeLessThan(seen(drawn()) - 0.4);
    expect(shareOf(after, ({ level }) => level === 'rising')).toBeGreaterThan(0.6);
    expect(shareOf(drawn(), ({ level }) => level === 'rising')).toBe(0);
  });

  it('lie within what the planner takes', () => {
    const wild = drawn({
      surfaceSdC: 30,
      leadDays: 400,
      visibility: { daysSince: null, logPerDay: 3, logPerRainMm: 1 },
    });
    for (const change of wild) expect(() => day({ ...change, windFromDeg: change.windFromDeg })).not.toThrow();
  });
});

describe('how far forecasts are off', () => {
  const pairs = (off: number, count = 40): ForecastPair[] =>
    Array.from({ length: count }, (_, at) => ({
      leadDays: 1 + (at % 5),
      forecast: weatherOn(0, { cloudFraction: 0.5 }),
      observed: weatherOn(0, { cloudFraction: 0.5 + (at % 2 ? off : -off), windMps: 3 * (at % 2 ? 1 + off : 1) }),
    }));

  it('is as usual before any came, and learnt from what came', () => {
    expect(forecastErrorsOf([])(3)).toEqual(usualForecastErrors(3));
    expect(forecastErrorsOf(pairs(0.02))(3).cloud).toBeLessThan(0.7 * usualForecastErrors(3).cloud);
    expect(forecastErrorsOf(pairs(0.45))(3).cloud).toBeGreaterThan(1.3 * usualForecastErrors(3).cloud);
    // A few days are no proof.
    expect(forecastErrorsOf(pairs(0.45, 2))(3).cloud).toBeLessThan(1.4 * usualForecastErrors(3).cloud);
  });
});

describe('how far visibility may have changed', () => {
  const reading = (offset: number, visibilityM: number): Reading =>
    ({ at: `${dateOf(TODAY + offset)}T18:00:00Z`, visibilityM, surfaceTempC: 10 }) as Reading;
  const of = (list: readonly (readonly [number, number])[]) =>
    visibilityDoubt(
      list.map(([offset, visibilityM]) => reading(offset, visibilityM)),
      TODAY,
      'America/Chicago',
    );

  it('is learnt from its readings: a water that swings is less sure than one that stands', () => {
    const steady = Array.from({ length: 12 }, (_, at) => [-3 - 4 * at, 1.8] as const);
    const swings = steady.map(([offset], at) => [offset, at % 2 ? 0.6 : 2.4] as const);
    expect(of(steady)).toMatchObject({ daysSince: 3 });
    expect(of(swings).logPerDay).toBeGreaterThan(3 * of(steady).logPerDay);
    expect(of([])).toMatchObject({ daysSince: null });
    // Two readings are no proof of a water that stands.
    expect(of(steady.slice(0, 2)).logPerDay).toBeGreaterThan(2 * of(steady).logPerDay);
    // Nothing that is yet to come is known.
    expect(of([[2, 1]]).daysSince).toBeNull();
  });

  it('learns what rain does to it: much where it went dirty each time, nothing where it never did', () => {
    const wetBefore = (offset: number) => Math.floor(-offset / 4) % 2 === 0;
    const weather = Array.from({ length: 100 }, (_, back) =>
      weatherOn(-back, { rainMm: wetBefore(-back + 1) ? 8 : 0 }),
    );
    const after = (wetM: number) =>
      visibilityDoubt(
        Array.from({ length: 22 }, (_, at) => reading(-4 * at, wetBefore(-4 * at) ? wetM : 2)),
        TODAY,
        'America/Chicago',
        weather,
      ).logPerRainMm;
    const none = visibilityDoubt([], TODAY, 'America/Chicago').logPerRainMm;
    expect(after(0.7)).toBeGreaterThan(none);
    expect(after(2)).toBeLessThan(0.4 * none);
  });
});
