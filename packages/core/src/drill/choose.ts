import type { Discipline } from '../contract/ids.js';
import { DRILL_STEPS, type DrillStep } from '../contract/practice.js';
import type { UnitSystem } from '../units/units.js';
import { keyOf } from './key.js';
import type { TopicMemory } from './memory.js';
import { drawScene } from './scene.js';
import { isTopic, topicOf } from './topics.js';

/** A day that can be asked about, with what each of its steps is about. */
export interface PooledScene {
  readonly seed: number;
  readonly discipline: Discipline;
  readonly topics: Readonly<Record<DrillStep, string>>;
}

/** One step of one day, to be asked by itself. */
export interface DrillQuestion {
  readonly seed: number;
  readonly discipline: Discipline;
  readonly step: DrillStep;
  readonly topic: string;
}

/** What was never asked is known so far: a newcomer knows something, and one who knows all soon shows it. Judgement. */
export const NEVER_ASKED = 0.4;

/** A day of a seed with its topics. */
export function pooled(seed: number, discipline: Discipline, units: UnitSystem): PooledScene {
  const key = keyOf(drawScene(seed, discipline), units);
  const topics = Object.fromEntries(DRILL_STEPS.map((step) => [step, topicOf(key, step)])) as PooledScene['topics'];
  return { seed, discipline, topics };
}

/** All questions of some days. */
const questionsOf = (pool: readonly PooledScene[]): DrillQuestion[] =>
  pool.flatMap(({ seed, discipline, topics }) =>
    DRILL_STEPS.filter((step) => isTopic(topics[step])).map((step): DrillQuestion => ({
      seed,
      discipline,
      step,
      topic: topics[step],
    })),
  );

/** How often each topic comes up on days as they are drawn: shares of all questions. */
export function sharesOf(pool: readonly PooledScene[]): Map<string, number> {
  const counts = new Map<string, number>();
  const questions = questionsOf(pool);
  for (const { topic } of questions) counts.set(topic, (counts.get(topic) ?? 0) + 1 / questions.length);
  return counts;
}

/**
 * Questions that are worth most, one a topic: how often what it is about comes up on the water, times how likely it is not
 * known. What is due again comes of it by itself, and so does what was never asked.
 * @param passedOver topics that were asked just now
 */
export function chooseQuestions(
  pool: readonly PooledScene[],
  memory: ReadonlyMap<string, Pick<TopicMemory, 'known'>>,
  count: number,
  passedOver: ReadonlySet<string> = new Set(),
): DrillQuestion[] {
  const shares = sharesOf(pool);
  const byTopic = new Map<string, DrillQuestion[]>();
  for (const question of questionsOf(pool)) {
    if (passedOver.has(question.topic)) continue;
    byTopic.set(question.topic, [...(byTopic.get(question.topic) ?? []), question]);
  }
  const worth = (topic: string) => (shares.get(topic) ?? 0) * (1 - (memory.get(topic)?.known ?? NEVER_ASKED));
  const topics = [...byTopic.keys()].sort((a, b) => worth(b) - worth(a)).slice(0, count);
  // Each of a day of its own where there are enough: what is told for one step of a day gives away another.
  const used = new Set<number>();
  return topics.flatMap((topic) => {
    const own = byTopic.get(topic) ?? [];
    const question = own.find(({ seed }) => !used.has(seed)) ?? own[0];
    if (question) used.add(question.seed);
    return question ?? [];
  });
}
