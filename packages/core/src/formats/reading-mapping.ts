import { LIMITS } from '../contract/limits.js';
import type { UnitSystem } from '../units/units.js';
import { dateOrderOf, looksLikeDate, type DateOrder } from './moments.js';
import { roughFigureIn, type TextTable } from './table.js';

/** What a column of a table of readings holds. */
export const COLUMN_ROLES = ['date', 'time', 'temp', 'visibility', 'depth', 'zone', 'ignore'] as const;
export type ColumnRole = (typeof COLUMN_ROLES)[number];

/** How a table of readings is to be read. */
export interface ReadingMapping {
  /** One a column. */
  readonly roles: readonly ColumnRole[];
  readonly tempUnit: 'C' | 'F';
  readonly depthUnit: 'm' | 'ft';
  readonly dateOrder: DateOrder;
}

const WORDS: readonly (readonly [ColumnRole, RegExp])[] = [
  ['time', /^(time|hour|clock|uhrzeit|heure)\b/i],
  ['date', /\b(date|day|when|at|timestamp|datetime|moment|datum)\b|^(date|when)/i],
  ['visibility', /vis|secchi|clar|seen|sicht/i],
  ['depth', /depth|deep|tiefe|profond/i],
  ['temp', /temp|water|wasser|surface|°|deg/i],
  ['zone', /zone|where|place|arm|area|spot|site|location/i],
];
const FEET = /\bft\b|feet|\(ft\)|_ft/i;
const METRES = /\bm\b|met(er|re)|\(m\)|_m$/i;
const FAHRENHEIT = /°\s*f|\(f\)|_f$|fahrenheit|\bf\b|degf|tempf/i;
const CELSIUS = /°\s*c|\(c\)|_c$|celsius|\bc\b|degc|tempc/i;

const looksLikeTime = (cell: string) => /^\d{1,2}([:h]\d{2}|\s*[ap]m)/i.test(cell);

/** What a column without a telling head holds, by its cells and what is still missing. */
function roleByCells(cells: readonly string[], decimalComma: boolean, taken: ReadonlySet<ColumnRole>): ColumnRole {
  const filled = cells.filter(Boolean);
  const most = (test: (cell: string) => boolean) => filled.length > 0 && filled.filter(test).length > filled.length / 2;
  if (!taken.has('date') && most(looksLikeDate)) return 'date';
  if (!taken.has('time') && most(looksLikeTime)) return 'time';
  if (most((cell) => roughFigureIn(cell, decimalComma) !== undefined)) {
    if (!taken.has('temp')) return 'temp';
    return taken.has('visibility') ? 'ignore' : 'visibility';
  }
  return !taken.has('zone') && filled.length > 0 ? 'zone' : 'ignore';
}

/** The unit of temperatures by what stands at them, else by the figures: over 40 is no lake in C, under 32 is none in F. */
function tempUnitOf(title: string, temps: readonly number[], units: UnitSystem): 'C' | 'F' {
  if (FAHRENHEIT.test(title)) return 'F';
  if (CELSIUS.test(title)) return 'C';
  const most = (test: (temp: number) => boolean) => temps.filter(test).length > temps.length / 2;
  if (most((temp) => temp > LIMITS.surfaceTempC[1])) return 'F';
  if (most((temp) => temp < 32)) return 'C';
  return units === 'us' ? 'F' : 'C';
}

/** How a table seems to want to be read: by the words of its head, then by what its cells look like. */
export function guessReadingMapping(table: TextTable, units: UnitSystem): ReadingMapping {
  const { header, lines, decimalComma } = table;
  const columns = Math.max(header?.length ?? 0, ...lines.slice(0, 50).map(({ cells }) => cells.length));
  const cellsOf = (column: number) => lines.slice(0, 50).map(({ cells }) => cells[column] ?? '');
  const taken = new Set<ColumnRole>();
  const take = (role: ColumnRole): ColumnRole => {
    if (role !== 'ignore' && taken.has(role)) return 'ignore';
    taken.add(role);
    return role;
  };
  const roles: (ColumnRole | undefined)[] = Array.from({ length: columns }, (_, column) => {
    const title = header?.[column] ?? '';
    const role = WORDS.find(([, words]) => words.test(title))?.[0];
    return role && take(role);
  });
  const whole = roles.map(
    (role, column) => role ?? (header?.[column] ? 'ignore' : take(roleByCells(cellsOf(column), decimalComma, taken))),
  );
  // A head whose words say nothing is no help: its columns are judged by their cells.
  if (header && !(whole.includes('temp') && whole.includes('date'))) {
    whole.forEach((role, column) => {
      if (role === 'ignore') whole[column] = take(roleByCells(cellsOf(column), decimalComma, taken));
    });
  }
  const column = (role: ColumnRole) => whole.indexOf(role);
  const figures = (role: ColumnRole) =>
    column(role) < 0 ? [] : cellsOf(column(role)).flatMap((cell) => roughFigureIn(cell, decimalComma)?.figure ?? []);
  const tempTitle = `${header?.[column('temp')] ?? ''} ${cellsOf(column('temp'))[0] ?? ''}`;
  const depthTitle = `${header?.[column('visibility')] ?? ''} ${header?.[column('depth')] ?? ''}`;
  return {
    roles: whole,
    tempUnit: tempUnitOf(tempTitle, figures('temp'), units),
    depthUnit: FEET.test(depthTitle) ? 'ft' : METRES.test(depthTitle) ? 'm' : units === 'us' ? 'ft' : 'm',
    dateOrder: dateOrderOf(
      column('date') < 0 ? [] : lines.map(({ cells }) => cells[column('date')] ?? ''),
      table.delimiter === ';' || decimalComma ? 'dmy' : 'mdy',
    ),
  };
}
