import { type CategoryId, type Light, STRUCTURES, type Tone } from '../../contract/ids.js';
import type { Presentation } from '../../contract/plan.js';
import { minutesOf } from '../../day/windows.js';
import { categoryOf } from '../../lures/categories.js';
import type { Block, Candidate, Fished as OnTheWater } from '../evidence/fished.js';
import { hasFailed, rankedWindow } from '../failed.js';
import type { Fished, Priors } from './ways.js';
import { type NextInput, type NextNote, type NextPlace, PACES, type Pace } from './said.js';

/** Something that could be fished, as it is said and as it is believed of. */
export interface NextOption {
  readonly place: NextPlace;
  readonly category: CategoryId;
  readonly depthM: number;
  readonly pace: Pace;
  readonly tone: Tone;
  readonly fished: Fished;
  readonly candidate: Candidate;
}

/** How the plan would have one lure fished. */
interface PlannedLure {
  readonly category: CategoryId;
  readonly works: number;
  readonly runDepthM: readonly [number, number];
  readonly pace: Pace;
  readonly tone: Tone;
  readonly because: string | null;
}

/** How likely the plan's first lure is one that they take, where the plan is right about lures, and the least that it is of any. Judgement. */
const FIRST_WORKS = 0.8;
const LEAST_WORKS = 0.12;
/** A lure that the plan does not rank. */
export const UNPLANNED_WORKS = 0.25;
/** The same of places holding fish: the mean over them, and the bounds. */
const HOLDS_MEAN = 0.5;
const HOLDS_POWER = 0.8;
const HOLDS = [0.12, 0.88] as const;
/** A place that the plan names none of, of the least that it names. */
const UNNAMED = 0.5;
/** The share of the day in which they feed. */
export const FEEDS = 0.5;
export const FEEDS_IN_HIGH_SUN = 0.35;
const TONES_APART: readonly (readonly Tone[])[] = [['translucent', 'natural', 'muted'], ['bold'], ['dark']];
const TONE_SAID: readonly Tone[] = ['natural', 'bold', 'dark'];
/** A change of what was advised is a little less likely than the advice itself. Judgement. */
const CHANGED = 0.8;
const DEPTH_STEP = 1.45;
/** Fish are looked for so far above and below where the plan has them. */
const BEYOND = 1.35;
/** Depths nearer than this (log) are one: nobody keeps or writes them so closely. */
export const SAME_DEPTH = 0.25;
const MOST_LURES = 8;
const LURES_ELSEWHERE = 4;
/** Casts of an hour of fishing. Judgement. */
const CASTS_AN_HOUR = 45;

export const toneGroup = (tone: Tone): number => TONES_APART.findIndex((group) => group.includes(tone));
const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;
const within = ([from, to]: readonly [number, number], value: number): number => Math.min(to, Math.max(from, value));

/** How likely a place holds fish, by what the plan thinks of it over the mean of all. */
export const heldBy = (overMean: number): number => within(HOLDS, HOLDS_MEAN * overMean ** HOLDS_POWER);

/** How likely a lure is one that they take, by where it stands between the plan's last, 0, and its first, 1. */
export const worksBy = (share: number): number => LEAST_WORKS + (FIRST_WORKS - LEAST_WORKS) * (0.35 + 0.65 * share);

/** A pace as one says it: by where it lies in what the category is fished at. */
export function paceOf(category: CategoryId, paceMps: number): Pace {
  const [slow, fast] = categoryOf(category).paceMps;
  const share = fast > slow ? (paceMps - slow) / (fast - slow) : 0.5;
  return share < 0.34 ? 'slow' : share < 0.67 ? 'medium' : 'fast';
}

/** What a plan says of an hour, as what is believed before the first cast. */
export class PlanPrior {
  readonly lures: readonly PlannedLure[];
  readonly priors: Priors;
  private readonly light: Light;
  private readonly tones: readonly number[];
  /** From which depth to which the plan has fish at each place. */
  private readonly fishM: readonly (readonly [number, number])[];

