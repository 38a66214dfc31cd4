import type { Structure } from '../contract/ids.js';
import { fitCounts, type CountFit, type CountPrior, type CountRow } from './counts.js';
import { rowsOf, type StretchRow } from './rows.js';
import type { RecordedTrip } from './said.js';
import { spotTraits, widthOf, type Traits } from './traits.js';

/** Parameters of which something is known, each by a number of its own. */
class Names {
  private readonly numbers = new Map<string, number>();

  number(name: string): number {
    const found = this.numbers.get(name) ?? this.numbers.size;
    this.numbers.set(name, found);
    return found;
  }

  find(name: string): number | undefined {
    return this.numbers.get(name);
  }

  get all(): string[] {
    return [...this.numbers.keys()];
  }
}

/** How far whole trips differ, as a standard deviation of the logarithm. Judgement. */
const TRIP_SD = 0.6;
/** Water is not as simple as a sum of logarithms: what a rate may be off by that. Judgement. */
const BEYOND_MODEL_SD = 0.3;
/**
 * Shapes of the bunches in which bites come, and widths of what may be learnt over the usual, each with what is believed of
 * it beforehand as a logarithm: a few trips do not tell them, and bites do come in bunches. The likeliest is taken.
 */
const SHAPES: readonly Tried[] = [
  { value: 1.5, logPrior: 0 },
  { value: 0.7, logPrior: -1 },
  { value: 2.5, logPrior: -1.5 },
];
const SCALES: readonly Tried[] = [
  { value: 1, logPrior: 0 },
  { value: 0.6, logPrior: -0.5 },
  { value: 1.6, logPrior: -1 },
];
interface Tried {
  readonly value: number;
  readonly logPrior: number;
}

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
}

function priorOf(names: readonly string[], scale: number, shape: number): CountPrior {
  const widths = names.map(widthOf);
  return {
    mean: Float64Array.from(widths, ({ mean }) => mean),
    sd: Float64Array.from(widths, ({ sd, isScaled }) => (isScaled ? scale * sd : sd)),
    tripSd: TRIP_SD,
    shape,
  };
}

/** From the top under one of them it is so many steps to that under the next, near enough to tell which is likelier. */
const STEPS_TO_COMPARE = 2;

interface Fitted {
  readonly fit: CountFit;
  readonly prior: CountPrior;
  readonly shape: Tried;
  readonly scale: Tried;
  readonly logPosterior: number;
}

/** Fits the counts under the likeliest shape and then the likeliest scale (empirical Bayes: Casella 1985). */
function likeliest(rows: readonly CountRow[], names: readonly string[], before: Learned | null): Fitted {
  const attempt = (shape: Tried, scale: Tried, start: Float64Array | undefined, mostSteps?: number): Fitted => {
    const prior = priorOf(names, scale.value, shape.value);
    const fit = fitCounts(rows, prior, start, mostSteps);
    return { fit, prior, shape, scale, logPosterior: fit.logEvidence + shape.logPrior + scale.logPrior };
  };
  const better = (a: Fitted, b: Fitted): Fitted => (b.logPosterior > a.logPosterior ? b : a);
  const [shape, ...shapes] = SHAPES as [Tried, ...Tried[]];
  const [scale, ...scales] = SCALES as [Tried, ...Tried[]];
  let best = attempt(shape, scale, before ? Float64Array.from(names, before.mean) : undefined);
  for (const each of shapes) best = better(best, attempt(each, best.scale, best.fit.mean, STEPS_TO_COMPARE));
  for (const each of scales) best = better(best, attempt(best.shape, each, best.fit.mean, STEPS_TO_COMPARE));
  return best.shape === shape && best.scale === scale
    ? best
    : { ...best, fit: fitCounts(rows, best.prior, best.fit.mean) };
}

/** Of each kind of place the angler's own, by their shares of the hours. */
function ownPlaces(rows: readonly StretchRow[]): Map<Structure, Traits> {
  const hoursAt = new Map<Structure, Map<string, number>>();
  for (const { structure, place, hours } of rows) {
    if (!structure) continue;
    const there = hoursAt.get(structure) ?? new Map<string, number>();
    hoursAt.set(structure, there.set(place, (there.get(place) ?? 0) + hours));
  }
  return new Map(
    [...hoursAt].map(([structure, there]) => {
      const all = [...there.values()].reduce((sum, hours) => sum + hours, 0);
      return [structure, new Map([...there].flatMap(([place, hours]) => [...spotTraits(place, hours / all)]))];
    }),
  );
}

