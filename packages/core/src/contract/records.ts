import * as z from 'zod';
import { Conditions, LIMITS, Place, surfaceTempC, visibilityM } from './conditions.js';
import { clientId, instant, maybe, oneOf, quantity, record, shortText, someOf } from './fields.js';
import * as ids from './ids.js';
import { UNIT_SYSTEMS } from '../units/units.js';
import { Plan } from './plan.js';

/** The two books: the made-up demo water, and the user's own. They live in files of their own and never mix. */
export const BOOKS = ['demo', 'own'] as const;
export const Book = oneOf('a book', BOOKS);
export type Book = z.infer<typeof Book>;

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
});
export type WaterDraft = z.infer<typeof WaterDraft>;
export type WaterDraftInput = z.input<typeof WaterDraft>;
export const Water = z.strictObject({ id: clientId, ...WaterDraft.shape, createdAt: instant, updatedAt: instant });
export type Water = z.infer<typeof Water>;

export const ReadingDraft = record('a reading', {
  at: instant,
  surfaceTempC,
  visibilityM: maybe(visibilityM),
});
export type ReadingDraft = z.infer<typeof ReadingDraft>;
export type ReadingDraftInput = z.input<typeof ReadingDraft>;
export const Reading = z.strictObject({ id: clientId, waterId: clientId, ...ReadingDraft.shape });
export type Reading = z.infer<typeof Reading>;

export const PlanDraft = record('a plan to save', {
  name: shortText('a name', 120),
  waterId: maybe(clientId),
  /** The units in which the plan's words are kept. */
  units: maybe(oneOf('units', UNIT_SYSTEMS)),
  conditions: Conditions,
});
export type PlanDraft = z.infer<typeof PlanDraft>;
export const PlanRename = record('a new name', { name: shortText('a name', 120) });

/** A plan as kept: with the conditions and the engine's version it was made with. */
export const SavedPlan = z.strictObject({
  id: clientId,
  name: z.string(),
  waterId: maybe(clientId),
  conditions: Conditions,
  plan: Plan,
  engineVersion: z.string(),
  createdAt: instant,
  updatedAt: instant,
});
export type SavedPlan = z.infer<typeof SavedPlan>;
export const SavedPlanSummary = z.strictObject({
  id: clientId,
  name: z.string(),
  waterId: maybe(clientId),
  date: z.string(),
  phase: z.enum(ids.PHASES),
  first: z.enum(ids.CATEGORIES).nullable(),
  engineVersion: z.string(),
  createdAt: instant,
});
export type SavedPlanSummary = z.infer<typeof SavedPlanSummary>;
