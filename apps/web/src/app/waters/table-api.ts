import {
  guessReadingMapping,
  readReadings,
  readTable,
  TableProblem,
  type ReadingImport,
  type ReadingMapping,
  type TableContext,
  type TextTable,
} from '@inky-shoal/core/formats';

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

/** The reading of tables: apart from the engine, since few pages ever want it. */
export const tableApi = { readText };
export type TableApi = typeof tableApi;
