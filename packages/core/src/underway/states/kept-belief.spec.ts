import fc from 'fast-check';
import { Belief, type Stretch } from './belief.js';
import { beliefOf } from './kept-belief.js';
import { Ways, type Priors } from './ways.js';

const PRIORS: Priors = { holds: [0.5, 0.3, 0.7], works: [0.6, 0.3], feeds: 0.4, kinds: [0, 1, 0], tones: 3 };

/** All that can be asked of a belief. */
const told = (belief: Belief) => ({
  weights: [...belief.weights],
  feeds: [...belief.feeds],
  holds: PRIORS.holds.map((_, place) => [...belief.holdsAt(place)]),
  rested: PRIORS.holds.map((_, place) => belief.rested(place, 20)),
  logEvidence: belief.logEvidence,
});

/** A day gone through from its beginning. */
function fromTheBeginning(priors: Priors, stretches: readonly Stretch[]): Belief {
  const belief = new Belief(new Ways(priors), 0);
  for (const each of stretches) belief.observe(each);
  return belief;
}

const stretch = fc.record({
  place: fc.nat({ max: 2 }),
  lure: fc.nat({ max: 1 }),
  depthLog: fc.constantFrom<number>(-0.6, 0, 0.4),
  paceSteps: fc.integer({ min: -1, max: 1 }),
  tone: fc.nat({ max: 2 }),
  preference: fc.constantFrom<number>(-0.5, 0, 0.7),
  minutes: fc.integer({ min: 5, max: 60 }),
  bites: fc.nat({ max: 4 }),
  nearMisses: fc.option(fc.nat({ max: 3 })),
});
/** A day, and how it is changed from question to question: so many stretches are asked about, the last so long. */
const day = fc.array(stretch, { minLength: 1, maxLength: 7 });
const asked = fc.array(fc.record({ many: fc.nat({ max: 7 }), longer: fc.nat({ max: 20 }) }), {
  minLength: 2,
  maxLength: 6,
});

const stretchesOf = (of: readonly (typeof stretch extends fc.Arbitrary<infer T> ? T : never)[], longer: number) => {
  let fromMin = 0;
  return of.map(({ minutes, ...each }, at): Stretch => {
    const toMin = fromMin + minutes + (at === of.length - 1 ? longer : 0);
    const found = { ...each, fromMin, toMin, hours: (toMin - fromMin) / 60 };
    fromMin = toMin;
    return found;
  });
};

describe('a day that is kept', () => {
  it('is believed as one that is gone through from its beginning, however it goes on or is put right', () => {
    fc.assert(
      fc.property(day, asked, (all, questions) => {
        for (const { many, longer } of questions) {
          const stretches = stretchesOf(all.slice(0, many), longer);
          expect(told(beliefOf(PRIORS, 0, stretches))).toEqual(told(fromTheBeginning(PRIORS, stretches)));
        }
      }),
      { numRuns: 25 },
    );
  });

  it('is not changed by what is asked of it, nor by time that passes for who asked', () => {
    const [once, again] = [
      { minutes: 30, bites: 2 },
      { minutes: 20, bites: 0 },
    ].map((each) => ({
      ...each,
      ...{ place: 0, lure: 0, depthLog: 0, paceSteps: 0, tone: 0, preference: 0, nearMisses: 0 },
    }));
    const stretches = stretchesOf([once!, again!], 0);
    const first = beliefOf(PRIORS, 0, stretches);
    const before = told(first);
    first.advance(500);
    first.holdsAt(0);
    expect(told(beliefOf(PRIORS, 0, stretches))).toEqual(before);
  });

  it('is another where something else was believed before it', () => {
    const stretches = stretchesOf(
      [{ place: 1, lure: 1, depthLog: 0, paceSteps: 0, tone: 0, preference: 0, minutes: 40, bites: 1, nearMisses: 0 }],
      0,
    );
    const known = told(beliefOf(PRIORS, 0, stretches));
    expect(told(beliefOf({ ...PRIORS, feeds: 0.2 }, 0, stretches))).not.toEqual(known);
    expect(told(beliefOf(PRIORS, 0, stretches))).toEqual(known);
  });
});
