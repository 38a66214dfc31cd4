import type { Shape } from '../chart/grid.js';
import type { WaysOut } from '../chart/ways-out.js';
import type { Stretch } from './run.js';

/** When a boat that lies at a place gets back to the ramp. */
export interface WayHome {
  readonly cell: number;
  readonly lengthM: number;
  /** Minutes from leaving the place until the shallowest ground of the way is behind. */
  readonly barAwayMin: number;
  /** When one may leave and still get over it: a stretch that ends before the day does shuts. */
  readonly open: readonly Stretch[];
}

/** A level of the day: how far the water stands under that at which the bed was read. */
export interface Drop {
  readonly minute: number;
  readonly dropM: number;
}

/** Water that is wanted under the keel: what a chart's bed and a table's level may be off together. */
export const UNDER_KEEL_M = 0.15;

/** A boat lies off the place that it fishes, by a cast at most, metres. */
const CAST_M = 25;

/** Where the boat lies that fishes a place: within a cast, where the way out stays open longest, and there the nearest. */
export function lieOf({ cols, rows, cellM }: Shape, { barM }: Pick<WaysOut, 'barM'>, cell: number): number {
  const reach = Math.floor(CAST_M / cellM);
  const [col, row] = [cell % cols, Math.floor(cell / cols)];
  let best = cell;
  let nearest = 0;
  for (let y = Math.max(0, row - reach); y <= Math.min(rows - 1, row + reach); y++) {
    for (let x = Math.max(0, col - reach); x <= Math.min(cols - 1, col + reach); x++) {
      const away = Math.hypot(x - col, y - row);
      const more = (barM[y * cols + x] as number) - (barM[best] as number);
      if (away > reach || more < 0 || (more === 0 && away >= nearest)) continue;
      best = y * cols + x;
      nearest = away;
    }
  }
  return best;
}

/** Straight between levels, level beyond them. */
function dropAt(drops: readonly Drop[], minute: number): number {
  const next = drops.findIndex((each) => each.minute >= minute);
  const after = drops[next] ?? (drops.at(-1) as Drop);
  const before = drops[next - 1] ?? after;
  const span = after.minute - before.minute;
  return span > 0 ? before.dropM + ((after.dropM - before.dropM) * (minute - before.minute)) / span : after.dropM;
}

/**
 * When a boat can leave a place for the ramp, over the course of the day's levels: it reaches the shallowest ground of
 * the way some minutes after it left, and must find its draught and some water under the keel there. By the minute.
 * @param drops of the day, ascending
 */
export function wayHome(
  { barM, barCell, lengthM }: WaysOut,
  cell: number,
  { drops, draughtM, speedMps }: { drops: readonly Drop[]; draughtM: number; speedMps: number },
): WayHome {
  const own = lengthM[cell] as number;
  const bar = barCell[cell] as number;
  const barAwayMin = bar < 0 ? 0 : (own - (lengthM[bar] as number)) / speedMps / 60;
  const spareM = (barM[cell] as number) - draughtM - UNDER_KEEL_M;
  const [first, last] = [drops[0]?.minute ?? 0, drops.at(-1)?.minute ?? 0];
  const open: Stretch[] = [];
  let since: number | undefined;
  for (let minute = first; minute <= last + 1; minute++) {
    const passes = minute <= last && spareM >= dropAt(drops, minute + barAwayMin);
    if (passes) since ??= minute;
    else if (since !== undefined) {
      open.push({ fromMin: since, toMin: minute - 1 });
      since = undefined;
    }
  }
  return { cell, lengthM: own, barAwayMin, open };
}

/** When one may lie at a place: in over the shallowest ground after it opened, and out again before it shuts. */
export function staysWithin({ open, barAwayMin }: WayHome, { fromMin, toMin }: Stretch): Stretch[] {
  return open.flatMap((each): Stretch[] => {
    // It opens when the first boat out gets over; one that comes in then has the rest of the way before it.
    const inAt = each.fromMin <= fromMin ? fromMin : Math.ceil(each.fromMin + 2 * barAwayMin);
    const outAt = Math.min(toMin, each.toMin);
    return outAt > inAt ? [{ fromMin: inAt, toMin: outAt }] : [];
  });
}
