import fc from 'fast-check';
import { seededNumbers } from '../../numbers/seeded';
import { backward, cholesky, forward } from '../../numbers/cholesky';
import type { Block, Candidate } from './fished';
import { coder, covariance, DAY_VARIANCE, HOUR_VARIANCE, likeIn, VARIANCE } from './kernel';
import { mattering, moveBetween, nextMove, preferences, type Underway } from './next-move';
import { normalBelow, Z80 } from './normal';
import { posterior, preferenceOf, rateAt, usualLog, USUAL_RATE } from './posterior';

const POINT: Candidate = {
  id: 'point',
  spot: 'a',
  structure: 'secondary-point',
  cover: 'chunk-rock',
  depthM: 2,
  category: 'flat-sided-crankbait',
  role: 'search',
  trim: null,
  paceMps: 0.7,
  light: 'low',
  tide: null,
  prior: 1,
};
const FLAT: Candidate = {
  ...POINT,
  id: 'flat',
  spot: 'b',
  structure: 'flat',
  cover: 'submerged-grass',
  depthM: 1,
  category: 'lipless-crankbait',
  role: 'reaction',
  paceMps: 1.2,
};
const OTHER_POINT: Candidate = { ...POINT, id: 'other point', spot: 'c' };
const DEEPER: Candidate = { ...POINT, id: 'deeper', depthM: 5 };
const ALL = [POINT, FLAT, OTHER_POINT, DEEPER];

const block = (fished: Candidate, bites: number, more: Partial<Block> = {}): Block => {
  const { id: _, prior: __, ...rest } = fished;
  return { ...rest, atMin: 420, hours: 0.5, bites, ...more };
};
const asked = (fished: Candidate) => ({ fished, preference: preferenceOf(fished.prior, usualLog(ALL)) });
const knownAfter = (...blocks: Block[]) => posterior(blocks, preferences(blocks, ALL));

describe('the decomposition', () => {
  it('solves what it was made of, at every size', () => {
    const random = seededNumbers(3);
    for (const size of [1, 2, 5, 8, 23, 40]) {
      const root = Float64Array.from({ length: size * size }, () => random() - 0.5);
      const matrix = new Float64Array(size * size);
      for (let i = 0; i < size; i++)
        for (let j = 0; j < size; j++)
          for (let k = 0; k < size; k++)
            matrix[i * size + j]! += root[i * size + k]! * root[j * size + k]! + (i === j ? 0.1 : 0);
      const wanted = Float64Array.from({ length: size }, () => random());
      const right = wanted.map((_, i) => wanted.reduce((sum, value, j) => sum + matrix[i * size + j]! * value, 0));
      const lower = cholesky(Float64Array.from(matrix), size);
      const found = backward(lower, forward(lower, right));
      found.forEach((value, at) => expect(value).toBeCloseTo(wanted[at]!, 6));
    }
  });

  it('refuses what is not positive definite', () => {
    expect(() => cholesky(Float64Array.of(1, 2, 2, 1), 2)).toThrow('positive definite');
  });
});

