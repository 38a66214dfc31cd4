/** A box on the canvas, in its pixels. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export const meet = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** How far words keep from a line, in pixels. */
export const MARGIN = 5;

/** The stretches of a window between the lines that cross it, widest first. @param lines where they stand across */
export function cellsOf(from: number, to: number, lines: readonly number[]): [left: number, right: number][] {
  const edges = [from, ...lines.filter((x) => x > from && x < to).sort((a, b) => a - b), to];
  return edges
    .slice(1)
    .map((right, index): [number, number] => [edges[index] as number, right])
    .sort((a, b) => b[1] - b[0] - (a[1] - a[0]));
}

/**
 * Where words stand by their stroke, so that they cross no line and no other words; undefined where there is no room.
 * @param size of the words
 * @param cells the stretches across that they may stand in, the best first
 * @param tops where their upper edge may be, the best first
 * @param free whether nothing else stands in a box
 */
export function placeOf(
  size: { readonly width: number; readonly height: number },
  stroke: Box,
  cells: readonly (readonly [left: number, right: number])[],
  tops: readonly number[],
  free: (box: Box) => boolean,
): Box | undefined {
  for (const [left, right] of cells) {
    const room = right - left - 2 * MARGIN;
    if (size.width > room) continue;
    const x = Math.min(Math.max(left + MARGIN, stroke.left), right - MARGIN - size.width);
    for (const top of tops) {
      const box = { left: x, right: x + size.width, top, bottom: top + size.height };
      if (free(box)) return box;
    }
  }
  return undefined;
}
