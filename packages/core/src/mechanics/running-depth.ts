import * as z from 'zod';
import { oneOf, quantity, record } from '../contract/fields.js';
import { bottomAtM, maxDepthOf, shareBetween, type Cast, type PathPoint } from './cast-path.js';
import { calibrated } from './calibrated.js';
import { divePath } from './diving.js';
import { LINE_MATERIALS } from '../contract/ids.js';
import { diameterMm, LineSpec, material, oneOfTheTwo, testLb } from './line-spec.js';
import { lineOf, type Line, type LineMaterial } from './lines.js';
import type { LureForces } from './lure-forces.js';
import { depthHeldM, SINKING_FORMS, sinkingLure, sinkPath } from './sinking.js';

const castM = quantity('a cast in metres', 3, 120);
const rodTipM = quantity('a height of the rod tip over the water in metres', -2, 6);
const speedMps = quantity('a speed in metres a second', 0.05, 4);
const depthM = quantity('a depth in metres', 0, 60);

/** The height of the rod tip and the speed for which depths are stated where nothing is said. */
const USUAL = { castM: 35, rodTipM: 0.5, speedMps: 0.9, lineMaterial: 'fluorocarbon', testLb: 10 } as const;

const Stated = record('the line and cast for which the depth is stated', {
  lineMaterial: material.default(USUAL.lineMaterial),
  lineDiameterMm: diameterMm.optional(),
  testLb: testLb.optional(),
  castM: castM.default(USUAL.castM),
  rodTipM: rodTipM.default(USUAL.rodTipM),
  speedMps: speedMps.default(USUAL.speedMps),
}).superRefine(({ lineDiameterMm, testLb: lb }, context) => {
  if (lineDiameterMm !== undefined && lb !== undefined)
    oneOfTheTwo({ diameterMm: lineDiameterMm, testLb: lb }, context);
});

const DivingLure = record('a diving lure', {
  kind: z.literal('diving'),
  statedDepthM: quantity('a stated depth in metres', 0.1, 12),
  statedFor: Stated.optional(),
});
const SinkingLure = record('a sinking lure', {
  kind: z.literal('sinking'),
  form: oneOf('a form', SINKING_FORMS),
  massG: quantity('a mass in grams', 0.5, 500),
});

const range = z
  .tuple([depthM, depthM], { error: 'expected two depths in metres, from and to' })
  .refine(([from, to]) => from <= to, { error: 'expected the shallower depth first' });

/** What running-depth takes. */
export const RunningDepthInput = record('a lure with its line and cast', {
  lure: z.discriminatedUnion('kind', [DivingLure, SinkingLure], {
    error: 'expected a lure whose kind is diving or sinking',
  }),
  line: LineSpec,
  castM: castM.default(USUAL.castM),
  rodTipM: rodTipM.default(USUAL.rodTipM),
  speedMps: speedMps.default(USUAL.speedMps),
  strikeZoneM: range.optional(),
  /** The bottom by distance from the angler. */
  bottomM: z
    .array(z.tuple([quantity('a distance in metres', 0, 200), depthM], { error: 'expected [distance, depth]' }), {
      error: 'expected a bottom as a list of [distance, depth]',
    })
    .min(1, { error: 'expected at least one point of the bottom' })
    .max(500, { error: 'expected at most 500 points of the bottom' })
    .transform((points) => [...points].sort((a, b) => a[0] - b[0]))
    .optional(),
  /** How deep a sinking lure is let down before it is reeled. */
  startDepthM: depthM.optional(),
  /** A depth that is wanted: which lines would bring it there. */
  wantedDepthM: quantity('a wanted depth in metres', 0.1, 60).optional(),
});
export type RunningDepthInput = z.output<typeof RunningDepthInput>;

/** The heaviest line of each material with which a lure still comes down to a depth. */
export interface LineThatReaches {
  readonly material: LineMaterial;
  /** Null where not even the thinnest of this material does. */
  readonly testLb: number | null;
  readonly maxDepthM: number;
}

