import { group } from 'd3-array';
import type { Block, Candidate, EvidenceAttribute, Fished } from './fished.js';
import { EVIDENCE_ATTRIBUTES } from './fished.js';
import { likeIn } from './kernel.js';
import { Z80 } from './normal.js';
import { preferenceOf, usualLog, type Posterior } from './posterior.js';

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

/** So many bites in so short a stretch call for the same stretch again. */
const CLUSTER_BITES = 2;
const CLUSTER_HOURS = 0.5;

/** Whether a stretch brought several bites in a short while. */
export const isCluster = (stretch: { readonly bites: number; readonly hours: number }): boolean =>
  stretch.bites >= CLUSTER_BITES && stretch.hours <= CLUSTER_HOURS;

/** How much the planner prefers what each block fished; what is among no candidates is neither here nor there to it. */
export function preferences(blocks: readonly Block[], candidates: readonly Candidate[]): number[] {
  const usual = usualLog(candidates);
  // Only what is of one place, lure and trim can be the same.
  const keyOf = ({ spot, category, trim }: Fished) => `${spot}/${category}/${trim}`;
  const byKey = group(candidates, keyOf);
  return blocks.map((block) => {
    const like = byKey.get(keyOf(block))?.find((each) => moveBetween(each, block) === 'stay');
    return like ? preferenceOf(like.prior, usual) : 0;
  });
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
