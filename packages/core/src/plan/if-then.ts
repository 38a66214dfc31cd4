import type { Feedback } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import type { SunDay } from '../day/sun.js';
import { nameOf } from '../contract/names.js';
import { inUnits, sayRange, type UnitSystem } from '../units/units.js';
import { judgeDay, type JudgedDay } from './judge.js';
import { ANSWERS, TURNS } from './turns.js';
import { firstChoice, type FirstChoice } from './window.js';

/** A depth or a wait changes by this factor before it is worth a card. */
const WORTH_TELLING = 1.25;
const differs = (ratio: number): boolean => ratio > WORTH_TELLING || ratio < 1 / WORTH_TELLING;

function difference(first: FirstChoice | null, other: FirstChoice | null, units: UnitSystem): string | null {
  if (!first || !other) return null;
  const depth = sayRange('depth', other.runDepthM, units);
  const name = nameOf(other.category.id);
  if (first.category !== other.category) return `${name} takes over, at ${depth}`;
  const centre = ({ runDepthM: [from, to] }: FirstChoice) => Math.max(0.1, (from + to) / 2);
  const ratio = centre(other) / centre(first);
  if (differs(ratio)) {
    return `${ratio > 1 ? 'go deeper' : 'come up'}: ${name} at ${depth}`;
  }
  const [waits, waitsThen] = [first.pauseS, other.pauseS];
  if (waits && waitsThen && differs(waitsThen[0] / waits[0]))
    return `wait ${waitsThen[0]} to ${waitsThen[1]} s with the ${name}`;
  return first.style === other.style ? null : `${nameOf(other.style)} the ${name} instead`;
}

/** If-then cards: each turn of the day is planned anew for the longest window, and told where it changes the advice. */
export function ifThenCards(day: JudgedDay, sun: SunDay, units: UnitSystem): Plan['ifThen'] {
  const longest = day.windows.reduce((a, b) => (b.toMin - b.fromMin > a.toMin - a.fromMin ? b : a));
  const now = firstChoice(day, longest);
  const degrees = units === 'us' ? '3 °F' : '1.7 °C';
  const cards = TURNS.flatMap(({ id, when, change }) => {
    const changed = change(day.conditions);
    if (!changed) return [];
    const other = judgeDay({ ...day.conditions, ...changed }, sun, 0, units);
    const then = difference(now, firstChoice(other, longest), units);
    const words = when.replace('{warmer}', `${degrees} warmer`).replace('{colder}', `${degrees} colder`);
    return then ? [{ when: inUnits(words, units), then, rule: id }] : [];
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
