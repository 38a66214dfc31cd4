import fc from 'fast-check';
import type { CategoryId } from '../contract/ids.js';
import { makePlan } from '../plan/make-plan.js';
import { seededNumbers } from '../numbers/seeded.js';
import { day } from '../testing/days.js';
import { combo, idOf, lure } from '../testing/tackle.js';
import type { TackleItem } from '../tackle/item.js';
import { presetOf } from '../tackle/presets.js';
import type { Morning } from './answers.js';
import { cardAnswer, rampCard, type CardNode } from './card.js';
import { MORNING_FIELDS, usualForecastErrors, type MorningDoubts } from './doubts.js';
import { morningsOf } from './mornings.js';
import { aboardWorth, chooseAboard } from './cover.js';
import { deckFor, whyOnDeck } from './deck.js';
import { boxLacks, ofMornings, packFor, whyPacked } from './packing.js';
import { answerWords, isOver, questionsOn } from './questions.js';
import { surenessOf } from './sureness.js';
import { wantedTogether } from './wanted.js';

const GIVEN = day({ surfaceTempC: 12.7, structures: ['ditch', 'secondary-point', 'flat'] });
const DOUBTS: MorningDoubts = {
  leadDays: 1,
  surfaceSdC: 1.5,
  surfaceSdNowC: 1,
  weather: [],
  errors: usualForecastErrors,
  visibility: { daysSince: 3, logPerDay: 0.08, logPerRainMm: 0.012 },
  fixed: [],
};
const found = morningsOf(GIVEN, DOUBTS, { count: 96 });
const sum = (list: readonly number[]) => list.reduce((total, each) => total + each, 0);

