import { normalDeviate, seededNumbers } from '../../numbers/seeded.js';

/** What is fished, as far as fish answer it. Depth and pace are told against what the plan would have there. */
export interface Fished {
  readonly place: number;
  readonly lure: number;
  /** Logarithm of its depth over the depth at which the plan has fish there. */
  readonly depthLog: number;
  /** Steps slower (below 0) or faster than the plan would fish it. */
  readonly paceSteps: number;
  /** Its tone or trim, of those that are told apart. */
  readonly tone: number;
  /** How much the plan prefers it to what is usual, as a logarithm. */
  readonly preference: number;
}

/** What a stretch of fishing brought. */
export interface Stretch extends Fished {
  readonly fromMin: number;
  readonly toMin: number;
  readonly hours: number;
  readonly bites: number;
  /** Follows, and strikes that fell short: fish that came and did not take; null where nobody counted them. */
  readonly nearMisses: number | null;
}

/** What is believed before the first cast where the plan is right: that a place holds fish, and that a lure is one that they take. */
export interface Priors {
  readonly holds: readonly number[];
  readonly works: readonly number[];
  /** Chance at the start that they feed, and the share of the day in which they do. */
  readonly feeds: number;
  /** What kind of place each is: like places are like. */
  readonly kinds: readonly number[];
  /** Tones and trims that are told apart. */
  readonly tones: number;
}

/** So many ways in which the day may be are looked at. */
const WAYS = 800;
const SEED = 20270313;
/** Bites an hour of feeding fish in a place that holds them, on a lure that they take: likely, and how far that may be off (log). */
const USUAL_LOG = Math.log(4);
const USUAL_SD = 0.55;
/** How much better one place that holds fish may be than another (log): schools are uneven. */
const UNEVEN_SD = 0.55;
/** So much of the variance is shared by places of a kind; a kind that is so much better (log) holds fish by so much likelier (log odds). */
const SHARED = 0.3;
const KIND_HOLDS = 1;
/** A lure that they do not take, fish that do not feed, an empty place: of the usual, and bites an hour. */
const POOR_LURE = 0.2;
const AT_REST = 0.22;
const EMPTY_PER_HOUR = 0.005;
/** Depth: how far theirs may lie from the plan's (log), how wide the window is, and what is left outside of it. */
const DEPTH_SD = 0.3;
const DEPTH_WINDOW = 0.45;
const OFF_DEPTH = 0.25;
/** Pace off by a step and by two, for fish at rest and for fish that feed. */
const OFF_PACE_AT_REST = [1, 0.4, 0.15] as const;
const OFF_PACE_FEEDING = [1, 0.75, 0.5] as const;
const OFF_TONE_AT_REST = 0.6;
/** In so many ways of ten fish that rest want one tone or trim. */
const TONE_MATTERS = 0.5;
/** In so many ways of ten the plan is right about places, and about lures; in so many the other way round; else all are alike. */
const TRUSTED = 0.5;
const TURNED_ROUND = 0.2;
/** A thing that the plan prefers (log) is better by this power of it, and by so much more or less: it may be worse. */
const TRUST = 0.15;
const TRUST_SD = 0.6;
/** In so many ways of ten it is right about depth; in the others theirs may lie anywhere near. */
const DEPTH_TRUSTED = 0.6;
const DEPTH_SD_UNTRUSTED = 0.9;
/** Spells of feeding and of rest, minutes. */
const FEEDING_MIN = 45;
/** In so many ways of ten each bite puts a place down a little (log), and half of that is forgotten in so many minutes. */
const GRADUALLY = 0.4;
const PUT_DOWN_EACH = 0.15;
const FORGOTTEN_MIN = 50;
/** So many bites put it down no further. */
const MOST_COUNTED = 6;
/** In the others a place bears so many bites within the hour, and then gives little for a while. */
const BEARS = [2, 3, 3, 4, 5] as const;
const PUT_DOWN = 0.15;
const DOWN_MIN = [40, 110] as const;
/** An hour's fishing thins a place out by one of these (log), whatever it brings; half of that is forgotten in so many minutes. */
const THINS = [0, 0, 0.3, 0.6] as const;
const REFILLED_MIN = 85;
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
const ROAMS = 0.35;
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

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** Chances the other way round: the best has what the worst had. What was alike stays alike, and their mean stays. */
function turnedRound(chances: readonly number[]): number[] {
  const rising = [...chances].sort((a, b) => a - b);
  const falling = [...rising].reverse();
  return chances.map((chance) => meanOf(falling.filter((_, at) => rising[at] === chance)));
}

