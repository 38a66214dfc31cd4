import fc from 'fast-check';
import { COVERS, PHASES, STRUCTURES, type Phase } from '../contract/ids.js';
import { Facts, type Known } from '../rules/facts.js';
import { groupAt, judgeGroups, positionsOf } from './groups.js';
import { groupBands, holdingPlaces } from './place.js';
import { COVER_HARDLY_AT, STRUCTURE_DEPTH_M, USUAL_PLACES } from './places.js';

const NOON = 0.7;
const DAWN = 0.005;
const WATER: Known = { surfaceTempC: 20, visibilityM: 1.5, effectiveVisibilityM: 1.5, sightM: 1.5, windMps: 1 };
const factsOf = (phase: Phase, known: Known = {}) =>
  Facts.of({
    ...WATER,
    [`phase:${phase}`]: 1,
    ...known,
    ...(known.visibilityM ? { effectiveVisibilityM: known.visibilityM, sightM: known.visibilityM } : {}),
  });
const judged = (phase: Phase, known: Known = {}, light = NOON) =>
  judgeGroups(light, factsOf(phase, { light, ...known }), new Map([[phase, 1]]));
const group = (phase: Phase, id: string, known: Known = {}, light = NOON) =>
  judged(phase, known, light).groups.find((each) => each.id === id)!;
/** Depth of all fish in the mean, wherever they are. */
const meanM = (phase: Phase, known: Known = {}, light = NOON) =>
  judged(phase, known, light).groups.reduce((sum, { share, depthM }) => sum + share * depthM, 0);

