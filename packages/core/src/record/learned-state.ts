import type { Structure } from '../contract/ids.js';
import { varianceUnder } from './counts.js';
import { widthOf, type Traits } from './traits.js';

/** Raised whenever the same trips could teach something else: what was learnt by another version is learnt anew. */
export const LEARNING_VERSION = 1;

/** How far whole trips differ, as a standard deviation of the logarithm. Judgement. */
export const TRIP_SD = 0.6;
/** Water is not as simple as a sum of logarithms: what a rate may be off by that. Judgement. */
const BEYOND_MODEL_SD = 0.3;

/** A parameter as it was believed, and as it is. */
export interface Learnt {
  readonly name: string;
  readonly prior: number;
  readonly mean: number;
  readonly sd: number;
  /** Before anything was fished. */
  readonly priorSd: number;
  /** Hours of fishing that bear on it, each by how much it does. */
  readonly hours: number;
}

/** What a record has taught, as plain figures: to be kept, and gone on from. */
export interface LearnedState {
  readonly trips: number;
  readonly hours: number;
  /** Shape of the bunches in which bites come, and how much wider or narrower than usual things were let differ. */
  readonly shape: number;
  readonly scale: number;
  readonly parameters: readonly Omit<Learnt, 'sd'>[];
  /** Covariance of the parameters: its lower triangle, row after row. */
  readonly covariance: readonly number[];
  /** The angler's own places of each kind, as traits: each by its share of the hours fished at them. */
  readonly ownPlaces: readonly (readonly [Structure, readonly (readonly [trait: string, share: number])[]])[];
}

/** A mean with its standard deviation. */
export interface Estimate {
  readonly mean: number;
  readonly sd: number;
}

/** What a record has taught. */
export interface Learned {
  readonly trips: number;
  readonly hours: number;
  readonly parameters: () => readonly Learnt[];
  /** How far what bears on something has moved from what was believed of it, over something else. */
  readonly moved: (traits: Traits, over?: Traits) => Estimate;
  /** How much better one thing is than another, as the logarithm of a factor. */
  readonly against: (traits: Traits, other: Traits) => Estimate;
  /** A parameter as it is believed now; as it was before where nothing bears on it. */
  readonly mean: (name: string) => number;
  /** The angler's own places of a kind, as traits: each by its share of the hours fished at them. */
  readonly ownPlaces: (structure: Structure) => Traits;
  /** The logarithm of the rate of bites an hour of something, on a trip that is not known yet. */
  readonly rateLog: (traits: Traits) => Estimate;
  /** Shape of the bunches in which bites come, and how much wider or narrower than usual things were let differ. */
  readonly shape: number;
  readonly scale: number;
  /** All of it, to be kept: `learnedOf` makes the same of it again. */
  readonly state: LearnedState;
}

/** The lower triangle of a symmetric matrix that lies row after row, in one list. */
export function lowerTriangle(matrix: Float64Array, size: number): number[] {
  const list: number[] = [];
  for (let row = 0; row < size; row++) for (let at = 0; at <= row; at++) list.push(matrix[row * size + at] as number);
  return list;
}

function symmetric(triangle: readonly number[], size: number): Float64Array {
  const matrix = new Float64Array(size * size);
  let from = 0;
  for (let row = 0; row < size; row++) {
    for (let at = 0; at <= row; at++) {
      matrix[row * size + at] = matrix[at * size + row] = triangle[from++] as number;
    }
  }
  return matrix;
}

/** What a record has taught, to be asked: made of what was kept of it. */
export function learnedOf(state: LearnedState): Learned {
  const { parameters, scale } = state;
  const numbers = new Map(parameters.map(({ name }, at) => [name, at]));
  const variance = varianceUnder(() => symmetric(state.covariance, parameters.length));
  const own = new Map(state.ownPlaces.map(([structure, traits]) => [structure, new Map(traits)]));
  const meanOf = (at: number) => (parameters[at] as Learnt).mean;
  const known = (traits: Traits) => [...traits].filter(([name, value]) => value !== 0 && numbers.has(name));
  /** A sum of parameters, less another, with its doubt. What nothing was fished of adds nothing to either. */
  const estimated = (traits: Traits, over: Traits | undefined, of: (at: number) => number): Estimate => {
    const columns = new Map<number, number>();
    for (const [name, value] of known(traits)) columns.set(numbers.get(name) as number, value);
    for (const [name, value] of over ? known(over) : []) {
      const at = numbers.get(name) as number;
      columns.set(at, (columns.get(at) ?? 0) - value);
    }
    let mean = 0;
    for (const [at, value] of columns) mean += value * of(at);
    return { mean, sd: Math.sqrt(variance([...columns.keys()], [...columns.values()])) };
  };
  return {
    trips: state.trips,
    hours: state.hours,
    shape: state.shape,
    scale,
    state,
    parameters: () => parameters.map((each, at) => ({ ...each, sd: Math.sqrt(variance([at], [1])) })),
    moved: (traits, over) => estimated(traits, over, (at) => meanOf(at) - (parameters[at] as Learnt).prior),
    against: (traits, other) => estimated(traits, other, meanOf),
    ownPlaces: (structure) => own.get(structure) ?? new Map(),
    mean: (name) => {
      const at = numbers.get(name);
      return at === undefined ? widthOf(name).mean : meanOf(at);
    },
    rateLog: (traits) => {
      const told = known(traits);
      const columns = told.map(([name]) => numbers.get(name) as number);
      let mean = 0;
      let unknown = TRIP_SD ** 2 + BEYOND_MODEL_SD ** 2;
      for (const [name, value] of traits) {
        const at = numbers.get(name);
        if (at !== undefined) mean += value * meanOf(at);
        else {
          const width = widthOf(name);
          mean += value * width.mean;
          unknown += (value * (width.isScaled ? scale * width.sd : width.sd)) ** 2;
        }
      }
      const values = told.map(([, value]) => value);
      return { mean, sd: Math.sqrt(unknown + variance(columns, values)) };
    },
  };
}