describe('how alike things are', () => {
  it('is one with themselves in what is known, and never over one', () => {
    for (const attribute of ['spot', 'structure', 'cover', 'depth', 'category', 'pace', 'light'] as const) {
      expect(likeIn(attribute, POINT, POINT)).toBe(1);
      expect(likeIn(attribute, POINT, FLAT)).toBeLessThanOrEqual(1);
    }
    expect(likeIn('trim', POINT, POINT)).toBe(0);
    expect(likeIn('depth', POINT, { ...POINT, depthM: 2.2 })).toBeGreaterThan(0.9);
    expect(likeIn('category', POINT, { ...POINT, category: 'suspending-jerkbait' })).toBe(0.5);
  });

  it('learns that the bite goes with the stage of the tide, and says nothing of it where there is none', () => {
    const day = (of: (at: number) => 'falling' | 'low-slack' | null) =>
      Array.from({ length: 8 }, (_, at) => {
        const tide = of(at);
        return block({ ...POINT, tide }, at % 2 ? 0 : 2, { atMin: 400 + at * 30 });
      });
    const tidal = day((at) => (at % 2 ? 'low-slack' : 'falling'));
    const told = mattering(knownAfter(...tidal), { ...POINT, tide: 'falling' }, 640);
    const tide = told.find(({ attribute }) => attribute === 'tide');
    expect(tide!.times).toBeGreaterThan(1.1);
    const slack = mattering(knownAfter(...tidal), { ...POINT, tide: 'low-slack' }, 640);
    expect(slack.find(({ attribute }) => attribute === 'tide')!.times).toBeLessThan(0.95);
    expect(mattering(knownAfter(...day(() => null)), POINT, 640).map(({ attribute }) => attribute)).not.toContain(
      'tide',
    );
  });

  it('adds up to the covariance, which fades with the hours', () => {
    const code = coder();
    const between = (aMin: number, bMin: number) => covariance(code(POINT, aMin), code(FLAT, bMin));
    const shared = Object.entries(VARIANCE).reduce(
      (sum, [attribute, variance]) => sum + variance * likeIn(attribute as keyof typeof VARIANCE, POINT, FLAT),
      0,
    );
    expect(between(400, 400)).toBeCloseTo(shared + DAY_VARIANCE + HOUR_VARIANCE, 10);
    // Five hours on, whichever is first: a third of the attributes' share, and next to nothing of the hour's.
    const later = shared * Math.exp(-1) + DAY_VARIANCE + HOUR_VARIANCE * Math.exp(-300 / 90);
    expect(between(400, 700)).toBeCloseTo(later, 10);
    expect(between(700, 400)).toBeCloseTo(later, 10);
  });
});

describe('the next move', () => {
  it('is the best of all candidates, though only those that could be are looked at closely', () => {
    const blocks = [block(POINT, 2), block(FLAT, 0, { atMin: 460 }), block(DEEPER, 1, { atMin: 500 })];
    for (const [leftMin, leaning] of [
      [300, undefined],
      [60, ({ id }: Candidate) => (id === 'flat' ? 3 : 1)],
      [480, ({ id }: Candidate) => (id === 'other point' ? 2 : 0.5)],
    ] as const) {
      const advice = nextMove({
        blocks,
        candidates: ALL,
        nowId: 'point',
        atMin: 520,
        leftMin,
        costMin: (from, to) => (from?.id === to.id ? 0 : 10),
        ...(leaning && { leaning }),
      });
      const known = posterior(blocks, preferences(blocks, ALL));
      const z = 0.5 * Math.sqrt(leftMin / 480);
      const worth = (to: Candidate) =>
        (rateAt(known.rate(asked(to), 520), z) * (leaning?.(to) ?? 1) * (leftMin - (to.id === 'point' ? 0 : 10))) / 60;
      const [best] = [...ALL].sort((a, b) => worth(b) - worth(a));
      expect(advice?.to.id).toBe(best?.id);
    }
  });
});

