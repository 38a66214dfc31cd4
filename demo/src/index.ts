import { Conditions, type PlanDraft, type Reading, ReadingDraft, type Water, WaterDraft } from '@inky-shoal/core';
import { seeded, seededId } from './random.js';
import { record, type Course } from './readings.js';

/** The demo's own clock: a Saturday morning of the spring feed. Screens and tests stand still on it. */
export const DEMO_NOW = '2027-03-13T08:12:00-06:00';
/** Raised whenever the demo data changes, so that an older demo book is made anew. */
export const DEMO_VERSION = 1;

const CREATED = '2026-08-30T18:00:00Z';
const random = seeded(20270313);
const id = (time: string) => seededId(Date.parse(time), random);
const place = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };

const ferrow: Water = {
  id: id('2026-08-30T18:00:00Z'),
  ...WaterDraft.parse({
    name: 'Lake Ferrow, Sallow Arm',
    discipline: 'bass',
    waterKind: 'highland-reservoir',
    place,
    normalVisibilityM: 1.8,
    yearLowC: 4.6,
    maxDepthM: 9,
    structures: ['ditch', 'secondary-point', 'flat', 'steep-bank', 'pocket'],
    covers: ['mixed-rock', 'submerged-grass', 'stump'],
  }),
  createdAt: CREATED,
  updatedAt: CREATED,
};

const brindle: Water = {
  id: id('2026-08-30T18:05:00Z'),
  ...WaterDraft.parse({
    name: 'Lake Ferrow, Brindle Creek',
    discipline: 'bass',
    waterKind: 'highland-reservoir',
    place: { ...place, latitude: 35.94, longitude: -88.36 },
    normalVisibilityM: 2.4,
    yearLowC: 4.2,
    maxDepthM: 18,
    structures: ['bluff', 'steep-bank', 'channel-swing', 'main-lake-point', 'secondary-point'],
    covers: ['chunk-rock', 'standing-timber'],
  }),
  createdAt: CREATED,
  updatedAt: CREATED,
};

const ternHollow: Water = {
  id: id('2026-08-30T18:10:00Z'),
  ...WaterDraft.parse({
    name: 'Tern Hollow Sound',
    discipline: 'inshore',
    waterKind: 'estuary',
    place: { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' },
    normalVisibilityM: 0.8,
    yearLowC: 9.5,
    maxDepthM: 5,
    structures: ['drain-mouth', 'oyster-bar', 'grass-edge', 'marsh-point', 'pass'],
    covers: ['oyster', 'submerged-grass'],
  }),
  createdAt: CREATED,
  updatedAt: CREATED,
};

const sallowCourse: Course = [
  ['2026-09-01', 27.5],
  ['2026-10-10', 20.5],
  ['2026-11-20', 12],
  ['2026-12-20', 7],
  ['2027-01-24', 5],
  ['2027-02-12', 6.2],
  ['2027-03-01', 8.6],
  ['2027-03-14', 11.4],
];
const brindleCourse: Course = sallowCourse.map(([date, tempC]) => [date, tempC - (date > '2027-01' ? 1.6 : -0.8)]);
const ternCourse: Course = [
  ['2026-09-01', 29.5],
  ['2026-11-01', 21],
  ['2027-01-20', 10.5],
  ['2027-03-14', 17],
];

const untilMs = Date.parse(DEMO_NOW);
const readingsOf = (water: Water, course: Course, everyDays: number): Reading[] =>
  record(
    { course, from: '2026-09-01', untilMs, normalVisibilityM: water.normalVisibilityM ?? 1, everyDays },
    random,
  ).map((reading) => ({
    id: seededId(Date.parse(reading.at), random),
    waterId: water.id,
    ...ReadingDraft.parse(reading),
  }));

const plan = (name: string, water: Water, date: string, more: Record<string, unknown>): PlanDraft => ({
  name,
  waterId: water.id,
  units: 'us',
  conditions: Conditions.parse({
    discipline: water.discipline,
    date,
    place: water.place,
    waterKind: water.waterKind,
    yearLowC: water.yearLowC,
    normalVisibilityM: water.normalVisibilityM,
    maxDepthM: water.maxDepthM,
    structures: water.structures,
    covers: water.covers,
    ...more,
  }),
});

/** Everything made up that ships: waters, a season and a half of readings, two plans. */
export const DEMO = {
  waters: [ferrow, brindle, ternHollow],
  readings: [
    ...readingsOf(ferrow, sallowCourse, 2.5),
    ...readingsOf(brindle, brindleCourse, 6),
    ...readingsOf(ternHollow, ternCourse, 9),
  ],
  plans: [
    {
      id: id('2027-03-05T20:00:00Z'),
      createdAt: '2027-03-05T20:00:00Z',
      draft: plan('Last Saturday, steep banks', ferrow, '2027-03-06', {
        window: { from: '06:00', to: '15:00' },
        surfaceTempC: 9.2,
        tempTrendCPerDay: 0.2,
        visibilityM: 1.7,
        sky: 'overcast',
        windMps: 5,
        windFromDeg: 200,
      }),
    },
    {
      id: id('2027-03-10T21:00:00Z'),
      createdAt: '2027-03-10T21:00:00Z',
      draft: plan('After the front', ferrow, '2027-03-11', {
        window: { from: '06:00', to: '14:00' },
        surfaceTempC: 9.8,
        tempTrendCPerDay: -0.1,
        visibilityM: 1.9,
        sky: 'clear',
        windMps: 2,
        windFromDeg: 340,
        front: 'post-frontal',
      }),
    },
  ],
} as const;
