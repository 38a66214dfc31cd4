import type { ConditionsInput } from '../../contract/conditions.js';
import { day } from '../../testing/days.js';
import { makePlan } from '../../plan/make-plan.js';

const lines = (changes: Partial<ConditionsInput>, units: 'us' | 'metric' = 'us') =>
  makePlan(day({ ...changes, maxRods: 5 }), { units }).windows.flatMap(({ presentations }) =>
    presentations.flatMap(({ approach }) => approach),
  );
const rules = (changes: Partial<ConditionsInput>) => lines(changes).map(({ rule }) => rule);

describe('the approach', () => {
  it('is told of every presentation, in a few lines, each once', () => {
    for (const surfaceTempC of [6, 12, 18, 26]) {
      for (const { presentations } of makePlan(day({ surfaceTempC })).windows) {
        for (const { approach } of presentations) {
          expect(approach.length).toBeGreaterThan(0);
          expect(approach.length).toBeLessThanOrEqual(4);
          expect(new Set(approach.map(({ rule }) => rule)).size).toBe(approach.length);
          for (const { text } of approach) expect(text).toMatch(/^[A-Z]/);
        }
      }
    }
  });

  it('is one rectangle on new water, and not where it is known', () => {
    expect(rules({ familiarity: 'new' })).toContain('approach-new-water');
    expect(rules({ familiarity: 'known' })).not.toContain('approach-new-water');
  });

  it('goes round again where several came from one stretch', () =>
    expect(rules({ feedback: ['clustered-fish'] })).toContain('approach-circle-back'));

  it('casts short and often at one object in dirty water, and not in clear', () => {
    expect(rules({ visibilityM: 0.3, normalVisibilityM: 0.3 })).toContain('approach-casts-dirty');
    expect(rules({ visibilityM: 3, normalVisibilityM: 3 })).not.toContain('approach-casts-dirty');
  });

  it('speaks in the units of the user', () => {
    const metric = lines({ visibilityM: 3, normalVisibilityM: 3 }, 'metric').map(({ text }) => text);
    expect(metric.filter((text) => /\bft\b/.test(text))).toEqual([]);
  });
});
