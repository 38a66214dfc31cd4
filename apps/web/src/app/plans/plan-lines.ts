import {
  headline,
  nameOf,
  say,
  sayRange,
  type Conditions,
  type Plan,
  type RecordVersion,
  type UnitSystem,
} from '@inky-shoal/core';
import {
  capital,
  FRONT_WORDS,
  LEVEL_WORDS,
  partOfDay,
  sayDepths,
  sayHours,
  sayList,
  sayTrend,
  sayWind,
  windowName,
} from '../sheet/words';
import { countWords } from '../record/record-words';
import { sayDate } from '../ui/dates';

/** One line of two plans beside one another. */
export interface Line {
  readonly label: string;
  readonly left: string;
  readonly right: string;
  readonly differs: boolean;
}

/** One plan told in lines: what was said of the day, what came of it by window, and the rest. */
interface PlanLines {
  readonly day: ReadonlyMap<string, string>;
  readonly windows: ReadonlyMap<string, string>;
  readonly rest: ReadonlyMap<string, string>;
}

/** A plan with what it was made from. */
export interface PlanToCompare {
  readonly conditions: Conditions;
  readonly plan: Plan;
  readonly engineVersion?: string;
  /** The record it was made with; by the rules alone where there is none. Not told where nobody asked for it. */
  readonly record?: RecordVersion | null;
}

const madeWith = (record: RecordVersion | null): string =>
  record
    ? `your record of ${countWords(record.trips, 'trip')}, the last on ${sayDate(record.lastTrip)}`
    : 'the rules alone';

/** One plan in lines. */
function toLines({ conditions, plan, engineVersion, record }: PlanToCompare, units: UnitSystem): PlanLines {
  const known = <T>(path: string, said: T | undefined): T | undefined =>
    said ?? (plan.assumed.find((each) => each.path === path)?.value as T | undefined);
  const trend = known('tempTrendCPerDay', conditions.tempTrendCPerDay);
  const seen = known('visibilityM', conditions.visibilityM);
  const wind = known('windMps', conditions.windMps);
  const day = new Map<string, string>([
    ['Answer', headline(plan, trend ?? 0, units)],
    ['Day', sayDate(conditions.date)],
    [
      'Water',
      `${say('temp', conditions.surfaceTempC, units)}${trend === undefined ? '' : `, ${sayTrend(trend, units)}`}`,
    ],
    ['Clarity', seen === undefined ? '' : say('depth', seen, units)],
    ['Sky', nameOf(known('sky', conditions.sky) ?? '')],
    ['Wind', wind === undefined ? '' : sayWind(wind, conditions.windFromDeg, units)],
    ['Front', FRONT_WORDS[known('front', conditions.front) ?? 'stable']],
    ['Level', LEVEL_WORDS[known('level', conditions.level) ?? 'stable']],
  ]);
  const windows = new Map<string, string>();
  for (const window of plan.windows) {
    const [first, second] = window.presentations;
    if (!first) continue;
    const waits = first.retrieve.pauseS ? `, wait ${first.retrieve.pauseS.join(' to ')} s` : '';
    const depth = sayDepths(first.runDepthM, units);
    const size = sayRange('length', first.size.lengthMm, units);
    const colour = `${first.colour.tone}: ${sayList(first.colour.families)}`;
    windows.set(
      windowName(window, plan.windows),
      `${sayHours(window.from, window.to)}: ${nameOf(first.category)}, ${depth}${waits}, ${size}, ${colour}${second ? `; then ${nameOf(second.category)}` : ''}`,
    );
  }
  const grave = plan.cautions.filter(({ severity }) => severity !== 'advice').map(({ id }) => nameOf(id));
  const rest = new Map([
    ['Cautions', capital(grave.join(', ')) || 'None grave'],
    ...(record === undefined ? [] : [['Made with', madeWith(record)] as const]),
    ...(engineVersion ? [['Engine', engineVersion] as const] : []),
  ]);
  return { day, windows, rest };
}

/** Two plans in lines beside one another, the day first, then its windows in their order. */
export function linesOf(one: PlanToCompare, two: PlanToCompare, units: UnitSystem): Line[] {
  const [left, right] = [toLines(one, units), toLines(two, units)];
  const both = (part: keyof PlanLines) => [...new Set([...left[part].keys(), ...right[part].keys()])];
  const line = (part: keyof PlanLines) => (label: string) => {
    const [a, b] = [left[part].get(label) ?? '', right[part].get(label) ?? ''];
    return { label, left: a, right: b, differs: a !== b };
  };
  const byDay = (a: string, b: string) => partOfDay(a) - partOfDay(b);
  return [
    ...both('day').map(line('day')),
    ...both('windows').sort(byDay).map(line('windows')),
    ...both('rest').map(line('rest')),
  ];
}
