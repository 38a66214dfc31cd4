import {
  chooseQuestions,
  memoryOf,
  pooled,
  sharesOf,
  type PooledScene,
  type PracticeEvent,
} from '@inky-shoal/core/drill';
import { seededNumbers } from '@inky-shoal/core/numbers';

const DAY_MS = 86_400_000;
const BEGUN_MS = Date.parse('2027-01-04T20:00:00Z');
const DAYS_POOLED = 120;
/** A learner who has not got there after so many evenings never does. */
const MOST_EVENINGS = 400;

/** How evenings of practice go. */
export interface EveningsOf {
  readonly questions: number;
  /** Skill that is to be reached: what is known of the questions as days bring them, 0 to 1. */
  readonly skill: number;
}

/**
 * Somebody who learns and forgets: what was known at some time is known after so many days with the chance
 * exp(-days / strength) (Ebbinghaus 1885). Known again its strength grows, the more the nearer it was to being forgotten
 * (Bjork & Bjork 1992, "desirable difficulty"); told after a wrong answer it is begun anew. How fast all of it goes is the
 * learner's own. The planner's scheduler knows nothing of this curve: its own is a power of the time.
 */
class Learner {
  private readonly random: () => number;
  private readonly firstDays: number;
  private readonly growth: number;
  private readonly strength = new Map<string, { days: number; lastDay: number }>();

  constructor(seed: number, topics: readonly string[]) {
    this.random = seededNumbers(seed);
    this.firstDays = 1 + 3 * this.random();
    this.growth = 1 + 2 * this.random();
    const knew = 0.15 + 0.3 * this.random();
    for (const topic of topics) {
      // What somebody brings along they know well: it was learnt on the water.
      if (this.random() < knew) this.strength.set(topic, { days: 150, lastDay: -5 });
    }
  }

  knows(topic: string, day: number): number {
    const own = this.strength.get(topic);
    return own ? Math.exp(-(day - own.lastDay) / own.days) : 0;
  }

  /** Is asked, told what is right, and learns. @returns what the answer is worth */
  answer(topic: string, day: number): number {
    const known = this.knows(topic, day);
    const right = this.random() < known;
    const before = this.strength.get(topic);
    const days = right && before ? before.days * (1 + this.growth * (1 - known)) + 0.5 : this.firstDays;
    this.strength.set(topic, { days, lastDay: day });
    return right ? 0.85 + 0.15 * this.random() : 0.4 * this.random();
  }
}

/** Questions of an evening, by what is remembered, or drawn at random. */
type Chooser = (day: number, events: readonly PracticeEvent[], random: () => number) => readonly string[];

function questionsTo(
  seed: number,
  shares: ReadonlyMap<string, number>,
  choose: Chooser,
  { skill, questions }: EveningsOf,
): number {
  const learner = new Learner(seed, [...shares.keys()]);
  const random = seededNumbers(seed + 99_991);
  const events: PracticeEvent[] = [];
  for (let day = 0; day < MOST_EVENINGS; day++) {
    // Before the evening begins: what was asked a moment ago proves nothing.
    const reached = [...shares].reduce((sum, [topic, share]) => sum + share * learner.knows(topic, day), 0);
    if (reached >= skill) return events.length;
    for (const topic of choose(day, events, random).slice(0, questions)) {
      const at = new Date(BEGUN_MS + day * DAY_MS + events.length * 1000).toISOString();
      const id = `00000000-0000-7000-8000-${String(events.length).padStart(12, '0')}`;
      events.push({ kind: 'answer', id, at, step: 'lure', topic, score: learner.answer(topic, day) });
    }
  }
  return events.length;
}

/** Days that learners are asked about. */
export const learnersPool = (): PooledScene[] =>
  Array.from({ length: DAYS_POOLED }, (_, seed) => pooled(seed, 'bass', 'us'));

/** Questions that some learners need to a skill: chosen by what is remembered, and drawn as days bring them. */
export function questionsNeeded(
  pool: readonly PooledScene[],
  learners: readonly number[],
  evenings: EveningsOf,
): { readonly chosen: number[]; readonly random: number[] } {
  const shares = sharesOf(pool);
  const all = pool.flatMap(({ topics }) => Object.values(topics));
  const byMemory: Chooser = (day, events) =>
    chooseQuestions(pool, memoryOf(events, BEGUN_MS + day * DAY_MS), evenings.questions).map(({ topic }) => topic);
  const byChance: Chooser = (_day, _events, random) =>
    Array.from({ length: evenings.questions }, () => all[Math.floor(random() * all.length)] as string);
  return {
    chosen: learners.map((seed) => questionsTo(seed, shares, byMemory, evenings)),
    random: learners.map((seed) => questionsTo(seed, shares, byChance, evenings)),
  };
}
