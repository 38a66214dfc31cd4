import * as z from 'zod';
import { Conditions, Place, surfaceTempC, visibilityM } from './conditions.js';
import { clientId, instant, maybe, oneOf, quantity, record, shortText } from './fields.js';
import {
  CATEGORIES,
  COLOUR_FAMILIES,
  COVERS,
  FORAGE_KINDS,
  FORAGE_SEEN,
  LEVELS,
  SIGNS,
  SKIES,
  SOUNDS,
  SPECIES,
  STRUCTURES,
  TIDE_STAGES,
  TONES,
} from './ids.js';
import { LIMITS } from './limits.js';
import { Plan } from './plan.js';
import { RecordVersion } from './records.js';

/** Notes that are taken at once; more go in several batches. */
export const MAX_EVENTS = 2000;
/** Stops that a trip's run may have. */
const MAX_STOPS = 25;
/** Bounds of a fish: metres and grams in the units of their names. */
export const FISH_LENGTH_MM = [20, 2500] as const;
export const FISH_WEIGHT_G = [1, 100_000] as const;

const lonLat = z.tuple([quantity('a longitude in degrees', -180, 180), quantity('a latitude in degrees', -90, 90)], {
  error: 'expected a longitude and a latitude',
});
const truth = z.boolean({ error: 'expected true or false' });

/** One thing of the lure that is other than advised. */
export const LURE_CHANGES = ['brighter', 'more-natural', 'smaller', 'trailer-hook'] as const;
export type LureChange = (typeof LURE_CHANGES)[number];

/** What is fished: where, how deep, with what, how fast. Carried from the advice into every note. */
export const Fishing = record('what is fished', {
  /** The place by its name; none where one fishes along. */
  spot: shortText('a place', 120).nullable(),
  structure: oneOf('a structure', STRUCTURES).nullable(),
  cover: oneOf('a cover', COVERS).nullable(),
  depthM: quantity('a depth in metres', 0, 300),
  category: oneOf('a category', CATEGORIES),
  trim: oneOf('a change of the lure', LURE_CHANGES).nullable(),
  /** How fast the lure comes, pauses included. */
  paceMps: quantity('a pace in metres a second', 0, 10),
  /** Figures that nobody said: what is usual with the lure stands for them. */
  unsaid: maybe(z.array(oneOf('a figure', ['depthM', 'paceMps'] as const))),
});
export type Fishing = z.infer<typeof Fishing>;

/** What instruments or the browser knew as a note was made, or what a camera wrote into a photograph. */
export const Sensed = record('what was sensed', {
  from: oneOf('a source', ['instruments', 'browser', 'photograph'] as const),
  lonLat: maybe(lonLat),
  depthM: maybe(quantity('a depth in metres', 0, 12_000)),
  surfaceTempC: maybe(surfaceTempC),
  speedMps: maybe(quantity('a speed in metres a second', 0, 100)),
});
export type Sensed = z.infer<typeof Sensed>;

/** The tide as a note was made: its stage, and which water it ran towards. */
export const NoteTide = record('a tide of a note with its stage', {
  stage: oneOf('a tide stage', TIDE_STAGES),
  next: maybe(oneOf('high or low', ['high', 'low'] as const)),
  inMin: maybe(quantity('minutes to high or low water', 0, 1500)),
});
export type NoteTide = z.infer<typeof NoteTide>;

/** A stop of the day's order. */
export const TripStop = record('a stop', {
  name: shortText('a name', 120),
  depthM: quantity('a depth in metres', 0, 300),
  lonLat,
  fromMin: quantity('a minute of the day', 0, 2880),
  toMin: quantity('a minute of the day', 0, 2880),
  structure: maybe(oneOf('a structure', STRUCTURES)),
  cover: maybe(oneOf('a cover', COVERS)),
  /** Until when the falling water lets the boat out, where that is before the run is over. */
  outByMin: maybe(quantity('a minute of the day', 0, 2880)),
});
export type TripStop = z.infer<typeof TripStop>;

/** The day as planned: its conditions and the plan they gave. */
export const TripPlan = record('a plan of a trip', {
  conditions: Conditions,
  plan: Plan,
  /** The record that it was made with; none where it is the planner's own. */
  record: maybe(RecordVersion),
});
export type TripPlan = z.infer<typeof TripPlan>;

