import fc from 'fast-check';
import { Conditions } from '../../contract/conditions.js';
import { makePlan } from '../../plan/make-plan.js';
import type { TackleItem } from '../item.js';
import { presetOf } from '../presets.js';
import { categoryOf } from '../../lures/categories.js';
import { PLAIN_DAY } from '../../testing/days.js';
import { combo, idOf, lure } from '../../testing/tackle.js';
import { adviceOf } from './advice.js';
import { bestAssignment, NEVER } from './assignment.js';
import { comboFit } from './combo-fit.js';
import { ownedRods } from './combos.js';
import { lureFit } from './lure-fit.js';
import { matchDay, matchTackle } from './match.js';
import { turnAdvice } from '../../plan/make-plan.js';
import type { Pair } from './pairs.js';
import { solve } from './solve.js';

/** Every way to assign, the slow way. */
function bestByTrying(values: number[][], most: number, row = 0, taken: ReadonlySet<number> = new Set()): number {
  if (row === values.length || taken.size === most) return 0;
  let best = bestByTrying(values, most, row + 1, taken);
  for (const [column, value] of values[row]!.entries()) {
    if (!taken.has(column) && value > 0) {
      best = Math.max(best, value + bestByTrying(values, most, row + 1, new Set([...taken, column])));
    }
  }
  return best;
}

describe('assignment', () => {
  it('is the best there is, within the limit, as trying every one shows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }).chain((columns) =>
          fc.array(
            fc.array(fc.oneof(fc.double({ min: -1, max: 5, noNaN: true }), fc.constant(NEVER)), {
              minLength: columns,
              maxLength: columns,
            }),
            { minLength: 1, maxLength: 6 },
          ),
        ),
        fc.integer({ min: 1, max: 7 }),
        (values, most) => {
          const chosen = bestAssignment(values, most);
          const used = chosen.filter((column) => column !== null);
          expect(new Set(used).size).toBe(used.length);
          expect(used.length).toBeLessThanOrEqual(most);
          const total = chosen.reduce(
            (sum: number, column, row) => sum + (column === null ? 0 : values[row]![column]!),
            0,
          );
          expect(total).toBeCloseTo(bestByTrying(values, most), 6);
        },
      ),
      { numRuns: 300 },
    );
  });
  it('gives a rod to the lure that has no other, not to the first that asks', () => {
    expect(
      bestAssignment([
        [1, 0.9],
        [0.95, 0.1],
      ]),
    ).toEqual([1, 0]);
  });
  it('takes nothing where there is nothing', () => {
    expect(bestAssignment([])).toEqual([]);
    expect(bestAssignment([[], []])).toEqual([null, null]);
  });
});

const day = Conditions.parse({
  ...PLAIN_DAY,
  date: '2027-03-13',
  window: undefined,
  surfaceTempC: 12.7,
  tempTrendCPerDay: 0.5,
  structures: ['ditch', 'secondary-point', 'flat'],
  covers: ['mixed-rock', 'submerged-grass'],
});
const plan = makePlan(day);
const advised = adviceOf(plan);
const [first] = advised;
const options = { maxRods: 6, units: 'us', date: '2027-03-13' } as const;
const match = (owned: TackleItem[], more: Partial<typeof options> | { maxRods: number } = {}) =>
  matchTackle(plan, owned, { ...options, ...more });
/** One lure for every piece of advice. */
const lures = advised.map(({ presentation }, at) =>
  lure(500 + at, presentation.category, { name: `For ${presentation.category}` }),
);
/** Rods of every sort. */
const rods = [
  combo(10, { power: 'medium', rodAction: 'moderate' }, { material: 'fluorocarbon', testLb: 10 }, { ratio: 5.4 }),
  combo(20, { power: 'medium', rodAction: 'moderate-fast' }, { material: 'fluorocarbon', testLb: 10 }, { ratio: 6.4 }),
  combo(
    30,
    { power: 'medium-heavy', rodAction: 'moderate-fast', castsToG: 28 },
    { material: 'fluorocarbon', testLb: 14 },
    { ratio: 6.4 },
  ),
  combo(
    40,
    { power: 'medium', rodAction: 'fast', handle: 'spinning', castsFromG: 4, castsToG: 14 },
    { material: 'braid', testLb: 15 },
    { handle: 'spinning', ratio: 6, spoolMm: 46 },
  ),
  combo(
    50,
    { power: 'medium-heavy', rodAction: 'fast', castsToG: 28 },
    { material: 'fluorocarbon', testLb: 17 },
    { ratio: 7.3 },
  ),
].flat();

