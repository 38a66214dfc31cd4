export type { TideConstituent, TideOffsets, TideStation } from './station.js';
export { StationInput } from './station-input.js';
export { springAndNeapRangeM, tideHeights, tideTurns, type TideHeight, type TideTurn } from './harmonic.js';
export { calculateTide, tideDay, type TideDay, type TideDayInput, type TurnOfDay } from './day.js';