/** Bites an hour of one thing in every way: where the place holds fish and they feed, and where they rest. */
export interface Rates {
  readonly feeding: Float64Array;
  readonly resting: Float64Array;
}
const emptyRates = (): Rates => ({ feeding: new Float64Array(WAYS), resting: new Float64Array(WAYS) });

/**
 * What is believed of a day: many ways in which it may be, each with the weight that the notes leave it (importance
 * sampling, with the states of the places and of feeding filtered exactly within each: Rao-Blackwellised, Doucet et al.
 * 2000; places are held apart from one another given feeding, Boyen and Koller 1998).
 */
export class Belief {
  readonly ways = WAYS;
  readonly weights = new Float64Array(WAYS).fill(1 / WAYS);
  /** In each way: that fish feed now. */
  readonly feeds: Float64Array;
  /** In each way: that each place held them at the minute up to which it is known. */
  private readonly holds: Float64Array[];
  /** The minute up to which each place is known: time passes for it when it is next asked for. */
  private readonly knownTo: number[];
  /** What a stretch that is taken in was to bring. */
  private readonly foretold: Rates = emptyRates();
  private readonly unfishedRates = new Map<string, Rates>();
  /** What a place that is asked for still gives. */
  private readonly given = new Float64Array(WAYS);
  private readonly usual = new Float64Array(WAYS);
  private readonly depthShift = new Float64Array(WAYS);
  private readonly paceShift = new Int8Array(WAYS);
  private readonly tone = new Int8Array(WAYS);
  /** Bites that a place bears before it is put down for so many minutes; 0 where each counts a little. */
  private readonly bears = new Uint8Array(WAYS);
  private readonly downMin = new Float64Array(WAYS);
  private readonly trust = new Float64Array(WAYS);
  /** Powers of a preference in every way, by the preference: things share few of them. */
  private readonly trusted = new Map<number, Float64Array>();
  /** Which of the ways to thin out it is. */
  private readonly thins = new Uint8Array(WAYS);
  private readonly roams = new Uint8Array(WAYS);
  private readonly places: Float64Array[];
  /** In each way: that each place usually holds fish. */
  private readonly usually: Float64Array[];
  private readonly works: Float64Array[];
  /** Bites that a place remembers, in each way; it is down until so many minutes. */
  private readonly remembered: Float64Array[];
  private readonly downUntil: Float64Array[];
  /** Hours for which each place was fished, as far as it remembers. */
  private readonly worn: number[];
  private atMin: number;
  private evidence = 0;

