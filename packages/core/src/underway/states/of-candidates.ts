import { STRUCTURES } from '../../contract/ids.js';
import type { Block, Candidate, Fished as OnTheWater } from '../evidence/fished.js';
import { preferences } from '../evidence/moves.js';
import { preferenceOf, usualLog } from '../evidence/posterior.js';
import { placeOf } from '../evidence/thinned.js';
import type { Belief, Stretch } from './belief.js';
import { beliefOf } from './kept-belief.js';
import { likeThings, type LikeThings } from './like-things.js';
import { FEEDS, FEEDS_IN_HIGH_SUN, heldBy, UNPLANNED_WORKS, worksBy } from './options.js';
import { DaySoFar } from './so-far.js';
import type { Fished, Priors } from './ways.js';

/** Something that could be fished, as the states take it. */
export interface StateOption {
  readonly candidate: Candidate;
  readonly fished: Fished;
}

/** What is believed of a day, and what could be fished in it. */
export interface DayStates {
  readonly belief: Belief;
  readonly like: LikeThings;
  readonly soFar: DaySoFar;
  readonly options: readonly StateOption[];
}

/** Pace is told in steps of this factor. */
const PACE_STEP = 1.7;
const MOST_PACE_STEPS = 2;
/** A place that no plan names. Judgement. */
const UNPLANNED_HOLDS = 0.4;
const LEAST_DEPTH_M = 0.15;
const LEAST_PACE_MPS = 0.03;

const bestOf = (all: readonly Candidate[]): Candidate | undefined =>
  all.reduce<Candidate | undefined>((best, each) => (best && best.prior >= each.prior ? best : each), undefined);

/** Distinct values in the order in which they are met. */
class Index<T> {
  private readonly at = new Map<T, number>();
  of(value: T): number {
    const known = this.at.get(value) ?? this.at.size;
    this.at.set(value, known);
    return known;
  }
  get values(): T[] {
    return [...this.at.keys()];
  }
}

/**
 * A day as the states take it: the plan's preferences as priors, the stretches that were fished as what is known.
 * Depth and pace are told against what the plan prefers with a lure at a place.
 * @param atMin minutes past midnight at which it is asked
 */
export function statesOf(candidates: readonly Candidate[], blocks: readonly Block[], atMin: number): DayStates {
  const [places, lures, trims] = [new Index<string>(), new Index<string>(), new Index<string | null>()];
  trims.of(null);
  for (const each of [...candidates, ...blocks]) {
    places.of(placeOf(each));
    lures.of(each.category);
    trims.of(each.trim);
  }
  const priors = priorsOf(candidates, [...candidates, ...blocks], places.values, lures.values, trims.values.length);
  const preferred = new Map<string, Candidate | undefined>();
  const preferredLike = (key: string, test: (each: Candidate) => boolean): Candidate | undefined => {
    if (!preferred.has(key)) preferred.set(key, bestOf(candidates.filter(test)));
    return preferred.get(key);
  };
  const fishedOf = (each: OnTheWater, preference: number): Fished => {
    const place = placeOf(each);
    const here = preferredLike(place, (other) => placeOf(other) === place);
    const depths =
      preferredLike(
        `${place} ${each.category}`,
        (other) => placeOf(other) === place && other.category === each.category,
      ) ?? here;
    const paces = preferredLike(each.category, ({ category }) => category === each.category);
    const steps = paces
      ? Math.round(
          Math.log(Math.max(LEAST_PACE_MPS, each.paceMps) / Math.max(LEAST_PACE_MPS, paces.paceMps)) /
            Math.log(PACE_STEP),
        )
      : 0;
    return {
      place: places.of(place),
      lure: lures.of(each.category),
      depthLog: depths ? Math.log(Math.max(LEAST_DEPTH_M, each.depthM) / Math.max(LEAST_DEPTH_M, depths.depthM)) : 0,
      paceSteps: Math.max(-MOST_PACE_STEPS, Math.min(MOST_PACE_STEPS, steps)),
      tone: trims.of(each.trim),
      preference,
    };
  };
  const begin = Math.min(atMin, ...blocks.map((block) => block.atMin - block.hours * 30));
  const usual = usualLog(candidates);
  const inOrder = [...blocks].sort((a, b) => a.atMin - b.atMin);
  const ofBlocks = preferences(inOrder, candidates);
  const stretches = inOrder.map((block, at): Stretch => {
    const half = block.hours * 30;
    return {
      ...fishedOf(block, ofBlocks[at] as number),
      fromMin: block.atMin - half,
      toMin: block.atMin + half,
      hours: block.hours,
      bites: block.bites,
      nearMisses: block.nearMisses ?? null,
    };
  });
  const belief = beliefOf(priors, begin, stretches);
  belief.advance(atMin);
  const like = likeThings(candidates, blocks, atMin);
  return {
    belief,
    like,
    soFar: new DaySoFar(belief.ways, stretches, atMin),
    options: candidates.map((candidate) => ({
      candidate,
      fished: fishedOf(candidate, preferenceOf(candidate.prior, usual)),
    })),
  };
}

function priorsOf(
  candidates: readonly Candidate[],
  all: readonly OnTheWater[],
  places: readonly string[],
  lures: readonly string[],
  tones: number,
): Priors {
  const best = new Map<string, number>();
  const bestWith = new Map<string, number>();
  for (const each of candidates) {
    const place = placeOf(each);
    const key = `${place} ${each.category}`;
    best.set(place, Math.max(best.get(place) ?? 0, each.prior));
    bestWith.set(key, Math.max(bestWith.get(key) ?? 0, each.prior));
  }
  const mean = [...best.values()].reduce((sum, each) => sum + each, 0) / Math.max(1, best.size);
  // How well each lure does, of the best at the same place, in the mean of the places where the plan has it.
  const share = lures.map((lure) => {
    const shares = places.flatMap((place) => {
      const own = bestWith.get(`${place} ${lure}`);
      return own === undefined ? [] : [own / (best.get(place) as number)];
    });
    return shares.length ? shares.reduce((sum, each) => sum + each, 0) / shares.length : null;
  });
  const planned = share.filter((each) => each !== null);
  const [worst, most] = [Math.min(...planned), Math.max(...planned)];
  return {
    holds: places.map((place) => {
      const own = best.get(place);
      return own === undefined ? UNPLANNED_HOLDS : heldBy(own / mean);
    }),
    works: share.map((each) =>
      each === null ? UNPLANNED_WORKS : worksBy(most > worst ? (each - worst) / (most - worst) : 1),
    ),
    feeds: candidates[0]?.light === 'high' ? FEEDS_IN_HIGH_SUN : FEEDS,
    kinds: places.map((place) => {
      const structure = all.find((each) => placeOf(each) === place)?.structure;
      return structure ? STRUCTURES.indexOf(structure) + 1 : 0;
    }),
    tones,
  };
}
