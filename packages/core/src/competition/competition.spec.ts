import { seededNumbers } from '../numbers/seeded.js';
import { believe, drawWay, fishAnHour, gammaDeviate, holdsSince, otherWay, type WayBelief } from './belief.js';
import { boxOf } from './box.js';
import { changeOver, type DaySoFar } from './change-over.js';
import { expected, leastOf } from './expect.js';
import { countsAs, isShort, weightOfLengthG } from './weigh.js';

const RULES = { limit: 5, by: 'weight', culling: true } as const;
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
const variance = (values: readonly number[]): number => mean(values.map((value) => (value - mean(values)) ** 2));

describe('what a fish counts', () => {
  it('is its weight, else what one of its length and girth weighs, else of its length', () => {
    expect(countsAs({ weightG: 1500, lengthMm: 400 }, RULES, 'largemouth')).toEqual({ size: 1500, estimated: false });
    // A fish of 20 inches with a girth of 16 is 6.4 lb by the rule: 20 * 16 * 16 / 800.
    const byGirth = countsAs({ lengthMm: 508, girthMm: 406.4 }, RULES, 'largemouth');
    expect(byGirth?.size).toBeCloseTo(6.4 * 453.59237, 1);
    expect(countsAs({ lengthMm: 400 }, RULES, 'largemouth')).toEqual({
      size: weightOfLengthG('largemouth', 400),
      estimated: true,
    });
    expect(countsAs({ lengthMm: 400 }, RULES, 'largemouth')?.size).toBeCloseTo(974, 0);
    expect(countsAs({}, RULES, 'largemouth')).toBeNull();
  });

  it('is its length where length counts, and nothing under the least', () => {
    const byLength = { ...RULES, by: 'length', minimumMm: 330 } as const;
    expect(countsAs({ lengthMm: 400, weightG: 900 }, byLength, 'largemouth')?.size).toBe(400);
    expect(countsAs({ weightG: 900 }, byLength, 'largemouth')).toBeNull();
    expect(countsAs({ lengthMm: 320, weightG: 900 }, byLength, 'largemouth')).toBeNull();
    expect(isShort({ lengthMm: 320 }, 330)).toBe(true);
    expect(isShort({ weightG: 100 }, 330)).toBe(false);
    expect(leastOf(byLength, 'largemouth')).toBe(330);
    expect(leastOf(RULES, 'largemouth')).toBe(0);
  });
});

describe('the box', () => {
  it('keeps the best where smaller ones may be let go, and says what the next must beat', () => {
    const box = boxOf([700, 1500, 900, 800, 1200, 1000], 5, true);
    expect(box).toEqual({ best: [1500, 1200, 1000, 900, 800], total: 5400, missing: 0, toBeat: 800, isClosed: false });
    expect(boxOf([700, 1500], 5, true)).toMatchObject({ total: 2200, missing: 3, toBeat: null });
  });

  it('keeps the first that came where none may be let go, and is then closed', () => {
    expect(boxOf([700, 1500, 900], 2, false)).toEqual({
      best: [1500, 700],
      total: 2200,
      missing: 0,
      toBeat: null,
      isClosed: true,
    });
  });
});

