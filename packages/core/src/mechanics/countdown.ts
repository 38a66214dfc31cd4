import type * as z from 'zod';
import { oneOf, quantity, record } from '../contract/fields.js';
import { GRAVITY_MPS2 } from './drag.js';
import { LineSpec } from './line-spec.js';
import { lineOf, lineWeightInWaterNPerM } from './lines.js';
import { fallMps, SINKING_FORMS, sinkingWeightN } from './sinking.js';

export const CountdownInput = record('a lure that is counted down', {
  form: oneOf('a form', SINKING_FORMS),
  massG: quantity('a mass in grams', 0.5, 500),
  line: LineSpec,
  depthM: quantity('a depth in metres', 0.1, 60),
  /** How fast the water goes past the boat. */
  driftMps: quantity('a drift in metres a second', 0, 2).default(0),
  /** Held tight it swings in towards the rod; slack it falls straight. */
  fall: oneOf('a fall', ['slack', 'tight'] as const).default('slack'),
});
export type CountdownInput = z.output<typeof CountdownInput>;

export interface Countdown {
  /** How fast it sinks on the way, on the whole, in m/s. */
  readonly sinkMps: number;
  readonly seconds: number;
  /** How far the water carries it meanwhile. */
  readonly driftM: number;
  /** Depth after each second, in m, from 0 on. */
  readonly depthBySecondM: number[];
}

/** Drag along a line that is drawn down through the water, on its wetted surface (Choo & Casarella 1971). */
const ALONG = 0.02;
/** On a tight line a lure falls along a quarter circle about the rod: the line takes up part of its weight. Judgement. */
const TIGHT_SLOWS = 0.72;
const STEP_S = 0.05;
const LONGEST_S = 600;

/**
 * Time for a lure to sink to a depth: its weight and that of the line already in the water, against its own drag, which
 * follows from how fast it falls on a slack line, and that along the line it draws down.
 */
export function countdown({ form, massG, line: spec, depthM, driftMps, fall }: CountdownInput): Countdown {
  const line = lineOf(spec);
  const weightN = sinkingWeightN(form, massG);
  const free = fallMps(form, massG);
  const dragNS2M2 = weightN / free ** 2;
  const lineDragNS2M3 = 0.5 * 999.5 * Math.PI * line.diameterM * ALONG;
  const lineWeightNPerM = lineWeightInWaterNPerM(line, 999.5);
  const massKg = (massG / 1000) * 1.5;
  let [depth, speed, seconds] = [0, 0, 0];
  const depthBySecondM = [0];
  while (depth < depthM && seconds < LONGEST_S) {
    // Weight less drag sets it in motion; water that goes along adds half its mass (added mass of a blunt body).
    const pullN = Math.max(0.05 * weightN, weightN + lineWeightNPerM * depth);
    const dragN = (dragNS2M2 + lineDragNS2M3 * depth) * speed * Math.abs(speed);
    const terminal = Math.sqrt(pullN / (dragNS2M2 + lineDragNS2M3 * depth));
    const acceleration = Math.min(GRAVITY_MPS2, (pullN - dragN) / massKg);
    speed = Math.min(terminal, Math.max(0, speed + acceleration * STEP_S));
    depth += speed * STEP_S * (fall === 'tight' ? TIGHT_SLOWS : 1);
    seconds += STEP_S;
    if (Math.floor(seconds + 1e-9) >= depthBySecondM.length) depthBySecondM.push(Math.min(depth, depthM));
  }
  return { sinkMps: depthM / seconds, seconds, driftM: driftMps * seconds, depthBySecondM };
}
