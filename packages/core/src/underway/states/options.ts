import type { CategoryId, Tone } from '../../contract/ids.js';
import type { Presentation } from '../../contract/plan.js';
import { minutesOf } from '../../day/windows.js';
import { categoryOf } from '../../lures/categories.js';
import { makePlan } from '../../plan/make-plan.js';
import { windowAt } from '../moment.js';
import type { Fished, Priors } from './belief.js';
import { type NextInput, type NextNote, type NextPlace, PACES, type Pace } from './said.js';

/** Something that could be fished, as it is said and as it is believed of. */
export interface NextOption {
  readonly place: NextPlace;
  readonly category: CategoryId;
  readonly depthM: number;
  readonly pace: Pace;
  readonly tone: Tone;
  readonly fished: Fished;
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

/** How likely the plan's first lure is one that they take, and the least that it is of any. Judgement: half of plans are right. */
const FIRST_WORKS = 0.6;
const LEAST_WORKS = 0.12;
/** The same of places holding fish: the mean over them, and the bounds. */
const HOLDS_MEAN = 0.5;
const HOLDS = [0.2, 0.8] as const;
/** A place that the plan names none of, of the least that it names. */
const UNNAMED = 0.5;
const TONES_APART: readonly (readonly Tone[])[] = [['translucent', 'natural', 'muted'], ['bold'], ['dark']];
const TONE_SAID: readonly Tone[] = ['natural', 'bold', 'dark'];
const DEPTH_STEP = 1.45;
const MOST_LURES = 8;
const LURES_ELSEWHERE = 4;
/** Lures that the plan does not name are looked at once so much was fished for so little. */
const FAILED_HOURS = 1.5;
const FAILED_BITES = 1;
/** Casts of an hour of fishing. Judgement. */
const CASTS_AN_HOUR = 45;

export const toneGroup = (tone: Tone): number => TONES_APART.findIndex((group) => group.includes(tone));
const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;
const within = ([from, to]: readonly [number, number], value: number): number => Math.min(to, Math.max(from, value));

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
  private readonly fishDepthM: readonly number[];

  constructor(private readonly input: NextInput) {
    const { conditions, places, notes, now } = input;
    const unique = <T>(list: readonly (T | undefined)[]) => [...new Set(list.filter((each) => each !== undefined))];
    // The plan is asked about these very places.
    const plan = makePlan({
      ...conditions,
      structures: unique(places.map(({ structure }) => structure)),
      ...(places.some(({ cover }) => cover) ? { covers: unique(places.map(({ cover }) => cover)) } : {}),
    });
    const window = windowAt(plan.windows, minutesOf(now));
    const presentations = window?.presentations ?? [];
    const best = presentations[0]?.score ?? 1;
    const worst = presentations.at(-1)?.score ?? best;
    const told = presentations.map((each): PlannedLure => plannedLure(each, best, worst));
    const named = new Set(told.map(({ category }) => category));
    const others = notes.map(({ category }) => category).filter((category) => !named.has(category));
    const failed =
      notes.reduce((sum, note) => sum + hoursOf(note), 0) >= FAILED_HOURS &&
      notes.reduce((sum, { bites }) => sum + bites, 0) <= FAILED_BITES;
    const rest = failed
      ? plan.windows.flatMap(({ presentations: all }) => all).filter(({ category }) => !named.has(category))
      : [];
    const widened = rest.map((each) => ({ ...plannedLure(each, best, worst), works: LEAST_WORKS }));
    const unplanned = [...new Set(others)]
      .filter((category) => !widened.some((each) => each.category === category))
      .map((category) => usualLure(category));
    this.lures = [...told, ...widened, ...unplanned].filter(
      ({ category }, at, all) => all.findIndex((each) => each.category === category) === at,
    );
    const weights = places.map(({ structure, cover }) => {
      const holding = window?.holding ?? [];
      const like = holding.filter((each) => each.structure === structure);
      const exact = like.filter((each) => !cover || each.cover === cover);
      const least = Math.min(...holding.map(({ weight }) => weight), 1);
      return Math.max(UNNAMED * least, ...(exact.length ? exact : like).map(({ weight }) => weight));
    });
    const mean = weights.reduce((sum, weight) => sum + weight, 0) / weights.length;
    this.priors = {
      holds: weights.map((weight) => within(HOLDS, HOLDS_MEAN * (weight / mean) ** 0.6)),
      works: this.lures.map(({ works }) => works),
      feeds: window?.light === 'high' ? 0.35 : 0.5,
    };
    this.fishDepthM = places.map(({ structure, depthM }) => {
      const like = (window?.holding ?? []).find((each) => each.structure === structure);
      return Math.max(0.2, within(depthM, like ? middle(like.depthM) : middle(depthM)));
    });
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
    const fishM = this.fishDepthM[place] as number;
    return {
      place,
      lure,
      depthLog: depthM === undefined ? 0 : Math.log(Math.max(0.1, depthM) / fishM),
      paceSteps: pace ? PACES.indexOf(pace) - PACES.indexOf(planned.pace) : 0,
      tone: toneGroup(tone ?? planned.tone),
    };
  }

  /** An option in full, by what it is fished with. */
  option(place: NextPlace, category: CategoryId, depthM: number, pace: Pace, tone: Tone): NextOption {
    return { place, category, depthM, pace, tone, fished: this.fished(place.id, category, depthM, pace, tone) };
  }

  /** The plan's own way with a lure at a place. */
  planned(place: NextPlace, { category, runDepthM, pace, tone }: PlannedLure): NextOption {
    const at = this.input.places.indexOf(place);
    return this.option(place, category, within(runDepthM, this.fishDepthM[at] as number), pace, tone);
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
  options(likeliest: readonly number[]): NextOption[] {
    const { places } = this.input;
    const now = this.last();
    const found: NextOption[] = now ? [now] : [];
    const lures = likeliest.map((at) => this.lures[at] as PlannedLure);
    for (const place of places) {
      const many = place === now?.place ? MOST_LURES : LURES_ELSEWHERE;
      for (const lure of lures.slice(0, many)) {
        const planned = this.planned(place, lure);
        found.push(planned);
        // What has been learnt of depth and pace holds at other places, too.
        if (now && place !== now.place && lure.category === now.category) {
          found.push(this.option(place, now.category, within(place.depthM, now.depthM), now.pace, now.tone));
        }
      }
    }
    if (now) {
      const { place, category, depthM, pace, tone } = now;
      const { runDepthM } = categoryOf(category);
      const reach = [runDepthM[0], Math.max(depthM, Math.min(runDepthM[1], place.depthM[1]))] as const;
      for (const depth of [depthM * DEPTH_STEP, depthM / DEPTH_STEP].map((each) => within(reach, each)))
        if (Math.abs(Math.log(depth / depthM)) > 0.15) found.push(this.option(place, category, depth, pace, tone));
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
  const share = best > worst ? (score - worst) / (best - worst) : 1;
  return {
    category,
    works: LEAST_WORKS + (FIRST_WORKS - LEAST_WORKS) * (0.35 + 0.65 * share),
    runDepthM,
    pace: paceOf(category, middle(retrieve.speedMps)),
    tone: colour.tone,
    because: because[0]?.text ?? null,
  };
}

function usualLure(category: CategoryId): PlannedLure {
  const { runDepthM } = categoryOf(category);
  return { category, works: 0.25, runDepthM, pace: 'medium', tone: 'natural', because: null };
}