describe('what is believed of a way', () => {
  const prior = expected(RULES, 'largemouth').limit;

  it('goes with what came: as many fish an hour, as large', () => {
    const sizes = Array.from({ length: 40 }, (_, at) => 1000 * (0.9 + 0.005 * at));
    const much = believe(prior, [{ way: 'limit', hours: 20, fish: 40, sizes, holds: 1 }]);
    expect(fishAnHour(much)).toBeCloseTo((prior.fish + 40) / (prior.hours + 20), 10);
    expect(Math.exp(much.size.logMean)).toBeGreaterThan(950);
    expect(Math.exp(much.size.logMean)).toBeLessThan(1000);
    const random = seededNumbers(3);
    const drawn = Array.from({ length: 4000 }, () => drawWay(much, random));
    expect(mean(drawn.map((each) => each.fishAnHour))).toBeCloseTo(fishAnHour(much), 1);
    expect(mean(drawn.map((each) => each.logMean))).toBeCloseTo(much.size.logMean, 2);
  });

  it('is the same whichever order fish come in, and that of both together', () => {
    const one = { way: 'limit', hours: 2, fish: 1, sizes: [700], holds: 0.5 } as const;
    const two = { way: 'limit', hours: 1, fish: 2, sizes: [1100, 900], holds: 1 } as const;
    const [ahead, back, steps] = [
      believe(prior, [one, two]),
      believe(prior, [two, one]),
      believe(believe(prior, [one]), [two]),
    ];
    expect(back.fish).toBeCloseTo(ahead.fish, 10);
    expect(back.size.logMean).toBeCloseTo(ahead.size.logMean, 10);
    expect(back.size.scatter).toBeCloseTo(ahead.size.scatter, 10);
    expect(steps).toEqual(ahead);
  });

  it('forgets: what holds no more changes no rate, what is four hours old half', () => {
    const gone = believe(prior, [{ way: 'limit', hours: 5, fish: 9, sizes: [], holds: 0 }]);
    expect(gone).toEqual(prior);
    expect(holdsSince(600, 600)).toBe(1);
    expect(holdsSince(600, 840)).toBeCloseTo(0.5, 10);
  });

  it('has big fish come seldom and heavy before anything is known', () => {
    const { limit, big } = expected(RULES, 'largemouth');
    expect(fishAnHour(big)).toBeLessThan(fishAnHour(limit) / 2);
    expect(big.size.logMean).toBeGreaterThan(limit.size.logMean);
    // Where only long ones count, they are long.
    const long = expected({ ...RULES, by: 'length', minimumMm: 450 }, 'largemouth');
    expect(Math.exp(long.limit.size.logMean)).toBeGreaterThan(450);
  });

  it.each([0.4, 2.5])('draws a gamma of shape %p with its mean and variance', (shape) => {
    const random = seededNumbers(11);
    const drawn = Array.from({ length: 20_000 }, () => gammaDeviate(shape, random));
    expect(mean(drawn) / shape).toBeCloseTo(1, 1);
    expect(variance(drawn) / shape).toBeCloseTo(1, 1);
  });
});

/** A way of which almost all is known. */
const way = (anHour: number, grams: number): WayBelief => ({
  fish: anHour * 200,
  hours: 200,
  size: { logMean: Math.log(grams), strength: 400, shape: 200, scatter: 200 * 0.2 ** 2 },
});
const day: DaySoFar = {
  sizes: [],
  limit: 5,
  culling: true,
  nowMin: 420,
  endMin: 900,
  way: 'limit',
  beliefs: { limit: way(1.5, 700), big: way(0.4, 2000) },
  minimum: 0,
};

describe('changing over', () => {
  it('says the same for the same day', () => {
    expect(changeOver(day)).toEqual(changeOver(day));
  });

  it('comes before the end where both ways are worth their hours, and brings more than either alone', () => {
    const { best, stay, now, atMin, once, more, less, to } = changeOver(day);
    expect(to).toBe('big');
    expect(atMin ?? once).not.toBeNull();
    expect(best.mean).toBeGreaterThan(stay.mean);
    expect(best.mean).toBeGreaterThanOrEqual(now.mean);
    expect(more).toBeGreaterThan(less);
    expect(best.low).toBeLessThan(best.middle);
    expect(best.middle).toBeLessThan(best.high);
  });

  it('is now with a full box of small fish, and not at all where no big ones come', () => {
    const full = changeOver({ ...day, sizes: [700, 700, 700, 700, 700], nowMin: 600 });
    expect(full.atMin).toBe(600);
    const none = changeOver({ ...day, beliefs: { ...day.beliefs, big: way(0.001, 2000) } });
    expect([none.atMin, none.once]).toEqual([null, null]);
    expect(none.best).toEqual(none.stay);
  });

  it('waits for longer while the box is empty than once it is nearly full', () => {
    const latest = (sizes: readonly number[]) => changeOver({ ...day, sizes, nowMin: 720 }).now.mean;
    const stays = (sizes: readonly number[]) => changeOver({ ...day, sizes, nowMin: 720 }).stay.mean;
    expect(latest([]) / stays([])).toBeLessThan(latest([700, 700, 700, 700]) / stays([700, 700, 700, 700]));
  });

  it('has nothing to win once the box is full and none may be let go', () => {
    const closed = changeOver({ ...day, culling: false, sizes: [700, 600, 650, 800, 750] });
    expect(closed.best.mean).toBe(3500);
    expect(closed.atMin).toBeNull();
  });

  it('goes back to the smaller ones where the big do not come and the box is empty', () => {
    const back = changeOver({
      ...day,
      way: 'big',
      nowMin: 780,
      beliefs: { limit: way(2.5, 700), big: way(0.05, 2000) },
    });
    expect([back.to, back.atMin]).toEqual(['limit', 780]);
    expect(otherWay(back.from)).toBe(back.to);
  });

  it('counts no fish under the least size', () => {
    const { stay } = changeOver({ ...day, beliefs: { ...day.beliefs, limit: way(20, 700) }, minimum: 1500 });
    expect(stay.low).toBeGreaterThanOrEqual(5 * 1500);
  });
});
