import type { Block, Candidate, EvidenceAttribute, Fished } from './fished.js';
import { EVIDENCE_ATTRIBUTES } from './fished.js';
import { likeIn } from './kernel.js';
import { normalBelow, Z80 } from './normal.js';
import { posterior, preferenceOf, rateAt, usualLog, type Posterior, type Rate } from './posterior.js';

/** What can be done next, the least costly first. */
export const MOVES = [
  'stay',
  'turn-back',
  'change-pace',
  'change-depth',
  'change-trim',
  'change-lure',
  'move',
] as const;
export type Move = (typeof MOVES)[number];

/** The day so far, and what could be done with the rest of it. */
export interface Underway {
  readonly blocks: readonly Block[];
  readonly candidates: readonly Candidate[];
  /** The candidate that is fished now; null before the first cast. */
  readonly nowId: string | null;
  readonly atMin: number;
  /** Minutes of fishing left. */
  readonly leftMin: number;
  /** Minutes that going over from one thing to another costs: running, tying. */
  readonly costMin: (from: Candidate | null, to: Candidate) => number;
  /** By which factor something seen, and not yet counted in bites, makes a candidate likelier; 1 where it does not. */
  readonly leaning?: (to: Candidate) => number;
}

/** One attribute that seems to matter so far. */
export interface Mattering {
  readonly attribute: EvidenceAttribute;
  /** A candidate that has it counts. */
  readonly of: Candidate;
  /** How many times as many bites: likely, and the range in which it lies in four cases of five. */
  readonly times: number;
  readonly low: number;
  readonly high: number;
}

export interface MoveAdvice {
  readonly move: Move;
  readonly to: Candidate;
  readonly rate: Rate;
  /** Rate of what is fished now; the same as `rate` where one stays. */
  readonly now: Rate | null;
  /** Probability that it brings more an hour than what is fished now; null where there is nothing to compare. */
  readonly odds: number | null;
  /** Expected bites over the time left, the cost of going over taken off. */
  readonly bitesLeft: number;
  /** Too little was fished for more than a guess. */
  readonly guess: boolean;
  readonly because: readonly Mattering[];
  /** What matters of what is fished now. */
  readonly here: readonly Mattering[];
}

/** Less effort than this, in hours, is a guess. */
const GUESS_HOURS = 1;
/** Bites in so short a stretch at the end of what was fished call for the same stretch again. */
const CLUSTER_BITES = 2;
const CLUSTER_HOURS = 0.5;
/**
 * How optimistic unknown things are seen: by so many standard deviations at a day's length left, less as it runs out,
 * since what is learnt late is of no use. The upper quantile as an index is Kaufmann's (Bayes-UCB, 2012).
 */
const OPTIMISM = 0.5;
const FULL_DAY_MIN = 480;
/** An attribute is told where its factor lies to one side of one in four cases of five. */
const MATTERS_Z = 0.84;
const MAX_REASONS = 4;

/** What one changes by going over, told by what costs most. */
export function moveBetween(from: Fished | null, to: Fished): Move {
  if (!from || from.spot !== to.spot) return 'move';
  // Where neither place has a name, another kind of ground is another place.
  if (to.spot === null && (from.structure !== to.structure || from.cover !== to.cover)) return 'move';
  if (from.category !== to.category) return 'change-lure';
  if (from.trim !== to.trim) return 'change-trim';
  if (likeIn('depth', from, to) < 0.999) return 'change-depth';
  return likeIn('pace', from, to) < 0.999 ? 'change-pace' : 'stay';
}

/** How much the planner prefers what each block fished; what is among no candidates is neither here nor there to it. */
export function preferences(blocks: readonly Block[], candidates: readonly Candidate[]): number[] {
  const usual = usualLog(candidates);
  return blocks.map((block) => {
    const like = candidates.find((each) => moveBetween(each, block) === 'stay');
    return like ? preferenceOf(like.prior, usual) : 0;
  });
}

/** A rate whose prior leans by a factor: what is known of it by evidence stays. */
const shifted = ({ logMean, logSd, mean }: Rate, factor: number): Rate => ({
  logMean: logMean + Math.log(factor),
  logSd,
  mean: mean * factor,
});

