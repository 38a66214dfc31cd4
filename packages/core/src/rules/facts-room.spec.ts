import * as ids from '../contract/ids.js';
import { Facts, slotOf, type DegreeName } from './facts.js';
import { GROUNDS, GROUP_IDS, WAYS_FISHED } from './vocabulary.js';

const families: Readonly<Record<string, readonly string[]>> = {
  discipline: ids.DISCIPLINES,
  species: ids.SPECIES,
  phase: ids.PHASES,
  overlay: ids.OVERLAYS,
  clarity: ids.CLARITY_CLASSES,
  regime: ids.REGIMES,
  trend: ids.VISIBILITY_TRENDS,
  level: ids.LEVELS,
  sky: ids.SKIES,
  front: ids.FRONTS,
  inflow: ids.INFLOWS,
  water: ids.WATER_KINDS,
  goal: ids.GOALS,
  familiarity: ids.FAMILIARITIES,
  forage: ids.FORAGE_KINDS,
  seen: ids.FORAGE_SEEN,
  sign: ids.SIGNS,
  feedback: ids.FEEDBACK,
  tide: ids.TIDE_STAGES,
  current: ids.CURRENTS,
  pressure: ids.PRESSURES,
  'fish-sign': ids.FISH_SIGNS,
  group: GROUP_IDS,
  light: ids.LIGHTS,
  structure: ids.STRUCTURES,
  cover: ids.COVERS,
  ground: GROUNDS,
  position: ids.POSITIONS,
  school: ids.SCHOOL_IDS.flatMap((id) => [...ids.SCHOOL_SIDES[id], 'chosen'].map((side) => `${id}:${side}`)),
  category: ids.CATEGORIES,
  tone: ids.TONES,
  lure: [...WAYS_FISHED, 'treble', 'deflects'],
  spot: ids.SPOT_TRAITS,
};
/** Figures and single facts: some fifty, asked by name wherever they are. */
const OTHERS = 56;

describe('the room for facts', () => {
  it('holds every fact that any day may state, in a process that plans them all', () => {
    const names = Object.entries(families).flatMap(([family, all]) => all.map((id) => `${family}:${id}` as DegreeName));
    const other = Array.from({ length: OTHERS }, (_, at) => `spot:other-${at}` as DegreeName);
    const stated = Object.fromEntries([...names, ...other].map((name) => [name, 1]));
    const facts = Facts.of(stated);
    expect([...names, ...other].every((name) => facts.degree(name) === 1)).toBe(true);
    expect(new Set(names.map(slotOf)).size).toBe(names.length);
  });
});
