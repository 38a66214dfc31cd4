import type { ConditionsInput } from '../contract/conditions.js';
import { FEEDBACK, type Feedback } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import { day } from '../testing/days.js';
import { makePlan } from './make-plan.js';
import { othersWould } from './others.js';
import { tippingPoints } from './tipping.js';
import { ruleLibrary } from './library/rule-library.js';
import { RULES_BY_STEP } from './rules-by-step.js';
import { rulesToday } from './rules-today.js';

const plan = (feedback: Feedback[], more: Partial<ConditionsInput> = {}) => makePlan(day({ feedback, ...more }));
const first = (it: ReturnType<typeof plan>) => it.windows[1]!.presentations[0]!;
const depth = (it: ReturnType<typeof plan>) => it.windows[1]!.holding[0]!.depthM[1];

describe('what the water said changes one thing', () => {
  const before = plan([]);

  it('short strikes: the colour, and nothing else of the first choice', () => {
    const after = plan(['short-strikes']);
    expect(first(after).category).toBe(first(before).category);
    expect(first(after).colour.tone).not.toBe(first(before).colour.tone);
    expect(first(after).retrieve).toEqual(first(before).retrieve);
    expect(first(after).because.map(({ rule }) => rule)).toContain('short-strikes-colour');
  });
  it('barely hooked: a softer rod and a later sweep', () => {
    const after = plan(['barely-hooked']);
    expect(first(after).category).toBe(first(before).category);
    expect(first(after).retrieve.text).toContain('sweep later');
    expect(first(after).colour).toEqual(first(before).colour);
    expect(after.windows.flatMap((w) => w.presentations).map(({ rig }) => rig.rod.action)).not.toEqual(
      before.windows.flatMap((w) => w.presentations).map(({ rig }) => rig.rod.action),
    );
  });
  it('strikes at the deepest point, and no bites with bait about: deeper', () => {
    expect(depth(plan(['strikes-at-deepest']))).toBeGreaterThan(depth(before) * 1.1);
    expect(depth(plan(['no-bites']))).toBeGreaterThan(depth(before) * 1.1);
  });
  it('several in one stretch: something slower on the bottom counts for more', () => {
    const after = plan(['clustered-fish']);
    const slow = (it: ReturnType<typeof plan>) =>
      it.windows[1]!.presentations.filter(({ role }) => role === 'bottom' || role === 'finesse').reduce(
        (sum, { score }) => sum + score,
        0,
      );
    expect(slow(after)).toBeGreaterThan(slow(before));
  });
  it.each(FEEDBACK)('%s: says first what comes after it', (code) => {
    const [card] = plan([code]).ifThen;
    expect(card!.rule).toBe(`feedback-${code}`);
    expect(card!.then.length).toBeGreaterThan(20);
  });
  it('the school of changing freely is told otherwise than that of staying', () => {
    const cards = (side: 'pattern' | 'change-freely') =>
      makePlan(day({ schools: { junk: side } })).ifThen.map(({ rule }) => rule);
    expect(cards('pattern')).toContain('if-junk-pattern');
    expect(cards('change-freely')).toContain('if-junk-change');
  });
});

