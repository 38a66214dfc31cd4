/** High or low water. */
export interface TideTurn {
  readonly atMs: number;
  readonly levelM: number;
  readonly kind: 'high' | 'low';
}

/** A level at an instant, metres over the datum. */
export interface TideHeight {
  readonly atMs: number;
  readonly levelM: number;
}
