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
import type { UnitSystem } from '@inky-shoal/core';

export interface TableRead {
  readonly table: TextTable;
  readonly mapping: ReadingMapping;
  readonly result: ReadingImport;
}

/** Reads a text as readings; without a mapping the one it seems to want. A text that is no table is said in words. */
function readText(text: string, context: TableContext, mapping?: ReadingMapping): TableRead | string {
  try {
    const table = readTable(text);
    const used = mapping ?? guessReadingMapping(table, context.units);
    return { table, mapping: used, result: readReadings(table, used, context) };
  } catch (error) {
    if (error instanceof TableProblem) return error.message;
    throw error;
  }
}

export interface WeatherRead {
  readonly table: Pick<TextTable, 'header' | 'lines'>;
  readonly mapping: WeatherMapping;
  readonly result: WeatherImport;
}

/** Rows of a table that are shown as they came. */
const SAMPLE_ROWS = 3;

/** Reads a text as weather; without a mapping the one it seems to want. A text that is no table is said in words. */
function readWeatherText(
  text: string,
  context: WeatherContext & { readonly units: UnitSystem },
  mapping?: WeatherMapping,
): WeatherRead | string {
  try {
    const table = readTable(text);
    const used = mapping ?? guessWeatherMapping(table, context.units);
    // Hundreds of thousands of lines are not sent back: only what is looked at.
    const sample = { header: table.header, lines: table.lines.slice(0, SAMPLE_ROWS) };
    return { table: sample, mapping: used, result: readWeather(table, used, context) };
  } catch (error) {
    if (error instanceof TableProblem) return error.message;
    throw error;
  }
}

/** The reading of tables: apart from the engine, since few pages ever want it. */
export const tableApi = { readText, readWeatherText };
export type TableApi = typeof tableApi;
