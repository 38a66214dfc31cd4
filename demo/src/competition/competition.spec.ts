import { WAYS } from '@inky-shoal/core/competition';
import { END_MIN, fishDay, FROM_MIN, hiddenDay } from './days.js';
import { changeOverGain, workedOut } from './gain.js';

const sum = (values: Iterable<number>): number => [...values].reduce((total, value) => total + value, 0);

describe('a simulated competition day', () => {
  it('is the same for the same seed, and another for another', () => {
    expect(hiddenDay(7)).toEqual(hiddenDay(7));
    expect(hiddenDay(8).chance).not.toEqual(hiddenDay(7).chance);
  });

  it('has fewer fish of the big way, and heavier ones, over many days', () => {
    const days = Array.from({ length: 60 }, (_, at) => hiddenDay(70_000 + at));
    const [limit, big] = WAYS.map((way) => ({
      came: sum(days.map((day) => sum(day.chance[way]))),
      grams: sum(days.map((day) => sum(day.grams[way]))),
    })) as [{ came: number; grams: number }, { came: number; grams: number }];
    expect(big.came).toBeLessThan(0.6 * limit.came);
    expect(big.grams).toBeGreaterThan(1.4 * limit.grams);
  });

  it('gives no fish while one is on the way to the others, and thins out what is caught', () => {
    const day = hiddenDay(70_003);
    const at = FROM_MIN + 120;
    const fish = fishDay(day, 'limit', ({ min }) => (min >= at ? 'big' : 'limit'), 30);
    for (const { atMin, way } of fish) {
      expect(way).toBe(atMin < at ? 'limit' : 'big');
      expect(atMin < at || atMin >= at + 30).toBe(true);
      expect(atMin).toBeLessThan(END_MIN);
    }
    const sure = { ...day, chance: { ...day.chance, limit: day.chance.limit.map(() => 0.5) } };
    expect(fishDay(sure, 'limit', () => 'limit', 0).length).toBeLessThan(0.5 * (END_MIN - FROM_MIN));
  });
});

describe('changing over when it is worked out to be best', () => {
  it('is the same for the same day', () => {
    expect(workedOut(hiddenDay(70_001))).toEqual(workedOut(hiddenDay(70_001)));
  });

  it('brings more than the best fixed hour on days of which it knows only the practice', () => {
    const { workedOutG, fixed, days } = changeOverGain(24, 70_000);
    expect(days).toBe(24);
    expect(workedOutG).toBeGreaterThan(fixed.limit.meanG);
  });
});
