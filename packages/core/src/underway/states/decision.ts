import { dot } from '../../numbers/cholesky.js';
import type { Candidate } from '../evidence/fished.js';
import { rateAt, type Prospect } from '../evidence/posterior.js';
import type { Belief } from './belief.js';
import { chanceOf, EMPTY_RATE, type Counts } from './belief.js';
import type { LikeThings } from './like-things.js';
import type { DaySoFar } from './so-far.js';
import type { Fished, Rates } from './ways.js';

/** Something that could be fished: as far as fish answer it, and as like things are told. */
export interface Fishable {
  readonly fished: Fished;
  readonly candidate: Candidate;
}

/** What is asked: what is believed, what could be fished, and what changes cost. */
export interface Question<T extends Fishable> {
  readonly belief: Belief;
  readonly like: LikeThings;
  readonly soFar: DaySoFar;
  /** What is fished now, one of the options; null before the first cast. */
  readonly now: T | null;
  readonly options: readonly T[];
  readonly leftMin: number;
  /** Minutes that going over costs: running and tying. */
  readonly costMin: (from: T | null, to: T) => number;
  /** By which factor something seen, and not counted in bites, makes an option likelier; 1 where it does not. */
  readonly leaning?: (to: T) => number;
}

/** What is to be hoped for of something. */
export interface Hope<T extends Fishable> {
  readonly option: T;
  /** Bites an hour, in the mean of all ways in which the day may be. */
  readonly perHour: number;
  /** The rate lies within it in four cases of five; nothing is in it where nothing is likely. */
  readonly range80: readonly [number, number];
  /** How likely its place is empty. */
  readonly empty: number;
}

/** What to do next. */
export interface Decision<T extends Fishable> {
  readonly to: Hope<T>;
  /** What goes on; null before the first cast. */
  readonly stay: Hope<T> | null;
  /** How likely it brings more an hour than what goes on; null where that is it. */
  readonly odds: number | null;
}

/**
 * How likely the water is one of states rather than of slopes, before the first cast; the same while the place that is
 * fished bites: like things know nothing of fish that are there; and the least that is left of either. Judgement.
 */
const STATES = 0.8;
const STATES_WHERE_LIVE = 0.95;
/** States follow the plan's order of places and lures: they count by this power of how far the plan was borne out. Judgement. */
const BORNE_OUT_POWER = 2;
const LEAST_OF_EITHER = 0.02;
/** Deviates at the middles of ten equal shares of a normal law. */
const TENTHS_Z = [-1.645, -1.036, -0.674, -0.385, -0.126, 0.126, 0.385, 0.674, 1.036, 1.645] as const;
/** Beside those of the states, ranges of like things held the truth too often in simulated days: they are told so much narrower. */
const RANGES_NARROWER = 0.6;
/** A trial is so long; what is learnt in it is of use for so long. */
const TRIAL_MIN = 25;
const AHEAD_MIN = 200;
/** So many of the likeliest options are looked ahead from, and to. */
const LOOKED_AT = 22;
/** To be worth a change, something must be better by so much; to be worth another depth, pace or tone, by so much. */
const WORTH_CHANGING = 1.04;
const WORTH_TRIMMING = 1.2;
/** The same of a place or a lure that is likelier not better, and does not bring so much more in the mean. */
const WORTH_HOPING = 1.5;
/** The same of what was fished in vain within the hour. */
const WORTH_AGAIN = 2;
const EVEN = 0.5;
const MUCH_MORE = 1.5;

/** What is to be hoped for of an option, some minutes from now. */
interface Outlook<T extends Fishable> {
  readonly option: T;
  readonly costMin: number;
  /** In every way: that its place holds fish. */
  readonly held: Float64Array;
  /** Its rates in every way and state. */
  readonly rates: () => Rates;
  /** Bites an hour by the states alone, by like things alone, and by both as far as each is believed. */
  readonly byStates: number;
  readonly byLike: Prospect;
  readonly mean: number;
}

/** Ways that are looked ahead in, drawn from all by their weights: so many alike tell as much, in a third of the time. */
const DRAWN = 256;

/** An option in the drawn ways: that its place holds fish, and its rates over those of an empty place, if it does and as it may. */
interface Drawn<T extends Fishable> extends Rates {
  readonly look: Outlook<T>;
  readonly held: Float64Array;
  readonly mayFeeding: Float64Array;
  readonly mayResting: Float64Array;
}

