import { nameOf } from '../contract/names.js';
import type { CategoryId, Feedback } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import { inUnits, say, sayRange, type UnitSystem } from '../units/units.js';
import type { DayWindow } from '../day/windows.js';
import { rejudge, type JudgedDay } from './judge.js';
import { ANSWERS, TURNS } from './turns.js';
import { firstChoice, type FirstChoice } from './window.js';

/** A depth or a wait changes by this factor before it is worth a card. */
const WORTH_TELLING = 1.25;
const differs = (ratio: number): boolean => ratio > WORTH_TELLING || ratio < 1 / WORTH_TELLING;

const centreM = ({ runDepthM: [from, to] }: FirstChoice): number => Math.max(0.1, (from + to) / 2);

/** What has changed between two first choices, in words; null where the advice stands. */
function difference(first: FirstChoice | null, other: FirstChoice | null, units: UnitSystem): string | null {
  if (!first || !other) return null;
  const depth = sayRange('depth', other.runDepthM, units);
  const name = nameOf(other.category.id);
  if (first.category.id !== other.category.id) return `${name} takes over, at ${depth}; have it tied on`;
  const ratio = centreM(other) / centreM(first);
  if (differs(ratio)) return `${ratio > 1 ? 'go deeper' : 'come up'}: ${name} at ${depth}`;
  if (first.classId !== other.classId) return `another ${name}: one for ${depth}; have it in the boat`;
  const [waits, waitsThen] = [first.pauseS, other.pauseS];
  if (waits && waitsThen && differs(waitsThen[0] / waits[0])) {
    return `wait ${waitsThen[0]} to ${waitsThen[1]} s with the ${name}`;
  }
  if (first.style !== other.style) return `${nameOf(other.style)} the ${name} instead`;
  const fish = other.fishM / Math.max(0.1, first.fishM);
  return differs(fish)
    ? `${fish > 1 ? 'they are deeper' : 'they are shallower'}, about ${say('depth', other.fishM, units)}: the ${name} there`
    : null;
}

/** Turns that are always answered, since they are what the ramp tells: what if nothing changes is an answer too. */
const ALWAYS_ANSWERED: ReadonlySet<string> = new Set(['if-warmer', 'if-colder']);

function unchangedAdvice({ category, runDepthM, pauseS }: FirstChoice, units: UnitSystem): string {
  const waits = pauseS ? `, waits of ${pauseS[0]} to ${pauseS[1]} s` : '';
  return `the ${nameOf(category.id)} stands, at ${sayRange('depth', runDepthM, units)}${waits}`;
}

/** What would be fished first if the day took a turn. */
export interface TurnAdvice {
  readonly rule: string;
  /** The turn, in words. */
  readonly when: string;
  readonly category: CategoryId;
  readonly runDepthM: readonly [number, number];
}

interface PlannedTurn {
  readonly rule: string;
  readonly when: string;
  readonly first: FirstChoice | null;
}

/** The window that the turns are asked of: the longest. */
export const longestOf = <W extends Pick<DayWindow, 'fromMin' | 'toMin'>>(windows: readonly W[]): W =>
  windows.reduce((a, b) => (b.toMin - b.fromMin > a.toMin - a.fromMin ? b : a));

/** Each turn of the day planned anew for its longest window. */
function plannedTurns(day: JudgedDay, now: FirstChoice | null): PlannedTurn[] {
  const { units } = day;
  const longest = longestOf(day.windows);
  const degrees = units === 'us' ? '3 °F' : '1.7 °C';
  return TURNS.flatMap(({ id, when, change }): PlannedTurn[] => {
    const changed = change(day.conditions);
    if (!changed) return [];
    const words = when.replace('{warmer}', `${degrees} warmer`).replace('{colder}', `${degrees} colder`);
    // Most turns change nothing: what is fished first now is likely first then.
    const first = firstChoice(rejudge(day, changed), longest, undefined, now?.category.id);
    return [{ rule: id, when: inUnits(words, units), first }];
  });
}

/** What the turns of a day would want tied on first that the day as planned does not: for what is packed. */
export function turnsOf(day: JudgedDay): TurnAdvice[] {
  const now = firstChoice(day, longestOf(day.windows));
  return plannedTurns(day, now).flatMap(({ rule, when, first }) =>
    first && first.category.id !== now?.category.id
      ? [{ rule, when, category: first.category.id, runDepthM: first.runDepthM }]
      : [],
  );
}

/**
 * If-then cards: each turn of the day is planned anew, and told where it changes the advice.
 * @param now what is fished first in the longest window as planned
 */
export function ifThenCards(day: JudgedDay, now: FirstChoice | null): Plan['ifThen'] {
  const { units } = day;
  const cards = plannedTurns(day, now).flatMap(({ rule, when, first }) => {
    const then =
      difference(now, first, units) ?? (ALWAYS_ANSWERED.has(rule) && first ? unchangedAdvice(first, units) : null);
    return then ? [{ when, then, rule }] : [];
  });
  return [...answersTo(day.conditions.feedback ?? []), ...cards, ...leaving(day)];
}

const answersTo = (feedback: readonly Feedback[]): Plan['ifThen'] =>
  feedback.map((code) => ({ when: ANSWERS[code][0], then: ANSWERS[code][1], rule: `feedback-${code}` }));

/** When to give a place or a lure up: sooner in fall, when there may be nobody at home. */
function leaving(day: JudgedDay): Plan['ifThen'] {
  const roaming = day.facts.degree('phase:fall') >= 0.5;
  const changes = day.schools.some(({ id, side }) => id === 'junk' && side === 'change-freely');
  return [
    {
      when: 'No bait is about and nothing bites',
      then: `leave for the next place of the same kind${roaming ? ', after a quarter of an hour' : ''}`,
      rule: 'if-no-bait',
    },
    changes
      ? { when: 'Twenty minutes without a bite', then: 'tie on another lure', rule: 'if-junk-change' }
      : {
          when: 'Forty casts over good water without a bite',
          then: 'change the place before the lure: the pattern is not here',
          rule: 'if-junk-pattern',
        },
  ];
}
