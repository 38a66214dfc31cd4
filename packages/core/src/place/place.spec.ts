import fc from 'fast-check';
import { COVERS, PHASES, STRUCTURES, type Phase } from '../contract/ids.js';
import { Facts, type Known } from '../rules/facts.js';
import { depthBand } from './depth.js';
import { holdingPlaces } from './place.js';
import { STRUCTURE_DEPTH_M, USUAL_PLACES } from './places.js';

const NOON = { light: 0.7 };
const DAWN = { light: 0.005 };
const OPEN = { bottomM: undefined, thermoclineM: undefined };
const WATER: Known = { surfaceTempC: 20, visibilityM: 1.5, effectiveVisibilityM: 1.5, windMps: 1 };
const band = (phase: Phase, known: Known = {}, moment = NOON, limits: Parameters<typeof depthBand>[3] = OPEN) =>
  depthBand(moment, Facts.of({ ...WATER, [`phase:${phase}`]: 1, ...known }), new Map([[phase, 1]]), limits, 'us');
const centre = (...of: Parameters<typeof band>) => {
  const [from, to] = band(...of).depthM;
  return (from + to) / 2;
};

describe('the depth band', () => {
  it.each<[Phase, Known, number, number]>([
    ['winter', { surfaceTempC: 5, visibilityM: 2, effectiveVisibilityM: 2 }, 3, 12],
    ['staging', { surfaceTempC: 8.5 }, 1.5, 6],
    ['pre-spawn', { surfaceTempC: 12 }, 1, 4],
    ['spawn', { surfaceTempC: 17 }, 0.3, 2.5],
    ['post-spawn', { surfaceTempC: 22 }, 1.2, 5],
    ['summer', { surfaceTempC: 28 }, 2, 7],
    ['fall', { surfaceTempC: 18 }, 0.8, 4],
    ['late-fall', { surfaceTempC: 11 }, 1.5, 7],
    ['spring-rise', { surfaceTempC: 20, visibilityM: 0.8, effectiveVisibilityM: 0.8 }, 0.3, 2],
  ])('of %s lies where the field has it', (phase, known, from, to) => {
    const { depthM } = band(phase, known);
    expect(depthM[0]).toBeGreaterThanOrEqual(from);
    expect(depthM[1]).toBeLessThanOrEqual(to);
  });

  it('follows the light in warm water, by many feet where clear and by inches in mud', () => {
    const travel = (visibilityM: number) => {
      const water = { surfaceTempC: 27, visibilityM, effectiveVisibilityM: visibilityM };
      return centre('summer', water, NOON) - centre('summer', water, DAWN);
    };
    expect(travel(2)).toBeGreaterThan(1);
    expect(Math.abs(travel(0.3))).toBeLessThan(0.3);
  });

  it('does not follow the light in cold water, but the sun on the rock', () => {
    expect(centre('winter', { surfaceTempC: 5 }, NOON)).toBeCloseTo(centre('winter', { surfaceTempC: 5 }, DAWN), 6);
    expect(centre('pre-spawn', { surfaceTempC: 10.5, sunWarmth: 0.9 })).toBeLessThan(
      centre('pre-spawn', { surfaceTempC: 10.5, sunWarmth: 0 }),
    );
  });

  it.each<[string, Known, 'up' | 'down']>([
    ['a front coming', { 'front:approaching': 1 }, 'up'],
    ['the day after a front', { 'front:post-frontal': 1 }, 'down'],
    ['rising water', { 'level:rising': 1 }, 'up'],
    ['falling water', { 'level:falling': 1 }, 'down'],
    ['chop', { windMps: 8 }, 'up'],
    ['strikes at the deepest point', { 'feedback:strikes-at-deepest': 1 }, 'down'],
    ['a rising tide', { 'tide:rising': 1 }, 'up'],
    ['fish chasing on top', { 'sign:surface-chasing': 1 }, 'up'],
  ])('moves with %s', (_, known, way) => {
    const [before, after] = [centre('post-spawn'), centre('post-spawn', known)];
    expect(Math.sign(after - before)).toBe(way === 'up' ? -1 : 1);
    expect(band('post-spawn', known).because.length).toBeGreaterThan(0);
  });

  it('stays above bottom and thermocline, and says which was the floor', () => {
    const { depthM, because } = band('summer', { surfaceTempC: 28 }, NOON, { bottomM: 20, thermoclineM: 3 });
    expect(depthM[1]).toBe(3);
    expect(depthM[0]).toBeLessThan(3);
    expect(because.map(({ rule }) => rule)).toContain('thermocline-floor');
    expect(band('summer', {}, NOON, { bottomM: 1, thermoclineM: 3 }).depthM[1]).toBe(1);
  });

  it('is a band with an upper and a lower edge in every phase, light and clarity', () => {
    const positive = fc.double({ min: 0.02, max: 20, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom(...PHASES),
        positive,
        positive,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (phase, visibilityM, effectiveVisibilityM, light) => {
          const [from, to] = band(phase, { visibilityM, effectiveVisibilityM }, { light }).depthM;
          expect(from).toBeGreaterThan(0);
          expect(to).toBeGreaterThan(from);
        },
      ),
    );
  });
});

