import { clockOf } from '../../day/windows.js';
import type { Belief } from './belief.js';

/** A place is spoken of as empty, and as put down, from so much on; fish as feeding, and as hardly feeding. */
const SAID_EMPTY = 0.55;
const SAID_PUT_DOWN = 0.6;
const SAID_FEEDING = 0.65;
const SAID_RESTING = 0.3;

/** So long a fish that came and did not take is spoken of, minutes. */
export const SPEAKS_MIN = 90;

/** What is told of the states: where one is, and whether one goes on there. */
export interface StatesTold {
  readonly belief: Belief;
  /** The place where one fishes; null before the first cast. */
  readonly here: { readonly at: number; readonly empty: number } | null;
  readonly goesOn: boolean;
  /** Follows and short strikes here, of the last minutes in which they are spoken of. */
  readonly nearMisses: number;
  readonly nowMin: number;
}

const tenths = (share: number): string => `${Math.round(share * 10)} in 10`;

/** What is believed of the water now, in words: whether the place is empty or put down, and whether fish feed. */
export function statesWords({ belief, here, goesOn, nearMisses, nowMin }: StatesTold): string[] {
  const feeds = belief.mean((way) => belief.feeds[way] as number);
  const feeding = feeds >= SAID_FEEDING ? [goesOn ? 'They feed now: stay.' : 'They feed now.'] : [];
  if (!here) return feeding;
  const said: string[] = [];
  const { at, empty } = here;
  if (empty >= SAID_EMPTY) said.push(`This place is likely empty (${tenths(empty)}).`);
  else {
    if (belief.rested(at) <= SAID_PUT_DOWN) {
      const back = (nowMin + belief.minutesUntilRested(at)) % 1440;
      said.push(`They were here and are put down: back at ${clockOf(back)}.`);
    }
    if (nearMisses) {
      const came = nearMisses === 1 ? 'One came' : `${nearMisses} came`;
      said.push(`${came} and did not take it: fish are here, and something is off.`);
    }
  }
  const resting = !feeding.length && feeds <= SAID_RESTING ? ['They hardly feed now.'] : [];
  return [...said, ...feeding, ...resting];
}
