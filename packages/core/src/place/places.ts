import type { Cover, Structure, WaterKind } from '../contract/ids.js';
import type { Ground } from '../rules/vocabulary.js';

/** Depths, in metres, at which each structure can hold fish. */
export const STRUCTURE_DEPTH_M: Record<Structure, readonly [number, number]> = {
  'main-lake-point': [1, 15],
  'secondary-point': [0.6, 7],
  'channel-swing': [1.5, 15],
  bluff: [1, 20],
  'bluff-end': [1, 12],
  'steep-bank': [0.8, 15],
  transition: [0.6, 8],
  ditch: [1.2, 8],
  flat: [0.3, 3],
  ledge: [2, 10],
  hump: [1.5, 10],
  saddle: [1.5, 9],
  pocket: [0.2, 2.5],
  'creek-back': [0.2, 2.5],
  inflow: [0.2, 3],
  'hard-spot': [0.5, 8],
  riprap: [0.3, 6],
  dock: [0.4, 6],
  marina: [0.4, 6],
  'dam-face': [1, 20],
  'open-water': [1, 20],
  'drain-mouth': [0.3, 5],
  'oyster-bar': [0.2, 2],
  'grass-edge': [0.4, 4],
  pothole: [0.3, 1.5],
  pass: [0.8, 12],
  bridge: [0.8, 12],
  trough: [0.6, 3],
  'marsh-point': [0.2, 1.8],
};

/** What the lure must come through, by cover. */
export const COVER_GROUND: Record<Cover, Ground> = {
  'chunk-rock': 'rock',
  'mixed-rock': 'rock',
  gravel: 'open',
  clay: 'open',
  riprap: 'rock',
  laydown: 'wood',
  stump: 'wood',
  'standing-timber': 'wood',
  'brush-pile': 'wood',
  'flooded-bush': 'wood',
  dock: 'wood',
  'submerged-grass': 'grass',
  'emergent-grass': 'grass',
  pads: 'mat',
  reeds: 'grass',
  trees: 'wood',
  shell: 'shell',
  oyster: 'shell',
  mangrove: 'wood',
  bare: 'open',
};

/** Covers that only stand in shallow water: the deepest water, in metres, in which each is found. */
export const COVER_DEEPEST_M: Partial<Record<Cover, number>> = {
  laydown: 5,
  'flooded-bush': 2,
  'emergent-grass': 1.5,
  pads: 2,
  reeds: 2,
  trees: 3,
  oyster: 2.5,
  mangrove: 2,
  riprap: 6,
  dock: 6,
  'submerged-grass': 6,
  stump: 6,
  shell: 10,
};

const OFF_THE_BANK: readonly Structure[] = [
  'ledge',
  'hump',
  'saddle',
  'channel-swing',
  'open-water',
  'ditch',
  'hard-spot',
];

/** Structures at which a cover is hardly ever met: nobody builds a dock on a hump, and pads stand in shallows. */
export const COVER_HARDLY_AT: Partial<Record<Cover, readonly Structure[]>> = {
  dock: [
    ...OFF_THE_BANK,
    'main-lake-point',
    'bluff',
    'bluff-end',
    'drain-mouth',
    'oyster-bar',
    'pothole',
    'transition',
  ],
  riprap: [...OFF_THE_BANK, 'flat', 'bluff', 'transition', 'drain-mouth', 'pothole'],
  laydown: ['ledge', 'hump', 'saddle', 'open-water', 'hard-spot'],
  reeds: [...OFF_THE_BANK, 'main-lake-point', 'bluff', 'bluff-end', 'dam-face', 'riprap'],
  pads: [...OFF_THE_BANK, 'main-lake-point', 'bluff', 'bluff-end', 'dam-face', 'riprap', 'steep-bank'],
  'emergent-grass': [
    'ledge',
    'hump',
    'saddle',
    'channel-swing',
    'open-water',
    'bluff',
    'bluff-end',
    'dam-face',
    'riprap',
    'pass',
  ],
  'flooded-bush': ['ledge', 'hump', 'saddle', 'channel-swing', 'open-water', 'bluff', 'dam-face'],
  trees: ['ledge', 'hump', 'saddle', 'open-water', 'bluff', 'dam-face', 'riprap'],
  mangrove: ['open-water', 'pothole'],
  'submerged-grass': ['bluff', 'bluff-end', 'dam-face', 'riprap', 'pass', 'bridge'],
};
/** Log-weight lost where a cover is hardly ever met. */
export const HARDLY_AT_COST = 1.8;

/** Places and cover to suppose where the angler named none, by the kind of water. Listed as assumed. */
export const USUAL_PLACES: Record<WaterKind, { structures: readonly Structure[]; covers: readonly Cover[] }> = {
  'highland-reservoir': {
    structures: ['main-lake-point', 'secondary-point', 'steep-bank', 'channel-swing', 'pocket', 'bluff'],
    covers: ['chunk-rock', 'gravel'],
  },
  'lowland-reservoir': {
    structures: ['secondary-point', 'flat', 'ditch', 'ledge', 'pocket', 'creek-back'],
    covers: ['stump', 'laydown'],
  },
  'natural-lake': {
    structures: ['flat', 'grass-edge', 'hump', 'main-lake-point', 'dock', 'pocket'],
    covers: ['submerged-grass', 'gravel'],
  },
  'grass-lake': { structures: ['grass-edge', 'flat', 'ditch', 'pocket'], covers: ['submerged-grass', 'pads'] },
  pond: { structures: ['pocket', 'dam-face', 'flat', 'steep-bank'], covers: ['laydown', 'submerged-grass'] },
  river: { structures: ['channel-swing', 'inflow', 'pocket', 'secondary-point'], covers: ['laydown', 'chunk-rock'] },
  'tidal-river': { structures: ['drain-mouth', 'grass-edge', 'pocket', 'channel-swing'], covers: ['pads', 'laydown'] },
  estuary: {
    structures: ['drain-mouth', 'oyster-bar', 'grass-edge', 'marsh-point', 'trough', 'pass'],
    covers: ['oyster', 'submerged-grass'],
  },
};

/** A thermocline to suppose in summer where none was measured, in metres, by the kind of water (from usual fetch). */
export const USUAL_THERMOCLINE_M: Partial<Record<WaterKind, number>> = {
  'highland-reservoir': 7.5,
  'lowland-reservoir': 6,
  'natural-lake': 6.5,
  'grass-lake': 4.5,
  pond: 3,
};

/** What each kind of water usually shows, in metres: stands for the normal where the water's own record says nothing. */
export const USUAL_VISIBILITY_M: Record<WaterKind, number> = {
  'highland-reservoir': 2,
  'lowland-reservoir': 1,
  'natural-lake': 2.2,
  'grass-lake': 1.3,
  pond: 0.8,
  river: 0.7,
  'tidal-river': 0.6,
  estuary: 0.8,
};
