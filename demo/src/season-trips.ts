import { minutesOf, type Front, type Sky, type Species } from '@inky-shoal/core';
import { castHours } from '@inky-shoal/core/underway';
import { PACES, type NextNote } from '@inky-shoal/core/underway/states';
import { FERROW_CLIMATE, TERN_CLIMATE } from './outside/places.js';
import type { TrueCourse } from './outside/lake.js';
import { weatherAt, type Climate } from './outside/weather.js';
import { normal, seeded } from './random.js';
import { trueSurfaceC } from './readings.js';
import { drawTruth } from './record/truth.js';
import { fishTrip } from './record/trips.js';
import { conditionsOf, waterOf } from './trip-day.js';
import { FERROW_PLACES, TERN_PLACES } from './trip-places.js';
import { demoTruth } from './truth.js';
import { between, spread } from './underway/patchy/chance.js';
import { paceOfStep, type ContactRow, type PaceStep, type StretchRow, type TripRow } from './trip-row.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** The first Saturday of the record, and the Sunday after which nobody has been out yet. */
const FIRST_SATURDAY = '2025-09-20';
const LAST_DAY = '2027-03-07';
/** How likely one goes out on a Saturday, in the cold months and in the others; on the Sunday after, too. */
const OUT_IN_WINTER = 0.55;
const OUT = 0.88;
const OUT_TWICE = 0.2;
/** How many of the trips go to the Sound. */
const TO_THE_SOUND = 0.25;
/** Zones in which the water is measured, by their place among the true ones. */
const FERROW_ZONE = 4;
const TERN_ZONE = 1;
const PROBE_SD_C = 0.25;
const LENGTHS: Partial<Record<Species, number>> = {
  largemouth: 360,
  spotted: 330,
  'red-drum': 560,
  'spotted-seatrout': 400,
};
/** Of fish that bite some come off, some are felt only; beside them some only follow. */
const LANDED = 0.72;
const LOST = 0.14;
const FOLLOWS_AN_HOUR = 0.25;
const TAGGED_EVERY = 17;

const round = (value: number, places: number): number => Math.round(value * 10 ** places) / 10 ** places;

function skyOf(cloudFraction: number, rainMm: number): Sky {
  if (rainMm > 0.5) return 'rain';
  return cloudFraction < 0.25 ? 'clear' : cloudFraction < 0.7 ? 'partly-cloudy' : 'overcast';
}

/** A front has passed where the glass rose by so much since yesterday, and comes where it fell. */
function frontOf(changeHpa: number): Front {
  return changeHpa > 5 ? 'post-frontal' : changeHpa < -5 ? 'approaching' : 'stable';
}

/** The day as its angler measures it at eight in the morning: a few tenths off. */
function dayOf(
  water: TripRow['water'],
  date: string,
  course: TrueCourse,
  climate: Climate,
  random: () => number,
): Omit<TripRow, 'stretches'> {
  const atMs = Date.parse(`${date}T14:00:00Z`);
  const { windMps, windFromDeg, cloudFraction, rainMm, pressureHpa } = weatherAt(climate, atMs);
  const tempC = trueSurfaceC(course, atMs);
  const before = trueSurfaceC(course, atMs - 4 * DAY_MS);
  return {
    water,
    date,
    surfaceTempC: round(tempC + PROBE_SD_C * normal(random), 1),
    tempTrendCPerDay: round((tempC - before) / 4, 2),
    visibilityM: round(Math.min(4, spread(random, waterOf({ water }).normalVisibilityM ?? 1, 0.35)), 1),
    sky: skyOf(cloudFraction, rainMm),
    windMps: round(windMps, 1),
    windFromDeg: Math.round(windFromDeg),
    front: frontOf(pressureHpa - weatherAt(climate, atMs - DAY_MS).pressureHpa),
  };
}

class Fish {
  private landed = 0;

  constructor(
    private readonly kinds: readonly Species[],
    private readonly random: () => number,
  ) {}

