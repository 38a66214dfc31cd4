import fc from 'fast-check';
import { DRILL_STEPS, PracticeEvent, type PracticeEventOf } from '../contract/practice.js';
import { chooseQuestions, pooled, sharesOf, type PooledScene } from './choose.js';
import { composeEvening, EVENING_S, PART_S } from './evening.js';
import { keyOf } from './key.js';
import { knownBy } from './known.js';
import { answersOf, dueOf, memoryOf } from './memory.js';
import { drawScene } from './scene.js';
import { toldBefore } from './scene-words.js';
import { isTopic, topicOf, topicWords } from './topics.js';

const DAY_MS = 86_400_000;
const BEGUN_MS = Date.parse('2027-03-01T20:00:00Z');
let made = 0;
const id = () => `00000000-0000-7000-8000-${String(made++).padStart(12, '0')}`;

/** An answer so many days after the beginning. */
const answer = (
  day: number,
  score: number,
  topic = 'lure/jerkbait-cold-clear',
  more: Partial<PracticeEventOf<'answer'>> = {},
): PracticeEventOf<'answer'> => ({
  kind: 'answer',
  id: id(),
  at: new Date(BEGUN_MS + day * DAY_MS).toISOString(),
  step: 'lure',
  topic,
  score,
  ...more,
});
const at = (days: number) => BEGUN_MS + days * DAY_MS;
const pool: readonly PooledScene[] = Array.from({ length: 12 }, (_, seed) => pooled(seed, 'bass', 'us'));

