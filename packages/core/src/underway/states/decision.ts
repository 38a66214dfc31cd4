import type { Candidate } from '../evidence/fished.js';
import { rateAt, type Prospect } from '../evidence/posterior.js';
import type { Belief } from './belief.js';
import { chanceOf, EMPTY_RATE, type Fished, type Rates } from './belief.js';
import type { LikeThings } from './like-things.js';

/** Something that could be fished: as far as fish answer it, and as like things are told. */
export interface Fishable {
  readonly fished: Fished;
  readonly candidate: Candidate;
}

/** What is asked: what is believed, what could be fished, and what changes cost. */
export interface Question<T extends Fishable> {
  readonly belief: Belief;
  readonly like: LikeThings;
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

/** How likely the water is one of states rather than of slopes, before the first cast; and the least that is left of either. Judgement. */
const STATES = 0.9;
const LEAST_OF_EITHER = 0.02;
/** Deviates at the middles of ten equal shares of a normal law. */
const TENTHS_Z = [-1.645, -1.036, -0.674, -0.385, -0.126, 0.126, 0.385, 0.674, 1.036, 1.645] as const;
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
const EVEN = 0.5;
const MUCH_MORE = 1.5;

/** Rates of an option in every way and state, some minutes from now. */
interface Outlook<T extends Fishable> extends Rates {
  readonly option: T;
  /** In every way: that its place holds fish. */
  readonly held: Float64Array;
  readonly costMin: number;
  /** Bites an hour by the states alone, by like things alone, and by both as far as each is believed. */
  readonly byStates: number;
  readonly byLike: Prospect;
  readonly mean: number;
}

/** Ways that are looked ahead in, drawn from all by their weights: so many alike tell as much, in a third of the time. */
const DRAWN = 256;

/** An option in the drawn ways: its rates, and that its place holds fish. */
interface Drawn<T extends Fishable> extends Rates {
  readonly look: Outlook<T>;
  readonly held: Float64Array;
}

/** What is believed in the drawn ways after a trial that went one way. */
interface Outcome {
  readonly weight: Float64Array;
  readonly fed: Float64Array;
  readonly held: Float64Array;
}
const outcome = (): Outcome => ({
  weight: new Float64Array(DRAWN),
  fed: new Float64Array(DRAWN),
  held: new Float64Array(DRAWN),
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

  constructor(private readonly question: Question<T>) {
    this.belief = question.belief;
    this.ways = drawnFrom(question.belief.weights);
    // Bayesian model averaging (Hoeting et al. 1999): each by how well it foretold the bites.
    const ahead = question.belief.logEvidence - question.like.logEvidence;
    const share = 1 / (1 + ((1 - STATES) / STATES) * Math.exp(-ahead));
    this.share = Math.min(1 - LEAST_OF_EITHER, Math.max(LEAST_OF_EITHER, share));
  }

  private fed(way: number): number {
    return this.belief.feeds[way] as number;
  }

  outlook(option: T): Outlook<T> {
    const { belief } = this;
    const costMin = this.question.costMin(this.question.now, option);
    const rates = belief.rates(option.fished, costMin);
    const { feeding, resting } = rates;
    const holds = belief.holdsAt(option.fished.place);
    const byStates = belief.mean((way) => {
      const fed = this.fed(way);
      const held = holds[way] as number;
      return held * (fed * (feeding[way] as number) + (1 - fed) * (resting[way] as number)) + (1 - held) * EMPTY_RATE;
    });
    const byLike = this.question.like.prospect(option.candidate);
    const mean = this.share * byStates + (1 - this.share) * likely(byLike);
    return { option, held: holds, costMin, feeding, resting, byStates, byLike, mean };
  }

  private drawn(look: Outlook<T>): Drawn<T> {
    const { ways } = this;
    const of = (all: Float64Array) => {
      const drawn = new Float64Array(DRAWN);
      for (let at = 0; at < DRAWN; at++) drawn[at] = all[ways[at] as number] as number;
      return drawn;
    };
    return { look, held: of(look.held), feeding: of(look.feeding), resting: of(look.resting) };
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
    const bestAfter = ({ weight, fed, held }: Outcome): number => {
      let best = 0;
      for (const next of all) {
        const nextCost = next === of ? 0 : costMin(option, next.look.option);
        const holds = next.look.option.fished.place === option.fished.place ? held : next.held;
        const { feeding, resting } = next;
        let sum = 0;
        for (let at = 0; at < DRAWN; at++) {
          const f = fed[at] as number;
          const there = f * (feeding[at] as number) + (1 - f) * (resting[at] as number);
          sum += (weight[at] as number) * (EMPTY_RATE + (holds[at] as number) * (there - EMPTY_RATE));
        }
        best = Math.max(best, (sum * Math.max(0, restMin - nextCost)) / 60);
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

  /** After nothing, and after something: the weight of each way, and in it that fish feed and that the place holds them. */
  private outcomes(of: Drawn<T>, hours: number): readonly [none: Outcome, some: Outcome] {
    const [none, some] = [outcome(), outcome()];
    const empty = chanceOf(0, EMPTY_RATE * hours);
    for (let at = 0; at < DRAWN; at++) {
      const [fed, held] = [this.fed(this.ways[at] as number), of.held[at] as number];
      const feeding = chanceOf(0, (of.feeding[at] as number) * hours);
      const resting = chanceOf(0, (of.resting[at] as number) * hours);
      const there = fed * feeding + (1 - fed) * resting;
      const total = held * there + (1 - held) * empty;
      none.weight[at] = total / DRAWN;
      some.weight[at] = (1 - total) / DRAWN;
      none.held[at] = (held * there) / total;
      none.fed[at] = (fed * (held * feeding + (1 - held) * empty)) / total;
      some.held[at] = after(held, none.held[at] as number, total);
      some.fed[at] = after(fed, none.fed[at] as number, total);
    }
    return [none, some];
  }

  /** How likely one thing brings more an hour than another, over all ways and states. */
  private oddsOf(to: Outlook<T>, stay: Outlook<T>): number {
    const same = to.option.fished.place === stay.option.fished.place;
    const byLike = this.question.like.odds(to.option.candidate, stay.option.candidate);
    const byStates = this.belief.mean((way) => {
      let odds = 0;
      for (const [fed, isFeeding] of [
        [this.fed(way), true],
        [1 - this.fed(way), false],
      ] as const) {
        const [a, b] = [
          (isFeeding ? to.feeding : to.resting)[way] as number,
          (isFeeding ? stay.feeding : stay.resting)[way] as number,
        ];
        const [heldTo, heldStay] = [to.held[way] as number, stay.held[way] as number];
        const better = a > b ? 1 : 0;
        odds += fed * (same ? heldTo * better : heldTo * (heldStay * better + (1 - heldStay)));
      }
      return odds;
    });
    return this.share * byStates + (1 - this.share) * byLike;
  }

  /** Bounds of a rate in four cases of five, over all ways and states: the empty place is one of them. */
  private range80(of: Outlook<T>): readonly [number, number] {
    // Of each way three cases: they feed, they rest, and nothing is there; and ten of like things.
    const size = 3 * DRAWN + TENTHS_Z.length;
    const [rates, weights] = [new Float64Array(size), new Float64Array(size)];
    this.ways.forEach((way, at) => {
      const [fed, held] = [this.fed(way), of.held[way] as number];
      rates.set([of.feeding[way] as number, of.resting[way] as number, 0], 3 * at);
      weights.set(
        [held * fed, held * (1 - fed), 1 - held].map((weight) => (this.share * weight) / DRAWN),
        3 * at,
      );
    });
    const byLike = of.byLike.rate();
    rates.set(
      TENTHS_Z.map((z) => rateAt(byLike, z)),
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
      if (to.place === from.place && to.lure === from.lure) return WORTH_TRIMMING;
      const onHope = look.mean < MUCH_MORE * stay.mean && this.oddsOf(look, stay) < EVEN;
      return onHope ? WORTH_HOPING : WORTH_CHANGING;
    };
    const { leaning = () => 1 } = this.question;
    const worths = drawn.map((each) => (this.worth(each, drawn) * leaning(each.look.option)) / price(each.look));
    const to = looked[worths.indexOf(Math.max(...worths))];
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
