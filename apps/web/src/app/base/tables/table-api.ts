import {
  guessReadingMapping,
  guessWeatherMapping,
  readReadings,
  readTable,
  readWeather,
  TableProblem,
  type ReadingImport,
  type ReadingMapping,
  type TableContext,
  type TextTable,
  type WeatherContext,
  type WeatherImport,
  type WeatherMapping,
} from '@inky-shoal/core/formats';
import {
  guessTripMapping,
  readTrips,
  type TripImport,
  type TripMapping,
  type TripTableContext,
} from '@inky-shoal/core/underway';
import type { UnitSystem } from '@inky-shoal/core';

/** The head of a table and the first of its rows. */
export type TableSample = Pick<TextTable, 'header' | 'lines'>;

/** A table as it was read: a sample of it, how its columns were taken, and what that gave. */
interface Read<Mapping, Result> {
  readonly table: TableSample;
  readonly mapping: Mapping;
  readonly result: Result;
}
export type TableRead = Read<ReadingMapping, ReadingImport>;
export type WeatherRead = Read<WeatherMapping, WeatherImport>;
export type TripsRead = Read<TripMapping, TripImport>;

/** Reads a text as a table of something. A text that is no table is said in words. */
function asTable<Read>(text: string, read: (table: TextTable) => Read): Read | string {
  try {
    return read(readTable(text));
  } catch (error) {
    if (error instanceof TableProblem) return error.message;
    throw error;
  }
}

/** Rows of a table that are shown as they came. */
const SAMPLE_ROWS = 3;

/** What of a table is looked at: hundreds of thousands of lines are not sent back. */
const sampleOf = ({ header, lines }: TextTable): TableSample => ({ header, lines: lines.slice(0, SAMPLE_ROWS) });

/** Reads a text as readings; without a mapping the one it seems to want. */
const readText = (text: string, context: TableContext, mapping?: ReadingMapping): TableRead | string =>
  asTable(text, (table) => {
    const used = mapping ?? guessReadingMapping(table, context.units);
    return { table: sampleOf(table), mapping: used, result: readReadings(table, used, context) };
  });

/** Reads a text as weather; without a mapping the one it seems to want. */
const readWeatherText = (
  text: string,
  context: WeatherContext & { readonly units: UnitSystem },
  mapping?: WeatherMapping,
): WeatherRead | string =>
  asTable(text, (table) => {
    const used = mapping ?? guessWeatherMapping(table, context.units);
    return { table: sampleOf(table), mapping: used, result: readWeather(table, used, context) };
  });

/** Reads a text as trips of the past; without a mapping the one it seems to want. */
const readTripsText = (
  text: string,
  context: TripTableContext,
  withTwice: boolean,
  mapping?: TripMapping,
): TripsRead | string =>
  asTable(text, (table) => {
    const used = mapping ?? guessTripMapping(table, context.units);
    return { table: sampleOf(table), mapping: used, result: readTrips(table, used, context, withTwice) };
  });

/** The reading of tables: apart from the engine, since few pages ever want it. */
export const tableApi = { readText, readWeatherText, readTripsText };
export type TableApi = typeof tableApi;
