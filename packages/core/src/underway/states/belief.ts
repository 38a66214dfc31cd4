import { dot } from '../../numbers/cholesky.js';
import { REFILLED_MIN } from '../evidence/thinned.js';
import { AT_REST, emptyRates, THINS, WAYS, type Fished, type Rates, type Ways } from './ways.js';

/** What a stretch of fishing brought. */
export interface Stretch extends Fished {
  readonly fromMin: number;
  readonly toMin: number;
  readonly hours: number;
  readonly bites: number;
  /** Follows, and strikes that fell short: fish that came and did not take; null where nobody counted them. */
  readonly nearMisses: number | null;
}

/** Bites an hour of a place that holds nothing. */
export const EMPTY_RATE = 0.005;
/** Spells of feeding and of rest, minutes. */
const FEEDING_MIN = 45;
/** Where each bite puts a place down a little, by so much (log), and half of that is forgotten in so many minutes. */
const PUT_DOWN_EACH = 0.15;
const FORGOTTEN_MIN = 50;
/** So many bites put it down no further. */
const MOST_COUNTED = 6;
/** What is left of a place that has borne all that it bears. */
const PUT_DOWN = 0.15;
/** Of a stretch in whose course a place was put down, so much was fished before. */
const BEFORE_DOWN = 0.65;
/** What is nearly as it was; it is told in such steps, and no farther off than this, minutes. */
const NEARLY_RESTED = 0.85;
const REST_STEP_MIN = 5;
const MOST_REST_MIN = 300;
/** A chance so small that it is no longer told from none: what came is in no way likely; and the least weight of a way. */
const NO_CHANCE = 1e-250;
const LEAST_WEIGHT = 1e-290;
/** How fast a place comes to be what it usually is, an hour: where fish stay, and where schools roam. */
const LEAVES_PER_HOUR = [0.05, 0.5] as const;
/** Near misses, of the bites that a right lure would have: by feeding fish, and by those at rest. */
const MISSES_RIGHT = 0.25;
const MISSES_WRONG = 0.6;
/** Catches come in bunches: dispersion of the negative binomial. */
const DISPERSION = 1.6;
/** How far what came is believed: the water is not quite as it is thought here (tempered likelihood, Grünwald and van Ommen 2017). */
const BELIEVED = 0.8;

/** Logarithm of the chance of a count that comes in bunches (negative binomial). */
function logLikelihood(count: number, mean: number): number {
  const log = DISPERSION * Math.log(DISPERSION / (DISPERSION + mean));
  if (!count) return log;
  const share = mean / (DISPERSION + mean);
  let product = 1;
  for (let each = 0; each < count; each++) product *= ((DISPERSION + each) * share) / (each + 1);
  return log + Math.log(product);
}

/** Chance of a count that comes in bunches. */
export const chanceOf = (count: number, mean: number): number => Math.exp(logLikelihood(count, mean));

/** How much each way counts for the rate at a place: of fish that feed, of fish that rest; and the chance that it is empty. */
export interface Counts extends Rates {
  empty: number;
}

/**
 * What is believed of a day: many ways in which it may be, each with the weight that the notes leave it (importance
 * sampling, with the states of the places and of feeding filtered exactly within each: Rao-Blackwellised, Doucet et al.
 * 2000; places are held apart from one another given feeding, Boyen and Koller 1998).
 */
export class Belief {
  readonly weights = new Float64Array(WAYS).fill(1 / WAYS);
  /** In each way: that fish feed now. */
  readonly feeds: Float64Array;
  /** In each way: that each place held them at the minute up to which it is known. */
  private readonly holds: Float64Array[];
  /** The minute up to which each place is known: time passes for it when it is next asked for. */
  private readonly knownTo: number[];
  /** Bites that a place remembers, in each way; it is down until so many minutes. */
  private readonly remembered: Float64Array[];
  private readonly downUntil: Float64Array[];
  /** Hours for which each place was fished, as far as it remembers. */
  private readonly worn: number[];
  /** What a stretch that is taken in was to bring, and what a place that is asked for still gives. */
  private readonly foretold: Rates = emptyRates();
  private readonly given = new Float64Array(WAYS);
  private evidence = 0;

  constructor(
    readonly ways: Ways,
    private atMin: number,
  ) {
    const { priors, usually } = ways;
    this.feeds = new Float64Array(WAYS).fill(priors.feeds);
    this.holds = usually.map((chances) => chances.slice());
    this.remembered = priors.holds.map(() => new Float64Array(WAYS));
    this.worn = priors.holds.map(() => 0);
    this.knownTo = priors.holds.map(() => atMin);
    this.downUntil = priors.holds.map(() => new Float64Array(WAYS).fill(-Infinity));
  }