describe('a day over all its mornings', () => {
  it('is answered by the planner itself', () => {
    const plan = makePlan(GIVEN);
    expect(found.planned.windows.map((window) => window?.first)).toEqual(
      plan.windows.map(({ presentations: [first] }) => first?.category),
    );
    for (const morning of found.mornings.slice(0, 6)) {
      const own = makePlan({ ...GIVEN, ...morning.change });
      expect(morning.phase).toBe(own.phase.id);
      // Where the light parts the day alike the windows are the same ones.
      if (own.windows.length === plan.windows.length) {
        expect(morning.windows.map((window) => window?.first)).toEqual(
          own.windows.map(({ presentations: [first] }) => first?.category),
        );
      }
    }
  });

  it('says how sure each window is, all shares together being all mornings', () => {
    for (const [index, window] of found.sureness.windows.entries()) {
      expect(sum(window!.firsts.map(({ share }) => share))).toBeCloseTo(1);
      expect(window!.stands).toBe(window!.firsts.find(({ of }) => of === window!.first)?.share ?? 0);
      expect(window!.inSet).toBeGreaterThanOrEqual(window!.stands);
      expect([...window!.depthM].sort((a, b) => a - b)).toEqual(window!.depthM);
      expect(window!.windowId).toBe(`w${index + 1}`);
    }
    expect(sum(found.sureness.phases.map(({ share }) => share))).toBeCloseTo(1);
  });

  it('is quite sure where everything was said by hand, and needs no question', () => {
    const said = morningsOf(GIVEN, { ...DOUBTS, fixed: MORNING_FIELDS }, { count: 20 });
    for (const window of said.sureness.windows) expect([window!.stands, window!.decides]).toEqual([1, null]);
    expect(said.card).toMatchObject({ root: { kind: 'answer', answer: { agrees: 1, share: 1 } }, agrees: 1, worth: 1 });
  });

  it('tells how far it has come', () => {
    const shares: number[] = [];
    morningsOf(GIVEN, DOUBTS, { count: 40, onProgress: (share) => shares.push(share) });
    expect(shares.at(-1)).toBe(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });
});

/** A morning whose one window is answered by a rule of its own. */
const made = (
  surfaceTempC: number,
  visibilityM: number,
  first: CategoryId,
  second: CategoryId = 'drop-shot',
): Morning => ({
  change: { ...found.planned.change, surfaceTempC, visibilityM },
  seen: { ...found.planned.change, surfaceTempC, visibilityM },
  phase: 'pre-spawn',
  clarity: 'clear',
  windows: [
    {
      first,
      second,
      set: [first, second],
      structure: 'flat',
      runDepthM: [1, 2],
      behind: new Map([
        [first, 0],
        [second, -2],
      ]),
    },
  ],
});
const byRule = (count: number, rule: (tempC: number, visibilityM: number) => CategoryId) => {
  const random = seededNumbers(11);
  return Array.from({ length: count }, () => {
    const [tempC, visibilityM] = [8 + 10 * random(), 0.5 + 3 * random()];
    return made(tempC, visibilityM, rule(tempC, visibilityM));
  });
};

describe('what decides', () => {
  it('is the reading that tells the lures apart, at the figure where they part', () => {
    const mornings = byRule(200, (tempC) => (tempC > 13 ? 'weightless-stick-worm' : 'suspending-jerkbait'));
    const [window] = surenessOf(mornings[0]!, mornings, 'metric').windows;
    expect(window!.decides).toMatchObject({
      question: { of: 'surfaceTempC' },
      over: { of: 'weightless-stick-worm' },
      under: { of: 'suspending-jerkbait' },
    });
    expect(Math.abs(window!.decides!.question.over - 13)).toBeLessThan(0.8);
    expect(answerWords(window!.decides!.question, 'metric')[0]).toMatch(/^water over 1[234]½? °C$/);
  });
});

const answersIn = (node: CardNode): number =>
  node.kind === 'answer' ? 1 : answersIn(node.over) + answersIn(node.under);
const questionsIn = (node: CardNode): number =>
  node.kind === 'answer' ? 0 : 1 + Math.max(questionsIn(node.over), questionsIn(node.under));

describe('the ramp card', () => {
  it('asks for both readings where both decide, and is right on mornings it has not seen', () => {
    const rule = (tempC: number, visibilityM: number): CategoryId =>
      tempC > 13 ? (visibilityM > 1.5 ? 'weightless-stick-worm' : 'bladed-jig') : 'suspending-jerkbait';
    const card = rampCard(byRule(300, rule), 0, 'metric')!;
    expect(card.agrees).toBeGreaterThan(0.9);
    expect(card.worth).toBeGreaterThan(1.2);
    expect(questionsIn(card.root)).toBe(2);
    expect(answersIn(card.root)).toBe(3);
    for (const { change, windows } of byRule(60, rule)) {
      const { category } = cardAnswer(card.root, change);
      if (Math.abs(change.surfaceTempC - 13) > 1 && Math.abs(change.visibilityM - 1.5) > 0.4) {
        expect(category).toBe(windows[0]!.first);
      }
    }
  });

  it('asks nothing where nothing tells, and has no window without advice', () => {
    const random = seededNumbers(5);
    const noise = byRule(200, () => (random() < 0.5 ? 'spinnerbait' : 'drop-shot'));
    expect(questionsIn(rampCard(noise, 0, 'us')!.root)).toBeLessThan(2);
    expect(rampCard(noise, 3, 'us')).toBeNull();
    expect(rampCard([], 0, 'us')).toBeNull();
  });

  it('has two questions on any way and four answers at most, whose shares are all mornings', () => {
    const lures: readonly CategoryId[] = [
      'spinnerbait',
      'drop-shot',
      'bladed-jig',
      'football-jig',
      'lipless-crankbait',
    ];
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 2, max: 5 }), (seed, parts) => {
        const random = seededNumbers(seed);
        const width = 10 / parts;
        const mornings = Array.from({ length: 120 }, () => {
          const tempC = 8 + 10 * random();
          const named = lures[Math.min(parts - 1, Math.floor((tempC - 8) / width))] as CategoryId;
          return made(tempC, 0.5 + 2 * random(), random() < 0.9 ? named : 'popper');
        });
        const { root } = rampCard(mornings, 0, 'us')!;
        expect(questionsIn(root)).toBeLessThanOrEqual(2);
        expect(answersIn(root)).toBeLessThanOrEqual(4);
        const shares = (node: CardNode): number =>
          node.kind === 'answer' ? node.answer.share : shares(node.over) + shares(node.under);
        expect(shares(root)).toBeCloseTo(1);
      }),
      { numRuns: 60 },
    );
  });

  it('asks with figures as they are said', () => {
    const questions = questionsOn(
      byRule(50, () => 'spinnerbait').map(({ change }) => change),
      'us',
    );
    for (const question of questions.filter(({ of }) => of === 'surfaceTempC')) {
      expect((question.over * 1.8 + 32) % 1).toBeCloseTo(Math.round((question.over * 1.8 + 32) % 1));
    }
    expect(answerWords({ of: 'sky', over: 1.5 }, 'us')).toEqual(['overcast or rain', 'sun between the clouds']);
    expect(answerWords({ of: 'level', over: 0.5 }, 'us')[0]).toBe('the water is rising');
    expect(isOver({ of: 'level', over: 0.5 }, { ...found.planned.change, level: 'rising' })).toBe(true);
  });
});

