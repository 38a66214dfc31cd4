import type { Phase } from '../contract/ids.js';
import type { Fishing, LureChange } from '../contract/trips.js';
import type { Move } from './evidence/moves.js';
import { castHours } from './blocks.js';
import { activeMs, type Trip } from './trip.js';
import type { Option } from './candidates.js';

/** What the water has said lately where one is, counted. */
export interface Lately {
  /** Casts since the last bite or the last change of place, as told or by the time gone. */
  readonly castsWithoutBite: number;
  readonly bites: number;
  /** Bites at this place before the casts without one. */
  readonly bitesBefore: number;
  readonly follows: number;
  readonly shorts: number;
  readonly lost: number;
  readonly atBoat: number;
  /** Fish hooked in the last half hour. */
  readonly clustered: number;
  readonly baitSeen: boolean;
  readonly fall: boolean;
}

/** What one changes, and which way. */
export interface Change {
  readonly move: Move;
  readonly from: Fishing;
  readonly to: Option;
}

/** What something seen on the water usually means: it leans the next move, and says why. */
export interface Answer {
  readonly id: string;
  /** When it speaks and which way it leans, in words. */
  readonly seen: string;
  readonly does: string;
  readonly when: (lately: Lately) => boolean;
  /** By which factor it makes a change likelier to bring bites. */
  readonly leans: (change: Change) => number;
  /** It speaks for staying. */
  readonly keeps?: true;
  readonly text: string;
  readonly source: string;
}

const CLUSTER_MS = 1_800_000;
/** How far back what the water said still speaks. */
const LATELY_MS = 3_600_000;
const FALL: ReadonlySet<string> = new Set<Phase>(['early-fall', 'fall', 'late-fall', 'fall-run']);

const slower = ({ from, to }: Change) => to.fishing.paceMps < from.paceMps;
const deeper = ({ from, to }: Change) => to.fishing.depthM > from.depthM * 1.1;
const trims = ({ move, to }: Change, ...among: LureChange[]) =>
  move === 'change-trim' && among.some((trim) => trim === to.fishing.trim);
const byMove =
  (factors: Partial<Record<Move, number>>) =>
  ({ move }: Change): number =>
    factors[move] ?? 1;
const FACTORS = 'the first answers that the sport gives; how much each leans is judgement';

/** First answers to what is seen. The evidence weighs them against what was caught; none decides by itself. */
export const WATER_ANSWERS: readonly Answer[] = [
  {
    id: 'answer-follows',
    seen: 'two fish followed within the hour, more than bit',
    does: 'another pace likelier, then a smaller or more natural lure',
    when: ({ follows, bites }) => follows >= 2 && follows > bites,
    leans: (change) => {
      if (change.move === 'change-pace') return 1.7;
      return trims(change, 'smaller', 'more-natural') ? 1.35 : 1;
    },
    text: 'They follow and do not take: change the pace first, then smaller or more natural.',
    source: FACTORS,
  },
  {
    id: 'answer-short-strikes',
    seen: 'two strikes were short within the hour',
    does: 'one change of the lure likelier, colour first; slower, too; another lure less',
    when: ({ shorts }) => shorts >= 2,
    leans: (change) => {
      if (trims(change, 'brighter', 'more-natural')) return 1.9;
      if (change.move === 'change-trim') return 1.6;
      if (change.move === 'change-lure') return 0.8;
      return change.move === 'change-pace' && slower(change) ? 1.3 : 1;
    },
    text: 'Short strikes: the right lure with something off. Colour first, then a trailer hook or a shorter trailer, then slower; one thing at a time.',
    source: FACTORS,
  },
  {
    id: 'answer-at-the-boat',
    seen: 'two bites came at the boat within the hour',
    does: 'deeper likelier',
    when: ({ atBoat }) => atBoat >= 2,
    leans: (change) => (change.move === 'change-depth' && deeper(change) ? 1.7 : 1),
    text: 'They come at the boat: the fish are lower. Get deeper, or hold the depth longer.',
    source: FACTORS,
  },
  {
    id: 'answer-nobody-home',
    seen: 'forty casts (twenty in fall) brought no bite, no fish came to look, and no bait was seen',
    does: 'another place likelier',
    when: ({ castsWithoutBite, bitesBefore, follows, baitSeen, fall }) =>
      castsWithoutBite >= (fall ? 20 : 40) && bitesBefore === 0 && follows === 0 && !baitSeen,
    leans: byMove({ move: 1.5 }),
    text: 'No bait and no bite: nobody is at home here.',
    source: FACTORS,
  },
  {
    id: 'answer-bait-no-bite',
    seen: 'twenty casts brought no bite where bait was seen',
    does: 'another depth likelier, then another pace, then another lure; another place less',
    when: ({ castsWithoutBite, bitesBefore, baitSeen }) => castsWithoutBite >= 20 && bitesBefore === 0 && baitSeen,
    leans: byMove({ 'change-depth': 1.5, 'change-pace': 1.25, 'change-lure': 1.1, move: 0.8 }),
    text: 'Bait is here and nothing bites: change the depth, then the pace, then the lure.',
    source: FACTORS,
  },
  {
    id: 'answer-bites-stopped',
    seen: 'two fish or more bit here, and none for thirty casts',
    does: 'another place likelier',
    when: ({ castsWithoutBite, bitesBefore }) => bitesBefore >= 2 && castsWithoutBite >= 30,
    leans: byMove({ move: 1.4 }),
    text: 'Bites have stopped: on to the like place, and come back here later.',
    source: FACTORS,
  },
  {
    id: 'answer-cluster',
    seen: 'two fish were hooked within half an hour',
    does: 'all but staying less likely',
    when: ({ clustered }) => clustered >= 2,
    leans: ({ move }) => (move === 'stay' ? 1 : 0.45),
    keeps: true,
    text: 'Several bites in a short stretch: cover it again, then with a slower lure on the bottom. Mark it.',
    source: FACTORS,
  },
  {
    id: 'answer-lost',
    seen: 'two fish were lost within the hour',
    does: 'nothing to the next move: it is said',
    when: ({ lost }) => lost >= 2,
    leans: () => 1,
    text: 'Fish come off: a softer rod, a later sweep, sharper hooks.',
    source: FACTORS,
  },
];

