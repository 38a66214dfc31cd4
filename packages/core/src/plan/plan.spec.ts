import fc from 'fast-check';
import type { ConditionsInput } from '../contract/conditions.js';
import { COVERS, FRONTS, LEVELS, SKIES, STRUCTURES, WATER_KINDS, type CategoryId } from '../contract/ids.js';
import { Plan } from '../contract/plan.js';
import { categoryOf } from '../lures/categories.js';
import { STRUCTURE_DEPTH_M } from '../place/places.js';
import { anyConditions } from '../testing/any-conditions.js';
import { day } from '../testing/days.js';
import { makePlan, planDay, type SheetMoment } from './make-plan.js';

const categories = (changes: Partial<ConditionsInput>): CategoryId[] =>
  makePlan(day(changes)).windows.flatMap(({ presentations }) => presentations.map(({ category }) => category));
const first = (changes: Partial<ConditionsInput>) => makePlan(day(changes)).windows[0]!.presentations[0]!;

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** Conditions of any day, for properties that hold on all of them. */
const anyDay = fc
  .record({
    dayOfYear: fc.integer({ min: 0, max: 364 }),
    surfaceTempC: number(2, 32),
    tempTrendCPerDay: number(-0.6, 0.6),
    yearLowC: number(1, 9),
    visibilityM: number(0.1, 5),
    normalVisibilityM: number(0.3, 5),
    sky: fc.constantFrom(...SKIES),
    windMps: number(0, 14),
    front: fc.constantFrom(...FRONTS),
    level: fc.constantFrom(...LEVELS),
    waterKind: fc.constantFrom(...WATER_KINDS),
    structures: fc.uniqueArray(fc.constantFrom(...STRUCTURES), { minLength: 1, maxLength: 5 }),
    covers: fc.uniqueArray(fc.constantFrom(...COVERS), { minLength: 1, maxLength: 3 }),
    maxDepthM: number(1, 30),
  })
  .map(({ dayOfYear, ...rest }) =>
    day({
      ...rest,
      date: new Date(Date.UTC(2027, 0, 1 + dayOfYear)).toISOString().slice(0, 10),
      window: { from: '05:30', to: '19:30' },
    }),
  );