/** The best there is, the slow way. */
function bestByTrying(values: readonly Float64Array[], shares: Float64Array, most: number): number {
  let best = 0;
  for (let set = 0; set < 1 << values.length; set++) {
    const chosen = [...values.keys()].filter((at) => set & (1 << at));
    if (chosen.length <= most) best = Math.max(best, aboardWorth(values, chosen, shares));
  }
  return best;
}

describe('what goes into the boat', () => {
  it('is hardly ever worse than the best there is, and never by more than greed may be', () => {
    const ratios = Array.from({ length: 200 }, (_, seed) => {
      const random = seededNumbers(seed);
      const values = Array.from({ length: 9 }, () => Float64Array.from({ length: 12 }, () => random() ** 4));
      const shares = Float64Array.from({ length: 12 }, random);
      const most = 1 + Math.floor(4 * random());
      const chosen = chooseAboard(values, shares, most);
      expect(new Set(chosen).size).toBe(chosen.length);
      expect(chosen.length).toBeLessThanOrEqual(most);
      return aboardWorth(values, chosen, shares) / bestByTrying(values, shares, most);
    });
    expect(Math.min(...ratios)).toBeGreaterThan(1 - 1 / Math.E);
    expect(sum(ratios) / ratios.length).toBeGreaterThan(0.995);
  });

  const owned = [
    lure(1, 'lipless-crankbait'),
    lure(2, 'suspending-jerkbait'),
    lure(3, 'weightless-stick-worm'),
    lure(4, 'football-jig'),
    lure(5, 'buzzbait', { count: 0 }),
  ];

  it('says of each piece in how many mornings it is wanted, and what stays ashore', () => {
    const all = packFor(found.wanted, owned, { most: 4, units: 'us' });
    expect(all.aboard.length).toBeGreaterThan(1);
    expect(all.brings).toBeCloseTo(1);
    expect(all.aboard.map(({ lure: { id } }) => id)).not.toContain(owned[4]!.id);
    const one = packFor(found.wanted, owned, { most: 1, units: 'us' });
    expect(one.aboard).toHaveLength(1);
    expect(one.brings).toBeLessThanOrEqual(all.brings + 1e-9);
    for (const { wanted } of one.ashore) expect(wanted).toBeGreaterThan(0);
    expect(whyPacked(all.aboard[0]!)).toMatch(/, wanted in (every one|\d of 10) mornings$/);
  });

  it('takes along what the lures want beside them, and says what is to be bought', () => {
    const jig = [lure(1, 'weightless-stick-worm')];
    const hooks = { ...presetOf('hook'), id: idOf(9), name: 'Wide hooks', hookStyle: 'wide-gap' as const };
    const of = (owned: readonly TackleItem[]) => packFor(found.wanted, owned, { most: 3, units: 'us' });
    expect(of(jig).toBuy).toEqual([{ what: 'wide gap hook', why: 'not owned' }]);
    expect(of([...jig, { ...hooks, count: 12 }]).aboard[0]?.needs).toMatchObject([{ item: { name: 'Wide hooks' } }]);
    expect(of([...jig, { ...hooks, count: 12 }]).toBuy).toEqual([]);
    expect(of([...jig, { ...hooks, count: 2 }]).toBuy).toEqual([{ what: 'Wide hooks', why: 'runs low' }]);
  });

  it('is nothing where there is no room, or nothing is owned, in words that can be gone on from', () => {
    expect(packFor(found.wanted, owned, { most: 0, units: 'us' })).toMatchObject({ aboard: [], brings: 0 });
    expect(packFor(found.wanted, [], { most: 5, units: 'us' })).toEqual({
      aboard: [],
      ashore: [],
      toBuy: [],
      brings: 0,
    });
  });

  it('takes several days for one packing', () => {
    const other = morningsOf(day({ surfaceTempC: 24, date: '2027-07-06', yearLowC: 5 }), DOUBTS, { count: 32 });
    const both = wantedTogether([found.wanted, other.wanted]);
    expect(both.mornings).toBe(128);
    expect(both.cases.length).toBe(found.wanted.cases.length + other.wanted.cases.length);
    expect(Math.max(...both.cases.map(({ morning }) => morning))).toBe(127);
  });

  it.each([
    [1, 'every one'],
    [0.97, '9 of 10'],
    [0.5, '5 of 10'],
    [0.04, '1 of 25'],
    [0, 'none'],
  ])('says %s as %s', (share, words) => expect(ofMornings(share)).toBe(words));
});

