import SplayTree from 'splaytree';

type Point = readonly [x: number, y: number];

/** Which side of the line from a to b a point lies on: over 0 to its left, under 0 to its right. */
const side = ([ax, ay]: Point, [bx, by]: Point, [px, py]: Point): number =>
  (bx - ax) * (py - ay) - (by - ay) * (px - ax);

const byPlace = (a: Point, b: Point): number => a[0] - b[0] || a[1] - b[1];

/** A side of a ring, from its western end on; of two at one longitude from the southern. */
interface Side {
  /** Which side of the ring it is, from 0. */
  readonly index: number;
  readonly west: Point;
  readonly east: Point;
}

const cross = ({ west: a, east: b }: Side, { west: c, east: d }: Side): boolean =>
  side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;

/** Which of two sides lies farther south where both are swept. */
function fromSouth(a: Side, b: Side): number {
  if (a === b) return 0;
  const later = byPlace(a.west, b.west);
  const [first, second, sign] = later >= 0 ? [b, a, 1] : [a, b, -1];
  const above = side(first.west, first.east, second.west) || side(first.west, first.east, second.east);
  return above ? Math.sign(above) * sign : a.index - b.index;
}

interface Stop {
  readonly at: Point;
  readonly begins: boolean;
  readonly of: Side;
}

/**
 * Where a ring crosses itself: the numbers of the points, from 1, with which the two sides begin; null where it does
 * not. A line sweeps from west to east over the sides, kept in their order from south to north; two that cross are
 * neighbours before they do (Shamos & Hoey 1976), so that a ring of n points takes n log n steps whatever its shape.
 */
export function crossingIn(ring: readonly Point[]): [number, number] | null {
  const sides = ring.slice(1).flatMap((to, index): Side[] => {
    const from = ring[index] as Point;
    const order = byPlace(from, to);
    if (!order) return [];
    return [order < 0 ? { index, west: from, east: to } : { index, west: to, east: from }];
  });
  const stops = sides
    .flatMap((of): Stop[] => [
      { at: of.west, begins: true, of },
      { at: of.east, begins: false, of },
    ])
    // What ends at a point makes way before what begins there.
    .sort((a, b) => byPlace(a.at, b.at) || Number(a.begins) - Number(b.begins));
  const swept = new SplayTree<Side, undefined>(fromSouth as never);
  const told = (a: Side | undefined, b: Side | undefined): [number, number] | null =>
    a && b && cross(a, b) ? [Math.min(a.index, b.index) + 1, Math.max(a.index, b.index) + 1] : null;
  for (const { begins, of } of stops) {
    const node = begins ? swept.insert(of) : swept.find(of);
    if (!node) continue;
    const south = swept.prev(node)?.key;
    const north = swept.next(node)?.key;
    const found = begins ? (told(south, of) ?? told(of, north)) : told(south, north);
    if (found) return found;
    if (!begins) swept.remove(of);
  }
  return null;
}
