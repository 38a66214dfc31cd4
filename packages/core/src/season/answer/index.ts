import { nameOf } from '../../contract/names.js';
import type { Phase } from '../../contract/ids.js';
import { dateOf } from '../../day/calendar.js';
import { phaseShares } from '../plan-day.js';
import type { SeasonYear } from '../year.js';
import type { SeasonZone } from '../zone-year.js';

const MONTHS = 'January February March April May June July August September October November December'.split(' ');

/** A day as it is said: `15 March`. */
export function sayDay(day: number): string {
  const [, month, date] = dateOf(day).split('-').map(Number) as [number, number, number];
  return `${date} ${MONTHS[month - 1] as string}`;
}

/** From one day to another: `15 to 20 March`, `28 March to 4 April`. */
export function sayDays(from: number, to: number): string {
  if (from === to) return sayDay(from);
  const [a, b] = [sayDay(from), sayDay(to)];
  const [dateA, monthA] = a.split(' ') as [string, string];
  return b.endsWith(monthA) && to - from < 31 ? `${dateA} to ${b}` : `${a} to ${b}`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const list = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) as string}`;

/** A phase that another comes this near to is told together with it. */
const TOLD_ALONE = 0.6;
/** What is further off than this is not told. */
const LOOK_AHEAD_DAYS = 75;

const phaseWords = (zone: SeasonZone, day: number): string => {
  const [first, second] = phaseShares(zone, day);
  if (!first) return '';
  return first.probability < TOLD_ALONE && second && second.probability > 0.25
    ? `${nameOf(first.phase)} or ${nameOf(second.phase)}`
    : nameOf(first.phase);
};

/** Steps along the year from one phase to another, forwards or backwards, whichever is nearer. */
function stepsFrom(phases: readonly Phase[], from: Phase, to: Phase): number {
  const around = (phases.indexOf(to) - phases.indexOf(from) + phases.length) % phases.length;
  return around > phases.length / 2 ? around - phases.length : around;
}

interface Standing {
  readonly phase: Phase;
  readonly zones: SeasonZone[];
}

/** Zones by the phase they stand in, the largest group first. */
function standings(year: SeasonYear): Standing[] {
  const groups = new Map<Phase, Standing>();
  for (const zone of year.zones) {
    const phase = (phaseShares(zone, year.today)[0] as { phase: Phase }).phase;
    const group = groups.get(phase);
    if (group) group.zones.push(zone);
    else groups.set(phase, { phase, zones: [zone] });
  }
  const found = [...groups.values()];
  const { phases } = (year.zones[0] as SeasonZone).phases;
  // Of groups of one size the one in the middle of the year's order stands for the water.
  const apart = ({ phase }: Standing) =>
    found.reduce((sum, other) => sum + other.zones.length * Math.abs(stepsFrom(phases, phase, other.phase)), 0);
  return found.sort((a, b) => b.zones.length - a.zones.length || apart(a) - apart(b));
}

/** The next phase of a zone and when it is expected: `spawn about 12 April`; null where that is too far off to tell. */
export function sayComing({ coming }: SeasonZone, today: number): string | null {
  const { phase, earliest, likely, latest } = coming;
  if (earliest === null || earliest - today > LOOK_AHEAD_DAYS) return null;
  const next = nameOf(phase);
  if (latest === null) return `${next} on ${sayDay(earliest)} at the earliest`;
  // A day either way is no range worth telling.
  if (latest - earliest <= 2) return `${next} about ${sayDay(likely ?? earliest)}`;
  return `${next} between ${sayDay(earliest)} and ${sayDay(latest)}${likely === null ? '' : `, likely ${sayDay(likely)}`}`;
}

/**
 * The answer of the season in two sentences: what phase most of the water is in, where it is ahead and behind; what comes
 * next, where and when.
 */
export function seasonAnswer(year: SeasonYear, waterName: string): string {
  const [most, ...others] = standings(year) as [Standing, ...Standing[]];
  const { phases } = (most.zones[0] as SeasonZone).phases;
  const all = year.zones.length === most.zones.length;
  const where =
    year.zones.length === 1
      ? `on ${waterName}`
      : all
        ? `all over ${waterName}`
        : `in ${list(most.zones.map(({ name }) => name))}`;
  const parts = [`${capital(phaseWords(most.zones[0] as SeasonZone, year.today))} ${where}`];
  for (const { phase, zones } of others.sort(
    (a, b) => stepsFrom(phases, most.phase, b.phase) - stepsFrom(phases, most.phase, a.phase),
  )) {
    const ahead = stepsFrom(phases, most.phase, phase) > 0;
    const [verb, still] = [zones.length === 1 ? 'is' : 'are', ahead ? 'already' : 'still'];
    parts.push(
      `${list(zones.map(({ name }) => name))} ${verb} ${ahead ? 'ahead' : 'behind'}, ${still} in ${phaseWords(zones[0] as SeasonZone, year.today)}`,
    );
  }
  const soonest = year.zones
    .filter(({ coming }) => (coming.likely ?? coming.earliest) !== null)
    .sort(
      (a, b) => ((a.coming.likely ?? a.coming.earliest) as number) - ((b.coming.likely ?? b.coming.earliest) as number),
    );
  const [next] = soonest.flatMap((zone) => {
    const words = sayComing(zone, year.today);
    return words ? [`${zone.name} should reach ${words}`] : [];
  });
  return `${parts.join('; ')}.${next ? ` ${next}.` : ''}`;
}