  /** The same belief once more: what is taken in or asked of either leaves the other as it is. */
  fork(): Belief {
    const fork = new Belief(this.ways, this.atMin);
    fork.weights.set(this.weights);
    fork.feeds.set(this.feeds);
    for (const place of this.holds.keys()) {
      (fork.holds[place] as Float64Array).set(this.holds[place] as Float64Array);
      (fork.remembered[place] as Float64Array).set(this.remembered[place] as Float64Array);
      (fork.downUntil[place] as Float64Array).set(this.downUntil[place] as Float64Array);
      fork.worn[place] = this.worn[place] as number;
      fork.knownTo[place] = this.knownTo[place] as number;
    }
    fork.evidence = this.evidence;
    return fork;
  }

  /** Logarithm of the chance that the stretches would bring the bites that they brought, each foretold from those before it. */
  get logEvidence(): number {
    return this.evidence;
  }

  /** Chance in each way that a place holds fish now. */
  holdsAt(place: number): Float64Array {
    this.catchUp(place);
    return this.holds[place] as Float64Array;
  }

  /** What a place still gives some minutes from now, in each way: 1 where it was not put down at all. */
  private left(place: number, inMin: number): Float64Array {
    this.catchUp(place);
    const { given } = this;
    const { bears, thins } = this.ways;
    const worn = (this.worn[place] as number) * 0.5 ** (inMin / REFILLED_MIN);
    const thinnedBy = Float64Array.from(THINS, (by) => Math.exp(-by * worn));
    const until = this.downUntil[place] as Float64Array;
    const remembers = this.remembered[place] as Float64Array;
    const forgets = 0.5 ** (inMin / FORGOTTEN_MIN);
    const atMin = this.atMin + inMin;
    for (let way = 0; way < WAYS; way++) {
      const remembered = (remembers[way] as number) * forgets;
      let left = thinnedBy[thins[way] as number] as number;
      if (bears[way]) left *= (until[way] as number) > atMin ? PUT_DOWN : 1;
      else if (remembered) left *= Math.exp(-PUT_DOWN_EACH * Math.min(MOST_COUNTED, remembered));
      given[way] = left;
    }
    return given;
  }

  /** How much of it a place that was put down still gives, in the mean of all ways: 1 where it was not at all. */
  rested(place: number, inMin = 0): number {
    const left = this.left(place, inMin);
    return this.mean((way) => left[way] as number);
  }

  /** Minutes until a place that is put down is nearly what it was. */
  minutesUntilRested(place: number): number {
    let minutes = 0;
    while (minutes < MOST_REST_MIN && this.rested(place, minutes) < NEARLY_RESTED) minutes += REST_STEP_MIN;
    return minutes;
  }

  /** Lets time pass: spells of feeding end and begin. */
  advance(toMin: number): void {
    const minutes = Math.max(0, toMin - this.atMin);
    if (!minutes) return;
    this.atMin = toMin;
    const { feeds: share } = this.ways.priors;
    const stays = Math.exp(-minutes / (FEEDING_MIN * (1 - share)));
    for (let way = 0; way < WAYS; way++) this.feeds[way] = share + ((this.feeds[way] as number) - share) * stays;
  }

  /** Lets the time pass for a place that has passed since it was last asked for: schools leave and come, what was put down forgets. */
  private catchUp(place: number): void {
    const minutes = this.atMin - (this.knownTo[place] as number);
    if (minutes <= 0) return;
    this.knownTo[place] = this.atMin;
    const [keptHere, keptRoaming] = LEAVES_PER_HOUR.map((perHour) => Math.exp((-perHour * minutes) / 60)) as [
      number,
      number,
    ];
    const holds = this.holds[place] as Float64Array;
    const usually = this.ways.usually[place] as Float64Array;
    const remembered = this.remembered[place] as Float64Array;
    const keeps = 0.5 ** (minutes / FORGOTTEN_MIN);
    for (let way = 0; way < WAYS; way++) {
      const usual = usually[way] as number;
      holds[way] = usual + ((holds[way] as number) - usual) * (this.ways.roams[way] ? keptRoaming : keptHere);
      remembered[way] = (remembered[way] as number) * keeps;
    }
    this.worn[place] = (this.worn[place] as number) * 0.5 ** (minutes / REFILLED_MIN);
  }

  /** Rates of something in every way. @param inMin minutes from now @param into where they are written, else anew */
  rates(fished: Fished, inMin: number, into: Rates = emptyRates()): Rates {
    const { feeding, resting } = this.ways.unfished(fished);
    const left = this.left(fished.place, inMin);
    for (let way = 0; way < WAYS; way++) {
      into.feeding[way] = (feeding[way] as number) * (left[way] as number);
      into.resting[way] = (resting[way] as number) * (left[way] as number);
    }
    return into;
  }

  /** How much each way counts for what is fished at a place. @param inMin minutes from now */
  counts(place: number, inMin: number): Counts {
    const left = this.left(place, inMin);
    const holds = this.holds[place] as Float64Array;
    const counts = { ...emptyRates(), empty: 0 };
    for (let way = 0; way < WAYS; way++) {
      const weight = this.weights[way] as number;
      const held = holds[way] as number;
      const fed = this.feeds[way] as number;
      const there = weight * held * (left[way] as number);
      counts.feeding[way] = there * fed;
      counts.resting[way] = there * (1 - fed);
      counts.empty += weight * (1 - held);
    }
    return counts;
  }

