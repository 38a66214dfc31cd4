import { makePlan, type CategoryId, type Presentation, type Structure, type Tone } from '@inky-shoal/core';
import { categoryOf } from '@inky-shoal/core/lures';
import { PACES, paceOf, toneGroup, type NextInput, type NextPlace, type Pace } from '@inky-shoal/core/underway/states';
import { COVERS, middle, STRUCTURES, within } from '../../made-up-places.js';
import { normal, seeded } from '../../random.js';
import { between, poisson, spread, weighted } from './chance.js';
import { SEASONS } from './conditions.js';

/** What a day is especially: each kind sharpens one thing of the water, of the fish or of the notes. */
export const PATCHY_KINDS = ['plain', 'roaming', 'short-feeds', 'narrow', 'put-down', 'rough-notes'] as const;
export type PatchyKind = (typeof PATCHY_KINDS)[number];

/** What is thrown, and where. */
export interface Tackle {
  readonly place: NextPlace;
  readonly category: CategoryId;
  readonly depthM: number;
  readonly pace: Pace;
  readonly tone: Tone;
}

/** Bites and near misses an hour, as they truly are. */
export interface TrueRates {
  readonly bites: number;
  readonly nearMisses: number;
}

/** A day of patchy water: few schools, thresholds and spells. No policy but the one who knows sees into it. */
export interface PatchyWorld {
  readonly kind: PatchyKind;
  readonly conditions: NextInput['conditions'];
  readonly places: readonly NextPlace[];
  /** Places in the plan's order, and its lures in theirs. */
  readonly planned: { readonly places: readonly NextPlace[]; readonly lures: readonly Presentation[] };
  /** All that is in the boat. */
  readonly lures: readonly CategoryId[];
  readonly startMin: number;
  readonly endMin: number;
  readonly rates: (tackle: Tackle, atMin: number) => TrueRates;
  /** How many bites a place bears in an hour before its fish are put down, and for how many minutes. */
  readonly bears: number;
  readonly putDownMin: (random: () => number) => number;
  /** The plan's own way with a lure at a place. */
  readonly plannedTackle: (place: NextPlace, lure: Presentation) => Tackle;
}

const START_MIN = 390;
const END_MIN = 900;
/** Lures that are in the boat whatever the plan says. */
const ALSO: readonly CategoryId[] = ['shaky-head', 'spinnerbait', 'square-bill', 'drop-shot', 'texas-creature'];
const RUN_MIN = 18;
const LEAST_RUN_MIN = 4;
/** Bites an hour of a large school that feeds, on what it wants. */
const PEAK = 8;
/** Of it, what fish that rest give, what strays give, and what a lure gives that is not theirs. */
const RESTING = 0.35;
const STRAYS = 0.2;
const NOT_THEIRS = 0.25;
const KIN = 0.5;
const TOO_FAST = 0.5;
const WRONG_TONE = 0.6;
/** In so many days of ten the plan is right about both, about the place alone, and about the lure alone. */
const RIGHT_ON_BOTH = 0.5;
const RIGHT_ON_PLACE = 0.67;
const RIGHT_ON_LURE = 0.84;

interface School {
  readonly size: number;
  readonly depthLog: number;
  /** From which minute on it is where. */
  readonly stays: { readonly fromMin: number; readonly place: number }[];
}

function drawPlaces(random: () => number): NextPlace[] {
  const spots = Array.from({ length: 8 + Math.floor(random() * 5) }, (_, at) => {
    const shallow = between(random, 0.6, 5);
    return {
      id: `p${at + 1}`,
      structure: STRUCTURES[Math.floor(random() * STRUCTURES.length)] as Structure,
      cover: COVERS[Math.floor(random() * COVERS.length)] as (typeof COVERS)[number],
      depthM: [shallow, shallow * between(random, 1.6, 3.2)] as [number, number],
      at: [random(), random()] as const,
    };
  });
  return spots.map(({ at, ...spot }) => ({
    ...spot,
    minutesTo: Object.fromEntries(
      spots
        .filter(({ id }) => id !== spot.id)
        .map((other) => {
          const way = Math.hypot(at[0] - other.at[0], at[1] - other.at[1]);
          return [other.id, Math.round(LEAST_RUN_MIN + RUN_MIN * way)];
        }),
    ),
  }));
}

/** Spells in which the fish of the whole water feed. */
function drawSpells(random: () => number, kind: PatchyKind): (readonly [number, number])[] {
  const short = kind === 'short-feeds';
  const count = short ? 3 + poisson(2, random) : 1 + poisson(2, random);
  return Array.from({ length: count }, () => {
    const from = between(random, START_MIN - 20, END_MIN - 30);
    return [from, from + (short ? between(random, 12, 28) : between(random, 30, 75))] as const;
  });
}

/** What the plan has of a day: its lures in the middle of it, its places in their order, and where its fish are. */
function plannedDay(conditions: NextInput['conditions'], places: readonly NextPlace[]) {
  const { windows } = makePlan(conditions);
  const window = windows[Math.floor(windows.length / 2)] as (typeof windows)[number];
  const weightOf = ({ structure, cover }: NextPlace): number => {
    const like = window.holding.filter((each) => each.structure === structure);
    const exact = like.filter((each) => each.cover === cover);
    return Math.max(0.01, ...(exact.length ? exact : like).map(({ weight }) => weight));
  };
  const depthM = (place: NextPlace): number => {
    const like = window.holding.find((each) => each.structure === place.structure);
    return within(place.depthM, like ? middle(like.depthM) : middle(place.depthM));
  };
  return {
    lures: window.presentations,
    categories: [...new Set(windows.flatMap((each) => each.presentations.map(({ category }) => category)))],
    places: [...places].sort((a, b) => weightOf(b) - weightOf(a)),
    weightOf,
    depthM,
  };
}
type PlannedDay = ReturnType<typeof plannedDay>;

