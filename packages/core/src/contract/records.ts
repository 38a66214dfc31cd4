import * as z from 'zod';
import { Conditions, Place, surfaceTempC, visibilityM } from './conditions.js';
import { calendarDate, clientId, instant, maybe, oneOf, quantity, record, shortText, someOf } from './fields.js';
import * as ids from './ids.js';
import { LIMITS } from './limits.js';
import { TideStation } from './tide.js';
import { UNIT_SYSTEMS } from '../units/units.js';
import { Plan } from './plan.js';
import { Run } from './runs.js';

/** Readings that go in at one time; more go in several batches. */
export const MAX_BATCH = 2000;

/** The two books: the made-up demo water, and the user's own. They live in files of their own and never mix. */
export const BOOKS = ['demo', 'own'] as const;
export const Book = oneOf('a book', BOOKS);
export type Book = z.infer<typeof Book>;

/** Where a zone lies in its water. Upstream arms and protected pockets lead the season, the lower lake lags. */
export const ZONE_POSITIONS = ['upstream', 'mid', 'lower', 'protected'] as const;
export type ZonePosition = (typeof ZONE_POSITIONS)[number];

/** The most zones a water may have. */
export const MAX_ZONES = 12;

/** A part of a water that warms and cools as one. */
export const Zone = record('a zone', {
  id: clientId,
  name: shortText('a name', 60),
  position: oneOf('a position', ZONE_POSITIONS),
  /** Depth to which wind and cooling nights keep the water mixed in summer. */
  mixedDepthM: quantity('a mixed depth in metres', ...LIMITS.mixedDepthM),
  maxDepthM: maybe(quantity('a depth in metres', ...LIMITS.maxDepthM)),
  darkBottom: maybe(z.boolean({ error: 'expected true or false' })),
  neighbours: maybe(z.array(clientId).max(MAX_ZONES, { error: `expected at most ${MAX_ZONES} neighbours` })),
});
export type Zone = z.infer<typeof Zone>;
export type ZoneInput = z.input<typeof Zone>;

/** Zones of one water: names and ids of their own, neighbours among themselves. */
const Zones = z
  .array(Zone, { error: 'expected a list of zones' })
  .max(MAX_ZONES, { error: `expected at most ${MAX_ZONES} zones` })
  .superRefine((zones, context) => {
    const ids = new Set(zones.map(({ id }) => id));
    for (const [index, { id, name, neighbours = [] }] of zones.entries()) {
      const before = zones.slice(0, index);
      const say = (path: string, message: string) => context.addIssue({ code: 'custom', path: [index, path], message });
      if (before.some((zone) => zone.id === id)) say('id', 'expected each zone once, this id stands twice');
      if (before.some((zone) => zone.name === name)) say('name', `expected names of their own, ${name} stands twice`);
      if (neighbours.some((each) => each === id || !ids.has(each))) {
        say('neighbours', 'expected other zones of this water');
      }
    }
  });

export const WaterDraft = record('a water', {
  name: shortText('a name', 80),
  discipline: oneOf('a discipline', ids.DISCIPLINES),
  waterKind: oneOf('a kind of water', ids.WATER_KINDS),
  place: Place,
  normalVisibilityM: maybe(visibilityM),
  yearLowC: maybe(quantity("the year's low in degrees Celsius", ...LIMITS.yearLowC)),
  maxDepthM: maybe(quantity('a depth in metres', ...LIMITS.maxDepthM)),
  structures: maybe(someOf('structures', ids.STRUCTURES)),
  covers: maybe(someOf('covers', ids.COVERS)),
  zones: maybe(Zones),
  /** Whose tide is this water's; null says that none is, so none is looked for. */
  tideStation: TideStation.nullish(),
});
export type WaterDraft = z.infer<typeof WaterDraft>;
export type WaterDraftInput = z.input<typeof WaterDraft>;
/** Counts the changes of what is kept; a change says from which it was made. */
const version = maybe(z.int().min(1));
export const Water = z.strictObject({
  id: clientId,
  ...WaterDraft.shape,
  createdAt: instant,
  updatedAt: instant,
  version,
});
export type Water = z.infer<typeof Water>;

