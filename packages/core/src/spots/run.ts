/** A spot that may be fished on a run. Times are whole minutes past midnight. */
export interface RunSpot {
  readonly minutes: number;
  /** How good it is, 0 to 1, at points of time in ascending order; straight lines between them, level beyond. */
  readonly goodness: readonly { readonly minute: number; readonly goodness: number }[];
  /** A stay lies within one of these, where they are given; ascending. */
  readonly open?: readonly Stretch[] | undefined;
}

/** A stretch of the day, minutes past midnight. */
export interface Stretch {
  readonly fromMin: number;
  readonly toMin: number;
}

export interface RunProblem {
  readonly spots: readonly RunSpot[];
  /** Minutes by boat from stop to stop; the start is after the last spot, the end after the start. */
  readonly travelMin: readonly (readonly number[])[];
  readonly startMin: number;
  readonly endMin: number;
}

export interface RunStop {
  readonly spot: number;
  readonly arriveMin: number;
  readonly fromMin: number;
  readonly toMin: number;
  /** Good minutes: the stay weighed by how good the spot is while it lasts. */
  readonly goodMin: number;
}

export interface Run {
  readonly stops: readonly RunStop[];
  readonly backMin: number;
  /** Good minutes in all. */
  readonly goodMin: number;
}

/** Labels that live on from one length of run to the next. */
const BEAM = 2500;
/** Runs kept that visit the same spots and end at the same one: none of them both later and worse than another. */
const FRONT = 4;
/** How much of what the time left could bring at best is hoped for, when runs of one length are compared. */
const HOPE_SHARE = 0.7;
const DAY_MIN = 1440;

/** Good minutes of a spot from midnight up to each minute: what a stay is worth is a difference of two. */
function goodUpTo({ goodness }: RunSpot): Float64Array {
  const sum = new Float64Array(DAY_MIN * 2 + 1);
  let at = 0;
  for (let minute = 0; minute < sum.length - 1; minute++) {
    while (at < goodness.length && (goodness[at]?.minute ?? 0) <= minute) at++;
    const after = goodness[at];
    const before = goodness[at - 1];
    let now = 0;
    if (before && after) {
      now =
        before.goodness +
        ((after.goodness - before.goodness) * (minute - before.minute)) / (after.minute - before.minute);
    } else now = (before ?? after)?.goodness ?? 0;
    sum[minute + 1] = (sum[minute] as number) + now;
  }
  return sum;
}

/** When a stay begins for who arrives at a minute: at once, or as soon as the spot opens for it; never is Infinity. */
function beginsMin({ minutes, open }: RunSpot, arriveMin: number): number {
  if (!open) return arriveMin;
  for (const { fromMin, toMin } of open) {
    const begins = Math.max(arriveMin, fromMin);
    if (begins + minutes <= toMin) return begins;
  }
  return Infinity;
}

/** One stay after another along an order; null where it cannot be kept. */
function follow(problem: RunProblem, good: readonly Float64Array[], order: readonly number[]): Run | null {
  const { spots, travelMin, startMin, endMin } = problem;
  let at = spots.length;
  let now = startMin;
  let goodMin = 0;
  const stops: RunStop[] = [];
  for (const spot of order) {
    const stay = spots[spot] as RunSpot;
    const arriveMin = now + (travelMin[at]?.[spot] ?? Infinity);
    const fromMin = beginsMin(stay, arriveMin);
    const toMin = fromMin + stay.minutes;
    if (!(toMin <= endMin)) return null;
    const worth = (good[spot]?.[toMin] as number) - (good[spot]?.[fromMin] as number);
    stops.push({ spot, arriveMin, fromMin, toMin, goodMin: worth });
    goodMin += worth;
    now = toMin;
    at = spot;
  }
  const backMin = now + (travelMin[at]?.[spots.length + 1] ?? Infinity);
  return backMin <= endMin ? { stops, backMin, goodMin } : null;
}

interface Label {
  readonly visited: number;
  readonly last: number;
  readonly now: number;
  readonly goodMin: number;
  readonly hope: number;
  readonly before: Label | null;
}

const orderOf = (label: Label | null): number[] => (label ? [...orderOf(label.before), label.last] : []);

