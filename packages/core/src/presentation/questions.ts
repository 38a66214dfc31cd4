import { above, all, any, anyOf, below, interpolate, is, not } from '../rules/fuzzy.js';
import type { Facts, QuantityName } from '../rules/facts.js';
import { fire, type Fired, type Rule } from '../rules/rule.js';

/**
 * The questions that a situation puts to any lure. Each has one ideal point, 0 to 1, not a "the more the better":
 * the water gives it, and rules move it. Rules that look at the same thing speak with one voice: of those that move it
 * up the strongest counts, and of those that move it down.
 */
export const QUESTION_IDS = ['pace', 'presence', 'search', 'bulk'] as const;
export type QuestionId = (typeof QUESTION_IDS)[number];

/** How far a rule moves the ideal point of a question. */
export interface Shift {
  readonly question: QuestionId;
  readonly shift: number;
}
export type QuestionRule = Rule<Shift>;

interface Question {
  /** The quantity that gives the ideal point, and the points of the line through it. */
  readonly by: QuantityName;
  readonly ideal: readonly (readonly [value: number, ideal: number])[];
  /** Log-weight lost at a distance of one from the ideal point: with too much of it, with too little. */
  readonly tooMuch: number;
  readonly tooLittle: number;
  readonly text: string;
  readonly against: { readonly tooMuch: string; readonly tooLittle: string };
}

/** The questions, each with its line. Judgement, along the field's tables of speed and of clarity. */
export const QUESTIONS: Readonly<Record<QuestionId, Question>> = {
  pace: {
    by: 'surfaceTempC',
    ideal: [
      [3, 0.1],
      [7, 0.2],
      [10, 0.3],
      [13, 0.4],
      [16, 0.5],
      [20, 0.58],
      [25, 0.64],
      [30, 0.62],
    ],
    tooMuch: 9,
    tooLittle: 1.2,
    text: 'As quick as they will follow in this water',
    against: { tooMuch: 'Quicker than they will follow', tooLittle: 'Slower than they need' },
  },
  presence: {
    by: 'sightM',
    ideal: [
      [0.12, 0.85],
      [0.3, 0.72],
      [0.5, 0.6],
      [0.8, 0.45],
      [1.2, 0.3],
      [2, 0.18],
      [3.5, 0.1],
      [6, 0.06],
    ],
    tooMuch: 4,
    tooLittle: 7,
    text: 'Found as they find their food in this water',
    against: { tooMuch: 'Louder than this water wants', tooLittle: 'Too quiet to be found in this water' },
  },
  search: {
    by: 'surfaceTempC',
    ideal: [
      [4, 0.3],
      [8, 0.45],
      [12, 0.62],
      [17, 0.5],
      [22, 0.5],
      [30, 0.48],
    ],
    tooMuch: 1.6,
    tooLittle: 1.6,
    text: 'It covers the water that has to be covered',
    against: { tooMuch: 'It runs past them', tooLittle: 'Slow for finding them' },
  },
  bulk: {
    by: 'surfaceTempC',
    ideal: [
      [4, 0.35],
      [12, 0.45],
      [20, 0.45],
    ],
    tooMuch: 2.2,
    tooLittle: 1,
    text: 'The size of meal they want',
    against: { tooMuch: 'A larger meal than they want', tooLittle: 'Small for what you want' },
  },
};

const shift = (question: QuestionId, by: number): Shift => ({ question, shift: by });

