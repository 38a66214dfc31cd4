import fc from 'fast-check';
import type { DayStep } from './column.js';
import { Covariance, STATES } from './covariance.js';

type Matrix = number[][];
const times = (a: Matrix, b: Matrix): Matrix =>
  a.map((row) => b[0]!.map((_, column) => row.reduce((sum, value, at) => sum + value * b[at]![column]!, 0)));
const turned = (a: Matrix): Matrix => a[0]!.map((_, column) => a.map((row) => row[column]!));
const identity = (size: number): Matrix =>
  Array.from({ length: size }, (_, row) => Array.from({ length: size }, (__, column) => (row === column ? 1 : 0)));

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyStep = fc.record({
  ss: number(0.3, 1),
  sd: number(0, 0.3),
  sp: number(0, 0.5),
  ds: number(0, 0.3),
  dd: number(0.5, 1),
  dp: number(0, 0.2),
}) as unknown as fc.Arbitrary<DayStep>;
const ZONES = 2;
const SIZE = ZONES * STATES;
/** A covariance that can be: B B', with something on its diagonal. */
const anyMatrix = fc.array(number(-1, 1), { minLength: SIZE * SIZE, maxLength: SIZE * SIZE }).map((values): Matrix => {
  const b = identity(SIZE).map((row, at) => row.map((_, column) => values[at * SIZE + column]!));
  return times(b, turned(b)).map((row, at) => row.map((value, column) => value + (at === column ? 0.1 : 0)));
});

function filled(matrix: Matrix): Covariance {
  const covariance = new Covariance(ZONES);
  matrix.forEach((row, at) => row.forEach((value, column) => covariance.add(at, column, value)));
  return covariance;
}
const read = (covariance: Covariance): Matrix =>
  identity(SIZE).map((row, at) => row.map((_, column) => covariance.at(at, column)));
const close = (a: Matrix, b: Matrix) =>
  a.forEach((row, at) => row.forEach((value, column) => expect(value).toBeCloseTo(b[at]![column]!, 9)));

describe('the covariance of a filter', () => {
  it('is carried over a day as P <- F P F by the book', () => {
    fc.assert(
      fc.property(anyMatrix, fc.tuple(anyStep, anyStep), number(0.5, 1), (matrix, steps, keeps) => {
        const f = identity(SIZE);
        steps.forEach(({ ss, sd, sp, ds, dd, dp }, zone) => {
          const at = zone * STATES;
          f[at]!.splice(at, 3, ss, sd, sp);
          f[at + 1]!.splice(at, 3, ds, dd, dp);
          f[at + 2]!.splice(at, 3, 0, 0, keeps);
        });
        const covariance = filled(matrix);
        covariance.predict(steps, keeps);
        close(read(covariance), times(times(f, matrix), turned(f)));
      }),
    );
  });

  it('takes a measurement in as the textbook does, where it is not far off', () => {
    fc.assert(
      fc.property(
        anyMatrix,
        fc.integer({ min: 0, max: SIZE - 1 }),
        number(0.05, 2),
        number(-1, 1),
        (matrix, at, variance, off) => {
          const whole = matrix[at]![at]! + variance;
          const missed = off * 3 * Math.sqrt(whole);
          const state = new Float64Array(SIZE);
          const covariance = filled(matrix);
          expect(covariance.update(state, at, missed, variance)).toBe(false);
          const gain = matrix.map((row) => row[at]! / whole);
          gain.forEach((each, index) => expect(state[index]).toBeCloseTo(each * missed, 9));
          close(
            read(covariance),
            matrix.map((row, index) => row.map((value, column) => value - gain[index]! * matrix[at]![column]!)),
          );
        },
      ),
    );
  });

  it('stays symmetric, and no variance grows by measuring', () => {
    fc.assert(
      fc.property(anyMatrix, fc.integer({ min: 0, max: SIZE - 1 }), number(-50, 50), (matrix, at, measured) => {
        const covariance = filled(matrix);
        covariance.update(new Float64Array(SIZE), at, measured, 0.2);
        const after = read(covariance);
        close(after, turned(after));
        after.forEach((row, index) => {
          expect(row[index]).toBeLessThanOrEqual(matrix[index]![index]! + 1e-9);
          expect(row[index]).toBeGreaterThanOrEqual(-1e-9);
        });
      }),
    );
  });

  it('believes a reading far off only as much as the bound would, and says so', () => {
    const moved = [3, 30, 300].map((measured) => {
      const state = new Float64Array(SIZE);
      const odd = filled(identity(SIZE)).update(state, 0, measured, 1);
      return { odd, state: state[0]! };
    });
    expect(moved.map(({ odd }) => odd)).toEqual([false, true, true]);
    expect(moved[2]!.state).toBeCloseTo(moved[1]!.state, 6);
    expect(moved[1]!.state).toBeLessThan(5);
  });
});
