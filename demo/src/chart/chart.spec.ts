import { armsOf, bedFromBytes, ChartFeature, depthsM, slopeDeg } from '@inky-shoal/core/chart';
import { ferrow, ternHollow } from '../waters';
import { addHill, cutValley, finish, newBed, relief, rounded, warpOf } from './bed';
import { demoCharts } from './index';
import { packBed, unpackBed } from './packed';

const [ferrowChart, ternChart] = demoCharts();
if (!ferrowChart || !ternChart) throw new Error('Two charts ship');
const depthsOf = ({ frame, bed }: typeof ferrowChart) => depthsM(bedFromBytes(frame, bed), 0);
const deepest = (depths: Float32Array) => depths.reduce((most, depth) => Math.max(most, depth), 0);

describe('the charts of the demo', () => {
  it('belong to their waters, as deep as these say', () => {
    expect([ferrowChart.waterId, ternChart.waterId]).toEqual([ferrow.id, ternHollow.id]);
    expect(deepest(depthsOf(ferrowChart))).toBeGreaterThan(22);
    expect(deepest(depthsOf(ferrowChart))).toBeLessThan(30);
    expect(deepest(depthsOf(ternChart))).toBeGreaterThan(4.5);
    expect(deepest(depthsOf(ternChart))).toBeLessThan(6.5);
  });

  it('have arms: on Ferrow a long flat one and a shorter, steeper one', () => {
    const { frame, bed } = ferrowChart;
    const depths = depthsOf(ferrowChart);
    const { arm, lengthM } = armsOf(frame, depths);
    const slope = slopeDeg(bedFromBytes(frame, bed));
    const steepOf = (number: number) => {
      let [sum, cells] = [0, 0];
      arm.forEach((each, cell) => {
        if (each === number) [sum, cells] = [sum + (slope[cell] as number), cells + 1];
      });
      return sum / cells;
    };
    const [longest, next] = lengthM.map((metres, number) => ({ metres, number })).sort((a, b) => b.metres - a.metres);
    expect(longest?.metres).toBeGreaterThan(3500);
    expect(next?.metres).toBeGreaterThan(2500);
    expect(steepOf(next?.number ?? 0)).toBeGreaterThan(2 * steepOf(longest?.number ?? 0));
  });

  it('carry features that are what a chart takes, ids their own, covers in the water', () => {
    const all = [...ferrowChart.features, ...ternChart.features];
    for (const feature of all) expect(ChartFeature.safeParse(feature).success).toBe(true);
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    expect(all.filter(({ kind }) => kind === 'ramp')).toHaveLength(2);
    expect(new Set(all.map(({ cover }) => cover))).toEqual(
      new Set([
        undefined,
        'submerged-grass',
        'stump',
        'chunk-rock',
        'mixed-rock',
        'laydown',
        'brush-pile',
        'dock',
        'riprap',
        'oyster',
      ]),
    );
    expect(demoCharts()[0]?.features).toEqual(ferrowChart.features);
  });
});

describe('a bed in the making', () => {
  it('is the same from the same seed, and relief keeps within its bounds', () => {
    const [one, other] = [relief(7, 50), relief(7, 50)];
    for (let at = 0; at < 200; at++) {
      expect(one(at * 13.7, at * 5.1)).toBe(other(at * 13.7, at * 5.1));
      expect(Math.abs(one(at * 13.7, at * 5.1))).toBeLessThan(1);
    }
  });

  it('is cut where a valley runs, raised by a hill, and unknown far from the water', () => {
    const bed = newBed(60, 40, 10, 20);
    const valley = {
      line: [
        [50, 200],
        [550, 200],
      ] as const,
      depthM: [8, 4] as const,
      halfWidthM: [90, 60] as const,
      flatness: 3,
      creekM: [1, 10] as const,
    };
    cutValley(bed, valley, warpOf(bed, 3, 0, 0));
    const at = (east: number, south: number) =>
      bed.values[Math.floor(south / 10) * 60 + Math.floor(east / 10)] as number;
    expect(at(100, 195)).toBeLessThan(-6.5);
    expect(at(500, 195)).toBeLessThan(-3.5);
    expect(at(100, 195)).toBeLessThan(at(500, 195));
    expect(at(300, 390)).toBe(20);
    const before = at(300, 205);
    addHill(bed, [305, 205], 2.5, 40);
    expect(at(300, 205)).toBeCloseTo(before + 2.5, 1);
    finish(bed, () => 0, 0.5, 9);
    expect(at(300, 390)).toBeNaN();
  });

  it('rounds lines without leaving their ends', () => {
    const line = rounded([
      [0, 0],
      [100, 0],
      [100, 100],
    ]);
    expect(line[0]).toEqual([0, 0]);
    expect(line.at(-1)).toEqual([100, 100]);
    for (const [x, y] of line) expect(x - y).toBeGreaterThanOrEqual(0);
    expect(Math.max(...line.map(([x, y]) => x - y))).toBeLessThan(100);
  });

  it('comes back from how it is written down', () => {
    const cells = Int16Array.from({ length: 7 * 9 }, (_, cell) =>
      cell % 5 ? Math.round(Math.sin(cell) * 9000) : -32768,
    );
    const bed = new Uint8Array(cells.buffer.slice(0));
    expect(unpackBed(packBed(bed, 7), 7)).toEqual(bed);
  });
});
