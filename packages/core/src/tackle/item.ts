import * as z from 'zod';
import {
  calendarDate,
  clientId,
  instant,
  maybe,
  oneOf,
  quantity,
  record,
  shortText,
  someOf,
} from '../contract/fields.js';
import * as ids from '../contract/ids.js';
import { HOOK_SIZES } from '../mechanics/hooks.js';
import { diameterMm, material, testLb } from '../mechanics/line-spec.js';

/** What an angler owns. */
export const TACKLE_KINDS = ['lure', 'trailer', 'hook', 'weight', 'blade', 'rod', 'reel', 'line', 'leader'] as const;
export type TackleKind = (typeof TACKLE_KINDS)[number];

export const BUOYANCIES = ['floats', 'suspends', 'sinks'] as const;
export const SOUNDS = ['silent', 'one-knock', 'rattles'] as const;
/** To which side a lure runs when it is reeled fast. */
export const RUNS = ['true', 'to-the-left', 'to-the-right'] as const;
export const HOOK_STATES = ['sharp', 'dull'] as const;
export const RING_STATES = ['sound', 'worn'] as const;
export const HOOK_STYLES = ['treble', 'worm', 'wide-gap', 'wacky', 'drop-shot', 'trailer'] as const;
/** Single hooks go on beyond the trebles. */
export const ALL_HOOK_SIZES = [...HOOK_SIZES, '3/0', '4/0', '5/0', '6/0', '7/0'] as const;
export const METALS = ['lead', 'tungsten', 'steel', 'brass'] as const;
export const WEIGHT_SHAPES = ['bullet', 'egg', 'drop', 'jighead', 'strip'] as const;
export const HANDLES = ['casting', 'spinning'] as const;

const lengthMm = quantity('a length in mm', 5, 600);
const weightG = quantity('a weight in grams', 0.05, 500);
const families = someOf('colours', ids.COLOUR_FAMILIES);

const common = {
  name: shortText('a name', 80),
  /** How many of it there are. */
  count: quantity('a number of pieces', 0, 9999).int({ error: 'expected a whole number of pieces' }).default(1),
  box: maybe(shortText('a box', 40)),
  slot: maybe(shortText('a slot', 20)),
  notes: maybe(shortText('a note', 500)),
  photoId: maybe(clientId),
};

/** A treble on a lure: its size and where it hangs, from 0 at the nose to 1 at the tail. */
const LureHook = record('a hook', { size: oneOf('a hook size', HOOK_SIZES), at: quantity('a place', 0, 1) });

const Lure = record('a lure', {
  kind: z.literal('lure'),
  ...common,
  category: oneOf('a category', ids.CATEGORIES),
  lengthMm,
  widthMm: maybe(quantity('a width in mm', 2, 150)),
  weightG,
  /** How deep it dives on the line and cast below; for lures with a lip. */
  statedDepthM: maybe(quantity('a stated depth in metres', 0.1, 12)),
  statedMaterial: maybe(material),
  statedTestLb: maybe(testLb),
  statedCastM: maybe(quantity('a cast in metres', 3, 120)),
  buoyancy: maybe(oneOf('a buoyancy', BUOYANCIES)),
  families,
  tone: maybe(oneOf('a tone', ids.TONES)),
  sound: maybe(oneOf('a sound', SOUNDS)),
  hooks: z
    .array(LureHook, { error: 'expected a list of hooks' })
    .max(4, { error: 'expected at most 4 hooks' })
    .default([]),
  bladeShapes: maybe(
    z
      .array(oneOf('a blade shape', ids.BLADE_SHAPES), { error: 'expected a list of blade shapes' })
      .min(1, { error: 'expected at least one blade' })
      .max(6, { error: 'expected at most 6 blades' }),
  ),
  bladeFinish: maybe(oneOf('a blade finish', ids.BLADE_FINISHES)),
  runs: maybe(oneOf('how it runs', RUNS)),
  hookState: maybe(oneOf('a state of the hooks', HOOK_STATES)),
  ringState: maybe(oneOf('a state of the rings', RING_STATES)),
  checkedOn: maybe(calendarDate),
});

const Trailer = record('a trailer', {
  kind: z.literal('trailer'),
  ...common,
  lengthMm,
  trailerAction: oneOf('an action', ['still', 'kicking'] as const),
  bulk: oneOf('a bulk', ['slim', 'full'] as const),
  families,
});

const Hook = record('hooks', {
  kind: z.literal('hook'),
  ...common,
  hookStyle: oneOf('a style of hook', HOOK_STYLES),
  hookSize: oneOf('a hook size', ALL_HOOK_SIZES),
});

