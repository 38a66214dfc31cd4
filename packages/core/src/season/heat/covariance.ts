import type { DayStep } from './column.js';

/** States of a zone: surface, deep water, and the offset of its pull that comes and goes over weeks. */
export const STATES = 3;
/** Beyond so many standard deviations a measurement is believed less and less. */
const ODD_FROM = 3.5;

/** What is not known of all zones' states: a dense symmetric covariance, with the two operations of a Kalman filter. */
export class Covariance {
  private readonly size: number;
  private readonly values: Float64Array;
  private readonly gain: Float64Array;
  private readonly row: Float64Array;

  constructor(private readonly zones: number) {
    this.size = zones * STATES;
    this.values = new Float64Array(this.size * this.size);
    this.gain = new Float64Array(this.size);
    this.row = new Float64Array(this.size);
  }

  at(row: number, column: number): number {
    return this.values[row * this.size + column] as number;
  }

  add(row: number, column: number, value: number): void {
    const at = row * this.size + column;
    this.values[at] = (this.values[at] as number) + value;
  }

  /** Carries the doubt over a day, P <- F P F', with F made of one step for each zone. */
  predict(steps: readonly DayStep[], keeps: number): void {
    const { values, size, zones } = this;
    for (let pass = 0; pass < 2; pass++) {
      // Once over the rows, once over the columns: both are the same work on a symmetric matrix.
      const [along, across] = pass === 0 ? [1, size] : [size, 1];
      for (let zone = 0; zone < zones; zone++) {
        const { ss, sd, sp, ds, dd, dp } = steps[zone] as DayStep;
        const first = zone * STATES * across;
        for (let line = 0; line < size; line++) {
          const at = first + line * along;
          const s = values[at] as number;
          const d = values[at + across] as number;
          const e = values[at + 2 * across] as number;
          values[at] = ss * s + sd * d + sp * e;
          values[at + across] = ds * s + dd * d + dp * e;
          values[at + 2 * across] = keeps * e;
        }
      }
    }
  }

  /**
   * Takes in one measured state: moves all states by what is shared with it, and doubts less.
   * @param state all states, changed in place
   * @param variance of the error of measurement
   * @returns whether it stood too far off to be wholly believed
   */
  update(state: Float64Array, at: number, measured: number, variance: number): boolean {
    const { values, size, gain, row } = this;
    const missed = measured - (state[at] as number);
    let whole = this.at(at, at) + variance;
    const far = Math.abs(missed) / Math.sqrt(whole);
    // Huber (1964): as far as the bound it counts fully, beyond it only as much as the bound would.
    if (far > ODD_FROM) whole *= far / ODD_FROM;
    for (let index = 0; index < size; index++) {
      row[index] = values[at * size + index] as number;
      gain[index] = (row[index] as number) / whole;
    }
    for (let index = 0; index < size; index++) {
      const own = gain[index] as number;
      state[index] = (state[index] as number) + own * missed;
      const line = index * size;
      for (let other = 0; other < size; other++) {
        values[line + other] = (values[line + other] as number) - own * (row[other] as number);
      }
    }
    return far > ODD_FROM;
  }
}
