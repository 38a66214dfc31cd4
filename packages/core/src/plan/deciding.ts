import type { Conditions } from '../contract/conditions.js';
import type { CategoryId, ForageKind } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import type { FullConditions } from './assume.js';
import { judgeDay, rejudge } from './judge.js';
import { firstChoice } from './window.js';

/** Conditions that are worth asking for, those that are the easiest to tell first. */
export const ASKED_FOR = ['visibilityM', 'surfaceTempC', 'forage', 'level', 'windMps', 'sky', 'front'] as const;
export type AskedFor = (typeof ASKED_FOR)[number];

/** What nobody has said of a day and would decide most: to know it is worth more than to know any other. */
export interface DecidingCondition {
  readonly field: AskedFor;
  /** What would come first, by how it may turn out. */
  readonly outcomes: readonly { readonly when: string; readonly category: CategoryId }[];
  /** How likely it is that another lure than the one that is named comes first, 0 to 1. */
  readonly chance: number;
}

/** How a condition may well be otherwise than assumed: in words, how likely, and what it changes. */
interface Guess {
  readonly when: string;
  readonly chance: number;
  readonly change: Partial<FullConditions>;
}

/** How far a guessed temperature is off, degrees Celsius; a guessed visibility, as a factor. Judgement. */
const OFF_C = 2.5;
const OFF_FACTOR = 1.9;

/** How likely bait is met that nobody spoke of, at the top and deep, and which that is as a rule. Judgement. */
export const BAIT_CHANCES = { chased: 0.15, 'schooled-deep': 0.15 } as const;
export const usualBait = (discipline: FullConditions['discipline']): ForageKind =>
  discipline === 'bass' ? 'shad' : 'mullet';

/** The chances are judgement: each as likely as an estimate of its kind is wrong by so much. */
function guesses(field: AskedFor, { visibilityM, surfaceTempC, forage = [], discipline }: FullConditions): Guess[] {
  const kind = usualBait(discipline);
  switch (field) {
    case 'visibilityM':
      return [
        { when: 'dirtier', chance: 0.25, change: { visibilityM: visibilityM / OFF_FACTOR } },
        { when: 'clearer', chance: 0.25, change: { visibilityM: visibilityM * OFF_FACTOR } },
      ];
    case 'surfaceTempC':
      return [
        { when: 'colder', chance: 0.2, change: { surfaceTempC: surfaceTempC - OFF_C } },
        { when: 'warmer', chance: 0.2, change: { surfaceTempC: surfaceTempC + OFF_C } },
      ];
    case 'forage':
      return [
        {
          when: 'chased at the top',
          chance: BAIT_CHANCES.chased,
          change: { forage: [...forage, { kind, seen: ['chased'] }] },
        },
        {
          when: 'schooled deep',
          chance: BAIT_CHANCES['schooled-deep'],
          change: { forage: [...forage, { kind, seen: ['schooled-deep'] }] },
        },
      ];
    case 'level':
      return (['rising', 'falling'] as const).map((level) => ({ when: level, chance: 0.15, change: { level } }));
    case 'windMps':
      return [
        { when: 'calm', chance: 0.2, change: { windMps: 0.5 } },
        { when: 'strong', chance: 0.2, change: { windMps: 8 } },
      ];
    case 'sky':
      return (['clear', 'overcast'] as const).map((sky) => ({ when: nameOf(sky), chance: 0.25, change: { sky } }));
    case 'front':
      return [{ when: 'just through', chance: 0.15, change: { front: 'post-frontal' } }];
  }
}

/**
 * Which of the conditions that nobody said would decide most over the first choice of a window: each is tried as it may
 * well be otherwise, and the one counts most whose guesses, weighed by their chances, change the lure most often (the
 * expected value of perfect information over a loss of one a changed choice; Raiffa & Schlaifer 1961).
 * @param unsaid conditions that are assumed or estimated
 * @returns null where none of them changes anything
 * @example
 * const given = Conditions.parse({
 *   discipline: 'bass',
 *   date: '2027-03-13',
 *   surfaceTempC: 10.5,
 *   place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
 * });
 * decidingCondition(given, 'w1', []) // => null
 */
export function decidingCondition(
  given: Conditions,
  windowId: string,
  unsaid: readonly string[],
): DecidingCondition | null {
  const day = judgeDay(given, 'us');
  const window = day.windows[Number(windowId.slice(1)) - 1];
  const now = window && firstChoice(day, window);
  if (!window || !now) return null;
  let most: DecidingCondition | null = null;
  for (const field of ASKED_FOR) {
    if (!unsaid.includes(field)) continue;
    const outcomes = guesses(field, day.conditions).flatMap(({ when, chance, change }) => {
      const then = firstChoice(rejudge(day, change), window)?.category.id;
      return then && then !== now.category.id ? [{ when, chance, category: then }] : [];
    });
    const chance = outcomes.reduce((sum, each) => sum + each.chance, 0);
    if (chance > (most?.chance ?? 0)) {
      most = { field, chance, outcomes: outcomes.map(({ when, category }) => ({ when, category })) };
    }
  }
  return most;
}
