import { EVIDENCE_ATTRIBUTES, type EvidenceAttribute, type Fished } from './fished.js';

/**
 * How much each attribute may move the rate of bites: variance of the logarithm. 0.3 lets one level of it make
 * the rate half or one and three quarters of the usual in two days of three. Judgement, held against simulated days.
 */
export const VARIANCE: Readonly<Record<EvidenceAttribute, number>> = {
  spot: 0.4,
  structure: 0.2,
  cover: 0.15,
  depth: 0.3,
  category: 0.25,
  trim: 0.1,
  pace: 0.2,
  light: 0.1,
  tide: 0.2,
};
/** How good the day is altogether, and how that wanders from hour to hour. */
export const DAY_VARIANCE = 0.7;
export const HOUR_VARIANCE = 0.25;
const HOUR_LENGTH_MIN = 90;
/**
 * What only the very same thing shares, place, depth, lure, pace and trim at once, and not for long: fish school, and a
 * pattern is what repeats together. Without it a run of fish would speak as much for what was not fished.
 */
export const SCHOOL_VARIANCE = 0.25;
const SCHOOL_LENGTH_MIN = 60;
/** Depths and paces this near each other are the same. */
const SAME_WITHIN = 0.3;
/** After so many minutes what was found of an attribute counts a good third less than at once: fish change. */
const ATTRIBUTE_LENGTH_MIN = 300;
/** Depths and paces that differ by such a factor share little. */
const DEPTH_LOG = 0.4;
const PACE_LOG = 0.7;
const SOFT_DEPTH_M = 0.5;
const SOFT_PACE_MPS = 0.1;
/** Lures of one role are this much alike. */
const SAME_ROLE = 0.5;

const bell = (apart: number): number => Math.exp(-0.5 * apart ** 2);
/** Depth and pace as logarithms, in the lengths over which they are alike. */
const depthIn = ({ depthM }: Fished): number => Math.log(depthM + SOFT_DEPTH_M) / DEPTH_LOG;
const paceIn = ({ paceMps }: Fished): number => Math.log(paceMps + SOFT_PACE_MPS) / PACE_LOG;
const same = <T>(a: T | null, b: T | null): number => (a !== null && a === b ? 1 : 0);

/** How alike two things are in one attribute, 0 to 1. What is not known is like nothing but is no news either. */
export function likeIn(attribute: EvidenceAttribute, a: Fished, b: Fished): number {
  switch (attribute) {
    case 'spot':
      return same(a.spot, b.spot);
    case 'structure':
      return same(a.structure, b.structure);
    case 'cover':
      return same(a.cover, b.cover);
    case 'depth':
      return bell(depthIn(a) - depthIn(b));
    case 'category':
      return a.category === b.category ? 1 : a.role === b.role ? SAME_ROLE : 0;
    case 'trim':
      return same(a.trim, b.trim);
    case 'pace':
      return bell(paceIn(a) - paceIn(b));
    case 'light':
      return a.light === b.light ? 1 : 0;
    case 'tide':
      return same(a.tide, b.tide);
  }
}

const apart = (oneMin: number, otherMin: number, lengthMin: number) =>
  Math.exp(-Math.abs(oneMin - otherMin) / lengthMin);

/** What two moments share of one attribute. */
export const attributeCovariance = (
  attribute: EvidenceAttribute,
  a: Fished,
  aMin: number,
  b: Fished,
  bMin: number,
): number => VARIANCE[attribute] * likeIn(attribute, a, b) * apart(aMin, bMin, ATTRIBUTE_LENGTH_MIN);

/**
 * Things by their numbers, each at a minute of the day: pairs of them are compared by the ten thousand. What is lost
 * between two moments is a product of what each has: exp(-(b - a) / length) = exp(a / length) exp(-b / length).
 */
export class Moments {
  readonly thing: Int32Array;
  readonly attributeUp: Float64Array;
  readonly attributeDown: Float64Array;
  readonly hourUp: Float64Array;
  readonly hourDown: Float64Array;
  readonly schoolUp: Float64Array;
  readonly schoolDown: Float64Array;

  constructor(
    things: readonly number[],
    readonly atMin: Float64Array,
  ) {
    const faded = (lengthMin: number) => atMin.map((at) => Math.exp(at / lengthMin));
    this.thing = Int32Array.from(things);
    this.attributeUp = faded(ATTRIBUTE_LENGTH_MIN);
    this.attributeDown = faded(-ATTRIBUTE_LENGTH_MIN);
    this.hourUp = faded(HOUR_LENGTH_MIN);
    this.hourDown = faded(-HOUR_LENGTH_MIN);
    this.schoolUp = faded(SCHOOL_LENGTH_MIN);
    this.schoolDown = faded(-SCHOOL_LENGTH_MIN);
  }
}

