import { COVERS, SPOT_TRAITS, type SpotTrait } from '../contract/ids.js';
import { distanceM } from '../chart/distance.js';
import type { Known } from '../rules/facts.js';
import type { FormReading } from '../chart/reading.js';
import type { NamedForms } from './forms.js';

/** Slopes, in degrees, that part the classes; the middle that stands for each. */
const SLOPE_FROM_DEG = [4, 14, 28, 36, 48, 60] as const;
const SLOPE_MIDDLE_DEG = [2, 9, 21, 32, 42, 54, 68] as const;
/** Effective fetch, in metres, that parts the classes, and how wind-blown each is. */
const FETCH_FROM_M = [120, 350, 900] as const;
const WIND_BLOWN = [0, 0.35, 0.7, 1] as const;
/** Ground drawn as bare is no cover to be near to. */
const BARE = COVERS.indexOf('bare') + 1;
const BESIDE_FLAT_M = 130;
const BESIDE_CHANNEL_M = 90;
const DEEP_AT_HAND_M = 160;
const MOUTH_SHARE = 0.2;
const BACK_SHARE = 0.75;

/** Bits of a class: which of them stand for what. */
const STRUCTURE_BITS = 5;
const COVER_BITS = 5;
const SLOPE_AT = STRUCTURE_BITS + COVER_BITS;
const WIND_AT = SLOPE_AT + 3;
const FLAT_AT = WIND_AT + 2;
const CHANNEL_AT = FLAT_AT + 1;
const DEEP_AT = CHANNEL_AT + 1;
const ARM_AT = DEEP_AT + 1;
const SHADE_AT = ARM_AT + 2;
/** Classes of ground that can be told apart. */
export const CLASSES = 1 << (SHADE_AT + 1);
/** Put to a class whose cell lies in the shade. */
export const SHADED = 1 << SHADE_AT;

/**
 * A bed made ready to be judged: cells alike in structure, cover, slope, wind, and what lies beside them are one class,
 * and the rules are asked once for each class instead of for each cell.
 */
export interface Ground {
  readonly reading: FormReading;
  readonly named: NamedForms;
  readonly cover: Uint8Array;
  readonly fetchM: Float32Array;
  /** Metres to the nearest drawn cover. */
  readonly coverM: Float32Array;
  /** Class of every cell with water; the same the whole day, shade aside. */
  readonly classOf: Int32Array;
  /** The cells with water, from the first to the last: on most charts they are few, and only they are judged. */
  readonly wet: Int32Array;
}

const binOf = (value: number, from: readonly number[]): number => {
  let bin = 0;
  while (bin < from.length && value >= (from[bin] as number)) bin++;
  return bin;
};

/** Puts every cell into its class. @param cover as its place in `COVERS` plus one, 0 where none is known */
export function groundOf(reading: FormReading, named: NamedForms, cover: Uint8Array, fetchM: Float32Array): Ground {
  const { depthM, slopeDeg, flatM, channelM, deepM, arms } = reading;
  const classOf = new Int32Array(depthM.length);
  const wet = new Int32Array(depthM.length);
  let count = 0;
  for (let cell = 0; cell < classOf.length; cell++) {
    if (!((depthM[cell] as number) > 0)) continue;
    wet[count++] = cell;
    const up = arms.upShare[cell] as number;
    const arm = arms.arm[cell] ? (up < MOUTH_SHARE ? 1 : up < BACK_SHARE ? 2 : 3) : 0;
    classOf[cell] =
      (named.structure[cell] as number) |
      ((cover[cell] as number) << STRUCTURE_BITS) |
      (binOf(slopeDeg[cell] as number, SLOPE_FROM_DEG) << SLOPE_AT) |
      (binOf(fetchM[cell] as number, FETCH_FROM_M) << WIND_AT) |
      ((flatM[cell] as number) < BESIDE_FLAT_M ? 1 << FLAT_AT : 0) |
      ((channelM[cell] as number) < BESIDE_CHANNEL_M ? 1 << CHANNEL_AT : 0) |
      ((deepM[cell] as number) < DEEP_AT_HAND_M ? 1 << DEEP_AT : 0) |
      (arm << ARM_AT);
  }
  const coverM = distanceM(
    reading.grid,
    cover.map((drawn) => (drawn && drawn !== BARE ? 1 : 0)),
  );
  return { reading, named, cover, fetchM, coverM, classOf, wet: wet.slice(0, count) };
}

/** What a class says of its cells. */
export interface ClassTraits {
  /** Places in `STRUCTURES` and `COVERS` plus one, 0 where not known. */
  readonly structure: number;
  readonly cover: number;
  readonly slopeDeg: number;
  readonly traits: Readonly<Partial<Record<SpotTrait, number>>>;
}

export function traitsOf(key: number): ClassTraits {
  const bits = (at: number, count: number) => (key >> at) & ((1 << count) - 1);
  const arm = bits(ARM_AT, 2);
  return {
    structure: bits(0, STRUCTURE_BITS),
    cover: bits(STRUCTURE_BITS, COVER_BITS),
    slopeDeg: SLOPE_MIDDLE_DEG[bits(SLOPE_AT, 3)] as number,
    traits: {
      'wind-blown': WIND_BLOWN[bits(WIND_AT, 2)] as number,
      'beside-flat': bits(FLAT_AT, 1),
      'beside-channel': bits(CHANNEL_AT, 1),
      'deep-at-hand': bits(DEEP_AT, 1),
      'arm-mouth': arm === 1 ? 1 : 0,
      'arm-middle': arm === 2 ? 1 : 0,
      'arm-back': arm === 3 ? 1 : 0,
      shade: bits(SHADE_AT, 1),
    },
  };
}

/** The facts that a class adds for the rules. */
export const classFacts = ({ slopeDeg, traits }: ClassTraits): Known => ({
  bankSlopeDeg: slopeDeg,
  ...Object.fromEntries(SPOT_TRAITS.map((trait) => [`spot:${trait}`, traits[trait] ?? 0])),
});
