import { fsrs, Rating, type FSRSState, type Grade } from 'ts-fsrs';
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
  const takers = events.filter((event) => event.kind === 'take-back');
  // What took something back may have been taken back itself: then it counts again.
  const gone = new Set(takers.flatMap(({ of }) => of));
  const back = new Set(takers.flatMap(({ id, of }) => (gone.has(id) ? [] : of)));
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()]
    .filter(({ kind, id }) => kind !== 'take-back' && !back.has(id))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
}

/** Answers that count. */
export const answersOf = (events: readonly PracticeEvent[]): PracticeEventOf<'answer'>[] =>
  counted(events).filter((event) => event.kind === 'answer');

/** A topic as it is followed from answer to answer. */
interface Followed {
  readonly state: FSRSState;
  readonly answers: number;
  readonly last: number;
  readonly lastMs: number;
  readonly step: PracticeStep;
}

/** Days between two moments; a clock that was set back has no time pass. */
const daysBetween = (fromMs: number, toMs: number): number => Math.max(0, toMs - fromMs) / DAY_MS;

/** What is remembered of every topic that was ever asked, by all answers that count. */
export function memoryOf(events: readonly PracticeEvent[], nowMs: number): Map<string, TopicMemory> {
  const followed = new Map<string, Followed>();
  for (const { topic, step, score, at } of answersOf(events)) {
    const before = followed.get(topic);
    const atMs = Date.parse(at);
    const days = before ? daysBetween(before.lastMs, atMs) : 0;
    const state = scheduler.next_state(before?.state ?? null, days, gradeOf(score));
    followed.set(topic, { state, answers: (before?.answers ?? 0) + 1, last: score, lastMs: atMs, step });
  }
  const told = ([topic, { state, lastMs, ...rest }]: [string, Followed]): [string, TopicMemory] => {
    const { stability } = state;
    const known = scheduler.forgetting_curve(daysBetween(lastMs, nowMs), stability);
    const dueMs = lastMs + scheduler.next_interval(stability, 0) * DAY_MS;
    return [topic, { topic, ...rest, lastMs, stabilityDays: stability, known, dueMs }];
  };
  return new Map([...followed].map(told));
}

/** Topics whose time has come again: the least known first. */
export function dueOf(memory: ReadonlyMap<string, TopicMemory>, nowMs: number): TopicMemory[] {
  return [...memory.values()].filter(({ dueMs }) => dueMs <= nowMs).sort((a, b) => a.known - b.known);
}