/** What is believed in the drawn ways after a trial that went one way: the chance of each with fish that feed or rest, and with fish at its place. */
interface Outcome {
  chance: number;
  readonly feeding: Float64Array;
  readonly resting: Float64Array;
  readonly hereFeeding: Float64Array;
  readonly hereResting: Float64Array;
}
const outcome = (): Outcome => ({
  chance: 0,
  feeding: new Float64Array(DRAWN),
  resting: new Float64Array(DRAWN),
  hereFeeding: new Float64Array(DRAWN),
  hereResting: new Float64Array(DRAWN),
});

/** Ways drawn by their weights, evenly (systematic resampling, Kitagawa 1996). */
function drawnFrom(weights: Float64Array): Int32Array {
  const drawn = new Int32Array(DRAWN);
  let way = 0;
  let below = weights[0] as number;
  for (let at = 0; at < DRAWN; at++) {
    while (below < (at + 0.5) / DRAWN && way < weights.length - 1) below += weights[++way] as number;
    drawn[at] = way;
  }
  return drawn;
}

/** The rate that is as likely too high as too low; the mean of one that is little known is drawn up by what it might be. */
const likely = ({ logMean }: Prospect): number => Math.exp(logMean);

/** What a chance is in the other outcome of two, from what it was and what it is in the one. */
const after = (before: number, inOne: number, chanceOfOne: number): number =>
  chanceOfOne < 1 ? Math.min(1, Math.max(0, (before - chanceOfOne * inOne) / (1 - chanceOfOne))) : before;

/** One question, looked ahead in. */
class Deciding<T extends Fishable> {
  private readonly belief: Belief;
  private readonly ways: Int32Array;
  /** How far the states are believed, and how far like things. */
  private readonly share: number;
  private readonly placeCounts = new Map<number, Map<number, Counts>>();

  constructor(private readonly question: Question<T>) {
    this.belief = question.belief;
    this.ways = drawnFrom(question.belief.weights);
    const { belief, like, soFar, now } = question;
    const before = now && soFar.isLive(now.fished.place) ? STATES_WHERE_LIVE : STATES;
    // Bayesian model averaging (Hoeting et al. 1999): each by how well it foretold the bites.
    const ahead = belief.logEvidence - like.logEvidence + BORNE_OUT_POWER * Math.log(soFar.borneOut);
    const share = 1 / (1 + ((1 - before) / before) * Math.exp(-ahead));
    this.share = Math.min(1 - LEAST_OF_EITHER, Math.max(LEAST_OF_EITHER, share));
  }

  private fed(way: number): number {
    return this.belief.feeds[way] as number;
  }

  outlook(option: T): Outlook<T> {
    const { belief } = this;
    const { place } = option.fished;
    const costMin = this.question.costMin(this.question.now, option);
    const byStates = belief.meanRate(option.fished, this.counts(place, costMin));
    const byLike = this.question.like.prospect(option.candidate);
    const mean = this.share * byStates + (1 - this.share) * likely(byLike);
    let known: Rates | null = null;
    const rates = () => (known ??= belief.rates(option.fished, costMin));
    return { option, costMin, held: belief.holdsAt(place), rates, byStates, byLike, mean };
  }

  /** How much each way counts at a place, worked out once for all that could be fished there. */
  private counts(place: number, inMin: number): Counts {
    const here = this.placeCounts.get(place) ?? new Map<number, Counts>();
    const known = here.get(inMin) ?? this.belief.counts(place, inMin);
    this.placeCounts.set(place, here.set(inMin, known));
    return known;
  }

  private drawn(look: Outlook<T>): Drawn<T> {
    const { ways } = this;
    const rates = look.rates();
    const [held, feeding, resting] = [new Float64Array(DRAWN), new Float64Array(DRAWN), new Float64Array(DRAWN)];
    for (let at = 0; at < DRAWN; at++) {
      const way = ways[at] as number;
      held[at] = look.held[way] as number;
      feeding[at] = (rates.feeding[way] as number) - EMPTY_RATE;
      resting[at] = (rates.resting[way] as number) - EMPTY_RATE;
    }
    const may = (over: Float64Array) => over.map((rate, at) => rate * (held[at] as number));
    return { look, held, feeding, resting, mayFeeding: may(feeding), mayResting: may(resting) };
  }

