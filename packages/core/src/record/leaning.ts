import type { Leaning } from '../plan/leaning.js';
import { reachAt, type Grounds, type Weighed } from '../presentation/score.js';
import type { Facts } from '../rules/facts.js';
import type { Estimate, Learned } from './learn.js';
import { lureTraits, placeTraits, situationsOf, TRUST_IN_LURES } from './traits.js';

/** What was learnt of places is set against the plan by how much the plan shows in the bites; never by less than this. */
const LEAST_TRUST = 0.12;
/** Depths are moved by no more than this, as a logarithm, and not by less than is worth a word. */
const FARTHEST_DEPTH = 0.4;
const LEAST_DEPTH = 0.05;
/** Twice the curve of the rate over the depth; a flat one would run away. */
const LEAST_CURVE = 1;
/** Less than this share of the fish is next to none. */
const LEAST_REACH = 0.05;
/** Factors nearer to 1 than this are not told. */
const LEAST_TOLD = 0.1;

/**
 * How well a lure reaches the fish of the likeliest place beside another, at most 1: what it did where it reached them
 * says nothing of where it does not.
 */
function reachesAs({ category }: Weighed, other: Weighed, grounds: Grounds): number {
  const [likeliest] = grounds.places;
  if (!likeliest) return 1;
  const own = reachAt(category, likeliest.place, grounds);
  return Math.min(1, own / Math.max(LEAST_REACH, reachAt(other.category, likeliest.place, grounds)));
}

const times = (log: number): string => {
  const factor = Math.exp(log);
  return factor >= 1 ? `${factor.toFixed(1)} times the bites` : `${Math.round(100 * factor)} % of the bites`;
};

/**
 * How far something is moved for a mean and its doubt: as far as the mean goes beyond the doubt. Few hours move nothing,
 * many move nearly all of it, and who follows it seldom does worse than who does not.
 */
const surely = ({ mean, sd }: Estimate, caution: number): number =>
  Math.sign(mean) * Math.max(0, Math.abs(mean) - caution * sd);

/** How many standard deviations of doubt are held against what moves a plan: of lures, places and depth. Judgement. */
interface Caution {
  readonly lures: number;
  readonly places: number;
  readonly depth: number;
}
const CAUTION: Caution = { lures: 0.6, places: 0.8, depth: 1.5 };
const toHundredths = (value: number): number => Math.round(100 * value) / 100;

/** What a record makes of a plan: nothing at all where there is none. */
export function leaningOf(learned: Learned, caution: Caution = CAUTION): Leaning {
  const placeTrust = Math.max(LEAST_TRUST, learned.mean('trust:places'));
  const hoursWith = new Map(learned.parameters().map(({ name, hours }) => [name, hours]));
  const traitsOf = ({ category, place }: Weighed, grounds: Grounds) => lureTraits(category, place, grounds);
  return {
    lures: (grounds, plain) => {
      const [first] = plain;
      if (!first) return new Map();
      const over = traitsOf(first, grounds);
      return new Map(
        plain.map((each) => {
          const lean = surely(learned.moved(traitsOf(each, grounds), over), caution.lures) / TRUST_IN_LURES;
          return [each.category.id, lean > 0 ? lean * reachesAs(each, first, grounds) : lean];
        }),
      );
    },
    places: (facts) => (structure, cover) =>
      surely(learned.moved(placeTraits(structure, cover, facts)), caution.places) / placeTrust,
    depthLog: (facts: Facts) => {
      const slope = surely(
        learned.moved(new Map(situationsOf(facts).warmth.map(([situation, degree]) => [`depth|${situation}`, degree]))),
        caution.depth,
      );
      const shift = slope / Math.max(LEAST_CURVE, -2 * learned.mean('depth²'));
      return Math.abs(shift) < LEAST_DEPTH ? 0 : Math.min(FARTHEST_DEPTH, Math.max(-FARTHEST_DEPTH, shift));
    },
    reason: (weighed, grounds) => {
      const { mean: log } = learned.moved(traitsOf(weighed, grounds));
      if (Math.abs(log) < LEAST_TOLD) return null;
      const hours = Math.round(hoursWith.get(`lure:${weighed.category.id}`) ?? 0);
      const from = hours ? `${hours} ${hours === 1 ? 'hour' : 'hours'} with it` : 'what was fished like it';
      return {
        for: log > 0,
        reason: {
          rule: 'your-record',
          text: `Your record: ${times(log)} that the rules alone expect, by ${from}`,
          weight: toHundredths(Math.abs(log)),
          school: null,
        },
      };
    },
  };
}