  /** What came of a stretch's bites, and what only followed. */
  of({ bites, from, to }: NextNote): ContactRow[] {
    const { random } = this;
    const lasts = minutesOf(to) - minutesOf(from);
    const at = () => Math.round(between(random, 1, Math.max(2, lasts - 1)));
    const follows = random() < (FOLLOWS_AN_HOUR * lasts) / 60 ? [[at(), 'follow'] as const] : [];
    return [...follows, ...Array.from({ length: bites }, () => this.one(at()))].sort(([a], [b]) => a - b);
  }

  private one(at: number): ContactRow {
    const { random } = this;
    const luck = random();
    if (luck >= LANDED) return [at, luck < LANDED + LOST ? 'lost' : 'missed'];
    const species = this.kinds[random() < 0.8 ? 0 : 1] as Species;
    const lengthMm = 5 * Math.round(spread(random, LENGTHS[species] ?? 350, 0.18) / 5);
    const isTagged = this.kinds.includes('red-drum') && ++this.landed % TAGGED_EVERY === 0;
    return isTagged ? [at, 'landed', species, lengthMm, `T${1200 + this.landed}`] : [at, 'landed', species, lengthMm];
  }
}

/** Days on which one goes out, in their order. */
function daysOut(random: () => number): { date: string; water: TripRow['water'] }[] {
  const days: { date: string; water: TripRow['water'] }[] = [];
  for (let atMs = Date.parse(FIRST_SATURDAY); atMs <= Date.parse(LAST_DAY); atMs += 7 * DAY_MS) {
    const month = new Date(atMs).getUTCMonth();
    const isWinter = month === 11 || month < 2;
    const water = random() < TO_THE_SOUND ? 'tern' : 'ferrow';
    const goes = random() < (isWinter ? OUT_IN_WINTER : OUT);
    const goesAgain = random() < OUT_TWICE;
    const dateOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
    if (goes) days.push({ date: dateOf(atMs), water });
    if (goes && goesAgain) days.push({ date: dateOf(atMs + DAY_MS), water });
  }
  return days.filter(({ date }) => date <= LAST_DAY);
}

const NOTES = [
  'Wind from the wrong side all morning.',
  'Birds over the point, and nothing under them.',
  'Too many boats.',
];
const NOTED_EVERY = 9;

/**
 * Trips of a season and a half on the demo's waters, as one angler fished them and wrote them down. What truly bites there
 * is drawn from the seed and hidden from the planner.
 */
export function seasonTrips(seed: number): TripRow[] {
  const random = seeded(seed);
  const { ferrow, ternHollow } = demoTruth(Date.parse(`${LAST_DAY}T23:00:00Z`));
  const waters = {
    ferrow: {
      course: ferrow[FERROW_ZONE] as TrueCourse,
      climate: FERROW_CLIMATE,
      places: FERROW_PLACES,
      truth: drawTruth(seed + 1, { discipline: 'bass', places: FERROW_PLACES }),
      fish: new Fish(['largemouth', 'spotted'], random),
    },
    tern: {
      course: ternHollow[TERN_ZONE] as TrueCourse,
      climate: TERN_CLIMATE,
      places: TERN_PLACES,
      truth: drawTruth(seed + 2, { discipline: 'inshore', places: TERN_PLACES }),
      fish: new Fish(['red-drum', 'spotted-seatrout'], random),
    },
  };
  return daysOut(random).map(({ date, water }, index) => {
    const { course, climate, places, truth, fish } = waters[water];
    const day = dayOf(water, date, course, climate, random);
    const { stretches } = fishTrip(truth, conditionsOf(day), random);
    const note =
      index % NOTED_EVERY === NOTED_EVERY - 1 ? NOTES[Math.floor(index / NOTED_EVERY) % NOTES.length] : undefined;
    return {
      ...day,
      stretches: stretches.map((stretch): StretchRow => {
        const { from, to, place, category, depthM, pace = 'medium' } = stretch;
        const paceStep = PACES.indexOf(pace) as PaceStep;
        const hours = (minutesOf(to) - minutesOf(from)) / 60;
        const casts = (hours / castHours(paceOfStep(category, paceStep))) * between(random, 0.8, 1.1);
        return [
          minutesOf(from),
          places.findIndex(({ id }) => id === place),
          category,
          depthM ?? 1,
          paceStep,
          Math.max(1, Math.round(casts)),
          fish.of(stretch),
        ];
      }),
      ...(note && { note }),
    };
  });
}