describe('what is believed', () => {
  it('before anything was fished is what the plan says', () => {
    const known = knownAfter();
    const rate = known.rate(asked(POINT), 420);
    expect(rateAt(rate, 0)).toBeCloseTo(USUAL_RATE);
    expect(rate.mean).toBeGreaterThan(USUAL_RATE);
    const liked = known.rate({ fished: POINT, preference: 1 }, 420);
    expect(liked.logMean).toBeGreaterThan(rate.logMean);
    expect(known.effect('depth', POINT, 420)).toEqual({ mean: 0, sd: 0 });
  });

  it('after one block is the top of its density, and close to the whole of it', () => {
    for (const [bites, hours] of [
      [0, 1],
      [1, 0.5],
      [4, 0.5],
      [9, 1],
    ] as const) {
      // prettier-ignore
      const one = block(POINT, bites, { hours });
      const rate = posterior([one], [0]).rate({ fished: POINT, preference: 0 }, one.atMin);
      const code = coder()(POINT, one.atMin);
      const variance = covariance(code, code);
      // One number alone: the density is laid out and summed.
      let [sum, mean, square, top, highest] = [0, 0, 0, 0, -Infinity];
      for (let f = -8; f <= 8; f += 0.001) {
        const log = bites * f - hours * USUAL_RATE * Math.exp(f) - (f * f) / (2 * variance);
        if (log > highest) [highest, top] = [log, f];
        const weight = Math.exp(log);
        sum += weight;
        mean += weight * f;
        square += weight * f * f;
      }
      mean /= sum;
      expect(rate.logMean).toBeCloseTo(top, 2);
      expect(Math.abs(rate.logMean - mean)).toBeLessThan(0.35);
      expect(rate.logSd).toBeCloseTo(Math.sqrt(square / sum - mean * mean), 0);
    }
  });

  it('goes up with bites and down without, most for the thing itself, more for like things than for others', () => {
    const before = knownAfter();
    const factor = (known: ReturnType<typeof knownAfter>, thing: Candidate) =>
      known.rate(asked(thing), 450).logMean - before.rate(asked(thing), 450).logMean;
    const good = knownAfter(block(POINT, 4));
    const bad = knownAfter(block(POINT, 0, { hours: 2 }));
    for (const [known, sign] of [
      [good, 1],
      [bad, -1],
    ] as const) {
      const [own, like, other] = [POINT, OTHER_POINT, FLAT].map((thing) => sign * factor(known, thing));
      expect(own).toBeGreaterThan(like!);
      expect(like).toBeGreaterThan(other!);
      expect(other).toBeGreaterThan(0);
    }
    expect(good.rate(asked(POINT), 450).logSd).toBeLessThan(before.rate(asked(POINT), 450).logSd);
  });

  it('counts effort, not fish: the same bites in more time are worth less', () => {
    const rates = [0.5, 1, 2, 4].map((hours) => knownAfter(block(POINT, 3, { hours })).rate(asked(POINT), 450).mean);
    expect(rates).toEqual([...rates].sort((a, b) => b - a));
  });

  it('learns whether the plan is to be believed on this water', () => {
    const liked = { ...FLAT, prior: 5 };
    const disliked = { ...POINT, prior: 0.2 };
    const all = [liked, disliked, { ...OTHER_POINT, prior: 5, structure: 'ledge' as const, cover: 'gravel' as const }];
    const believed = (bitesLiked: number, bitesDisliked: number) => {
      const blocks = [block(liked, bitesLiked, { hours: 1 }), block(disliked, bitesDisliked, { hours: 1 })];
      const usual = usualLog(all);
      const third = all[2] as Candidate;
      return posterior(blocks, preferences(blocks, all)).rate(
        { fished: third, preference: preferenceOf(third.prior, usual) },
        450,
      ).mean;
    };
    expect(believed(5, 0)).toBeGreaterThan(2 * believed(0, 5));
  });

  it('puts a difference between two things as their rates do', () => {
    const known = knownAfter(block(POINT, 3), block(FLAT, 0));
    const { mean, sd } = known.against(asked(POINT), asked(FLAT), 450);
    const [one, other] = [known.rate(asked(POINT), 450), known.rate(asked(FLAT), 450)];
    expect(mean).toBeCloseTo(one.logMean - other.logMean, 8);
    // They share the day, so the difference is better known than both apart.
    expect(sd).toBeLessThan(Math.hypot(one.logSd, other.logSd));
  });
});

it('knows the normal distribution', () => {
  for (const [z, share] of [
    [0, 0.5],
    [1, 0.8413447],
    [-1.96, 0.0249979],
    [Z80, 0.9],
  ] as const)
    expect(normalBelow(z)).toBeCloseTo(share, 6);
});

