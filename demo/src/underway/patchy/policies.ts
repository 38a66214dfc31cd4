import { clockOf, minutesOf, type CategoryId, type Presentation } from '@inky-shoal/core';
import { PACES, standingDay, type NextNote } from '@inky-shoal/core/underway/states';
import { spread } from './chance.js';
import type { PatchyWorld, Tackle } from './world.js';

/** Who fishes: a favourite, the plan, a plain human rule, a plain bandit, the states, and one who knows. */
export const PATCHY_POLICIES = ['favourite', 'plan', 'human', 'bandit', 'states', 'oracle'] as const;
export type PatchyPolicy = (typeof PATCHY_POLICIES)[number];
export const SIMPLE_POLICIES = ['favourite', 'plan', 'human', 'bandit'] as const;

/** A day as a policy sees it. */
export interface Day {
  readonly notes: readonly NextNote[];
  readonly now: Tackle | null;
  readonly atMin: number;
}

/** What was said with a choice. */
export interface Told {
  readonly odds: number | null;
  /** Ranges in which the rates of the choice and of some other things should lie. */
  readonly ranges: readonly { readonly tackle: Tackle; readonly range80: readonly [number, number] }[];
}
export interface Choice {
  readonly to: Tackle;
  readonly told?: Told;
}
export type Choose = (day: Day) => Choice;

interface Means {
  readonly random: () => number;
  readonly trueBites: (tackle: Tackle, atMin: number) => number;
  readonly costMin: (from: Tackle | null, to: Tackle) => number;
}

/** So many other things are asked about at each decision. */
const TOLD = 4;
const STAY_MIN = 40;
const BIT_WITHIN_MIN = 30;
const EMPTY_BEFORE_LURE = 2;
/** The bandit takes all for this many bites an hour, and for this many hours, before it is fished. */
const BANDIT_RATE = 0.7;
const BANDIT_HOURS = 0.7;
/** One who knows looks so far ahead. */
const KNOWS_MIN = 40;

const minutesAt = (notes: readonly NextNote[], place: string): number => {
  let minutes = 0;
  for (const note of [...notes].reverse()) {
    if (note.place !== place) break;
    minutes += minutesOf(note.to) - minutesOf(note.from);
  }
  return minutes;
};

/** Goes round the better half of the plan's places, so long at each, with one lure. */
function round(world: PatchyWorld, lure: Presentation): Choose {
  const places = world.planned.places.slice(0, Math.ceil(world.planned.places.length / 2));
  let at = 0;
  return ({ notes, now }) => {
    if (now && minutesAt(notes, now.place.id) >= STAY_MIN) at = (at + 1) % places.length;
    return { to: world.plannedTackle(places[at] as Tackle['place'], lure) };
  };
}

/** Stay while there was a bite in the last half hour, else the next planned place; after two empty places another lure. */
function human(world: PatchyWorld): Choose {
  const { places, lures } = world.planned;
  let [place, lure, empty, since] = [0, 0, 0, world.startMin];
  return ({ notes, atMin }) => {
    const here = notes.filter((note) => minutesOf(note.from) >= since);
    const lately = here.filter((note) => minutesOf(note.to) > atMin - BIT_WITHIN_MIN);
    if (atMin - since >= BIT_WITHIN_MIN && !lately.some(({ bites }) => bites)) {
      empty = here.some(({ bites }) => bites) ? 0 : empty + 1;
      place = (place + 1) % places.length;
      since = atMin;
      if (empty >= EMPTY_BEFORE_LURE) {
        lure = (lure + 1) % lures.length;
        empty = 0;
      }
    }
    return { to: world.plannedTackle(places[place] as Tackle['place'], lures[lure] as Presentation) };
  };
}