/** What water answered the lure. */
export const CONTACTS = ['follow', 'short', 'missed', 'lost', 'landed'] as const;
export type Contact = (typeof CONTACTS)[number];

/** Where a fish was hooked, and what could be seen of its state. */
export const HOOKED = ['lip', 'roof', 'deep', 'outside'] as const;
export type Hooked = (typeof HOOKED)[number];
export const FISH_STATES = ['male', 'full-of-eggs', 'spent'] as const;
export type FishState = (typeof FISH_STATES)[number];

/** Bounds of what is tied on, in the units of their names. */
export const TIED_ON = {
  sizeMm: [5, 600],
  weightG: [0.1, 500],
  lineLb: [1, 200],
  leaderLb: [1, 200],
} as const satisfies Record<string, readonly [number, number]>;

/** What exactly was tied on: the owned piece, or what one knows of it. */
export const TiedOn = record('what was tied on', {
  pieceId: maybe(clientId),
  sizeMm: maybe(quantity('a length in millimetres', ...TIED_ON.sizeMm)),
  weightG: maybe(quantity('a weight in grams', ...TIED_ON.weightG)),
  tone: maybe(oneOf('a tone', TONES)),
  colour: maybe(oneOf('a colour', COLOUR_FAMILIES)),
  sound: maybe(oneOf('a sound', SOUNDS)),
  lineLb: maybe(quantity('a line test in pounds', ...TIED_ON.lineLb)),
  leaderLb: maybe(quantity('a leader test in pounds', ...TIED_ON.leaderLb)),
});
export type TiedOn = z.infer<typeof TiedOn>;

/** What may be said of a fish that was landed. */
export const Catch = record('a fish', {
  species: maybe(oneOf('a species', SPECIES)),
  lengthMm: maybe(quantity('a length in millimetres', ...FISH_LENGTH_MM)),
  weightG: maybe(quantity('a weight in grams', ...FISH_WEIGHT_G)),
  girthMm: maybe(quantity('a girth in millimetres', ...FISH_LENGTH_MM)),
  tag: maybe(shortText('a tag number', 40)),
  hooked: maybe(oneOf('a place of the hook', HOOKED)),
  state: maybe(oneOf('a state of the fish', FISH_STATES)),
  /** What came out of its throat. */
  throat: maybe(oneOf('a forage', FORAGE_KINDS)),
  /** Who caught it, where it was not the angler. */
  whose: maybe(shortText('a name', 60)),
  tiedOn: maybe(TiedOn),
  photoId: maybe(clientId),
  note: maybe(shortText('a note', 500)),
});
export type Catch = z.infer<typeof Catch>;

/** What bait did as it was seen from the boat. */
export const BAIT_SEEN = [...FORAGE_SEEN, 'following-the-lure', 'at-the-surface'] as const;
export type BaitSeen = (typeof BAIT_SEEN)[number];

/** What is read off the day. */
export const DayReading = record('a reading', {
  surfaceTempC: maybe(surfaceTempC),
  visibilityM: maybe(visibilityM),
  level: maybe(oneOf('a level', LEVELS)),
  sky: maybe(oneOf('a sky', SKIES)),
  windMps: maybe(quantity('a wind speed in metres a second', ...LIMITS.windMps)),
  windFromDeg: maybe(quantity('a wind direction in degrees', 0, 360)),
});
export type DayReading = z.infer<typeof DayReading>;

/** What was planned, done and found, in words, as it was told after the last cast. */
export const ReviewWords = record('a review', {
  planned: z.array(z.string().max(500)).max(40),
  done: z.array(z.string().max(500)).max(40),
  found: z.array(z.string().max(500)).max(40),
});
export type ReviewWords = z.infer<typeof ReviewWords>;