const Weight = record('weights', {
  kind: z.literal('weight'),
  ...common,
  weightG,
  shape: oneOf('a shape', WEIGHT_SHAPES),
  metal: oneOf('a metal', METALS),
});

const Blade = record('blades', {
  kind: z.literal('blade'),
  ...common,
  bladeShape: oneOf('a blade shape', ids.BLADE_SHAPES),
  bladeFinish: oneOf('a blade finish', ids.BLADE_FINISHES),
  lengthMm,
});

const Rod = record('a rod', {
  kind: z.literal('rod'),
  ...common,
  handle: oneOf('a kind of reel', HANDLES),
  power: oneOf('a power', ids.ROD_POWERS),
  rodAction: oneOf('an action', ids.ROD_ACTIONS),
  rodLengthM: quantity('a rod length in metres', 0.9, 5),
  /** The weights it casts. */
  castsFromG: quantity('a weight in grams', 0, 500),
  castsToG: quantity('a weight in grams', 0.5, 500),
  /** The reel that is on it. */
  reelId: maybe(clientId),
}).refine(({ castsFromG, castsToG }) => castsFromG <= castsToG, {
  error: 'expected at least as much as castsFromG',
  path: ['castsToG'],
});

const Reel = record('a reel', {
  kind: z.literal('reel'),
  ...common,
  handle: oneOf('a kind of reel', HANDLES),
  ratio: quantity('a gear ratio', 2, 12),
  spoolMm: quantity('a spool diameter in mm', 15, 90),
  /** The line that is on it, and the leader tied to that. */
  lineId: maybe(clientId),
  leaderId: maybe(clientId),
});

const thread = {
  ...common,
  material,
  testLb,
  diameterMm: maybe(diameterMm),
  /** Length of it, in metres. */
  lengthM: maybe(quantity('a length in metres', 0.1, 3000)),
  /** The day it was put on a reel. */
  since: maybe(calendarDate),
  /** Days it has been fished. */
  daysUsed: maybe(quantity('a number of days', 0, 999).int({ error: 'expected a whole number of days' })),
};
const Line = record('a line', { kind: z.literal('line'), ...thread });
const Leader = record('a leader', { kind: z.literal('leader'), ...thread });

const drafts = [Lure, Trailer, Hook, Weight, Blade, Rod, Reel, Line, Leader] as const;
const kindError = (issue: { input?: unknown }) => {
  const kind = (issue.input as { kind?: unknown } | null | undefined)?.kind;
  return `expected a kind: ${TACKLE_KINDS.join(', ')}, got ${kind === undefined ? 'nothing' : JSON.stringify(kind)}`;
};

/** A piece of tackle as it is entered. */
export const TackleDraft = z.discriminatedUnion('kind', drafts, { error: kindError });
export type TackleDraft = z.output<typeof TackleDraft>;
export type TackleDraftInput = z.input<typeof TackleDraft>;

/** A piece of tackle with its id. */
export type TackleItem = TackleDraft & { readonly id: string };
export type ItemOf<K extends TackleKind> = Extract<TackleItem, { kind: K }>;

/** A piece of tackle as it is kept. */
export const KeptTackle = z.strictObject({
  id: clientId,
  item: TackleDraft,
  updatedAt: instant,
  version: maybe(z.int().min(1)),
});
export type KeptTackle = z.output<typeof KeptTackle>;

/** Pieces that go in at one time; more go in several batches. */
export const MAX_TACKLE_BATCH = 1000;
/** Several pieces at once, each with its own id. */
export const TackleBatch = z
  .array(z.strictObject({ id: clientId, item: TackleDraft }), { error: 'expected a list of tackle' })
  .min(1, { error: 'expected at least one piece' })
  .max(MAX_TACKLE_BATCH, { error: `expected at most ${MAX_TACKLE_BATCH} pieces at once` });
/** Ids of several pieces. */
export const TackleIds = z
  .array(clientId, { error: 'expected a list of ids' })
  .min(1, { error: 'expected at least one id' })
  .max(MAX_TACKLE_BATCH, { error: `expected at most ${MAX_TACKLE_BATCH} ids at once` });

export const isKind =
  <K extends TackleKind>(kind: K) =>
  (item: TackleItem): item is ItemOf<K> =>
    item.kind === kind;

/** Most bytes a kept photo may have; pages make photos smaller before they send them. */
export const MAX_PHOTO_BYTES = 400_000;