/** What moves the ideal points. */
export const QUESTION_RULES: readonly QuestionRule[] = [
  {
    id: 'post-front-slow',
    when: is('front:post-frontal'),
    effect: shift('pace', -0.2),
    text: 'The day after a front: slow, long in front of them',
    against: 'Too quick for the day after a front',
  },
  {
    id: 'recovering-slow',
    when: is('front:recovering'),
    effect: shift('pace', -0.08),
    text: 'Still slow from the front',
  },
  {
    id: 'winter-hang',
    when: is('phase:winter'),
    effect: shift('pace', -0.08),
    text: 'In winter time in front of them is what counts',
    against: 'Winter fish will not follow it',
  },
  {
    id: 'slack-tide-slow',
    when: anyOf('tide:high-slack', 'tide:low-slack'),
    effect: shift('pace', -0.15),
    text: 'Slack water: slow down',
    against: 'Too quick for slack water',
  },
  {
    id: 'beds-slow',
    when: is('phase:spawn'),
    effect: shift('pace', -0.2),
    text: 'Around beds it is about the object, not the way to it',
    against: 'It passes the bed too fast',
  },
  {
    id: 'clustered-slow',
    when: is('feedback:clustered-fish'),
    effect: shift('pace', -0.15),
    text: 'Cover it again, slower',
  },
  {
    id: 'turnover-slow',
    when: is('overlay:turnover'),
    effect: shift('pace', -0.12),
    text: 'Turned-over water: slow down',
    against: 'Too quick for scattered fish',
  },
  {
    id: 'front-coming-feed',
    when: anyOf('front:approaching', 'front:passing'),
    effect: shift('pace', 0.12),
    text: 'A front is coming: they feed and move',
  },
  {
    id: 'bait-chased-fast',
    when: any(is('seen:chased'), is('sign:surface-chasing')),
    effect: shift('pace', 0.12),
    text: 'Bait is being chased: keep it moving',
  },
  { id: 'herring-fast', when: is('forage:herring'), effect: shift('pace', 0.1), text: 'Herring eaters chase speed' },
  {
    id: 'fall-moving',
    when: anyOf('phase:fall', 'phase:early-fall'),
    effect: shift('pace', 0.08),
    text: 'Fall fish chase',
  },
  {
    id: 'night-steady',
    when: is('night'),
    effect: shift('pace', -0.12),
    text: 'By night slow and steady, so that they can follow it by feel',
    against: 'Too quick to be followed in the dark',
  },
  {
    id: 'follows-change-pace',
    when: is('feedback:follows'),
    effect: shift('pace', 0.12),
    text: 'They follow: change the pace first, kill it or speed up; smaller comes after',
  },

  {
    id: 'wind-heard',
    when: above('windMps', 2.5, 7),
    effect: shift('presence', 0.2),
    text: 'Wind breaks the light and has them feeding: flash and thump',
    against: 'Lost in the wind and chop',
  },
  {
    id: 'night-felt',
    when: is('night'),
    effect: shift('presence', 0.22),
    text: 'By night they feel it and hear it before they see it',
    against: 'Too quiet to be found in the dark',
  },
  {
    id: 'cloud-louder',
    when: anyOf('sky:overcast', 'sky:rain', 'sky:fog'),
    effect: shift('presence', 0.08),
    text: 'Under cloud a little more to find it by',
  },
  {
    id: 'mud-louder',
    when: any(is('regime:mud-steady'), is('regime:mud-rising')),
    effect: shift('presence', 0.15),
    text: 'Mud: noise and thump',
    against: 'It does not carry far enough in mud',
  },
  {
    id: 'loud-school',
    when: is('murky-normal'),
    effect: shift('presence', 0.2),
    text: 'Always murky here: loud and contrasting, since they feel rather than see',
    school: ['murky-colour', 'loud'],
  },
  {
    id: 'shad-spawn-flash',
    when: all(is('overlay:shad-spawn'), above('shadSpawnHoursLeft', -0.6, 0.2)),
    effect: shift('presence', 0.12),
    text: 'Shad are spawning: it must outshine them',
  },
  {
    id: 'feeding-louder',
    when: anyOf('front:approaching', 'front:passing'),
    effect: shift('presence', 0.12),
    text: 'They are feeding: louder',
  },
  {
    id: 'bright-calm-quiet',
    when: is('bright-and-calm'),
    effect: shift('presence', -0.15),
    text: 'Bright and calm: quiet and natural',
    against: 'Too loud for a bright calm hour',
  },
  {
    id: 'pressured-quiet',
    when: is('pressure:high'),
    effect: shift('presence', -0.15),
    text: 'Fished hard: quiet',
    against: 'Too loud for fish that have seen it all',
  },
  {
    id: 'post-front-quiet',
    when: is('front:post-frontal'),
    effect: shift('presence', -0.12),
    text: 'The day after a front: quiet',
    against: 'Too loud for the day after a front',
  },
  {
    id: 'very-cold-quiet',
    when: below('surfaceTempC', 5, 8.5),
    effect: shift('presence', -0.08),
    text: 'Very cold: quiet',
  },
  {
    id: 'clearing-natural',
    when: is('regime:clearing'),
    effect: shift('presence', -0.06),
    text: 'Clearing: natural works again',
  },

  {
    id: 'fall-cover-water',
    when: anyOf('phase:fall', 'phase:early-fall'),
    effect: shift('search', 0.25),
    text: 'Fall is finding them: cover water',
    against: 'Too slow for finding roaming fish',
  },
  {
    id: 'pre-spawn-search',
    when: is('phase:pre-spawn'),
    effect: shift('search', 0.08),
    text: 'The heaviest feeding of spring: cover water along the way in',
    against: 'Slow for fish that are feeding hard on the move',
  },
  {
    id: 'new-water-search',
    when: is('familiarity:new'),
    effect: shift('search', 0.22),
    text: 'New water: lures that search',
    against: 'Slow for learning new water',
  },
  {
    id: 'wind-cover',
    when: all(above('windMps', 3, 7), not(is('phase:spawn'))),
    effect: shift('search', 0.1),
    text: 'Wind: they are on the move',
  },
  {
    id: 'mud-flats-cover',
    when: is('regime:mud-steady'),
    effect: shift('search', 0.25),
    text: 'Steady mud: cover the flats',
    against: 'It covers too little of a muddy flat',
  },
  {
    id: 'feeding-cover',
    when: anyOf('front:approaching', 'front:passing'),
    effect: shift('search', 0.25),
    text: 'They feed and move: cover water',
    against: 'Slow for fish that feed ahead of a front',
  },
  {
    id: 'fall-run-cover',
    when: is('phase:fall-run'),
    effect: shift('search', 0.15),
    text: 'Bait is leaving the marsh: cover the mouths',
  },
  {
    id: 'spawn-target',
    when: is('phase:spawn'),
    effect: shift('search', -0.25),
    text: 'Around beds: put right there',
    against: 'It passes the bed too fast',
  },
  {
    id: 'post-front-target',
    when: is('front:post-frontal'),
    effect: shift('search', -0.3),
    text: 'They sit tight: to the object, and stay there',
    against: 'They will not come out for it',
  },
  {
    id: 'bright-calm-target',
    when: is('bright-and-calm'),
    effect: shift('search', -0.18),
    text: 'Tight to shade: to the object',
    against: 'They sit too tight to be found so',
  },
  {
    id: 'winter-hold',
    when: anyOf('phase:winter', 'phase:winter-refuge'),
    effect: shift('search', -0.12),
    text: 'Winter fish are in few places',
    against: 'Winter fish will not follow it',
  },
  {
    id: 'clustered-hold',
    when: is('feedback:clustered-fish'),
    effect: shift('search', -0.3),
    text: 'Several in one stretch: turn back and cover it again with something slower',
    against: 'It runs past a place that holds several',
  },
  {
    id: 'mud-bank-target',
    when: is('regime:mud-rising'),
    effect: shift('search', -0.1),
    text: 'At the flooded bank: to the cover',
  },

  {
    id: 'goal-big',
    when: is('goal:big-fish'),
    effect: shift('bulk', 0.35),
    text: 'You want few and large',
    against: 'Small for the fish you want',
  },
  {
    id: 'large-bait',
    when: above('forageLengthMm', 100, 150),
    effect: shift('bulk', 0.25),
    text: 'Their bait is large: so is it',
    against: 'Small beside what they are eating',
  },
  {
    id: 'dirty-bulky',
    when: below('sightM', 0.35, 0.7),
    effect: shift('bulk', 0.15),
    text: 'Dirty water: big enough to find',
  },
  {
    id: 'size-large',
    when: anyOf('phase:winter', 'phase:pre-spawn'),
    effect: shift('bulk', 0.25),
    text: 'Deliberately large for one fish',
    school: ['size', 'large'],
  },
  { id: 'striper-big', when: is('species:striped-bass'), effect: shift('bulk', 0.15), text: 'Stripers eat large' },
  {
    id: 'post-front-small',
    when: is('front:post-frontal'),
    effect: shift('bulk', -0.15),
    text: 'The day after a front: small',
    against: 'Too big for the day after a front',
  },
  {
    id: 'goal-numbers',
    when: is('goal:numbers'),
    effect: shift('bulk', -0.12),
    text: 'You want bites: not too big',
    against: 'Big for numbers',
  },
  {
    id: 'pressured-small',
    when: is('pressure:high'),
    effect: shift('bulk', -0.12),
    text: 'Fished hard: small',
    against: 'Big for fish that have seen it all',
  },
  {
    id: 'very-cold-small',
    when: below('surfaceTempC', 5, 8),
    effect: shift('bulk', -0.08),
    text: 'Very cold: small',
    against: 'Too much of it for very cold water',
  },
  {
    id: 'small-bait',
    when: all(is('forage-named'), below('forageLengthMm', 40, 60)),
    effect: shift('bulk', -0.12),
    text: 'Their bait is small',
  },
];

