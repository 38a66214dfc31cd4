import * as z from 'zod';
import { oneOf, quantity, record } from '../contract/fields.js';
import { waterDensityKgM3 } from '../water/density.js';
import { cylinderDrag, GRAVITY_MPS2, viscosityM2S } from './drag.js';
import { HOOK_SIZES, LEAD_G_CM3, STEEL_G_CM3, trebleMassG, type HookSize } from './hooks.js';
import { diameterMm, material, oneOfTheTwo, testLb } from './line-spec.js';
import { LINE_DENSITY_KG_M3, lineOf } from './lines.js';

export const BEHAVIOURS = ['sinks', 'slow-sink', 'neutral', 'slow-rise', 'rises'] as const;
export type Behaviour = (typeof BEHAVIOURS)[number];
export const ATTITUDES = ['nose-up', 'level', 'nose-down'] as const;
export type Attitude = (typeof ATTITUDES)[number];

const at = quantity('a place from 0, the nose, to 1, the tail,', 0, 1);
const Hook = record('a hook', { size: oneOf('a hook size', HOOK_SIZES), at });
const Hooks = z.array(Hook, { error: 'expected a list of hooks' }).max(5, { error: 'expected at most 5 hooks' });
const Weight = record('a weight put on', { massG: quantity('a mass in grams', 0, 50), at });
const LineOut = record('a line', {
  material,
  diameterMm: diameterMm.optional(),
  testLb: testLb.optional(),
  outM: quantity('a length of line out in metres', 0, 120),
}).superRefine(oneOfTheTwo);
const tempC = quantity('a water temperature in degrees Celsius', -2, 40);
const salinityPsu = quantity('a salinity in psu', 0, 42);
export const behaviour = oneOf('a behaviour', BEHAVIOURS);
export const attitude = oneOf('an attitude', ATTITUDES);

/** How a maker says that a lure hangs, and with what on it. */
const Factory = record('how the lure hangs as it comes', {
  hooks: Hooks,
  behaviour: behaviour.default('neutral'),
  attitude: attitude.default('level'),
  waterTempC: tempC.default(20),
  salinityPsu: salinityPsu.default(0),
  line: LineOut.optional(),
  addedWeights: z.array(Weight).max(10).default([]),
});

export const SuspendingBalanceInput = record('a lure that is to hang in the water', {
  bodyMassG: quantity("the body's mass in grams", 0.5, 400).optional(),
  volumeCm3: quantity("the body's volume in cm3", 0.5, 400).optional(),
  factory: Factory.optional(),
  lengthMm: quantity('a length in mm', 20, 400),
  widthMm: quantity('a width in mm', 4, 100),
  hooks: Hooks.default([]),
  line: LineOut.optional(),
  waterTempC: tempC,
  salinityPsu: salinityPsu.default(0),
  addedWeights: z
    .array(Weight, { error: 'expected a list of weights put on' })
    .max(10, { error: 'expected at most 10 weights' })
    .default([]),
  /** How it should hang: the smallest changes of hardware that make it. */
  wanted: record('how it should hang', { behaviour, attitude: attitude.optional() }).optional(),
}).superRefine(({ bodyMassG, volumeCm3, factory }, context) => {
  const say = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
  const measured = bodyMassG !== undefined || volumeCm3 !== undefined;
  if (factory && measured) say('factory', 'expected either factory or bodyMassG with volumeCm3, got both');
  if (!factory && bodyMassG === undefined) say('bodyMassG', 'expected the mass of the body, or factory');
  if (!factory && volumeCm3 === undefined) say('volumeCm3', 'expected the volume of the body, or factory');
});
export type SuspendingBalanceInput = z.output<typeof SuspendingBalanceInput>;
export type BalanceHook = z.output<typeof Hook>;
export type BalanceWeight = z.output<typeof Weight>;

export interface SuspendingBalance {
  /** What it weighs in the water, positive where it sinks. */
  readonly netG: number;
  /** How fast it goes down on a slack line, negative where it rises. */
  readonly verticalMps: number;
  /** How far the nose is up. */
  readonly noseAngleDeg: number;
  readonly behaviour: Behaviour;
  readonly attitude: Attitude;
}

