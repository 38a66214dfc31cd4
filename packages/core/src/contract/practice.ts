import * as z from 'zod';
import { clientId, instant, maybe, oneOf, quantity, shortText } from './fields.js';
import { PHASES, REGIMES } from './ids.js';

/** What is asked of a day, in the order of the work. */
export const DRILL_STEPS = [
  'phase',
  'regime',
  'food',
  'where',
  'depth',
  'lure',
  'class',
  'trim',
  'pause',
  'rig',
] as const;
export type DrillStep = (typeof DRILL_STEPS)[number];

/** All that is practised: the steps of a day, what must be true for a lure, and the best place on a chart. */
export const PRACTICE_STEPS = [...DRILL_STEPS, 'turn', 'spot'] as const;
export type PracticeStep = (typeof PRACTICE_STEPS)[number];

/** Events that are taken at once. */
export const MAX_PRACTICE_EVENTS = 2000;
/** Seconds that a wait may be wanted or felt. */
export const WAIT_S = [0, 600] as const;

const every = {
  /** Made on the device (UUIDv7); the same id is the same event, however often it comes. */
  id: clientId,
  /** The device's clock. */
  at: instant,
};
const event = <const Kind extends string, Shape extends z.ZodRawShape>(kind: Kind, shape: Shape) =>
  z.strictObject({ kind: z.literal(kind), ...every, ...shape });

/** One thing that was practised. Events are only ever added: what is not to count is taken back by another event. */
export const PracticeEvent = z.discriminatedUnion(
  'kind',
  [
    event('answer', {
      step: oneOf('a step', PRACTICE_STEPS),
      /** What of the step was asked: the rule that speaks loudest for the planner's own answer, or what stands for one. */
      topic: shortText('a topic', 120),
      /** What the answer was worth, 0 to 1. */
      score: quantity('marks', 0, 1),
      phase: maybe(oneOf('a phase', PHASES)),
      regime: maybe(oneOf('a kind of water', REGIMES)),
      /** The lure that the planner would tie on, or that was asked about. */
      lure: maybe(shortText('a lure', 60)),
    }),
    event('wait', {
      wantedS: quantity('seconds', ...WAIT_S),
      feltS: quantity('seconds', ...WAIT_S),
    }),
    /** The other events do not count. */
    event('take-back', { of: z.array(clientId).min(1).max(MAX_PRACTICE_EVENTS) }),
  ],
  { error: 'expected a practice event of a known kind' },
);
export type PracticeEvent = z.infer<typeof PracticeEvent>;
export type PracticeEventOf<Kind extends PracticeEvent['kind']> = Extract<PracticeEvent, { kind: Kind }>;

export const PracticeEvents = z
  .array(PracticeEvent, { error: 'expected a list of practice events' })
  .min(1, { error: 'expected at least one practice event' })
  .max(MAX_PRACTICE_EVENTS, { error: `expected at most ${MAX_PRACTICE_EVENTS} practice events at once` });

/** What came in from all devices after a point, and the point reached. */
export const PracticeNews = z.strictObject({ events: z.array(PracticeEvent), upTo: z.number(), more: z.boolean() });
export type PracticeNews = z.infer<typeof PracticeNews>;
