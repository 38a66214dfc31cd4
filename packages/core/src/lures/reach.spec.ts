import { makePlan } from '../plan/make-plan.js';
import { CATALOGUE, categoryOf } from './categories.js';
import { anyConditions } from '../testing/any-conditions.js';
import fc from 'fast-check';
import { categoryDeepestM, deepestM, diverDeepestM, heldByPace, lineThatReaches, massThatHolds } from './reach.js';

const stated = { depthM: 4, line: { material: 'fluorocarbon', testLb: 10 }, castM: 35 } as const;

describe('reach', () => {
  it('is the stated depth on the stated line and less on heavier', () => {
    expect(diverDeepestM(stated, stated.line)).toBeCloseTo(4, 1);
    expect(diverDeepestM(stated, { material: 'nylon', testLb: 20 })).toBeLessThan(3.2);
    expect(diverDeepestM(stated, { material: 'fluorocarbon', testLb: 8, diameterMm: 0.22 })).toBeGreaterThan(4.2);
  });
  it('is nothing on top, anything under a cork, and what is held at a pace for what sinks', () => {
    const asked = { line: stated.line, stated, massG: 14, speedMps: 0.5 };
    expect(deepestM({ ...asked, form: 'surface' })).toBe(0);
    expect(deepestM({ ...asked, form: 'hung' })).toBe(Infinity);
    expect(deepestM({ ...asked, form: 'spinnerbait' })).toBeGreaterThan(
      deepestM({ ...asked, form: 'spinnerbait', speedMps: 1 }),
    );
  });
  it('finds the heaviest line that reaches, dense before thin, and keeps one that does', () => {
    const crank = categoryOf('flat-sided-crankbait');
    const nylon = { material: 'nylon', testLb: 20, leader: null } as const;
    expect(lineThatReaches(crank, nylon, 1)).toBe(nylon);
    expect(lineThatReaches(crank, nylon, crank.runDepthM[1])).toEqual({
      material: 'fluorocarbon',
      testLb: crank.line.testLb,
      leader: null,
    });
    expect(lineThatReaches(categoryOf('football-jig'), nylon, 9)).toBe(nylon);
  });
  it('adds weight until a depth is held, up to what the category weighs', () => {
    const spinnerbait = categoryOf('spinnerbait');
    const mass = (wantedM: number) => massThatHolds(spinnerbait, spinnerbait.line, 0.6, wantedM, 9);
    expect(mass(0.5)).toBe(9);
    expect(mass(1.8)).toBeGreaterThan(9);
    expect(mass(30)).toBe(spinnerbait.weightG[1]);
  });
});

it('promises no depth that the rig it names does not reach', () => {
  fc.assert(
    fc.property(anyConditions, (conditions) => {
      for (const { presentations } of makePlan(conditions).windows) {
        for (const { category: id, rig, size, runDepthM, retrieve } of presentations) {
          const category = categoryOf(id);
          const deepest = categoryDeepestM(category, rig.line, size.weightG[1], retrieve.speedMps[0]);
          expect(runDepthM[1]).toBeLessThanOrEqual(deepest + 0.12);
        }
      }
    }),
    { numRuns: 60 },
  );
});

it('has divers, lures held by a pace, and others', () => {
  const divers = CATALOGUE.filter(({ form }) => form === 'diver').map(({ id }) => id);
  expect(divers).toEqual(expect.arrayContaining(['suspending-jerkbait', 'deep-diver', 'suspending-twitchbait']));
  expect(CATALOGUE.filter(heldByPace).map(({ id }) => id)).toEqual(
    expect.arrayContaining(['spinnerbait', 'lipless-crankbait']),
  );
  expect(CATALOGUE.filter(heldByPace).some(({ form }) => form === 'diver')).toBe(false);
});
