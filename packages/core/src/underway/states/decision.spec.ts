import fc from 'fast-check';
import type { Block, Candidate } from '../evidence/fished.js';
import { decide, type Question } from './decision';
import { statesOf, type StateOption } from './of-candidates';

const POINT: Candidate = {
  id: 'point',
  spot: 'a',
  structure: 'secondary-point',
  cover: 'chunk-rock',
  depthM: 2,
  category: 'suspending-jerkbait',
  role: 'search',
  trim: null,
  paceMps: 0.3,
  light: 'rising',
  tide: null,
  prior: 1,
};
const FLAT: Candidate = { ...POINT, id: 'flat', spot: 'b', structure: 'flat', cover: 'submerged-grass' };
const DEEPER: Candidate = { ...POINT, id: 'deeper', depthM: 5, prior: 0.8 };
const OTHER: Candidate = { ...POINT, id: 'other lure', category: 'lipless-crankbait', paceMps: 1, prior: 0.7 };
const ALL = [POINT, FLAT, DEEPER, OTHER];

const block = ({ id: _, prior: __, ...fished }: Candidate, bites: number, more: Partial<Block> = {}): Block => ({
  ...fished,
  atMin: 420,
  hours: 0.5,
  bites,
  ...more,
});
const asked = (
  blocks: readonly Block[],
  {
    atMin = 460,
    leftMin = 300,
    runMin = 10,
    candidates = ALL,
    ...more
  }: Partial<Question<StateOption>> & {
    atMin?: number;
    runMin?: number;
    candidates?: readonly Candidate[];
  } = {},
): Question<StateOption> => {
  const { options, ...known } = statesOf(candidates, blocks, atMin);
  return {
    ...known,
    options,
    now: options.find(({ candidate }) => candidate === POINT) ?? null,
    leftMin,
    costMin: (from, to) => (from?.fished.place === to.fished.place ? 0 : runMin),
    ...more,
  };
};
const toId = (question: Question<StateOption>) => decide(question)?.to.option.candidate.id;

it('stays where fish are, and leaves for the place where they were when this one stays silent', () => {
  expect(toId(asked([block(POINT, 2)]))).toBe('point');
  const silent = [block(FLAT, 2), block(POINT, 0, { hours: 1.5, atMin: 500 })];
  const decision = decide(asked(silent, { atMin: 550 }));
  expect(decision?.to.option.candidate.spot).toBe('b');
  expect(decision?.odds).toBeGreaterThan(0.5);
  expect(decision?.stay?.empty).toBeGreaterThan(decision?.to.empty ?? 1);
});

it('does not run where running costs more than the time that is left', () => {
  const silent = [block(FLAT, 2), block(POINT, 0, { hours: 1.5, atMin: 500 })];
  const near = { atMin: 550, runMin: 25 };
  expect(decide(asked(silent, { ...near, leftMin: 240 }))?.to.option.candidate.spot).toBe('b');
  expect(decide(asked(silent, { ...near, leftMin: 20 }))?.to.option.candidate.spot).toBe('a');
});

it('leans by what was seen, and is nothing without anything to fish', () => {
  const leaning = ({ candidate }: StateOption) => (candidate === DEEPER ? 4 : 1);
  expect(toId(asked([block(POINT, 0)], { leaning }))).toBe('deeper');
  expect(decide(asked([], { candidates: [] }))).toBeNull();
});

it('goes back to what was fished in vain for much more than to anything else', () => {
  const leaning = ({ candidate }: StateOption) => (candidate === DEEPER ? 2 : 1);
  const question = asked([block(POINT, 0)], { leaning });
  const { soFar } = question;
  expect(toId(question)).toBe('deeper');
  expect(toId({ ...question, soFar: Object.assign(Object.create(soFar), { wasInVain: () => true }) })).toBe('point');
});

it('believes the states more where the place has just bitten, and less the less the plan was borne out', () => {
  const question = asked([block(FLAT, 1, { atMin: 430 }), block(POINT, 0, { atMin: 450 })]);
  const staying = (borneOut: number, isLive: boolean) =>
    decide({ ...question, soFar: Object.assign(Object.create(question.soFar), { borneOut, isLive: () => isLive }) })!
      .stay!.perHour;
  const likeAlone = Math.exp(question.like.prospect(POINT).logMean);
  const [fails, holds, live] = [staying(0.1, false), staying(1, false), staying(1, true)];
  const off = (rate: number) => Math.abs(Math.log(rate / likeAlone));
  expect(off(fails)).toBeLessThan(off(holds));
  expect(off(holds)).toBeLessThan(off(live));
});

it('believes like things where the states foretell worse than they do', () => {
  // Slopes: each of many stretches brings much, as no school does.
  const busy = Array.from({ length: 12 }, (_, at) =>
    block(at % 2 ? POINT : DEEPER, at % 2 ? 14 : 6, { atMin: 420 + at * 30 }),
  );
  const { belief, like } = asked(busy, { atMin: 790 });
  expect(like.logEvidence).toBeGreaterThan(belief.logEvidence);
  const nothing = Array.from({ length: 8 }, (_, at) => block(POINT, 0, { atMin: 420 + at * 30 }));
  const quiet = asked(nothing, { atMin: 670 });
  expect(quiet.belief.logEvidence).toBeGreaterThan(quiet.like.logEvidence);
});

it('never fails and never tells a rate that is none, whatever the day brought', () => {
  const any = fc.array(
    fc.record({
      thing: fc.constantFrom(...ALL),
      bites: fc.integer({ min: 0, max: 60 }),
      nearMisses: fc.option(fc.integer({ min: 0, max: 30 }), { nil: undefined }),
      hours: fc.double({ min: 0.01, max: 6, noNaN: true }),
      atMin: fc.integer({ min: 0, max: 1439 }),
    }),
    { maxLength: 15 },
  );
  fc.assert(
    fc.property(any, fc.integer({ min: 0, max: 700 }), (stretches, leftMin) => {
      const blocks = stretches.map(({ thing, bites, nearMisses, ...more }) =>
        block(thing, bites, { ...more, ...(nearMisses === undefined ? {} : { nearMisses }) }),
      );
      const decision = decide(asked(blocks, { leftMin, atMin: 1440 }));
      const { perHour, range80, empty } = decision!.to;
      expect(perHour).toBeGreaterThan(0);
      expect(Number.isFinite(perHour)).toBe(true);
      expect(range80[0]).toBeLessThanOrEqual(range80[1]);
      for (const share of [empty, decision!.odds ?? 0.5]) expect(Math.abs(share - 0.5)).toBeLessThanOrEqual(0.5 + 1e-9);
    }),
    { numRuns: 60 },
  );
});