describe('what is remembered', () => {
  it('fades with the days, and faster where it was not known', () => {
    const right = [answer(0, 1)];
    const wrong = [answer(0, 0)];
    const known = (events: PracticeEvent[], day: number) => memoryOf(events, at(day)).get('lure/jerkbait-cold-clear')!;
    expect(known(right, 0).known).toBeCloseTo(1, 3);
    expect(known(right, 10).known).toBeLessThan(known(right, 2).known);
    expect(known(wrong, 3).known).toBeLessThan(known(right, 3).known);
    expect(known(wrong, 0).dueMs).toBeLessThan(known(right, 0).dueMs);
  });

  it('lasts longer each time it is known when its time has come', () => {
    const events: PracticeEvent[] = [];
    let [day, before] = [0, 0];
    for (let time = 0; time < 5; time++) {
      events.push(answer(day, 1));
      const memory = memoryOf(events, at(day)).get('lure/jerkbait-cold-clear')!;
      expect(memory.stabilityDays).toBeGreaterThan(before);
      before = memory.stabilityDays;
      day = (memory.dueMs - BEGUN_MS) / DAY_MS;
    }
    expect(before).toBeGreaterThan(20);
  });

  it('brings a weak topic back sooner than one that is known', () => {
    const events = [answer(0, 1, 'lure/a'), answer(0, 0, 'lure/b'), answer(0, 0.7, 'lure/c')];
    const due = (day: number) => dueOf(memoryOf(events, at(day)), at(day)).map(({ topic }) => topic);
    expect(due(0)).toEqual([]);
    expect(due(1)).toContain('lure/b');
    expect(due(1)).not.toContain('lure/a');
    expect(due(60)[0]).toBe('lure/b');
  });

  it('does not count what was taken back, counts each once, in whatever order they come', () => {
    const wrong = answer(2, 0);
    const events: PracticeEvent[] = [answer(0, 1), wrong, answer(4, 1)];
    const back: PracticeEvent = { kind: 'take-back', id: id(), at: wrong.at, of: [wrong.id] };
    const plain = memoryOf([events[0]!, events[2]!], at(5));
    expect(memoryOf([...events, back], at(5))).toEqual(plain);
    expect(memoryOf([back, ...events].reverse(), at(5))).toEqual(plain);
    expect(memoryOf([...events, ...events, back], at(5))).toEqual(plain);
    const again: PracticeEvent = { kind: 'take-back', id: id(), at: wrong.at, of: [back.id] };
    expect(memoryOf([...events, again, back], at(5))).toEqual(memoryOf(events, at(5)));
  });

  it('goes on with a clock that was set back or ran ahead', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.double({ min: -400, max: 400, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
          { minLength: 1 },
        ),
        (said) => {
          const events = said.map(([day, score]) => answer(day, score));
          for (const { known, stabilityDays, answers } of memoryOf(events, at(0)).values()) {
            expect(known >= 0 && known <= 1 && stabilityDays > 0).toBe(true);
            expect(answers).toBe(events.length);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('takes only what it knows', () => {
    expect(PracticeEvent.safeParse(answer(0, 1)).success).toBe(true);
    expect(PracticeEvent.safeParse({ ...answer(0, 1), score: 1.2 }).success).toBe(false);
    expect(PracticeEvent.safeParse({ ...answer(0, 1), step: 'guess' }).success).toBe(false);
    expect(
      PracticeEvent.safeParse({ kind: 'wait', id: id(), at: new Date().toISOString(), wantedS: 8, feltS: -1 }).success,
    ).toBe(false);
  });

  it('is told by step, phase, water and lure, the weakest first', () => {
    const events = [
      answer(0, 1, 'lure/a', { phase: 'winter', regime: 'usual', lure: 'jig' }),
      answer(1, 0, 'lure/b', { phase: 'spawn', regime: 'usual', lure: 'frog' }),
      answer(2, 0.5, 'depth/c', { step: 'depth', phase: 'winter' }),
    ];
    const known = knownBy(events);
    expect(known.step.map(({ name }) => name)).toEqual(['Depth', 'Lure']);
    expect(known.phase).toEqual([
      { name: 'Spawn', answers: 1, marks: 0 },
      { name: 'Winter', answers: 2, marks: 0.75 },
    ]);
    expect(known.regime[0]).toMatchObject({ answers: 2, marks: 0.5 });
    expect(known.lure[0]?.name).toBe('Frog');
    expect(answersOf(events)).toHaveLength(3);
  });
});

describe('a topic', () => {
  it('is a step and what decides it, told in words that somebody can learn from', () => {
    for (const { topics } of pool) {
      for (const step of DRILL_STEPS) {
        expect(topics[step].startsWith(`${step}/`)).toBe(true);
        if (!isTopic(topics[step])) continue;
        const words = topicWords(topics[step], 'us');
        expect(words).toMatch(/^[A-Z][a-z]+: \S/);
        expect(words).not.toMatch(/undefined|\{/);
      }
    }
    const key = keyOf(drawScene(3, 'bass'), 'us');
    expect(topicOf(key, 'phase')).toBe(`phase/${key.day.phase.because[0]!.rule}`);
    expect(topicWords('pause/twitch-pause-cold', 'us')).toBe('Wait: twitch pause in cold water');
    expect(topicWords('rig/cranked', 'us')).toBe('Rig: for what is cranked');
    expect(topicWords('turn/frog', 'us')).toBe('Turned round: frog');
    expect(topicWords('nothing', 'us')).toBe('Nothing');
  });

  it('that is asked by itself has told what comes before it, and no more', () => {
    const key = keyOf(drawScene(3, 'bass'), 'us');
    expect(toldBefore(key, 'phase')).toBe('');
    expect(toldBefore(key, 'where')).toMatch(/^It is /);
    expect(toldBefore(key, 'lure')).toMatch(/most are on the .*, \d/);
    expect(toldBefore(key, 'pause')).toMatch(/^The planner ties on a /);
  });
});

describe('the next question', () => {
  it('is about what comes up often and is not known, one a topic', () => {
    const shares = sharesOf(pool);
    expect([...shares.values()].reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
    const all = chooseQuestions(pool, new Map(), Infinity);
    expect(new Set(all.map(({ topic }) => topic)).size).toBe(all.length);
    const [first, second] = all;
    expect(shares.get(first!.topic)).toBe(Math.max(...shares.values()));
    const known = new Map([[first!.topic, { known: 0.99 }]]);
    expect(chooseQuestions(pool, known, 1)[0]?.topic).toBe(second!.topic);
    expect(chooseQuestions(pool, new Map(), 1, new Set([first!.topic]))[0]?.topic).toBe(second!.topic);
    // It is asked of a day on which it is what decides.
    const scene = pool.find(({ seed }) => seed === first!.seed)!;
    expect(scene.topics[first!.step]).toBe(first!.topic);
  });
});

describe('an evening', () => {
  it('takes ten minutes: what is due, a day that is coming, a cadence', () => {
    const coming = [{ id: 'w', name: 'The lake, Saturday' }];
    const parts = composeEvening(pool, new Map(), BEGUN_MS, coming);
    expect(parts.reduce((sum, { kind }) => sum + PART_S[kind], 0)).toBeLessThanOrEqual(EVENING_S);
    expect(parts.at(-2)).toEqual({ kind: 'day', own: coming[0] });
    expect(parts.at(-1)).toEqual({ kind: 'cadence' });
    expect(composeEvening(pool, new Map(), BEGUN_MS, []).at(-2)).toEqual({ kind: 'day', own: null });
  });

  it('asks what is due before what was never asked', () => {
    const rare = [...sharesOf(pool)].sort((a, b) => a[1] - b[1])[0]![0];
    const memory = memoryOf([answer(0, 0, rare)], at(3));
    const [first] = composeEvening(pool, memory, at(3), []);
    expect(first).toMatchObject({ kind: 'question', due: true, question: { topic: rare } });
  });
});
