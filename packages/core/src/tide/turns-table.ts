import type { TideStation } from '../contract/tide.js';
import type { TideHeight, TideTurn } from './course.js';

type Told = NonNullable<TideStation['turns']>;

/** High and low water of a table within a stretch, in their order. */
export function tableTurns(turns: Told, startMs: number, endMs: number): TideTurn[] {
  return turns.flatMap(({ atMs, levelM }, at): TideTurn[] => {
    if (atMs < startMs || atMs >= endMs) return [];
    const other = turns[at + 1] ?? turns[at - 1];
    return [{ atMs, levelM, kind: levelM > (other?.levelM ?? levelM) ? 'high' : 'low' }];
  });
}

/**
 * Levels between the highs and lows of a table, step by step: half a cosine from each to the next, as tide tables
 * themselves advise. None beyond them.
 */
export function tableHeights(turns: Told, startMs: number, endMs: number, stepMs: number): TideHeight[] {
  const heights: TideHeight[] = [];
  let at = 1;
  for (let atMs = startMs; atMs < endMs; atMs += stepMs) {
    while (at < turns.length - 1 && (turns[at]?.atMs as number) < atMs) at++;
    const [from, to] = [turns[at - 1], turns[at]];
    if (!from || !to || atMs < from.atMs || atMs > to.atMs) continue;
    const share = (1 - Math.cos((Math.PI * (atMs - from.atMs)) / (to.atMs - from.atMs))) / 2;
    heights.push({ atMs, levelM: from.levelM + share * (to.levelM - from.levelM) });
  }
  return heights;
}

/** The greatest and the least range from one turn of a table to the next, metres. */
export function tableRangesM(turns: Told): { readonly springM: number; readonly neapM: number } {
  const ranges = turns.slice(1).map(({ levelM }, at) => Math.abs(levelM - (turns[at]?.levelM as number)));
  return { springM: Math.max(...ranges), neapM: Math.min(...ranges) };
}