/** Temperature at a depth. */
export const ProfilePoint = record('a depth with its temperature', {
  depthM: quantity('a depth in metres', 0, 300),
  tempC: surfaceTempC,
});
export type ProfilePoint = z.infer<typeof ProfilePoint>;

const Profile = z
  .array(ProfilePoint, { error: 'expected a list of depths with temperatures' })
  .min(2, { error: 'expected at least two depths' })
  .max(200, { error: 'expected at most 200 depths' })
  .transform((points) => [...points].sort((a, b) => a.depthM - b.depthM))
  .refine((points) => points.every(({ depthM }, index) => depthM !== points[index - 1]?.depthM), {
    error: 'expected each depth once',
  });

export const ReadingDraft = record('a reading', {
  at: instant,
  surfaceTempC,
  visibilityM: maybe(visibilityM),
  /** The zone it was taken in; none where the water has no zones. */
  zoneId: maybe(clientId),
  /** Temperatures down the water, from the surface on. */
  profile: maybe(Profile),
  /** Kept, but left out of the reckoning. */
  suspect: maybe(z.boolean({ error: 'expected true or false' })),
});
export type ReadingDraft = z.infer<typeof ReadingDraft>;
export type ReadingDraftInput = z.input<typeof ReadingDraft>;
export const Reading = z.strictObject({ id: clientId, waterId: clientId, ...ReadingDraft.shape, version });
export type Reading = z.infer<typeof Reading>;

/** Several readings at once, as a paste or a file gives them. Each carries its own id. */
export const ReadingBatch = z
  .array(z.strictObject({ id: clientId, ...ReadingDraft.shape }), { error: 'expected a list of readings' })
  .min(1, { error: 'expected at least one reading' })
  .max(MAX_BATCH, { error: `expected at most ${MAX_BATCH} readings at once` });
export type ReadingBatch = z.infer<typeof ReadingBatch>;

/** Which record a plan was made with: the trips that taught it, and the day of the last of them. */
export const RecordVersion = record('a version of the record', {
  trips: quantity('a number of trips', 1, 1e6).int({ error: 'expected a whole number of trips' }),
  hours: quantity('hours of fishing', 0, 1e7),
  lastTrip: calendarDate,
});
export type RecordVersion = z.infer<typeof RecordVersion>;

export const PlanDraft = record('a plan to save', {
  name: shortText('a name', 120),
  waterId: maybe(clientId),
  /** The units in which the plan's words are kept. */
  units: maybe(oneOf('units', UNIT_SYSTEMS)),
  conditions: Conditions,
  /** The run of its day, where one was ordered. */
  run: maybe(Run),
  /** The plan as the angler's own record would have it, with the record's version; without it the planner's own is saved. */
  byRecord: maybe(record('a plan by the record', { record: RecordVersion, plan: Plan })),
});
export type PlanDraft = z.infer<typeof PlanDraft>;
export const PlanRename = record('a new name', { name: shortText('a name', 120) });

/** A plan as kept: with the conditions, the engine's version and the record it was made with. */
export const SavedPlan = z.strictObject({
  id: clientId,
  name: z.string(),
  waterId: maybe(clientId),
  conditions: Conditions,
  plan: Plan,
  run: maybe(Run),
  /** The record that it was made with; none where it is the planner's own. */
  record: maybe(RecordVersion),
  engineVersion: z.string(),
  createdAt: instant,
  updatedAt: instant,
  version,
});
export type SavedPlan = z.infer<typeof SavedPlan>;
export const SavedPlanSummary = z.strictObject({
  id: clientId,
  name: z.string(),
  waterId: maybe(clientId),
  date: z.string(),
  phase: z.enum(ids.PHASES),
  first: z.enum(ids.CATEGORIES).nullable(),
  record: maybe(RecordVersion),
  engineVersion: z.string(),
  createdAt: instant,
  version,
});
export type SavedPlanSummary = z.infer<typeof SavedPlanSummary>;

/** What the user must hear of a book: damage that was found, a backup that could not be made. */
export const BookNotice = z.object({
  id: z.string(),
  at: instant,
  kind: z.enum(['rows', 'pages', 'unreadable', 'emptied', 'older', 'unread', 'backup']),
  words: z.string(),
  /** The last backup from before, to which one can go back. */
  backup: z.object({ name: z.string(), at: instant }).optional(),
});
export type BookNotice = z.infer<typeof BookNotice>;
