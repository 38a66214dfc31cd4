import type { Shape } from '../chart/grid.js';
import { waterWays } from '../chart/ways.js';
import { bestRun, type Run, type RunSpot } from './run.js';
import { staysWithin, type WayHome } from './way-home.js';

export interface RunRequest {
  /** Cells of the spots, and minutes to fish at each. */
  readonly spots: readonly { readonly cell: number; readonly minutes: number }[];
  /** Where the boat starts, and where it ends if not there, in degrees. */
  readonly ramp: readonly [longitude: number, latitude: number];
  readonly endRamp?: readonly [longitude: number, latitude: number] | undefined;
  readonly speedMps: number;
  /** What the boat draws: on tidal water no stop is put where it could not get out again. */
  readonly draughtM?: number | undefined;
  readonly startMin: number;
  readonly endMin: number;
}

/** A run with the ways between its stops, in degrees: to each stop, and last to the ramp where it ends. */
export interface PlacedRun extends Run {
  readonly legs: readonly { readonly lengthM: number; readonly line: readonly (readonly [number, number])[] }[];
  /** Places in the list asked for that were left out. */
  readonly left: readonly number[];
  /** Those of them from which the falling water would keep the boat. */
  readonly cutOff: readonly number[];
  /** Until when the way out of each stop is open, where it shuts before the run is over; minutes past midnight. */
  readonly outByMin: readonly (number | null)[];
}

/** What a run is ordered over. */
interface RunGround {
  readonly shape: Shape;
  readonly depthM: Float32Array;
  /** Cells where the boat starts and ends. */
  readonly start: number;
  readonly end: number;
  /** How good each spot is over the day. */
  readonly goodness: readonly RunSpot['goodness'][];
  /** When each spot can be left for the end, where the tide has a say in it. */
  readonly homes: readonly WayHome[] | undefined;
  readonly lonLat: (cell: number) => [number, number];
}

/** Orders a day over chosen spots, by water, none of them where the boat could not get out again. */
export function placeRun(
  { spots, speedMps, startMin, endMin }: RunRequest,
  { shape, depthM, start, end, goodness, homes, lonLat }: RunGround,
): PlacedRun {
  const cells = spots.map(({ cell }) => cell);
  const ways = waterWays(shape, depthM, [...cells, start, end]);
  const travelMin = ways.metres.map((row) => row.map((metres) => Math.ceil(metres / speedMps / 60)));
  const day = { fromMin: startMin, toMin: endMin };
  const stays = cells.map((_, at) => (homes ? staysWithin(homes[at] as WayHome, day) : [day]));
  const run = bestRun({
    spots: spots.map(({ minutes }, at) => ({
      minutes,
      goodness: goodness[at] ?? [],
      // A place from which there is no way home opens for no stay at all.
      open: stays[at],
    })),
    travelMin,
    startMin,
    endMin,
  });
  const order = run.stops.map(({ spot }) => spot);
  const legs = [...order, cells.length + 1].map((to, index) => {
    const from = order[index - 1] ?? cells.length;
    return { lengthM: ways.metres[from]?.[to] ?? 0, line: ways.path(from, to).map(lonLat) };
  });
  const left = cells.map((_, spot) => spot).filter((spot) => !order.includes(spot));
  const fits = (spot: number) => {
    return stays[spot]?.some(({ fromMin, toMin }) => toMin - fromMin >= (spots[spot]?.minutes ?? 0));
  };
  return {
    ...run,
    legs,
    left,
    cutOff: left.filter((spot) => !fits(spot)),
    outByMin: run.stops.map(({ spot, toMin }) => {
      const until = homes?.[spot]?.open.find((each) => each.fromMin <= toMin && toMin <= each.toMin)?.toMin;
      return until !== undefined && until < endMin ? until : null;
    }),
  };
}
