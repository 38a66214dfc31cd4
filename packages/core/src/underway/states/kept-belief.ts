import { Belief, type Stretch } from './belief.js';
import { Ways, type Priors } from './ways.js';

/** A day that was asked about, and what was believed of it when all but its last stretches were taken in. */
interface KeptDay {
  readonly priors: string;
  readonly startMin: number;
  readonly ways: Ways;
  /** Stretches that the belief has taken in. */
  readonly taken: Stretch[];
  readonly belief: Belief;
}

/** So many days are kept: one that is fished, and one that is looked at beside it. */
const MOST_KEPT = 2;
const kept: KeptDay[] = [];

/** All that is told of a stretch. */
const TOLD: readonly (keyof Stretch)[] = [
  'place',
  'lure',
  'depthLog',
  'paceSteps',
  'tone',
  'preference',
  'fromMin',
  'toMin',
  'hours',
  'bites',
  'nearMisses',
];
const isSame = (a: Stretch, b: Stretch): boolean => TOLD.every((each) => a[each] === b[each]);

/** The day as far as it is kept; from its beginning where what was taken in is not what was fished now. */
function dayLike(priors: Priors, startMin: number, stretches: readonly Stretch[]): KeptDay {
  const written = JSON.stringify(priors);
  const alike = kept.filter((day) => day.priors === written);
  const goesOn = alike.find(
    ({ startMin: begun, taken }) =>
      begun === startMin &&
      taken.length <= stretches.length &&
      taken.every((each, at) => isSame(each, stretches[at] as Stretch)),
  );
  if (goesOn) return goesOn;
  const ways = alike[0]?.ways ?? new Ways(priors);
  return { priors: written, startMin, ways, taken: [], belief: new Belief(ways, startMin) };
}

/**
 * What is believed of a day after some stretches of fishing. A day grows by a stretch at a time: what was believed before
 * the last one is kept, and the next question about the same day goes on from there. The answer is that of a day that is
 * gone through from its beginning.
 * @param priors what is believed before the first cast
 * @param startMin minute at which the day begins
 * @param stretches in the order in which they were fished
 */
export function beliefOf(priors: Priors, startMin: number, stretches: readonly Stretch[]): Belief {
  const day = dayLike(priors, startMin, stretches);
  // The last one may still be going on, or be put right.
  for (let at = day.taken.length; at < stretches.length - 1; at++) {
    const taken = stretches[at] as Stretch;
    day.belief.observe(taken);
    day.taken.push(taken);
  }
  const others = kept.filter((each) => each !== day);
  kept.splice(0, kept.length, day, ...others.slice(0, MOST_KEPT - 1));
  const belief = day.belief.fork();
  for (const each of stretches.slice(day.taken.length)) belief.observe(each);
  return belief;
}