  constructor(private readonly input: NextInput) {
    const { conditions, places, notes, now } = input;
    const unique = <T>(list: readonly (T | undefined)[]) => [...new Set(list.filter((each) => each !== undefined))];
    // The plan is asked about these very places.
    const { window, named, others } = rankedWindow(
      {
        ...conditions,
        structures: unique(places.map(({ structure }) => structure)),
        ...(places.some(({ cover }) => cover) ? { covers: unique(places.map(({ cover }) => cover)) } : {}),
      },
      minutesOf(now),
    );
    const best = named[0]?.score ?? 1;
    const worst = named.at(-1)?.score ?? best;
    const told = named.map((each): PlannedLure => plannedLure(each, best, worst));
    const failed = hasFailed(notes.map((note) => ({ hours: hoursOf(note), bites: note.bites })));
    const fished = new Set(notes.map(({ category }) => category));
    // What was fished has to be known of, whether or not the plan would have it.
    const widened = others
      .filter(({ category }) => failed || fished.has(category))
      .map((each) => plannedLure(each, best, worst));
    const known = new Set([...told, ...widened].map(({ category }) => category));
    const unplanned = [...fished].filter((category) => !known.has(category)).map((category) => usualLure(category));
    this.lures = [...told, ...widened, ...unplanned];
    const weights = places.map(({ structure, cover }) => {
      const holding = window?.holding ?? [];
      const like = holding.filter((each) => each.structure === structure);
      const exact = like.filter((each) => !cover || each.cover === cover);
      const least = Math.min(...holding.map(({ weight }) => weight), 1);
      return Math.max(UNNAMED * least, ...(exact.length ? exact : like).map(({ weight }) => weight));
    });
    const mean = weights.reduce((sum, weight) => sum + weight, 0) / weights.length;
    this.priors = {
      holds: weights.map((weight) => heldBy(weight / mean)),
      works: this.lures.map(({ works }) => works),
      feeds: window?.light === 'high' ? FEEDS_IN_HIGH_SUN : FEEDS,
      kinds: places.map(({ structure }) => STRUCTURES.indexOf(structure)),
      tones: TONES_APART.length,
    };
    this.light = window?.light ?? 'high';
    this.tones = this.lures.map(({ tone }) => toneGroup(tone));
    this.fishM = places.map(({ structure, cover, depthM }) => {
      const like = (window?.holding ?? []).filter((each) => each.structure === structure);
      const best = like.find((each) => each.cover === cover) ?? like[0];
      const groups = best ? best.depthM.map((each) => Math.max(0.2, within(depthM, each))) : depthM;
      return [groups[0] as number, groups[1] as number] as const;
    });
  }

  private fishDepthM(place: number): number {
    return Math.max(0.2, middle(this.fishM[place] as readonly [number, number]));
  }

  /** What is known of something that is fished. */
  fished(
    placeId: string,
    category: CategoryId,
    depthM: number | undefined,
    pace: Pace | undefined,
    tone: Tone | undefined,
  ): Fished {
    const place = this.input.places.findIndex(({ id }) => id === placeId);
    const lure = this.lures.findIndex((each) => each.category === category);
    const planned = this.lures[lure] as PlannedLure;
    const fishM = this.fishDepthM(place);
    return {
      place,
      lure,
      depthLog: depthM === undefined ? 0 : Math.log(Math.max(0.1, depthM) / fishM),
      paceSteps: pace ? PACES.indexOf(pace) - PACES.indexOf(planned.pace) : 0,
      tone: toneGroup(tone ?? planned.tone),
      preference: this.preference(place, lure),
    };
  }

  /** How much the plan prefers a lure at a place to what is usual, as a logarithm. */
  private preference(place: number, lure: number): number {
    const { holds, works } = this.priors;
    const usual = (chances: readonly number[]): number =>
      chances.reduce((sum, chance) => sum + Math.log(chance), 0) / chances.length;
    return Math.log((holds[place] as number) * (works[lure] as number)) - usual(holds) - usual(works);
  }

  /** An option in full, by what it is fished with. */
  option(place: NextPlace, category: CategoryId, depthM: number, pace: Pace, tone: Tone): NextOption {
    const fished = this.fished(place.id, category, depthM, pace, tone);
    const { holds, works } = this.priors;
    const changes = [
      Math.abs(fished.depthLog) > SAME_DEPTH,
      fished.paceSteps !== 0,
      fished.tone !== this.tones[fished.lure],
    ];
    const candidate: Candidate = {
      ...this.onTheWater(place, category, depthM, pace, tone),
      id: [place.id, category, depthM.toFixed(2), pace, fished.tone].join(),
      prior:
        (holds[fished.place] as number) * (works[fished.lure] as number) * CHANGED ** changes.filter(Boolean).length,
    };
    return { place, category, depthM, pace, tone, fished, candidate };
  }

  private onTheWater(
    { id, structure, cover }: NextPlace,
    category: CategoryId,
    depthM: number,
    pace: Pace,
    tone: Tone,
  ): OnTheWater {
    const { roles, paceMps } = categoryOf(category);
    const share = (PACES.indexOf(pace) + 0.5) / PACES.length;
    return {
      spot: id,
      structure,
      cover: cover ?? null,
      depthM,
      category,
      role: roles[0],
      trim: String(toneGroup(tone)),
      paceMps: paceMps[0] + share * (paceMps[1] - paceMps[0]),
      light: this.light,
      tide: null,
    };
  }