describe('tipping points', () => {
  const given = day({
    visibilityM: 1.6,
    surfaceTempC: 11.5,
    date: '2027-03-15',
    structures: ['secondary-point', 'flat'],
  });
  const points = tippingPoints(given, 'w2', 'us');

  it('are found by asking the engine, nearest first, with how far the search has come', () => {
    const shares: number[] = [];
    expect(tippingPoints(given, 'w2', 'us', (share) => shares.push(share))).toEqual(points);
    expect(shares.at(-1)).toBe(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(points.length).toBeGreaterThan(1);
    points.forEach(({ distance }, at) => at && expect(distance).toBeGreaterThanOrEqual(points[at - 1]!.distance));
  });
  it('are true: beyond the point the advice is what they say, short of it what it was', () => {
    const stain = { ...given, visibilityM: 1.1 };
    const point = tippingPoints(stain, 'w2', 'metric').find(
      ({ condition, then }) => condition === 'wind' && then.includes('takes over'),
    )!;
    expect(point).toBeDefined();
    const bound = Number(/([\d.]+) m\/s/.exec(point.when)![1]);
    const firstAt = (windMps: number) => makePlan({ ...stain, windMps }).windows[1]!.presentations[0]!.category;
    expect(point.then).toContain(nameOf(firstAt(bound + 0.6)));
    expect(firstAt(bound - 1)).toBe(makePlan(stain).windows[1]!.presentations[0]!.category);
  });

  it('are none for a window that is not there', () => {
    expect(tippingPoints(given, 'w99', 'us')).toEqual([]);
  });
});

describe('what others would do', () => {
  it('is what the plan under the other side does', () => {
    const given = day({ surfaceTempC: 11, date: '2027-03-12', visibilityM: 1.2 });
    const own = makePlan(given);
    const others = othersWould(given, 'w2', 'us');
    expect(others.length).toBeGreaterThan(0);
    for (const { school, side, would } of others) {
      expect(own.schoolsUsed.find(({ id }) => id === school)!.side).not.toBe(side);
      const there = makePlan({ ...given, schools: { [school]: side } });
      expect([there.windows[1], there.ifThen]).not.toEqual([own.windows[1], own.ifThen]);
      expect(would.length).toBeGreaterThan(5);
    }
  });
  it('tells of searching, of changing and of colour, which are about the whole day', () => {
    const given = day({ familiarity: 'new', surfaceTempC: 14, date: '2027-04-01', visibilityM: 0.9 });
    const own = makePlan(given);
    expect(own.schoolsUsed).toEqual(
      expect.arrayContaining([expect.objectContaining({ id: 'search', side: 'two-lures' })]),
    );
    const others = othersWould(given, 'w2', 'us');
    const would = (school: string) => others.find((each) => each.school === school)?.would;
    expect(would('junk')).toBe('tie on another lure after twenty minutes without a bite');
    expect(would('colour')).toMatch(/take it/);
  });
  it('is nothing for a window that is not there', () => {
    const given = day();
    expect(othersWould(given, 'w99', 'us')).toEqual([]);
  });
});

describe('the rule library', () => {
  const library = ruleLibrary('metric');
  it('holds every rule once, in words, with its source or "judgement"', () => {
    const ids = library.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.length).toBe(Object.values(RULES_BY_STEP).reduce((sum, rules) => sum + rules.length, 0));
    for (const { text, when, does, source } of library) {
      expect(text).toMatch(/^[A-Z0-9]/);
      expect(`${text}${when}`).not.toMatch(/[{}]|undefined|NaN/);
      expect(does.length).toBeGreaterThan(1);
      expect(source.length).toBeGreaterThan(4);
    }
  });
  it('says conditions in the units of the user', () => {
    const jerkbait = (units: 'us' | 'metric') => ruleLibrary(units).find(({ id }) => id === 'flat-side-warm')!;
    expect(jerkbait('metric').when).toBe('water over 15½ °C, wholly over 19 °C');
    expect(jerkbait('us').when).toBe('water over 60 °F, wholly over 66 °F');
    expect(jerkbait('us').does).toBe('by -2');
    const front = ruleLibrary('us').find(({ id }) => id === 'post-front-slow')!;
    expect(front).toMatchObject({ step: 'question', does: 'pace, shift −0.2' });
    expect(ruleLibrary('us').filter(({ step }) => step === 'lure').length).toBeGreaterThan(250);
  });

  it('knows which hold on a day: every reason that a plan gives from a rule, and none of the other discipline', () => {
    const given = day();
    const held = rulesToday(given);
    const ids = new Set(library.map(({ id }) => id));
    for (const { presentations, holding } of makePlan(given).windows) {
      for (const { rule } of [
        ...presentations.flatMap(({ because }) => because),
        ...holding.flatMap(({ because }) => because),
      ]) {
        if (ids.has(rule) && !rule.startsWith('family-')) expect(held[rule] ?? 0).toBeGreaterThan(0);
      }
    }
    expect(Object.keys(held)).not.toContain('fall-run-temperature');
    expect(held['pre-spawn-temperature'] ?? 0).toBeGreaterThanOrEqual(0);
  });
});
