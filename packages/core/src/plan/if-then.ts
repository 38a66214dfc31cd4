import type { Plan, PlanWindow } from '../contract/plan.js';
import type { SunDay } from '../day/sun.js';
import { nameOf } from '../contract/names.js';
import { inUnits, sayRange, type UnitSystem } from '../units/units.js';
import type { FullConditions } from './assume.js';
import { judgeDay, type JudgedDay } from './judge.js';
import { planWindow } from './window.js';

/** One way the day may turn out otherwise than planned. */
interface Turn {
  readonly id: string;
  readonly when: string;
  /** The changed conditions; null where the day is that way already. */
  readonly change: (conditions: FullConditions) => Partial<FullConditions> | null;
}

const TURNS: readonly Turn[] = [
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

/** Depth moves by this factor before it is worth a card. */
const DEPTH_MOVES = 1.25;

function difference(now: PlanWindow, then: PlanWindow, units: UnitSystem): string | null {
  const [first, other] = [now.presentations[0], then.presentations[0]];
  if (!first || !other) return null;
  const depth = sayRange('depth', other.runDepthM, units);
  if (first.category !== other.category) return `${nameOf(other.category)} takes over, at ${depth}`;
  const centre = ({ runDepthM: [from, to] }: typeof first) => Math.max(0.1, (from + to) / 2);
  const ratio = centre(other) / centre(first);
  if (ratio > DEPTH_MOVES || ratio < 1 / DEPTH_MOVES)
    return `${ratio > 1 ? 'go deeper' : 'come up'}: ${nameOf(other.category)} at ${depth}`;
  const [waits, waitsThen] = [first.retrieve.pauseS, other.retrieve.pauseS];
  if (waits && waitsThen && waits[0] !== waitsThen[0]) {
    return `wait ${waitsThen[0]} to ${waitsThen[1]} s with the ${nameOf(other.category)}`;
  }
  if (first.retrieve.style !== other.retrieve.style)
    return `${nameOf(other.retrieve.style)} the ${nameOf(other.category)} instead`;
  return null;
}

/** If-then cards: each turn of the day is planned anew for the longest window, and told where it changes the advice. */
export function ifThenCards(
  day: JudgedDay,
  windows: readonly PlanWindow[],
  sun: SunDay,
  units: UnitSystem,
): Plan['ifThen'] {
  const longest = day.windows.reduce((a, b) => (b.toMin - b.fromMin > a.toMin - a.fromMin ? b : a));
  const now = windows[day.windows.indexOf(longest)] as PlanWindow;
  const degrees = units === 'us' ? '3 °F' : '1.7 °C';
  const cards = TURNS.flatMap(({ id, when, change }) => {
    const changed = change(day.conditions);
    if (!changed) return [];
    const other = judgeDay({ ...day.conditions, ...changed }, sun, 0, units);
    const then = difference(now, planWindow(other, longest, 0, units, { most: 1 }), units);
    const words = when.replace('{warmer}', `${degrees} warmer`).replace('{colder}', `${degrees} colder`);
    return then ? [{ when: inUnits(words, units), then, rule: id }] : [];
  });
  return [
    ...cards,
    {
      when: 'No bait is about and nothing bites',
      then: 'leave for the next place of the same kind',
      rule: 'if-no-bait',
    },
  ];
}