/** Whether two things are the very same. What is not known of both is the same here, as where no trim was changed. */
const isSame = (a: Fished, b: Fished): boolean =>
  Math.abs(depthIn(a) - depthIn(b)) < SAME_WITHIN &&
  Math.abs(paceIn(a) - paceIn(b)) < SAME_WITHIN &&
  a.category === b.category &&
  a.spot === b.spot &&
  a.trim === b.trim &&
  a.structure === b.structure &&
  a.cover === b.cover;

/** Things that are told apart, each with a number: what two of them share at one moment is worked out once. */
export class Things {
  private readonly numbers = new Map<string, number>();
  private readonly things: Fished[] = [];
  /** Of each with every other: variance that their attributes share, not a number until it is asked for, and that of a school. */
  private readonly shared: Float64Array[] = [];

  get size(): number {
    return this.things.length;
  }

  numberOf({ spot, structure, cover, category, role, trim, light, tide, depthM, paceMps }: Fished): number {
    const key = `${spot}/${structure}/${cover}/${category}/${role}/${trim}/${light}/${tide}/${depthM}/${paceMps}`;
    const known = this.numbers.get(key);
    if (known !== undefined) return known;
    const number = this.things.length;
    this.numbers.set(key, number);
    this.things.push({ spot, structure, cover, category, role, trim, light, tide, depthM, paceMps });
    this.shared.push(new Float64Array(0));
    return number;
  }

  /** Covariance of the logarithms of the rates of two things at one moment: all attributes, and the day and the hour whatever is fished. */
  atOnce(thing: number, other: number): number {
    const row = this.rowOf(thing);
    if (Number.isNaN(row[2 * other] as number)) this.compare(row, thing, other);
    return (row[2 * other] as number) + (row[2 * other + 1] as number) + DAY_VARIANCE + HOUR_VARIANCE;
  }

  /** The same of a thing at a minute of the day with the first so many of others. */
  covariances(thing: number, atMin: number, others: Moments, many: number): Float64Array {
    const row = this.rowOf(thing);
    const { thing: numbers, atMin: minutes } = others;
    const { attributeUp: attributeUps, attributeDown: attributeDowns } = others;
    const { hourUp: hourUps, hourDown: hourDowns, schoolUp: schoolUps, schoolDown: schoolDowns } = others;
    const [attributeUp, attributeDown] = [
      Math.exp(atMin / ATTRIBUTE_LENGTH_MIN),
      Math.exp(-atMin / ATTRIBUTE_LENGTH_MIN),
    ];
    const [hourUp, hourDown] = [Math.exp(atMin / HOUR_LENGTH_MIN), Math.exp(-atMin / HOUR_LENGTH_MIN)];
    const [schoolUp, schoolDown] = [Math.exp(atMin / SCHOOL_LENGTH_MIN), Math.exp(-atMin / SCHOOL_LENGTH_MIN)];
    const covariances = new Float64Array(many);
    for (let each = 0; each < many; each++) {
      const other = numbers[each] as number;
      if (Number.isNaN(row[2 * other] as number)) this.compare(row, thing, other);
      const shared = row[2 * other] as number;
      const school = row[2 * other + 1] as number;
      const isLater = (minutes[each] as number) < atMin;
      const attributes = isLater
        ? attributeDown * (attributeUps[each] as number)
        : attributeUp * (attributeDowns[each] as number);
      const hour = isLater ? hourDown * (hourUps[each] as number) : hourUp * (hourDowns[each] as number);
      let covariance = DAY_VARIANCE + shared * attributes + HOUR_VARIANCE * hour;
      if (school > 0) {
        const fades = isLater ? schoolDown * (schoolUps[each] as number) : schoolUp * (schoolDowns[each] as number);
        covariance += school * fades;
      }
      covariances[each] = covariance;
    }
    return covariances;
  }

  /** What a thing shares with each, as long as there are things. */
  private rowOf(thing: number): Float64Array {
    const row = this.shared[thing] as Float64Array;
    if (row.length >= 2 * this.size) return row;
    const longer = new Float64Array(4 * this.size).fill(Number.NaN);
    longer.set(row);
    this.shared[thing] = longer;
    return longer;
  }

  private compare(row: Float64Array, thing: number, other: number): void {
    const [a, b] = [this.things[thing] as Fished, this.things[other] as Fished];
    row[2 * other] = EVIDENCE_ATTRIBUTES.reduce(
      (sum, attribute) => sum + VARIANCE[attribute] * likeIn(attribute, a, b),
      0,
    );
    row[2 * other + 1] = isSame(a, b) ? SCHOOL_VARIANCE : 0;
  }
}

/** More than a day has of them. */
const MOST_THINGS = 1000;
let soFar = new Things();

/** Things as far as they are told apart: from question to question they are the same ones. */
export const thingsSoFar = (): Things => (soFar.size > MOST_THINGS ? (soFar = new Things()) : soFar);
