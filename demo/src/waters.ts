import { type Water, WaterDraft } from '@inky-shoal/core';
import { seeded, seededId } from './random.js';

const CREATED = '2025-08-30T18:00:00Z';
const random = seeded(20270313);
/** An id for a moment of the demo; one after another, so the order of asking is kept. */
export const id = (time: string): string => seededId(Date.parse(time), random);
const place = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };

export const [upperSallow, lowerSallow, marina, brindle, midLake, basin] = [0, 1, 2, 3, 4, 5].map((minute) =>
  id(`2025-08-30T18:0${minute}:30Z`),
) as [string, string, string, string, string, string];

export const ferrow: Water = {
  id: id('2025-08-30T18:00:00Z'),
  ...WaterDraft.parse({
    name: 'Lake Ferrow',
    discipline: 'bass',
    waterKind: 'highland-reservoir',
    place,
    normalVisibilityM: 1.8,
    maxDepthM: 24,
    structures: ['ditch', 'secondary-point', 'flat', 'steep-bank', 'pocket'],
    covers: ['mixed-rock', 'submerged-grass', 'stump'],
    zones: [
      {
        id: upperSallow,
        name: 'Upper Sallow',
        position: 'upstream',
        mixedDepthM: 2,
        maxDepthM: 3,
        darkBottom: true,
        neighbours: [lowerSallow],
      },
      {
        id: lowerSallow,
        name: 'Lower Sallow',
        position: 'mid',
        mixedDepthM: 4,
        maxDepthM: 7,
        neighbours: [upperSallow, midLake],
      },
      {
        id: marina,
        name: 'Marina pocket',
        position: 'protected',
        mixedDepthM: 2.5,
        maxDepthM: 4,
        darkBottom: true,
        neighbours: [midLake],
      },
      {
        id: brindle,
        name: 'Brindle Creek',
        position: 'upstream',
        mixedDepthM: 4,
        maxDepthM: 14,
        neighbours: [midLake],
      },
      {
        id: midLake,
        name: 'Mid lake',
        position: 'mid',
        mixedDepthM: 5,
        maxDepthM: 17,
        neighbours: [lowerSallow, marina, brindle, basin],
      },
      { id: basin, name: 'Lower basin', position: 'lower', mixedDepthM: 6, maxDepthM: 24, neighbours: [midLake] },
    ],
  }),
  createdAt: CREATED,
  updatedAt: CREATED,
};

export const [marsh, grassFlat, pass] = [0, 1, 2].map((minute) => id(`2025-08-30T18:1${minute}:30Z`)) as [
  string,
  string,
  string,
];

export const ternHollow: Water = {
  id: id('2025-08-30T18:10:00Z'),
  ...WaterDraft.parse({
    name: 'Tern Hollow Sound',
    discipline: 'inshore',
    waterKind: 'estuary',
    place: { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' },
    normalVisibilityM: 0.8,
    maxDepthM: 5,
    structures: ['drain-mouth', 'oyster-bar', 'grass-edge', 'marsh-point', 'pass'],
    covers: ['oyster', 'submerged-grass'],
    tideStation: {
      name: 'The pass, made up',
      latitude: 30.08,
      longitude: -88.92,
      constituents: [
        { name: 'M2', amplitudeM: 0.31, phaseDeg: 214 },
        { name: 'S2', amplitudeM: 0.08, phaseDeg: 240 },
        { name: 'N2', amplitudeM: 0.07, phaseDeg: 196 },
        { name: 'K2', amplitudeM: 0.02, phaseDeg: 238 },
        { name: 'K1', amplitudeM: 0.12, phaseDeg: 121 },
        { name: 'O1', amplitudeM: 0.1, phaseDeg: 130 },
        { name: 'P1', amplitudeM: 0.04, phaseDeg: 122 },
        { name: 'Q1', amplitudeM: 0.02, phaseDeg: 118 },
      ],
      meanLevelM: 0.52,
      datum: 'mean lower low water',
      // The sea lies to the south of it.
      seaDeg: 180,
      origin: { source: 'made up for the demo', licence: 'free of rights' },
    },
    zones: [
      {
        id: marsh,
        name: 'Marsh creek',
        position: 'upstream',
        mixedDepthM: 1.5,
        maxDepthM: 2,
        darkBottom: true,
        neighbours: [grassFlat],
      },
      {
        id: grassFlat,
        name: 'Grass flat',
        position: 'mid',
        mixedDepthM: 1.2,
        maxDepthM: 1.5,
        neighbours: [marsh, pass],
      },
      { id: pass, name: 'The pass', position: 'lower', mixedDepthM: 4, maxDepthM: 5, neighbours: [grassFlat] },
    ],
  }),
  createdAt: CREATED,
  updatedAt: CREATED,
};

/** Waters of earlier demos, which give way to these. */
export const FORMER_WATERS = [
  '01a053d4-0900-75ca-827c-689d7f7bdeab',
  '01a053d8-9ce0-7e15-8211-b8488594509c',
  '01a053dd-30c0-71b4-8887-1e513ac32cc3',
] as const;
