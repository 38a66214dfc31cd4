import Papa from 'papaparse';
import type { Reading, Water } from '../contract/records.js';
import { guarded } from './formula.js';

/** Rows as CSV (RFC 4180), quoted where needed, and guarded against being taken for formulas. */
export const csvOf = (rows: readonly (readonly (string | number | null | undefined)[])[]): string =>
  `${Papa.unparse(
    rows.map((row) => row.map((cell) => guarded(cell === null || cell === undefined ? '' : String(cell)))),
    { newline: '\r\n' },
  )}\r\n`;

type WaterNamed = Pick<Water, 'id' | 'name' | 'zones'>;

/** Readings as CSV, units in the head: what is written is read again by the same names. */
export function readingsToCsv(waters: readonly WaterNamed[], readings: readonly Reading[]): string {
  const names = new Map(waters.map(({ id, name }) => [id, name]));
  const zones = new Map(waters.flatMap(({ zones: of = [] }) => of.map(({ id, name }) => [id, name] as const)));
  return csvOf([
    ['water', 'time', 'water temp C', 'visibility m', 'zone', 'suspect'],
    ...readings.map(({ waterId, at, surfaceTempC, visibilityM, zoneId, suspect }) => [
      names.get(waterId) ?? waterId,
      at,
      surfaceTempC,
      visibilityM,
      zones.get(zoneId ?? '') ?? '',
      suspect ? 'yes' : '',
    ]),
  ]);
}