  /**
   * Bites to be hoped for of a trial and of the best that can be done after it, whether it brought something or nothing (the
   * knowledge gradient, Frazier et al. 2008, over an outcome of two).
   */
  private worthByStates(of: Drawn<T>, all: readonly Drawn<T>[]): number {
    const { leftMin, costMin } = this.question;
    const { option, costMin: cost, byStates: mean } = of.look;
    const trialMin = Math.min(TRIAL_MIN, Math.max(0, leftMin - cost));
    if (trialMin <= 0) return 0;
    const hours = trialMin / 60;
    const restMin = Math.min(AHEAD_MIN, leftMin - cost - trialMin);
    const trial = mean * hours;
    if (restMin <= 0) return trial;
    const [none, some] = this.outcomes(of, hours);
    /** Bites of the best that can be done after an outcome, over the hours that are left for it, times its chance. */
    const bestAfter = (after: Outcome): number => {
      let best = 0;
      for (const next of all) {
        const nextCost = next === of ? 0 : costMin(option, next.look.option);
        const isHere = next.look.option.fished.place === option.fished.place;
        const over = isHere
          ? dot(after.hereFeeding, next.feeding, DRAWN) + dot(after.hereResting, next.resting, DRAWN)
          : dot(after.feeding, next.mayFeeding, DRAWN) + dot(after.resting, next.mayResting, DRAWN);
        best = Math.max(best, ((EMPTY_RATE * after.chance + over) * Math.max(0, restMin - nextCost)) / 60);
      }
      return best;
    };
    return trial + bestAfter(none) + bestAfter(some);
  }

  /** The same by like things: what they say is of use for as long. */
  private worthByLike({ look: { byLike, costMin } }: Drawn<T>): number {
    return (likely(byLike) * Math.min(TRIAL_MIN + AHEAD_MIN, Math.max(0, this.question.leftMin - costMin))) / 60;
  }

  private worth(of: Drawn<T>, all: readonly Drawn<T>[]): number {
    return this.share * this.worthByStates(of, all) + (1 - this.share) * this.worthByLike(of);
  }

  /** After nothing, and after something. */
  private outcomes(of: Drawn<T>, hours: number): readonly [none: Outcome, some: Outcome] {
    const [none, some] = [outcome(), outcome()];
    const empty = chanceOf(0, EMPTY_RATE * hours);
    const put = (into: Outcome, at: number, chance: number, fed: number, held: number): void => {
      into.chance += chance;
      into.feeding[at] = chance * fed;
      into.resting[at] = chance * (1 - fed);
      into.hereFeeding[at] = chance * held * fed;
      into.hereResting[at] = chance * held * (1 - fed);
    };
    for (let at = 0; at < DRAWN; at++) {
      const [fed, held] = [this.fed(this.ways[at] as number), of.held[at] as number];
      const feeding = chanceOf(0, ((of.feeding[at] as number) + EMPTY_RATE) * hours);
      const resting = chanceOf(0, ((of.resting[at] as number) + EMPTY_RATE) * hours);
      const there = fed * feeding + (1 - fed) * resting;
      const total = held * there + (1 - held) * empty;
      const noneHeld = (held * there) / total;
      const noneFed = (fed * (held * feeding + (1 - held) * empty)) / total;
      put(none, at, total / DRAWN, noneFed, noneHeld);
      put(some, at, (1 - total) / DRAWN, after(fed, noneFed, total), after(held, noneHeld, total));
    }
    return [none, some];
  }

  /** How likely one thing brings more an hour than another, over all ways and states. */
  private oddsOf(to: Outlook<T>, stay: Outlook<T>): number {
    const same = to.option.fished.place === stay.option.fished.place;
    const byLike = this.question.like.odds(to.option.candidate, stay.option.candidate);
    const [ofTo, ofStay] = [to.rates(), stay.rates()];
    const byStates = this.belief.mean((way) => {
      const fed = this.fed(way);
      const [heldTo, heldStay] = [to.held[way] as number, stay.held[way] as number];
      const odds = (better: boolean): number => (same ? (better ? heldTo : 0) : heldTo * (better ? 1 : 1 - heldStay));
      return (
        fed * odds((ofTo.feeding[way] as number) > (ofStay.feeding[way] as number)) +
        (1 - fed) * odds((ofTo.resting[way] as number) > (ofStay.resting[way] as number))
      );
    });
    return this.share * byStates + (1 - this.share) * byLike;
  }

