import { distanceM } from './distance';
import { naturalNeighbours, type Samples } from './gridding';
import { referenceGrid } from '../testing/bed';
import { seededNumbers } from '../numbers/seeded';

const SHAPE = { cols: 60, rows: 50, cellM: 10 };
const samplesOf = (points: readonly (readonly [number, number, number])[]): Samples => ({
  x: points.map(([x]) => x),
  y: points.map(([, y]) => y),
  value: points.map(([, , value]) => value),
});
const scattered = (count: number, valueAt: (x: number, y: number) => number, seed = 7) => {
  const random = seededNumbers(seed);
  return Array.from({ length: count }, (): [number, number, number] => {
    const [x, y] = [Math.floor(random() * SHAPE.cols) + 0.5, Math.floor(random() * SHAPE.rows) + 0.5];
    return [x, y, valueAt(x, y)];
  });
};

describe('a surface through samples', () => {
  it('goes through every one of them, and between them it stays between them', () => {
    const points = scattered(60, (x, y) => Math.sin(x / 9) * 4 + Math.cos(y / 7) * 3);
    const { values } = naturalNeighbours(SHAPE, samplesOf(points), 400);
    for (const [x, y, value] of points)
      expect(values[Math.floor(y) * SHAPE.cols + Math.floor(x)]).toBeCloseTo(value, 4);
    const known = values.filter((value) => !Number.isNaN(value));
    expect(Math.max(...known)).toBeLessThanOrEqual(Math.max(...points.map(([, , value]) => value)) + 1e-4);
    expect(Math.min(...known)).toBeGreaterThanOrEqual(Math.min(...points.map(([, , value]) => value)) - 1e-4);
  });

  it('gives level ground back as level, and a slope as that slope away from the edge', () => {
    const level = naturalNeighbours(SHAPE, samplesOf(scattered(80, () => -3.25)), 400).values;
    expect(level.every((value) => Number.isNaN(value) || Math.abs(value + 3.25) < 1e-5)).toBe(true);
    const plane = (x: number, y: number) => 0.2 * x - 0.1 * y;
    const { values } = naturalNeighbours(SHAPE, samplesOf(scattered(300, plane)), 400);
    const errors: number[] = [];
    for (let row = 12; row < 38; row++)
      for (let col = 12; col < 48; col++)
        errors.push(Math.abs((values[row * SHAPE.cols + col] as number) - plane(col + 0.5, row + 0.5)));
    const rms = Math.hypot(...errors) / Math.sqrt(errors.length);
    // The slope makes 0.22 in one cell: the error is that of a little more than half a cell.
    expect(rms).toBeLessThan(0.14);
    expect(Math.max(...errors)).toBeLessThan(0.5);
  });

  it('is the mean of the samples that fall in one cell', () => {
    const { values } = naturalNeighbours(SHAPE, samplesOf([[5.2, 5.2, -2], [5.7, 5.9, -4]]), 50); // prettier-ignore
    expect(values[5 * SHAPE.cols + 5]).toBe(-3);
  });

  it('is what the method says it is, cell by cell', () => {
    const points = scattered(12, (x, y) => x * y * 0.01, 3);
    const { values } = naturalNeighbours(SHAPE, samplesOf(points), 2000);
    // Straight from the definition: who would give me of theirs, if I were a sample too.
    const known = [...values.keys()].filter((cell) => !Number.isNaN(values[cell]));
    expect(known.length).toBeGreaterThan(1000);
    for (const cell of known.filter((_, at) => at % 250 === 0)) {
      const [col, row] = [cell % SHAPE.cols, Math.floor(cell / SHAPE.cols)];
      let [sum, count] = [0, 0];
      for (let r = 0; r < SHAPE.rows; r++) {
        for (let c = 0; c < SHAPE.cols; c++) {
          if (Number.isNaN(values[r * SHAPE.cols + c])) continue;
          const near = points
            .map(([x, y, value]) => ({ value, far: Math.hypot(x - 0.5 - c, y - 0.5 - r) }))
            .reduce((a, b) => (b.far < a.far ? b : a));
          const own = near.far === 0 && c === col && r === row;
          if (!own && Math.hypot(c - col, r - row) >= near.far - 1e-9) continue;
          sum += near.value;
          count++;
        }
      }
      // Two samples just as near may each be taken: that is the difference.
      expect(values[cell]).toBeCloseTo(sum / count, 1);
    }
  });

  it('ends where the samples end, joins what lies within twice the reach, and says how far it is from any', () => {
    const line = (col: number) =>
      Array.from({ length: 40 }, (_, row): [number, number, number] => [col + 0.5, row + 5.5, -4]);
    const { values, awayM } = naturalNeighbours(SHAPE, samplesOf([...line(20), ...line(30), ...line(55)]), 60);
    const at = (col: number, row: number) => values[row * SHAPE.cols + col];
    expect(at(25, 25)).toBeCloseTo(-4, 5);
    expect(at(16, 25)).toBeNaN();
    expect(at(42, 25)).toBeNaN();
    expect(awayM[25 * SHAPE.cols + 25]).toBeCloseTo(50, 3);
  });

  it('with no samples at all knows nothing', () => {
    expect(naturalNeighbours(SHAPE, samplesOf([]), 100).values.every(Number.isNaN)).toBe(true);
  });

  it('comes nearer to a real bed than the nearest sounding and than weighing by distance', () => {
    const bed = referenceGrid('bed-elevation');
    const random = seededNumbers(11);
    const points: [number, number, number][] = [];
    while (points.length < 1500) {
      const [col, row] = [Math.floor(random() * bed.cols), Math.floor(random() * bed.rows)];
      const value = bed.values[row * bed.cols + col] as number;
      if (!Number.isNaN(value)) points.push([col + 0.5, row + 0.5, value]);
    }
    const { values } = naturalNeighbours(bed, samplesOf(points), 40 * bed.cellM);
    const [own, nearest, weighed]: number[][] = [[], [], []];
    for (let cell = 0; cell < values.length; cell += 61) {
      const truth = bed.values[cell] as number;
      if (Number.isNaN(truth) || Number.isNaN(values[cell])) continue;
      const [x, y] = [(cell % bed.cols) + 0.5, Math.floor(cell / bed.cols) + 0.5];
      const by = points.map(([px, py, value]) => ({ value, far: (px - x) ** 2 + (py - y) ** 2 + 1e-9 }));
      const weights = by.reduce((sum, { far }) => sum + 1 / far, 0);
      own!.push((values[cell] as number) - truth);
      nearest!.push(by.reduce((a, b) => (b.far < a.far ? b : a)).value - truth);
      weighed!.push(by.reduce((sum, { far, value }) => sum + value / far, 0) / weights - truth);
    }
    const rms = (errors: number[]) => Math.hypot(...errors) / Math.sqrt(errors.length);
    expect(own!.length).toBeGreaterThan(200);
    expect(rms(own!)).toBeLessThan(0.7 * rms(nearest!));
    expect(rms(own!)).toBeLessThan(0.7 * rms(weighed!));
  });
});

it('tells the nearest marked cell with its distance', () => {
  const random = seededNumbers(5);
  const shape = { cols: 37, rows: 23, cellM: 4 };
  const marked = Uint8Array.from({ length: 37 * 23 }, () => (random() < 0.03 ? 1 : 0));
  const nearest = new Int32Array(marked.length);
  const distance = distanceM(shape, marked, nearest);
  for (let cell = 0; cell < marked.length; cell++) {
    const other = nearest[cell] as number;
    expect(marked[other]).toBe(1);
    const [dx, dy] = [(cell % 37) - (other % 37), Math.floor(cell / 37) - Math.floor(other / 37)];
    expect(Math.hypot(dx, dy) * 4).toBeCloseTo(distance[cell] as number, 3);
  }
});
