import type { TripEvent } from '../contract/trips.js';

/** An event with the moment at which it happened, its device's clock put right. */
export interface Timed<E extends TripEvent = TripEvent> {
  readonly event: E;
  readonly atMs: number;
}

/** All devices' events in one order, and the devices whose clocks were not to be believed throughout. */
export interface Timeline {
  readonly events: readonly Timed[];
  readonly wrongClocks: ReadonlySet<string>;
}

/**
 * Places of a longest run of values that never falls (patience sorting; Fredman 1975). A clock that was set back for a
 * while, or ahead for a while, is wrong in the fewest places that way.
 */
function steadyRun(values: readonly number[]): Set<number> {
  /** The last place of the best run of each length, and what stood before each place. */
  const tails: number[] = [];
  const before = new Int32Array(values.length).fill(-1);
  values.forEach((value, at) => {
    let [low, high] = [0, tails.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((values[tails[middle] as number] as number) <= value) low = middle + 1;
      else high = middle;
    }
    if (low > 0) before[at] = tails[low - 1] as number;
    tails[low] = at;
  });
  const run = new Set<number>();
  for (let at = tails.at(-1) ?? -1; at >= 0; at = before[at] as number) run.add(at);
  return run;
}

/** One device's events in its own order, each at a believable moment. */
function ofDevice(events: readonly TripEvent[]): { timed: Timed[]; wrong: boolean } {
  const inOrder = [...events].sort((a, b) => a.seq - b.seq || (a.id < b.id ? -1 : 1));
  const told = inOrder.map(({ at }) => Date.parse(at));
  const believed = steadyRun(told);
  // The run was put together from its end: what came last into it stands first.
  const firstMs = told[[...believed].at(-1) ?? 0] ?? 0;
  let lastMs = firstMs;
  const timed = inOrder.map((event, at): Timed => {
    // What cannot be believed happened right after what came before it.
    lastMs = believed.has(at) ? (told[at] as number) : lastMs;
    return { event, atMs: lastMs };
  });
  return { timed, wrong: believed.size < told.length };
}

/**
 * Puts the events of a trip in one order, whichever device made them and however often they came: the same id is the
 * same event. On each device they stand as it counted them, so a clock that was set back turns nothing round.
 */
export function timelineOf(events: readonly TripEvent[]): Timeline {
  const byDevice = new Map<string, Map<string, TripEvent>>();
  for (const event of events) {
    const own = byDevice.get(event.deviceId) ?? new Map<string, TripEvent>();
    if (!own.has(event.id)) own.set(event.id, event);
    byDevice.set(event.deviceId, own);
  }
  const wrongClocks = new Set<string>();
  const all: Timed[] = [];
  for (const [deviceId, own] of byDevice) {
    const { timed, wrong } = ofDevice([...own.values()]);
    if (wrong) wrongClocks.add(deviceId);
    all.push(...timed);
  }
  all.sort(
    (a, b) =>
      a.atMs - b.atMs ||
      (a.event.deviceId === b.event.deviceId
        ? a.event.seq - b.event.seq
        : a.event.deviceId < b.event.deviceId
          ? -1
          : 1),
  );
  return { events: all, wrongClocks };
}
