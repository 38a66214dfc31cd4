export { daysOfGauge, daysOfWeather } from './weather-days.js';
export { readTable, TableProblem, type TextTable } from './table.js';
export { DATE_ORDERS, type DateOrder } from './moments.js';
export * from './reading-mapping.js';
export * from './reading-table.js';
export { weatherFromTable } from './weather-table.js';
export { routeToGpx, type Waypoint } from './gpx.js';
export { guarded, unguarded } from './formula.js';
