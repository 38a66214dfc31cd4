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
export const WAYS = 800;
const SEED = 20270313;
/** Rates of so many things are kept at once. */
const MOST_RATES = 500;
/** There are fewer lures than this. */
const MOST_LURES = 1000;
/** Bites an hour of feeding fish in a place that holds them, on a lure that they take: likely, and how far that may be off (log). */
const USUAL_LOG = Math.log(4);
const USUAL_SD = 0.55;
/** How much better one place that holds fish may be than another (log): schools are uneven. */
const UNEVEN_SD = 0.55;
/** So much of the variance is shared by places of a kind; a kind that is so much better (log) holds fish by so much likelier (log odds). */
const SHARED = 0.3;
const KIND_HOLDS = 1;
/** A lure that they do not take, and fish that do not feed: of the usual. */
const POOR_LURE = 0.2;
export const AT_REST = 0.22;
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
/** In so many ways of ten each bite puts a place down a little. */
const GRADUALLY = 0.4;
/** In the others a place bears so many bites within the hour, and then gives little for so many minutes. */
const BEARS = [2, 3, 3, 4, 5] as const;
const DOWN_MIN = [40, 110] as const;
/** An hour's fishing thins a place out by one of these (log), whatever it brings. */
export const THINS = [0, 0, 0.3, 0.6] as const;
/** In so many ways of ten schools roam. */
const ROAMS = 0.35;

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
export const emptyRates = (): Rates => ({ feeding: new Float64Array(WAYS), resting: new Float64Array(WAYS) });

/**
 * Many ways in which a day may be, drawn by what is believed before the first cast: what does not change in its course.
 * The same priors give the same ways.
 */
export class Ways {
  readonly usual = new Float64Array(WAYS);
  /** In each way: which of the ways to thin out it is, and that schools roam. */
  readonly thins = new Uint8Array(WAYS);
  readonly roams = new Uint8Array(WAYS);
  /** Bites that a place bears before it is put down for so many minutes; 0 where each counts a little. */
  readonly bears = new Uint8Array(WAYS);
  readonly downMin = new Float64Array(WAYS);
  readonly places: readonly Float64Array[];
  /** In each way: that each place usually holds fish. */
  readonly usually: readonly Float64Array[];
  private readonly works: readonly Float64Array[];
  private readonly depthShift = new Float64Array(WAYS);
  private readonly paceShift = new Int8Array(WAYS);
  private readonly tone = new Int8Array(WAYS);
  private readonly trust = new Float64Array(WAYS);
  /** Powers of a preference in every way, by the preference: things share few of them. */
  private readonly trusted = new Map<number, Float64Array>();
  /** By place and lure, of which a day has few. */
  private readonly unfishedRates = new Map<number, { readonly fished: Fished; readonly rates: Rates }[]>();
  private ratesKept = 0;
  private readonly plannedRates = new WeakMap<Rates, number>();

  constructor(readonly priors: Priors) {
    const random = seededNumbers(SEED);
    const normal = () => normalDeviate(random);
    const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T;
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
    this.places = priors.holds.map((_, place) =>
      ofKind(place).map((better) => Math.exp(better + Math.sqrt(1 - SHARED) * UNEVEN_SD * normal())),
    );
    this.works = priors.works.map((_, lure) =>
      Float64Array.from({ length: WAYS }, (_, way) => (random() < (onLures[way]?.[lure] as number) ? 1 : POOR_LURE)),
    );
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

  private trustIn(preference: number): Float64Array {
    let trusted = this.trusted.get(preference);
    if (!trusted) this.trusted.set(preference, (trusted = this.trust.map((power) => Math.exp(power * preference))));
    return trusted;
  }

  /** Bites an hour of something before the first cast, in the mean of all ways in which the day may be. */
  plannedPerHour(fished: Fished): number {
    const rates = this.unfished(fished);
    const known = this.plannedRates.get(rates);
    if (known !== undefined) return known;
    const { feeds } = this.priors;
    const holds = this.usually[fished.place] as Float64Array;
    let sum = 0;
    for (let way = 0; way < WAYS; way++) {
      const [feeding, resting] = [rates.feeding[way] as number, rates.resting[way] as number];
      sum += (holds[way] as number) * (feeds * feeding + (1 - feeds) * resting);
    }
    this.plannedRates.set(rates, sum / WAYS);
    return sum / WAYS;
  }

  /** Rates of something in every way at a place that was not fished: worked out once, since a day has few such things. */
  unfished(fished: Fished): Rates {
    const { place, lure, depthLog, paceSteps, tone, preference } = fished;
    const key = place * MOST_LURES + lure;
    const alike = this.unfishedRates.get(key) ?? [];
    const known = alike.find(
      ({ fished: other }) =>
        other.depthLog === depthLog &&
        other.paceSteps === paceSteps &&
        other.tone === tone &&
        other.preference === preference,
    );
    if (known) return known.rates;
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
    if (this.ratesKept >= MOST_RATES) {
      this.unfishedRates.clear();
      this.ratesKept = 0;
    }
    this.unfishedRates.set(key, [...(this.unfishedRates.get(key) ?? []), { fished, rates }]);
    this.ratesKept++;
    return rates;
  }
}
