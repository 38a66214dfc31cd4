import { capital, nameOf } from '../contract/names.js';
import type { PracticeEvent } from '../contract/practice.js';
import { answersOf } from './memory.js';
import { STEP_NAMES } from './topics.js';

/** How one gets on with something: marks of the last answers in the mean, 0 to 1. */
export interface KnownOf {
  readonly name: string;
  readonly answers: number;
  readonly marks: number;
}

/** Answers of one thing that are told, the latest. */
const TOLD = 20;
/** Things that are told of each kind, those that are known least first. */
const MOST = 12;

/** What is known by step, phase, kind of water and lure, of the answers that count. */
export function knownBy(
  events: readonly PracticeEvent[],
): Readonly<Record<'step' | 'phase' | 'regime' | 'lure', readonly KnownOf[]>> {
  const answers = answersOf(events);
  const by = (nameIn: (answer: (typeof answers)[number]) => string | undefined): KnownOf[] => {
    const scores = new Map<string, number[]>();
    for (const answer of answers) {
      const name = nameIn(answer);
      if (name) scores.set(name, [...(scores.get(name) ?? []), answer.score]);
    }
    return [...scores].map(([name, all]) => {
      const last = all.slice(-TOLD);
      return { name, answers: last.length, marks: last.reduce((sum, each) => sum + each, 0) / last.length };
    });
  };
  const weakest = (known: KnownOf[]) => known.sort((a, b) => a.marks - b.marks).slice(0, MOST);
  const named = (id: string | undefined) => id && capital(nameOf(id));
  const order = Object.values(STEP_NAMES);
  return {
    step: by(({ step }) => STEP_NAMES[step]).sort((a, b) => order.indexOf(a.name) - order.indexOf(b.name)),
    phase: weakest(by(({ phase }) => named(phase))),
    regime: weakest(by(({ regime }) => named(regime))),
    lure: weakest(by(({ lure }) => named(lure))),
  };
}
