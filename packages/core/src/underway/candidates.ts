import { minuteWithin } from '../day/windows.js';
import type { Conditions } from '../contract/conditions.js';
import type { CategoryId, Tone } from '../contract/ids.js';
import type { Holding, PlanWindow, Presentation } from '../contract/plan.js';
import type { Fishing, LureChange, TripStop } from '../contract/trips.js';
import type { Candidate } from './evidence/fished.js';
import { moveBetween } from './evidence/moves.js';
import { wayOutOf } from './way-out.js';
import { categoryOf } from '../lures/categories.js';
import { fishedOf, type HourOfDay } from './blocks.js';

/** A candidate with what is to be fished, as a note would say it. */
export interface Option extends Candidate {
  readonly fishing: Fishing;
  /** The plan's own presentation that it is, or is a change of. */
  readonly presentation: Presentation | null;
}

/** Lures looked at where one is, and at other places. */
const LURES_HERE = 6;
const LURES_ELSEWHERE = 3;
/** A change of what was advised is a little less likely than the advice itself. Judgement. */
const CHANGED = 0.8;
/** The place whose hour it is by the day's order, over the others. Judgement. */
const IN_ITS_HOUR = 1.5;
/** A place from which one has to be away sooner is none to run to. Judgement. */
const LEAST_STAY_MIN = 20;
const DEEPER = 1.45;
const FASTER = 1.7;
const MIN_CHANGE = 1.15;

const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;
const within = ([from, to]: readonly [number, number], value: number): number => Math.min(to, Math.max(from, value));

/** A place that could be fished: a stop of the day's order, or a kind of place that the plan names. */
export interface PlaceOption {
  readonly spot: string | null;
  readonly structure: Holding['structure'] | null;
  readonly cover: Holding['cover'] | null;
  readonly depthM: number;
  readonly weight: number;
}

const isWithin = (minute: number, fromMin: number, toMin: number): boolean => minute >= fromMin && minute <= toMin;

/** Stops that can be left again at a minute, and the one where one is. */
export const stopsOpen = (
  stops: readonly TripStop[],
  conditions: Pick<Conditions, 'hourlyTide'>,
  atMin: number,
  here: string | null,
): TripStop[] =>
  stops.filter((stop) => {
    const out = wayOutOf(stop, conditions, atMin);
    const isEnough = out === null || (out.isOpen && (out.changesInMin ?? Infinity) >= LEAST_STAY_MIN);
    return isEnough || stop.name === here;
  });

/** Places of a window: the stops of the day's order, else the kinds of place where fish should hold. */
export function placesOf(window: PlanWindow, stops: readonly TripStop[], atMin: number): PlaceOption[] {
  if (!stops.length) {
    return window.holding.map(({ structure, cover, depthM, weight }) => ({
      spot: null,
      structure,
      cover,
      depthM: middle(depthM),
      weight: weight * window.holding.length,
    }));
  }
  const [first] = window.holding;
  return stops.map(({ name, structure, cover, depthM, fromMin, toMin }) => ({
    spot: name,
    structure: structure ?? first?.structure ?? null,
    cover: cover ?? first?.cover ?? null,
    depthM,
    weight: isWithin(minuteWithin(atMin, fromMin, toMin), fromMin, toMin) ? IN_ITS_HOUR : 1,
  }));
}

/** What the plan would have one fish at a place with one of its presentations. */
export function fishingOf(place: PlaceOption, { category, runDepthM, retrieve, role }: Presentation): Fishing {
  const { spot, structure, cover, depthM } = place;
  // What is fished on the bottom is as deep as the bottom is; what swims keeps its depth over deeper ground.
  const onBottom = role === 'bottom' || categoryOf(category).positions.bottom >= 0.8;
  const runs = onBottom ? within(categoryOf(category).runDepthM, depthM) : Math.min(middle(runDepthM), depthM);
  return { spot, structure, cover, depthM: runs, category, trim: null, paceMps: middle(retrieve.speedMps) };
}

/** What a category is usually fished at, where no plan says it. */
export function usualFishing(category: CategoryId, depthM?: number): Fishing {
  const { runDepthM, paceMps } = categoryOf(category);
  const place = { spot: null, structure: null, cover: null };
  return {
    ...place,
    depthM: within(runDepthM, depthM ?? middle(runDepthM)),
    category,
    trim: null,
    paceMps: middle(paceMps),
  };
}

const PLAIN_TONES: ReadonlySet<Tone> = new Set(['translucent', 'natural', 'muted']);

/** Single changes of the lure that make sense with a presentation. */
function trimsOf(presentation: Presentation | null): LureChange[] {
  const plain = !presentation || PLAIN_TONES.has(presentation.colour.tone);
  const trims: LureChange[] = [plain ? 'brighter' : 'more-natural', 'smaller'];
  return presentation && categoryOf(presentation.category).trailer ? [...trims, 'trailer-hook'] : trims;
}