describe('categories come up under conditions that fit them', () => {
  it.each<[CategoryId, Partial<ConditionsInput>]>([
    ['suspending-jerkbait', { surfaceTempC: 9, visibilityM: 2, structures: ['steep-bank'], bankSlopeDeg: 45 }],
    [
      'flat-sided-crankbait',
      { surfaceTempC: 11, date: '2027-03-20', visibilityM: 1, normalVisibilityM: 1.2, covers: ['clay', 'chunk-rock'] },
    ],
    ['wide-wobble-crankbait', { surfaceTempC: 8.5, visibilityM: 0.9, normalVisibilityM: 1, covers: ['chunk-rock'] }],
    [
      'square-bill',
      {
        surfaceTempC: 19,
        date: '2027-04-25',
        visibilityM: 0.5,
        normalVisibilityM: 0.6,
        structures: ['flat', 'pocket'],
        covers: ['laydown', 'stump'],
        waterKind: 'lowland-reservoir',
      },
    ],
    [
      'lipless-crankbait',
      {
        surfaceTempC: 11.5,
        date: '2027-03-18',
        visibilityM: 1,
        normalVisibilityM: 1.1,
        structures: ['flat'],
        covers: ['submerged-grass'],
        windMps: 5,
      },
    ],
    [
      'spinnerbait',
      {
        surfaceTempC: 14,
        date: '2027-04-01',
        visibilityM: 0.7,
        normalVisibilityM: 0.8,
        windMps: 8,
        sky: 'overcast',
        covers: ['laydown'],
      },
    ],
    [
      'bladed-jig',
      {
        surfaceTempC: 14,
        date: '2027-03-28',
        visibilityM: 0.8,
        normalVisibilityM: 0.9,
        structures: ['flat', 'grass-edge'],
        covers: ['submerged-grass'],
        windMps: 6,
      },
    ],
    [
      'swim-jig',
      {
        surfaceTempC: 23,
        date: '2027-05-20',
        visibilityM: 1.4,
        normalVisibilityM: 1.4,
        structures: ['grass-edge', 'pocket'],
        covers: ['emergent-grass', 'pads'],
      },
    ],
    [
      'flipping-jig',
      {
        surfaceTempC: 15,
        date: '2027-03-28',
        visibilityM: 0.3,
        normalVisibilityM: 0.5,
        structures: ['pocket'],
        covers: ['flooded-bush', 'laydown'],
      },
    ],
    [
      'football-jig',
      {
        surfaceTempC: 27,
        date: '2027-07-10',
        visibilityM: 1.5,
        normalVisibilityM: 1.5,
        structures: ['ledge', 'hump'],
        covers: ['chunk-rock'],
        tempTrendCPerDay: 0,
      },
    ],
    [
      'deep-diver',
      {
        surfaceTempC: 27,
        date: '2027-07-10',
        visibilityM: 1.3,
        normalVisibilityM: 1.3,
        structures: ['ledge'],
        covers: ['shell'],
        tempTrendCPerDay: 0,
        windMps: 4,
      },
    ],
    [
      'weightless-stick-worm',
      {
        surfaceTempC: 18,
        date: '2027-04-25',
        visibilityM: 1.6,
        structures: ['pocket'],
        covers: ['reeds', 'submerged-grass'],
        windMps: 1,
        waterKind: 'natural-lake',
      },
    ],
    [
      'wacky-stick-worm',
      {
        surfaceTempC: 18.5,
        date: '2027-04-25',
        visibilityM: 2,
        structures: ['pocket', 'dock'],
        covers: ['dock', 'gravel'],
        windMps: 1,
        sky: 'clear',
      },
    ],
    [
      'drop-shot',
      {
        surfaceTempC: 26.5,
        date: '2027-07-10',
        visibilityM: 3,
        normalVisibilityM: 3,
        structures: ['hump', 'ledge'],
        covers: ['chunk-rock'],
        sky: 'clear',
        windMps: 1,
        front: 'post-frontal',
        tempTrendCPerDay: 0,
      },
    ],
    [
      'mushroom-head-worm',
      {
        surfaceTempC: 12,
        date: '2027-03-20',
        visibilityM: 2.2,
        covers: ['gravel'],
        sky: 'clear',
        windMps: 1,
        front: 'post-frontal',
      },
    ],
    [
      'walking-topwater',
      {
        surfaceTempC: 22,
        date: '2027-05-25',
        visibilityM: 2,
        structures: ['main-lake-point'],
        covers: ['gravel'],
        window: { from: '05:15', to: '08:00' },
      },
    ],
    [
      'hollow-frog',
      {
        surfaceTempC: 27,
        date: '2027-07-10',
        visibilityM: 0.8,
        normalVisibilityM: 0.8,
        structures: ['pocket', 'flat'],
        covers: ['pads'],
        waterKind: 'grass-lake',
        tempTrendCPerDay: 0,
        window: { from: '05:30', to: '09:00' },
      },
    ],
    [
      'blade-bait',
      {
        surfaceTempC: 4.5,
        date: '2027-01-20',
        tempTrendCPerDay: 0,
        yearLowC: 4,
        visibilityM: 1.2,
        normalVisibilityM: 1.3,
        structures: ['channel-swing'],
        covers: ['bare'],
        forage: [{ kind: 'shad', seen: ['schooled-deep'] }],
      },
    ],
    [
      'punch-rig',
      {
        surfaceTempC: 28,
        date: '2027-08-01',
        tempTrendCPerDay: 0,
        visibilityM: 0.9,
        normalVisibilityM: 0.9,
        structures: ['flat'],
        covers: ['pads'],
        waterKind: 'grass-lake',
        sky: 'clear',
        windMps: 1,
        window: { from: '11:00', to: '15:00' },
      },
    ],
  ])('%s', (category, conditions) => expect(categories(conditions)).toContain(category));
});

