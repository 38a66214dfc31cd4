import * as z from 'zod';
import { calendarDate, instant } from './fields.js';

/** A column of hourly figures; null where the service has none. Figures out of all reason are taken as missing. */
const column = (min: number, max: number) =>
  z
    .array(z.number().nullable(), { error: 'expected a list of numbers or nulls' })
    .max(200_000, { error: 'expected at most 200000 hours' })
    .transform((values) => values.map((value) => (value === null || value < min || value > max ? null : value)));

/**
 * Hourly weather as a service gives it: one column a quantity, every column from `firstHour` on in steps of an hour.
 * Hours from `forecastFrom` on are forecast, as issued at `issuedAt`.
 */
export const WeatherHours = z
  .object({
    source: z.string().min(1).max(80),
    issuedAt: instant,
    firstHour: instant,
    forecastFrom: instant,
    airTempC: column(-60, 60),
    dewPointC: column(-70, 40),
    windMps: column(0, 90),
    windFromDeg: column(0, 360),
    cloudFraction: column(0, 1),
    pressureHpa: column(850, 1090),
    rainMm: column(0, 300),
    solarWm2: column(0, 1500),
  })
  .refine(
    ({ airTempC, dewPointC, windMps }) => dewPointC.length === airTempC.length && windMps.length === airTempC.length,
    {
      error: 'expected columns of one length',
      path: ['airTempC'],
    },
  );
export type WeatherHours = z.infer<typeof WeatherHours>;

/** The weather of one local day, as means over its hours; rain is the day's sum. */
export const WeatherDay = z.object({
  date: calendarDate,
  kind: z.enum(['observed', 'forecast']),
  airTempC: z.number(),
  dewPointC: z.number(),
  windMps: z.number(),
  windFromDeg: z.number().nullable(),
  cloudFraction: z.number().min(0).max(1),
  pressureHpa: z.number().nullable(),
  rainMm: z.number(),
  /** Mean over all 24 hours; null where it must be worked out from cloud. */
  solarWm2: z.number().nullable(),
});
export type WeatherDay = z.infer<typeof WeatherDay>;

/** A day as it was forecast so many days before, and as it came. */
export const ForecastPair = z.object({ leadDays: z.int().min(1), forecast: WeatherDay, observed: WeatherDay });
export type ForecastPair = z.infer<typeof ForecastPair>;
/** Forecasts of these leads are kept, days, to be compared with what came. */
export const COMPARED_LEADS = [1, 2, 3, 5, 7] as const;

/** Most days of weather that are kept or let go in one piece. */
export const MAX_WEATHER_DAYS = 4000;
const someDays = { error: `expected from 1 to ${MAX_WEATHER_DAYS} days` };
/** Days of weather as a file told them. */
export const WeatherDays = z.strictObject({
  source: z.string().trim().min(1).max(80),
  days: z.array(WeatherDay).min(1, someDays).max(MAX_WEATHER_DAYS, someDays),
});
export type WeatherDays = z.infer<typeof WeatherDays>;
/** Dates of days of weather that are let go. */
export const WeatherDates = z.array(calendarDate).min(1, someDays).max(MAX_WEATHER_DAYS, someDays);

/** What a water gauge reads, hour by hour, in columns like the weather's. */
export const GaugeHours = z.object({
  source: z.string().min(1).max(80),
  issuedAt: instant,
  firstHour: instant,
  levelM: column(-100, 100),
  inflowM3s: column(0, 100_000),
  turbidityNtu: column(0, 10_000),
  /** Of the water at the gauge; left out where it has no thermometer. */
  waterTempC: column(-2, 40).optional(),
});
export type GaugeHours = z.infer<typeof GaugeHours>;

/** The gauge on one local day: level above the usual in metres, inflow, turbidity, water; null where it gave none. */
export const GaugeDay = z.object({
  date: calendarDate,
  levelM: z.number().nullable(),
  inflowM3s: z.number().nullable(),
  turbidityNtu: z.number().nullable(),
  waterTempC: z.number().nullish(),
});
export type GaugeDay = z.infer<typeof GaugeDay>;

/** How things stand with something outside: where it comes from, how old it is, and what went wrong last. */
export const OutsideState = z.object({
  source: z.string().nullable(),
  /** When it was made there. */
  issuedAt: instant.nullable(),
  /** When it was last brought here. */
  answeredAt: instant.nullable(),
  /** What went wrong the last time it was asked, in a sentence; null where it answered. */
  failure: z.string().nullable(),
  /** It has been asked and has not answered yet. */
  asking: z.boolean(),
});
export type OutsideState = z.infer<typeof OutsideState>;

/** What is known from outside at one water. */
export const OutsideAt = z.object({
  weather: OutsideState,
  gauge: OutsideState,
  weatherDays: z.array(WeatherDay),
  gaugeDays: z.array(GaugeDay),
});
export type OutsideAt = z.infer<typeof OutsideAt>;
