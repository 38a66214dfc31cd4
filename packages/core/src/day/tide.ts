import type { TideStage } from '../contract/ids.js';
import { SLACK_SHARE, type LevelAtMinute } from './level.js';
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

/** A level of the tide at a clock time, and how hard the stream runs then, where that is known by itself. */
export interface TideLevel {
  readonly at: string;
  readonly levelM: number;
  /** Of the strongest at springs: over 0 with the flood, under 0 with the ebb. */
  readonly run?: number | undefined;
}

/** High or low water of a day, minutes past its midnight. */
export interface TideTurnAt {
  readonly minute: number;
  readonly levelM: number;
  readonly kind: 'high' | 'low';
}

/** A stretch between two levels. */
export interface TideLeg {
  readonly fromMin: number;
  readonly toMin: number;
  /** How hard it runs, of the day's hardest: over 0 with the flood, under 0 with the ebb. */
  readonly run: number;
  readonly middleM: number;
}

/** The tide of a day: its levels, where it turns, and how it runs. */
export interface DayTide {
  readonly levels: readonly LevelAtMinute[];
  readonly turns: readonly TideTurnAt[];
  readonly legs: readonly TideLeg[];
  /** Where the stream turns, minutes past midnight: with the level, or later where it is told by itself. */
  readonly streamTurnsMin: readonly number[];
  /** The middle of its table: what depths of a water are told of. */
  readonly middleM: number;
  /** How far its levels stand over its table, metres. */
  readonly overM: number;
}

type LevelAt = LevelAtMinute & { readonly run: number | undefined };

/** Between the levels: how hard it runs as told, else as fast as the level changes. */
function legsOf(levels: readonly LevelAt[]): TideLeg[] {
  const isTold = levels.every(({ run }) => run !== undefined);
  const legs = levels.slice(1).map((to, index) => {
    const from = levels[index] as LevelAt;
    const run = isTold
      ? ((from.run as number) + (to.run as number)) / 2
      : (to.levelM - from.levelM) / (to.minute - from.minute);
    return { fromMin: from.minute, toMin: to.minute, run, middleM: (from.levelM + to.levelM) / 2 };
  });
  const hardest = Math.max(...legs.map(({ run }) => Math.abs(run)));
  return hardest > 0 ? legs.map((leg) => ({ ...leg, run: leg.run / hardest })) : legs;
}

/**
 * The tide of a day by its levels. Levels that only begin or end at their highest or lowest do not turn there.
 * @param overM how far they stand over their table
 */
export function dayTide(given: readonly TideLevel[], overM = 0): DayTide {
  const minutes = minutesAlong(given.map(({ at }) => at));
  const levels = given.map(({ levelM, run }, index) => ({ minute: minutes[index] as number, levelM, run }));
  const turns: TideTurnAt[] = [];
  let way = 0;
  let since = levels[0] as LevelAt;
  levels.slice(1).forEach((level, index) => {
    const before = levels[index] as LevelAt;
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
  const told = levels.slice(1).flatMap((to, index) => {
    const { run = 0, minute } = levels[index] as LevelAt;
    return to.run !== undefined && run * to.run < 0 ? minute + ((to.minute - minute) * run) / (run - to.run) : [];
  });
  return {
    levels,
    turns,
    legs: legsOf(levels),
    streamTurnsMin: levels.some(({ run }) => run !== undefined) ? told : turns.map(({ minute }) => minute),
    middleM: levels.reduce((sum, { levelM }) => sum + levelM, 0) / levels.length - overM,
    overM,
  };
}

/** The stage of the tide at a minute of the day, from its levels by the hour: straight between them, slack by its pace. */
export function tideAt(
  { levels, legs }: Pick<DayTide, 'levels' | 'legs'>,
  minute: number,
): { readonly stage: TideStage; readonly hoursIntoStage: number; readonly rangeM: number; readonly run: number } {
  const heights = levels.map(({ levelM }) => levelM);
  const [lowM, highM] = [Math.min(...heights), Math.max(...heights)];
  const stageOf = ({ run, middleM }: TideLeg): TideStage => {
    if (Math.abs(run) <= SLACK_SHARE) return middleM > (lowM + highM) / 2 ? 'high-slack' : 'low-slack';
    return run > 0 ? 'rising' : 'falling';
  };
  const found = legs.findIndex(({ toMin }) => minute < toMin);
  const at = found === -1 ? legs.length - 1 : found;
  const { run } = legs[at] as TideLeg;
  const stage = stageOf(legs[at] as TideLeg);
  let first = at;
  while (first > 0 && stageOf(legs[first - 1] as TideLeg) === stage) first--;
  const since = Math.max(0, minute - (legs[first] as TideLeg).fromMin);
  return { stage, hoursIntoStage: since / 60, rangeM: highM - lowM, run: Math.abs(run) };
}
