import type { Cover, Structure } from '../contract/ids.js';
import type { FirstInWindow, Leaning } from '../plan/leaning.js';
import type { HoldingPlace } from '../place/place.js';
import { reachAt, weighCategories, type Grounds, type Weighed } from '../presentation/score.js';
import type { Facts } from '../rules/facts.js';
import type { Estimate, Learned } from './learned-state.js';
import {
  behindFirst,
  behindLikeliest,
  lureTraits,
  placeTraits,
  situationsOf,
  TRUST_IN_LURES,
  type Traits,
} from './traits.js';

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
 * says less of where it does not.
 */
function reachesAs({ category }: Weighed, other: Weighed, grounds: Grounds): number {
  const [likeliest] = grounds.places;
  if (!likeliest) return 1;
  const own = reachAt(category, likeliest.place, grounds);
  return Math.min(1, own / Math.max(LEAST_REACH, reachAt(other.category, likeliest.place, grounds)));
}

const isSamePlace = (one: HoldingPlace | undefined, other: HoldingPlace | undefined): boolean =>
  one?.structure === other?.structure && one?.cover === other?.cover && one?.group === other?.group;

/** The same lure at the same fish: run at another group of them it goes to another depth, which is another choice. */
const isSameChoice = (one: FirstInWindow, other: FirstInWindow): boolean =>
  one.weighed.category.id === other.weighed.category.id &&
  isSamePlace(one.places[0], other.places[0]) &&
  isSamePlace(one.weighed.place, other.weighed.place);

/** What the plan thinks of a first choice beside its own, and all that bears on the lure of it. */
function choiceTraits({ weighed, places, grounds }: FirstInWindow, plain: FirstInWindow): Traits {
  const { category, place } = weighed;
  const [best] = plain.places;
  const there = places[0] ?? place;
  const named = plain.places.filter(({ structure }) => structure === there.structure);
  const like = named.find(({ cover }) => cover === there.cover) ?? named[0];
  const [plainly] = weighCategories([category], plain.grounds, undefined, Infinity);
  return new Map([
    ['trust:lures', behindFirst(plainly?.logWeight, plain.weighed.logWeight)],
    ['trust:places', behindLikeliest(like?.weight, best?.weight ?? 1)],
    ...lureTraits(category, place, grounds),
  ]);
}

const times = (log: number): string => {
  const factor = Math.exp(log);
  return factor >= 1 ? `${factor.toFixed(1)} times the bites` : `${Math.round(100 * factor)} % of the bites`;
};

/** So many standard deviations of its doubt must a depth be off before it is moved, and as far as it is beyond them. */
const DEPTH_DOUBTS = 1.5;
/** The same of a lure over the plan's first: what was fished long goes before what is only like it. */
const LURE_DOUBTS = 0.25;
/**
 * So many a first choice must be ahead of the plan's own, beyond a twelfth of the bites: who leaves the plan for less is as
 * often wrong, and wrong all season. One, and as much more as the told doubts are too narrow by: ranges of eight in ten
 * hold 73 to 75 of a hundred.
 */
const CHOICE_DOUBTS = 1.15;
const CHOICE_WORTH_LOG = 0.08;
const toHundredths = (value: number): number => Math.round(100 * value) / 100;

/** As far as a mean goes beyond its doubt. */
const beyondDoubt = ({ mean, sd }: Estimate, doubts: number): number =>
  Math.sign(mean) * Math.max(0, Math.abs(mean) - doubts * sd);

/** What a record makes of a plan: nothing at all where there is none. */
export function leaningOf(learned: Learned): Leaning {
  const placeTrust = Math.max(LEAST_TRUST, learned.mean('trust:places'));
  const hoursWith = new Map(learned.parameters().map(({ name, hours }) => [name, hours]));
  const traitsOf = ({ category, place }: Weighed, grounds: Grounds) => lureTraits(category, place, grounds);
  /** A kind of place, and the angler's own of that kind: where one would go who goes to such. */
  const placesTraits = (structure: Structure, cover: Cover, facts: Facts): Traits =>
    new Map([...placeTraits(structure, cover, facts), ...learned.ownPlaces(structure)]);
  return {
    lures: (grounds, plain) => {
      const [first] = plain;
      if (!first) return new Map();
      const over = traitsOf(first, grounds);
      return new Map(
        plain.map((each) => {
          const lean = beyondDoubt(learned.moved(traitsOf(each, grounds), over), LURE_DOUBTS) / TRUST_IN_LURES;
          return [each.category.id, lean > 0 ? lean * Math.sqrt(reachesAs(each, first, grounds)) : lean];
        }),
      );
    },
    places: (facts) => (structure, cover) => learned.moved(placeTraits(structure, cover, facts)).mean / placeTrust,
    depthLog: (facts: Facts) => {
      const slope = beyondDoubt(
        learned.moved(new Map(situationsOf(facts).warmth.map(([situation, degree]) => [`depth|${situation}`, degree]))),
        DEPTH_DOUBTS,
      );
      const shift = slope / Math.max(LEAST_CURVE, -2 * learned.mean('depth²'));
      return Math.abs(shift) < LEAST_DEPTH ? 0 : Math.min(FARTHEST_DEPTH, Math.max(-FARTHEST_DEPTH, shift));
    },
    prefers: (own, plain) => {
      const whole = (choice: FirstInWindow): Traits => {
        const [there] = choice.places;
        const traits = choiceTraits(choice, plain);
        return there
          ? new Map([...traits, ...placesTraits(there.structure, there.cover, choice.grounds.facts)])
          : traits;
      };
      const { mean, sd } = learned.against(whole(own), whole(plain));
      return isSameChoice(own, plain) || mean > CHOICE_DOUBTS * sd + CHOICE_WORTH_LOG;
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