describe('holding places', () => {
  const places = (
    phase: Phase,
    known: Known = {},
    structures = STRUCTURES as readonly (typeof STRUCTURES)[number][],
    covers = COVERS as readonly (typeof COVERS)[number][],
  ) => {
    const facts = { ...WATER, [`phase:${phase}`]: 1, ...known };
    return holdingPlaces(band(phase, known), structures, covers, Infinity, Facts.of(facts), 'us');
  };

  it.each<[Phase, Known, string[]]>([
    ['winter', { surfaceTempC: 5, cold: 1 }, ['channel-swing', 'bluff', 'bluff-end', 'main-lake-point', 'steep-bank']],
    ['staging', { surfaceTempC: 8.5, cold: 1 }, ['steep-bank', 'secondary-point', 'ditch', 'main-lake-point']],
    ['pre-spawn', { surfaceTempC: 12 }, ['secondary-point', 'transition', 'ditch', 'grass-edge']],
    ['spawn', { surfaceTempC: 17 }, ['pocket', 'creek-back', 'flat', 'hard-spot']],
    ['summer', { surfaceTempC: 28 }, ['ledge', 'main-lake-point', 'hump', 'grass-edge']],
    ['fall', { surfaceTempC: 18 }, ['creek-back', 'flat', 'pocket', 'secondary-point']],
    ['late-fall', { surfaceTempC: 11, cold: 0.5 }, ['channel-swing', 'steep-bank', 'main-lake-point', 'bluff']],
  ])('of %s are where the field looks', (phase, known, wanted) => {
    for (const { structure } of places(phase, known)) expect(wanted).toContain(structure);
  });

  it('weigh one in all, heaviest first, each with its reasons and within its structure', () => {
    const found = places('post-spawn');
    expect(found.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
    expect(found.map(({ weight }) => weight)).toEqual(found.map(({ weight }) => weight).sort((a, b) => b - a));
    for (const { structure, depthM, because } of found) {
      expect(because.length).toBeGreaterThan(0);
      expect(depthM[0]).toBeGreaterThanOrEqual(STRUCTURE_DEPTH_M[structure][0] - 1e-9);
      expect(depthM[1]).toBeLessThanOrEqual(STRUCTURE_DEPTH_M[structure][1] + 1e-9);
    }
  });

  it('prefer rock when it is cold and what can be touched when it is dirty', () => {
    const covers = ['bare', 'chunk-rock', 'laydown', 'pads'] as const;
    expect(places('staging', { surfaceTempC: 8, cold: 1 }, ['steep-bank'], covers)[0]?.cover).toBe('chunk-rock');
    const dirty = { surfaceTempC: 18, visibilityM: 0.35, effectiveVisibilityM: 0.35 };
    expect(places('spawn', dirty, ['pocket'], covers)[0]?.cover).toBe('laydown');
  });

  it('put fish on the bottom after a front, hanging off bluffs, and up when they chase', () => {
    const position = (structure: (typeof STRUCTURES)[number], known: Known) =>
      places('post-spawn', known, [structure], ['gravel'])[0]?.position;
    expect(position('hump', { 'front:post-frontal': 1 })).toBe('bottom');
    expect(position('bluff', {})).toBe('suspended');
    expect(position('main-lake-point', { 'sign:surface-chasing': 1 })).toBe('surface');
  });

  it('can be supposed for every kind of water', () => {
    for (const { structures, covers } of Object.values(USUAL_PLACES)) {
      expect(places('summer', {}, structures, covers).length).toBeGreaterThan(0);
    }
  });
});
