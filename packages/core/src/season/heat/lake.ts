import type { WeatherDay } from '../../contract/outside.js';
import type { Reading, Water, Zone } from '../../contract/records.js';
import { climateTempC } from '../climate.js';
import { dayNumber, yearDayOf } from '../../day/calendar.js';
import { driverOf, type Driver } from './driver.js';
import { filterZones, type ZoneCourse } from './filter.js';
import { fitZone, sharedFit, withFit, type ZoneFit } from './fit.js';
import { heatReadings, type HeatReading } from './readings.js';
import { zoneDistances, zoneHeat, zonesOf, type ZoneHeat } from './zone.js';

/** The model begins so long before today, or before the first reading, whichever is earlier. */
export const MIN_HISTORY_DAYS = 430;
const BEFORE_FIRST_READING_DAYS = 30;
/** No record is looked at further back than this. */
const MAX_HISTORY_DAYS = 11 * 366;
/** Depths and offsets are fitted to the readings of so many days. */
const FIT_DAYS = 3 * 366;

export interface LakeInput {
  readonly water: Water;
  readonly readings: readonly Reading[];
  /** Known weather, observed and forecast; may be empty. */
  readonly weather: readonly WeatherDay[];
  /** The local day that counts as today. */
  readonly today: string;
  readonly daysAhead: number;
}

export interface LakeZone extends ZoneCourse {
  readonly zone: Zone;
  readonly heat: ZoneHeat;
  readonly fit: ZoneFit;
}

/** Where a water stood on every day from `firstDay` on, and where it is likely to go. */
export interface Lake {
  readonly firstDay: number;
  readonly today: number;
  readonly driver: Driver;
  readonly zones: readonly LakeZone[];
  readonly readings: readonly HeatReading[];
  /** Readings that were hardly believed. */
  readonly outliers: readonly string[];
}

/** Fits each zone to its readings, then follows all of them through the weather to today and beyond. */
export function followLake({ water, readings, weather, today, daysAhead }: LakeInput): Lake {
  const zones = zonesOf(water);
  const now = dayNumber(today);
  // What lies in the future cannot have been read.
  const known = heatReadings(readings, zones, water.place.timeZone).filter(({ day }) => day <= now);
  const firstReading = known[0]?.day ?? now;
  const firstDay = Math.max(
    now - MAX_HISTORY_DAYS,
    Math.min(firstReading - BEFORE_FIRST_READING_DAYS, now - MIN_HISTORY_DAYS),
  );
  const driver = driverOf(water.place, weather, firstDay, now + daysAhead - firstDay + 1);
  const told = zones.map(zoneHeat);
  const pulls = told.map((zone) => driver.pullsOn(zone));
  const recent = known.filter(({ day }) => day > now - FIT_DAYS);
  const fitted = told.map((zone, index) =>
    fitZone(
      zone,
      pulls[index] ?? [],
      driver,
      recent.filter((reading) => reading.zone === index),
    ),
  );
  const shared = sharedFit(fitted.filter((fit) => fit !== undefined));
  const fits = fitted.map((fit) => fit ?? shared);
  const heats = told.map((zone, index) => withFit(zone, fits[index] as ZoneFit));
  const startC = climateTempC(water.place.latitude, yearDayOf(firstDay));
  const { zones: courses, outliers } = filterZones(heats, fits, pulls, zoneDistances(zones), driver, startC, known);
  return {
    firstDay,
    today: now,
    driver,
    readings: known,
    outliers,
    zones: zones.map((zone, index) => ({
      zone,
      heat: heats[index] as ZoneHeat,
      fit: fits[index] as ZoneFit,
      ...(courses[index] as ZoneCourse),
    })),
  };
}
