import { createEmptyCard, forgetting_curve, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import type { PracticeEvent, PracticeEventOf, PracticeStep } from '../contract/practice.js';

/** What is remembered of a topic. */
export interface TopicMemory {
  readonly topic: string;
  readonly step: PracticeStep;
  readonly answers: number;
  /** Marks of the last answer, 0 to 1. */
  readonly last: number;
  readonly lastMs: number;
  /** In so many days the chance to know it falls to nine in ten. */
  readonly stabilityDays: number;
  /** The chance that it is known now, 0 to 1. */
  readonly known: number;
  /** Asked again from then on it is not too early. */
  readonly dueMs: number;
}

const DAY_MS = 86_400_000;
/** An answer worth less than this was not known, and one worth less than that with an effort. Judgement. */
const NOT_KNOWN = 0.5;
const HARDLY_KNOWN = 0.85;

/**
 * The scheduler: FSRS (Ye and others, "A stochastic shortest path algorithm for optimizing spaced repetition scheduling",
 * KDD 2022) with the parameters that its library ships. Days are its unit, so no steps of minutes.
 */
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });

const gradeOf = (score: number): Grade =>
  score < NOT_KNOWN ? Rating.Again : score < HARDLY_KNOWN ? Rating.Hard : Rating.Good;

/** Events that count: each once, those that were taken back left out, in the order of their clocks. */
export function counted(events: readonly PracticeEvent[]): PracticeEvent[] {
  const back = new Set(events.flatMap((event) => (event.kind === 'take-back' ? event.of : [])));
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()]
    .filter(({ kind, id }) => kind !== 'take-back' && !back.has(id))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
}

/** Answers that count. */
export const answersOf = (events: readonly PracticeEvent[]): PracticeEventOf<'answer'>[] =>
  counted(events).filter((event) => event.kind === 'answer');

/** The chance to know what was last answered at some moment; a clock that was set back has no time pass. */
function knownAt({ stability }: Card, lastMs: number, nowMs: number): number {
  return forgetting_curve(scheduler.parameters.w, Math.max(0, nowMs - lastMs) / DAY_MS, stability);
}

/** What is remembered of every topic that was ever asked, by all answers that count. */
export function memoryOf(events: readonly PracticeEvent[], nowMs: number): Map<string, TopicMemory> {
  const cards = new Map<string, { card: Card; answers: number; last: number; lastMs: number; step: PracticeStep }>();
  for (const { topic, step, score, at } of answersOf(events)) {
    const before = cards.get(topic);
    const atMs = Date.parse(at);
    const { card } = scheduler.next(before?.card ?? createEmptyCard(new Date(atMs)), new Date(atMs), gradeOf(score));
    cards.set(topic, { card, answers: (before?.answers ?? 0) + 1, last: score, lastMs: atMs, step });
  }
  return new Map(
    [...cards].map(([topic, { card, answers, last, lastMs, step }]): [string, TopicMemory] => [
      topic,
      {
        topic,
        step,
        answers,
        last,
        lastMs,
        stabilityDays: card.stability,
        known: knownAt(card, lastMs, nowMs),
        dueMs: card.due.getTime(),
      },
    ]),
  );
}

/** Topics whose time has come again: the least known first. */
export function dueOf(memory: ReadonlyMap<string, TopicMemory>, nowMs: number): TopicMemory[] {
  return [...memory.values()].filter(({ dueMs }) => dueMs <= nowMs).sort((a, b) => a.known - b.known);
}
