export { daysOfGauge, daysOfWeather } from './weather-days.js';
export { readTable, TableProblem, type TextTable } from './table.js';
export { DATE_ORDERS, type DateOrder } from './moments.js';
export * from './reading-mapping.js';
export * from './reading-table.js';
export { readWeather, type WeatherContext, type WeatherImport } from './weather-table.js';
export {
  guessWeatherMapping,
  MEASURE_OF,
  WEATHER_ROLES,
  WEATHER_UNITS,
  type WeatherMapping,
  type WeatherMeasure,
  type WeatherRole,
  type WeatherUnits,
} from './weather-mapping.js';
export { isHourlyLayout, readHourlyLayout, type HourlyRead } from './hourly-layout.js';
export { levelsOfSensorThings, readSensorThings, type SensorThingsRead } from './sensor-things.js';
export { routeToGpx, type Waypoint } from './gpx.js';
export { guarded, unguarded } from './formula.js';
export { csvOf, readingsToCsv } from './csv-text.js';
