/** The fish in the box. */
export interface Box {
  /** Sizes that count, the best first; grams or millimetres, as the competition counts. */
  readonly best: readonly number[];
  readonly total: number;
  /** Fish that are missing to the limit. */
  readonly missing: number;
  /** What the next fish must beat to count; null where any counts, or none can any more. */
  readonly toBeat: number | null;
  /** No fish that comes now can count: the box is full, and none may be let go for a better one. */
  readonly isClosed: boolean;
}

/**
 * The best fish that count.
 * @param sizes in the order in which they came
 * @param culling whether a smaller one may be let go for a better one; else the first that came stay
 * @example
 * boxOf([900, 1500, 700], 2, true).toBeat // => 900
 */
export function boxOf(sizes: readonly number[], limit: number, culling: boolean): Box {
  const kept = culling ? [...sizes].sort((a, b) => b - a).slice(0, limit) : sizes.slice(0, limit);
  const best = [...kept].sort((a, b) => b - a);
  const isFull = best.length >= limit;
  return {
    best,
    total: best.reduce((sum, size) => sum + size, 0),
    missing: limit - best.length,
    toBeat: isFull && culling ? (best.at(-1) as number) : null,
    isClosed: isFull && !culling,
  };
}
