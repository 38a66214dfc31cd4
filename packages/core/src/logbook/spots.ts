import type { Species } from '../contract/ids.js';
import { globeM } from '../chart/globe.js';
import { clarityClass } from '../water/clarity.js';
import type { Trip } from '../underway/trip.js';
import { levelOf } from './factors.js';
import { dayOfTrip, stretchesOf } from './stretches.js';

/** What a place remembers. */
export interface SpotMemory {
  readonly spot: string;
  readonly waterId: string | null;
  readonly lonLat: readonly [number, number] | null;
  readonly trips: number;
  readonly hours: number;
  readonly bites: number;
  readonly fish: number;
  /** Day number of the last bite; null where none was noted. */
  readonly lastBiteDay: number | null;
  readonly lastDay: number;
  /** Hours and bites by season (`month` of `logbook/factors`) and by hour (`hour` there). */
  readonly byMonth: ReadonlyMap<string, HoursAndBites>;
  readonly byHour: ReadonlyMap<string, HoursAndBites>;
  /** Bites an hour that an hour there brings usually, drawn to what the water brings as a whole. */
  readonly perHour: number;
  /** How many times that it brings so soon after it bit, in water such as it is. */
  readonly boost: number;
  /** The chance of a bite within an hour on the day that is asked for. */
  readonly bitesAgain: number;
}

export interface HoursAndBites {
  readonly hours: number;
  readonly bites: number;
}

/** The water forgets what bit by a power of days: how many times the usual it bites at once, and after how long half of that is left. */
export interface Repeats {
  readonly boost: number;
  readonly halfDays: number;
}
interface Weighed extends Repeats {
  readonly weight: number;
}

/** In stained water a place that gave fish gives again for days; in clear water hardly. Prior: the sport's rule. */
const STAINED_PRIOR: Repeats = { boost: 1.2, halfDays: 6 };
const CLEAR_PRIOR: Repeats = { boost: 0.3, halfDays: 2 };
const BOOSTS = [0, 0.15, 0.3, 0.6, 1.2, 2] as const;
const HALF_DAYS = [1, 2, 4, 6, 10, 16] as const;
/** How firmly the rule is held, as standard deviations of its figures. Judgement. */
const BOOST_SD = 0.7;
const HALF_LOG_SD = 0.7;
/** A visit after more days than this says nothing of the one before. */
const FORGOTTEN_DAYS = 60;
/** Hours of what is usual in the water that a place is drawn to it by. */
const POOLED_HOURS = 6;

interface Visit {
  readonly day: number;
  readonly hours: number;
  readonly bites: number;
  readonly isClear: boolean;
}

interface Spot {
  readonly spot: string;
  readonly waterId: string | null;
  lonLat: readonly [number, number] | null;
  fish: number;
  readonly visits: Visit[];
  readonly byMonth: Map<string, HoursAndBites>;
  readonly byHour: Map<string, HoursAndBites>;
}

const CLEAR = new Set(['clear', 'very-clear']);
/** Whether one sees so far that the water counts as clear; stained where it is not known. */
export const isClearWater = (visibilityM: number | undefined): boolean =>
  visibilityM !== undefined && CLEAR.has(clarityClass(visibilityM));

function addTo(sums: Map<string, HoursAndBites>, key: string | null, hours: number, bites: number): void {
  if (key === null) return;
  const sum = sums.get(key) ?? { hours: 0, bites: 0 };
  sums.set(key, { hours: sum.hours + hours, bites: sum.bites + bites });
}

/** Every named place with its visits, in the order of their days. */
function spotsOf(trips: readonly Trip[]): Spot[] {
  const spots = new Map<string, Spot>();
  for (const trip of [...trips].sort((a, b) => a.startMs - b.startMs)) {
    const visits = new Map<Spot, Visit>();
    const waterId = trip.begin.waterId ?? null;
    for (const stretch of stretchesOf(trip)) {
      const { block, day, conditions } = stretch;
      if (block.spot === null) continue;
      const key = `${waterId} ${block.spot}`;
      let spot = spots.get(key);
      if (!spot) {
        spot = { spot: block.spot, waterId, lonLat: null, fish: 0, visits: [], byMonth: new Map(), byHour: new Map() };
        spots.set(key, spot);
      }
      spot.fish += block.landed;
      addTo(spot.byMonth, levelOf('month', stretch), block.hours, block.bites);
      addTo(spot.byHour, levelOf('hour', stretch), block.hours, block.bites);
      const { hours = 0, bites = 0 } = visits.get(spot) ?? {};
      visits.set(spot, {
        day,
        hours: hours + block.hours,
        bites: bites + block.bites,
        isClear: isClearWater(conditions?.visibilityM),
      });
    }
    for (const { event } of trip.notes) {
      const lonLat = event.sensed?.lonLat;
      const name = 'fishing' in event ? event.fishing?.spot : null;
      const spot = name && spots.get(`${waterId} ${name}`);
      if (spot && lonLat) spot.lonLat = lonLat;
    }
    for (const [spot, visit] of visits) spot.visits.push(visit);
  }
  return [...spots.values()];
}

