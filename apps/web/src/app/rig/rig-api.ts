import { TableProblem } from '@inky-shoal/core/formats';
import { matchDay } from '@inky-shoal/core/tackle/match';
import { calculate, type CalculationName, type Calculated } from '@inky-shoal/core/mechanics';
import { readTackleCsv, type TackleImport, type TackleItem } from '@inky-shoal/core/tackle';
import type { UnitSystem } from '@inky-shoal/core';
import { v7 as uuid } from 'uuid';

/** How a table of tackle is to be read: what its columns hold, where that is told, and whose units it is in. */
export interface TackleReading {
  readonly roles?: readonly (string | null)[];
  readonly units: UnitSystem;
}

/** Reads tackle from text; a text that is no table of tackle is said in words. */
function readTackle(
  text: string,
  owned: readonly TackleItem[],
  how: TackleReading,
  onProgress: (share: number) => void,
): TackleImport | string {
  try {
    return readTackleCsv(text, { owned, newId: uuid, onProgress, ...how });
  } catch (error) {
    if (error instanceof TableProblem) return error.message;
    throw error;
  }
}

const calc = (name: CalculationName, value: unknown): Calculated => calculate(name, value);

/** The arithmetic of rigs, apart from the engine: the first page does not want it. */
export const rigApi = { matchDay, readTackle, calc };
export type RigApi = typeof rigApi;
