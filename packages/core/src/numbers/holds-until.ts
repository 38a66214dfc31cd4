/** How far something holds, as shares of a way: the last that was seen to hold, and the first that was seen not to. */
export interface HoldsUntil {
  readonly stands: number;
  /** Null where it holds to the end. */
  readonly tips: number | null;
}

/**
 * Goes along a way by steps until something does not hold any more, then halves the step to where that is (bisection).
 * @param holds asked of shares of the way, over 0 to 1; it is taken to hold at 0
 */
export function holdsUntil(holds: (share: number) => boolean, steps: number, halvings: number): HoldsUntil {
  let stands = 0;
  for (let step = 1; step <= steps; step++) {
    let tips = step / steps;
    if (holds(tips)) {
      stands = tips;
      continue;
    }
    for (let round = 0; round < halvings; round++) {
      const middle = (stands + tips) / 2;
      if (holds(middle)) stands = middle;
      else tips = middle;
    }
    return { stands, tips };
  }
  return { stands, tips: null };
}