/** Whether the last stretch brought several bites in a short while. */
function clustered(blocks: readonly Block[], now: Candidate): boolean {
  const last = blocks.at(-1);
  return last?.spot === now.spot && last.bites >= CLUSTER_BITES && last.hours <= CLUSTER_HOURS;
}

/** Attributes of a thing that stand out so far, the surest first. */
export function mattering(known: Posterior, of: Candidate, atMin: number): Mattering[] {
  return EVIDENCE_ATTRIBUTES.map((attribute) => ({ attribute, ...known.effect(attribute, of, atMin) }))
    .filter(({ mean, sd }) => sd > 0 && Math.abs(mean) > MATTERS_Z * sd)
    .sort((a, b) => Math.abs(b.mean) / b.sd - Math.abs(a.mean) / a.sd)
    .slice(0, MAX_REASONS)
    .map(({ attribute, mean, sd }) => ({
      attribute,
      of,
      times: Math.exp(mean),
      low: Math.exp(mean - Z80 * sd),
      high: Math.exp(mean + Z80 * sd),
    }));
}

/**
 * What to do next: the candidate of which most bites are to be hoped for in the time left, after what going over costs,
 * with what is little known seen a little rosier while there is time to learn from it.
 * @example
 * nextMove({ blocks: [], candidates: [], nowId: null, atMin: 400, leftMin: 200, costMin: () => 0 }) // => null
 */
export function nextMove({ blocks, candidates, nowId, atMin, leftMin, costMin, leaning }: Underway): MoveAdvice | null {
  const usual = usualLog(candidates);
  const now = candidates.find(({ id }) => id === nowId) ?? null;
  const asked = (candidate: Candidate) => ({ fished: candidate, preference: preferenceOf(candidate.prior, usual) });
  const known = posterior(blocks, preferences(blocks, candidates));
  const z = OPTIMISM * Math.sqrt(Math.max(0, leftMin) / FULL_DAY_MIN);
  /** Candidates by what they would be worth at the most, the best first. */
  const prospects = (from: Posterior) =>
    candidates
      .map((to, at) => {
        const prospect = from.prospect(asked(to), atMin);
        const factor = leaning?.(to) ?? 1;
        const hours = Math.max(0, leftMin - costMin(now, to)) / 60;
        const maxWorth = rateAt({ logMean: prospect.logMean, logSd: prospect.maxLogSd }, z) * factor * hours;
        return { to, at, hours, factor, prospect, maxWorth };
      })
      .sort((a, b) => b.maxWorth - a.maxWorth);
  let best: { to: Candidate; rate: Rate; worth: number; hours: number; at: number } | null = null;
  for (const { to, at, hours, factor, prospect, maxWorth } of prospects(known)) {
    // How sure the rest is need not be known: not even its best case is as good.
    if (best && maxWorth < best.worth) break;
    const rate = shifted(prospect.rate(), factor);
    const worth = rateAt(rate, z) * hours;
    if (!best || worth > best.worth || (worth === best.worth && at < best.at)) best = { to, rate, worth, hours, at };
  }
  if (!best) return null;
  const { to, rate, hours } = best;
  const move = moveBetween(now, to);
  const leans = (candidate: Candidate) => leaning?.(candidate) ?? 1;
  const apart = now && known.against(asked(to), asked(now), atMin);
  const ahead = apart && now && apart.mean + Math.log(leans(to) / leans(now));
  return {
    move: move === 'stay' && now && clustered(blocks, now) ? 'turn-back' : move,
    to,
    rate,
    now: now && shifted(known.rate(asked(now), atMin), leans(now)),
    odds: apart && ahead !== null && apart.sd > 0 ? normalBelow(ahead / apart.sd) : null,
    bitesLeft: rate.mean * hours,
    guess: blocks.reduce((sum, block) => sum + block.hours, 0) < GUESS_HOURS,
    because: mattering(known, to, atMin),
    here: now ? mattering(known, now, atMin) : [],
  };
}
