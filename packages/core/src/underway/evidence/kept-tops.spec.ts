import fc from 'fast-check';
import { POINT } from '../../testing/candidates';
import type { Block, Candidate } from './fished';
import { posterior } from './posterior';

const FLAT: Candidate = {
  ...POINT,
  id: 'flat',
  spot: 'b',
  structure: 'flat',
  category: 'lipless-crankbait',
  depthM: 1,
};
const DEEPER: Candidate = { ...POINT, id: 'deeper', depthM: 5 };
const ALL = [POINT, FLAT, DEEPER];
const AT_MIN = 900;

const fished = fc.record({
  at: fc.nat({ max: 2 }),
  minutes: fc.integer({ min: 3, max: 40 }),
  bites: fc.nat({ max: 4 }),
  preference: fc.constantFrom<number>(-0.6, 0, 0.8),
});
/** How a day is asked about again: after so many stretches, the last so much longer, one of them put right, the plan turned. */
const asked = fc.record({
  many: fc.integer({ min: 1, max: 14 }),
  longer: fc.nat({ max: 15 }),
  righted: fc.option(fc.record({ at: fc.nat({ max: 13 }), bites: fc.nat({ max: 6 }) })),
  turned: fc.boolean(),
});
type Fished = typeof fished extends fc.Arbitrary<infer T> ? T : never;
type Asked = typeof asked extends fc.Arbitrary<infer T> ? T : never;

function dayOf(
  all: readonly Fished[],
  { many, longer, righted, turned }: Asked,
): { blocks: Block[]; preferences: number[] } {
  let atMin = 380;
  const stretches = all.slice(0, many);
  const blocks = stretches.map(({ at, minutes, bites }, index): Block => {
    const { id: _, prior: __, ...of } = ALL[at]!;
    const all = minutes + (index === stretches.length - 1 ? longer : 0);
    atMin += all;
    return { ...of, atMin: atMin - all / 2, hours: all / 60, bites: righted?.at === index ? righted.bites : bites };
  });
  return { blocks, preferences: stretches.map(({ preference }) => (turned ? -preference : preference)) };
}

const told = (blocks: readonly Block[], preferences: readonly number[]) => {
  const known = posterior(blocks, preferences);
  return {
    rates: ALL.map((each) => known.rate({ fished: each, preference: 0.2 }, AT_MIN)),
    evidence: known.logEvidence,
  };
};

/** The same where nothing is known of the day: two others were asked about since. */
function toldAnew(blocks: readonly Block[], preferences: readonly number[]): ReturnType<typeof told> {
  const { id: _, prior: __, ...of } = POINT;
  for (const atMin of [10, 20]) posterior([{ ...of, atMin, hours: 0.5, bites: 1 }], [0]);
  return told(blocks, preferences);
}

describe('a day that was asked about before', () => {
  it('is told as one that is asked about for the first time, however it goes on or is put right', () => {
    fc.assert(
      fc.property(
        fc.array(fished, { minLength: 14, maxLength: 14 }),
        fc.array(asked, { minLength: 3, maxLength: 6 }),
        (all, questions) => {
          for (const question of questions) {
            const { blocks, preferences } = dayOf(all, question);
            const found = told(blocks, preferences);
            const anew = toldAnew(blocks, preferences);
            found.rates.forEach(({ logMean, logSd }, at) => {
              expect(logMean).toBeCloseTo(anew.rates[at]!.logMean, 6);
              // Curvature is near that at the top, not the same from anywhere.
              expect(Math.abs(logSd / anew.rates[at]!.logSd - 1)).toBeLessThan(0.01);
            });
            expect(Math.abs(found.evidence - anew.evidence)).toBeLessThan(0.05);
            told(blocks, preferences);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is not what it was where what was asked is changed afterwards', () => {
    const { blocks, preferences } = dayOf(
      Array.from({ length: 5 }, (_, at) => ({ at: at % 3, minutes: 30, bites: at % 2, preference: 0.5 })),
      { many: 5, longer: 0, righted: null, turned: false },
    );
    told(blocks, preferences);
    preferences.fill(-0.5);
    const found = told(blocks, preferences);
    expect(found.rates[0]!.logMean).toBeCloseTo(toldAnew(blocks, preferences).rates[0]!.logMean, 6);
  });

  it('is found where most of what was known of it is taken back', () => {
    const run = Array.from({ length: 160 }, (_, at) => ({ at: 0, minutes: 3, bites: at < 40 ? 9 : 0, preference: 3 }));
    const asked = (many: number, turned = false) => dayOf(run, { many, longer: 0, righted: null, turned });
    const [whole, early] = [asked(160), asked(40)];
    // Nothing else that is known lies nearer.
    for (const { blocks, preferences } of [asked(160, true), whole]) told(blocks, preferences);
    const found = told(early.blocks, early.preferences);
    expect(found.rates[0]!.logMean).toBeCloseTo(toldAnew(early.blocks, early.preferences).rates[0]!.logMean, 6);
  });
});
