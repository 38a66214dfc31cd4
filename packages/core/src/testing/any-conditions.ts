import fc from 'fast-check';
import { Conditions } from '../contract/conditions.js';
import { LIMITS } from '../contract/limits.js';
import * as ids from '../contract/ids.js';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const within = ([min, max]: readonly [number, number]) => number(min, max);
const some = <T>(list: readonly T[], maxLength: number) => fc.array(fc.constantFrom(...list), { maxLength });
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: null });
const clock = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/** Any conditions that the border lets in: every field, anywhere, on any clock, however unlikely together. */
export const anyConditions = fc.constantFrom(...ids.DISCIPLINES).chain((discipline) =>
  fc
    .record({
      discipline: fc.constant(discipline),
      species: maybe(fc.constantFrom(...(discipline === 'bass' ? ids.BASS_SPECIES : ids.INSHORE_SPECIES))),
      date: fc.integer({ min: 0, max: 364 }).map((n) => new Date(Date.UTC(2027, 0, 1 + n)).toISOString().slice(0, 10)),
      window: maybe(
        fc.tuple(fc.integer({ min: 0, max: 1300 }), fc.integer({ min: 1, max: 900 })).map(([from, length]) => ({
          from: clock(from),
          to: clock(Math.min(1439, from + length)),
        })),
      ),
      place: fc.record({
        latitude: number(-66, 66),
        longitude: number(-180, 180),
        timeZone: fc.constantFrom('America/Chicago', 'UTC', 'Pacific/Auckland', 'Asia/Kolkata'),
      }),
      waterKind: maybe(fc.constantFrom(...ids.WATER_KINDS)),
      familiarity: maybe(fc.constantFrom(...ids.FAMILIARITIES)),
      goal: maybe(fc.constantFrom(...ids.GOALS)),
      surfaceTempC: within(LIMITS.surfaceTempC),
      tempTrendCPerDay: maybe(within(LIMITS.tempTrendCPerDay)),
      yearLowC: maybe(within(LIMITS.yearLowC)),
      visibilityM: maybe(within(LIMITS.visibilityM)),
      normalVisibilityM: maybe(within(LIMITS.normalVisibilityM)),
      visibilityTrend: maybe(fc.constantFrom(...ids.VISIBILITY_TRENDS)),
      salinityPsu: maybe(number(0, 45)),
      level: maybe(fc.constantFrom(...ids.LEVELS)),
      thermoclineM: maybe(number(0.5, 60)),
      sky: maybe(fc.constantFrom(...ids.SKIES)),
      windMps: maybe(within(LIMITS.windMps)),
      front: maybe(fc.constantFrom(...ids.FRONTS)),
      inflow: maybe(fc.constantFrom(...ids.INFLOWS)),
      structures: maybe(some(ids.STRUCTURES, 6)),
      covers: maybe(some(ids.COVERS, 4)),
      bankSlopeDeg: maybe(number(0, 90)),
      maxDepthM: maybe(within(LIMITS.maxDepthM)),
      coverTopDepthM: maybe(number(0, 60)),
      forage: maybe(
        fc.array(fc.record({ kind: fc.constantFrom(...ids.FORAGE_KINDS), seen: some(ids.FORAGE_SEEN, 3) }), {
          maxLength: 3,
        }),
      ),
      signs: maybe(some(ids.SIGNS, 3)),
      tide: maybe(fc.record({ stage: fc.constantFrom(...ids.TIDE_STAGES) })),
      feedback: maybe(some(ids.FEEDBACK, 3)),
      maxRods: maybe(fc.integer({ min: 1, max: 20 })),
    })
    .map((input) => Conditions.parse(input)),
);
