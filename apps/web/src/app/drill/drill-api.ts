import type { Discipline, UnitSystem } from '@inky-shoal/core';
import {
  drawScene,
  grade,
  keyOf,
  optionsFor,
  sceneWords,
  type DrillAnswer,
  type DrillKey,
  type DrillOptions,
  type Graded,
} from '@inky-shoal/core/drill';

/** Which day it is: the same seed, the same day. */
export interface SceneQuestion {
  readonly seed: number;
  readonly discipline: Discipline;
  readonly units: UnitSystem;
}

export interface ToldScene {
  readonly words: readonly string[];
  /** The hours that are asked about. */
  readonly from: string;
  readonly to: string;
  readonly options: DrillOptions;
}

/** Where the planner has the fish in those hours: each band with its share. */
export interface ToldBand {
  readonly depthM: readonly [number, number];
  readonly share: number;
  readonly structure: string;
}

let last: { readonly of: string; readonly key: DrillKey } | null = null;

/** The planner's own answer, worked out once for all that is asked of a day. */
function known(question: SceneQuestion): DrillKey {
  const of = JSON.stringify(question);
  if (last?.of !== of) last = { of, key: keyOf(drawScene(question.seed, question.discipline), question.units) };
  return last.key;
}

/** Days to be judged, beside the page. */
export const drillApi = {
  scene(question: SceneQuestion): ToldScene {
    const key = known(question);
    const { from, to } = key.told;
    return { words: sceneWords(key.day.given, question.units), from, to, options: optionsFor(key, question.seed) };
  },

  grade(question: SceneQuestion, answer: DrillAnswer): Graded {
    return grade(known(question), answer);
  },

  /** Told once depth was answered. */
  bands(question: SceneQuestion): ToldBand[] {
    const { holding } = known(question).told;
    const all = holding.reduce((sum, { weight }) => sum + weight, 0);
    return holding.map(({ depthM, weight, structure }) => ({
      depthM: [depthM[0], depthM[1]],
      share: weight / all,
      structure,
    }));
  },
};
