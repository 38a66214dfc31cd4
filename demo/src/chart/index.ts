import { chartProjection, utmOf, type ChartFeature, type ChartFrame } from '@inky-shoal/core/chart';
import type { Cover, Structure, Water } from '@inky-shoal/core';
import { normal, seeded, seededId } from '../random.js';
import {
  basin,
  brindle,
  ferrow,
  grassFlat,
  lowerSallow,
  marina,
  marsh,
  midLake,
  pass,
  ternHollow,
  upperSallow,
} from '../waters.js';
import { FERROW, TERN } from '../data/charts.js';
import { rounded, type At } from './bed.js';
import { FERROW_LINES } from './ferrow.js';
import { unpackBed } from './packed.js';
import { TERN_BARS, TERN_CREEK } from './tern.js';

/** A demo water's chart: frame, bed as it is kept, and what was drawn. */
export interface DemoChart {
  readonly waterId: string;
  readonly frame: ChartFrame;
  readonly bed: Uint8Array;
  readonly features: readonly ChartFeature[];
}

/** The chart of a water, its middle at the water's position. */
function frameOf(water: Water, bed: Pick<ChartFrame, 'cols' | 'rows' | 'cellM'>): ChartFrame {
  const middle = [water.place.longitude, water.place.latitude] as const;
  const epsg = utmOf(middle);
  const [x, y] = chartProjection(epsg).toChart(middle);
  const { cols, rows, cellM } = bed;
  return {
    epsg,
    cols,
    rows,
    cellM,
    westM: Math.round(x - (cols * cellM) / 2),
    northM: Math.round(y + (rows * cellM) / 2),
    source: 'Made up for the demo',
  };
}

type Extra = Omit<ChartFeature, 'id' | 'kind' | 'shape'>;

/** Draws features in metres from the chart's corner, with ids that never change. */
class Pen {
  readonly features: ChartFeature[] = [];
  private readonly random: () => number;
  private readonly lonLat: (at: At) => [number, number];

  constructor(
    private readonly frame: ChartFrame,
    private readonly bed: Uint8Array,
    seed: number,
  ) {
    this.random = seeded(seed);
    const { toLonLat } = chartProjection(frame.epsg);
    this.lonLat = ([east, south]) => {
      const [longitude, latitude] = toLonLat([frame.westM + east, frame.northM - south]);
      return [Number(longitude.toFixed(7)), Number(latitude.toFixed(7))];
    };
  }

  /** Two things ashore that stand in line from a mark. */
  lineUp(toward: At, text: string): NonNullable<ChartFeature['lineUps']>[number] {
    return { toward: this.lonLat(toward), text };
  }

  private add(kind: ChartFeature['kind'], shape: ChartFeature['shape'], extra: Extra): void {
    const id = seededId(Date.parse('2026-09-01T12:00:00Z') + this.features.length * 1000, this.random);
    this.features.push({ id, kind, shape, ...extra });
  }

  /** Depth at a place, metres; less than 0 on land. */
  private depthM([east, south]: At): number {
    const { cols, cellM } = this.frame;
    const cell = Math.floor(south / cellM) * cols + Math.floor(east / cellM);
    return -new DataView(this.bed.buffer).getInt16(cell * 2, true) / 100;
  }

  point(kind: ChartFeature['kind'], at: At, extra: Extra): void {
    this.add(kind, { type: 'Point', coordinates: this.lonLat(at) }, extra);
  }

  line(kind: ChartFeature['kind'], line: readonly At[], extra: Extra): void {
    this.add(kind, { type: 'LineString', coordinates: line.map(this.lonLat) }, extra);
  }

  area(kind: ChartFeature['kind'], ring: readonly At[], extra: Extra): void {
    const points = ring.map(this.lonLat);
    this.add(kind, { type: 'Polygon', coordinates: [[...points, points[0] as [number, number]]] }, extra);
  }

  /** An uneven patch about a point. */
  patch([east, south]: At, radiusM: number, cover: Cover, extra: Extra = {}): void {
    const ring = Array.from({ length: 14 }, (_, corner): At => {
      const reach = radiusM * (1 + 0.22 * normal(this.random));
      const angle = (corner / 14) * 2 * Math.PI;
      return [east + Math.cos(angle) * reach * 1.4, south + Math.sin(angle) * reach];
    });
    this.area('cover', ring, { cover, ...extra });
  }

