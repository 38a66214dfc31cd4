import type { TopicMemory } from './memory.js';
import { chooseQuestions, type DrillQuestion, type PooledScene } from './choose.js';

/** A day that is coming on one of the angler's waters, or went by on one of their trips. */
export interface OwnDay {
  readonly id: string;
  /** As it is told on a button: `Ferrow, Saturday 6 March`. */
  readonly name: string;
}

export type EveningPart =
  | { readonly kind: 'question'; readonly question: DrillQuestion; readonly due: boolean }
  /** A day of one's own, from the first step to the last; one that is drawn where there is none. */
  | { readonly kind: 'day'; readonly own: OwnDay | null }
  | { readonly kind: 'cadence' };

/** How long each part takes, seconds. Judgement. */
export const PART_S: Readonly<Record<EveningPart['kind'], number>> = { question: 30, day: 240, cadence: 90 };
/** The whole of it. */
export const EVENING_S = 600;

/**
 * Ten minutes: what is due again first, then what is worth most, one day that is coming on one's own waters, and one
 * cadence.
 * @param coming days that come on the angler's waters, the next first
 */
export function composeEvening(
  pool: readonly PooledScene[],
  memory: ReadonlyMap<string, TopicMemory>,
  nowMs: number,
  coming: readonly OwnDay[],
): EveningPart[] {
  const room = Math.floor((EVENING_S - PART_S.day - PART_S.cadence) / PART_S.question);
  const isDue = (topic: string) => (memory.get(topic)?.dueMs ?? Infinity) <= nowMs;
  const chosen = chooseQuestions(pool, memory, Infinity);
  // What is due goes before what was never asked, however often that comes up.
  const questions = [
    ...chosen.filter(({ topic }) => isDue(topic)),
    ...chosen.filter(({ topic }) => !isDue(topic)),
  ].slice(0, room);
  return [
    ...questions.map((question): EveningPart => ({ kind: 'question', question, due: isDue(question.topic) })),
    { kind: 'day', own: coming[0] ?? null },
    { kind: 'cadence' },
  ];
}
