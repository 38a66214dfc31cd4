import type { TideStation } from '../../contract/tide.js';
import { looksLikeDate, momentOf, type DateOrder } from '../moments.js';
import { figureIn, type TextTable } from '../table.js';

/** The moon brings a high or low every six hours or so, and no coast has them nearer than this or farther apart, hours. */
const APART_H = [1.5, 20] as const;
const HOUR_MS = 3_600_000;

const TITLES = {
  date: /date|day/i,
  time: /time|clock|hour/i,
  height: /height|level|pred|water|elev/i,
} as const;

/** Columns of a table of highs and lows; null where it is none. */
export function turnColumns({ header, lines }: Pick<TextTable, 'header' | 'lines'>) {
  if (!header) return null;
  const find = (title: RegExp, not = -1) => header.findIndex((each, at) => at !== not && title.test(each));
  const height = find(TITLES.height);
  const dated = find(TITLES.date);
  const date = dated >= 0 ? dated : header.findIndex((_, at) => looksLikeDate(lines[0]?.cells[at] ?? ''));
  if (height < 0 || date < 0) return null;
  return { date, time: find(TITLES.time, date), height };
}

/** How a table of highs and lows is read. */
export interface TurnsContext {
  /** The clock that its times are by. */
  readonly timeZone: string;
  readonly order: DateOrder;
  /** Metres in one of what its heights are in. */
  readonly metres: number;
}

type Turns = NonNullable<TideStation['turns']>;

/** What is wrong with a table, in a sentence, and how many of its lines were right. */
export interface TurnsProblem {
  readonly problem: string;
  readonly read: number;
}

/** High and low water in turn, out of a table; what is wrong where something in it is not right. */
export function readTurns(
  { lines, decimalComma }: TextTable,
  columns: NonNullable<ReturnType<typeof turnColumns>>,
  { timeZone, order, metres }: TurnsContext,
): Turns | TurnsProblem {
  const turns: { atMs: number; levelM: number }[] = [];
  const wrong = (problem: string): TurnsProblem => ({ problem, read: turns.length });
  for (const { line, cells } of lines) {
    const written = cells[columns.date] ?? '';
    const time = columns.time < 0 ? undefined : cells[columns.time];
    const at = momentOf(written, time, order, timeZone);
    const height = figureIn(cells[columns.height] ?? '', decimalComma);
    if (at === undefined || height === undefined) {
      return wrong(`line ${line}: expected a date, a time and a height, got "${cells.join(' ').slice(0, 30)}"`);
    }
    const [atMs, levelM] = [Date.parse(at), Number((height * metres).toFixed(4))];
    const before = turns.at(-1);
    if (before) {
      const hours = (atMs - before.atMs) / HOUR_MS;
      if (hours <= 0)
        return wrong(
          `line ${line}: expected highs and lows in the order of their times, got ${[written, time].filter(Boolean).join(' ')}`,
        );
      if (hours < APART_H[0] || hours > APART_H[1]) {
        return wrong(
          `line ${line}: expected high and low water some hours apart, got ${hours.toFixed(1)} h: is one missing?`,
        );
      }
      const rose = turns.length > 1 ? before.levelM - (turns.at(-2)?.levelM as number) : 0;
      if (rose * (levelM - before.levelM) > 0 || levelM === before.levelM) {
        return wrong(
          `line ${line}: expected high and low water in turn, got two ${rose > 0 ? 'highs' : 'lows'} on end`,
        );
      }
    }
    turns.push({ atMs, levelM });
  }
  return turns.length >= 2 ? turns : wrong('expected at least two highs and lows');
}
