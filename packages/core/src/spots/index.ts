export {
  ChartSession,
  type ChartDay,
  type HourSpots,
  type PlacedRun,
  type PlacedSpot,
  type RunRequest,
} from './chart-session.js';
export { drawnOn } from './drawn.js';
export { nameForms, structureOf, type Drawn, type NamedForms } from './forms.js';
export { groundOf, type Ground } from './ground.js';
export { holdingModel, momentAt, type HoldingModel } from './holding-model.js';
export { heat, scan, type Scan } from './scan.js';
export { bestCells, describeSpots, type Spot, type SpotDay, type SpotFilter } from './spots.js';
export { likeness, moreLike } from './alike.js';
export { bestRun, runAlong, type Run, type RunProblem, type RunSpot, type RunStop } from './run.js';
export { judgeSpots } from './spot-day.js';
export { readGround } from './read-ground.js';
