import type { TrueZone } from './lake.js';
import type { Climate } from './weather.js';

/** The made-up hill country about Lake Ferrow. */
export const FERROW_CLIMATE: Climate = {
  seed: 1972,
  latitude: 35.9,
  longitude: -88.4,
  meanC: 15.4,
  seasonC: 11.2,
  dayC: 6,
};

/** The zones of Lake Ferrow as they truly are, in the order in which the demo tells them; depths are means. */
export const FERROW_ZONES: readonly TrueZone[] = [
  { name: 'Upper Sallow', depthM: 2.4, shelter: 0.62, attenuationPerM: 1.5, albedo: 0.05, exchange: [[1, 0.06]] },
  {
    name: 'Lower Sallow',
    depthM: 4.5,
    shelter: 0.72,
    attenuationPerM: 1.1,
    albedo: 0.06,
    exchange: [
      [0, 0.04],
      [4, 0.05],
    ],
  },
  { name: 'Marina pocket', depthM: 3, shelter: 0.4, attenuationPerM: 1.2, albedo: 0.055, exchange: [[4, 0.04]] },
  { name: 'Brindle Creek', depthM: 9, shelter: 0.6, attenuationPerM: 0.8, albedo: 0.07, exchange: [[4, 0.05]] },
  {
    name: 'Mid lake',
    depthM: 11,
    shelter: 0.95,
    attenuationPerM: 0.75,
    albedo: 0.065,
    exchange: [
      [1, 0.02],
      [3, 0.02],
      [5, 0.05],
    ],
  },
  { name: 'Lower basin', depthM: 15, shelter: 1.05, attenuationPerM: 0.65, albedo: 0.07, exchange: [[4, 0.04]] },
];

/** The coast about Tern Hollow Sound: milder, with a narrower day. */
export const TERN_CLIMATE: Climate = {
  seed: 2203,
  latitude: 30.1,
  longitude: -88.9,
  meanC: 20.4,
  seasonC: 8.2,
  dayC: 4,
};

export const TERN_ZONES: readonly TrueZone[] = [
  {
    name: 'Marsh creek',
    depthM: 1.5,
    shelter: 0.6,
    attenuationPerM: 1.9,
    albedo: 0.05,
    exchange: [[1, 0.2]],
    salinityPsu: 12,
  },
  {
    name: 'Grass flat',
    depthM: 1.5,
    shelter: 0.9,
    attenuationPerM: 1.4,
    albedo: 0.06,
    exchange: [
      [0, 0.1],
      [2, 0.25],
    ],
    salinityPsu: 20,
  },
  {
    name: 'The pass',
    depthM: 5,
    shelter: 1.1,
    attenuationPerM: 1,
    albedo: 0.06,
    exchange: [[1, 0.15]],
    salinityPsu: 26,
  },
];
