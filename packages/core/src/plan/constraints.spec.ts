import type { ConditionsInput } from '../contract/conditions.js';
import type { Plan, Presentation } from '../contract/plan.js';
import { categoryOf } from '../lures/categories.js';
import { day } from '../testing/days.js';
import { makePlan } from './make-plan.js';

const WARM: Partial<ConditionsInput> = { date: '2027-06-20', surfaceTempC: 24, tempTrendCPerDay: 0, maxRods: 5 };
const planned = (changes: Partial<ConditionsInput> = {}): Plan => makePlan(day({ ...WARM, ...changes }));
const everyWindow = (plan: Plan, holds: (set: readonly Presentation[]) => boolean): boolean =>
  plan.windows.every(({ presentations }) => holds(presentations));
const saysSo = ({ because }: Presentation, rule: string) => because.some((each) => each.rule === rule);
const horizontal = ({ category }: Presentation) => ['swum', 'cranked'].includes(categoryOf(category).fished);

describe('what the angler says is held after the scores', () => {
  it('new water: two that search come first, one slow and weedless, one quick', () => {
    const plan = planned({ familiarity: 'new' });
    expect(everyWindow(plan, (set) => set.slice(0, 2).every(horizontal))).toBe(true);
    expect(everyWindow(plan, (set) => set.some((each) => saysSo(each, 'said-new-water-slow')))).toBe(true);
    expect(everyWindow(plan, (set) => set.some((each) => saysSo(each, 'said-new-water-fast')))).toBe(true);
  });

  it('one big fish: a large meal among the first two, larger than for numbers', () => {
    const big = planned({ goal: 'big-fish' });
    expect(everyWindow(big, (set) => set.slice(0, 2).some((each) => saysSo(each, 'said-big-fish')))).toBe(true);
    const meanMm = (plan: Plan) => {
      const lengths = plan.windows.flatMap(({ presentations }) => presentations.map(({ size }) => size.lengthMm[1]));
      return lengths.reduce((sum, each) => sum + each, 0) / lengths.length;
    };
    expect(meanMm(big)).toBeGreaterThan(meanMm(planned({ goal: 'numbers' })));
  });

  it('several from one stretch: something slow on the bottom', () => {
    const plan = planned({ feedback: ['clustered-fish'] });
    expect(
      everyWindow(plan, (set) =>
        set.slice(0, 3).some((each) => ['dragged', 'dropped'].includes(categoryOf(each.category).fished)),
      ),
    ).toBe(true);
  });

  it('leaves on the water: a weedless one that moves, told as such', () => {
    const plan = planned({ date: '2027-11-05', surfaceTempC: 14, leaves: true });
    expect(
      everyWindow(plan, (set) =>
        set.slice(0, 2).some((each) => saysSo(each, 'said-leaves') && categoryOf(each.category).hook === 'single'),
      ),
    ).toBe(true);
  });

  it('a lure that is trusted stands in the set, and never one that the day excludes', () => {
    const trusted = planned({ confidence: { 'carolina-rig': 1 } });
    expect(everyWindow(trusted, (set) => set.some(({ category }) => category === 'carolina-rig'))).toBe(true);
    const hopeless = planned({
      visibilityM: 0.2,
      normalVisibilityM: 0.2,
      confidence: { 'blade-bait': 1 },
      maxDepthM: 2,
    });
    expect(everyWindow(hopeless, (set) => set.every(({ category }) => category !== 'blade-bait'))).toBe(true);
  });

  it('says nothing where nothing was asked, and keeps scores from rising down the set', () => {
    for (const plan of [planned(), planned({ familiarity: 'new' }), planned({ goal: 'big-fish', pressure: 'high' })]) {
      for (const { presentations } of plan.windows) {
        const scores = presentations.map(({ score }) => score);
        expect(scores).toEqual([...scores].sort((a, b) => b - a));
        expect(new Set(presentations.map(({ category }) => category)).size).toBe(presentations.length);
      }
    }
    const rules = planned().windows.flatMap(({ presentations }) =>
      presentations.flatMap(({ because }) => because.map(({ rule }) => rule)),
    );
    expect(rules.filter((rule) => rule.startsWith('said-'))).toEqual([]);
  });
});

describe('three degrees warmer and colder', () => {
  it.each([6, 10, 14, 19, 25, 30])('are always answered, at %d °C', (surfaceTempC) => {
    const rules = makePlan(day({ surfaceTempC })).ifThen.map(({ rule }) => rule);
    expect(rules).toContain('if-warmer');
    expect(rules).toContain('if-colder');
  });
});
