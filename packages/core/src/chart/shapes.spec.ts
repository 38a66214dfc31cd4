import fc from 'fast-check';
import { ChartFeature, ChartFrame } from '../contract/charts';
import { COVERS } from '../contract/ids';
import { drawnOn } from '../spots/drawn';
import { structureOf } from '../spots/forms';
import { bedOf } from '../testing/bed';
import { bedFromBytes, bedToBytes } from './bed-bytes';
import { cellAt, middleOf } from './grid';
import { cellsAlong, cellsInside } from './paint';
import { chartProjection } from './projection';

const FRAME: ChartFrame = {
  epsg: 32616,
  cols: 40,
  rows: 30,
  cellM: 10,
  westM: 374000,
  northM: 3975000,
  source: 'Test',
};
const grid = { ...bedOf(40, 30, 10, () => -2), westM: FRAME.westM, northM: FRAME.northM };
const point = (east: number, south: number) => [FRAME.westM + east, FRAME.northM - south] as const;
const box = (west: number, north: number, east: number, south: number) =>
  [point(west, north), point(east, north), point(east, south), point(west, south), point(west, north)] as const;
const lonLat = (east: number, south: number) => chartProjection(FRAME.epsg).toLonLat([...point(east, south)]);
const id = (n: number) => `01950000-0000-7000-8000-${String(n).padStart(12, '0')}`;

describe('a bed in bytes', () => {
  it('comes back to the centimetre, the unknown unknown', () => {
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.double({ min: -320, max: 320, noNaN: true }), { nil: Number.NaN }), {
          minLength: 12,
          maxLength: 12,
        }),
        (beds) => {
          const frame = { ...FRAME, cols: 4, rows: 3 };
          const { values } = bedFromBytes(frame, bedToBytes({ values: Float32Array.from(beds) }));
          beds.forEach((bed, cell) => {
            if (Number.isNaN(bed)) expect(values[cell]).toBeNaN();
            else expect(Math.abs((values[cell] as number) - bed)).toBeLessThan(0.0051);
          });
        },
      ),
    );
  });

  it('holds what is out of its range at the end of it, and refuses another number of cells', () => {
    const bytes = bedToBytes({ values: Float32Array.of(-5000, 5000) });
    expect(() => bedFromBytes(FRAME, bytes)).toThrow('expected 2400 bytes for 40 by 30 cells, got 4');
    const { values } = bedFromBytes({ ...FRAME, cols: 2, rows: 1 }, bytes);
    expect(values[0]).toBeCloseTo(-327.67, 2);
    expect(values[1]).toBeCloseTo(327.67, 2);
  });
});