/** The part of the line out that hangs on the lure: the rest is held by the rod and by the water. Judgement. */
const LINE_ON_LURE = 0.15;
/** Under this speed up or down a lure hangs still for as long as anyone waits. */
const NEUTRAL_MPS = 0.015;
/** Up to this it goes slowly. */
const SLOW_MPS = 0.12;
/** Within this it lies level. */
const LEVEL_DEG = 3;
/** Behaviours and attitudes as figures, for a body known only by how it is said to hang. */
const SPEED_OF: Readonly<Record<Behaviour, number>> = {
  sinks: 0.2,
  'slow-sink': 0.05,
  neutral: 0,
  'slow-rise': -0.05,
  rises: -0.2,
};
const ANGLE_OF: Readonly<Record<Attitude, number>> = { 'nose-up': 10, level: 0, 'nose-down': -10 };
/** Volume of a minnow's body over length x width squared. */
const FULLNESS = 0.38;
/** How far the centre of gravity lies below that of the volume, of the width: the ballast lies in the belly. */
const BALLAST_LOW = 0.3;
/** Where along the body the centre of its volume lies. */
const CENTRE = 0.5;
/** Steepest angle that is told. */
const STEEPEST_DEG = 75;

/** A body as the balance needs it: what it weighs in water, and how its own weight tips it. */
export interface Body {
  readonly volumeCm3: number;
  readonly massG: number;
  /** Tail-heavy moment of the body itself about the centre of its volume, in g x length. */
  readonly momentG: number;
}

type RigState = Pick<SuspendingBalanceInput, 'hooks' | 'addedWeights' | 'line' | 'waterTempC' | 'salinityPsu'>;

const waterGCm3 = ({ waterTempC, salinityPsu: salinity }: Pick<RigState, 'waterTempC' | 'salinityPsu'>): number =>
  waterDensityKgM3(waterTempC, salinity) / 1000;

/** What hangs on the body: grams in water, each with its place. */
function loads({ hooks, addedWeights, line, ...water }: RigState): { grams: number; at: number }[] {
  const density = waterGCm3(water);
  return [
    ...hooks.map(({ size, at: place }) => ({ grams: trebleMassG(size) * (1 - density / STEEL_G_CM3), at: place })),
    ...addedWeights.map(({ massG, at: place }) => ({ grams: massG * (1 - density / LEAD_G_CM3), at: place })),
    ...(line ? [{ grams: lineGrams(line, density), at: 0 }] : []),
  ];
}

function lineGrams(line: z.output<typeof LineOut>, density: number): number {
  const { diameterM } = lineOf(line);
  const volumeCm3 = (Math.PI / 4) * diameterM ** 2 * line.outM * 1e6;
  return LINE_ON_LURE * volumeCm3 * (LINE_DENSITY_KG_M3[line.material] / 1000 - density);
}

const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);

/**
 * How fast a body of so many grams in water goes down, in m/s, lying level: weight against the drag of a cylinder
 * across the flow (White 1974), whose coefficient follows the speed.
 */
function verticalSpeed(netG: number, lengthMm: number, widthMm: number, water: RigState): number {
  const densityKgM3 = 1000 * waterGCm3(water);
  const viscosity = viscosityM2S(Math.max(0, water.waterTempC), densityKgM3);
  const weightN = (Math.abs(netG) / 1000) * GRAVITY_MPS2;
  const areaM2 = 0.8 * lengthMm * widthMm * 1e-6;
  let speed = 0.05;
  for (let round = 0; round < 40; round++) {
    const drag = cylinderDrag((speed * widthMm) / 1000 / viscosity);
    speed = 0.5 * speed + 0.5 * Math.sqrt((2 * weightN) / (densityKgM3 * drag * areaM2));
  }
  return Math.sign(netG) * speed;
}