/** The best there is of what does not bar one another, the slow way. */
function bestUnbarred(
  values: readonly Float64Array[],
  shares: Float64Array,
  most: number,
  bars: (a: number, b: number) => boolean,
): number {
  let best = 0;
  for (let set = 0; set < 1 << values.length; set++) {
    const chosen = [...values.keys()].filter((at) => set & (1 << at));
    if (chosen.length > most || chosen.some((a, at) => chosen.slice(at + 1).some((b) => bars(a, b)))) continue;
    best = Math.max(best, aboardWorth(values, chosen, shares));
  }
  return best;
}

describe('rods on deck', () => {
  it('are hardly ever worse than the best there is where one lure goes on a rod, and a lure on one', () => {
    // Four rods by three lures: what shares a rod or a lure bars one another.
    const bars = (a: number, b: number) => a % 4 === b % 4 || Math.floor(a / 4) === Math.floor(b / 4);
    const ratios = Array.from({ length: 120 }, (_, seed) => {
      const random = seededNumbers(seed + 900);
      const values = Array.from({ length: 12 }, () => Float64Array.from({ length: 10 }, () => random() ** 4));
      const shares = Float64Array.from({ length: 10 }, random);
      const chosen = chooseAboard(values, shares, 3, bars);
      chosen.forEach((a, at) => chosen.slice(at + 1).forEach((b) => expect(bars(a, b)).toBe(false)));
      return aboardWorth(values, chosen, shares) / bestUnbarred(values, shares, 3, bars);
    });
    expect(Math.min(...ratios)).toBeGreaterThan(2 / 3);
    expect(sum(ratios) / ratios.length).toBeGreaterThan(0.98);
  });

  const owned = [
    ...combo(20),
    ...combo(40),
    ...combo(60),
    lure(1, 'lipless-crankbait'),
    lure(2, 'suspending-jerkbait'),
    lure(3, 'weightless-stick-worm'),
  ];
  const deck = (most: number, among: readonly TackleItem[] = owned) =>
    deckFor(found.wanted, among, { most, units: 'us' });

  it('are as many as there is room for, no rod and no lure twice, each with how often it is best', () => {
    const { rods, locker } = deck(2);
    expect(rods).toHaveLength(2);
    expect(new Set(rods.map((each) => each.combo.rod.id)).size).toBe(2);
    expect(new Set(rods.map((each) => each.lure.id)).size).toBe(2);
    expect(sum(rods.map((each) => each.wanted))).toBeGreaterThanOrEqual(0.99);
    expect(whyOnDeck(rods[0]!)).toMatch(/, best in (every one|\d of 10) mornings$/);
    for (const each of locker) expect(rods.map((rod) => rod.combo)).not.toContain(each.combo);
  });

  it('bring more the more there are, and are none where there is no room or nothing is owned', () => {
    expect(deck(3).rods.length).toBeGreaterThan(deck(1).rods.length);
    expect(deck(0).rods).toEqual([]);
    expect(deck(3, [])).toEqual({ rods: [], locker: [], unready: [] });
    expect(deck(3, combo(20)).rods).toEqual([]);
  });
});

describe('what the box lacks', () => {
  it('is what would do better than all that is owned, and nothing that is owned', () => {
    const lacks = boxLacks(found.wanted, [lure(1, 'popper')], 'us');
    expect(lacks.length).toBeGreaterThan(0);
    for (const { wanted, times } of lacks) expect([wanted > 0, times > 1]).toEqual([true, true]);
    const [most] = lacks;
    const bought = [lure(1, 'popper'), { ...lure(2, most!.category), families: [] }];
    const after = boxLacks(found.wanted, bought, 'us').find(({ category }) => category === most!.category);
    expect(after?.wanted ?? 0).toBeLessThanOrEqual(most!.wanted);
  });
});
