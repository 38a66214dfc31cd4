/** How far apart in days two years may run. */
const BAND_DAYS = 35;
const SMOOTH_DAYS = 9;
/** A difference of slope of a degree a day counts like so many degrees, so that rising water meets rising water. */
const SLOPE_WEIGHT = 6;

function smooth(values: ArrayLike<number>): Float64Array {
  const half = SMOOTH_DAYS >> 1;
  return Float64Array.from(values, (_, at) => {
    let [sum, count] = [0, 0];
    for (let near = Math.max(0, at - half); near <= Math.min(values.length - 1, at + half); near++) {
      sum += values[near] as number;
      count++;
    }
    return sum / count;
  });
}

const slopeAt = (values: Float64Array, at: number): number => {
  const [before, after] = [Math.max(0, at - 5), Math.min(values.length - 1, at + 5)];
  return ((values[after] as number) - (values[before] as number)) / Math.max(1, after - before);
};

/**
 * Lays one stretch of temperatures along another by what the water does, not by date: dynamic time warping (Sakoe &
 * Chiba 1978) over smoothed temperature and slope, within a band of five weeks.
 * @param now this year's temperatures, one a day
 * @param then those of another year over the same calendar days
 * @returns for each day of `now` the day of `then`, with its fraction, at which the water stood as it does
 */
export function alignYears(now: ArrayLike<number>, then: ArrayLike<number>): Float64Array {
  const [a, b] = [smooth(now), smooth(then)];
  const [rows, columns] = [a.length, b.length];
  const width = 2 * BAND_DAYS + 1;
  const cost = new Float64Array(rows * width).fill(Number.POSITIVE_INFINITY);
  const slopesA = a.map((_, at) => slopeAt(a, at));
  const slopesB = b.map((_, at) => slopeAt(b, at));
  const inBand = (row: number, column: number) => column - row + BAND_DAYS;
  const costAt = (row: number, column: number): number => {
    const place = inBand(row, column);
    return row < 0 || column < 0 || place < 0 || place >= width
      ? Number.POSITIVE_INFINITY
      : (cost[row * width + place] as number);
  };
  for (let row = 0; row < rows; row++) {
    for (let column = Math.max(0, row - BAND_DAYS); column <= Math.min(columns - 1, row + BAND_DAYS); column++) {
      const own =
        Math.abs((a[row] as number) - (b[column] as number)) +
        SLOPE_WEIGHT * Math.abs((slopesA[row] as number) - (slopesB[column] as number));
      const before =
        row === 0 || column === 0
          ? 0
          : Math.min(costAt(row - 1, column - 1), costAt(row - 1, column), costAt(row, column - 1));
      cost[row * width + inBand(row, column)] = own + (Number.isFinite(before) ? before : 0);
    }
  }
  // The other year may stand anywhere when this one ends: the way back begins where it came cheapest.
  let column = 0;
  let least = Number.POSITIVE_INFINITY;
  for (let at = Math.max(0, rows - 1 - BAND_DAYS); at < columns; at++) {
    const whole = costAt(rows - 1, at) / (rows + at);
    if (whole < least) [least, column] = [whole, at];
  }
  const [sums, counts] = [new Float64Array(rows), new Float64Array(rows)];
  let row = rows - 1;
  for (;;) {
    sums[row] = (sums[row] as number) + column;
    counts[row] = (counts[row] as number) + 1;
    if (row === 0 || column === 0) break;
    const [both, up, left] = [costAt(row - 1, column - 1), costAt(row - 1, column), costAt(row, column - 1)];
    if (both <= up && both <= left) [row, column] = [row - 1, column - 1];
    else if (up <= left) row--;
    else column--;
  }
  // Days before both years meet stand as far apart as they are there.
  const first = row;
  for (let at = 0; at < first; at++) [sums[at], counts[at]] = [Math.max(0, at - first + column), 1];
  return sums.map((sum, at) => sum / (counts[at] as number));
}
