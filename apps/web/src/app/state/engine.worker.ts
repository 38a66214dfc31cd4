import {
  guessReadingMapping,
  othersWould,
  planDay,
  readReadings,
  readTable,
  ruleLibrary,
  rulesToday,
  seasonYear,
  TableProblem,
  tippingPoints,
  type ReadingImport,
  type ReadingMapping,
  type TableContext,
  type TextTable,
} from '@inky-shoal/core';
import { expose } from 'comlink';

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

/** The core, beside the page so that it never holds it up. */
const engine = { planDay, tippingPoints, othersWould, ruleLibrary, rulesToday, seasonYear, readText };
export type Engine = typeof engine;

expose(engine);