describe('the groups of a phase', () => {
  it.each(PHASES)('of %s are two or three at once, their shares summing to one', (phase) => {
    const { groups } = judged(phase);
    expect(groups.filter(({ share }) => share > 0.04).length).toBeGreaterThanOrEqual(2);
    expect(groups.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  });

  it('put winter fish at five feet and at thirty on one day', () => {
    const cold = { surfaceTempC: 5, visibilityM: 2 };
    expect(group('winter', 'edge', cold).depthM).toBeLessThan(2.3);
    expect(group('winter', 'bottom', cold).depthM).toBeGreaterThan(6);
    expect(group('winter', 'hanging', cold).share).toBeGreaterThan(0.2);
  });

  it('keep some fall fish at twenty feet and deeper while most are up', () => {
    expect(group('fall', 'bottom', { surfaceTempC: 18, visibilityM: 2 }).depthM).toBeGreaterThan(5);
    expect(group('fall', 'edge', { surfaceTempC: 18, visibilityM: 2 }).share).toBeGreaterThan(0.3);
  });

  it('hang by their light in warm water, by many feet where clear and by inches in mud', () => {
    const travel = (visibilityM: number) =>
      group('summer', 'hanging', { surfaceTempC: 27, visibilityM }, NOON).depthM -
      group('summer', 'hanging', { surfaceTempC: 27, visibilityM }, DAWN).depthM;
    expect(travel(2)).toBeGreaterThan(1);
    expect(Math.abs(travel(0.3))).toBeLessThan(0.35);
  });

  it('go by the sun on the rock and not by light where it is cold', () => {
    const cold = { surfaceTempC: 7 };
    expect(group('winter', 'hanging', cold, NOON).depthM).toBeCloseTo(group('winter', 'hanging', cold, DAWN).depthM, 6);
    const sunny = group('pre-spawn', 'edge', { surfaceTempC: 10.5, sunWarmth: 0.9 });
    expect(sunny.share).toBeGreaterThan(group('pre-spawn', 'edge', { surfaceTempC: 10.5, sunWarmth: 0 }).share);
  });

  it.each<[string, Known, 'up' | 'down']>([
    ['a front coming', { 'front:approaching': 1 }, 'up'],
    ['the day after a front', { 'front:post-frontal': 1, 'school:after-front:drop': 1 }, 'down'],
    ['rising water', { 'level:rising': 1 }, 'up'],
    ['falling water', { 'level:falling': 1 }, 'down'],
    ['chop', { windMps: 8 }, 'up'],
    ['strikes at the deepest point', { 'feedback:strikes-at-deepest': 1 }, 'down'],
    ['a rising tide', { 'tide:rising': 1 }, 'up'],
    ['fish chasing on top', { 'sign:surface-chasing': 1 }, 'up'],
    ['current', { 'current:strong': 1 }, 'down'],
    ['small males along the bank', { 'fish-sign:small-males-shallow': 1 }, 'up'],
  ])('move with %s', (_, known, way) => {
    const [before, after] = [meanM('post-spawn'), meanM('post-spawn', known)];
    expect(Math.sign(after - before)).toBe(way === 'up' ? -1 : 1);
  });

  it('are made anew by a regime: the very bank, the muddy flat, the top half metre, the surface', () => {
    const made = (id: string, known: Known) => group('pre-spawn', id, known);
    expect(made('bank', { 'regime:mud-rising': 1 })).toMatchObject({ depthM: 0.35 });
    expect(made('mud-flat', { 'regime:mud-steady': 1 }).share).toBeGreaterThan(0.6);
    expect(made('shad-spawn', { 'overlay:shad-spawn': 1, shadSpawnHoursLeft: 1 }).share).toBeGreaterThan(0.5);
    expect(made('shad-spawn', { 'overlay:shad-spawn': 1, shadSpawnHoursLeft: -1 })).toBeUndefined();
    expect(made('chasing', { 'sign:surface-chasing': 1 }).share).toBeGreaterThan(0.4);
  });

  it('never lie deeper in the mean the day after a front than one would, nor come up under a high sun in clear warm water', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom(...PHASES),
        number(3, 31),
        number(0.15, 5),
        number(0, 1),
        (phase, tempC, visibilityM, light) => {
          const water = { surfaceTempC: tempC, visibilityM };
          const side = visibilityM < 0.75 ? 'stay' : 'drop';
          const after = meanM(phase, { ...water, 'front:post-frontal': 1, [`school:after-front:${side}`]: 1 }, light);
          expect(after).toBeGreaterThanOrEqual(meanM(phase, water, light) - 1e-9);
          if (tempC > 17 && visibilityM > 1.2 && phase !== 'spawn') {
            expect(meanM(phase, { ...water, 'light:high': 1 }, 0.8)).toBeGreaterThanOrEqual(
              meanM(phase, { ...water, 'light:low': 1 }, 0.02) - 1e-9,
            );
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('a group at a place', () => {
  const bottom = { id: 'bottom', depthM: 3, capM: Infinity } as const;
  it('lies where the place offers its depth, and costs where it does not', () => {
    expect(groupAt(bottom, 'ledge', 'stump', Infinity, undefined).cost).toBeLessThan(0.1);
    expect(groupAt({ ...bottom, depthM: 8 }, 'pocket', 'stump', Infinity, undefined).cost).toBeGreaterThan(1);
    const [from, to] = groupAt(bottom, 'pocket', 'stump', Infinity, undefined).depthM;
    expect(from).toBeLessThan(to);
    expect(to).toBeLessThanOrEqual(2.5);
  });

  it('does not strike a ledge off a ledge day because the phase lies shallower', () => {
    expect(groupAt({ ...bottom, depthM: 1.9 }, 'ledge', 'stump', Infinity, undefined).cost).toBeLessThan(0.5);
  });

  it('hangs over the top of the grass, fewer the more it is driven up', () => {
    const hanging = { id: 'hanging', depthM: 3, capM: Infinity } as const;
    const over = groupAt(hanging, 'grass-edge', 'submerged-grass', Infinity, 1);
    expect(over.depthM[1]).toBeLessThan(1.2);
    expect(over.cost).toBeGreaterThan(groupAt(hanging, 'grass-edge', 'submerged-grass', Infinity, 3).cost);
  });

  it('lies in the water as its kind does, moved by votes', () => {
    expect(positionsOf('bottom', {}).bottom).toBeGreaterThan(0.8);
    expect(positionsOf('hanging', {}).suspended).toBeGreaterThan(0.8);
    expect(positionsOf('edge', { surface: 2 }).surface).toBeGreaterThan(positionsOf('edge', {}).surface);
    expect(Object.values(positionsOf('chasing', {})).reduce((a, b) => a + b)).toBeCloseTo(1, 9);
  });
});

describe('holding places', () => {
  const places = (
    phase: Phase,
    known: Known = {},
    structures = STRUCTURES as readonly (typeof STRUCTURES)[number][],
    covers = COVERS as readonly (typeof COVERS)[number][],
    floorM = Infinity,
  ) => {
    const facts = factsOf(phase, { light: NOON, ...known });
    return holdingPlaces(judgeGroups(NOON, facts, new Map([[phase, 1]])), structures, covers, floorM, facts, 'us');
  };

  it.each<[Phase, Known, string[]]>([
    [
      'winter',
      { surfaceTempC: 5, cold: 1 },
      ['channel-swing', 'bluff', 'bluff-end', 'main-lake-point', 'steep-bank', 'riprap', 'dam-face'],
    ],
    [
      'staging',
      { surfaceTempC: 8.5, cold: 1 },
      ['steep-bank', 'secondary-point', 'ditch', 'main-lake-point', 'bluff-end', 'channel-swing'],
    ],
    ['pre-spawn', { surfaceTempC: 12 }, ['secondary-point', 'transition', 'ditch', 'grass-edge', 'flat', 'hard-spot']],
    ['spawn', { surfaceTempC: 17 }, ['pocket', 'creek-back', 'flat', 'hard-spot', 'dock']],
    ['summer', { surfaceTempC: 28 }, ['ledge', 'main-lake-point', 'hump', 'grass-edge', 'dock']],
    [
      'fall',
      { surfaceTempC: 18 },
      ['creek-back', 'flat', 'pocket', 'secondary-point', 'main-lake-point', 'ledge', 'open-water'],
    ],
    [
      'late-fall',
      { surfaceTempC: 11, cold: 0.5 },
      ['channel-swing', 'steep-bank', 'main-lake-point', 'bluff', 'secondary-point', 'ledge'],
    ],
  ])('of %s are where the field looks', (phase, known, wanted) => {
    for (const { structure } of places(phase, known)) expect(wanted).toContain(structure);
  });

  it('weigh one in all, heaviest first, each with its reasons, and within its structure', () => {
    const found = places('post-spawn');
    expect(found.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
    expect(found.map(({ weight }) => weight)).toEqual(found.map(({ weight }) => weight).sort((a, b) => b - a));
    for (const { structure, depthM, because } of found) {
      expect(because.length).toBeGreaterThan(0);
      expect(depthM[1]).toBeLessThanOrEqual(STRUCTURE_DEPTH_M[structure][1] + 1e-9);
      expect(depthM[0]).toBeLessThan(depthM[1]);
    }
  });

  it('name a place for every group that counts, with depths of their own', () => {
    const found = places('pre-spawn', { surfaceTempC: 12 }, ['secondary-point'], ['gravel']);
    expect(new Set(found.map((each) => each.group)).size).toBeGreaterThanOrEqual(3);
    expect(Math.max(...found.map(({ depthM }) => depthM[1]))).toBeGreaterThan(
      2 * Math.min(...found.map(({ depthM }) => depthM[1])),
    );
  });

  it('prefer rock when it is cold and what can be touched when it is dirty', () => {
    const covers = ['bare', 'chunk-rock', 'laydown', 'pads'] as const;
    expect(places('staging', { surfaceTempC: 8, cold: 1 }, ['steep-bank'], covers)[0]?.cover).toBe('chunk-rock');
    expect(places('spawn', { surfaceTempC: 18, visibilityM: 0.35 }, ['pocket'], covers)[0]?.cover).toBe('laydown');
  });

  it('bury them in cover after a front, and send them to the offshore places where the current runs', () => {
    expect(
      places('spawn', { 'front:post-frontal': 1, 'school:after-front:drop': 1 }, ['pocket'], ['dock', 'gravel'])[0]
        ?.cover,
    ).toBe('dock');
    const ledge = (known: Known) =>
      places('summer', { surfaceTempC: 28, ...known }, ['ledge', 'pocket'], ['stump'])
        .filter(({ structure }) => structure === 'ledge')
        .reduce((sum, { weight }) => sum + weight, 0);
    expect(ledge({ 'current:strong': 1 })).toBeGreaterThan(ledge({}));
    expect(ledge({ 'current:none': 1 })).toBeLessThan(ledge({}));
  });

  it('keep to the drain at night and to the flat once the sun has warmed it', () => {
    const top = (sunWarmth: number) =>
      places('staging', { surfaceTempC: 9, sunWarmth }, ['ditch', 'flat'], ['stump'])[0]?.structure;
    expect(top(0)).toBe('ditch');
    expect(top(0.9)).toBe('flat');
  });

  it('dig the drain deep where it empties into a river', () => {
    const deepest = places(
      'post-spawn',
      { surfaceTempC: 22, 'discipline:bass': 1, visibilityM: 1.2 },
      ['drain-mouth'],
      ['bare'],
    );
    expect(Math.max(...deepest.map(({ depthM }) => depthM[1]))).toBeGreaterThan(3);
  });

  it('hang no dock on a hump', () => {
    const [first] = places('summer', { surfaceTempC: 28 }, ['hump'], ['dock', 'gravel']);
    expect(first?.cover).toBe('gravel');
    expect(COVER_HARDLY_AT.dock).toContain('hump');
  });

  it('stay above bottom and thermocline', () => {
    for (const { depthM } of places('summer', { surfaceTempC: 28 }, STRUCTURES, ['bare'], 3)) {
      expect(depthM[1]).toBeLessThanOrEqual(3);
    }
  });

  it('can be supposed for every kind of water', () => {
    for (const { structures, covers } of Object.values(USUAL_PLACES)) {
      expect(places('summer', {}, structures, covers).length).toBeGreaterThan(0);
    }
  });

  it('sum to the groups that the sheet draws, shallowest first', () => {
    const facts = factsOf('pre-spawn', { surfaceTempC: 12, light: NOON });
    const groups = judgeGroups(NOON, facts, new Map([['pre-spawn' as const, 1]]));
    const bands = groupBands(groups, ['secondary-point', 'flat'], ['gravel'], Infinity, facts);
    expect(bands.length).toBeGreaterThanOrEqual(2);
    expect(bands.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 1);
    expect(bands.map(({ depthM }) => depthM[0])).toEqual(bands.map(({ depthM }) => depthM[0]).sort((a, b) => a - b));
  });
});
