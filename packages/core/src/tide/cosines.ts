/** One cosine of a tide over a stretch of time, its nodal corrections in it: metres, radians an hour, radians at its start. */
export interface Cosine {
  readonly amplitudeM: number;
  readonly speedPerHour: number;
  readonly phase: number;
}

/** A high or low, hours after the start of its stretch, metres about the mean. */
export interface CosineTurn {
  readonly hour: number;
  readonly levelM: number;
  readonly isHigh: boolean;
}

/** A turn is found to half a second. */
const CLOSE_H = 0.5 / 3600;
/** Steps towards it at most; each more than doubles the right digits. */
const MOST_STEPS = 8;
/** Rises and falls under this are no tide, metres. */
const LEAST_RISE_M = 0.01;
const levelAt = (cosines: readonly Cosine[], hour: number): number =>
  cosines.reduce(
    (sum, { amplitudeM, speedPerHour, phase }) => sum + amplitudeM * Math.cos(speedPerHour * hour + phase),
    0,
  );

/** How fast the level changes at an hour, and how fast that does. */
function rateAt(cosines: readonly Cosine[], hour: number): readonly [rate: number, bend: number] {
  let [rate, bend] = [0, 0];
  for (const { amplitudeM, speedPerHour, phase } of cosines) {
    const at = speedPerHour * hour + phase;
    const pace = amplitudeM * speedPerHour;
    rate -= pace * Math.sin(at);
    bend -= pace * speedPerHour * Math.cos(at);
  }
  return [rate, bend];
}

/** Rates in even steps, each cosine carried on from its last two values: 2 cos(d) cos(a) − cos(a − d) is cos(a + d). */
function ratesInSteps(cosines: readonly Cosine[], fromH: number, stepH: number, count: number): Float64Array {
  const rates = new Float64Array(count);
  for (const { amplitudeM, speedPerHour, phase } of cosines) {
    const at = speedPerHour * fromH + phase;
    const turn = speedPerHour * stepH;
    const pace = -amplitudeM * speedPerHour;
    const twice = 2 * Math.cos(turn);
    let before = pace * Math.sin(at - turn);
    let now = pace * Math.sin(at);
    for (let step = 0; step < count; step++) {
      rates[step] = (rates[step] as number) + now;
      [before, now] = [now, twice * now - before];
    }
  }
  return rates;
}

/** The hour between two at which the level turns: Newton's steps, and half of what is left where one leaves it. */
function turnBetween(cosines: readonly Cosine[], fromH: number, toH: number, rateFrom: number, rateTo: number): number {
  let [low, high] = [fromH, toH];
  let hour = fromH + ((toH - fromH) * rateFrom) / (rateFrom - rateTo);
  for (let step = 0; step < MOST_STEPS; step++) {
    const [rate, bend] = rateAt(cosines, hour);
    if (rate > 0 === rateFrom > 0) low = hour;
    else high = hour;
    const wanted = hour - rate / bend;
    const next = wanted > low && wanted < high ? wanted : (low + high) / 2;
    if (Math.abs(next - hour) < CLOSE_H) return next;
    hour = next;
  }
  return hour;
}

/**
 * Turns without the ripples: while one rises less than a centimetre from a neighbour, the least of them goes, and of its
 * neighbours the one that stands no higher or lower than it.
 */
export function withoutRipples<T extends { readonly levelM: number }>(turns: readonly T[]): T[] {
  const left = [...turns];
  for (;;) {
    let least = -1;
    let leastRiseM = LEAST_RISE_M;
    for (let at = 2; at < left.length - 1; at++) {
      const riseM = Math.abs((left[at] as T).levelM - (left[at - 1] as T).levelM);
      if (riseM < leastRiseM) [least, leastRiseM] = [at, riseM];
    }
    if (least < 0) return left;
    left.splice(least - 1, 2);
  }
}

/**
 * Turns of a sum of cosines between two hours of its stretch. It is looked at in eighths of the fastest one's period: what
 * turns twice within one of them is a ripple of less than is kept.
 */
export function turnsOf(cosines: readonly Cosine[], fromH: number, toH: number): CosineTurn[] {
  const fastest = cosines.reduce((most, { speedPerHour }) => Math.max(most, speedPerHour), 0);
  if (fastest === 0 || toH <= fromH) return [];
  const count = Math.ceil((toH - fromH) / (Math.PI / (4 * fastest)));
  const stepH = (toH - fromH) / count;
  const rates = ratesInSteps(cosines, fromH, stepH, count + 1);
  const turns: CosineTurn[] = [];
  for (let step = 0; step < count; step++) {
    const [before, after] = [rates[step] as number, rates[step + 1] as number];
    if (before > 0 === after > 0) continue;
    const hour = turnBetween(cosines, fromH + step * stepH, fromH + (step + 1) * stepH, before, after);
    turns.push({ hour, levelM: levelAt(cosines, hour), isHigh: before > 0 });
  }
  return turns;
}