/** The ideal point of a question in this water, with the voices that moved it. */
export interface Ideal {
  readonly question: QuestionId;
  readonly at: number;
  readonly up: Fired<Shift> | null;
  readonly down: Fired<Shift> | null;
}

const moved = (fired: Fired<Shift> | null): number => (fired ? fired.degree * fired.rule.effect.shift : 0);

/** The ideal points of all questions: the line of each, moved by the strongest voice up and the strongest down. */
export function idealsOf(facts: Facts): readonly Ideal[] {
  const fired = fire(QUESTION_RULES, facts);
  return QUESTION_IDS.map((question) => {
    const { by, ideal } = QUESTIONS[question];
    let up: Fired<Shift> | null = null;
    let down: Fired<Shift> | null = null;
    for (const each of fired) {
      if (each.rule.effect.question !== question) continue;
      const by = moved(each);
      if (by > moved(up)) up = each;
      else if (by < moved(down)) down = each;
    }
    const at = interpolate(ideal, facts.figure(by) ?? (by === 'surfaceTempC' ? 15 : 1)) + moved(up) + moved(down);
    return { question, at: Math.min(1, Math.max(0, at)), up, down };
  });
}

/** What a lure loses at a question, as a log-weight at most 0: the square of its distance from the ideal point. */
export function lossAt({ question, at }: Ideal, [from, to]: readonly [number, number]): number {
  const { tooMuch, tooLittle } = QUESTIONS[question];
  const over = Math.max(0, from - at);
  const under = Math.max(0, at - to);
  return -tooMuch * over * over - tooLittle * under * under;
}
