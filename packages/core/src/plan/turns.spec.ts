import fc from 'fast-check';
import type { Conditions, ConditionsInput } from '../contract/conditions.js';
import { FRONTS, LEVELS, SKIES, STRUCTURES, COVERS, WATER_KINDS } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import { minutesOf } from '../day/windows.js';
import { day } from '../testing/days.js';
import { headline } from './headline.js';
import { judgeDay, rejudge } from './judge.js';
import { makePlan, planDay } from './make-plan.js';
import { TURNS } from './turns.js';

const COLD = {
  surfaceTempC: 8.5,
  date: '2027-02-24',
  visibilityM: 2.2,
  normalVisibilityM: 2.2,
  structures: ['steep-bank'],
} satisfies Partial<ConditionsInput>;

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** Any day with some readings before it. */
const anyDay = fc
  .record({
    dayOfYear: fc.integer({ min: 10, max: 360 }),
    surfaceTempC: number(4, 31),
    visibilityM: number(0.2, 4),
    normalVisibilityM: number(0.4, 4),
    sky: fc.constantFrom(...SKIES),
    windMps: number(0, 12),
    front: fc.constantFrom(...FRONTS),
    level: fc.constantFrom(...LEVELS),
    waterKind: fc.constantFrom(...WATER_KINDS),
    structures: fc.uniqueArray(fc.constantFrom(...STRUCTURES), { minLength: 1, maxLength: 4 }),
    covers: fc.uniqueArray(fc.constantFrom(...COVERS), { minLength: 1, maxLength: 3 }),
    fallsC: fc.array(number(-2.5, 2.5), { maxLength: 4 }),
  })
  .map(({ dayOfYear, fallsC, ...rest }): Conditions => {
    const dayMs = Date.UTC(2027, 0, dayOfYear);
    const readings = fallsC.map((fallC, at) => ({
      at: new Date(dayMs - (at + 0.4) * 86_400_000).toISOString(),
      surfaceTempC: Math.min(33, Math.max(1, rest.surfaceTempC + fallC * (at + 1))),
    }));
    return day({ ...rest, readings, date: new Date(dayMs).toISOString().slice(0, 10) });
  });
const lengthOf = ({ from, to }: { from: string; to: string }) => minutesOf(to) - minutesOf(from);

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

  it('on any day, its readings told too, claim what the plan of the turned day says, and never what leads already', () => {
    let seen = 0;
    fc.assert(
      fc.property(anyDay, (given) => {
        const now = makePlan(given);
        const judged = judgeDay(given, 'us');
        const longest = now.windows.reduce((a, b) => (lengthOf(b) > lengthOf(a) ? b : a));
        const leads = longest.presentations[0]?.category;
        for (const { rule, then } of now.ifThen) {
          const change = TURNS.find(({ id }) => id === rule)?.change(judged.conditions);
          if (!change) continue;
          const turned = makePlan({ ...given, ...change });
          const same = turned.windows.find(({ from, to }) => from === longest.from && to === longest.to);
          // A spawn of bait may part the turned day otherwise: then there is no such window to compare with.
          const first = same?.presentations[0];
          if (!first || !leads) continue;
          seen++;
          const takesOver = / takes over/.test(then);
          expect([rule, takesOver]).toEqual([rule, first.category !== leads]);
          if (takesOver) expect(then.startsWith(nameOf(first.category))).toBe(true);
        }
      }),
      { numRuns: 120 },
    );
    expect(seen).toBeGreaterThan(100);
  });

  it('are judged with what the readings told: a sharp fall weighs on the turned day, too', () => {
    const falling = [15.5, 13.5, 12].map((surfaceTempC, at) => ({
      at: `2027-03-${String(11 + at)}T${20 - 3 * at}:00:00Z`,
      surfaceTempC,
    }));
    const judged = judgeDay(day({ surfaceTempC: 12, date: '2027-03-13', readings: falling }), 'us');
    expect(judged.facts.degree('front:post-frontal')).toBeGreaterThan(0.3);
    const turned = rejudge(judged, { sky: 'overcast' });
    expect(turned.facts.degree('front:post-frontal')).toBe(judged.facts.degree('front:post-frontal'));
    expect(rejudge(judged, {})).toEqual(judged);
  });

  it('assume anew what the turn changes: warm enough, the water is layered', () => {
    const judged = judgeDay(day({ surfaceTempC: 23.5, date: '2027-07-01', waterKind: 'highland-reservoir' }), 'us');
    expect(judged.conditions.thermoclineM).toBeUndefined();
    expect(rejudge(judged, { surfaceTempC: 25.2 }).conditions.thermoclineM).toBeGreaterThan(3);
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
