import fc from 'fast-check';
import { CATEGORIES, COVERS, STRUCTURES } from '../contract/ids';
import { Plan } from '../contract/plan';
import { anyConditions } from '../testing/any-conditions';
import { calculateLearned } from '.';

const clock = (minute: number) =>
  `${String(Math.floor(minute / 60) % 24).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });

const stretch = fc
  .record({
    fromMin: fc.integer({ min: 0, max: 1439 }),
    lastsMin: fc.integer({ min: 1, max: 240 }),
    place: fc.constantFrom('a', 'b', 'somewhere else', ...STRUCTURES),
    category: fc.constantFrom(...CATEGORIES),
    structure: maybe(fc.constantFrom(...STRUCTURES)),
    cover: maybe(fc.constantFrom(...COVERS)),
    depthM: maybe(fc.double({ min: 0, max: 40, noNaN: true })),
    pace: maybe(fc.constantFrom('slow', 'medium', 'fast')),
    casts: maybe(fc.integer({ min: 0, max: 300 })),
    bites: fc.integer({ min: 0, max: 12 }),
  })
  .map(({ fromMin, lastsMin, ...told }) => ({ ...told, from: clock(fromMin), to: clock(fromMin + lastsMin) }));
const trip = fc.record({ conditions: anyConditions, stretches: fc.array(stretch, { maxLength: 6 }) });

describe('whatever the day and whatever was fished', () => {
  it('gives two whole plans, and figures for all that was moved', () => {
    fc.assert(
      fc.property(anyConditions, fc.array(trip, { maxLength: 4 }), (conditions, trips) => {
        const answer = calculateLearned({ conditions, trips });
        if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
        const { plan, shipped, moved } = answer.value;
        Plan.parse(plan);
        Plan.parse(shipped);
        expect(plan.windows.map(({ from, to }) => [from, to])).toEqual(
          shipped.windows.map(({ from, to }) => [from, to]),
        );
        for (const { holding, presentations } of plan.windows) {
          expect(holding.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 2);
          expect(new Set(presentations.map(({ category }) => category)).size).toBe(presentations.length);
        }
        for (const { prior, posterior, hours } of moved) {
          expect([prior, posterior, hours].every(Number.isFinite)).toBe(true);
          expect(hours).toBeGreaterThan(0);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('answers the same to the same', () => {
    fc.assert(
      fc.property(anyConditions, fc.array(trip, { minLength: 1, maxLength: 2 }), (conditions, trips) => {
        const asked = { conditions, trips };
        expect(calculateLearned(structuredClone(asked))).toEqual(calculateLearned(asked));
      }),
      { numRuns: 20 },
    );
  });
});