/** Thompson sampling over places and the plan's lures, each pair on its own (gamma and Poisson). */
function bandit(world: PatchyWorld, { random }: Means): Choose {
  const arms = world.planned.places.flatMap((place) =>
    world.planned.lures.map((lure) => world.plannedTackle(place, lure)),
  );
  return ({ notes }) => {
    const sampled = arms.map((arm) => {
      const own = notes.filter(({ place, category }) => place === arm.place.id && category === arm.category);
      const hours = own.reduce((sum, { from, to }) => sum + (minutesOf(to) - minutesOf(from)) / 60, BANDIT_HOURS);
      const bites = own.reduce((sum, note) => sum + note.bites, BANDIT_RATE * BANDIT_HOURS);
      // A lognormal of the gamma's mean and spread stands for it.
      return spread(random, bites / hours, 1 / Math.sqrt(bites + 0.3));
    });
    return { to: arms[sampled.indexOf(Math.max(...sampled))] as Tackle };
  };
}

/** What `next` says, as it is asked from outside; and what it holds of some other things that could be thrown. */
function states(world: PatchyWorld, { random }: Means): Choose {
  const { conditions, places, planned } = world;
  const plannedLures = new Set(planned.lures.map(({ category }) => category));
  const all = allTackle(world).filter(({ category }) => plannedLures.has(category));
  return ({ notes, now, atMin }) => {
    const day = standingDay({
      conditions,
      places,
      notes,
      now: clockOf(atMin),
      until: clockOf(world.endMin),
      costs: { retieMinutes: 4 },
    });
    if (!day.ok) throw new Error(day.problems.map(({ message }) => message).join('; '));
    const { move, place: id, category, depthM, pace, tone, range80, odds } = day.value.answer();
    const place = places.find((each) => each.id === id) as Tackle['place'];
    // Who stays goes on as he was, whatever depth he wrote down.
    const stays = now && (move === 'stay' || move === 'turn-back');
    const to: Tackle = stays ? now : { place, category, depthM, pace, tone };
    const others = Array.from({ length: TOLD }, () => all[Math.floor(random() * all.length)] as Tackle);
    const ranges = others.flatMap((tackle) => {
      const hope = day.value.hopeOf({ ...tackle, place: tackle.place.id });
      return hope ? [{ tackle, range80: hope.range80 }] : [];
    });
    return { to, told: { odds, ranges: [{ tackle: to, range80 }, ...ranges] } };
  };
}

/** All that could be thrown at all places, at the depths and paces that differ. */
function allTackle(world: PatchyWorld): Tackle[] {
  const { places, lures } = world;
  return places.flatMap((place) => {
    const depths = [0.65, 0.85, 1, 1.2, 1.5].map((times) => Math.sqrt(place.depthM[0] * place.depthM[1]) * times);
    return lures.flatMap((category: CategoryId) =>
      depths.flatMap((depthM) =>
        PACES.slice(0, 2).flatMap((pace) =>
          (['natural', 'bold', 'dark'] as const).map((tone): Tackle => ({ place, category, depthM, pace, tone })),
        ),
      ),
    );
  });
}

/** Who sees the fish: the most bites of the next minutes, running and tying taken off. */
function oracle(world: PatchyWorld, { trueBites, costMin }: Means): Choose {
  const all = allTackle(world);
  return ({ now, atMin }) => {
    let best: Tackle | null = null;
    let most = -1;
    for (const tackle of all) {
      const cost = costMin(now, tackle);
      const bites = trueBites(tackle, atMin + cost + 1) * Math.max(0, KNOWS_MIN - cost);
      if (bites > most) [best, most] = [tackle, bites];
    }
    return { to: best as Tackle };
  };
}

/** Who chooses what is fished next, by a policy. */
export function chooserOf(world: PatchyWorld, policy: PatchyPolicy, means: Means): Choose {
  const { lures } = world.planned;
  switch (policy) {
    case 'favourite':
      return round(world, lures[Math.floor(means.random() * lures.length)] as Presentation);
    case 'plan':
      return round(world, lures[0] as Presentation);
    case 'human':
      return human(world);
    case 'bandit':
      return bandit(world, means);
    case 'states':
      return states(world, means);
    case 'oracle':
      return oracle(world, means);
  }
}
