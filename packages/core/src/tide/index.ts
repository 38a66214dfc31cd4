export { NearStation, STATION_NEAR_KM } from '../contract/near-station.js';
export {
  CurrentStation,
  TideStation,
  TideStream,
  type TideConstituent,
  type TideOffsets,
  type TideOrigin,
} from '../contract/tide.js';
export { streamRuns, type StreamAt } from './stream.js';
export { StationInput } from './station-input.js';
export { constituentName, springAndNeapRangeM, tideHeights, tideTurns } from './harmonic.js';
export { calculateTide, tideDay, type TideDay, type TideDayInput, type TurnOfDay } from './day.js';
export type { TideHeight, TideTurn } from './course.js';
export { surgeOf, type GaugeLevel, type Surge, type WeatherAt } from './gauge.js';
export { airOfDays, type DayOfAir } from './day-air.js';
export { LevelDay, levelDays, levelsOfColumn, levelsOfDays, TideGaugeAt, TideGaugeColumn } from './gauge-days.js';
export { midnightMs } from './midnight.js';