/** Counts what the water said at the present place. */
export function latelyOf(trip: Trip, nowMs: number): Lately {
  const here = trip.fishing;
  const sinceMs = nowMs - LATELY_MS;
  let [castsWithoutBite, bites, bitesBefore, follows, shorts, lost, atBoat, clustered] = [0, 0, 0, 0, 0, 0, 0, 0];
  let baitSeen = false;
  let quietFromMs = trip.startMs;
  const isHere = (fishing: Fishing) =>
    fishing.spot === here?.spot && fishing.structure === here.structure && fishing.cover === here.cover;
  for (const { event, atMs } of trip.notes) {
    if (event.kind === 'bait' || event.kind === 'birds') baitSeen ||= atMs >= sinceMs;
    if (!('fishing' in event) || !event.fishing) continue;
    if (!isHere(event.fishing)) {
      // Another place: what was said there does not speak of here.
      [castsWithoutBite, bites, bitesBefore, follows, shorts, lost, atBoat, clustered] = [0, 0, 0, 0, 0, 0, 0, 0];
      quietFromMs = atMs;
      continue;
    }
    if (event.kind === 'effort') {
      castsWithoutBite += event.casts ?? (event.minutes ?? 0) / 60 / castHours(event.fishing.paceMps);
    }
    if (event.kind !== 'contact') continue;
    if (event.what === 'follow') {
      if (atMs >= sinceMs) follows++;
      continue;
    }
    castsWithoutBite = 0;
    quietFromMs = atMs;
    bitesBefore++;
    if (atMs < sinceMs) continue;
    bites++;
    if (event.what === 'short') shorts++;
    if (event.what === 'lost') lost++;
    if (event.atBoat) atBoat++;
    if (atMs >= nowMs - CLUSTER_MS && (event.what === 'landed' || event.what === 'lost')) clustered++;
  }
  // Who says no casts has made some all the same.
  if (here && castsWithoutBite === 0 && trip.state === 'going') {
    castsWithoutBite = activeMs(trip, quietFromMs, nowMs) / 3_600_000 / castHours(here.paceMps);
  }
  return {
    castsWithoutBite,
    bites,
    bitesBefore,
    follows,
    shorts,
    lost,
    atBoat,
    clustered,
    baitSeen,
    fall: FALL.has(trip.plan?.plan.phase.id ?? ''),
  };
}