  /** The stretches that were fished, as like things are told. */
  blocks(since: (clock: string) => number): Block[] {
    return this.input.notes.flatMap((note) => {
      const place = this.input.places.find(({ id }) => id === note.place);
      const lure = this.lures.find(({ category }) => category === note.category);
      if (!place || !lure) return [];
      const { depthM, pace, tone } = this.planned(place, lure);
      const [from, to] = [since(note.from), since(note.to)];
      return {
        ...this.onTheWater(place, note.category, note.depthM ?? depthM, note.pace ?? pace, note.tone ?? tone),
        atMin: (from + to) / 2,
        hours: hoursOf(note),
        bites: note.bites,
      };
    });
  }

  /** The plan's own way with a lure at a place. */
  planned(place: NextPlace, { category, runDepthM, pace, tone }: PlannedLure): NextOption {
    const at = this.input.places.indexOf(place);
    return this.option(place, category, within(runDepthM, this.fishDepthM(at)), pace, tone);
  }

  /** What was fished last; null before the first note. */
  last(): NextOption | null {
    const note = this.input.notes.at(-1);
    const place = note && this.input.places.find(({ id }) => id === note.place);
    const lure = note && this.lures.find(({ category }) => category === note.category);
    if (!note || !place || !lure) return null;
    const planned = this.planned(place, lure);
    return this.option(
      place,
      note.category,
      note.depthM ?? planned.depthM,
      note.pace ?? lure.pace,
      note.tone ?? lure.tone,
    );
  }

  /** What could be done next: where one is with one thing changed, and the other places with the likeliest lures. */
  options(now: NextOption | null, likeliest: readonly number[]): NextOption[] {
    const { places } = this.input;
    const found: NextOption[] = now ? [now] : [];
    const lures = likeliest.map((at) => this.lures[at] as PlannedLure);
    for (const place of places) {
      const many = place === now?.place ? MOST_LURES : LURES_ELSEWHERE;
      for (const lure of lures.slice(0, many)) {
        const planned = this.planned(place, lure);
        // Where it is fished as deep as the plan has it, as far as anybody keeps a depth, it goes on at its own.
        const isAsDeep = now?.place === place && Math.abs(now.fished.depthLog - planned.fished.depthLog) < SAME_DEPTH;
        found.push(isAsDeep ? this.option(place, lure.category, now.depthM, lure.pace, lure.tone) : planned);
        // What has been learnt of depth and pace holds at other places, too.
        if (now && place !== now.place && lure.category === now.category) {
          found.push(this.option(place, now.category, within(place.depthM, now.depthM), now.pace, now.tone));
        }
      }
    }
    if (now) {
      const { place, category, depthM, pace, tone } = now;
      const { runDepthM } = categoryOf(category);
      const [from, to] = this.fishM[places.indexOf(place)] as readonly [number, number];
      // No other depth than one at which fish may be there, and which the lure keeps: for some lures there is none.
      const reach = [Math.max(runDepthM[0], from / BEYOND), Math.min(runDepthM[1], to * BEYOND)] as const;
      const depths = reach[0] <= reach[1] ? [depthM * DEPTH_STEP, depthM / DEPTH_STEP] : [];
      for (const depth of depths.map((each) => within(reach, each))) {
        if (Math.abs(Math.log(depth / depthM)) > SAME_DEPTH)
          found.push(this.option(place, category, depth, pace, tone));
      }
      for (const each of PACES) if (each !== pace) found.push(this.option(place, category, depthM, each, tone));
      TONE_SAID.forEach((each, group) => {
        if (group !== toneGroup(tone)) found.push(this.option(place, category, depthM, pace, each));
      });
    }
    const seen = new Set<string>();
    return found.filter(({ place, fished }) => {
      const key = [place.id, fished.lure, fished.depthLog.toFixed(2), fished.paceSteps, fished.tone].join();
      return !seen.has(key) && seen.add(key);
    });
  }
}

/** How long was fished, hours: by the casts where they were counted, else by the clock. */
export function hoursOf({ from, to, casts }: NextNote): number {
  const minutes = (minutesOf(to) - minutesOf(from) + 1440) % 1440;
  const byClock = minutes / 60;
  // A clock that ran while nobody cast says too much.
  return casts === undefined ? byClock : Math.min(byClock, Math.max(byClock / 3, casts / CASTS_AN_HOUR));
}

function plannedLure(each: Presentation, best: number, worst: number): PlannedLure {
  const { category, score, runDepthM, retrieve, colour, because } = each;
  const share = best > worst ? Math.max(0, (score - worst) / (best - worst)) : 1;
  return {
    category,
    works: worksBy(share),
    runDepthM,
    pace: paceOf(category, middle(retrieve.speedMps)),
    tone: colour.tone,
    because: because[0]?.text ?? null,
  };
}

function usualLure(category: CategoryId): PlannedLure {
  const { runDepthM } = categoryOf(category);
  return { category, works: UNPLANNED_WORKS, runDepthM, pace: 'medium', tone: 'natural', because: null };
}
