import {
  MEASURE_OF,
  WEATHER_UNITS,
  type WeatherMapping,
  type WeatherMeasure,
  type WeatherRole,
} from '@inky-shoal/core/formats';

/** What a column of weather tells. */
export const WEATHER_ROLE_NAMES: Readonly<Record<WeatherRole, string>> = {
  date: 'day (and hour)',
  time: 'hour',
  air: 'air temperature',
  high: 'highest air',
  low: 'lowest air',
  dew: 'dew point',
  humidity: 'humidity, %',
  wind: 'wind',
  windFrom: 'wind from, degrees',
  cloud: 'cloud',
  pressure: 'pressure',
  rain: 'rain',
  solar: 'sun, W/m²',
  ignore: 'nothing of use',
};
const MEASURE_NAMES: Readonly<Record<WeatherMeasure, string>> = {
  temp: 'Temperatures in',
  wind: 'Wind in',
  rain: 'Rain in',
  pressure: 'Pressure in',
  cloud: 'Cloud in',
};

/** The units of what stands in a table of weather, each with those that it may be told in. */
export function weatherUnitChoices(mapping: WeatherMapping | undefined) {
  const measures = new Set(mapping?.roles.flatMap((role) => MEASURE_OF[role] ?? []));
  return [...measures].map((measure) => ({
    measure,
    name: MEASURE_NAMES[measure],
    unit: mapping?.units[measure] ?? '',
    choices: Object.keys(WEATHER_UNITS[measure]).map((id) => ({ id, name: id })),
  }));
}
