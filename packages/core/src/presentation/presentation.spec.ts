import { CATEGORIES, COVERS, STRUCTURES, type CategoryId } from '../contract/ids.js';
import { judgeDay } from '../plan/judge.js';
import { planWindow, runDepthM, windowGrounds } from '../plan/window.js';
import { COVER_GROUND, STRUCTURE_DEPTH_M } from '../place/places.js';
import { categoryDeepestM } from '../lures/reach.js';
import { Facts, type Known } from '../rules/facts.js';
import { day } from '../testing/days.js';
import type { ConditionsInput } from '../contract/conditions.js';
import { CATALOGUE, categoryOf } from '../lures/categories.js';
import type { Category } from '../lures/category.js';
import { chooseSet } from './choose.js';
import { answersOf, reach, riseFor, riseM } from './aspects.js';
import { formsOf } from '../lures/forms.js';
import { likeness } from './likeness.js';
import { occasionsOf } from './occasions/index.js';
import { idealsOf, lossAt, QUESTION_IDS } from './questions.js';
import { schoolsInForce } from './schools.js';
import { coverage, explain, groundsOf, weighCategories } from './score.js';

const judged = (changes: Partial<ConditionsInput>) => judgeDay(day(changes), 'us');

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

  it('has the days of the lure that it is most like, until something is said of its own', () => {
    expect(occasionsOf(newcomer)).toBe(occasionsOf(jerkbait));
    expect(occasionsOf({ ...newcomer, ...categoryOf('football-jig'), id: newcomer.id })).toBe(
      occasionsOf(categoryOf('football-jig')),
    );
    for (const category of CATALOGUE) expect(occasionsOf(category).suits.length).toBeGreaterThan(0);
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

/** The places and categories of a window, weighed. */
function weighedOn(changes: Partial<ConditionsInput>, at = 0) {
  const it1 = judged(changes);
  const { facts, places } = windowGrounds(it1)[at]!;
  const grounds = groundsOf(places, facts);
  return { facts, places, grounds, weighed: weighCategories(CATALOGUE, grounds) };
}

describe('weighing', () => {
  const { grounds, weighed } = weighedOn({ surfaceTempC: 14, date: '2027-04-01', windMps: 5 });

  it('shares a score of one among the lures that are thought about, most first', () => {
    expect(weighed.reduce((sum, { score }) => sum + score, 0)).toBeCloseTo(1, 9);
    expect(weighed.map(({ logWeight }) => logWeight)).toEqual(
      weighed.map(({ logWeight }) => logWeight).sort((a, b) => b - a),
    );
    expect(weighed.length).toBeGreaterThan(8);
  });

  it('leaves out only what could not come near the first', () => {
    const near = weighed.filter(({ logWeight }) => logWeight > weighed[0]!.logWeight - 4);
    const narrow = weighCategories(CATALOGUE, grounds, undefined, 4);
    expect(narrow.map(({ category }) => category.id)).toEqual(
      expect.arrayContaining(near.map(({ category }) => category.id)),
    );
    expect(weighCategories(CATALOGUE, grounds, undefined, 0)[0]!.category).toBe(weighed[0]!.category);
  });

  it('finds the same first, whichever lure was thought likely', () => {
    for (const { id } of CATALOGUE) {
      const [first] = weighCategories(CATALOGUE, grounds, undefined, 0, id);
      expect(first).toMatchObject({ category: weighed[0]!.category, logWeight: weighed[0]!.logWeight });
    }
  });

  it('counts a lure by the share of the fish that it covers, in the class that covers most', () => {
    for (const { category, form, place } of weighed) {
      const covers = coverage(form, grounds);
      expect(covers).toBeGreaterThan(0);
      expect(covers).toBeLessThanOrEqual(1 + 1e-9);
      if (!form.class) continue;
      expect(category.runDepthM[1]).toBe(form.class.reachM[1]);
      expect(formsOf(form.of)).toContain(form);
      expect(place.weight).toBeGreaterThan(0);
    }
    const deep = weighedOn({ surfaceTempC: 6, date: '2027-01-20', structures: ['bluff'], visibilityM: 2.5 }).weighed;
    const shallow = weighedOn({ surfaceTempC: 14, date: '2027-04-05', structures: ['pocket'], visibilityM: 2 }).weighed;
    const jerkbait = (list: typeof deep) => list.find(({ category }) => category.id === 'suspending-jerkbait')!;
    expect(jerkbait(deep).form.class!.reachM[1]).toBeGreaterThan(jerkbait(shallow).form.class!.reachM[1]);
  });

  it('hears one voice a question: what says the same twice weighs no more', () => {
    const ideals = (known: Known) =>
      Object.fromEntries(
        idealsOf(Facts.of({ surfaceTempC: 7, sightM: 2, ...known })).map(({ question, at }) => [question, at]),
      );
    const front = ideals({ 'front:post-frontal': 1 });
    const both = ideals({ 'front:post-frontal': 1, 'phase:winter': 1, 'bright-and-calm': 1, 'front:recovering': 1 });
    expect(both.pace).toBe(front.pace);
    expect(both.search).toBe(front.search);
    expect(ideals({ 'phase:winter': 1 }).pace).toBeGreaterThan(front.pace!);
    for (const [question, at] of Object.entries(both)) {
      expect(QUESTION_IDS).toContain(question);
      expect(at).toBeGreaterThanOrEqual(0);
      expect(at).toBeLessThanOrEqual(1);
    }
  });

  it('has an ideal point, not a more is better: too loud loses in clear water, too quiet in mud', () => {
    const presence = (sightM: number) =>
      idealsOf(Facts.of({ surfaceTempC: 18, sightM })).find(({ question }) => question === 'presence')!;
    const [worm, blades] = (['wacky-stick-worm', 'spinnerbait'] as const).map(
      (id) => answersOf(categoryOf(id)).presence,
    );
    expect(lossAt(presence(0.2), worm!)).toBeLessThan(lossAt(presence(0.2), blades!) - 1);
    expect(lossAt(presence(4), blades!)).toBeLessThan(lossAt(presence(4), worm!) - 0.5);
    expect(lossAt(presence(4), worm!)).toBeLessThanOrEqual(0);
  });

  it.each<[string, Partial<ConditionsInput>, CategoryId[]]>([
    [
      'no vertical lure over grass or in shallow water',
      {
        surfaceTempC: 5,
        date: '2027-01-20',
        structures: ['flat'],
        covers: ['submerged-grass'],
        coverTopDepthM: 2.5,
        waterKind: 'grass-lake',
        maxDepthM: 4,
      },
      ['slab-spoon', 'blade-bait'],
    ],
    [
      'no spoon in a pond with no bait seen',
      {
        surfaceTempC: 5,
        date: '2027-01-20',
        waterKind: 'pond',
        maxDepthM: 6,
        structures: ['dam-face'],
        covers: ['riprap'],
      },
      ['slab-spoon'],
    ],
    [
      'no frog or punch rig where there is no mat',
      { surfaceTempC: 26, date: '2027-07-20', structures: ['flat'], covers: ['stump'] },
      ['hollow-frog', 'punch-rig'],
    ],
    [
      'no quiet worm in mud',
      {
        surfaceTempC: 16,
        date: '2027-04-10',
        visibilityM: 0.15,
        level: 'rising',
        structures: ['pocket'],
        covers: ['laydown'],
      },
      ['wacky-stick-worm', 'weightless-stick-worm', 'drop-shot'],
    ],
    [
      'no umbrella rig in cover or dirt',
      { surfaceTempC: 9, date: '2027-02-25', visibilityM: 0.5, structures: ['flat'], covers: ['stump'] },
      ['umbrella-rig'],
    ],
  ])('excludes what excludes: %s', (_, conditions, out) => {
    const offeredThere = judged(conditions).windows.flatMap((_window, at) =>
      weighedOn(conditions, at)
        .weighed.filter(({ score }) => score > 0.02)
        .map(({ category }) => category.id),
    );
    for (const id of out) expect(offeredThere).not.toContain(id);
  });

  it('trusts what the angler trusts', () => {
    const rank = (trust: number) =>
      weighCategories(CATALOGUE, grounds, ({ id }) => (id === 'swim-jig' ? trust : 0)).findIndex(
        ({ category }) => category.id === 'swim-jig',
      );
    expect(rank(2)).toBeLessThan(rank(0));
  });

  it('explains itself with reasons, strongest first', () => {
    const because = explain(weighed[0]!, grounds, 'us').because.map(({ weight }) => weight);
    expect(because.length).toBeGreaterThan(2);
    expect(because).toEqual([...because].sort((a, b) => b - a));
    const worst = explain(weighed.at(-1)!, grounds, 'us').against;
    expect(worst.length).toBeGreaterThan(0);
  });
});

describe('the choice of a set', () => {
  const { weighed } = weighedOn({ surfaceTempC: 14, date: '2027-04-01', windMps: 5 });

  it('names as many as asked, the best first, no category twice, roles apart where it can', () => {
    const set = chooseSet(weighed, 4);
    expect(set).toHaveLength(4);
    expect(set[0]!.weighed).toBe(weighed[0]);
    expect(new Set(set.map((each) => each.weighed.category.id)).size).toBe(4);
    expect(new Set(set.map(({ role }) => role)).size).toBeGreaterThanOrEqual(3);
    expect(set.map((each) => each.weighed.logWeight)).toEqual(
      set.map((each) => each.weighed.logWeight).sort((a, b) => b - a),
    );
    expect(chooseSet([], 4)).toEqual([]);
  });

  it('does not hold four of one way of fishing, however good each is', () => {
    const chasing = weighedOn({
      surfaceTempC: 25,
      date: '2027-09-20',
      tempTrendCPerDay: -0.25,
      visibilityM: 1.4,
      normalVisibilityM: 1.4,
      structures: ['main-lake-point', 'open-water'],
      covers: ['bare'],
      signs: ['surface-chasing'],
      forage: [{ kind: 'shad', seen: ['chased'] }],
    }).weighed;
    const ways = chooseSet(chasing, 4).map((each) => each.weighed.category.fished);
    expect(ways.filter((way) => way === 'top').length).toBeLessThanOrEqual(2);
    expect(new Set(ways).size).toBeGreaterThanOrEqual(2);
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
});

describe('depth classes', () => {
  it('are told apart for the lures that are made in several', () => {
    const classes = (id: CategoryId) => formsOf(categoryOf(id)).map((form) => form.class?.id);
    expect(classes('suspending-jerkbait')).toEqual(['shallow', 'mid', 'deep']);
    expect(classes('square-bill')).toHaveLength(4);
    expect(classes('wide-wobble-crankbait')).toHaveLength(2);
    expect(classes('football-jig')).toEqual([undefined]);
  });

  it('reach on their own line what they are said to reach', () => {
    for (const category of CATALOGUE) {
      for (const form of formsOf(category)) {
        if (!form.class || form.category.form !== 'diver') continue;
        expect(form.class.heldUpM).toBeLessThan(form.class.reachM[0]);
        const deepest = categoryDeepestM(form.category, form.category.line, form.category.weightG[1], 1);
        expect(deepest).toBeGreaterThanOrEqual(form.class.reachM[1] - 0.06);
      }
    }
  });
});

describe('reach', () => {
  it('is the share of the group that it covers, and what runs under them covers none', () => {
    expect(reach([1, 3], [1.5, 3], 0.3)).toBe(1);
    expect(reach([0, 1], [3, 4], 0.3)).toBe(0);
    expect(reach([1, 2], [2, 4], 0.5)).toBeGreaterThan(0.2);
    expect(reach([1, 2], [2, 4], 0.5)).toBeLessThan(0.6);
    expect(reach([4, 5], [2, 3], 0.6)).toBe(0);
  });

  it('lets warm fish in clear water come up farther, most of all for what is on top of very clear water', () => {
    const rise = (surfaceTempC: number, visibilityM: number) => riseM(Facts.of({ surfaceTempC, visibilityM }));
    expect(rise(24, 2)).toBeGreaterThan(rise(6, 2));
    expect(rise(24, 2)).toBeGreaterThan(rise(24, 0.3));
    const lies = { positions: { surface: 0, suspended: 1, bottom: 0 } };
    const walker = categoryOf('walking-topwater');
    expect(riseFor(walker, lies, 1, 4)).toBeGreaterThan(riseFor(walker, lies, 1, 1));
    expect(
      riseFor(categoryOf('deep-diver'), { positions: { surface: 0, suspended: 0, bottom: 1 } }, 1, 1),
    ).toBeLessThan(0.5);
  });

  it('runs a lure within what it can do, at the fish or just above them', () => {
    const facts = Facts.of({ surfaceTempC: 12, visibilityM: 1.5 });
    for (const category of CATALOGUE.flatMap((each) => formsOf(each).map((form) => form.category))) {
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
  const sides = (known: Known, chosen = {}) =>
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
      'after-front': 'stay',
      patience: 'several-casts',
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