describe('cells of a shape', () => {
  it('are those whose middles lie inside, holes left out', () => {
    expect(cellsInside(grid, [box(100, 100, 200, 150)])).toHaveLength(10 * 5);
    expect(cellsInside(grid, [box(100, 100, 200, 150), box(120, 110, 150, 130)])).toHaveLength(50 - 3 * 2);
    expect(cellsInside(grid, [box(-500, -500, 30, 30)])).toHaveLength(9);
    expect(cellsInside(grid, [box(900, 900, 950, 950)])).toEqual([]);
  });

  it('agree with asking each cell whether it lies in a triangle', () => {
    const whole = fc.integer({ min: -50, max: 450 });
    const corner = fc.tuple(whole, whole);
    fc.assert(
      fc.property(corner, corner, corner, (a, b, c) => {
        // Corners off the middles of cells, so that no middle lies on an edge.
        const [p, q, r] = [a, b, c].map(([east, south]) => point(east + 0.37, south + 0.61)) as [
          readonly [number, number],
          readonly [number, number],
          readonly [number, number],
        ];
        const side = (
          [x, y]: readonly [number, number],
          from: readonly [number, number],
          to: readonly [number, number],
        ) => (to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0]);
        const inside = new Set(cellsInside(grid, [[p, q, r, p]]));
        for (let cell = 0; cell < grid.values.length; cell++) {
          const at = middleOf(grid, cell);
          const sides = [side(at, p, q), side(at, q, r), side(at, r, p)];
          const lies = sides.every((each) => each > 0) || sides.every((each) => each < 0);
          const doubtful = sides.some((each) => Math.abs(each) < 1e-3);
          if (!doubtful) expect([cell, inside.has(cell)]).toEqual([cell, lies]);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('lie within reach of a line, and a point has its own cell at least', () => {
    const along = cellsAlong(grid, [point(105, 105), point(205, 105)], 15);
    expect(along).toContain(cellAt(grid, point(155, 115)));
    expect(along).not.toContain(cellAt(grid, point(155, 135)));
    expect(cellsAlong(grid, [point(3, 3)], 1)).toEqual([0]);
    expect(cellsAlong(grid, [point(-100, -100)], 5)).toEqual([]);
  });
});

describe('what is drawn on a chart', () => {
  const area = (
    kind: ChartFeature['kind'],
    more: Partial<ChartFeature>,
    [west, north, east, south]: readonly [number, number, number, number],
  ) =>
    ChartFeature.parse({
      id: id(1),
      kind,
      shape: {
        type: 'Polygon',
        coordinates: [
          [lonLat(west, north), lonLat(east, north), lonLat(east, south), lonLat(west, south), lonLat(west, north)],
        ],
      },
      ...more,
    });
  const at = (east: number, south: number) => cellAt(grid, point(east, south));

  it('puts cover over bottom, whichever was drawn first', () => {
    const grass = area('cover', { cover: 'submerged-grass' }, [100, 100, 200, 200]);
    const rock = area('bottom', { bottom: 'rock' }, [150, 100, 300, 200]);
    const { cover } = drawnOn(grid, FRAME.epsg, [grass, rock]);
    expect(COVERS[(cover[at(125, 155)] as number) - 1]).toBe('submerged-grass');
    expect(COVERS[(cover[at(175, 155)] as number) - 1]).toBe('submerged-grass');
    expect(COVERS[(cover[at(255, 155)] as number) - 1]).toBe('chunk-rock');
    expect(cover[at(355, 155)]).toBe(0);
  });

  it('takes a dock for cover and place at once, and a line or a point for the water about it', () => {
    const dock = area('cover', { cover: 'dock' }, [100, 100, 130, 130]);
    const dam = ChartFeature.parse({
      id: id(2),
      kind: 'structure',
      structure: 'dam-face',
      shape: { type: 'LineString', coordinates: [lonLat(200, 205), lonLat(300, 205)] },
    });
    const mark = ChartFeature.parse({
      id: id(3),
      kind: 'mark',
      name: 'Note',
      shape: { type: 'Point', coordinates: lonLat(20, 20) },
    });
    const { cover, structure } = drawnOn(grid, FRAME.epsg, [dock, dam, mark]);
    expect(structureOf(structure[at(115, 115)] as number)).toBe('dock');
    expect(COVERS[(cover[at(115, 115)] as number) - 1]).toBe('dock');
    expect(structureOf(structure[at(250, 215)] as number)).toBe('dam-face');
    expect(structure[at(250, 245)]).toBe(0);
    expect(structure[at(20, 20)]).toBe(0);
  });
});

describe('a feature', () => {
  const shape = { type: 'Point', coordinates: [-88, 36] };
  it.each([
    [{ kind: 'doodle', shape }, 'kind'],
    [{ kind: 'mark', shape: { type: 'Point', coordinates: [-188, 36] } }, 'longitude'],
    [{ kind: 'track', shape: { type: 'LineString', coordinates: [[0, 0]] } }, 'at least two points'],
    [
      {
        kind: 'cover',
        shape: {
          type: 'Polygon',
          coordinates: [
            [
              [0, 0],
              [1, 1],
              [0, 0],
            ],
          ],
        },
      },
      'at least four points',
    ],
    [{ kind: 'mark', shape, note: 'x'.repeat(2001) }, 'at most 2000 letters'],
    [{ kind: 'mark', shape, colour: 'red' }, 'colour'],
  ])('%j is refused', (feature, words) => {
    const parsed = ChartFeature.safeParse({ id: id(1), ...feature });
    expect(JSON.stringify(parsed.error?.issues)).toContain(words);
  });

  it('lies on a chart in a UTM zone, of cells that have a size', () => {
    expect(ChartFrame.safeParse(FRAME).success).toBe(true);
    for (const wrong of [{ epsg: 3857 }, { cellM: 0 }, { cols: 2 }, { rows: 1.5 }]) {
      expect(ChartFrame.safeParse({ ...FRAME, ...wrong }).success).toBe(false);
    }
  });
});
