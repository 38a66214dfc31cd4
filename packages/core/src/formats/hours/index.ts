/** Hourly figures of weather, gauge and tide and nothing else: who reads these alone starts in a third of the time. */
export { GaugeHours, WeatherHours, type GaugeDay, type WeatherDay } from '../../contract/outside.js';
export { parse } from '../../contract/problems.js';
export { type LevelDay, levelDays, levelsOfColumn, TideGaugeColumn } from '../../tide/gauge-days.js';
export { isHourlyLayout, readHourlyLayout } from '../hourly-layout.js';
export { levelsOfSensorThings, readSensorThings } from '../sensor-things.js';
export { readTable, TableProblem } from '../table.js';
export { daysOfGauge, daysOfWeather } from '../weather-days.js';
export { guessWeatherMapping } from '../weather-mapping.js';
export { readWeather } from '../weather-table.js';
