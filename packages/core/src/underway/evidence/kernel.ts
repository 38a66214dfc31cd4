import type { EvidenceAttribute, Fished } from './fished.js';

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

const bell = (apart: number, length: number): number => Math.exp(-0.5 * (apart / length) ** 2);
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
      return bell(Math.log((a.depthM + SOFT_DEPTH_M) / (b.depthM + SOFT_DEPTH_M)), DEPTH_LOG);
    case 'category':
      return a.category === b.category ? 1 : a.role === b.role ? SAME_ROLE : 0;
    case 'trim':
      return same(a.trim, b.trim);
    case 'pace':
      return bell(Math.log((a.paceMps + SOFT_PACE_MPS) / (b.paceMps + SOFT_PACE_MPS)), PACE_LOG);
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

/** Something fished at a minute of the day as numbers: pairs of them are compared by the ten thousand. */
export interface Coded {
  readonly atMin: number;
  /** Codes of what is the same or not; not a number where it is not known, which is the same as nothing. */
  readonly spot: number;
  readonly structure: number;
  readonly cover: number;
  readonly category: number;
  readonly role: number;
  readonly trim: number;
  readonly light: number;
  readonly tide: number;
  /** Logarithms, in the lengths over which they are alike. */
  readonly depth: number;
  readonly pace: number;
  /** What is lost between two moments is a product of what each has: exp(-(b - a) / length) = exp(a / length) exp(-b / length). */
  readonly attributeUp: number;
  readonly attributeDown: number;
  readonly hourUp: number;
  readonly hourDown: number;
  readonly schoolUp: number;
  readonly schoolDown: number;
}

/** Gives each word a number of its own. */
export function coder(): (fished: Fished, atMin: number) => Coded {
  const codes = new Map<string, number>();
  const code = (word: string | null): number => {
    if (word === null) return Number.NaN;
    const known = codes.get(word);
    if (known !== undefined) return known;
    codes.set(word, codes.size);
    return codes.size - 1;
  };
  return ({ spot, structure, cover, category, role, trim, light, tide, depthM, paceMps }, atMin) => ({
    atMin,
    spot: code(spot),
    structure: code(structure),
    cover: code(cover),
    category: code(category),
    role: code(role),
    trim: code(trim),
    light: code(light),
    tide: code(tide),
    depth: Math.log(depthM + SOFT_DEPTH_M) / DEPTH_LOG,
    pace: Math.log(paceMps + SOFT_PACE_MPS) / PACE_LOG,
    attributeUp: Math.exp(atMin / ATTRIBUTE_LENGTH_MIN),
    attributeDown: Math.exp(-atMin / ATTRIBUTE_LENGTH_MIN),
    hourUp: Math.exp(atMin / HOUR_LENGTH_MIN),
    hourDown: Math.exp(-atMin / HOUR_LENGTH_MIN),
    schoolUp: Math.exp(atMin / SCHOOL_LENGTH_MIN),
    schoolDown: Math.exp(-atMin / SCHOOL_LENGTH_MIN),
  });
}

/** What is not known of both is the same here, as where no trim was changed. */
const sameThing = (a: Coded, b: Coded): boolean =>
  Math.abs(a.depth - b.depth) < SAME_WITHIN &&
  Math.abs(a.pace - b.pace) < SAME_WITHIN &&
  a.category === b.category &&
  Object.is(a.spot, b.spot) &&
  Object.is(a.trim, b.trim) &&
  Object.is(a.structure, b.structure) &&
  Object.is(a.cover, b.cover);

/** Covariance of the logarithms of two rates: all attributes together, and the day and the hour whatever is fished. */
export function covariance(a: Coded, b: Coded): number {
  const early = a.atMin < b.atMin ? a : b;
  const late = a.atMin < b.atMin ? b : a;
  let shared =
    VARIANCE.depth * Math.exp(-0.5 * (a.depth - b.depth) ** 2) +
    VARIANCE.pace * Math.exp(-0.5 * (a.pace - b.pace) ** 2);
  if (a.spot === b.spot) shared += VARIANCE.spot;
  if (a.structure === b.structure) shared += VARIANCE.structure;
  if (a.cover === b.cover) shared += VARIANCE.cover;
  if (a.category === b.category) shared += VARIANCE.category;
  else if (a.role === b.role) shared += VARIANCE.category * SAME_ROLE;
  if (a.trim === b.trim) shared += VARIANCE.trim;
  if (a.light === b.light) shared += VARIANCE.light;
  if (a.tide === b.tide) shared += VARIANCE.tide;
  const hour = DAY_VARIANCE + HOUR_VARIANCE * early.hourUp * late.hourDown;
  const school = sameThing(a, b) ? SCHOOL_VARIANCE * early.schoolUp * late.schoolDown : 0;
  return shared * early.attributeUp * late.attributeDown + hour + school;
}
