import type { ConditionsInput } from '../contract/conditions.js';
import { nameOf } from '../contract/names.js';
import { minutesOf } from '../day/windows.js';
import { day } from '../testing/days.js';
import { headline } from './headline.js';
import { makePlan, planDay } from './make-plan.js';

const COLD = {
  surfaceTempC: 8.5,
  date: '2027-02-24',
  visibilityM: 2.2,
  normalVisibilityM: 2.2,
  structures: ['steep-bank'],
} satisfies Partial<ConditionsInput>;

describe('if-then cards', () => {
  it('tell only turns that change the advice, in the words of the user', () => {
    const cards = makePlan(day(COLD)).ifThen;
    expect(cards.length).toBeGreaterThan(1);
    for (const { when, then, rule } of cards) {
      expect(when).toMatch(/^[A-Z]/);
      expect(when).not.toMatch(/[{}]/);
      expect(then.length).toBeGreaterThan(5);
      expect(rule).toMatch(/^if-/);
    }
    expect(
      makePlan(day(COLD), { units: 'metric' })
        .ifThen.map(({ when }) => when)
        .join(),
    ).not.toContain('°F');
  });

  it('are true: planning under the turn gives what the card says', () => {
    const now = makePlan(day(COLD));
    const card = now.ifThen.find(({ rule }) => rule === 'if-dirtier');
    const then = makePlan(day({ ...COLD, visibilityM: 1.1 }));
    const length = ({ from, to }: (typeof now.windows)[0]) => minutesOf(to) - minutesOf(from);
    const longest = (plan: typeof now) => plan.windows.reduce((a, b) => (length(b) > length(a) ? b : a));
    const [before, after] = [longest(now).presentations[0]!, longest(then).presentations[0]!];
    expect(card?.then.includes('takes over') ?? false).toBe(before.category !== after.category);
    if (before.category !== after.category) expect(card?.then).toContain(nameOf(after.category));
  });

  it('do not offer a turn that has come already', () => {
    const rules = makePlan(day({ ...COLD, level: 'rising', windMps: 9 })).ifThen.map(({ rule }) => rule);
    expect(rules).not.toContain('if-rising');
    expect(rules).not.toContain('if-wind-builds');
  });
});

describe('the headline', () => {
  it('says season and way, place and depth, and which way through the day', () => {
    const { plan, tempTrendCPerDay } = planDay(
      day({ surfaceTempC: 11, date: '2027-03-14', sky: 'clear', window: { from: '06:30', to: '15:00' } }),
    );
    expect(headline(plan, tempTrendCPerDay, 'us')).toMatch(
      /^Pre-spawn and warming\. Secondary points, .* ft, moving up with the sun\.$/,
    );
    expect(headline(plan, -0.4, 'metric')).toMatch(/^Pre-spawn and cooling\. .* m, /);
    expect(headline({ ...plan, windows: [] }, 0, 'us')).toBe('Pre-spawn and steady.');
  });
});

describe('schools in a plan', () => {
  it('are named with their side where they had a say, and where the user chose', () => {
    const used = makePlan(day({ ...COLD, schools: { colour: 'forage' } })).schoolsUsed;
    expect(used.map(({ id }) => id)).toEqual(expect.arrayContaining(['colour', 'jerkbait-gear']));
    expect(used.find(({ id }) => id === 'colour')).toMatchObject({ side: 'forage', why: 'You chose this side' });
  });

  it('let the jerkbait into stain where the user takes that side', () => {
    const stain = { ...COLD, visibilityM: 0.6, normalVisibilityM: 0.8 };
    const score = (side: 'any' | 'clear-only') =>
      Math.max(
        0,
        ...makePlan(day({ ...stain, schools: { 'jerkbait-clarity': side } })).windows.flatMap(({ presentations }) =>
          presentations.filter(({ category }) => category === 'suspending-jerkbait').map((each) => each.score),
        ),
      );
    expect(score('any')).toBeGreaterThan(score('clear-only'));
  });
});

describe('feedback', () => {
  it('sends fish deeper when strikes come at the deepest point', () => {
    const depth = (feedback: ConditionsInput['feedback']) =>
      makePlan(day({ ...COLD, feedback })).windows[0]!.holding[0]!.depthM[1];
    expect(depth(['strikes-at-deepest'])).toBeGreaterThan(depth([]));
  });
});