const pooled = (visits: readonly Visit[], usual: number): number => {
  const sum = (of: 'hours' | 'bites') => visits.reduce((total, visit) => total + visit[of], 0);
  return (sum('bites') + POOLED_HOURS * usual) / (sum('hours') + POOLED_HOURS);
};

const timesAfter = ({ boost, halfDays }: Repeats, days: number): number => 1 + boost * 0.5 ** (days / halfDays);

/**
 * How the water repeats, learnt from every return to a place that had bitten: Poisson bites at its usual rate, raised by
 * what is left of the last, over a grid of how much and how long, the rule as prior.
 */
function repeatsOf(spots: readonly Spot[], inClear: boolean, usual: number): Weighed[] {
  const prior = inClear ? CLEAR_PRIOR : STAINED_PRIOR;
  const returns = spots.flatMap(({ visits }) => {
    const rate = pooled(visits, usual);
    return visits.slice(1).flatMap((visit, at) => {
      const before = visits[at] as Visit;
      const days = visit.day - before.day;
      if (!before.bites || days > FORGOTTEN_DAYS || visit.isClear !== inClear) return [];
      return [{ days, expected: rate * visit.hours, bites: visit.bites }];
    });
  });
  const grid = BOOSTS.flatMap((boost) =>
    HALF_DAYS.map((halfDays) => {
      const off =
        ((boost - prior.boost) / BOOST_SD) ** 2 / 2 + (Math.log(halfDays / prior.halfDays) / HALF_LOG_SD) ** 2 / 2;
      const log = returns.reduce((sum, { days, expected, bites }) => {
        const times = timesAfter({ boost, halfDays }, days);
        return sum + bites * Math.log(times) - expected * times;
      }, -off);
      return { boost, halfDays, log };
    }),
  );
  const top = Math.max(...grid.map(({ log }) => log));
  const weights = grid.map(({ log }) => Math.exp(log - top));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return grid.map(({ boost, halfDays }, at) => ({ boost, halfDays, weight: (weights[at] as number) / all }));
}

/** How the water repeats by the record, in the mean over what may be. */
export interface RepeatsBy {
  readonly stained: Repeats;
  readonly clear: Repeats;
}

const meanOf = (grid: readonly Weighed[]): Repeats => ({
  boost: grid.reduce((sum, { boost, weight }) => sum + boost * weight, 0),
  halfDays: grid.reduce((sum, { halfDays, weight }) => sum + halfDays * weight, 0),
});

/**
 * What every named place of the trips remembers, those that bite soonest first.
 * @param day day number that is asked for
 * @param visibilityM how far one sees then; stained water where it is not known
 */
export function spotMemories(
  trips: readonly Trip[],
  day: number,
  visibilityM?: number,
): { readonly spots: readonly SpotMemory[]; readonly repeats: RepeatsBy } {
  const spots = spotsOf(trips);
  const visits = spots.flatMap((spot) => spot.visits);
  const sum = (of: 'hours' | 'bites') => visits.reduce((total, visit) => total + visit[of], 0);
  const usual = sum('hours') > 0 ? (sum('bites') + 0.5) / sum('hours') : 0;
  const grids = { stained: repeatsOf(spots, false, usual), clear: repeatsOf(spots, true, usual) };
  const grid = isClearWater(visibilityM) ? grids.clear : grids.stained;
  const told = spots.map(({ spot, waterId, lonLat, fish, visits: own, byMonth, byHour }): SpotMemory => {
    const perHour = pooled(own, usual);
    const lastBiteDay = own.findLast(({ bites }) => bites > 0)?.day ?? null;
    const since = lastBiteDay === null ? null : Math.max(0, day - lastBiteDay);
    // Who came back since and had nothing knows that it is over.
    const isOpen = since !== null && own.at(-1)?.day === lastBiteDay;
    const times = (each: Repeats) => (isOpen ? timesAfter(each, since) : 1);
    return {
      spot,
      waterId,
      lonLat,
      trips: own.length,
      hours: own.reduce((total, { hours }) => total + hours, 0),
      bites: own.reduce((total, { bites }) => total + bites, 0),
      fish,
      lastBiteDay,
      lastDay: own.at(-1)?.day ?? day,
      byMonth,
      byHour,
      perHour,
      boost: grid.reduce((total, each) => total + each.weight * times(each), 0),
      bitesAgain: grid.reduce((total, each) => total + each.weight * (1 - Math.exp(-perHour * times(each))), 0),
    };
  });
  return {
    spots: told.sort((a, b) => b.bitesAgain - a.bitesAgain),
    repeats: { stained: meanOf(grids.stained), clear: meanOf(grids.clear) },
  };
}

