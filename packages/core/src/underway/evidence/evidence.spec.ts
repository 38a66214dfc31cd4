import { seededNumbers } from '../../numbers/seeded';
import { backward, cholesky, forward, rowsOf } from '../../numbers/cholesky';
import { POINT } from '../../testing/candidates';
import type { Block, Candidate } from './fished';
import { DAY_VARIANCE, HOUR_VARIANCE, likeIn, Moments, Things, VARIANCE } from './kernel';
import { mattering, moveBetween, preferences } from './moves';
import { normalBelow, Z80 } from './normal';
import { posterior, preferenceOf, rateAt, usualLog, USUAL_RATE } from './posterior';

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
      const lower = cholesky(rowsOf(Float64Array.from(matrix), size));
      const found = backward(lower, forward(lower, right));
      found.forEach((value, at) => expect(value).toBeCloseTo(wanted[at]!, 6));
    }
  });

  it('refuses what is not positive definite', () => {
    expect(() => cholesky(rowsOf(Float64Array.of(1, 2, 2, 1), 2))).toThrow('positive definite');
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
    const things = new Things();
    const between = (aMin: number, bMin: number) =>
      things.covariances(
        things.numberOf(POINT),
        aMin,
        new Moments([things.numberOf(FLAT)], Float64Array.of(bMin)),
        1,
      )[0]!;
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

describe('what is believed', () => {
  it('of what was fished for no time at all is what it was, then and at the next question', () => {
    const half = block(POINT, 1);
    const rate = (blocks: readonly Block[]) => knownAfter(...blocks).rate(asked(FLAT), 450).logMean;
    const before = rate([half]);
    expect(rate([half, block(FLAT, 0, { hours: 0, atMin: 440 })])).toBeCloseTo(before, 4);
    expect(rate([half, block(FLAT, 0, { hours: 0, atMin: 440 }), block(POINT, 0, { atMin: 450 })])).toBeLessThan(
      before,
    );
  });

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
      const things = new Things();
      const variance = things.atOnce(things.numberOf(POINT), things.numberOf(POINT));
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

describe('going over', () => {
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
});

it('tells what seems to matter once enough was fished, and nothing before', () => {
  const blocks = [420, 460, 500].flatMap((atMin) => [
    block(DEEPER, 4, { atMin }),
    block(POINT, 0, { atMin: atMin + 20, hours: 0.8 }),
  ]);
  const [first] = mattering(posterior(blocks, preferences(blocks, ALL)), DEEPER, 520);
  expect(first?.attribute).toBe('depth');
  expect(first?.times).toBeGreaterThan(1.3);
  expect(first?.low).toBeLessThan(first?.times ?? 0);
  expect(first?.high).toBeGreaterThan(first?.times ?? 0);
  expect(mattering(knownAfter(), DEEPER, 520)).toEqual([]);
});

it('tells how likely the blocks were: the likelier the nearer to what was to be expected', () => {
  const evidence = (bites: number) => {
    const blocks = [block(POINT, bites)];
    return posterior(blocks, preferences(blocks, ALL)).logEvidence;
  };
  expect(posterior([], []).logEvidence).toBe(0);
  expect(evidence(1)).toBeGreaterThan(evidence(9));
  const all = Array.from({ length: 40 }, (_, bites) => Math.exp(evidence(bites)));
  // Laplace's approximation is no law, but near one.
  expect(all.reduce((sum, each) => sum + each, 0)).toBeGreaterThan(0.85);
  expect(all.reduce((sum, each) => sum + each, 0)).toBeLessThan(1.1);
});
