import { normalDeviate, seededNumbers } from '../numbers/seeded.js';
import { drawWay, otherWay, WAYS, type Way, type WayBelief } from './belief.js';

/** Where the day stands. */
export interface DaySoFar {
  /** Sizes that came and count, in their order. */
  readonly sizes: readonly number[];
  readonly limit: number;
  readonly culling: boolean;
  /** Minutes of the day. */
  readonly nowMin: number;
  readonly endMin: number;
  readonly way: Way;
  readonly beliefs: Readonly<Record<Way, WayBelief>>;
  /** Under it no fish counts. */
  readonly minimum: number;
}

/** Totals over the days that may come. */
export interface Totals {
  readonly mean: number;
  /** One in ten is under it, one in two, nine in ten. */
  readonly low: number;
  readonly middle: number;
  readonly high: number;
  /** How likely the box is full at the end. */
  readonly fullOdds: number;
}

/** When to change over to the other way. */
export interface ChangeOver {
  readonly from: Way;
  readonly to: Way;
  /** At this minute of the day at the latest; null: not at all. */
  readonly atMin: number | null;
  /** Sooner, once so many are in the box; null where only the hour counts. */
  readonly once: number | null;
  /** What that brings, and what staying and changing at once would. */
  readonly best: Totals;
  readonly stay: Totals;
  readonly now: Totals;
  /** In how many of the days that may come it brings more than staying, and in how many less. */
  readonly more: number;
  readonly less: number;
  /** The mean total by the minute of changing over, whatever is in the box: for who wants to see how much it matters. */
  readonly byMinute: readonly { readonly atMin: number; readonly mean: number }[];
}

export interface ChangeOverOptions {
  readonly draws?: number;
  readonly seed?: number;
  /** Minutes that are lost on the way to the other fish. */
  readonly moveMin?: number;
}

const DRAWS = 400;
const SEED = 5;
const STEP_MIN = 15;
/** Winding in, a short run, another rod. Judgement. */
export const MOVE_MIN = 12;
/** A change must promise a hundredth more than staying: less is within what is drawn. */
const WORTH = 1.01;
/** An hour beside the fish in the box must promise so much more than the hour alone to be worth its words. */
const WORTH_COUNTING = 1.005;
/** Every fish that is caught leaves so many fewer for the next, those that come back meanwhile reckoned in. Judgement. */
const THINNED = 0.04;
const MOST_FISH = 400;

/** Fish of one way over what is left of a day that may be. */
interface Coming {
  readonly atMin: readonly number[];
  readonly sizes: readonly number[];
  /** How many may be caught before it for it still to be there. */
  readonly after: readonly number[];
}

function comingOf(belief: WayBelief, { nowMin, endMin, minimum }: DaySoFar, random: () => number): Coming {
  const { fishAnHour, logMean, logSd } = drawWay(belief, random);
  const [atMin, sizes, after]: [number[], number[], number[]] = [[], [], []];
  for (let at = nowMin; atMin.length < MOST_FISH;) {
    at += (-Math.log(1 - random()) / fishAnHour) * 60;
    if (!(at < endMin)) break;
    atMin.push(at);
    sizes.push(Math.max(minimum, Math.exp(logMean + logSd * normalDeviate(random))));
    after.push(Math.log(1 - random()) / Math.log(1 - THINNED));
  }
  return { atMin, sizes, after };
}

/** The best few that are in the box, filled in place as fish come. */
class Filling {
  private readonly best: Float64Array;
  count = 0;
  total = 0;

  constructor(
    private readonly limit: number,
    private readonly culling: boolean,
  ) {
    this.best = new Float64Array(limit);
  }

  empty(): void {
    this.count = 0;
    this.total = 0;
  }

  add(size: number): void {
    const { best, limit } = this;
    let place = this.count;
    if (place >= limit) {
      const least = best[limit - 1] as number;
      if (!this.culling || size <= least) return;
      this.total -= least;
      place = limit - 1;
    } else this.count++;
    for (; place > 0 && (best[place - 1] as number) < size; place--) best[place] = best[place - 1] as number;
    best[place] = size;
    this.total += size;
  }
}

/** Who changes at `atMin`, or once `once` are in the box. */
interface Rule {
  readonly atMin: number;
  readonly once: number;
}