/** The grams in water with which it goes down at a speed: the speed of more grams is greater, so halving finds it. */
function gramsAtSpeed(speedMps: number, lengthMm: number, widthMm: number, water: RigState): number {
  let [low, high] = [0, 400];
  for (let round = 0; round < 60; round++) {
    const grams = (low + high) / 2;
    if (verticalSpeed(grams, lengthMm, widthMm, water) < Math.abs(speedMps)) low = grams;
    else high = grams;
  }
  return (Math.sign(speedMps) * (low + high)) / 2;
}

/** The moment that turns the body back for each unit of slope, in g x length. */
const rightingG = ({
  volumeCm3,
  density,
  lengthMm,
  widthMm,
}: {
  volumeCm3: number;
  density: number;
  lengthMm: number;
  widthMm: number;
}) => (volumeCm3 * density * BALLAST_LOW * widthMm) / lengthMm;

const tippingG = (hung: readonly { grams: number; at: number }[]): number =>
  sumOf(hung.map(({ grams, at: place }) => grams * (place - CENTRE)));

/**
 * The body, from its mass and volume or from how it is said to hang as it comes. Measured, it is taken to be built so
 * that it lies level with hooks of one size at its places; as stated, so that it hangs as stated.
 */
export function bodyOf(input: SuspendingBalanceInput): Body {
  const { lengthMm, widthMm, factory } = input;
  if (!factory) {
    const { hooks, bodyMassG = 0, volumeCm3 = 0 } = input;
    const density = waterGCm3(input);
    const mean = sumOf(hooks.map(({ size }) => trebleMassG(size))) / Math.max(1, hooks.length);
    const even = hooks.map(({ at: place }) => ({ grams: mean * (1 - density / STEEL_G_CM3), at: place }));
    return { volumeCm3, massG: bodyMassG, momentG: -tippingG(even) };
  }
  const volumeCm3 = (FULLNESS * lengthMm * widthMm ** 2) / 1000;
  const density = waterGCm3(factory);
  const hung = loads(factory);
  const net = gramsAtSpeed(SPEED_OF[factory.behaviour], lengthMm, widthMm, factory);
  const slope = Math.tan((ANGLE_OF[factory.attitude] * Math.PI) / 180);
  return {
    volumeCm3,
    massG: net - sumOf(hung.map(({ grams }) => grams)) + volumeCm3 * density,
    momentG: slope * rightingG({ volumeCm3, density, lengthMm, widthMm }) - tippingG(hung),
  };
}

export const behaviourAt = (verticalMps: number): Behaviour => {
  const fast = Math.abs(verticalMps);
  if (fast < NEUTRAL_MPS) return 'neutral';
  if (fast < SLOW_MPS) return verticalMps > 0 ? 'slow-sink' : 'slow-rise';
  return verticalMps > 0 ? 'sinks' : 'rises';
};

export const attitudeAt = (noseAngleDeg: number): Attitude => {
  if (Math.abs(noseAngleDeg) < LEVEL_DEG) return 'level';
  return noseAngleDeg > 0 ? 'nose-up' : 'nose-down';
};

/** How a body hangs with what is on it, in this water. */
export function balanceOf(
  body: Body,
  rigged: RigState,
  { lengthMm, widthMm }: { lengthMm: number; widthMm: number },
): SuspendingBalance {
  const density = waterGCm3(rigged);
  const hung = loads(rigged);
  const netG = body.massG - body.volumeCm3 * density + sumOf(hung.map(({ grams }) => grams));
  const verticalMps = verticalSpeed(netG, lengthMm, widthMm, rigged);
  const righting = rightingG({ volumeCm3: body.volumeCm3, density, lengthMm, widthMm });
  const angle = (Math.atan((body.momentG + tippingG(hung)) / righting) * 180) / Math.PI;
  const noseAngleDeg = Math.max(-STEEPEST_DEG, Math.min(STEEPEST_DEG, angle));
  return { netG, verticalMps, noseAngleDeg, behaviour: behaviourAt(verticalMps), attitude: attitudeAt(noseAngleDeg) };
}

/** The sizes of a lure's hooks in words, front first. */
export const sayHooks = (hooks: readonly { readonly size: HookSize }[]): string =>
  hooks.map(({ size }) => size).join(' and ');
