import type { Block, Candidate, EvidenceAttribute } from '@inky-shoal/core/underway/evidence';
import type { CategoryId, Cover, Role, Structure } from '@inky-shoal/core';
import { normal, seeded } from '../random.js';

/** Kinds of days: what is true of them, and whether it stays so. */
export const WORLD_KINDS = ['steady', 'change-at-midday', 'empty-places', 'one-lure', 'plan-is-wrong'] as const;
export type WorldKind = (typeof WORLD_KINDS)[number];

/** A day on the water with a truth that no policy sees. */
export interface World {
  readonly kind: WorldKind;
  readonly candidates: readonly Candidate[];
  /** Bites an hour that something truly brings at a minute of the day. */
  readonly rate: (candidate: Candidate, atMin: number) => number;
  /** What is left of a place's fish after it was fished: it thins out, and comes back with time. */
  readonly rested: (candidate: Candidate, blocks: readonly Block[], atMin: number) => number;
  /** Minutes that going over from one thing to another costs. */
  readonly costMin: (from: Candidate | null, to: Candidate) => number;
  readonly startMin: number;
  readonly endMin: number;
}

const START_MIN = 390;
const END_MIN = 870;
const NOON_MIN = 720;
const SPOTS = 12;
/** Minutes to tie on another lure, and to run the length of the water. */
const TIE_MIN = 3;
const RUN_MIN = 18;
const MIN_RUN_MIN = 4;
/** Bites an hour of a usual thing on a usual day. */
const USUAL = 0.8;
/** How far days differ, as the deviation of a logarithm. */
const DAY_SD = 0.6;
/** What the planner knows of the truth, and how far it errs, as deviations of logarithms. */
const PLAN_KNOWS = 0.6;
const PLAN_ERRS = 0.6;

/** An hour's fishing leaves so much less of a place's fish, as a logarithm; and how long it takes them to come back. */
const THINS_PER_HOUR = 0.7;
const REST_MIN = 120;

const STRUCTURES: readonly Structure[] = ['main-lake-point', 'secondary-point', 'flat', 'ditch', 'ledge', 'steep-bank'];
const COVERS: readonly Cover[] = ['chunk-rock', 'submerged-grass', 'laydown', 'gravel', 'brush-pile'];
const LURES: readonly { readonly category: CategoryId; readonly role: Role; readonly paceMps: number }[] = [
  { category: 'suspending-jerkbait', role: 'search', paceMps: 0.3 },
  { category: 'flat-sided-crankbait', role: 'search', paceMps: 0.7 },
  { category: 'lipless-crankbait', role: 'reaction', paceMps: 1.1 },
  { category: 'football-jig', role: 'bottom', paceMps: 0.15 },
  { category: 'shaky-head', role: 'finesse', paceMps: 0.08 },
];
const DEPTHS_M = [1, 2, 4, 7] as const;

/** How much levels of each attribute truly differ where it matters, as the deviation of a logarithm. */
const TRUE_SD: Readonly<Record<Exclude<EvidenceAttribute, 'trim' | 'light' | 'tide'>, number>> = {
  spot: 0.6,
  structure: 0.45,
  cover: 0.4,
  depth: 0.6,
  category: 0.5,
  pace: 0.3,
};
/** In so many days of ten an attribute matters at all. */
const MATTERS = 0.7;

type Effects = Readonly<Record<string, number>>;

function effectsOf(random: () => number, keys: readonly [string, number][]): Effects {
  const matters = new Map<string, boolean>();
  return Object.fromEntries(
    keys.map(([key, sd]) => {
      const attribute = key.split(':')[0] as string;
      if (!matters.has(attribute)) matters.set(attribute, random() < MATTERS);
      return [key, matters.get(attribute) ? sd * normal(random) : 0];
    }),
  );
}

