import * as z from 'zod';
import { Competition } from './competition.js';
import { calendarDate, clockTime, instant, maybe, oneOf, quantity, record, someOf, timeZone } from './fields.js';
import * as ids from './ids.js';
import { LIMITS } from './limits.js';

export const surfaceTempC = quantity('a water temperature in degrees Celsius', ...LIMITS.surfaceTempC);
export const visibilityM = quantity('a visibility in metres', ...LIMITS.visibilityM);

export const Place = record('a place with latitude, longitude and timeZone', {
  latitude: quantity('a latitude in degrees', -66, 66),
  longitude: quantity('a longitude in degrees', -180, 180),
  timeZone,
});

export const TemperatureReading = record('a reading with at and surfaceTempC', { at: instant, surfaceTempC });

export const Forage = record('a forage with its kind', {
  kind: oneOf('a forage', ids.FORAGE_KINDS),
  lengthMm: maybe(quantity('a length in millimetres', 5, 500)),
  seen: maybe(someOf('what was seen', ids.FORAGE_SEEN)),
});

export const Tide = record('a tide with its stage', {
  stage: oneOf('a tide stage', ids.TIDE_STAGES),
  hoursIntoStage: maybe(quantity('hours into the stage', 0, 13)),
  rangeM: maybe(quantity('a tidal range in metres', 0, 16)),
});

/** The level of the tide at a clock time; a list of them tells the day's own course where it is known. */
const TideLevel = record('a tide level with at and levelM', {
  at: clockTime,
  levelM: quantity('a level of the tide in metres', -10, 20),
  /** How hard the stream runs, of its strongest at springs: over 0 with the flood, under 0 with the ebb. */
  run: maybe(quantity('a run of the stream', -3, 3)),
});

/** Times on the clock that follow one another within a day and a night: midnight may be crossed once. */
function onceRound(clocks: readonly string[]): boolean {
  const back = clocks.flatMap((at, index) => (index && at <= (clocks[index - 1] as string) ? [index] : []));
  return !back.length || (back.length === 1 && (clocks.at(-1) as string) < (clocks[0] as string));
}

const hourlyTide = z
  .array(TideLevel, { error: 'expected a list of tide levels' })
  .min(3, { error: 'expected at least 3 tide levels, so that rise and fall can be told' })
  .max(200, { error: 'expected at most 200 tide levels' })
  .refine((levels) => onceRound(levels.map(({ at }) => at)), {
    error: 'expected tide levels in the order of their hours, over midnight at most once',
  });

/** How far the angler trusts a lure, -1 (never) to 1 (before all others), by category. */
const confidence = z.partialRecord(oneOf('a category', ids.CATEGORIES), quantity('a confidence', -1, 1));

/** Hours on the water; a window that ends earlier on the clock than it begins crosses midnight. */
const DayWindow = record('a window with from and to', { from: clockTime, to: clockTime }).refine(
  (window) => window.from !== window.to,
  { error: 'expected a window that does not end when it begins', path: ['to'] },
);

const side = <Id extends ids.SchoolId>(id: Id) => maybe(oneOf('a side', ids.SCHOOL_SIDES[id]));

/** The side the user takes in each school; what is left out follows the default for the day. */
export const Schools = record('schools with their sides', {
  colour: side('colour'),
  'mud-blade': side('mud-blade'),
  'cold-trailer': side('cold-trailer'),
  'crank-pace': side('crank-pace'),
  'jerkbait-gear': side('jerkbait-gear'),
  'jerkbait-clarity': side('jerkbait-clarity'),
  claws: side('claws'),
  size: side('size'),
  'crank-rod': side('crank-rod'),
  'cold-line': side('cold-line'),
  'dirty-crank-colour': side('dirty-crank-colour'),
  search: side('search'),
  junk: side('junk'),
  'murky-colour': side('murky-colour'),
  'sound-start': side('sound-start'),
  'winter-colour': side('winter-colour'),
  'mud-lure': side('mud-lure'),
  'forage-size': side('forage-size'),
  'short-strike-first': side('short-strike-first'),
  'deep-claws': side('deep-claws'),
  'topwater-floor': side('topwater-floor'),
  'bladed-jig-line': side('bladed-jig-line'),
  'after-front': side('after-front'),
  patience: side('patience'),
});

