import { Conditions, type PlanDraft, type Water } from '@inky-shoal/core';
import { DEMO_TACKLE } from './tackle.js';
import { writtenReadings } from './written.js';
import { ferrow, FORMER_WATERS, id, ternHollow } from './waters.js';

/** Raised whenever the demo data changes, so that an older demo book is made anew. */
export const DEMO_VERSION = 9;

const plan = (name: string, water: Water, date: string, more: Record<string, unknown>): PlanDraft => ({
  name,
  waterId: water.id,
  units: 'us',
  conditions: Conditions.parse({
    discipline: water.discipline,
    date,
    place: water.place,
    waterKind: water.waterKind,
    yearLowC: 4,
    normalVisibilityM: water.normalVisibilityM,
    maxDepthM: water.maxDepthM,
    structures: water.structures,
    covers: water.covers,
    ...more,
  }),
});

/** Everything made up that ships: waters with their zones, a season and a half of readings, two plans. */
export const DEMO = {
  waters: [ferrow, ternHollow],
  formerWaters: FORMER_WATERS,
  readings: writtenReadings(),
  tackle: DEMO_TACKLE,
  plans: [
    {
      id: id('2027-03-05T20:00:00Z'),
      createdAt: '2027-03-05T20:00:00Z',
      draft: plan('Last Saturday, steep banks', ferrow, '2027-03-06', {
        window: { from: '06:00', to: '15:00' },
        surfaceTempC: 9.2,
        tempTrendCPerDay: 0.2,
        visibilityM: 1.7,
        sky: 'overcast',
        windMps: 5,
        windFromDeg: 200,
      }),
    },
    {
      id: id('2027-03-10T21:00:00Z'),
      createdAt: '2027-03-10T21:00:00Z',
      draft: plan('After the front', ferrow, '2027-03-11', {
        window: { from: '06:00', to: '14:00' },
        surfaceTempC: 9.8,
        tempTrendCPerDay: -0.1,
        visibilityM: 1.9,
        sky: 'clear',
        windMps: 2,
        windFromDeg: 340,
        front: 'post-frontal',
      }),
    },
  ],
} as const;
export { FERROW_CLIMATE, FERROW_ZONES, TERN_CLIMATE, TERN_ZONES } from './outside/places.js';
export { trueDayC, trueSurfaceC } from './readings.js';
export { weatherDays, weatherHours, FORECAST_DAYS } from './outside/days.js';
export { trueLake, LAYER_M, type TrueCourse, type TrueZone } from './outside/lake.js';
export { forecastAt, issueMs, weatherAt, type Climate, type Hour } from './outside/weather.js';
export { gaugeHours } from './outside/gauge.js';
export { gaugeError, type GaugeError } from './outside/gauge-error.js';
export { tideGaugeLevels, trueSurgeM } from './outside/tide-gauge.js';
export { DEMO_NOW } from './clock.js';
export { seeded } from './random.js';
export { demoCharts, type DemoChart } from './chart/index.js';
export { demoForecasts, forecastsUntil, type MadeForecast } from './forecasts.js';
export { demoReadings, demoTruth } from './truth.js';
export { demoTripEvents } from './trip-events.js';
