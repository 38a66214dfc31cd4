import { CATEGORIES, COVERS, STRUCTURES, type CategoryId } from '../contract/ids.js';
import { judgeDay } from '../plan/judge.js';
import { assume } from '../plan/assume.js';
import { planWindow, runDepthM } from '../plan/window.js';
import { sunDay } from '../day/sun.js';
import { COVER_GROUND, STRUCTURE_DEPTH_M } from '../place/places.js';
import { Facts } from '../rules/facts.js';
import { day } from '../testing/days.js';
import type { ConditionsInput } from '../contract/conditions.js';
import { CATALOGUE, categoryOf } from './categories.js';
import type { Category } from './category.js';
import { chooseSet, likeness } from './choose.js';
import { aspectsWith, reach, riseM } from './aspects.js';
import { schoolsInForce } from './schools.js';
import { contribution, explain, weighCategories } from './score.js';
import { ASPECTS } from './rules.js';

function judged(changes: Partial<ConditionsInput>) {
  const conditions = day(changes);
  const sun = sunDay(conditions.date, conditions.place);
  return judgeDay(assume(conditions, sun).conditions, sun, 0, 'us');
}

/** The categories of the first window with a catalogue of one's own. */
function offered(changes: Partial<ConditionsInput>, catalogue: readonly Category[], most = 6) {
  const it = judged({ ...changes, maxRods: most });
  return planWindow(it, it.windows[0]!, 0, 'us', { catalogue, most }).presentations.map(({ category }) => category);
}

describe('the catalogue', () => {
  it('has every category of the contract once', () => {
    expect(CATALOGUE.map(({ id }) => id).sort()).toEqual([...CATEGORIES].sort());
  });

  it.each(CATALOGUE.map((category) => [category.id, category] as const))('%s is all there', (_, category) => {
    const {
      traits,
      positions,
      snag,
      tempC,
      visibilityM,
      runDepthM: run,
      paceMps,
      lengthMm,
      weightG,
      families,
      styles,
    } = category;
    for (const share of [...Object.values(traits), ...Object.values(positions), ...Object.values(snag)]) {
      expect(share).toBeGreaterThanOrEqual(0);
      expect(share).toBeLessThanOrEqual(1);
    }
    for (const range of [run, paceMps, lengthMm, weightG, tempC, visibilityM]) {
      expect([...range]).toEqual([...range].sort((a, b) => a - b));
    }
    expect(Math.max(...Object.values(positions))).toBeGreaterThanOrEqual(0.5);
    expect(families.length).toBeGreaterThan(1);
    expect(styles.length).toBeGreaterThan(0);
    expect(Boolean(category.line.leaderLb)).toBe(
      category.line.material === 'braid' ? Boolean(category.line.leaderLb) : false,
    );
  });

  it('covers every structure and cover with a depth and a ground', () => {
    for (const structure of STRUCTURES)
      expect(STRUCTURE_DEPTH_M[structure][0]).toBeLessThan(STRUCTURE_DEPTH_M[structure][1]);
    for (const cover of COVERS) expect(COVER_GROUND[cover]).toBeDefined();
  });

  it('refuses an id that is none', () =>
    expect(() => categoryOf('spinning-top' as CategoryId)).toThrow('No category spinning-top'));
});

describe('a category added only here, with attributes', () => {
  const jerkbait = categoryOf('suspending-jerkbait');
  const others = CATALOGUE.filter(({ id }) => id !== 'suspending-jerkbait');
  const newcomer: Category = { ...jerkbait, id: 'hovering-minnow' as CategoryId, name: 'hovering minnow' };

  it('comes up where its like would, though no rule knows of it', () => {
    const cold = {
      surfaceTempC: 8.5,
      date: '2027-02-24',
      visibilityM: 2.2,
      normalVisibilityM: 2.2,
      structures: ['steep-bank' as const],
      bankSlopeDeg: 45,
    };
    expect(offered(cold, [...others, newcomer]).indexOf('hovering-minnow' as CategoryId)).toBe(0);
  });

  it('stays away where its attributes do not fit', () => {
    const mud = {
      surfaceTempC: 14,
      visibilityM: 0.15,
      normalVisibilityM: 1.5,
      level: 'rising' as const,
      structures: ['pocket' as const],
      covers: ['flooded-bush' as const],
    };
    expect(offered(mud, [...others, newcomer])).not.toContain('hovering-minnow');
  });

  it('is not tied on beside its twin: the set does not repeat itself', () => {
    const cold = {
      surfaceTempC: 8.5,
      date: '2027-02-24',
      visibilityM: 2.2,
      normalVisibilityM: 2.2,
      structures: ['steep-bank' as const],
    };
    const set = offered(cold, [...CATALOGUE, newcomer], 4);
    expect(set.filter((id) => id === 'suspending-jerkbait' || (id as string) === 'hovering-minnow')).toHaveLength(1);
  });
});