/** Three to five schools, in the morning each at a place of its own: one that the plan likes, or one that it does not. */
function drawSchools(
  random: () => number,
  kind: PatchyKind,
  places: readonly NextPlace[],
  plan: PlannedDay,
  isPlanRight: boolean,
): School[] {
  const half = Math.ceil(plan.places.length / 2);
  let free = isPlanRight ? plan.places.slice(0, half) : plan.places.slice(half);
  const leavesPerHour = kind === 'roaming' ? 0.6 : 0.08;
  return Array.from({ length: Math.min(free.length, 3 + Math.floor(random() * 3)) }, (): School => {
    const place = weighted(random, free, isPlanRight ? plan.weightOf : () => 1);
    free = free.filter((each) => each !== place);
    const stays = [{ fromMin: 0, place: places.indexOf(place) }];
    for (let at = START_MIN; ;) {
      at -= (60 / leavesPerHour) * Math.log(1 - random());
      if (at > END_MIN) break;
      const near = places[stays.at(-1)?.place as number]?.minutesTo ?? {};
      const to = weighted(random, Object.keys(near), (id) => 1 / (near[id] as number) ** 2);
      stays.push({ fromMin: at, place: places.findIndex(({ id }) => id === to) });
    }
    return { size: spread(random, 0.7, 0.35), depthLog: (isPlanRight ? 0.15 : 0.35) * normal(random), stays };
  });
}

/** A day drawn from a seed: the same seed, the same day. */
export function drawPatchyWorld(seed: number, kind: PatchyKind): PatchyWorld {
  const random = seeded(seed);
  const places = drawPlaces(random);
  const season = SEASONS[Math.floor(random() * SEASONS.length)] as NextInput['conditions'];
  const conditions = {
    ...season,
    structures: [...new Set(places.map(({ structure }) => structure))],
    covers: [...new Set(places.flatMap(({ cover }) => cover ?? []))],
  };
  const plan = plannedDay(conditions, places);
  const right = random();
  const rightOnPlace = right < RIGHT_ON_PLACE;
  const rightOnLure = right < RIGHT_ON_BOTH || (right >= RIGHT_ON_PLACE && right < RIGHT_ON_LURE);

  const lures = [...new Set([...plan.categories, ...ALSO])];
  const first = plan.lures[0] as Presentation;
  const others = lures.filter((each) => each !== first.category);
  const other = () => others[Math.floor(random() * others.length)] as CategoryId;
  const theirs = new Set(rightOnLure ? [first.category, other(), other()] : [other(), other(), other()]);
  const kin = new Set([...theirs].map((each) => categoryOf(each).roles[0]));

  const schools = drawSchools(random, kind, places, plan, rightOnPlace);
  const strays = places.map(() => random() < 0.5);
  const spells = drawSpells(random, kind);
  const peak = spread(random, PEAK, 0.4);
  const halfBand = kind === 'narrow' ? 0.28 : 0.45;
  const offDepth = kind === 'narrow' ? 0.1 : 0.3;
  const fastest = random() < 0.5 ? 0 : 1;
  const wanted = random() < 0.5 ? Math.floor(random() * 3) : null;

  const rates = ({ place, category, depthM, pace, tone }: Tackle, atMin: number): TrueRates => {
    const at = places.indexOf(place);
    const feeds = spells.some(([from, to]) => atMin >= from && atMin < to);
    const lure = theirs.has(category) ? 1 : kin.has(categoryOf(category).roles[0]) ? KIN : NOT_THEIRS;
    const tooFast = !feeds && PACES.indexOf(pace) > fastest ? TOO_FAST : 1;
    const wrongTone = !feeds && wanted !== null && toneGroup(tone) !== wanted ? WRONG_TONE : 1;
    const fish = schools.filter(({ stays }) => stays.findLast(({ fromMin }) => fromMin <= atMin)?.place === at);
    const lively = feeds ? 1 : RESTING;
    let [bites, nearMisses] = [0, 0];
    const add = (size: number, inDepth: number) => {
      const fit = lure * tooFast * wrongTone * inDepth;
      bites += peak * size * lively * fit;
      // What is in their sight and not right is looked at.
      nearMisses += peak * size * lively * inDepth * (0.15 + 0.6 * (1 - lure * tooFast * wrongTone));
    };
    for (const { size, depthLog } of fish) {
      const off = Math.abs(Math.log(Math.max(0.1, depthM) / plan.depthM(place)) - depthLog);
      add(size, off <= halfBand ? 1 : offDepth);
    }
    if (strays[at]) add(STRAYS, 1);
    return { bites, nearMisses };
  };
  return {
    kind,
    conditions,
    places,
    planned: { places: plan.places, lures: plan.lures },
    lures,
    startMin: START_MIN,
    endMin: END_MIN,
    rates,
    bears: kind === 'put-down' ? 2 : 3,
    putDownMin: (luck) => (kind === 'put-down' ? between(luck, 80, 150) : between(luck, 50, 90)),
    plannedTackle: (place, { category, runDepthM, retrieve, colour }) => ({
      place,
      category,
      depthM: within(runDepthM, plan.depthM(place)),
      pace: paceOf(category, middle(retrieve.speedMps)),
      tone: colour.tone,
    }),
  };
}