  /** Something of a kind here and there along a line, off to one side of it. */
  strew(line: readonly At[], everyM: number, offM: number, cover: Cover, structure?: Structure): void {
    const points = rounded(line);
    let left = everyM;
    for (let index = 1; index < points.length; index++) {
      const [a, b] = [points[index - 1] as At, points[index] as At];
      left -= Math.hypot(b[0] - a[0], b[1] - a[1]);
      if (left > 0) continue;
      left = everyM * (0.6 + 0.8 * this.random());
      const side = this.random() < 0.5 ? -1 : 1;
      const off = side * offM * (0.7 + 0.5 * this.random());
      const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
      const at: At = [b[0] - ((b[1] - a[1]) / long) * off, b[1] + ((b[0] - a[0]) / long) * off];
      const depth = this.depthM(at);
      if (depth < 0.5 || depth > 9) continue;
      this.patch(at, 30 + 45 * this.random(), cover, structure ? { structure } : {});
    }
  }
}

const box = (west: number, north: number, east: number, south: number): At[] => [
  [west, north],
  [east, north],
  [east, south],
  [west, south],
];

function ferrowFeatures(frame: ChartFrame, bed: Uint8Array): ChartFeature[] {
  const pen = new Pen(frame, bed, 1);
  const { sallow, brindle: creek, main, marina: pocket } = FERROW_LINES;
  pen.area('zone', box(700, 400, 2450, 2900), { name: 'Upper Sallow', zoneId: upperSallow });
  pen.area('zone', box(1600, 2900, 3500, 5000), { name: 'Lower Sallow', zoneId: lowerSallow });
  pen.area('zone', box(2500, 5950, 3500, 6900), { name: 'Marina pocket', zoneId: marina });
  pen.area('zone', box(4900, 2500, 7400, 5100), { name: 'Brindle Creek', zoneId: brindle });
  pen.area('zone', box(3500, 1900, 4900, 6400), { name: 'Mid lake', zoneId: midLake });
  pen.area('zone', box(2900, 6900, 5400, 8330), { name: 'Lower basin', zoneId: basin });
  pen.strew(sallow.slice(2), 150, 150, 'submerged-grass');
  pen.strew(sallow.slice(0, 5), 260, 55, 'stump');
  pen.strew(creek, 170, 120, 'chunk-rock');
  pen.strew(main.slice(2), 330, 420, 'mixed-rock');
  pen.strew(creek.slice(1), 420, 60, 'laydown');
  pen.strew(main.slice(3), 600, 330, 'brush-pile');
  for (const [index, at] of rounded(pocket).slice(4).entries()) {
    if (index % 4 === 0)
      pen.patch([at[0], at[1] + (index % 8 ? 90 : -90)], 16, 'dock', { structure: 'marina', name: 'Docks' });
  }
  pen.line(
    'structure',
    [
      [3450, 8310],
      [4850, 8310],
    ],
    { structure: 'dam-face', cover: 'riprap', name: 'Dam' },
  );
  pen.point('ramp', [3130, 6330], { name: 'Marina ramp' });
  pen.point('mark', [2120, 2920], {
    name: 'Ditch bend',
    note: 'Held fish two springs running',
    lineUps: [
      pen.lineUp([3050, 2520], 'Silo over the white gate'),
      pen.lineUp([2330, 3700], 'Lone pine left of the boathouse'),
    ],
  });
  pen.point('mark', [5500, 4380], { name: 'Ledge by the laydown' });
  return pen.features;
}

function ternFeatures(frame: ChartFrame, bed: Uint8Array): ChartFeature[] {
  const pen = new Pen(frame, bed, 2);
  pen.area('zone', box(1500, 50, 2700, 1450), { name: 'Marsh creek', zoneId: marsh });
  pen.area('zone', box(50, 1450, 4900, 2650), { name: 'Grass flat', zoneId: grassFlat });
  pen.area('zone', box(3300, 2650, 3950, 3680), { name: 'The pass', zoneId: pass });
  for (const at of TERN_BARS) pen.patch(at, 50, 'oyster', { structure: 'oyster-bar' });
  pen.strew(
    [
      [300, 1800],
      [2000, 1750],
      [3300, 1800],
      [4500, 1850],
    ],
    260,
    110,
    'submerged-grass',
  );
  pen.strew(
    [
      [300, 2350],
      [2000, 2400],
      [3200, 2350],
    ],
    300,
    90,
    'submerged-grass',
  );
  pen.point('ramp', [2650, 1500], { name: 'Marsh ramp' });
  pen.point('mark', TERN_CREEK[1] as At, { name: 'First bend' });
  return pen.features;
}

/** The charts of both waters: beds as they were made from their seeds and written down. */
export function demoCharts(): DemoChart[] {
  return [
    { water: ferrow, written: FERROW, draw: ferrowFeatures },
    { water: ternHollow, written: TERN, draw: ternFeatures },
  ].map(({ water, written, draw }) => {
    const frame = frameOf(water, written);
    const bed = unpackBed(written.bed, written.cols);
    return { waterId: water.id, frame, bed, features: draw(frame, bed) };
  });
}