describe('the choice of a set', () => {
  const it1 = judged({ surfaceTempC: 14, date: '2027-04-01', windMps: 5 });
  const window = planWindow(it1, it1.windows[0]!, 0, 'us');
  const weighed = weighCategories(CATALOGUE, window.holding, it1.facts);

  it('shares a score of one among all categories, most first', () => {
    expect(weighed.reduce((sum, { score }) => sum + score, 0)).toBeCloseTo(1, 9);
    expect(weighed.map(({ logWeight }) => logWeight)).toEqual(
      weighed.map(({ logWeight }) => logWeight).sort((a, b) => b - a),
    );
  });

  it('names as many as asked, the best first, no category twice, roles apart where it can', () => {
    const set = chooseSet(weighed, 4);
    expect(set).toHaveLength(4);
    expect(set[0]!.weighed).toBe(weighed[0]);
    expect(new Set(set.map((each) => each.weighed.category.id)).size).toBe(4);
    expect(new Set(set.map(({ role }) => role)).size).toBeGreaterThanOrEqual(3);
    expect(chooseSet([], 4)).toEqual([]);
  });

  it('has two to search with where that is asked, else one', () => {
    const searching = (searchLures: number) =>
      chooseSet(weighed, 4, searchLures).filter(({ role }) => role === 'search').length;
    expect(searching(1)).toBe(1);
    expect(searching(2)).toBe(2);
  });

  it('knows like from unlike', () => {
    const [worm, wacky, frog] = (['weightless-stick-worm', 'wacky-stick-worm', 'hollow-frog'] as const).map(
      categoryOf,
    ) as [Category, Category, Category];
    expect(likeness(worm, worm)).toBe(1);
    expect(likeness(worm, wacky)).toBeGreaterThan(0.9);
    expect(likeness(worm, frog)).toBeLessThan(0.4);
    expect(likeness(worm, frog)).toBe(likeness(frog, worm));
  });

  it('explains itself with reasons, strongest first', () => {
    const because = explain(weighed[0]!, 'us').because.map(({ weight }) => weight);
    expect(because.length).toBeGreaterThan(2);
    expect(because).toEqual([...because].sort((a, b) => b - a));
    expect(ASPECTS.length).toBe(new Set(ASPECTS).size);
  });

  it('weighs what the rules that held add up to, at a place that the lure reaches well', () => {
    const place = { ...window.holding[0]!, weight: 1 };
    const reached = weighCategories(CATALOGUE, [place], it1.facts).filter(({ fit }) => fit.reachesDepth > 0.6);
    expect(reached.length).toBeGreaterThan(5);
    for (const { category, fired, fit, logWeight } of reached) {
      const sum = fired.reduce((total, each) => total + contribution(each, aspectsWith(category, fit)), 0);
      expect(logWeight).toBeCloseTo(sum, 9);
    }
  });
});

describe('reach', () => {
  it('is whole where ranges meet, falls off with the gap, and forgives running above more than below', () => {
    expect(reach([1, 2], [1.5, 3], 0.3)).toBe(1);
    expect(reach([0, 1], [3, 4], 0.3)).toBeLessThan(0.2);
    expect(reach([1, 2], [2.6, 3.6], 0.6)).toBe(1);
    expect(reach([4, 5], [2, 3.4], 0.6)).toBeLessThan(1);
  });

  it('lets warm fish in clear water come up farther', () => {
    const rise = (surfaceTempC: number, visibilityM: number) => riseM(Facts.of({ surfaceTempC, visibilityM }));
    expect(rise(24, 2)).toBeGreaterThan(rise(6, 2));
    expect(rise(24, 2)).toBeGreaterThan(rise(24, 0.3));
  });

  it('runs a lure within what it can do, at the fish or just above them', () => {
    const facts = Facts.of({ surfaceTempC: 12, visibilityM: 1.5 });
    for (const category of CATALOGUE) {
      for (const depthM of [
        [0.3, 0.8],
        [2, 4],
        [7, 11],
      ] as [number, number][]) {
        const [from, to] = runDepthM(category, { depthM, position: 'bottom' }, facts);
        expect(from).toBeLessThanOrEqual(to);
        expect(from).toBeGreaterThanOrEqual(category.runDepthM[0] - 1e-9);
        expect(to).toBeLessThanOrEqual(category.runDepthM[1] + 1e-9);
      }
    }
    expect(runDepthM(categoryOf('finesse-jig'), { depthM: [2, 4], position: 'bottom' }, facts)).toEqual([2, 4]);
  });
});

describe('schools', () => {
  const sides = (known: Parameters<typeof Facts.of>[0], chosen = {}) =>
    Object.fromEntries(
      schoolsInForce(chosen as ConditionsInput['schools'] as never, Facts.of(known)).map(({ id, side }) => [id, side]),
    );

  it('default as the field does', () => {
    expect(sides({ surfaceTempC: 10, effectiveVisibilityM: 0.5 })).toMatchObject({
      'mud-blade': 'round',
      'cold-trailer': 'still',
      'crank-pace': 'stop-and-go',
      'jerkbait-gear': 'low',
      claws: 'out',
    });
    expect(sides({ surfaceTempC: 22, effectiveVisibilityM: 2, 'forage:shad': 1 })).toMatchObject({
      'mud-blade': 'long',
      'cold-trailer': 'kicking',
      'crank-pace': 'fast',
      'jerkbait-gear': 'high',
      claws: 'tucked',
    });
    expect(sides({ surfaceTempC: 10, effectiveVisibilityM: 0.2 })).toMatchObject({ 'cold-trailer': 'kicking' });
    expect(sides({ 'goal:big-fish': 1 })).toMatchObject({ size: 'large' });
    expect(sides({ windMps: 12 })).toMatchObject({ 'crank-rod': 'spinning' });
  });

  it('give way to what the user chose', () => {
    expect(sides({ surfaceTempC: 10 }, { 'cold-trailer': 'kicking' })).toMatchObject({ 'cold-trailer': 'kicking' });
  });
});
