type Point = readonly [x: number, y: number];

/** Which side of the line from a to b a point lies on: over 0 to its left, under 0 to its right. */
const side = ([ax, ay]: Point, [bx, by]: Point, [px, py]: Point): number =>
  (bx - ax) * (py - ay) - (by - ay) * (px - ax);

const crosses = (a: Point, b: Point, c: Point, d: Point): boolean =>
  side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;

/**
 * Where a ring crosses itself: the numbers of the points, from 1, with which the two sides begin; null where it does
 * not. Sides are swept from west to east, so that only those beside one another are compared.
 */
export function crossingIn(ring: readonly Point[]): [number, number] | null {
  const sides = ring.slice(1).map((to, index) => {
    const from = ring[index] as Point;
    return { index, from, to, west: Math.min(from[0], to[0]), east: Math.max(from[0], to[0]) };
  });
  sides.sort((a, b) => a.west - b.west);
  let open: typeof sides = [];
  for (const each of sides) {
    open = open.filter(({ east }) => east >= each.west);
    for (const other of open) {
      if (crosses(each.from, each.to, other.from, other.to)) {
        const [first, second] = each.index < other.index ? [each.index, other.index] : [other.index, each.index];
        return [first + 1, second + 1];
      }
    }
    open.push(each);
  }
  return null;
}
