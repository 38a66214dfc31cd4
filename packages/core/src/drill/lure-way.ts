import type { RetrieveStyle } from '../contract/ids.js';
import type { Presentation } from '../contract/plan.js';
import { categoryOf } from '../lures/categories.js';
import { fallMps } from '../mechanics/sinking.js';
import type { Cycle } from './cadence.js';

/** How a lure goes: down where it is pulled by its lip, up where it is lifted, and by its balance while it waits. */
export interface LureMotion {
  /** How deep one works it, metres; the bed where it is fished on the bottom. */
  readonly depthM: number;
  /** How fast it goes down by itself, under 0 where it rises, metres a second. */
  readonly verticalMps: number;
  /** How far one stroke moves it down, under 0 where it lifts it, metres. */
  readonly strokeM: number;
  /** It falls no deeper: the angler lets it go no farther down than it is worked; Infinity where it does not fall. */
  readonly deepestM: number;
  /** It lies on the bed between strokes. */
  readonly onBottom: boolean;
}

export interface WayPoint {
  readonly atS: number;
  readonly depthM: number;
}

/** How long a stroke moves a lure. Judgement. */
const STROKE_S = 0.3;
/** Points that a cycle is drawn with at least. */
const STEPS = 160;

/**
 * The way of a lure over one cycle. What hangs, floats or sinks is brought to the depth at which it is worked by the
 * strokes, darts under it with each, and goes by its balance while it waits; what is fished on the bottom is lifted off it
 * and falls back.
 */
export function lureWay(cycle: Cycle, motion: LureMotion): WayPoint[] {
  const times = Array.from({ length: STEPS + 1 }, (_, at) => (at / STEPS) * cycle.lengthS);
  return motion.onBottom ? offTheBed(cycle, motion, times) : inTheWater(cycle, motion, times);
}

function offTheBed(
  { strokes, lengthS }: Cycle,
  { depthM, verticalMps, strokeM }: LureMotion,
  times: readonly number[],
): WayPoint[] {
  const step = lengthS / STEPS;
  let depth = depthM;
  return times.map((atS, index) => {
    if (index) {
      const pulled = strokes.some((stroke) => atS > stroke.atS && atS <= stroke.atS + STROKE_S);
      depth += pulled ? (strokeM / STROKE_S) * step : verticalMps * step;
      depth = Math.max(0, Math.min(depthM, depth));
    }
    return { atS, depthM: depth };
  });
}

function inTheWater(
  { strokes, pauseFromS, pauseS }: Cycle,
  { depthM, verticalMps, strokeM, deepestM }: LureMotion,
  times: readonly number[],
): WayPoint[] {
  const within = (m: number) => Math.min(deepestM, Math.max(0, m));
  const waited = within(depthM + verticalMps * pauseS);
  return times.map((atS) => {
    const shares = strokes.map((stroke) => Math.min(1, Math.max(0, (atS - stroke.atS) / STROKE_S)));
    const brought = shares.reduce((sum, share) => sum + share, 0) / strokes.length;
    const dart = shares.reduce((sum, share) => sum + strokeM * Math.sin(Math.PI * share), 0);
    const drift = verticalMps * Math.max(0, atS - pauseFromS);
    return { atS, depthM: within(waited + (depthM - waited) * brought + dart + drift) };
  });
}

/** A lure that hangs, rises or sinks slowly goes so fast, metres a second (as `mechanics/balance` has these words). */
const BALANCE_MPS = { 'slow-rise': -0.05, neutral: 0, 'slow-sink': 0.05 } as const;
/** A diver floats up while it waits. Judgement. */
const DIVER_RISES_MPS = 0.12;
const LIFT_M = 0.45;
const HOP_M = 0.25;
const DART_M = 0.12;
const BOTTOM: ReadonlySet<RetrieveStyle> = new Set([
  'yo-yo',
  'drag',
  'hop',
  'dead-stick',
  'shake',
  'lift-drop',
  'bounce-slack',
]);

/** How the lure of a plan goes: by its balance where it hangs, by how its form falls where it sinks. */
export function motionOf({ category, size, runDepthM, retrieve, rig }: Presentation): LureMotion {
  const { form, hangs } = categoryOf(category);
  const onBottom = BOTTOM.has(retrieve.style);
  const depthM = onBottom ? runDepthM[1] : (runDepthM[0] + runDepthM[1]) / 2;
  const massG = (size.weightG[0] + size.weightG[1]) / 2;
  if (form === 'surface' || form === 'hung')
    return { depthM: form === 'hung' ? depthM : 0, verticalMps: 0, strokeM: 0, deepestM: Infinity, onBottom: false };
  if (form === 'diver') {
    const verticalMps = hangs ? BALANCE_MPS[rig.attitude?.behaviour ?? 'neutral'] : -DIVER_RISES_MPS;
    return { depthM, verticalMps, strokeM: DART_M, deepestM: Infinity, onBottom: false };
  }
  const falls = fallMps(form, massG);
  if (!onBottom) return { depthM, verticalMps: falls, strokeM: 0, deepestM: runDepthM[1], onBottom: false };
  return {
    depthM,
    verticalMps: falls,
    strokeM: retrieve.style === 'yo-yo' || retrieve.style === 'lift-drop' ? -LIFT_M : -HOP_M,
    deepestM: depthM,
    onBottom,
  };
}
