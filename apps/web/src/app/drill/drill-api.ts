import type { CategoryId, Conditions, Discipline, UnitSystem } from '@inky-shoal/core';
import {
  askedLight,
  DRILL_STEPS,
  drawScene,
  grade,
  gradeTurn,
  keyOf,
  optionsFor,
  pooled,
  sceneWords,
  strokesOf,
  toldBefore,
  topicOf,
  turnRound,
  type DrillAnswer,
  type DrillKey,
  type DrillOptions,
  type DrillStep,
  type DrillStrokes,
  type Graded,
  type PooledScene,
  type Scene,
  type TurnAnswer,
  type TurnKey,
} from '@inky-shoal/core/drill';

/** Which day it is: one that is drawn, the same for the same seed, or one of the angler's own. */
export interface SceneQuestion {
  readonly seed: number;
  readonly discipline: Discipline;
  readonly units: UnitSystem;
  readonly own?: { readonly conditions: Conditions; readonly minute?: number | undefined } | undefined;
}

export interface ToldScene {
  readonly words: readonly string[];
  /** The hours that are asked about, and their light. */
  readonly from: string;
  readonly to: string;
  readonly light: string;
  /** How far one sees into the water, metres. */
  readonly visibilityM: number;
  readonly options: DrillOptions;
  /** What is told where a step is asked by itself. */
  readonly given: Readonly<Record<DrillStep, string>>;
}

/** An answer with what it is worth, and what it was about. */
export interface GradedAnswer extends Graded {
  readonly topic: string;
}

/** What the planner makes of the day, for the book and for the picture. */
export interface DayKey {
  readonly phase: DrillKey['day']['phase']['id'];
  readonly regime: DrillKey['day']['clarity']['regime'];
  readonly lure: CategoryId;
}

/** Where the planner has the fish in one window: each band with its share. */
export interface ToldBand {
  readonly depthM: readonly [number, number];
  readonly share: number;
}

/** One's own day and the planner's on one picture, window by window. */
export interface ToldPicture {
  readonly bands: readonly (readonly ToldBand[])[];
  readonly strokes: readonly DrillStrokes[];
}

/** A lure to be asked about, and where it can be said to be. */
export interface ToldTurn {
  readonly category: CategoryId;
  /** The day as it is told, its water left out. */
  readonly words: readonly string[];
  readonly structures: Scene['conditions']['structures'];
  readonly covers: Scene['conditions']['covers'];
}

const FALLBACK_AT = 0.4;

const sceneOf = ({ seed, discipline, own }: SceneQuestion): Scene =>
  own ? { conditions: own.conditions, at: FALLBACK_AT, minute: own.minute } : drawScene(seed, discipline);

/** The latest answers of the planner, each worked out once for all that is asked of it. */
const KEPT = 4;
const keys = new Map<string, DrillKey>();
let turned: { readonly of: string; readonly key: TurnKey | null } | null = null;
const scenes = new Map<string, PooledScene>();

function known(question: SceneQuestion): DrillKey {
  const of = JSON.stringify(question);
  const key = keys.get(of) ?? keyOf(sceneOf(question), question.units);
  // The latest stands last: the first is let go.
  keys.delete(of);
  keys.set(of, key);
  const [oldest] = keys.keys();
  if (keys.size > KEPT && oldest !== undefined) keys.delete(oldest);
  return key;
}

function turnOf(question: SceneQuestion): TurnKey | null {
  const of = JSON.stringify(question);
  if (turned?.of !== of) turned = { of, key: turnRound(sceneOf(question), question.seed, question.units) };
  return turned.key;
}

/** Days to be judged, beside the page. */
export const drillApi = {
  scene(question: SceneQuestion): ToldScene {
    const key = known(question);
    const { from, to } = key.told;
    return {
      words: sceneWords(key.day.conditions, question.units),
      from,
      to,
      light: askedLight(key),
      visibilityM: key.day.conditions.visibilityM,
      options: optionsFor(key, question.seed),
      given: Object.fromEntries(DRILL_STEPS.map((step) => [step, toldBefore(key, step)])) as ToldScene['given'],
    };
  },

  /** Told once all of it was answered, or one step of it by itself. */
  dayKey(question: SceneQuestion): DayKey {
    const { day, told } = known(question);
    const [first] = told.presentations;
    if (!first) throw new Error('a day without a lure cannot be drilled');
    return { phase: day.phase.id, regime: day.clarity.regime, lure: first.category };
  },

  grade(question: SceneQuestion, answer: DrillAnswer): GradedAnswer {
    const key = known(question);
    return { ...grade(key, answer), topic: topicOf(key, answer.step) };
  },

  /** Told once the depth was answered. @param category one's own lure, once it was chosen */
  picture(
    question: SceneQuestion,
    category: CategoryId | null,
    bandsM: readonly (readonly [number, number] | null)[],
  ): ToldPicture {
    const key = known(question);
    return {
      bands: key.hours.map(({ places }) => {
        const all = places.reduce((sum, { weight }) => sum + weight, 0);
        return places.map(({ depthM, weight }) => ({ depthM: [depthM[0], depthM[1]] as const, share: weight / all }));
      }),
      strokes: category ? strokesOf(key, category, bandsM) : [],
    };
  },

  /** Days of some seeds with what their steps are about; each is worked out once. */
  pool(seeds: readonly number[], discipline: Discipline, units: UnitSystem): PooledScene[] {
    return seeds.map((seed) => {
      const of = `${discipline} ${seed}`;
      const scene = scenes.get(of) ?? pooled(seed, discipline, units);
      scenes.set(of, scene);
      return scene;
    });
  },

  /** A lure that some day would want in other water; null where it has none. */
  turn(question: SceneQuestion): ToldTurn | null {
    const key = turnOf(question);
    if (!key) return null;
    const { conditions } = sceneOf(question);
    const { structures, covers } = key.day.conditions;
    return { category: key.category, words: sceneWords(conditions, question.units, true), structures, covers };
  },

  gradeTurn(question: SceneQuestion, answer: TurnAnswer): Graded {
    const key = turnOf(question);
    if (!key) throw new Error('this day cannot be turned round');
    return gradeTurn(key, answer);
  },
};
