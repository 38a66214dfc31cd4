import * as z from 'zod';
import * as ids from './ids.js';

const range = z.tuple([z.number(), z.number()]);

/** One reason: the rule that spoke, its words, how much it weighed (judgement), and whose school it is. */
export const Reason = z.strictObject({
  rule: z.string(),
  text: z.string(),
  weight: z.number(),
  school: z.string().nullable(),
});
const because = z.array(Reason);

export const Holding = z.strictObject({
  structure: z.enum(ids.STRUCTURES),
  cover: z.enum(ids.COVERS),
  depthM: range,
  position: z.enum(ids.POSITIONS),
  weight: z.number(),
  because,
});

export const Blades = z.strictObject({ shapes: z.array(z.enum(ids.BLADE_SHAPES)), finish: z.enum(ids.BLADE_FINISHES) });
export const Trailer = z.strictObject({ action: z.enum(['still', 'kicking']), bulk: z.enum(['slim', 'full']) });
export const Retrieve = z.strictObject({
  style: z.enum(ids.RETRIEVE_STYLES),
  speedMps: range,
  pauseS: range.nullable(),
  text: z.string(),
});
export const Rig = z.strictObject({
  rod: z.strictObject({ power: z.enum(ids.ROD_POWERS), action: z.enum(ids.ROD_ACTIONS), lengthM: z.number() }),
  reel: z.strictObject({ kind: z.enum(['casting', 'spinning']), ratio: z.number() }),
  line: z.strictObject({
    material: z.enum(ids.LINE_MATERIALS),
    testLb: z.number(),
    leader: z.strictObject({ material: z.enum(ids.LINE_MATERIALS), testLb: z.number() }).nullable(),
  }),
  strike: z.enum(['lean', 'firm']),
  /** Sizes of the hooks, front first, where the lure carries trebles. Plans of the first engine have none. */
  hooks: z.array(z.string()).nullable().default(null),
  /** Weight of the head or sinker, g, where it is chosen apart from the lure. */
  headG: range.nullable().default(null),
  /** How a lure that hangs should hang today. */
  attitude: z
    .strictObject({ nose: z.enum(ids.NOSES), behaviour: z.enum(ids.HANG_BEHAVIOURS) })
    .nullable()
    .default(null),
});

/** The depth class of a lure: which of the kind to take, and the depths for which it is made, metres. */
export const LureClass = z.strictObject({ id: z.string(), reachM: range });
/** One line of how to come to the place and cast at it. */
export const ApproachLine = z.strictObject({ text: z.string(), rule: z.string() });

export const Presentation = z.strictObject({
  category: z.enum(ids.CATEGORIES),
  class: LureClass.nullable().default(null),
  role: z.enum(ids.ROLES),
  score: z.number(),
  size: z.strictObject({ lengthMm: range, weightG: range }),
  runDepthM: range,
  colour: z.strictObject({ tone: z.enum(ids.TONES), families: z.array(z.enum(ids.COLOUR_FAMILIES)) }),
  blades: Blades.nullable(),
  trailer: Trailer.nullable(),
  sound: z.enum(ids.SOUNDS).nullable().default(null),
  retrieve: Retrieve,
  approach: z.array(ApproachLine).default([]),
  rig: Rig,
  because,
  against: because,
});

export const PlanWindow = z.strictObject({
  id: z.string(),
  from: z.string(),
  to: z.string(),
  light: z.enum(ids.LIGHTS),
  /** Between the end of nautical twilight and its beginning. */
  night: z.boolean().default(false),
  /** What the tide does in its middle, where its course is known. */
  tide: z.enum(ids.TIDE_STAGES).nullable().default(null),
  holding: z.array(Holding),
  presentations: z.array(Presentation),
});

/** A whole plan. Presentations stand in order of advice; holding weights of a window sum to 1; windows cover the day. */
export const Plan = z.strictObject({
  phase: z.strictObject({
    id: z.enum(ids.PHASES),
    probability: z.number(),
    others: z.array(z.strictObject({ id: z.enum(ids.PHASES), probability: z.number() })),
    because,
  }),
  overlays: z.array(z.strictObject({ id: z.enum(ids.OVERLAYS), strength: z.number(), because })),
  clarity: z.strictObject({
    class: z.enum(ids.CLARITY_CLASSES),
    relative: z.number(),
    effective: z.enum(ids.CLARITY_CLASSES),
    regime: z.enum(ids.REGIMES),
    because,
  }),
  food: z.array(
    z.strictObject({
      kind: z.enum(ids.FORAGE_KINDS),
      activity: z.number(),
      lengthMm: range,
      where: z.string(),
      because,
    }),
  ),
  windows: z.array(PlanWindow),
  ifThen: z.array(z.strictObject({ when: z.string(), then: z.string(), rule: z.string() })),
  cautions: z.array(z.strictObject({ id: z.string(), severity: z.enum(ids.SEVERITIES), text: z.string() })),
  schoolsUsed: z.array(z.strictObject({ id: z.string(), side: z.string(), why: z.string() })),
  assumed: z.array(z.strictObject({ path: z.string(), value: z.json() })),
});

export type Plan = z.infer<typeof Plan>;
export type PlanWindow = z.infer<typeof PlanWindow>;
export type Presentation = z.infer<typeof Presentation>;
export type Holding = z.infer<typeof Holding>;
export type Reason = z.infer<typeof Reason>;
export type Rig = z.infer<typeof Rig>;
export type Retrieve = z.infer<typeof Retrieve>;
export type LureClass = z.infer<typeof LureClass>;
export type ApproachLine = z.infer<typeof ApproachLine>;
export type Blades = z.infer<typeof Blades>;
export type Trailer = z.infer<typeof Trailer>;
export type Range = readonly [number, number];
