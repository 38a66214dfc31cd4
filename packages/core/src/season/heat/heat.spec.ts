import fc from 'fast-check';
import type { Reading } from '../../contract/records.js';
import { DEEP, LAKE, MIDDLE, plainWeather, reading, SHALLOW } from '../../testing/lake.js';
import { dayStep, exchangeMPerDay, newStep } from './column.js';
import { followLake } from './lake.js';
import { exchangeWm2C, extraterrestrialWm2, heatExchange } from './surface.js';
import { wholeWater, zoneDistances, zoneHeat } from './zone.js';

const OPEN = { windShare: 1, solarShare: 1 };
const JULY = { ...plainWeather('2026-07-15', '2026-07-15')[0]!, airTempC: 28, dewPointC: 20 };
const TODAY = '2027-03-13';

describe('the pull of the weather', () => {
  // Allen et al. 1998, FAO Irrigation and Drainage Paper 56, table 2.6: 38.1 and 32.2 MJ/m2 a day.
  it.each([
    ['20 degrees south on 3 September', -20, '2026-09-03', 32.2],
    ['45 degrees north at midsummer', 45, '2026-06-21', 41.9],
  ])('has the light at the top of the air: %s', (_, latitude, date, megajoules) => {
    expect((extraterrestrialWm2(latitude, date) * 86_400) / 1e6).toBeCloseTo(megajoules, 0);
  });

  it('stands where water neither gains nor loses: between dew point and hot air with sun in it', () => {
    const { equilibriumC } = heatExchange(JULY, 36, 26, OPEN);
    expect(equilibriumC).toBeGreaterThan(JULY.dewPointC);
    expect(equilibriumC).toBeLessThan(40);
  });

  it.each([
    ['more cloud', { cloudFraction: 1 }, -1],
    ['warmer air', { airTempC: 31 }, 1],
    ['damper air', { dewPointC: 24 }, 1],
  ] as const)('moves with %s', (_, change, way) => {
    const [before, after] = [JULY, { ...JULY, ...change }].map((day) => heatExchange(day, 36, 26, OPEN).equilibriumC);
    expect(Math.sign(after! - before!)).toBe(way);
  });

  it('brings sunny water nearer to the air, and faster, when the wind blows', () => {
    const [calm, windy] = [1, 8].map((windMps) => heatExchange({ ...JULY, windMps }, 36, 26, OPEN));
    expect(windy!.equilibriumC).toBeLessThan(calm!.equilibriumC);
    expect(windy!.exchangeWm2C).toBeGreaterThan(2 * calm!.exchangeWm2C);
  });

  it('lies in the range that Edinger, Duttweiler & Geyer give for the exchange, some 15 to 60 W/m2 a degree', () => {
    for (const tempC of [5, 15, 25]) {
      for (const wind of [1, 3, 5]) {
        expect(exchangeWm2C(tempC, wind)).toBeGreaterThan(8);
        expect(exchangeWm2C(tempC, wind)).toBeLessThan(80);
      }
    }
  });
});

describe('two boxes of water', () => {
  it('mix freely when the upper is as heavy, hardly when it floats, more in wind', () => {
    expect(exchangeMPerDay(12, 12, 3)).toBeGreaterThan(5);
    expect(exchangeMPerDay(26, 12, 3)).toBeLessThan(0.06);
    expect(exchangeMPerDay(16, 14, 10)).toBeGreaterThan(exchangeMPerDay(16, 14, 2));
  });

  it('never leave what draws them, whatever the depth and the pull', () => {
    const depth = fc.double({ min: 0.2, max: 50, noNaN: true });
    const temp = fc.double({ min: 0, max: 35, noNaN: true });
    fc.assert(
      fc.property(depth, depth, temp, temp, temp, fc.double({ min: 5, max: 120, noNaN: true }), (a, b, s, d, e, k) => {
        const zone = { id: '', name: '', surfaceDepthM: a, deepDepthM: b, ...OPEN };
        const step = dayStep(zone, { equilibriumC: e, exchangeWm2C: k }, s, d, 3, newStep());
        const [least, most] = [Math.min(s, d, e) - 1e-6, Math.max(s, d, e) + 1e-6];
        for (const next of [step.ss * s + step.sd * d + step.sp * e, step.ds * s + step.dd * d + step.dp * e]) {
          expect(next).toBeGreaterThanOrEqual(least);
          expect(next).toBeLessThanOrEqual(most);
        }
      }),
    );
  });

  it('know a zone by its place', () => {
    const [arm, , basin] = LAKE.zones!.map(zoneHeat);
    expect(arm!.deepDepthM).toBe(0);
    expect(basin!.deepDepthM).toBeGreaterThan(2);
    expect(arm!.solarShare).toBeGreaterThan(1);
    expect(arm!.windShare).toBeLessThan(basin!.windShare);
    expect(zoneDistances(LAKE.zones!)).toEqual([
      [0, 1, 2],
      [1, 0, 1],
      [2, 1, 0],
    ]);
    expect(wholeWater({ ...LAKE, maxDepthM: undefined }).mixedDepthM).toBe(5);
  });
});

const follow = (readings: readonly Reading[], weather = plainWeather('2026-01-01', TODAY), daysAhead = 10) => {
  const lake = followLake({ water: LAKE, readings, weather, today: TODAY, daysAhead });
  const at = lake.today - lake.firstDay;
  return {
    lake,
    now: (zone: number) => lake.zones[zone]!.surfaceC[at]!,
    sd: (zone: number, ahead = 0) => lake.zones[zone]!.sdC[at + ahead]!,
  };
};