const every = {
  /** Made on the device (UUIDv7); the same id is the same event, however often it comes. */
  id: clientId,
  tripId: clientId,
  deviceId: clientId,
  /** What the device is called. */
  device: maybe(shortText('a name of a device', 60)),
  /** The device's own count: its events stand in this order, whatever its clock did. */
  seq: z.int({ error: 'expected a whole number' }).min(0),
  /** The device's clock. */
  at: instant,
  sensed: maybe(Sensed),
  /** Of a note about fish, bait or a place, where the plan knows the day's tide. */
  tide: maybe(NoteTide),
};
const event = <const Kind extends string, Shape extends z.ZodRawShape>(kind: Kind, shape: Shape) =>
  z.strictObject({ kind: z.literal(kind), ...every, ...shape });

/** One thing that happened on a trip. Events are only ever added: what was wrong is put right by another event. */
export const TripEvent = z.discriminatedUnion(
  'kind',
  [
    event('begin', {
      name: shortText('a name', 120),
      waterId: maybe(clientId),
      /** The zone of the water that the day was planned in. */
      zoneId: maybe(clientId),
      place: Place.nullable(),
      plan: TripPlan.nullable(),
      stops: z.array(TripStop).max(MAX_STOPS, { error: `expected at most ${MAX_STOPS} stops` }),
      /** The book's clock less the machine's, so that the demo's day goes on from its own hour. */
      aheadMs: z.number({ error: 'expected milliseconds' }),
      /** Written down afterwards: the time between its notes says nothing of how long one fished. */
      afterwards: maybe(truth),
    }),
    event('plan', { plan: TripPlan }),
    event('pause', {}),
    event('resume', {}),
    event('finish', {}),
    event('fishing', { fishing: Fishing }),
    event('effort', {
      casts: maybe(quantity('a number of casts', 1, 500).int({ error: 'expected a whole number of casts' })),
      minutes: maybe(quantity('minutes', 1, 480)),
      fishing: Fishing.nullable(),
    }),
    event('contact', {
      what: oneOf('an answer of the water', CONTACTS),
      /** It came at the boat, or as deep as the lure went. */
      atBoat: maybe(truth),
      fish: maybe(Catch),
      fishing: Fishing.nullable(),
    }),
    event('bait', {
      forage: maybe(oneOf('a forage', FORAGE_KINDS)),
      seen: maybe(oneOf('what was seen', BAIT_SEEN)),
    }),
    event('birds', { sign: oneOf('a sign', SIGNS) }),
    event('mark', { name: maybe(shortText('a name', 80)) }),
    event('reading', { reading: DayReading }),
    /** Puts another event right: what is given here stands in its place. */
    event('correct', {
      of: clientId,
      fish: maybe(Catch),
      atBoat: maybe(truth),
      casts: maybe(quantity('a number of casts', 1, 500)),
      fishing: maybe(Fishing),
      /** Of bait: what it was and what it did. */
      forage: maybe(oneOf('a forage', FORAGE_KINDS)),
      seen: maybe(oneOf('what was seen', BAIT_SEEN)),
      /** Of birds: what they did. */
      sign: maybe(oneOf('a sign', SIGNS)),
    }),
    /** The other event did not happen; taken back itself, it did. */
    event('take-back', { of: clientId }),
    /** The whole trip goes to the bin, or comes out of it. */
    event('remove', {}),
    event('put-back', {}),
    /** Nothing of the trip is left anywhere: only the server says so, in the place of all that it held. */
    event('erase', {}),
    event('review', { review: ReviewWords, note: maybe(shortText('a note', 2000)) }),
  ],
  { error: 'expected an event of a known kind' },
);
export type TripEvent = z.infer<typeof TripEvent>;
/** What an event says, without what the log itself adds to it. */
type Said<E> = E extends TripEvent ? Omit<E, 'id' | 'tripId' | 'deviceId' | 'device' | 'seq' | 'at'> : never;
export type NewTripEvent = Said<TripEvent>;
export type TripEventOf<Kind extends TripEvent['kind']> = Extract<TripEvent, { kind: Kind }>;

export const TripEvents = z
  .array(TripEvent, { error: 'expected a list of events' })
  .min(1, { error: 'expected at least one event' })
  .max(MAX_EVENTS, { error: `expected at most ${MAX_EVENTS} events at once` });

/** What came in from all devices after a point, and the point reached. */
export const TripNews = z.strictObject({ events: z.array(TripEvent), upTo: z.number(), more: z.boolean() });
export type TripNews = z.infer<typeof TripNews>;
