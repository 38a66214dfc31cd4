import { bedFromBytes, cellAt, chartProjection, type LonLat } from '@inky-shoal/core/chart';
import { demoCharts, type DemoChart } from '@inky-shoal/demo';
import { Boat, type Faults, type Leg, type Water } from './boat.js';

/** How a boat on a lake runs between stops, and how long it stays at each. */
const RUN_MPS = 8;
const STAY_S = 600;
/** What the water is on the demo's morning: a degree warmer up the arms than at the dam, degrees Celsius. */
const LOWER_C = 12.4;
const C_PER_DEGREE_NORTH = 12;
/** What a line on a small boat loses: a sentence in fifty garbled, one in a hundred wrong, now and then half a minute. */
export const USUAL_FAULTS: Faults = { badChecksum: 0.01, garbled: 0.02, silentEvery: 420, silentFor: 30 };

/** Depth under a point of a chart; 0 on land and where nothing is known. */
function depthOn({ frame, bed }: DemoChart): Water['depthM'] {
  const { toChart } = chartProjection(frame.epsg);
  const grid = bedFromBytes(frame, bed);
  return (at) => {
    const bedM = grid.values[cellAt(grid, toChart(at))] ?? Number.NaN;
    return Number.isNaN(bedM) ? 0 : Math.max(0, -bedM);
  };
}

const pointsOf = ({ features }: DemoChart, kind: 'ramp' | 'mark'): LonLat[] =>
  features.flatMap((each) => (each.kind === kind && each.shape.type === 'Point' ? [each.shape.coordinates] : []));

/** The boat of the demo: from the ramp of its lake over the marks on the chart, again and again. */
export function demoBoat(): Boat {
  const [chart] = demoCharts();
  if (!chart) throw new Error('The demo has no chart to run a boat on');
  const marks = pointsOf(chart, 'mark');
  const start = pointsOf(chart, 'ramp')[0] ?? marks[0];
  if (!start) throw new Error('The demo has no ramp and no mark to run a boat between');
  const legs: Leg[] = Array.from({ length: 12 }, () => marks)
    .flat()
    .map((to) => ({ to, staySeconds: STAY_S }));
  return new Boat(start, legs, RUN_MPS, {
    depthM: depthOn(chart),
    tempC: ([, latitude]) => LOWER_C + C_PER_DEGREE_NORTH * (latitude - start[1]),
  });
}
