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
/**
 * A chance as far as it is believed, by four fifths: the water is not quite as it is thought here (tempered likelihood,
 * Grünwald and van Ommen 2017).
 */
const believed = (chance: number): number => chance ** 0.8;
/** Where nothing was put down. */
const NONE_BORNE = new Int16Array(WAYS).fill(-1);

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

/** Where they are written, for one stretch at a time. */
const ROOTS = emptyRates();

/**
 * The fifth root of the chance that fish that are there bring so many bites, in every way.
 * @param rates bites an hour in every way
 * @param borne how many of the bites came before the place was put down; below 0 in ways in which it was not
 */
function fifthRoots(rates: Float64Array, hours: number, bites: number, borne: Int16Array, into: Float64Array): void {
  for (let way = 0; way < WAYS; way++) {
    const mean = (rates[way] as number) * hours;
    const before = borne[way] as number;
    // Mostly nothing came, and nothing was put down: written out, since a day has tens of thousands of those.
    const log = !bites
      ? DISPERSION * Math.log(DISPERSION / (DISPERSION + mean))
      : before < 0
        ? logLikelihood(bites, mean)
        : logLikelihood(before, mean * BEFORE_DOWN) +
          logLikelihood(bites - before, mean * (1 - BEFORE_DOWN) * PUT_DOWN);
    into[way] = Math.exp(log / 5);
  }
}

/** How much each way counts for the rate at a place: of fish that feed, of fish that rest; and the chance that it is empty. */
export interface Counts extends Rates {
  readonly empty: number;
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
    const thinnedBy = THINS.map((by) => Math.exp(-by * worn));
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
    const { roams } = this.ways;
    for (let way = 0; way < WAYS; way++) {
      const usual = usually[way] as number;
      holds[way] = usual + ((holds[way] as number) - usual) * (roams[way] ? keptRoaming : keptHere);
      remembered[way] = (remembered[way] as number) * keeps;
    }
    this.worn[place] = (this.worn[place] as number) * 0.5 ** (minutes / REFILLED_MIN);
  }

  /** Rates of something in every way. @param inMin minutes from now @param into where they are written, else anew */
  rates(fished: Fished, inMin: number, into: Rates = emptyRates()): Rates {
    const { feeding, resting } = this.ways.unfished(fished);
    const left = this.left(fished.place, inMin);
    const { feeding: feedingNow, resting: restingNow } = into;
    for (let way = 0; way < WAYS; way++) {
      feedingNow[way] = (feeding[way] as number) * (left[way] as number);
      restingNow[way] = (resting[way] as number) * (left[way] as number);
    }
    return into;
  }

  /** How much each way counts for what is fished at a place. @param inMin minutes from now */
  counts(place: number, inMin: number): Counts {
    const left = this.left(place, inMin);
    const holds = this.holds[place] as Float64Array;
    const { weights, feeds } = this;
    const { feeding, resting } = emptyRates();
    let empty = 0;
    for (let way = 0; way < WAYS; way++) {
      const weight = weights[way] as number;
      const held = holds[way] as number;
      const there = weight * held * (left[way] as number);
      const feedsThere = there * (feeds[way] as number);
      feeding[way] = feedsThere;
      resting[way] = there - feedsThere;
      empty += weight * (1 - held);
    }
    return { feeding, resting, empty };
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
    fifthRoots(feeding, hours, bites, borne, ROOTS.feeding);
    fifthRoots(resting, hours, bites, borne, ROOTS.resting);
    /** Of near misses of fish that are there, as far as it is believed: the more of them only come, the more is off. */
    const nearOf = (nearMisses: number, rate: number, most: number): number => {
      const wrong = 1 - Math.min(1, rate / most);
      return believed(chanceOf(nearMisses, most * hours * (MISSES_RIGHT + MISSES_WRONG * wrong)));
    };
    const emptyBites = chanceOf(bites, stray);
    const empty = believed(emptyBites * (nearMisses === null ? 1 : chanceOf(nearMisses, stray)));
    const { weights, feeds: feedsNow } = this;
    const { usual } = this.ways;
    let foretold = 0;
    let sum = 0;
    for (let way = 0; way < WAYS; way++) {
      const held = holds[way] as number;
      const fed = feedsNow[way] as number;
      const weight = weights[way] as number;
      // What is believed of a chance, four fifths of it, and the chance itself are products of its fifth root.
      const feedsFifth = ROOTS.feeding[way] as number;
      const restsFifth = ROOTS.resting[way] as number;
      let feeds = feedsFifth * feedsFifth * feedsFifth * feedsFifth;
      let rests = restsFifth * restsFifth * restsFifth * restsFifth;
      const bitesThere = held * (fed * feeds * feedsFifth + (1 - fed) * rests * restsFifth);
      if (nearMisses !== null) {
        const right = (usual[way] as number) * (uneven[way] as number);
        feeds *= nearOf(nearMisses, feeding[way] as number, right);
        rests *= nearOf(nearMisses, resting[way] as number, right * AT_REST);
      }
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
    if (!bites) return NONE_BORNE;
    const borne = NONE_BORNE.slice();
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
