import { mean } from 'd3-array';
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

/** What the plan prefers most of all that is alike; of what it prefers as much, the first. */
class Preferred {
  private readonly best = new Map<string, Candidate>();

  constructor(candidates: readonly Candidate[], keyOf: (each: Candidate) => string) {
    for (const each of candidates) {
      const key = keyOf(each);
      const known = this.best.get(key);
      if (!known || each.prior > known.prior) this.best.set(key, each);
    }
  }

  of(key: string): Candidate | undefined {
    return this.best.get(key);
  }
}

const withLure = (each: OnTheWater): string => `${placeOf(each)} ${each.category}`;

/**
 * A day as the states take it: the plan's preferences as priors, the stretches that were fished as what is known.
 * Depth and pace are told against what the plan prefers with a lure at a place.
 * @param atMin minutes past midnight at which it is asked
 */
export function statesOf(candidates: readonly Candidate[], blocks: readonly Block[], atMin: number): DayStates {
  const [places, lures, trims] = [new Index<string>(), new Index<string>(), new Index<string | null>()];
  const kinds: number[] = [];
  trims.of(null);
  for (const each of [...candidates, ...blocks]) {
    kinds[places.of(placeOf(each))] ??= each.structure ? STRUCTURES.indexOf(each.structure) + 1 : 0;
    lures.of(each.category);
    trims.of(each.trim);
  }
  const here = new Preferred(candidates, placeOf);
  const hereWithLure = new Preferred(candidates, withLure);
  const anywhere = new Preferred(candidates, ({ category }) => category);
  const priors: Priors = {
    ...priorsOf(here, hereWithLure, places.values, lures.values),
    feeds: candidates[0]?.light === 'high' ? FEEDS_IN_HIGH_SUN : FEEDS,
    kinds,
    tones: trims.values.length,
  };
  const fishedOf = (each: OnTheWater, preference: number): Fished => {
    const place = placeOf(each);
    const depths = hereWithLure.of(withLure(each)) ?? here.of(place);
    const paces = anywhere.of(each.category);
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
  // Field by field: to spread what is fished and add to it takes a hundred times as long in some engines.
  const stretches = inOrder.map((block, at): Stretch => {
    const { place, lure, depthLog, paceSteps, tone, preference } = fishedOf(block, ofBlocks[at] as number);
    const half = block.hours * 30;
    return {
      place,
      lure,
      depthLog,
      paceSteps,
      tone,
      preference,
      fromMin: block.atMin - half,
      toMin: block.atMin + half,
      hours: block.hours,
      bites: block.bites,
      nearMisses: block.nearMisses ?? null,
    };
  });
  const belief = beliefOf(priors, begin, stretches);
  belief.advance(atMin);
  const like = likeThings(candidates, inOrder, ofBlocks, atMin);
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

/** Where fish are believed to be, and what to take, as the plan prefers places and lures. */
function priorsOf(
  here: Preferred,
  hereWithLure: Preferred,
  places: readonly string[],
  lures: readonly string[],
): Pick<Priors, 'holds' | 'works'> {
  const best = places.map((place) => here.of(place)?.prior);
  const usual = mean(best) as number;
  // How well each lure does, of the best at the same place, in the mean of the places where the plan has it.
  const share = lures.map((lure) => {
    const shares = places.flatMap((place, at) => {
      const own = hereWithLure.of(`${place} ${lure}`)?.prior;
      return own === undefined ? [] : [own / (best[at] as number)];
    });
    return mean(shares) ?? null;
  });
  const planned = share.filter((each) => each !== null);
  const [worst, most] = [Math.min(...planned), Math.max(...planned)];
  return {
    holds: best.map((own) => (own === undefined ? UNPLANNED_HOLDS : heldBy(own / usual))),
    works: share.map((each) =>
      each === null ? UNPLANNED_WORKS : worksBy(most > worst ? (each - worst) / (most - worst) : 1),
    ),
  };
}
