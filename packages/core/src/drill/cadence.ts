import type { RetrieveStyle } from '../contract/ids.js';
import type { Retrieve } from '../contract/plan.js';

/** What the hand does: a snap of the rod, a lift of it, a pop, or a turn of the handle. */
export type StrokeKind = 'twitch' | 'lift' | 'pop' | 'turn';

export interface Stroke {
  readonly kind: StrokeKind;
  /** Seconds from the beginning of the cycle. */
  readonly atS: number;
}

/** What is done again and again: strokes, and then the wait. */
export interface Cycle {
  readonly strokes: readonly Stroke[];
  /** When the wait begins, and how long it lasts; 0 where nothing waits. */
  readonly pauseFromS: number;
  readonly pauseS: number;
  readonly lengthS: number;
}

/** Seconds between two strokes of a hand that does not wait. Judgement. */
const TWITCH_EVERY_S = 0.45;
const LIFT_S = 0.9;
const SHAKE_EVERY_S = 0.25;
const WALK_EVERY_S = 0.7;
/** Turns between two stops, and how fast one turns where no reel says it. */
const TURNS_A_PULL = 3;
const USUAL_TURN_S = 0.8;
/** A steady retrieve is followed by so many turns at once. */
const STEADY_TURNS = 4;

interface Manner {
  readonly kind: StrokeKind;
  readonly count: number;
  readonly everyS: number;
}

const MANNERS: Readonly<Partial<Record<RetrieveStyle, Manner>>> = {
  'twitch-pause': { kind: 'twitch', count: 2, everyS: TWITCH_EVERY_S },
  'yo-yo': { kind: 'lift', count: 1, everyS: LIFT_S },
  rip: { kind: 'lift', count: 1, everyS: LIFT_S },
  drag: { kind: 'lift', count: 1, everyS: 2 * LIFT_S },
  hop: { kind: 'lift', count: 2, everyS: TWITCH_EVERY_S },
  'dead-stick': { kind: 'lift', count: 1, everyS: LIFT_S },
  shake: { kind: 'twitch', count: 6, everyS: SHAKE_EVERY_S },
  walk: { kind: 'twitch', count: 6, everyS: WALK_EVERY_S },
  pop: { kind: 'pop', count: 1, everyS: TWITCH_EVERY_S },
  'lift-drop': { kind: 'lift', count: 1, everyS: LIFT_S },
  'bounce-slack': { kind: 'lift', count: 2, everyS: TWITCH_EVERY_S },
};

/** What somebody would have otherwise than the retrieve says. */
export interface CadenceWish {
  readonly pauseS?: number | undefined;
  /** Strokes before the wait. */
  readonly strokes?: number | undefined;
  /** Turns of the handle a second, as an owned reel needs them for the speed. */
  readonly turnsPerS?: number | undefined;
}

/** The wait of a retrieve in the middle of its range; 0 where it has none. */
export const middlePauseS = ({ pauseS }: Pick<Retrieve, 'pauseS'>): number =>
  pauseS ? (pauseS[0] + pauseS[1]) / 2 : 0;

/**
 * A retrieve as the hand does it: its strokes with their times, and the wait after them. Each turn of the handle is a stroke
 * where the reel moves the lure.
 * @example
 * const { pauseFromS, lengthS } = cycleOf({ style: 'twitch-pause', pauseS: [8, 8] });
 * lengthS - pauseFromS // => 8
 */
export function cycleOf({ style, pauseS }: Pick<Retrieve, 'style' | 'pauseS'>, wish: CadenceWish = {}): Cycle {
  const wait = wish.pauseS ?? middlePauseS({ pauseS });
  const turnS = 1 / (wish.turnsPerS ?? 1 / USUAL_TURN_S);
  const manner = MANNERS[style] ?? {
    kind: 'turn' as const,
    count: wait > 0 ? TURNS_A_PULL : STEADY_TURNS,
    everyS: turnS,
  };
  const count = Math.max(1, Math.round(wish.strokes ?? manner.count));
  const strokes = Array.from({ length: count }, (_, at): Stroke => ({ kind: manner.kind, atS: at * manner.everyS }));
  const pauseFromS = count * manner.everyS;
  return {
    strokes,
    pauseFromS,
    pauseS: wait,
    lengthS: pauseFromS + wait,
  };
}

/** A stroke of a cadence that goes on, by the time since it began. */
export interface StrokeAt {
  readonly kind: StrokeKind;
  readonly atS: number;
}

/**
 * The strokes of a cadence in a stretch of time. Each is reckoned from the beginning, none from the one before it, so that
 * nothing adds up over ten minutes.
 */
export function strokesBetween({ strokes, lengthS }: Cycle, fromS: number, toS: number): StrokeAt[] {
  const told: StrokeAt[] = [];
  for (let cycle = Math.max(0, Math.floor(fromS / lengthS)); cycle * lengthS < toS; cycle++) {
    for (const { kind, atS } of strokes) {
      const at = cycle * lengthS + atS;
      if (at >= fromS && at < toS) told.push({ kind, atS: at });
    }
  }
  return told;
}

/** How each stroke sounds: pitch in hertz, how fast it dies away in seconds, and how loud it is. */
export const SOUND_OF: Readonly<
  Record<StrokeKind, { readonly hz: number; readonly fadesS: number; readonly loud: number }>
> = {
  twitch: { hz: 1760, fadesS: 0.018, loud: 0.9 },
  lift: { hz: 880, fadesS: 0.06, loud: 0.8 },
  pop: { hz: 440, fadesS: 0.05, loud: 0.9 },
  turn: { hz: 1320, fadesS: 0.012, loud: 0.5 },
};

/**
 * One cycle as sound, which is played over and over: what loops on the audio clock cannot drift against it.
 * @returns samples from -1 to 1; as many as come nearest to the cycle
 */
export function cycleSound({ strokes, lengthS }: Cycle, samplesPerS: number): Float32Array {
  const samples = new Float32Array(Math.max(1, Math.round(lengthS * samplesPerS)));
  for (const { kind, atS } of strokes) {
    const { hz, fadesS, loud } = SOUND_OF[kind];
    const from = Math.round(atS * samplesPerS);
    const lasts = Math.round(6 * fadesS * samplesPerS);
    for (let at = 0; at < lasts; at++) {
      const t = at / samplesPerS;
      // It wraps: what rings on over the end of the cycle rings into the next.
      const place = (from + at) % samples.length;
      samples[place] = (samples[place] as number) + loud * Math.exp(-t / fadesS) * Math.sin(2 * Math.PI * hz * t);
    }
  }
  for (let at = 0; at < samples.length; at++) samples[at] = Math.max(-1, Math.min(1, samples[at] as number));
  return samples;
}