describe('the search where things are shared', () => {
  /** Every choice of a way or none for each piece of advice, the slow way. */
  function bestByTrying(pairs: Pair[][][], counts: ReadonlyMap<string, number>, most: number): number {
    const follow = (at: number, rods: ReadonlySet<number>, used: readonly string[]): number => {
      if (at === pairs.length || rods.size === most) return 0;
      let best = follow(at + 1, rods, used);
      for (const [rod, ways] of pairs[at]!.entries()) {
        if (rods.has(rod)) continue;
        for (const { value, uses } of ways) {
          const now = [...used, ...uses];
          if (uses.some((id) => now.filter((each) => each === id).length > (counts.get(id) ?? 1))) continue;
          best = Math.max(best, value + follow(at + 1, new Set([...rods, rod]), now));
        }
      }
      return best;
    };
    return follow(0, new Set(), []);
  }
  it('finds the best there is, as trying every one shows', () => {
    const ids = ['a', 'b', 'c', 'spool'];
    const way = fc.record({
      value: fc.double({ min: 0.01, max: 1, noNaN: true }),
      uses: fc
        .tuple(fc.constantFrom('a', 'b', 'c'), fc.boolean())
        .map(([lure, fresh]) => (fresh ? [lure, 'spool'] : [lure])),
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3 }).chain((rods) =>
          fc.array(fc.array(fc.array(way, { maxLength: 3 }), { minLength: rods, maxLength: rods }), {
            minLength: 1,
            maxLength: 4,
          }),
        ),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 2 }),
        (ways, most, count) => {
          const pairs = ways.map((row) =>
            row.map((list) => [...list].sort((x, y) => y.value - x.value)),
          ) as unknown as Pair[][][];
          const counts = new Map(ids.map((id) => [id, id === 'a' ? count : 1]));
          const { value, chosen } = solve(pairs, most, counts);
          const used = chosen.flatMap((each) => each?.pair.uses ?? []);
          for (const id of ids) expect(used.filter((each) => each === id).length).toBeLessThanOrEqual(counts.get(id)!);
          expect(value).toBeCloseTo(bestByTrying(pairs, counts, most), 9);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('the advice of a day', () => {
  it('is every category once, the most worth first', () => {
    const ids = advised.map(({ presentation }) => presentation.category);
    expect(new Set(ids).size).toBe(ids.length);
    expect(first!.worth).toBe(1);
    advised.forEach(({ worth }, at) => at && expect(worth).toBeLessThanOrEqual(advised[at - 1]!.worth));
  });
});

describe('match', () => {
  it('puts every advised lure on a rod of its own, within the rods on deck', () => {
    for (const maxRods of [1, 2, 3, 6]) {
      const { rods: tied, left } = match([...lures, ...rods], { maxRods });
      expect(tied).toHaveLength(Math.min(maxRods, advised.length, 5));
      expect(tied.length + left.length).toBe(advised.length);
      expect(new Set(tied.map(({ combo: { rod } }) => rod.id)).size).toBe(tied.length);
      expect(new Set(tied.map(({ lure: { id } }) => id)).size).toBe(tied.length);
    }
  });
  it('never does worse with one rod more or one lure more', () => {
    const total = (owned: TackleItem[]) =>
      match(owned).rods.reduce(
        (sum, { fit, presentation }) =>
          sum + fit * advised.find((each) => each.presentation.category === presentation.category)!.worth,
        0,
      );
    const fewer = total([...lures.slice(1), ...rods.slice(3)]);
    expect(total([...lures.slice(1), ...rods])).toBeGreaterThanOrEqual(fewer - 1e-9);
    expect(total([...lures, ...rods.slice(3)])).toBeGreaterThanOrEqual(fewer - 1e-9);
  });
  it('takes one lure once, though it is the best for two, and twice where there are two of it', () => {
    const only = lure(600, first!.presentation.category, { count: 1 });
    expect(match([only, ...rods]).rods.filter(({ lure: { id } }) => id === only.id)).toHaveLength(1);
  });
  it('says what is missing, and what comes nearest', () => {
    const frog = lure(700, 'hollow-frog');
    const { left, rods: tied } = match([frog, ...rods]);
    expect(tied.map(({ lure: { id } }) => id)).not.toContain(undefined);
    const lost = left.find(({ presentation }) => presentation.category === first!.presentation.category);
    if (lost) expect(lost.nearest!.lure.id).toBe(frog.id);
    const bare = match([lure(701, 'shaky-head'), lure(702, 'paddle-tail-swimbait'), ...rods]);
    if (bare.rods.length) expect(bare.missing.join()).toMatch(/jighead, .*for the/);
    expect(match([]).left.every(({ why, nearest }) => why === 'no-lure' && nearest === null)).toBe(true);
    expect(match([]).rods).toEqual([]);
  });
  it('says what the lure differs in and what the rod gives up', () => {
    const crank = lure(1, 'flat-sided-crankbait', { lengthMm: 110, families: ['purple'] });
    const heavy = combo(
      10,
      { power: 'heavy', rodAction: 'fast', castsFromG: 30, castsToG: 80 },
      { material: 'braid', testLb: 65 },
      { ratio: 8.5 },
    );
    const {
      rods: [only],
    } = match([crank, ...heavy], { maxRods: 1 });
    expect(only!.differs.join('; ')).toMatch(/longer: .* for .*purple for/);
    expect(only!.compromises.join('; ')).toMatch(
      /stiffer: heavy for .*faster action: fast for .*light for this rod.*reel 8.5 for .*braid for fluorocarbon/,
    );
  });
  it('re-spools where a line that lies ready betters things, each line once', () => {
    const cranks = [lure(1, 'flat-sided-crankbait'), lure(2, 'suspending-jerkbait')];
    const nylon = [
      combo(10, { rodAction: 'moderate' }, { material: 'nylon', testLb: 25 }),
      combo(20, {}, { material: 'nylon', testLb: 25 }),
    ].flat();
    const spare = { id: idOf(99), ...presetOf('line'), name: 'Spare', material: 'fluorocarbon', testLb: 10 } as const;
    const tied = match([...cranks, ...nylon, spare]).rods;
    const fresh = tied.filter(({ respool }) => respool);
    expect(fresh).toHaveLength(1);
    expect(fresh[0]!.respool!.line.id).toBe(spare.id);
    expect(fresh[0]!.respool!.because.join()).toMatch(/nylon for fluorocarbon|25 lb line/);
    expect(match([...cranks, ...nylon]).rods.every(({ respool }) => respool === null)).toBe(true);
  });
  it('says of a lure that will not reach what to do instead, by what lies ready, then by what dives deeper, then by what to buy', () => {
    const { presentation, deepestM } = advised.find((each) => categoryOf(each.presentation.category).form === 'diver')!;
    const shallow = lure(1, presentation.category, { statedDepthM: deepestM[0] + 0.1 });
    const heavy = combo(10, { rodAction: 'moderate' }, { material: 'nylon', testLb: 40 });
    const instead = (owned: TackleItem[]) => {
      const tied = match([shallow, ...heavy, ...owned], { maxRods: 1 }).rods[0]!;
      expect(tied.reach).not.toBeNull();
      return tied.instead;
    };
    expect(instead([])).toMatch(/It takes fluorocarbon of \d+ lb or lighter/);
    const spare = {
      id: idOf(99),
      ...presetOf('line'),
      name: 'Spare spool',
      material: 'fluorocarbon',
      testLb: 8,
    } as const;
    expect(instead([spare])).toMatch(/^Put Spare spool on Reel 10: it then gets to/);
    const {
      rods: [deep],
    } = match([lure(2, presentation.category, { statedDepthM: 4.5 }), ...heavy], { maxRods: 1 });
    expect(deep!.instead).toBeNull();
  });
  it('packs by box and slot, each piece once, with what the lures need', () => {
    const jig = lure(1, 'football-jig', { box: 'Box 2', slot: '10' });
    const owned = [
      ...lures.map((each, at) => ({ ...each, box: at % 2 ? 'Box 10' : 'Box 2', slot: String(at + 1) })),
      jig,
      ...rods,
      { id: idOf(800), ...presetOf('weight'), name: 'Jigheads', shape: 'jighead', weightG: 12, box: 'Box 1' } as const,
    ];
    const { packing, rods: tied } = match(owned);
    const pieces = packing.flatMap((box) => box.pieces.map(({ item }) => item.id));
    expect(new Set(pieces).size).toBe(pieces.length);
    for (const each of tied) expect(pieces).toEqual(expect.arrayContaining([each.lure.id, each.combo.rod.id]));
    const boxes = packing.map(({ box }) => box);
    expect(boxes.at(-1)).toBeNull();
    expect(boxes.indexOf('Box 2')).toBeLessThan(boxes.indexOf('Box 10'));
    for (const { pieces: own } of packing) {
      const slots = own.map(({ slot }) => Number(slot ?? 0));
      slots.forEach((slot, at) => at && expect(slot).toBeGreaterThanOrEqual(slots[at - 1]!));
    }
  });
  it('tells of rods that cannot be fished', () => {
    const bare = { id: idOf(60), ...presetOf('rod'), name: 'Bare' };
    const [rod, reel] = combo(70) as [TackleItem, TackleItem, TackleItem];
    const { unready } = match([bare, rod, reel, ...lures]);
    expect(unready.map(({ why }) => why)).toEqual(['it has no reel', 'Reel 70 has no line']);
    const [first, ...others] = combo(80) as [TackleItem, ...TackleItem[]];
    const twin = { ...first, id: idOf(90), name: 'Twin' } as TackleItem;
    expect(match([first, twin, ...others, ...lures]).unready).toEqual([{ rod: twin, why: 'Reel 80 is on Rod 80' }]);
  });
});

describe('fits', () => {
  const jerkbait = advised.find(({ presentation }) => presentation.category === 'suspending-jerkbait')!.presentation;
  const [good] = ownedRods(rods.slice(3, 6)).combos;
  it('of the very thing are whole, and fall with every difference', () => {
    const middle = (range: readonly [number, number]) => (range[0] + range[1]) / 2;
    const exact = lure(1, 'suspending-jerkbait', {
      lengthMm: middle(jerkbait.size.lengthMm),
      weightG: middle(jerkbait.size.weightG),
      families: jerkbait.colour.families.slice(0, 1),
      tone: jerkbait.colour.tone,
      statedDepthM: Math.max(jerkbait.runDepthM[1], 1),
      buoyancy: 'floats',
      sound: jerkbait.sound!,
    });
    expect(jerkbait.rig.attitude?.behaviour).toBe('slow-rise');
    expect(lureFit(exact, jerkbait, 'us')).toEqual({ fit: 1, short: [] });
    for (const change of [
      { lengthMm: 40 },
      { buoyancy: 'sinks' as const },
      { sound: jerkbait.sound === 'rattles' ? ('silent' as const) : ('rattles' as const) },
      { weightG: 60 },
      { statedDepthM: 0.4 },
      { runs: 'to-the-left' as const },
      { families: ['purple' as const] },
    ]) {
      expect(lureFit({ ...exact, ...change }, jerkbait, 'us').fit).toBeLessThan(1);
    }
    expect(lureFit({ ...exact, count: 0 }, jerkbait, 'us').fit).toBe(0);
    expect(lureFit(lure(2, 'flipping-jig'), jerkbait, 'us').fit).toBe(0);
  });
  it('of a rod fall with power, action, handle and line', () => {
    const bait = lure(1, 'suspending-jerkbait', { weightG: 12 });
    const whole = comboFit(good!, bait, jerkbait, 'us').whole.fit;
    expect(whole).toBeGreaterThan(0.85);
    const worse = [
      { ...good!, rod: { ...good!.rod, power: 'heavy' as const } },
      { ...good!, rod: { ...good!.rod, rodAction: 'moderate-slow' as const } },
      { ...good!, rod: { ...good!.rod, handle: 'spinning' as const } },
      { ...good!, line: { ...good!.line, testLb: 25 } },
      { ...good!, line: { ...good!.line, material: 'braid' as const } },
    ];
    for (const each of worse) expect(comboFit(each, bait, jerkbait, 'us').whole.fit).toBeLessThan(whole);
  });
});

describe('what a turn of the day would want', () => {
  // Rock and wood at 57 F: three degrees one way or the other another lure leads.
  const conditions = Conditions.parse({
    ...PLAIN_DAY,
    surfaceTempC: 14,
    date: '2027-04-01',
    visibilityM: 1.2,
    normalVisibilityM: 1.2,
    structures: ['secondary-point', 'pocket'],
    covers: ['chunk-rock', 'laydown'],
    maxRods: 2,
  });
  const options = { maxRods: 2, units: 'us' as const, date: '2027-03-24' };
  const turns = turnAdvice(conditions, 'us');

  it('is told with the turn, never what leads already', () => {
    const first = new Set(makePlan(conditions).windows.map(({ presentations }) => presentations[0]!.category));
    expect(turns.length).toBeGreaterThan(0);
    for (const { when, category, runDepthM } of turns) {
      expect(when).toMatch(/^[A-Z]/);
      expect(first.size).toBeGreaterThan(0);
      expect(runDepthM[0]).toBeLessThanOrEqual(runDepthM[1]);
      expect(categoryOf(category).id).toBe(category);
    }
  });

  it('is packed where it is owned, and missed aloud where it is not', () => {
    const [turn] = turns;
    const rods = combo(10, {});
    const boat = (owned: TackleItem[]) => matchDay(conditions, [...rods, ...owned], options);
    const own = lure(900, turn!.category, {});
    const aboard = boat([own]);
    const carried = aboard.rods.some((each) => each.lure.id === own.id);
    const pieces = aboard.packing.flatMap(({ pieces: all }) => all);
    expect(pieces.some(({ item }) => item.id === own.id)).toBe(true);
    if (!carried) expect(pieces.find(({ item }) => item.id === own.id)!.forWhat).toMatch(/^if /);
    expect(boat([]).missing.join()).toMatch(/, if /);
  });
});
