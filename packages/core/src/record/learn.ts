import type { Structure } from '../contract/ids.js';
import { fitCounts, type CountFit, type CountPrior, type CountRow } from './counts.js';
import { rowsOf, type StretchRow } from './rows.js';
import { learnedOf, lowerTriangle, TRIP_SD, type Learned } from './learned-state.js';
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

  get all(): string[] {
    return [...this.numbers.keys()];
  }
}

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
  return learnedOf({
    trips: fished.length,
    hours: rows.reduce((sum, { hours }) => sum + hours, 0),
    shape: shape.value,
    scale: scale.value,
    parameters: all.map((name, at) => ({
      name,
      prior: prior.mean[at] as number,
      priorSd: prior.sd[at] as number,
      mean: fit.mean[at] as number,
      hours: hoursOn[at] as number,
    })),
    covariance: lowerTriangle(fit.covariance(), all.length),
    ownPlaces: [...ownPlaces(told.map(({ row }) => row))].map(([structure, traits]) => [structure, [...traits]]),
  });
}
