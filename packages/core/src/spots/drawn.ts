import { COVERS, type Cover, type Structure } from '../contract/ids.js';
import type { ChartFeature } from '../contract/charts.js';
import type { Grid } from '../chart/grid.js';
import { cellsAlong, cellsInside } from '../chart/paint.js';
import { chartProjection } from '../chart/projection.js';
import { STRUCTURE_NUMBER, type Drawn } from './forms.js';

/** What is drawn as a point or a line takes this much of the water around it, metres. */
const POINT_REACH_M = 18;

/** Covers and places that are both: a drawn dock is where fish lie as well as what they lie under. */
const STRUCTURE_OF_COVER: Partial<Record<Cover, Structure>> = { dock: 'dock', riprap: 'riprap', oyster: 'oyster-bar' };
/** What a bottom says of cover where none was drawn. */
const COVER_OF_BOTTOM: Partial<Record<NonNullable<ChartFeature['bottom']>, Cover>> = {
  rock: 'chunk-rock',
  gravel: 'gravel',
  clay: 'clay',
  shell: 'shell',
};

/** Puts drawn covers, bottoms and structures into cells; later features lie over earlier ones, covers over bottoms. */
export function drawnOn(grid: Grid, epsg: number, features: readonly ChartFeature[]): Drawn {
  const cover = new Uint8Array(grid.cols * grid.rows);
  const structure = new Uint8Array(grid.cols * grid.rows);
  const { toChart } = chartProjection(epsg);
  const cellsOf = ({ shape }: ChartFeature): number[] => {
    if (shape.type === 'Polygon')
      return cellsInside(
        grid,
        shape.coordinates.map((ring) => ring.map(toChart)),
      );
    const points = shape.type === 'Point' ? [shape.coordinates] : shape.coordinates;
    return cellsAlong(grid, points.map(toChart), POINT_REACH_M);
  };
  const order = (feature: ChartFeature) => (feature.kind === 'bottom' ? 0 : 1);
  for (const feature of [...features].sort((a, b) => order(a) - order(b))) {
    const covers = feature.cover ?? (feature.bottom && COVER_OF_BOTTOM[feature.bottom]);
    const place = feature.structure ?? (feature.cover && STRUCTURE_OF_COVER[feature.cover]);
    if (!covers && !place) continue;
    for (const cell of cellsOf(feature)) {
      if (covers) cover[cell] = COVERS.indexOf(covers) + 1;
      if (place) structure[cell] = STRUCTURE_NUMBER[place];
    }
  }
  return { cover, structure };
}