  /** Bounds of a rate in four cases of five, over all ways and states: the empty place is one of them. */
  private range80(of: Outlook<T>): readonly [number, number] {
    // Of each way three cases: they feed, they rest, and nothing is there; and ten of like things.
    const size = 3 * DRAWN + TENTHS_Z.length;
    const [rates, weights] = [new Float64Array(size), new Float64Array(size)];
    const { feeding, resting } = of.rates();
    this.ways.forEach((way, at) => {
      const [fed, held] = [this.fed(way), of.held[way] as number];
      rates.set([feeding[way] as number, resting[way] as number, 0], 3 * at);
      weights.set(
        [held * fed, held * (1 - fed), 1 - held].map((weight) => (this.share * weight) / DRAWN),
        3 * at,
      );
    });
    const byLike = of.byLike.rate();
    rates.set(
      TENTHS_Z.map((z) => rateAt(byLike, RANGES_NARROWER * z)),
      3 * DRAWN,
    );
    weights.fill((1 - this.share) / TENTHS_Z.length, 3 * DRAWN);
    const order = Uint16Array.from(rates.keys()).sort((a, b) => (rates[a] as number) - (rates[b] as number));
    const at = (share: number): number => {
      let left = share;
      const found = order.find((each) => (left -= weights[each] as number) <= 0) ?? order.at(-1);
      return rates[found ?? 0] as number;
    };
    return [at(0.1), at(0.9)];
  }

  hope(of: Outlook<T>): Hope<T> {
    const empty = this.belief.mean((way) => 1 - (of.held[way] as number));
    return { option: of.option, perHour: of.mean, range80: this.range80(of), empty };
  }

  decide(): Decision<T> | null {
    const { options, now, leftMin } = this.question;
    const looks = options.map((option) => this.outlook(option));
    const stay = looks.find(({ option }) => option === now) ?? null;
    const byHope = (look: Outlook<T>) => look.mean * Math.max(0, leftMin - look.costMin);
    const others = looks.filter((look) => look !== stay).sort((a, b) => byHope(b) - byHope(a));
    const looked = [...(stay ? [stay] : []), ...others.slice(0, LOOKED_AT)];
    const drawn = looked.map((look) => this.drawn(look));
    // What goes on is worth what it is. To leave a place or a lure on hope alone is dear.
    const price = (look: Outlook<T>): number => {
      if (!stay || look === stay) return 1;
      const [to, from] = [look.option.fished, stay.option.fished];
      if (this.question.soFar.wasInVain(to)) return WORTH_AGAIN;
      if (to.place === from.place && to.lure === from.lure) return WORTH_TRIMMING;
      const onHope = look.mean < MUCH_MORE * stay.mean && this.oddsOf(look, stay) < EVEN;
      return onHope ? WORTH_HOPING : WORTH_CHANGING;
    };
    const { leaning = () => 1 } = this.question;
    const worths = drawn.map((each) => this.worth(each, drawn) * leaning(each.look.option));
    // What a change costs in hope is asked of those alone that could still be the best at the least price.
    const byWorth = looked.map((look, at) => ({ look, worth: worths[at] as number })).sort((a, b) => b.worth - a.worth);
    let best: (typeof byWorth)[number] | null = null;
    for (const { look, worth } of byWorth) {
      if (best && worth <= best.worth) break;
      const own = worth / price(look);
      if (!best || own > best.worth) best = { look, worth: own };
    }
    const to = best?.look;
    if (!to) return null;
    return {
      to: this.hope(to),
      stay: stay && this.hope(stay),
      odds: stay && to !== stay ? this.oddsOf(to, stay) : null,
    };
  }
}

/** What to do next; null where nothing can be done. */
export const decide = <T extends Fishable>(question: Question<T>): Decision<T> | null =>
  new Deciding(question).decide();

/** What is to be hoped for of something, whether or not it is done next. */
export function hopeOf<T extends Fishable>(question: Question<T>, option: T): Hope<T> {
  const deciding = new Deciding(question);
  return deciding.hope(deciding.outlook(option));
}