/** A named place lies where it was noted, give or take a boat on its trolling motor. */
const SAME_PLACE_M = 75;

/**
 * What is remembered of a mark or a place of a chart: that of its own name, else the nearest that was fished there.
 * @param name none where it has none
 */
export function memoryAt(
  memories: readonly SpotMemory[],
  { waterId, name, lonLat }: { waterId: string; name?: string | undefined; lonLat: readonly [number, number] },
): SpotMemory | null {
  const here = memories.filter((each) => each.waterId === waterId);
  const named = here.find(({ spot }) => name !== undefined && spot.toLowerCase() === name.trim().toLowerCase());
  if (named) return named;
  let nearest: SpotMemory | null = null;
  let leastM = SAME_PLACE_M;
  for (const memory of here) {
    const offM = memory.lonLat ? globeM(memory.lonLat, lonLat) : Infinity;
    if (offM <= leastM) [nearest, leastM] = [memory, offM];
  }
  return nearest;
}

/** A tagged fish that was met again. */
export interface TagStory {
  readonly tag: string;
  readonly species: Species | null;
  readonly meetings: readonly TagMeeting[];
  /** Days from the first meeting to the last. */
  readonly days: number;
  /** How far it moved from the first to the last, metres; null where a place is not known. */
  readonly movedM: number | null;
  /** How much it grew meanwhile, millimetres; null where it was not measured twice. */
  readonly grewMm: number | null;
}

export interface TagMeeting {
  readonly tripId: string;
  readonly day: number;
  readonly spot: string | null;
  readonly lengthMm: number | null;
  readonly lonLat: readonly [number, number] | null;
}

/** Tagged fish with all their meetings, those met last first. */
export function tagStories(trips: readonly Trip[]): TagStory[] {
  const byTag = new Map<string, { tag: string; species: Species | null; meetings: TagMeeting[] }>();
  for (const trip of [...trips].sort((a, b) => a.startMs - b.startMs)) {
    for (const { event } of trip.notes) {
      const fish = event.kind === 'contact' ? event.fish : undefined;
      if (event.kind !== 'contact' || !fish?.tag) continue;
      const key = fish.tag.replace(/\s+/g, '').toUpperCase();
      const story = byTag.get(key) ?? { tag: fish.tag, species: null, meetings: [] };
      byTag.set(key, story);
      story.species ??= fish.species ?? null;
      story.meetings.push({
        tripId: trip.id,
        day: dayOfTrip(trip),
        spot: event.fishing?.spot ?? null,
        lengthMm: fish.lengthMm ?? null,
        lonLat: event.sensed?.lonLat ?? null,
      });
    }
  }
  return [...byTag.values()]
    .map(({ tag, species, meetings }) => {
      const [first, last] = [meetings[0] as TagMeeting, meetings.at(-1) as TagMeeting];
      const measured = meetings.flatMap(({ lengthMm }) => lengthMm ?? []);
      return {
        tag,
        species,
        meetings,
        days: last.day - first.day,
        movedM: meetings.length > 1 && first.lonLat && last.lonLat ? globeM(first.lonLat, last.lonLat) : null,
        grewMm: measured.length > 1 ? (measured.at(-1) as number) - (measured[0] as number) : null,
      };
    })
    .sort((a, b) => (b.meetings.at(-1)?.day ?? 0) - (a.meetings.at(-1)?.day ?? 0));
}
