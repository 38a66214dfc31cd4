import { normalDeviate, seededNumbers } from '../../numbers/seeded.js';

/** What is fished, as far as fish answer it. Depth and pace are told against what the plan would have there. */
export interface Fished {
  readonly place: number;
  readonly lure: number;
  /** Logarithm of its depth over the depth at which the plan has fish there. */
  readonly depthLog: number;
  /** Steps slower (below 0) or faster than the plan would fish it. */
  readonly paceSteps: number;
  /** Its tone: plain, bold or dark. */
  readonly tone: number;
}

/** What a stretch of fishing brought. */
export interface Stretch extends Fished {
  readonly fromMin: number;
  readonly toMin: number;
  readonly hours: number;
  readonly bites: number;
  /** Follows, and strikes that fell short: fish that came and did not take. */
  readonly nearMisses: number;
}

/** What is believed before the first cast: that a place holds fish, and that a lure is one that they take. */
export interface Priors {
  readonly holds: readonly number[];
  readonly works: readonly number[];
  /** Chance at the start that they feed, and the share of the day in which they do. */
  readonly feeds: number;
}

/** So many ways in which the day may be are looked at. */
const WAYS = 800;
const SEED = 20270313;
/** Bites an hour of feeding fish in a place that holds them, on a lure that they take: likely, and how far that may be off (log). */
const USUAL_LOG = Math.log(4);
const USUAL_SD = 0.55;
/** How much better one place that holds fish may be than another (log): schools are uneven. */
const UNEVEN_SD = 0.55;
/** A lure that they do not take, fish that do not feed, an empty place: of the usual, and bites an hour. */
const POOR_LURE = 0.2;
const AT_REST = 0.22;
const EMPTY_PER_HOUR = 0.005;
/** Depth: how far theirs may lie from the plan's (log), how wide the window is, and what is left outside of it. */
const DEPTH_SD = 0.4;
const DEPTH_WINDOW = 0.45;
const OFF_DEPTH = 0.25;
/** Pace off by a step and by two, for fish at rest and for fish that feed. */
const OFF_PACE_AT_REST = [1, 0.4, 0.15] as const;
const OFF_PACE_FEEDING = [1, 0.75, 0.5] as const;
const OFF_TONE_AT_REST = 0.6;
/** Spells of feeding and of rest, minutes. */
const FEEDING_MIN = 45;
/** Each bite puts a place down by one of these (log), and half of that is forgotten in so many minutes. */
const PUT_DOWN = [0, 0.15, 0.45] as const;
const FORGOTTEN_MIN = 50;
/** What is nearly as it was; it is told in such steps, and no farther off than this, minutes. */
const NEARLY_RESTED = 0.85;
const REST_STEP_MIN = 5;
const MOST_REST_MIN = 300;
/** A chance so small that it is no longer told from none: what came is in no way likely. */
const NO_CHANCE = 1e-250;
/** How fast a place comes to be what it usually is, an hour: where fish stay, and where schools roam. */
const LEAVES_PER_HOUR = [0.05, 0.5] as const;
const ROAMS = 0.35;
/** Near misses, of the bites that a right lure would have: by feeding fish, and by those at rest. */
const MISSES_RIGHT = 0.25;
const MISSES_WRONG = 0.6;
/** Catches come in bunches: dispersion of the negative binomial. */
const DISPERSION = 1.6;

/** Chance of a count that comes in bunches (negative binomial), its factorials left out. */
function likelihood(count: number, mean: number): number {
  let product = Math.exp(-DISPERSION * Math.log1p(mean / DISPERSION));
  const share = mean / (DISPERSION + mean);
  for (let each = 0; each < count; each++) product *= ((DISPERSION + each) * share) / (each + 1);
  return product;
}

/** Bites an hour of one thing in every way: where the place holds fish and they feed, and where they rest. */
export interface Rates {
  readonly feeding: Float64Array;
  readonly resting: Float64Array;
}

/**
 * What is believed of a day: many ways in which it may be, each with the weight that the notes leave it (importance
 * sampling, with the states of the places and of feeding filtered exactly within each: Rao-Blackwellised, Doucet et al.
 * 2000; places are held apart from one another given feeding, Boyen and Koller 1998).
 */
export class Belief {
  readonly ways = WAYS;
  readonly weights = new Float64Array(WAYS).fill(1 / WAYS);
  /** In each way: that fish feed now, and that each place holds them. */
  readonly feeds: Float64Array;
  readonly holds: Float64Array[];
  private readonly logWeights = new Float64Array(WAYS);
  private readonly usual = new Float64Array(WAYS);
  private readonly depthShift = new Float64Array(WAYS);
  private readonly paceShift = new Int8Array(WAYS);
  private readonly tone = new Int8Array(WAYS);
  private readonly putDown = new Float64Array(WAYS);
  private readonly leaves = new Float64Array(WAYS);
  private readonly places: Float64Array[];
  private readonly works: Float64Array[];
  /** Bites that a place remembers. */
  private readonly remembered: number[];
  private atMin: number;

  constructor(
    private readonly priors: Priors,
    startMin: number,
  ) {
    this.atMin = startMin;
    const random = seededNumbers(SEED);
    const normal = () => normalDeviate(random);
    const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T;
    this.feeds = new Float64Array(WAYS).fill(priors.feeds);
    this.holds = priors.holds.map((chance) => new Float64Array(WAYS).fill(chance));
    this.places = priors.holds.map(() => Float64Array.from({ length: WAYS }, () => Math.exp(UNEVEN_SD * normal())));
    this.works = priors.works.map((chance) =>
      Float64Array.from({ length: WAYS }, () => (random() < chance ? 1 : POOR_LURE)),
    );
    this.remembered = priors.holds.map(() => 0);
    for (let way = 0; way < WAYS; way++) {
      this.usual[way] = Math.exp(USUAL_LOG + USUAL_SD * normal());
      this.depthShift[way] = DEPTH_SD * normal();
      this.paceShift[way] = pick([-1, 0, 0, 0, 1]);
      this.tone[way] = pick([-1, -1, 0, 1, 2]);
      this.putDown[way] = pick(PUT_DOWN);
      this.leaves[way] = random() < ROAMS ? LEAVES_PER_HOUR[1] : LEAVES_PER_HOUR[0];
    }
  }

