import {
  MEASURE_OF,
  WEATHER_UNITS,
  type WeatherMapping,
  type WeatherMeasure,
  type WeatherRole,
} from '@inky-shoal/core/formats';
import { unitChoices } from '../ui/unit-choices';

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
export const weatherUnitChoices = (mapping: WeatherMapping | undefined) =>
  unitChoices(
    [...new Set(mapping?.roles.flatMap((role) => MEASURE_OF[role] ?? []))],
    MEASURE_NAMES,
    (measure) => Object.keys(WEATHER_UNITS[measure]),
    mapping?.units,
  );