/** The best order that a beam finds: runs grow stop by stop, and the most hopeful of each length live on. */
function beam(problem: RunProblem, good: readonly Float64Array[], width: number): number[] {
  const { spots, travelMin, startMin, endMin } = problem;
  const count = spots.length;
  const topRate = spots.map(({ goodness }) => Math.max(0, ...goodness.map((each) => each.goodness)));
  const byRate = topRate.map((_, spot) => spot).sort((a, b) => (topRate[b] as number) - (topRate[a] as number));
  /** What the time left could bring at best, with no travel at all. */
  const hopeOf = (visited: number, now: number): number => {
    let left = endMin - now;
    let hope = 0;
    for (const spot of byRate) {
      if (visited & (1 << spot) || left <= 0) continue;
      const stay = Math.min(left, spots[spot]?.minutes ?? 0);
      hope += stay * (topRate[spot] as number);
      left -= stay;
    }
    return hope;
  };
  let best: Label | null = null;
  let level: Label[] = [{ visited: 0, last: count, now: startMin, goodMin: 0, hope: 0, before: null }];
  while (level.length) {
    const fronts = new Map<number, Label[]>();
    for (const label of level) {
      for (let spot = 0; spot < count; spot++) {
        if (label.visited & (1 << spot)) continue;
        const stay = spots[spot] as RunSpot;
        const from = beginsMin(stay, label.now + (travelMin[label.last]?.[spot] as number));
        const now = from + stay.minutes;
        if (!(now + (travelMin[spot]?.[count + 1] as number) <= endMin)) continue;
        const goodMin = label.goodMin + (good[spot]?.[now] as number) - (good[spot]?.[from] as number);
        const visited = label.visited | (1 << spot);
        const key = visited * 32 + spot;
        const front = fronts.get(key) ?? [];
        if (front.some((other) => other.now <= now && other.goodMin >= goodMin)) continue;
        const kept = front.filter((other) => other.now < now || other.goodMin > goodMin);
        kept.push({
          visited,
          last: spot,
          now,
          goodMin,
          hope: goodMin + HOPE_SHARE * hopeOf(visited, now),
          before: label.last === count ? null : label,
        });
        if (kept.length > FRONT) kept.sort((a, b) => b.hope - a.hope).length = FRONT;
        fronts.set(key, kept);
      }
    }
    level = [...fronts.values()].flat();
    for (const label of level) if (!best || label.goodMin > best.goodMin) best = label;
    if (level.length > width) level = level.sort((a, b) => b.hope - a.hope).slice(0, width);
  }
  return orderOf(best);
}

/** Orders one small change away: a stop moved, two swapped, a stretch turned round, one left out, added or replaced. */
function* neighboursOf(order: readonly number[], count: number): Generator<number[]> {
  const absent = Array.from({ length: count }, (_, spot) => spot).filter((spot) => !order.includes(spot));
  for (let at = 0; at <= order.length; at++) for (const spot of absent) yield order.toSpliced(at, 0, spot);
  for (let at = 0; at < order.length; at++) {
    const own = order[at] as number;
    const without = order.toSpliced(at, 1);
    for (const spot of absent) yield order.toSpliced(at, 1, spot);
    for (let to = 0; to <= without.length; to++) {
      if (to !== at) yield without.toSpliced(to, 0, own);
      for (const spot of absent) yield without.toSpliced(to, 0, spot);
    }
    for (let to = at + 2; to <= order.length; to++) {
      yield [...order.slice(0, at), ...order.slice(at, to).reverse(), ...order.slice(to)];
    }
  }
}

/**
 * The run that brings most good minutes from ramp to ramp: an orienteering problem with time windows, worth that
 * changes with the hour, and stays of given length. A beam over runs of growing length with dominance among those that
 * visited the same spots (in the manner of Righini & Salani's bounded dynamic programming, 2009), then local search.
 * @param width labels that live on from one length to the next; with up to eight spots none is ever cut off
 * @throws RangeError with more than 25 spots
 */
export function bestRun(problem: RunProblem, width = BEAM): Run {
  const count = problem.spots.length;
  if (count > 25) throw new RangeError(`A run is chosen from at most 25 spots, got ${count}`);
  const good = problem.spots.map(goodUpTo);
  const none: Run = { stops: [], backMin: problem.startMin + (problem.travelMin[count]?.[count + 1] ?? 0), goodMin: 0 };
  let order = beam(problem, good, width);
  let run = follow(problem, good, order) ?? none;
  for (let better = true; better;) {
    better = false;
    for (const other of neighboursOf(order, count)) {
      const tried = follow(problem, good, other);
      if (tried && tried.goodMin > run.goodMin + 1e-9) {
        [run, order, better] = [tried, other, true];
        break;
      }
    }
  }
  return run;
}

/** The run along a given order; null where it cannot be kept. */
export const runAlong = (problem: RunProblem, order: readonly number[]): Run | null =>
  follow(problem, problem.spots.map(goodUpTo), order);