/** One thing changed at a time: depth, pace, or something of the lure. */
function changesOf(fishing: Fishing, presentation: Presentation | null, bottomM: number): Fishing[] {
  const { runDepthM, paceMps } = categoryOf(fishing.category);
  const deepest = Math.max(fishing.depthM, Math.min(runDepthM[1], bottomM * DEEPER));
  const depths = [fishing.depthM * DEEPER, fishing.depthM / DEEPER].map((depthM) =>
    within([runDepthM[0], deepest], depthM),
  );
  const paces = [fishing.paceMps * FASTER, fishing.paceMps / FASTER].map((pace) => within(paceMps, pace));
  const differs = (a: number, b: number) => Math.max(a, b) > MIN_CHANGE * Math.max(0.05, Math.min(a, b));
  return [
    ...depths.filter((depthM) => differs(depthM, fishing.depthM)).map((depthM) => ({ ...fishing, depthM })),
    ...paces.filter((pace) => differs(pace, fishing.paceMps)).map((pace) => ({ ...fishing, paceMps: pace })),
    ...trimsOf(presentation).map((trim) => ({ ...fishing, trim })),
  ];
}

const idOf = ({ spot, structure, cover, depthM, category, trim, paceMps }: Fishing): string =>
  [spot ?? `${structure}/${cover}`, depthM.toFixed(1), category, trim ?? '', paceMps.toFixed(2)].join('|');

/** Whether one fishes at a place: by its name, or by what it is where neither has one. */
export const sameSpot = (place: PlaceOption, { spot, structure, cover }: Fishing): boolean =>
  spot === null && place.spot === null ? place.structure === structure && place.cover === cover : place.spot === spot;

/** What could be fished instead where one is, one thing changed at a time. */
export function changesAt(
  window: PlanWindow | null,
  stops: readonly TripStop[],
  now: Fishing,
  atMin: number,
): Fishing[] {
  const places = window ? placesOf(window, stops, atMin) : [];
  const ground = places.find((place) => sameSpot(place, now))?.depthM ?? now.depthM;
  return changesOf(now, presentationOf(window, now), ground);
}

const presentationOf = (window: PlanWindow | null, { category }: Fishing): Presentation | null =>
  window?.presentations.find((each) => each.category === category) ?? null;

/** Stops by names of their own: a run may well lead over three secondary points of one arm. */
export function namedApart(stops: readonly TripStop[]): TripStop[] {
  const seen = new Map<string, number>();
  return stops.map((stop) => {
    const count = (seen.get(stop.name) ?? 0) + 1;
    seen.set(stop.name, count);
    return count === 1 ? stop : { ...stop, name: `${stop.name} (${count})` };
  });
}

/**
 * What could be fished in a window: where one is with all that could be changed, and the other places.
 * @param others lures that the plan ranks after those that it names, looked at where these failed
 */
export function optionsOf(
  window: PlanWindow | null,
  stops: readonly TripStop[],
  now: Fishing | null,
  atMin: number,
  hour: HourOfDay,
  others: readonly Presentation[] = [],
): Option[] {
  const options = new Map<string, Option>();
  const add = (fishing: Fishing, prior: number, presentation: Presentation | null) => {
    const id = idOf(fishing);
    if (options.has(id)) return;
    options.set(id, { id, prior, fishing, presentation, ...fishedOf(fishing, hour) });
  };
  const places = window ? placesOf(window, stops, atMin) : [];
  const presentations = window?.presentations ?? [];
  for (const place of places) {
    const here = now !== null && sameSpot(place, now);
    for (const presentation of others) {
      add(fishingOf(place, presentation), Math.max(0.01, presentation.score) * place.weight, presentation);
    }
    for (const presentation of presentations.slice(0, here ? LURES_HERE : LURES_ELSEWHERE)) {
      add(fishingOf(place, presentation), Math.max(0.01, presentation.score) * place.weight, presentation);
    }
  }
  if (now) {
    const like = [...options.values()].find(({ category, spot }) => category === now.category && spot === now.spot);
    const priors = [...options.values()].map(({ prior }) => prior).sort((a, b) => a - b);
    const usual = priors[Math.floor(priors.length / 2)] ?? 1;
    const prior = like?.prior ?? usual * CHANGED;
    const presentation = presentationOf(window, now);
    add(now, prior, presentation);
    // A lure of its own choice at this place: what the plan would fish here instead stands beside it already.
    if (places.length && !places.some((place) => sameSpot(place, now))) {
      const place = { ...now, weight: 1 };
      for (const each of presentations.slice(0, LURES_HERE)) add(fishingOf(place, each), each.score, each);
    }
    for (const fishing of changesAt(window, stops, now, atMin)) add(fishing, prior * CHANGED, presentation);
  }
  return [...options.values()];
}

/** The option that is what is fished now. */
export const optionNow = (options: readonly Option[], now: Fishing, hour: HourOfDay): Option | null =>
  options.find((option) => option.id === idOf(now)) ??
  options.find((option) => moveBetween(fishedOf(now, hour), option) === 'stay') ??
  null;