describe('the next move', () => {
  const free = () => 0;
  const day = (more: Partial<Underway>): Underway => ({
    blocks: [],
    candidates: ALL,
    nowId: 'point',
    atMin: 450,
    leftMin: 300,
    costMin: free,
    ...more,
  });

  it.each([
    [POINT, POINT, 'stay'],
    [POINT, { ...POINT, paceMps: 0.2 }, 'change-pace'],
    [POINT, DEEPER, 'change-depth'],
    [POINT, { ...POINT, trim: 'red' }, 'change-trim'],
    [POINT, { ...POINT, category: 'lipless-crankbait' }, 'change-lure'],
    [POINT, OTHER_POINT, 'move'],
    [null, POINT, 'move'],
  ] as const)('is told by what one changes', (from, to, move) => {
    expect(moveBetween(from, to)).toBe(move);
  });

  it('stays, or turns back, where fish are; moves to the like place where there are none', () => {
    const costMin: Underway['costMin'] = (from, to) => (from?.spot === to.spot ? 2 : 15);
    const after = (bites: number, hours: number) =>
      nextMove(day({ blocks: [block(POINT, bites, { hours })], costMin, leftMin: 90 }));
    expect(after(2, 0.6)).toMatchObject({ move: 'stay', to: POINT });
    expect(after(3, 0.3)).toMatchObject({ move: 'turn-back', to: POINT });
    const silent = nextMove(day({ blocks: [block(FLAT, 4), block(POINT, 0, { hours: 2, atMin: 500 })], atMin: 560 }));
    expect(silent).toMatchObject({ move: 'move', to: FLAT });
    expect(silent?.odds).toBeGreaterThan(0.8);
  });

  it('does not run where running costs more than the time that is left', () => {
    const blocks = [block(FLAT, 4), block(POINT, 0, { hours: 1, atMin: 500 })];
    const costMin: Underway['costMin'] = (from, to) => (from?.spot === to.spot ? 0 : 25);
    expect(nextMove(day({ blocks, costMin, leftMin: 240 }))?.to).toBe(FLAT);
    expect(nextMove(day({ blocks, costMin, leftMin: 20 }))?.to.spot).toBe('a');
  });

  it('says that it is a guess while little was fished, and what seems to matter once more was', () => {
    expect(nextMove(day({}))).toMatchObject({ guess: true, because: [] });
    const blocks = [420, 460, 500].flatMap((atMin) => [
      block(DEEPER, 4, { atMin }),
      block(POINT, 0, { atMin: atMin + 20, hours: 0.8 }),
    ]);
    const told = nextMove(day({ blocks, atMin: 520 }));
    expect(told?.guess).toBe(false);
    const [first] = told?.because ?? [];
    expect(first?.attribute).toBe('depth');
    expect(first?.times).toBeGreaterThan(1.3);
    expect(first?.low).toBeLessThan(first?.times ?? 0);
    expect(first?.high).toBeGreaterThan(first?.times ?? 0);
    expect(mattering(knownAfter(), DEEPER, 520)).toEqual([]);
  });

  it('is nothing without anything to fish', () => {
    expect(nextMove(day({ candidates: [] }))).toBeNull();
  });

  it('never fails and never tells a rate that is none, whatever the day brought', () => {
    const any = fc.array(
      fc.record({
        thing: fc.constantFrom(...ALL),
        bites: fc.integer({ min: 0, max: 60 }),
        hours: fc.double({ min: 0.01, max: 6, noNaN: true }),
        atMin: fc.integer({ min: 0, max: 1439 }),
      }),
      { maxLength: 25 },
    );
    fc.assert(
      fc.property(any, fc.integer({ min: 0, max: 700 }), (stretches, leftMin) => {
        const blocks = stretches.map(({ thing, ...more }) => block(thing, more.bites, more));
        const told = nextMove(day({ blocks, leftMin }));
        expect(told?.rate.mean).toBeGreaterThan(0);
        expect(Number.isFinite(told?.rate.mean)).toBe(true);
        if (told?.odds !== null) expect(Math.abs((told?.odds ?? 0) - 0.5)).toBeLessThanOrEqual(0.5);
      }),
      { numRuns: 150 },
    );
  });
});