export interface RunningDepth {
  readonly maxDepthM: number;
  /** Distance from the angler and depth, from the cast's end on, in m. */
  readonly path: PathPoint[];
  /** Share of the cast between the depths of the strike zone; null where none is given. */
  readonly shareInZone: number | null;
  /** Stretches on the bottom, by distance from the angler, the farther end first. */
  readonly onBottomM: (readonly [from: number, to: number])[];
  /** For a sinking lure: the depth it holds half way back, by speed. */
  readonly heldAtSpeed: (readonly [speedMps: number, depthM: number])[] | null;
  /** Does it come down to the wanted depth? Null where none is given. */
  readonly reaches: boolean | null;
  readonly lines: LineThatReaches[];
}

const diver = (lure: z.output<typeof DivingLure>): LureForces => {
  const { lineMaterial, lineDiameterMm, testLb: lb, ...cast } = lure.statedFor ?? Stated.parse({});
  const line = lineOf({
    material: lineMaterial,
    ...(lineDiameterMm === undefined ? { testLb: lb ?? USUAL.testLb } : { diameterMm: lineDiameterMm }),
  });
  return calibrated(lure.statedDepthM, { line, ...cast });
};

/** Tests that are looked through for a line that reaches, heaviest first. */
const TESTS_LB = [65, 50, 40, 30, 25, 20, 17, 15, 12, 10, 8, 6, 4];
const LIGHTEST_BRAID_LB = 8;

/** For each material the heaviest line, by test, with which a lure comes down to a depth. */
export function linesThatReach(path: (line: Line) => readonly PathPoint[], wantedDepthM: number): LineThatReaches[] {
  return LINE_MATERIALS.map((kind) => {
    let thinnest = 0;
    for (const lb of TESTS_LB) {
      if (kind === 'braid' && lb < LIGHTEST_BRAID_LB) break;
      thinnest = maxDepthOf(path(lineOf({ material: kind, testLb: lb })));
      if (thinnest >= wantedDepthM) return { material: kind, testLb: lb, maxDepthM: thinnest };
    }
    return { material: kind, testLb: null, maxDepthM: thinnest };
  });
}

function onBottom(path: readonly PathPoint[], bottom: readonly PathPoint[] | undefined) {
  const stretches: [number, number][] = [];
  if (!bottom) return stretches;
  let last: [number, number] | undefined;
  for (const [distance, depth] of path) {
    const touches = depth >= bottomAtM(bottom, distance) - 0.02;
    if (touches && last) last[1] = distance;
    else if (touches) stretches.push((last = [distance, distance]));
    else last = undefined;
  }
  return stretches;
}

/** Speeds for which a sinking lure's depth is told, m/s. */
const SPEEDS_MPS = [0.3, 0.4, 0.5, 0.6, 0.8, 1, 1.2, 1.5];

/**
 * How deep a lure runs on a cast, and all its way: line drag and weight integrated along the line, the lure's lift such
 * that the rig for which its depth is stated gives that depth (after Pode 1951 for towed cables; White 1974 for drag).
 * @throws CalcProblem where no lure has the stated depth on the stated cast
 */
export function runningDepth(input: RunningDepthInput): RunningDepth {
  const { lure, strikeZoneM, bottomM: bottom, wantedDepthM } = input;
  const cast: Cast = {
    castM: input.castM,
    rodTipM: input.rodTipM,
    speedMps: input.speedMps,
    ...(bottom && { bottom }),
    ...(input.startDepthM !== undefined && { startDepthM: input.startDepthM }),
  };
  const forces = lure.kind === 'diving' ? diver(lure) : sinkingLure(lure.form, lure.massG);
  const pathOn = (line: Line) => (lure.kind === 'diving' ? divePath(forces, line, cast) : sinkPath(forces, line, cast));
  const line = lineOf(input.line);
  const path = pathOn(line);
  const maxDepthM = maxDepthOf(path);
  return {
    maxDepthM,
    path,
    shareInZone: strikeZoneM ? shareBetween(path, strikeZoneM) : null,
    onBottomM: onBottom(path, bottom),
    heldAtSpeed:
      lure.kind === 'sinking'
        ? SPEEDS_MPS.map((speed) => [speed, depthHeldM(forces, line, { ...cast, speedMps: speed })] as const)
        : null,
    reaches: wantedDepthM === undefined ? null : maxDepthM >= wantedDepthM,
    lines: wantedDepthM === undefined || lure.kind === 'sinking' ? [] : linesThatReach(pathOn, wantedDepthM),
  };
}
