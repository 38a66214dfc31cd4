import fc from 'fast-check';
import type { Phase } from '../contract/ids.js';
import { planDay } from '../plan/make-plan.js';
import { day, PLAIN_DAY } from '../testing/days.js';
import { judgeSeason } from './season.js';
import { changeOver48hC, trendCPerDay } from './trend.js';

const season = (date: string, surfaceTempC: number, tempTrendCPerDay: number, yearLowC = 4.4) =>
  judgeSeason({ discipline: 'bass', date, place: PLAIN_DAY.place, surfaceTempC, tempTrendCPerDay, yearLowC }, 'us')
    .phase;

describe('season', () => {
  it.each<[string, Phase, string, number, number, number?]>([
    ['coldest weeks', 'winter', '2027-01-20', 5, -0.05],
    ['a southern winter at its low', 'winter', '2027-01-10', 10.6, 0, 10],
    ['up from the low, days lengthening', 'staging', '2027-02-20', 8.3, 0.25],
    ['spring feed', 'pre-spawn', '2027-03-20', 12, 0.3],
    ['a cold snap does not make it fall', 'pre-spawn', '2027-03-25', 12, -0.4],
    ['beds', 'spawn', '2027-04-22', 17, 0.2],
    ['after the beds', 'post-spawn', '2027-05-20', 22, 0.2],
    ['high and flat', 'summer', '2027-07-20', 28.5, 0],
    ['first cooling', 'early-fall', '2027-09-20', 24, -0.3],
    ['shad in the creeks', 'fall', '2027-10-20', 17, -0.3],
    ['60 F on the way down is not spring', 'fall', '2027-10-28', 15.6, -0.25],
    ['60 F on the way up is not fall', 'spawn', '2027-04-10', 15.9, 0.25],
    ['back out', 'late-fall', '2027-11-25', 11, -0.2],
  ])('%s: %s', (...[, phase, date, tempC, trend, low]) => {
    expect(season(date, tempC, trend, low)).toMatchObject({ id: phase });
  });

  it('gives reasons, and probabilities that sum to one', () => {
    const { probability, others, because } = season('2027-03-06', 9.5, 0.3);
    expect(probability + others.reduce((sum, other) => sum + other.probability, 0)).toBeCloseTo(1, 1);
    expect(because.length).toBeGreaterThan(1);
  });

  it('puts smallmouth a few degrees further on than largemouth', () => {
    const of = (species: 'largemouth' | 'smallmouth') =>
      judgeSeason(
        {
          discipline: 'bass',
          species,
          date: '2027-04-01',
          place: PLAIN_DAY.place,
          surfaceTempC: 13.2,
          tempTrendCPerDay: 0.2,
          yearLowC: 4,
        },
        'us',
      ).probabilities.get('spawn')!;
    expect(of('smallmouth')).toBeGreaterThan(of('largemouth'));
  });

  it.each<[string, Phase, string, number, number]>([
    ['cold', 'winter-refuge', '2027-01-20', 11, 0],
    ['warming', 'spring-rise', '2027-04-10', 20, 0.2],
    ['hot', 'summer-heat', '2027-07-20', 30, 0],
    ['bait leaves', 'fall-run', '2027-10-20', 21, -0.3],
  ])('inshore %s: %s', (_, phase, date, surfaceTempC, tempTrendCPerDay) => {
    const place = { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' };
    expect(
      judgeSeason({ discipline: 'inshore', date, place, surfaceTempC, tempTrendCPerDay, yearLowC: 10 }, 'us').phase.id,
    ).toBe(phase);
  });

  it('is the same half a year later in the other half of the world', () => {
    const south = { ...PLAIN_DAY.place, latitude: -35.9 };
    const at = (date: string) =>
      judgeSeason(
        { discipline: 'bass', date, place: south, surfaceTempC: 12, tempTrendCPerDay: 0.3, yearLowC: 5 },
        'us',
      ).phase.id;
    expect(at('2027-09-20')).toBe('pre-spawn');
  });

  it('changes little where the temperature changes little', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 33, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        (tempC, trend) => {
          const probability = (t: number) =>
            judgeSeason({ ...PLAIN_DAY, surfaceTempC: t, tempTrendCPerDay: trend }, 'us').probabilities;
          const [here, there] = [probability(tempC), probability(tempC + 0.02)];
          for (const [phase, value] of here) expect(Math.abs(value - there.get(phase)!)).toBeLessThan(0.08);
        },
      ),
    );
  });
});

describe('trend of the readings', () => {
  const reading = (dayNumber: number, surfaceTempC: number) => ({
    at: `2027-03-${String(dayNumber).padStart(2, '0')}T14:00:00-06:00`,
    surfaceTempC,
  });
  const until = Date.parse('2027-03-10T12:00:00-06:00');

  it('is the median slope, which one wild reading does not move', () => {
    const steady = [2, 3, 5, 6, 8, 9].map((n) => reading(n, 8 + 0.3 * n));
    expect(trendCPerDay(steady, until)).toBeCloseTo(0.3, 6);
    expect(trendCPerDay([...steady, reading(7, 25)], until)).toBeCloseTo(0.3, 0);
  });

  it('ignores what is older than ten days and later than the day', () => {
    expect(
      trendCPerDay(
        [reading(2, 9), reading(6, 10), { at: '2027-01-01T12:00:00Z', surfaceTempC: 30 }, reading(25, 30)],
        until,
      ),
    ).toBeCloseTo(0.25, 6);
  });

  it('is not known from one reading, nor from readings of one hour', () => {
    expect(trendCPerDay([reading(8, 9)], until)).toBeUndefined();
    expect(trendCPerDay([reading(8, 9), { at: '2027-03-08T15:00:00-06:00', surfaceTempC: 10 }], until)).toBeUndefined();
  });

  it('takes readings in any order and finds the sharp change of 48 hours', () => {
    const fall = [reading(9, 8), reading(8, 11)];
    expect(trendCPerDay(fall, until)).toBeCloseTo(-3, 6);
    expect(changeOver48hC(fall, Date.parse('2027-03-09T20:00:00-06:00'))).toBeCloseTo(-3, 6);
  });

  it('weighs a sharp fall like a front that was not named', () => {
    const plan = (readings: { at: string; surfaceTempC: number }[]) =>
      planDay(day({ date: '2027-03-10', readings, tempTrendCPerDay: undefined })).plan;
    const rules = (readings: { at: string; surfaceTempC: number }[]) =>
      plan(readings).windows.flatMap(({ presentations }) =>
        presentations.flatMap(({ because, against }) => [...because, ...against].map(({ rule }) => rule)),
      );
    expect(rules([reading(8, 12.5), reading(10, 9.5)])).toContain('post-front-slow');
    expect(rules([reading(8, 9.4), reading(10, 9.5)])).not.toContain('post-front-slow');
  });
});