describe('following a lake', () => {
  it('lags in deep water: in spring the arm is ahead of the basin, in autumn behind it', () => {
    const weather = plainWeather('2026-01-01', '2027-03-13');
    const { lake } = follow([], weather);
    const on = (date: string, zone: number) =>
      lake.zones[zone]!.surfaceC[(Date.parse(date) - Date.parse('1970-01-01')) / 86_400_000 - lake.firstDay]!;
    expect(on('2026-04-10', 0)).toBeGreaterThan(on('2026-04-10', 2) + 1);
    expect(on('2026-11-10', 0)).toBeLessThan(on('2026-11-10', 2) - 1);
  });

  it('moves to a reading, in its own zone most, and is surer there', () => {
    const before = follow([]);
    const after = follow([reading('2027-03-12', 15, SHALLOW)]);
    const moved = [0, 1, 2].map((zone) => after.now(zone) - before.now(zone));
    // By the middle of the afternoon it stands over its daily mean, which is what is followed.
    expect(after.now(0)).toBeLessThan(15);
    expect(after.now(0)).toBeGreaterThan(14);
    expect(moved[0]).toBeGreaterThan(moved[2]!);
    expect(moved[2]).toBeGreaterThan(0);
    expect(after.sd(0)).toBeLessThan(before.sd(0) / 1.5);
    expect(after.sd(2)).toBeGreaterThan(after.sd(0));
  });

  it('doubts more the further it looks ahead', () => {
    const { sd } = follow([reading('2027-03-12', 10, MIDDLE)]);
    for (let ahead = 1; ahead <= 10; ahead++) expect(sd(1, ahead)).toBeGreaterThan(sd(1, ahead - 1) - 1e-6);
  });

  it('gives the same for readings in any order', () => {
    const readings = ['2027-03-01', '2027-03-04', '2027-03-09'].map((date, at) => reading(date, 8 + at, MIDDLE));
    const [a, b] = [follow(readings), follow([...readings].reverse())];
    expect(a.now(1)).toBe(b.now(1));
  });

  it('leaves out what is suspect and what lies in the future', () => {
    const odd = [reading('2027-03-12', 25, MIDDLE, { suspect: true }), reading('2027-05-01', 25, MIDDLE)];
    expect(follow(odd).now(1)).toBe(follow([]).now(1));
  });

  it('hardly believes one reading that stands far off all the others, and says which', () => {
    const good = Array.from({ length: 12 }, (_, at) =>
      reading(`2027-03-${String(at + 1).padStart(2, '0')}`, 9 + at * 0.1, MIDDLE),
    );
    const wild = reading('2027-03-12', 24, MIDDLE);
    const { lake, now } = follow([...good, wild]);
    expect(lake.outliers).toEqual([wild.id]);
    expect(Math.abs(now(1) - follow(good).now(1))).toBeLessThan(3);
  });

  it('learns from the readings how deep a zone mixes', () => {
    // The same lake, told wrongly: readings of a zone of 2 m given to one told as 7 m deep.
    const truth = follow([]).lake;
    const readings = Array.from({ length: 60 }, (_, at) => {
      const day = truth.today - 300 + at * 5;
      const tempC = truth.zones[0]!.surfaceC[day - truth.firstDay]!;
      return reading(new Date(day * 86_400_000).toISOString().slice(0, 10), tempC, DEEP);
    });
    expect(follow(readings).lake.zones[2]!.fit.depthShare).toBeLessThan(0.8);
  });

  it('has a deep temperature from a profile', () => {
    const profile = [0, 2, 4, 6, 8, 10, 14, 18].map((depthM) => ({ depthM, tempC: depthM < 7 ? 25 : 12 }));
    const deep = (readings: Reading[]) => {
      const lake = followLake({
        water: LAKE,
        readings,
        weather: plainWeather('2025-10-01', '2026-08-01'),
        today: '2026-08-01',
        daysAhead: 1,
      });
      return lake.zones[2]!.deepC[lake.today - lake.firstDay]!;
    };
    const without = deep([reading('2026-07-31', 25, DEEP)]);
    const withIt = deep([reading('2026-07-31', 25, DEEP, { profile })]);
    expect(Math.abs(without - 12)).toBeGreaterThan(5);
    expect(Math.abs(withIt - 12)).toBeLessThan(0.5);
  });

  it('stays finite, over ice and under the boil, whatever is read and whatever the weather', () => {
    const any = fc.record({
      back: fc.integer({ min: 0, max: 500 }),
      tempC: fc.double({ min: -2, max: 40, noNaN: true }),
      zone: fc.constantFrom(SHALLOW, MIDDLE, DEEP, undefined),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 25 }), fc.double({ min: -25, max: 20, noNaN: true }), (rows, offC) => {
        const readings = rows.map(({ back, tempC, zone }) =>
          reading(new Date(Date.parse(TODAY) - back * 86_400_000).toISOString().slice(0, 10), tempC, zone),
        );
        const { lake } = follow(readings, plainWeather('2026-09-01', TODAY, 'observed', offC), 5);
        for (const zone of lake.zones) {
          for (const value of zone.surfaceC) expect(value >= 0 && value < 60).toBe(true);
          for (const value of zone.sdC) expect(value > 0 && value < 20).toBe(true);
        }
      }),
      { numRuns: 12 },
    );
  });
});
