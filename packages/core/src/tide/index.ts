export { NearStation, STATION_NEAR_KM } from '../contract/near-station.js';
export { TideStation, type TideConstituent, type TideOffsets, type TideOrigin } from '../contract/tide.js';
export { StationInput } from './station-input.js';
export {
  constituentName,
  springAndNeapRangeM,
  tideHeights,
  tideTurns,
  type TideHeight,
  type TideTurn,
} from './harmonic.js';
export { calculateTide, tideDay, type TideDay, type TideDayInput, type TurnOfDay } from './day.js';
