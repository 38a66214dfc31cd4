import { parentPort } from 'node:worker_threads';
import {
  daysOfGauge,
  daysOfWeather,
  type GaugeDay,
  GaugeHours,
  guessWeatherMapping,
  isHourlyLayout,
  type LevelDay,
  levelDays,
  levelsOfColumn,
  levelsOfSensorThings,
  parse,
  readHourlyLayout,
  readSensorThings,
  readTable,
  readWeather,
  TableProblem,
  TideGaugeColumn,
  type WeatherDay,
  WeatherHours,
} from '@inky-shoal/core/formats/hours';

/** A text of hourly figures, as a file or a service gave it. */
export interface HoursText {
  readonly as:
    'weather-csv' | 'weather-json' | 'gauge-json' | 'tide-gauge-json' | 'sensor-things' | 'sensor-things-levels';
  readonly text: string;
  readonly timeZone: string;
  /** Hours after this count as forecast, in a file. */
  readonly now: string;
}

/** The days that a text tells, or why it tells none, as the end of a sentence that begins with its source. */
export type HoursRead =
  | {
      readonly ok: true;
      /** As the text names it; null where it does not. */
      readonly source: string | null;
      readonly issuedAt: string;
      readonly days: readonly (WeatherDay | GaugeDay | LevelDay)[];
    }
  | { readonly ok: false; readonly why: 'no-json' | 'file' | 'shape'; readonly words: string };

function hoursIn({ as, text, timeZone, now }: HoursText): HoursRead {
  if (as === 'weather-csv') {
    try {
      const table = readTable(text);
      // Nobody is there to be asked: what has no unit is in SI, and a line that cannot be read refuses the file.
      const { days, problems } = readWeather(table, guessWeatherMapping(table, 'metric'), { timeZone, now });
      const [first] = problems;
      if (first) return { ok: false, why: 'file', words: `Line ${first.line}: ${first.message}.` };
      return { ok: true, source: 'a file', issuedAt: now, days };
    } catch (error) {
      if (error instanceof TableProblem) return { ok: false, why: 'file', words: error.message };
      throw error;
    }
  }
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return { ok: false, why: 'no-json', words: '' };
  }
  const refused = (problems: readonly { path: string; message: string }[]): HoursRead => {
    const [first] = problems;
    const where = first?.path ? `${first.path}: ` : '';
    return { ok: false, why: 'shape', words: `${where}${first?.message ?? 'another shape'}` };
  };
  if (as === 'sensor-things') {
    const read = readSensorThings(body, now);
    if (!read.ok) return { ...read, why: 'shape' };
    const days = daysOfGauge({ ...read.hours, source: as }, timeZone);
    return { ok: true, source: null, issuedAt: read.hours.issuedAt, days };
  }
  if (as === 'sensor-things-levels') {
    const read = levelsOfSensorThings(body, now);
    if (!read.ok) return { ...read, why: 'shape' };
    return { ok: true, source: null, issuedAt: now, days: levelDays(read.levels) };
  }
  if (as === 'tide-gauge-json') {
    const column = parse(TideGaugeColumn, body);
    if (!column.ok) return refused(column.problems);
    const { source, issuedAt } = column.value;
    return { ok: true, source, issuedAt, days: levelDays(levelsOfColumn(column.value)) };
  }
  if (as === 'weather-json' && isHourlyLayout(body)) {
    const read = readHourlyLayout(body, { timeZone, now });
    return read.ok ? { ok: true, source: null, issuedAt: now, days: read.days } : { ...read, why: 'shape' };
  }
  if (as === 'weather-json') {
    const hours = parse(WeatherHours, body);
    if (!hours.ok) return refused(hours.problems);
    const { source, issuedAt } = hours.value;
    return { ok: true, source, issuedAt, days: daysOfWeather(hours.value, timeZone) };
  }
  const hours = parse(GaugeHours, body);
  if (!hours.ok) return refused(hours.problems);
  const { source, issuedAt } = hours.value;
  return { ok: true, source, issuedAt, days: daysOfGauge(hours.value, timeZone) };
}

parentPort?.on('message', (text: HoursText) => {
  try {
    parentPort?.postMessage({ read: hoursIn(text) });
  } catch (error) {
    parentPort?.postMessage({ failure: (error as Error).message });
  }
});
