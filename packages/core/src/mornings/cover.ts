/** Better by less than this is no better. */
export const BETTER = 0.03;
/** Exchanges end once none betters the whole by more than this. */
const LEAST_GAIN = 1e-9;

/**
 * What the best lure of an hour counts, and the second and third beside it: one is lost, or refused, and the next is fished.
 */
const COUNTS = [1, 0.2, 0.08] as const;
const DEEP = COUNTS.length;

/** The best few that some lures bring in each case, one case after another, best first. */
function topsOf(values: readonly Float64Array[], chosen: readonly number[], cases: number): Float64Array {
  const tops = new Float64Array(cases * DEEP);
  for (const at of chosen) addTo(tops, values[at] as Float64Array);
  return tops;
}

function addTo(tops: Float64Array, own: Float64Array): void {
  for (let index = 0; index < own.length; index++) {
    let value = own[index] as number;
    for (let place = index * DEEP; place < (index + 1) * DEEP && value > 0; place++) {
      const there = tops[place] as number;
      if (value > there) {
        tops[place] = value;
        value = there;
      }
    }
  }
}

/** What a lure adds to those that are chosen already. */
function gainOver(tops: Float64Array, own: Float64Array, shares: Float64Array): number {
  let gain = 0;
  for (let index = 0; index < own.length; index++) {
    let value = own[index] as number;
    for (let depth = 0; depth < DEEP && value > 0; depth++) {
      const there = tops[index * DEEP + depth] as number;
      if (value > there) {
        gain += (shares[index] as number) * (COUNTS[depth] as number) * (value - there);
        value = there;
      }
    }
  }
  return gain;
}

/** What some lures bring over all cases: the best at each hour, and a little for those behind it. */
export function aboardWorth(values: readonly Float64Array[], chosen: readonly number[], shares: Float64Array): number {
  const tops = topsOf(values, chosen, shares.length);
  return tops.reduce(
    (sum, value, place) =>
      sum + value * (COUNTS[place % DEEP] as number) * (shares[Math.floor(place / DEEP)] as number),
    0,
  );
}

/** Whether two cannot both be chosen. */
export type Bars = (one: number, other: number) => boolean;
const itself: Bars = (one, other) => one === other;

/** The one that adds most to those that are chosen; -1 where none adds anything. */
function bestToAdd(
  tops: Float64Array,
  values: readonly Float64Array[],
  shares: Float64Array,
  chosen: readonly number[],
  bars: Bars,
): readonly [pick: number, gain: number] {
  let [pick, gain] = [-1, 0];
  values.forEach((own, at) => {
    if (chosen.some((each) => bars(each, at))) return;
    const more = gainOver(tops, own, shares);
    if (more > gain + LEAST_GAIN) [pick, gain] = [at, more];
  });
  return [pick, gain];
}

/**
 * Which lures to take so that the best of them at each hour brings most, over all mornings, with something behind it. That
 * is a facility location with ordered weights, monotone and submodular, so picking greedily is within 1 - 1/e of the best
 * there is (Nemhauser, Wolsey & Fisher 1978); then single exchanges as long as one betters it. Where some bar others, as
 * two lures on one rod do, greed alone is within a third (Fisher, Nemhauser & Wolsey 1978, of two matroids).
 * @param values by lure, then by case
 * @param bars which cannot both be taken
 * @returns indexes of lures, in the order in which they were picked; exchanged ones in the place of what they took
 */
export function chooseAboard(
  values: readonly Float64Array[],
  shares: Float64Array,
  most: number,
  bars: Bars = itself,
): number[] {
  const chosen: number[] = [];
  const tops = new Float64Array(shares.length * DEEP);
  while (chosen.length < Math.min(most, values.length)) {
    const [pick] = bestToAdd(tops, values, shares, chosen, bars);
    if (pick < 0) break;
    chosen.push(pick);
    addTo(tops, values[pick] as Float64Array);
  }
  for (let bettered = true; bettered;) {
    bettered = false;
    for (let place = 0; place < chosen.length; place++) {
      const own = chosen[place] as number;
      const others = chosen.filter((_, index) => index !== place);
      const without = topsOf(values, others, shares.length);
      const [pick, gain] = bestToAdd(without, values, shares, others, bars);
      if (pick >= 0 && gain > gainOver(without, values[own] as Float64Array, shares) + LEAST_GAIN) {
        chosen[place] = pick;
        bettered = true;
      }
    }
  }
  return chosen;
}

/** The most that some lures bring in each case. */
export function bestOf(values: readonly Float64Array[], chosen: readonly number[], cases: number): Float64Array {
  const tops = topsOf(values, chosen, cases);
  return Float64Array.from({ length: cases }, (_, index) => tops[index * DEEP] as number);
}
