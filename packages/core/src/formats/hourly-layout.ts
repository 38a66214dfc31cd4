import * as z from 'zod';
import type { WeatherDay } from '../contract/outside.js';
import { parse } from '../contract/problems.js';
import type { TextTable } from './table.js';
import { guessWeatherMapping, isUnitOf, MEASURE_OF } from './weather-mapping.js';
import { readWeather, type WeatherContext } from './weather-table.js';

const MOST_HOURS = 200_000;
const Column = z
  .array(z.union([z.number(), z.string(), z.null()]), { error: 'expected a list' })
  .max(MOST_HOURS, { error: `expected at most ${MOST_HOURS} hours` });
const Units = z.record(z.string(), z.unknown()).optional();

/**
 * The open layout of hourly forecasts: lists of one length side by side under `hourly`, a `time` among them, and what
 * they are in under `hourly_units`. Times are ISO on a clock `utc_offset_seconds` ahead of UTC, or seconds since 1970.
 */
const HourlyLayout = z.object({
  utc_offset_seconds: z.number().min(-86_400).max(86_400).nullish(),
  hourly_units: Units,
  hourly: z
    .record(z.string(), z.unknown())
    .refine((columns) => Array.isArray(columns['time']), { error: 'expected a list of times', path: ['time'] }),
});

/** Whether a body is of that layout, sound or not. */
export const isHourlyLayout = (body: unknown): boolean =>
  typeof body === 'object' && body !== null && typeof (body as { hourly?: unknown }).hourly === 'object';

/** What is told of the same hours but is not what an angler's day is worked out from. */
const OTHER = /apparent|feels|soil|sea|gust|probab|duration|direct_|diffuse|_(80|100|120|180)m|_(low|mid|high)$/i;

export type HourlyRead =
  | { readonly ok: true; readonly days: readonly WeatherDay[] }
  /** What is wrong and where. */
  | { readonly ok: false; readonly words: string };

const offsetOf = (seconds: number): string => {
  const minutes = Math.abs(Math.round(seconds / 60));
  const two = (value: number) => String(value).padStart(2, '0');
  return `${seconds < 0 ? '-' : '+'}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
};

/** An hour as a moment with its offset, where it has none. */
function momentIn(time: number | string | null, offset: string): string {
  if (typeof time === 'number') return new Date(time * 1000).toISOString();
  const text = time ?? '';
  return /(Z|[+-]\d\d:?\d\d)$/.test(text.slice(10)) ? text : `${text}${offset}`;
}

/**
 * Reads weather in the open hourly layout into days on the water's clock. Units are those that the answer states, SI
 * where it states none; hours without air temperature stay missing.
 */
export function readHourlyLayout(body: unknown, context: WeatherContext): HourlyRead {
  const checked = parse(HourlyLayout, body);
  if (!checked.ok) {
    const [first] = checked.problems;
    return { ok: false, words: `${first?.path ?? 'hourly'}: ${first?.message ?? 'another shape'}` };
  }
  const { hourly, hourly_units: units = {}, utc_offset_seconds: ahead } = checked.value;
  const names = ['time', ...Object.keys(hourly).filter((name) => name !== 'time' && !OTHER.test(name))];
  const columns: (number | string | null)[][] = [];
  for (const name of names) {
    const column = parse(Column, hourly[name]);
    if (!column.ok) return { ok: false, words: `hourly.${name}: ${column.problems[0]?.message ?? 'expected a list'}` };
    if (column.value.length !== (columns[0] ?? column.value).length)
      return { ok: false, words: `hourly.${name}: expected as many hours as there are times` };
    columns.push(column.value);
  }
  const unitOf = (name: string): string => {
    const unit = units[name];
    return typeof unit === 'string' ? unit.replace(/^mp\/h$/i, 'mph') : '';
  };
  const offset = offsetOf(ahead ?? 0);
  const [times = [], ...figures] = columns;
  const table: TextTable = {
    delimiter: ',',
    header: names.map((name) => (name === 'time' ? 'time' : `${name} (${unitOf(name)})`)),
    lines: times.map((time, at) => ({
      line: at,
      cells: [momentIn(time, offset), ...figures.map((column) => String(column[at] ?? ''))],
    })),
    decimalComma: false,
  };
  const guessed = guessWeatherMapping(table, 'metric');
  const mapping = { ...guessed, roles: ['date' as const, ...guessed.roles.slice(1)] };
  for (const [at, role] of mapping.roles.entries()) {
    const [measure, name = ''] = [MEASURE_OF[role], names[at]];
    const unit = unitOf(name);
    if (measure && unit && !isUnitOf(measure, unit))
      return { ok: false, words: `hourly_units.${name}: expected a unit that is known, got "${unit.slice(0, 20)}"` };
  }
  const airs = figures[mapping.roles.indexOf('air') - 1];
  const { days, problems } = readWeather(
    airs ? { ...table, lines: table.lines.filter((_, at) => airs[at] !== null) } : table,
    mapping,
    context,
  );
  const [first] = problems;
  return first ? { ok: false, words: `hourly, hour ${first.line}: ${first.message}` } : { ok: true, days };
}