/** Depth of all fish of a quarter hour in the mean, metres; none counted as higher than a depth. */
const meanM = ({ groups }: SheetMoment, leastM = 0): number =>
  groups.reduce((sum, { share, depthM }) => sum + share * Math.max(leastM, (depthM[0] + depthM[1]) / 2), 0) /
  groups.reduce((sum, { share }) => sum + share, 0);
/** Steady mud holds fish on flats of a metre to a metre and a half. */
const MUDDY_FLAT_M = 1.5;

describe('the plan', () => {
  it('has the shape of the contract whatever comes in: weights sum to one, windows are filled, ranges are in order', () => {
    fc.assert(
      fc.property(anyConditions, (conditions) => {
        const plan = Plan.parse(makePlan(conditions));
        expect(plan.windows.length).toBeGreaterThan(0);
        for (const { holding, presentations } of plan.windows) {
          expect(holding.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
          for (const { depthM } of holding) expect(depthM[0]).toBeLessThanOrEqual(depthM[1]);
          expect(presentations.length).toBeGreaterThan(0);
          for (const { because, score, runDepthM } of presentations) {
            expect(because.length).toBeGreaterThan(0);
            expect(Number.isFinite(score)).toBe(true);
            expect(runDepthM[0]).toBeLessThanOrEqual(runDepthM[1]);
          }
          expect(Math.max(...presentations.map(({ score }) => score))).toBe(presentations[0]!.score);
        }
      }),
      { numRuns: 300 },
    );
  });

  it("plans six to six where the zone's clock is not the water's own", () => {
    const place = { ...day().place, timeZone: 'Asia/Kolkata' };
    const plan = makePlan(day({ place, window: undefined }));
    expect(plan.assumed.find(({ path }) => path === 'window')?.value).toEqual({ from: '06:00', to: '18:00' });
    expect(plan.windows[0]?.from).toBe('06:00');
  });

  it('never holds fish below the bottom or the thermocline', () => {
    fc.assert(
      fc.property(anyDay, number(1, 12), (conditions, thermoclineM) => {
        const floor = Math.min(thermoclineM, conditions.maxDepthM!);
        const { plan, moments } = planDay({ ...conditions, thermoclineM });
        for (const { holding } of plan.windows)
          for (const { depthM } of holding) expect(depthM[1]).toBeLessThanOrEqual(floor + 0.005);
        for (const { groups } of moments) {
          for (const { depthM } of groups) expect(depthM[1]).toBeLessThanOrEqual(floor + 1e-9);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('never shortens the jerkbait pause, nor speeds it up, as the water cools', () => {
    const jerkbait = (surfaceTempC: number) =>
      makePlan(
        day({
          surfaceTempC,
          date: '2027-03-20',
          visibilityM: 2.2,
          normalVisibilityM: 2.2,
          structures: ['steep-bank'],
          maxRods: 4,
        }),
      )
        .windows.flatMap(({ presentations }) => presentations)
        .find(({ category }) => category === 'suspending-jerkbait');
    let pause = Infinity;
    let speed = 0;
    let seen = 0;
    for (let tempC = 2; tempC <= 16; tempC += 0.25) {
      const advice = jerkbait(tempC);
      if (!advice) continue;
      seen++;
      expect(advice.retrieve.pauseS![0]).toBeLessThanOrEqual(pause);
      expect(advice.retrieve.speedMps[1]).toBeGreaterThanOrEqual(speed);
      pause = advice.retrieve.pauseS![0];
      speed = advice.retrieve.speedMps[1];
    }
    expect(seen).toBeGreaterThan(20);
    expect(jerkbait(9.4)!.retrieve.pauseS).toEqual([4, 8]);
  });

  // What hangs over ground where none is so shallow is put down on it by dirt, which holds fish to what they can feel.
  it('never holds fish deeper in the mean at a place as the water gets dirtier, but on its ground or the mud flats', () => {
    fc.assert(
      fc.property(
        anyDay,
        fc.constantFrom(...STRUCTURES),
        fc.constantFrom(...COVERS),
        number(0.1, 0.99),
        (conditions, structure, cover, share) => {
          const one = { ...conditions, structures: [structure], covers: [cover] };
          const clear = planDay(one).moments;
          const dirty = planDay({ ...one, visibilityM: Math.max(0.02, conditions.visibilityM! * share) }).moments;
          const groundM = Math.min(1.12 * STRUCTURE_DEPTH_M[structure][0], conditions.maxDepthM!);
          dirty.forEach((moment, index) =>
            expect(meanM(moment)).toBeLessThanOrEqual(Math.max(MUDDY_FLAT_M, meanM(clear[index]!, groundM) + 0.02)),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  // Which of several places and covers holds them changes with the water too, and each has depths of its own.
  it('never holds fish deeper to speak of over all places as the water gets dirtier', () => {
    fc.assert(
      fc.property(anyDay, number(0.1, 0.99), (conditions, share) => {
        const clear = planDay(conditions).moments;
        const dirty = planDay({ ...conditions, visibilityM: Math.max(0.02, conditions.visibilityM! * share) }).moments;
        const groundM = Math.max(...conditions.structures!.map((structure) => STRUCTURE_DEPTH_M[structure][0]));
        dirty.forEach((moment, index) =>
          expect(meanM(moment)).toBeLessThanOrEqual(
            Math.max(MUDDY_FLAT_M, 1.12 * groundM, meanM(clear[index]!) + 0.02),
          ),
        );
      }),
      { numRuns: 60 },
    );
  });

  it('never gets subtler with wind and cloud', () => {
    const TONES = ['translucent', 'muted', 'natural', 'dark', 'bold'];
    const boldness = (conditions: Partial<ConditionsInput>) => {
      const { category, colour } = first(conditions);
      const { vibration, flash, noise } = categoryOf(category).traits;
      return { shout: vibration + flash + noise, tone: TONES.indexOf(colour.tone) };
    };
    for (const surfaceTempC of [7, 10, 12, 16, 19, 23, 28]) {
      for (const visibilityM of [0.25, 0.5, 0.9, 1.5, 3]) {
        const base = {
          surfaceTempC,
          visibilityM,
          normalVisibilityM: visibilityM,
          date: surfaceTempC > 22 ? '2027-07-10' : '2027-04-10',
          window: { from: '09:30', to: '11:00' },
        };
        const calm = boldness({ ...base, sky: 'clear', windMps: 0 });
        const rough = boldness({ ...base, sky: 'overcast', windMps: 7 });
        expect(rough.tone).toBeGreaterThanOrEqual(calm.tone);
        expect(rough.shout).toBeGreaterThanOrEqual(calm.shout);
      }
    }
  });

  it('gives the same answer to the same question', () => {
    fc.assert(
      fc.property(anyDay, (conditions) => expect(makePlan(conditions)).toEqual(makePlan(structuredClone(conditions)))),
      { numRuns: 10 },
    );
  });

  it('moves cold fish up with the sun, and warm fish down', () => {
    const centres = (changes: Partial<ConditionsInput>) =>
      planDay(day({ sky: 'clear', ...changes })).moments.map((moment) => ({ depthM: meanM(moment) }));
    const cold = centres({ surfaceTempC: 11, date: '2027-03-14', window: { from: '06:30', to: '15:00' } });
    expect(cold.at(-1)!.depthM).toBeLessThan(cold[0]!.depthM * 0.85);
    const warm = centres({
      surfaceTempC: 27,
      date: '2027-07-10',
      window: { from: '05:30', to: '13:00' },
      tempTrendCPerDay: 0,
    });
    expect(warm.at(-1)!.depthM).toBeGreaterThan(warm[0]!.depthM * 1.25);
  });

  it('puts fish on the very bank in rising mud, and shallow in steady mud', () => {
    const mud = {
      visibilityM: 0.15,
      normalVisibilityM: 1.5,
      surfaceTempC: 13,
      date: '2027-03-25',
      structures: ['pocket', 'flat'],
      covers: ['flooded-bush'],
    } as const;
    const depth = (changes: Partial<ConditionsInput>) =>
      makePlan(day({ ...mud, structures: [...mud.structures], covers: [...mud.covers], ...changes })).windows[0]!
        .holding[0]!.depthM;
    expect(depth({ level: 'rising' })[1]).toBeLessThanOrEqual(0.65);
    expect(depth({ level: 'stable' })[1]).toBeLessThanOrEqual(1.5);
  });

  it('lists what it assumed, with the value taken, and nothing that was said', () => {
    const plan = makePlan(day({ structures: undefined, covers: [], sky: undefined }));
    const assumed = Object.fromEntries(plan.assumed.map(({ path, value }) => [path, value]));
    expect(assumed).toMatchObject({ sky: 'partly-cloudy', covers: ['chunk-rock', 'gravel'], goal: 'balanced' });
    expect(assumed['structures']).toContain('secondary-point');
    expect(assumed).not.toHaveProperty('surfaceTempC');
    expect(assumed).not.toHaveProperty('visibilityM');
  });

  it('plans from the four required fields alone, inshore too', () => {
    for (const discipline of ['bass', 'inshore'] as const) {
      const { place, date } = day();
      const plan = makePlan({ discipline, date, place, surfaceTempC: 18 });
      expect(plan.windows.length).toBeGreaterThan(1);
      expect(plan.assumed.map(({ path }) => path)).toEqual(
        expect.arrayContaining(['tempTrendCPerDay', 'yearLowC', 'visibilityM', 'window', 'species']),
      );
    }
  });

  it('raises cautions with their severity, gravest first', () => {
    const cautions = (changes: Partial<ConditionsInput>) =>
      Object.fromEntries(makePlan(day(changes)).cautions.map(({ id, severity }) => [id, severity]));
    expect(cautions({ surfaceTempC: 8 })).toMatchObject({ 'cold-water': 'severe', rules: 'advice' });
    expect(cautions({ surfaceTempC: 13 })).toMatchObject({ 'cold-water': 'serious' });
    expect(cautions({ surfaceTempC: 25 })).not.toHaveProperty('cold-water');
    expect(cautions({ windMps: 13 })).toMatchObject({ wind: 'severe' });
    expect(cautions({ front: 'passing', surfaceTempC: 18 })).toMatchObject({ lightning: 'severe' });
    expect(cautions({ level: 'rising', visibilityM: 0.2, normalVisibilityM: 2 })).toMatchObject({
      'high-water': 'severe',
    });
    const severities = makePlan(day({ windMps: 13 })).cautions.map(({ severity }) => severity);
    expect(severities).toEqual(
      [...severities].sort(
        (a, b) => ['severe', 'serious', 'advice'].indexOf(a) - ['severe', 'serious', 'advice'].indexOf(b),
      ),
    );
  });

  it('keeps trebles off a hard hook-set and single hooks on one', () => {
    for (const { presentations } of makePlan(day()).windows) {
      for (const { category, rig } of presentations)
        expect(rig.strike).toBe(categoryOf(category).hook === 'treble' ? 'lean' : 'firm');
    }
  });

  it('follows the side of a school that the user takes', () => {
    const mud = {
      visibilityM: 0.35,
      normalVisibilityM: 0.6,
      surfaceTempC: 18,
      date: '2027-04-25',
      windMps: 7,
      covers: ['laydown'],
    } as Partial<ConditionsInput>;
    const blades = (side: 'round' | 'long') =>
      makePlan(day({ ...mud, schools: { 'mud-blade': side } }))
        .windows.flatMap(({ presentations }) => presentations)
        .find(({ category }) => category === 'spinnerbait')?.blades?.shapes;
    expect(blades('round')).toEqual(['round', 'round']);
    expect(blades('long')).toEqual(['long', 'long']);
  });

  it('speaks in the units asked for', () => {
    expect(first({}).retrieve.text).toContain('ft');
    expect(makePlan(day(), { units: 'metric' }).windows[0]!.presentations[0]!.retrieve.text).not.toContain('ft');
  });
});
