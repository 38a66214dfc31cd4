import { seededNumbers } from '../numbers';
import { fitCounts, type CountPrior, type CountRow } from './counts';

const row = (trip: number, hours: number, count: number, columns: number[], values: number[]): CountRow => ({
  trip,
  hours,
  count,
  columns: Int32Array.from(columns),
  values: Float64Array.from(values),
});
const prior = (mean: number[], sd: number[], tripSd = 0.6, shape = 1.5): CountPrior => ({
  mean: Float64Array.from(mean),
  sd: Float64Array.from(sd),
  tripSd,
  shape,
});

/** Log-likelihood of a count, written out by its gamma functions. */
function logChance(count: number, mean: number, shape: number): number {
  const logGamma = (value: number): number => {
    // Stirling's series, far enough out that it is exact to ten figures.
    let [sum, at] = [0, value];
    while (at < 12) sum -= Math.log(at++);
    return sum + (at - 0.5) * Math.log(at) - at + 0.5 * Math.log(2 * Math.PI) + 1 / (12 * at) - 1 / (360 * at ** 3);
  };
  return (
    logGamma(count + shape) -
    logGamma(shape) -
    logGamma(count + 1) +
    shape * Math.log(shape / (shape + mean)) +
    count * Math.log(mean / (shape + mean))
  );
}

describe('counts', () => {
  it('stay as believed where nothing was counted', () => {
    const { mean, variance, logEvidence } = fitCounts([], prior([0.4, -1], [0.5, 2]));
    expect([...mean]).toEqual([0.4, -1]);
    expect(variance([0], [1])).toBeCloseTo(0.25, 10);
    expect(variance([0, 1], [1, -1])).toBeCloseTo(4.25, 10);
    expect(logEvidence).toBeCloseTo(0, 10);
  });

  it('tell the same as the integral over one parameter, worked out by brute force', () => {
    const rows = [row(0, 2, 3, [0], [1]), row(1, 1, 0, [0], [1]), row(2, 3, 7, [0], [1])];
    // Trips that hardly differ: what is left is one parameter.
    const { mean, variance, logEvidence } = fitCounts(rows, prior([0], [1], 1e-4));
    let [total, first, second] = [0, 0, 0];
    const step = 0.001;
    for (let at = -6; at < 6; at += step) {
      const chance =
        (Math.exp(-(at ** 2) / 2) / Math.sqrt(2 * Math.PI)) *
        rows.reduce((all, { hours, count }) => all * Math.exp(logChance(count, hours * Math.exp(at), 1.5)), 1);
      total += chance * step;
      first += at * chance * step;
      second += at ** 2 * chance * step;
    }
    expect(logEvidence).toBeCloseTo(Math.log(total), 1);
    expect(mean[0]).toBeCloseTo(first / total, 1);
    expect(Math.sqrt(variance([0], [1]))).toBeCloseTo(Math.sqrt(second / total - (first / total) ** 2), 1);
  });

  it('find what they were drawn from, whatever the luck of each trip was', () => {
    const random = seededNumbers(5);
    const poisson = (mean: number) => {
      let count = 0;
      for (let left = Math.exp(-mean), product = random(); product > left; product *= random()) count++;
      return count;
    };
    const rows: CountRow[] = [];
    for (let trip = 0; trip < 60; trip++) {
      const luck = Math.exp(1.2 * (random() - 0.5));
      for (let each = 0; each < 6; each++) {
        const values = [1, each % 2, random() - 0.5];
        const rate = luck * Math.exp(-0.2 + 0.8 * values[1]! - 1 * values[2]!);
        rows.push(row(trip, 1.5, poisson(1.5 * rate), [0, 1, 2], values));
      }
    }
    const { mean, variance } = fitCounts(rows, prior([0, 0, 0], [1, 1, 1], 0.5, 20));
    [-0.2, 0.8, -1].forEach((truth, at) => {
      const sd = Math.sqrt(variance([at], [1]));
      expect(sd).toBeLessThan(0.2);
      expect(Math.abs(mean[at]! - truth)).toBeLessThan(2.5 * sd);
    });
  });

  it('are likelier in bunches where they came in bunches', () => {
    const bunched = [9, 0, 0, 0, 0, 8, 0, 0, 0, 0].map((count, at) => row(at, 1, count, [0], [1]));
    const even = [2, 1, 2, 2, 1, 2, 2, 1, 2, 2].map((count, at) => row(at, 1, count, [0], [1]));
    const evidence = (rows: CountRow[], shape: number) => fitCounts(rows, prior([0], [1], 0.2, shape)).logEvidence;
    expect(evidence(bunched, 0.5)).toBeGreaterThan(evidence(bunched, 8));
    expect(evidence(even, 8)).toBeGreaterThan(evidence(even, 0.5));
  });

  it('come to the same wherever the search begins', () => {
    const rows = [row(0, 1, 4, [0, 1], [1, 1]), row(0, 1, 0, [0], [1]), row(1, 2, 2, [0, 1], [1, -0.5])];
    const from = (start?: Float64Array) => fitCounts(rows, prior([0, 0], [1, 0.5]), start).mean;
    const [there, back] = [from(), from(Float64Array.of(2, -2))];
    there.forEach((value, at) => expect(back[at]).toBeCloseTo(value, 2));
  });
});