  /** How much of it a place that was put down still gives, in the mean of all ways: 1 where it was not at all. */
  rested(place: number, inMin = 0): number {
    const remembered = this.rememberedIn(place, inMin);
    return this.mean((way) => Math.exp(-(this.putDown[way] as number) * remembered));
  }

  /** Minutes until a place that is put down is nearly what it was. */
  minutesUntilRested(place: number): number {
    let minutes = 0;
    while (minutes < MOST_REST_MIN && this.rested(place, minutes) < NEARLY_RESTED) minutes += REST_STEP_MIN;
    return minutes;
  }

  /** Bites that a place remembers some minutes from now. */
  rememberedIn(place: number, minutes: number): number {
    return (this.remembered[place] as number) * 0.5 ** (minutes / FORGOTTEN_MIN);
  }

  /** Lets time pass: spells of feeding end and begin, schools leave and come, what was put down forgets. */
  advance(toMin: number): void {
    const minutes = Math.max(0, toMin - this.atMin);
    if (!minutes) return;
    this.atMin = toMin;
    const { feeds: share } = this.priors;
    const stays = Math.exp(-minutes / (FEEDING_MIN * (1 - share)));
    for (let way = 0; way < WAYS; way++) {
      this.feeds[way] = share + ((this.feeds[way] as number) - share) * stays;
      const keeps = Math.exp((-(this.leaves[way] as number) * minutes) / 60);
      this.holds.forEach((holds, place) => {
        const usual = this.priors.holds[place] as number;
        holds[way] = usual + ((holds[way] as number) - usual) * keeps;
      });
    }
    this.remembered.forEach((_, place) => (this.remembered[place] = this.rememberedIn(place, minutes)));
  }

  /** Rates of something in every way. @param remembered bites that its place remembers then */
  rates({ place, lure, depthLog, paceSteps, tone }: Fished, remembered: number): Rates {
    const feeding = new Float64Array(WAYS);
    const resting = new Float64Array(WAYS);
    const uneven = this.places[place] as Float64Array;
    const works = this.works[lure] as Float64Array;
    for (let way = 0; way < WAYS; way++) {
      const inDepth = Math.abs(depthLog - (this.depthShift[way] as number)) <= DEPTH_WINDOW;
      const all =
        (this.usual[way] as number) *
        (uneven[way] as number) *
        (works[way] as number) *
        (inDepth ? 1 : OFF_DEPTH) *
        (remembered ? Math.exp(-(this.putDown[way] as number) * remembered) : 1);
      const steps = Math.min(2, Math.abs(paceSteps - (this.paceShift[way] as number)));
      const wanted = this.tone[way] as number;
      feeding[way] = all * (OFF_PACE_FEEDING[steps] as number);
      resting[way] =
        all * AT_REST * (OFF_PACE_AT_REST[steps] as number) * (wanted < 0 || wanted === tone ? 1 : OFF_TONE_AT_REST);
    }
    return { feeding, resting };
  }

  /** Takes in what a stretch of fishing brought. */
  observe(stretch: Stretch): void {
    const { place, fromMin, toMin, hours, bites, nearMisses } = stretch;
    this.advance((fromMin + toMin) / 2);
    const holds = this.holds[place] as Float64Array;
    const uneven = this.places[place] as Float64Array;
    const remembered = this.remembered[place] as number;
    const { feeding, resting } = this.rates(stretch, remembered + bites / 2);
    const stray = EMPTY_PER_HOUR * hours;
    const empty = likelihood(bites, stray) * likelihood(nearMisses, stray);
    /** Bites and near misses of fish that are there: the more of them only come, the more is off. */
    const of = (rate: number, most: number): number => {
      const misses = most * (MISSES_RIGHT + MISSES_WRONG * (1 - Math.min(1, rate / most)));
      return likelihood(bites, rate * hours) * likelihood(nearMisses, misses * hours);
    };
    let most = -Infinity;
    for (let way = 0; way < WAYS; way++) {
      const right = (this.usual[way] as number) * (uneven[way] as number);
      const held = holds[way] as number;
      const fed = this.feeds[way] as number;
      const feeds = of(feeding[way] as number, right);
      const rests = of(resting[way] as number, right * AT_REST);
      const there = held * (fed * feeds + (1 - fed) * rests);
      const total = there + (1 - held) * empty;
      if (total > NO_CHANCE) {
        holds[way] = there / total;
        this.feeds[way] = (fed * (held * feeds + (1 - held) * empty)) / total;
      } else if (bites + nearMisses > 0) holds[way] = 1;
      this.logWeights[way] = (this.logWeights[way] as number) + Math.log(Math.max(NO_CHANCE, total));
      most = Math.max(most, this.logWeights[way] as number);
    }
    let sum = 0;
    for (let way = 0; way < WAYS; way++) sum += this.weights[way] = Math.exp((this.logWeights[way] as number) - most);
    for (let way = 0; way < WAYS; way++) this.weights[way] = (this.weights[way] as number) / sum;
    this.remembered[place] = remembered + bites;
    this.advance(toMin);
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
export { likelihood as chanceOf };
