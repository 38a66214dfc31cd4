import type { TideStage } from '../contract/ids.js';
import { minutesAlong } from './windows.js';

/** A tide as it stands at one moment. */
export interface TideNow {
  readonly stage: TideStage;
  readonly hoursIntoStage?: number | undefined;
  /** Between low and high water, metres. */
  readonly rangeM?: number | undefined;
}

/** From one slack to the next: half the principal lunar tide's 12.42 hours. */
const HALF_TIDE_MIN = 372.6;

/**
 * How far the water stands over its middle level some minutes after a tide was told, metres: one cosine between the
 * slacks, which the rule of twelfths follows in steps.
 */
export function tideAboveM({ stage, hoursIntoStage = 0, rangeM = 0 }: TideNow, minutesLater: number): number {
  const into = ((hoursIntoStage * 60 + minutesLater) / HALF_TIDE_MIN) * Math.PI;
  const fallingFromHigh = (rangeM / 2) * Math.cos(into);
  return stage === 'falling' || stage === 'high-slack' ? fallingFromHigh : -fallingFromHigh;
}

/** A level of the tide at a clock time. */
export interface TideLevel {
  readonly at: string;
  readonly levelM: number;
}

/** Slack is where the tide runs less than this share of its fastest. */
const SLACK_SHARE = 0.25;

/** High or low water of a day, minutes past its midnight. */
export interface TideTurnAt {
  readonly minute: number;
  readonly levelM: number;
  readonly kind: 'high' | 'low';
}

/** The tide of a day: its levels, and where it turns. */
export interface DayTide {
  readonly levels: readonly { readonly minute: number; readonly levelM: number }[];
  readonly turns: readonly TideTurnAt[];
  /** The mean of its levels: what depths of a water are told of. */
  readonly middleM: number;
}

/** The tide of a day by its levels. Levels that only begin or end at their highest or lowest do not turn there. */
export function dayTide(given: readonly TideLevel[]): DayTide {
  const minutes = minutesAlong(given.map(({ at }) => at));
  const levels = given.map(({ levelM }, index) => ({ minute: minutes[index] as number, levelM }));
  const turns: TideTurnAt[] = [];
  let way = 0;
  let since = levels[0] as (typeof levels)[number];
  levels.slice(1).forEach((level, index) => {
    const before = levels[index] as typeof level;
    const change = Math.sign(level.levelM - before.levelM);
    if (change === 0) return;
    // Water that stood turned in the middle of its standing.
    if (way !== 0 && change !== way) {
      turns.push({
        minute: (since.minute + before.minute) / 2,
        levelM: before.levelM,
        kind: way > 0 ? 'high' : 'low',
      });
    }
    way = change;
    since = level;
  });
  return { levels, turns, middleM: levels.reduce((sum, { levelM }) => sum + levelM, 0) / levels.length };
}

/** The level at a minute, straight between those told; at their ends as they end. */
export function levelAtM({ levels }: Pick<DayTide, 'levels'>, minute: number): number {
  const next = levels.findIndex((level) => level.minute >= minute);
  const after = levels[next] ?? (levels.at(-1) as (typeof levels)[number]);
  const before = levels[next - 1] ?? (next === -1 ? after : (levels[0] as typeof after));
  const part = after.minute > before.minute ? (minute - before.minute) / (after.minute - before.minute) : 0;
  return before.levelM + (after.levelM - before.levelM) * Math.min(1, Math.max(0, part));
}

/** The stage of the tide at a minute of the day, from its levels by the hour: straight between them, slack by its pace. */
export function tideAt(
  levels: readonly TideLevel[],
  minute: number,
): Required<TideNow> & { hoursIntoStage: number; rangeM: number } {
  const minutes = minutesAlong(levels.map(({ at }) => at));
  const points = levels.map(({ levelM }, index) => ({ at: minutes[index] as number, levelM }));
  const legs = points.slice(1).map((to, index) => {
    const from = points[index] as (typeof points)[number];
    return {
      from: from.at,
      to: to.at,
      slope: (to.levelM - from.levelM) / (to.at - from.at),
      middleM: (from.levelM + to.levelM) / 2,
    };
  });
  const heights = points.map(({ levelM }) => levelM);
  const [lowM, highM] = [Math.min(...heights), Math.max(...heights)];
  const fastest = Math.max(...legs.map(({ slope }) => Math.abs(slope)));
  const stageOf = ({ slope, middleM }: (typeof legs)[number]): TideStage => {
    if (Math.abs(slope) <= SLACK_SHARE * fastest) return middleM > (lowM + highM) / 2 ? 'high-slack' : 'low-slack';
    return slope > 0 ? 'rising' : 'falling';
  };
  const found = legs.findIndex(({ to }) => minute < to);
  const at = found === -1 ? legs.length - 1 : found;
  const stage = stageOf(legs[at] as (typeof legs)[number]);
  let first = at;
  while (first > 0 && stageOf(legs[first - 1] as (typeof legs)[number]) === stage) first--;
  const since = Math.max(0, minute - (legs[first] as (typeof legs)[number]).from);
  return { stage, hoursIntoStage: since / 60, rangeM: highM - lowM };
}