  /** Bites an hour of something in the mean of all ways and states, where its place counts for so much. */
  meanRate(fished: Fished, counts: Counts): number {
    const { feeding, resting } = this.ways.unfished(fished);
    return dot(counts.feeding, feeding, WAYS) + dot(counts.resting, resting, WAYS) + counts.empty * EMPTY_RATE;
  }

  /** Takes in what a stretch of fishing brought. */
  observe(stretch: Stretch): void {
    const { place, fromMin, toMin, hours, bites, nearMisses } = stretch;
    this.advance((fromMin + toMin) / 2);
    const holds = this.holdsAt(place);
    const uneven = this.ways.places[place] as Float64Array;
    this.worn[place] = (this.worn[place] as number) + hours / 2;
    const { feeding, resting } = this.rates(stretch, 0, this.foretold);
    this.worn[place] += hours / 2;
    const borne = this.putDownBy(place, bites);
    const stray = EMPTY_RATE * hours;
    /** Of bites of fish that are there, as a logarithm. @param borne of them, before they were put down; below 0 where they were not */
    const bitesOf = (rate: number, borne: number): number =>
      borne < 0
        ? logLikelihood(bites, rate * hours)
        : logLikelihood(borne, rate * hours * BEFORE_DOWN) +
          logLikelihood(bites - borne, rate * hours * (1 - BEFORE_DOWN) * PUT_DOWN);
    /** Of near misses of fish that are there, as far as it is believed: the more of them only come, the more is off. */
    const nearOf = (rate: number, most: number): number => {
      if (nearMisses === null) return 1;
      const wrong = 1 - Math.min(1, rate / most);
      return chanceOf(nearMisses, most * hours * (MISSES_RIGHT + MISSES_WRONG * wrong)) ** BELIEVED;
    };
    const emptyBites = chanceOf(bites, stray);
    const empty = (emptyBites * (nearMisses === null ? 1 : chanceOf(nearMisses, stray))) ** BELIEVED;
    const { weights, feeds: feedsNow } = this;
    const { usual } = this.ways;
    let foretold = 0;
    let sum = 0;
    for (let way = 0; way < WAYS; way++) {
      const right = (usual[way] as number) * (uneven[way] as number);
      const held = holds[way] as number;
      const fed = feedsNow[way] as number;
      const weight = weights[way] as number;
      const [feedingRate, restingRate] = [feeding[way] as number, resting[way] as number];
      const feedsBites = bitesOf(feedingRate, borne[way] as number);
      const restsBites = bitesOf(restingRate, borne[way] as number);
      const feeds = Math.exp(BELIEVED * feedsBites) * nearOf(feedingRate, right);
      const rests = Math.exp(BELIEVED * restsBites) * nearOf(restingRate, right * AT_REST);
      const bitesThere = held * (fed * Math.exp(feedsBites) + (1 - fed) * Math.exp(restsBites));
      foretold += weight * (bitesThere + (1 - held) * emptyBites);
      const there = held * (fed * feeds + (1 - fed) * rests);
      const total = there + (1 - held) * empty;
      if (total > NO_CHANCE) {
        holds[way] = there / total;
        feedsNow[way] = (fed * (held * feeds + (1 - held) * empty)) / total;
      } else if (bites + (nearMisses ?? 0) > 0) holds[way] = 1;
      sum += weights[way] = Math.max(LEAST_WEIGHT, weight * Math.max(NO_CHANCE, total));
    }
    this.evidence += Math.log(Math.max(NO_CHANCE, foretold));
    for (let way = 0; way < WAYS; way++) weights[way] = (weights[way] as number) / sum;
    this.advance(toMin);
  }

  /** Counts bites at a place now. @returns in each way how many of them it bore before it was put down; -1 where it was not */
  private putDownBy(place: number, bites: number): Int16Array {
    const remembered = this.remembered[place] as Float64Array;
    const until = this.downUntil[place] as Float64Array;
    const borne = new Int16Array(WAYS).fill(-1);
    if (!bites) return borne;
    for (let way = 0; way < WAYS; way++) {
      const before = remembered[way] as number;
      const bears = this.ways.bears[way] as number;
      const isDown = bears > 0 && before + bites >= bears - 0.5;
      remembered[way] = isDown ? 0 : before + bites;
      if (!isDown) continue;
      until[way] = this.atMin + (this.ways.downMin[way] as number);
      borne[way] = Math.min(bites, Math.max(1, Math.round(bears - before)));
    }
    return borne;
  }

  /** Mean of something over all ways. */
  mean(of: (way: number) => number): number {
    let sum = 0;
    for (let way = 0; way < WAYS; way++) sum += (this.weights[way] as number) * of(way);
    return sum;
  }
}