/** What the angler knows of the day. Only discipline, date, place and surfaceTempC are required. */
export const Conditions = record('an object with the conditions of a day', {
  discipline: oneOf('a discipline', ids.DISCIPLINES),
  species: maybe(oneOf('a species', ids.SPECIES)),
  date: calendarDate,
  window: maybe(DayWindow),
  place: Place,
  waterKind: maybe(oneOf('a kind of water', ids.WATER_KINDS)),
  familiarity: maybe(oneOf('a familiarity', ids.FAMILIARITIES)),
  goal: maybe(oneOf('a goal', ids.GOALS)),
  surfaceTempC,
  tempTrendCPerDay: maybe(quantity('a trend in degrees Celsius a day', ...LIMITS.tempTrendCPerDay)),
  yearLowC: maybe(quantity("the year's low in degrees Celsius", ...LIMITS.yearLowC)),
  readings: maybe(
    z
      .array(TemperatureReading, { error: 'expected a list of readings' })
      .max(5000, { error: 'expected at most 5000 readings' }),
  ),
  visibilityM: maybe(visibilityM),
  normalVisibilityM: maybe(visibilityM),
  visibilityTrend: maybe(oneOf('a visibility trend', ids.VISIBILITY_TRENDS)),
  salinityPsu: maybe(quantity('a salinity in psu', 0, 45)),
  /** Rain of each day, the day itself first, then the days before it: it freshens tidal water. */
  recentRainMm: maybe(
    z
      .array(quantity('rain in millimetres', 0, 2000), { error: 'expected a list of days of rain' })
      .max(60, { error: 'expected at most 60 days of rain' }),
  ),
  level: maybe(oneOf('a level', ids.LEVELS)),
  thermoclineM: maybe(quantity('a depth in metres', 0.5, 60)),
  sky: maybe(oneOf('a sky', ids.SKIES)),
  windMps: maybe(quantity('a wind speed in metres a second', ...LIMITS.windMps)),
  windFromDeg: maybe(quantity('a wind direction in degrees', 0, 360)),
  front: maybe(oneOf('a front', ids.FRONTS)),
  inflow: maybe(oneOf('an inflow', ids.INFLOWS)),
  structures: maybe(someOf('structures', ids.STRUCTURES)),
  covers: maybe(someOf('covers', ids.COVERS)),
  bankSlopeDeg: maybe(quantity('a bank slope in degrees', 0, 90)),
  maxDepthM: maybe(quantity('a depth in metres', ...LIMITS.maxDepthM)),
  coverTopDepthM: maybe(quantity('the water over the cover in metres', 0, 60)),
  forage: maybe(z.array(Forage, { error: 'expected a list of forage' }).max(9, { error: 'expected at most 9 forage' })),
  signs: maybe(someOf('signs', ids.SIGNS)),
  tide: maybe(Tide),
  hourlyTide: maybe(hourlyTide),
  /** How far the water is expected to stand over its table, as a gauge tells it: `hourlyTide` has it in it already. */
  waterOverTableM: maybe(quantity('a height over the table in metres', -5, 5)),
  /** How far off that may be, one standard deviation. */
  waterDoubtM: maybe(quantity('a doubt in metres', 0, 5)),
  /** The way to the open sea: wind from there holds water in where no gauge tells it. */
  seaDeg: maybe(quantity('a direction in degrees', 0, 360)),
  /** Where the day's tide stands between mean neaps (0) and mean springs (1). */
  tideSpringShare: maybe(quantity('a share from neaps to springs', -5, 5)),
  current: maybe(oneOf('a current', ids.CURRENTS)),
  pressure: maybe(oneOf('a pressure', ids.PRESSURES)),
  leaves: maybe(z.boolean({ error: 'expected true or false for leaves on the water' })),
  fishSigns: maybe(someOf('fish signs', ids.FISH_SIGNS)),
  confidence: maybe(confidence),
  feedback: maybe(someOf('feedback', ids.FEEDBACK)),
  schools: maybe(Schools),
  /** The rules of a day that counts; none on an ordinary day. They change nothing in the plan. */
  competition: maybe(Competition),
  maxRods: maybe(quantity('a number of rods', 1, 20).int({ error: 'expected a whole number of rods' })),
}).refine(
  ({ discipline, species }) =>
    !species || (ids.BASS_SPECIES as readonly string[]).includes(species) === (discipline === 'bass'),
  { error: 'expected a species of the chosen discipline', path: ['species'] },
);

export type Conditions = z.infer<typeof Conditions>;
export type ConditionsInput = z.input<typeof Conditions>;
export type Place = z.infer<typeof Place>;
export type TemperatureReading = z.infer<typeof TemperatureReading>;
