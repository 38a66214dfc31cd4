import { waterDensityKgM3 } from '@inky-shoal/core';
import {
  FERROW_CLIMATE,
  FERROW_ZONES,
  forecastAt,
  gaugeHours,
  issueMs,
  trueDayC,
  trueLake,
  trueSurfaceC,
  weatherAt,
} from '../index.js';
import { normalAt, smoothNoise } from './noise.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const MARCH = Date.parse('2027-03-01T00:00:00Z');
const hours = (count: number, from = MARCH) =>
  Array.from({ length: count }, (_, at) => weatherAt(FERROW_CLIMATE, from + at * HOUR_MS));
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

describe('the simulated weather', () => {
  it('is the same whenever it is asked', () => {
    expect(weatherAt(FERROW_CLIMATE, MARCH)).toEqual(weatherAt(FERROW_CLIMATE, MARCH));
    expect(weatherAt({ ...FERROW_CLIMATE, seed: 5 }, MARCH)).not.toEqual(weatherAt(FERROW_CLIMATE, MARCH));
  });

  it('is possible: dew point under the air, cloud a share, wind and rain not negative', () => {
    for (const hour of hours(24 * 365)) {
      expect(hour.dewPointC).toBeLessThanOrEqual(hour.airTempC);
      expect(hour.cloudFraction >= 0 && hour.cloudFraction <= 1).toBe(true);
      expect(hour.windMps).toBeGreaterThan(0);
      expect(hour.rainMm).toBeGreaterThanOrEqual(0);
      expect(hour.windFromDeg >= 0 && hour.windFromDeg < 360).toBe(true);
      expect(hour.solarWm2 >= 0 && hour.solarWm2 < 1200).toBe(true);
    }
  });

  it('is dark at night and bright at noon', () => {
    const day = hours(24, Date.parse('2027-06-21T00:00:00Z'));
    expect(day[7]!.solarWm2).toBe(0);
    expect(day[18]!.solarWm2).toBeGreaterThan(300);
  });

  it('has fronts as they are: pressure falls before and rises behind, the wind turns north-west, it gets colder', () => {
    const winter = hours(24 * 60, Date.parse('2027-01-10T00:00:00Z'));
    const wettest = winter
      .map(({ rainMm }, at) => ({ rainMm, at }))
      .filter(({ at }) => at > 48 && at < winter.length - 60);
    const { at } = wettest.reduce((a, b) => (b.rainMm > a.rainMm ? b : a));
    const [before, behind] = [winter.slice(at - 14, at - 6), winter.slice(at + 14, at + 30)];
    expect(mean(behind.map(({ pressureHpa }) => pressureHpa))).toBeGreaterThan(
      mean(before.map(({ pressureHpa }) => pressureHpa)) + 5,
    );
    expect(mean(behind.map(({ airTempC }) => airTempC))).toBeLessThan(mean(before.map(({ airTempC }) => airTempC)) - 3);
    expect(mean(behind.map(({ cloudFraction }) => cloudFraction))).toBeLessThan(
      mean(before.map(({ cloudFraction }) => cloudFraction)),
    );
    expect(mean(behind.map(({ windFromDeg }) => windFromDeg))).toBeGreaterThan(270);
  });

  it('is forecast ever worse the further ahead', () => {
    const error = (leadDays: number) =>
      mean(
        Array.from({ length: 80 }, (_, at) => {
          const issued = issueMs(MARCH + at * 1.5 * DAY_MS);
          const time = issued + leadDays * DAY_MS;
          return Math.abs(forecastAt(FERROW_CLIMATE, issued, time).airTempC - weatherAt(FERROW_CLIMATE, time).airTempC);
        }),
      );
    const [one, four, nine] = [1, 4, 9].map(error) as [number, number, number];
    expect(one).toBeLessThan(1.5);
    expect(four).toBeGreaterThan(one);
    expect(nine).toBeGreaterThan(four);
  });

  it('has noise of deviation one', () => {
    const deviates = Array.from({ length: 4000 }, (_, at) => normalAt(9, at));
    expect(Math.sqrt(mean(deviates.map((x) => x * x)))).toBeCloseTo(1, 1);
    expect(Math.sqrt(mean(deviates.map((_, at) => smoothNoise(9, at / 7) ** 2)))).toBeCloseTo(1, 1);
  });
});

describe('the simulated gauge', () => {
  it('rises and turns muddy after rain', () => {
    const from = Date.parse('2027-01-10T00:00:00Z');
    const gauge = gaugeHours(FERROW_CLIMATE, from, 24 * 60);
    const rain = hours(24 * 60, from).map(({ rainMm }) => rainMm);
    const wet = rain.map((_, at) => mean(rain.slice(Math.max(0, at - 36), at + 1)));
    const sorted = [...wet].sort((a, b) => a - b);
    const limit = sorted[Math.floor(sorted.length * 0.9)]!;
    const after = gauge.filter((_, at) => wet[at]! > limit);
    expect(mean(after.map(({ inflowM3s }) => inflowM3s))).toBeGreaterThan(
      1.3 * mean(gauge.map(({ inflowM3s }) => inflowM3s)),
    );
    expect(mean(after.map(({ turbidityNtu }) => turbidityNtu))).toBeGreaterThan(
      mean(gauge.map(({ turbidityNtu }) => turbidityNtu)),
    );
  });
});

describe('the hidden truth', () => {
  const basin = { ...FERROW_ZONES[5]!, exchange: [] };
  const from = Date.parse('2026-04-01T00:00:00Z');
  const [course] = trueLake(FERROW_CLIMATE, [basin], 11, from, 24 * 120);
  const profile = (day: number) => [...course!.profiles.subarray(day * course!.layers, (day + 1) * course!.layers)];

  it('comes to float in summer: warm above, cold below, never heavy over light', () => {
    const july = profile(110);
    expect(july[0]! - july.at(-1)!).toBeGreaterThan(6);
    for (let layer = 1; layer < july.length; layer++) {
      expect(waterDensityKgM3(july[layer]!)).toBeGreaterThan(waterDensityKgM3(july[layer - 1]!) - 0.01);
    }
  });

  it('has its daily mean on the local day, and a surface between two hours', () => {
    const day = Math.floor(from / DAY_MS) + 30;
    const own = course!.surfaceC.subarray(30 * 24 + 6, 31 * 24 + 6);
    expect(trueDayC(course!, day * DAY_MS)).toBeCloseTo(mean([...own]), 4);
    expect(trueSurfaceC(course!, from + 1.5 * HOUR_MS)).toBeCloseTo(
      (course!.surfaceC[1]! + course!.surfaceC[2]!) / 2,
      4,
    );
  });
});