  constructor(
    private readonly priors: Priors,
    startMin: number,
  ) {
    this.atMin = startMin;
    const random = seededNumbers(SEED);
    const normal = () => normalDeviate(random);
    const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T;
    this.feeds = new Float64Array(WAYS).fill(priors.feeds);
    const kinds = Array.from({ length: Math.max(0, ...priors.kinds) + 1 }, () =>
      Float64Array.from({ length: WAYS }, () => Math.sqrt(SHARED) * UNEVEN_SD * normal()),
    );
    const ofKind = (place: number) => kinds[priors.kinds[place] as number] as Float64Array;
    /** Chances as the plan has them, turned round, or all alike, in each way. */
    const believed = (planned: readonly number[]): readonly (readonly number[])[] => {
      const turned = turnedRound(planned);
      const alike = planned.map(() => meanOf(planned));
      return Array.from({ length: WAYS }, () => {
        const drawn = random();
        return drawn < TRUSTED ? planned : drawn < TRUSTED + TURNED_ROUND ? turned : alike;
      });
    };
    const [onPlaces, onLures] = [believed(priors.holds), believed(priors.works)];
    this.usually = priors.holds.map((_, place) =>
      ofKind(place).map((better, way) => {
        const planned = onPlaces[way]?.[place] as number;
        return 1 / (1 + ((1 - planned) / planned) * Math.exp(-KIND_HOLDS * better));
      }),
    );
    this.holds = this.usually.map((chances) => chances.slice());
    this.places = priors.holds.map((_, place) =>
      ofKind(place).map((better) => Math.exp(better + Math.sqrt(1 - SHARED) * UNEVEN_SD * normal())),
    );
    this.works = priors.works.map((_, lure) =>
      Float64Array.from({ length: WAYS }, (_, way) => (random() < (onLures[way]?.[lure] as number) ? 1 : POOR_LURE)),
    );
    this.remembered = priors.holds.map(() => new Float64Array(WAYS));
    this.worn = priors.holds.map(() => 0);
    this.knownTo = priors.holds.map(() => startMin);
    this.downUntil = priors.holds.map(() => new Float64Array(WAYS).fill(-Infinity));
    for (let way = 0; way < WAYS; way++) {
      this.usual[way] = Math.exp(USUAL_LOG + USUAL_SD * normal());
      this.depthShift[way] = (random() < DEPTH_TRUSTED ? DEPTH_SD : DEPTH_SD_UNTRUSTED) * normal();
      this.paceShift[way] = pick([-1, 0, 0, 0, 1]);
      this.tone[way] = random() < TONE_MATTERS ? Math.floor(random() * priors.tones) : -1;
      this.bears[way] = random() < GRADUALLY ? 0 : pick(BEARS);
      this.downMin[way] = DOWN_MIN[0] + (DOWN_MIN[1] - DOWN_MIN[0]) * random();
      this.trust[way] = TRUST + TRUST_SD * normal();
      this.thins[way] = Math.floor(random() * THINS.length);
      this.roams[way] = random() < ROAMS ? 1 : 0;
    }
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
    const { bears, thins, given } = this;
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

  private trustIn(preference: number): Float64Array {
    let trusted = this.trusted.get(preference);
    if (!trusted) this.trusted.set(preference, (trusted = this.trust.map((power) => Math.exp(power * preference))));
    return trusted;
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
    const { feeds: share } = this.priors;
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
    const usually = this.usually[place] as Float64Array;
    const remembered = this.remembered[place] as Float64Array;
    const keeps = 0.5 ** (minutes / FORGOTTEN_MIN);
    for (let way = 0; way < WAYS; way++) {
      const usual = usually[way] as number;
      holds[way] = usual + ((holds[way] as number) - usual) * (this.roams[way] ? keptRoaming : keptHere);
      remembered[way] = (remembered[way] as number) * keeps;
    }
    this.worn[place] = (this.worn[place] as number) * 0.5 ** (minutes / REFILLED_MIN);
  }

  /** Rates of something in every way at a place that was not fished: worked out once, since a day has few such things. */
  private unfished(fished: Fished): Rates {
    const { place, lure, depthLog, paceSteps, tone, preference } = fished;
    const key = `${place} ${lure} ${depthLog} ${paceSteps} ${tone} ${preference}`;
    const known = this.unfishedRates.get(key);
    if (known) return known;
    const { usual, depthShift, paceShift } = this;
    const uneven = this.places[place] as Float64Array;
    const works = this.works[lure] as Float64Array;
    const trusted = this.trustIn(preference);
    const rates = emptyRates();
    for (let way = 0; way < WAYS; way++) {
      const offDepth = depthLog - (depthShift[way] as number);
      const inDepth = offDepth <= DEPTH_WINDOW && offDepth >= -DEPTH_WINDOW;
      const all =
        (usual[way] as number) *
        (trusted[way] as number) *
        (uneven[way] as number) *
        (works[way] as number) *
        (inDepth ? 1 : OFF_DEPTH);
      const steps = Math.min(2, Math.abs(paceSteps - (paceShift[way] as number)));
      const wanted = this.tone[way] as number;
      rates.feeding[way] = all * (OFF_PACE_FEEDING[steps] as number);
      rates.resting[way] =
        all * AT_REST * (OFF_PACE_AT_REST[steps] as number) * (wanted < 0 || wanted === tone ? 1 : OFF_TONE_AT_REST);
    }
    this.unfishedRates.set(key, rates);
    return rates;
  }

  /** Rates of something in every way. @param inMin minutes from now @param into where they are written, else anew */
  rates(fished: Fished, inMin: number, into: Rates = emptyRates()): Rates {
    const { feeding, resting } = this.unfished(fished);
    const left = this.left(fished.place, inMin);
    for (let way = 0; way < WAYS; way++) {
      into.feeding[way] = (feeding[way] as number) * (left[way] as number);
      into.resting[way] = (resting[way] as number) * (left[way] as number);
    }
    return into;
  }

  /** Takes in what a stretch of fishing brought. */
  observe(stretch: Stretch): void {
    const { place, fromMin, toMin, hours, bites, nearMisses } = stretch;
    this.advance((fromMin + toMin) / 2);
    const holds = this.holdsAt(place);
    const uneven = this.places[place] as Float64Array;
    this.worn[place] = (this.worn[place] as number) + hours / 2;
    const { feeding, resting } = this.rates(stretch, 0, this.foretold);
    this.worn[place] += hours / 2;
    const borne = this.putDownBy(place, bites);
    const stray = EMPTY_PER_HOUR * hours;
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
    const { weights, usual, feeds: feedsNow } = this;
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
      const bears = this.bears[way] as number;
      const isDown = bears > 0 && before + bites >= bears - 0.5;
      remembered[way] = isDown ? 0 : before + bites;
      if (!isDown) continue;
      until[way] = this.atMin + (this.downMin[way] as number);
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

/** Bites an hour of a place that holds nothing. */
export const EMPTY_RATE = EMPTY_PER_HOUR;