/** A day drawn from a seed: the same seed, the same day. */
export function drawWorld(seed: number, kind: WorldKind): World {
  const random = seeded(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
  const spots = Array.from({ length: SPOTS }, (_, at) => ({
    id: `spot ${at + 1}`,
    structure: pick(STRUCTURES),
    cover: pick(COVERS),
    at: [random(), random()] as const,
    empty: random() < (kind === 'empty-places' ? 0.5 : 0.15),
  }));
  const keys: [string, number][] = [
    ...spots.map(({ id }): [string, number] => [`spot:${id}`, TRUE_SD.spot]),
    ...STRUCTURES.map((id): [string, number] => [`structure:${id}`, TRUE_SD.structure]),
    ...COVERS.map((id): [string, number] => [`cover:${id}`, TRUE_SD.cover]),
    ...DEPTHS_M.map((depth): [string, number] => [`depth:${depth}`, TRUE_SD.depth]),
    ...LURES.map(({ category }): [string, number] => [`category:${category}`, TRUE_SD.category]),
  ];
  const morning = effectsOf(random, keys);
  const later = kind === 'change-at-midday' ? effectsOf(random, keys) : morning;
  const day = DAY_SD * normal(random);
  const paceSlope = random() < MATTERS ? TRUE_SD.pace * normal(random) : 0;
  const dawn = 0.3 + 0.5 * random();
  const onlyLure = pick(LURES).category;
  const things = spots.flatMap(({ id, structure, cover }) =>
    LURES.flatMap((lure) => {
      const depth = DEPTHS_M[Math.floor(random() * DEPTHS_M.length)] as number;
      const other = DEPTHS_M[(DEPTHS_M.indexOf(depth as 1) + 1 + Math.floor(random() * 3)) % DEPTHS_M.length] as number;
      return [depth, other].map((depthM) => ({ spot: id, structure, cover, depthM, ...lure }));
    }),
  );
  const place = new Map(spots.map((spot) => [spot.id, spot]));
  const suits = ({ spot, structure, cover, depthM, category, paceMps }: (typeof things)[number], effects: Effects) =>
    ['spot', 'structure', 'cover', 'depth', 'category'].reduce((sum, attribute) => {
      const level = { spot, structure, cover, depth: depthM, category }[attribute as 'spot'];
      return sum + (effects[`${attribute}:${level}`] ?? 0);
    }, 0) +
    paceSlope * Math.log(paceMps / 0.3) +
    (kind === 'one-lure' ? (category === onlyLure ? 0.9 : -0.5) : 0);
  const candidates = things.map((thing, at): Candidate => {
    const knows = kind === 'plan-is-wrong' ? -0.3 : PLAN_KNOWS;
    const logPrior = knows * suits(thing, morning) + PLAN_ERRS * normal(random);
    return { id: String(at), trim: null, light: 'low', tide: null, ...thing, prior: Math.exp(logPrior) };
  });
  return {
    kind,
    candidates,
    startMin: START_MIN,
    endMin: END_MIN,
    rate: (candidate, atMin) => {
      const effects = atMin < NOON_MIN ? morning : later;
      const early = Math.exp(-(((atMin - START_MIN) / 110) ** 2));
      const log = day + dawn * early + suits(candidate as (typeof things)[number], effects);
      const there = place.get(candidate.spot ?? '')?.empty ? 0.1 : 1;
      return USUAL * there * Math.exp(log);
    },
    rested: ({ spot }, blocks, atMin) => {
      const fished = blocks.reduce(
        (hours, block) =>
          block.spot === spot ? hours + block.hours * Math.exp(-(atMin - block.atMin) / REST_MIN) : hours,
        0,
      );
      return Math.exp(-THINS_PER_HOUR * fished);
    },
    costMin: (from, to) => {
      const tie = from && from.category !== to.category ? TIE_MIN : 0;
      if (from?.spot === to.spot) return tie;
      const [a, b] = [place.get(from?.spot ?? '')?.at ?? [0.5, 0], place.get(to.spot ?? '')?.at ?? [0.5, 0]];
      return tie + MIN_RUN_MIN + RUN_MIN * Math.hypot(a[0] - b[0], a[1] - b[1]);
    },
  };
}