/**
 * Learns from all stretches of a record: bites as counts, hours as exposure, and the rate log-linear in how the plan weighs
 * what was fished, in the rules that speak of it, and in lure, way, place, depth and pace in each kind of water. The plan as
 * shipped is what is believed before. Null where nothing was fished.
 * @param before what was learnt of most of these trips: from there it is a shorter way to the same
 */
export function learn(trips: readonly RecordedTrip[], before: Learned | null = null): Learned | null {
  const fished = trips.map((trip) => rowsOf(trip).filter(({ hours }) => hours > 0)).filter((rows) => rows.length > 0);
  const told = fished.flatMap((rows, trip) => rows.map((row: StretchRow) => ({ trip, row })));
  if (!told.length) return null;
  const names = new Names();
  const hoursOn: number[] = [];
  const rows = told.map(({ trip, row: { hours, bites, traits } }): CountRow => {
    const bearing: (readonly [column: number, value: number])[] = [];
    for (const [name, value] of traits) {
      if (value === 0) continue;
      const column = names.number(name);
      bearing.push([column, value]);
      hoursOn[column] = (hoursOn[column] ?? 0) + hours * Math.min(1, Math.abs(value));
    }
    bearing.sort(([a], [b]) => a - b);
    return {
      trip,
      hours,
      count: bites,
      columns: Int32Array.from(bearing, ([column]) => column),
      values: Float64Array.from(bearing, ([, value]) => value),
    };
  });
  const all = names.all;
  const { fit, prior, shape, scale } = likeliest(rows, all, before);
  const known = (traits: Traits) =>
    [...traits].filter(([name, value]) => value !== 0 && names.find(name) !== undefined);
  const own = ownPlaces(told.map(({ row }) => row));
  /** A sum of parameters, less another, with its doubt. What nothing was fished of adds nothing to either. */
  const estimated = (traits: Traits, over: Traits | undefined, of: (at: number) => number): Estimate => {
    const columns = new Map<number, number>();
    for (const [name, value] of known(traits)) columns.set(names.find(name) as number, value);
    for (const [name, value] of over ? known(over) : []) {
      const at = names.find(name) as number;
      columns.set(at, (columns.get(at) ?? 0) - value);
    }
    let mean = 0;
    for (const [at, value] of columns) mean += value * of(at);
    return { mean, sd: Math.sqrt(fit.variance([...columns.keys()], [...columns.values()])) };
  };
  return {
    trips: fished.length,
    hours: rows.reduce((sum, { hours }) => sum + hours, 0),
    shape: shape.value,
    scale: scale.value,
    parameters: () =>
      all.map((name, at) => ({
        name,
        prior: prior.mean[at] as number,
        priorSd: prior.sd[at] as number,
        mean: fit.mean[at] as number,
        sd: Math.sqrt(fit.variance([at], [1])),
        hours: hoursOn[at] as number,
      })),
    moved: (traits, over) => estimated(traits, over, (at) => (fit.mean[at] as number) - (prior.mean[at] as number)),
    against: (traits, other) => estimated(traits, other, (at) => fit.mean[at] as number),
    ownPlaces: (structure) => own.get(structure) ?? new Map(),
    mean: (name) => {
      const at = names.find(name);
      return at === undefined ? widthOf(name).mean : (fit.mean[at] as number);
    },
    rateLog: (traits) => {
      const told = known(traits);
      const columns = told.map(([name]) => names.find(name) as number);
      let mean = 0;
      let unknown = TRIP_SD ** 2 + BEYOND_MODEL_SD ** 2;
      for (const [name, value] of traits) {
        const at = names.find(name);
        if (at !== undefined) mean += value * (fit.mean[at] as number);
        else {
          const width = widthOf(name);
          mean += value * width.mean;
          unknown += (value * (width.isScaled ? scale.value * width.sd : width.sd)) ** 2;
        }
      }
      return {
        mean,
        sd: Math.sqrt(
          unknown +
            fit.variance(
              columns,
              told.map(([, value]) => value),
            ),
        ),
      };
    },
  };
}
