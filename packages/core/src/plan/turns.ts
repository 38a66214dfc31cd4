import type { Feedback } from '../contract/ids.js';
import type { FullConditions } from './assume.js';

/** One way the day may turn out otherwise than planned. */
interface Turn {
  readonly id: string;
  readonly when: string;
  /** The changed conditions; null where the day is that way already. */
  readonly change: (conditions: FullConditions) => Partial<FullConditions> | null;
}

export const TURNS: readonly Turn[] = [
  {
    id: 'if-sun-out',
    when: 'The sun comes out and the wind dies',
    change: ({ sky, windMps }) => (sky === 'clear' && windMps < 2 ? null : { sky: 'clear', windMps: 1 }),
  },
  {
    id: 'if-clouds-over',
    when: 'It clouds over',
    change: ({ sky }) => (sky === 'clear' || sky === 'partly-cloudy' ? { sky: 'overcast' } : null),
  },
  {
    id: 'if-wind-builds',
    when: 'The wind builds to {wind:8}',
    change: ({ windMps }) => (windMps > 6 ? null : { windMps: 8 }),
  },
  {
    id: 'if-warmer',
    when: 'The water is {warmer} than planned',
    change: ({ surfaceTempC }) => ({ surfaceTempC: surfaceTempC + 1.7 }),
  },
  {
    id: 'if-colder',
    when: 'The water is {colder} than planned',
    change: ({ surfaceTempC }) => ({ surfaceTempC: surfaceTempC - 1.7 }),
  },
  {
    id: 'if-dirtier',
    when: 'You see half as far down',
    change: ({ visibilityM }) => ({ visibilityM: visibilityM / 2 }),
  },
  {
    id: 'if-rising',
    when: 'The water is rising',
    change: ({ level }) => (level === 'rising' ? null : { level: 'rising' }),
  },
];

/** What the water has said, and the first answer to it; one change at a time. */
export const ANSWERS: Readonly<Record<Feedback, readonly [when: string, then: string]>> = {
  'short-strikes': ['They strike short again', 'after the colour: a trailer hook or a shorter trailer, then slower'],
  follows: ['They still follow and do not take', 'after the pace: smaller, then more natural'],
  'no-bites': ['Still no bite at the new depth', 'change the pace, then the lure; with no bait about, leave'],
  'barely-hooked': ['They still come off', 'sharper hooks, or one size larger, and let them turn first'],
  'strikes-at-deepest': [
    'They come at the boat',
    'a longer cast, thinner line or a deeper lure: hold the depth longer',
  ],
  'bites-stopped': ['Bites have stopped', 'on to the like place, and come back here later'],
  'clustered-fish': ['They stop biting in that stretch', 'mark it, rest it, and look for the next like it'],
};