/** What a rule brings on one day that may be. */
function play(rule: Rule, own: Coming, other: Coming, day: DaySoFar, moveMin: number, box: Filling): void {
  box.empty();
  for (const size of day.sizes) box.add(size);
  let changedMin = box.count >= rule.once ? day.nowMin : rule.atMin;
  let caught = 0;
  for (let at = 0; at < own.atMin.length; at++) {
    const min = own.atMin[at] as number;
    if (min >= changedMin) break;
    if (caught > (own.after[at] as number)) continue;
    caught++;
    box.add(own.sizes[at] as number);
    if (box.count >= rule.once) changedMin = min;
  }
  const fromMin = changedMin + moveMin;
  if (changedMin >= day.endMin) return;
  caught = 0;
  for (let at = 0; at < other.atMin.length; at++) {
    if ((other.atMin[at] as number) < fromMin || caught > (other.after[at] as number)) continue;
    caught++;
    box.add(other.sizes[at] as number);
  }
}

interface Played {
  readonly rule: Rule;
  readonly totals: Float64Array;
  readonly full: number;
  readonly mean: number;
}

function totalsOf({ totals, full, mean }: Played): Totals {
  const sorted = Float64Array.from(totals).sort();
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] as number;
  return { mean, low: at(0.1), middle: at(0.5), high: at(0.9), fullOdds: full };
}

/**
 * When to leave the one way of fishing for the other, so that what counts at the end is most: many rests of the day are
 * drawn from what is believed of both ways, and every rule "at this hour, or once so many are in the box" is played on the
 * same of them. To be asked again after every fish and every quarter of an hour: that is rolling an open-loop plan forward
 * (Bertsekas 2005, open-loop feedback control), and learns because what is believed does.
 * @example
 * const way = (fish, hours, grams) => ({
 *   fish,
 *   hours,
 *   size: { logMean: Math.log(grams), strength: 4, shape: 3, scatter: 0.3 },
 * });
 * const { atMin } = changeOver({
 *   sizes: [700, 800, 750, 900, 850],
 *   limit: 5,
 *   culling: true,
 *   nowMin: 600,
 *   endMin: 900,
 *   way: 'limit',
 *   beliefs: { limit: way(8, 4, 800), big: way(2, 4, 2000) },
 *   minimum: 0,
 * });
 * atMin // => 600
 */
export function changeOver(
  day: DaySoFar,
  { draws = DRAWS, seed = SEED, moveMin = MOVE_MIN }: ChangeOverOptions = {},
): ChangeOver {
  const { nowMin, endMin, limit, culling, way } = day;
  const random = seededNumbers(seed);
  const drawn = Array.from({ length: draws }, () => {
    const [first, second] = WAYS.map((each) => comingOf(day.beliefs[each], day, random)) as [Coming, Coming];
    return way === 'limit' ? { own: first, other: second } : { own: second, other: first };
  });
  const box = new Filling(limit, culling);
  const playAll = (rule: Rule): Played => {
    const totals = new Float64Array(draws);
    let [full, sum] = [0, 0];
    drawn.forEach(({ own, other }, at) => {
      play(rule, own, other, day, moveMin, box);
      totals[at] = box.total;
      sum += box.total;
      if (box.count >= limit) full++;
    });
    return { rule, totals, full: full / draws, mean: sum / draws };
  };

  const minutes: number[] = [nowMin];
  for (let at = (Math.floor(nowMin / STEP_MIN) + 1) * STEP_MIN; at < endMin; at += STEP_MIN) minutes.push(at);
  const byHour = minutes.map((atMin) => playAll({ atMin, once: Infinity }));
  const now = byHour[0] as Played;
  const stay = playAll({ atMin: Infinity, once: Infinity });
  const have = Math.min(day.sizes.length, limit);
  let best = byHour.reduce((a, b) => (b.mean > a.mean ? b : a), stay);
  let counting = best;
  for (let once = have + 1; once <= limit; once++) {
    for (const atMin of [...minutes.slice(1), Infinity]) {
      const played = playAll({ atMin, once });
      if (played.mean > counting.mean) counting = played;
    }
  }
  if (counting.mean > WORTH_COUNTING * best.mean) best = counting;
  if (best.mean <= WORTH * stay.mean) best = stay;
  const than = (sign: 1 | -1) =>
    best.totals.reduce((sum, total, at) => sum + (sign * (total - (stay.totals[at] as number)) > 1e-9 ? 1 : 0), 0) /
    draws;
  return {
    from: way,
    to: otherWay(way),
    atMin: Number.isFinite(best.rule.atMin) ? best.rule.atMin : null,
    once: Number.isFinite(best.rule.once) ? best.rule.once : null,
    best: totalsOf(best),
    stay: totalsOf(stay),
    now: totalsOf(now),
    more: than(1),
    less: than(-1),
    byMinute: byHour.map(({ rule, mean }) => ({ atMin: rule.atMin, mean })),
  };
}
