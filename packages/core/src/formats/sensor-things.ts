import * as z from 'zod';
import type { GaugeHours } from '../contract/outside.js';
import { parse } from '../contract/problems.js';
import type { GaugeLevel } from '../tide/gauge.js';

const HOUR_MS = 3_600_000;
const MOST_HOURS = 200_000;

const Named = z.object({ name: z.string().optional(), description: z.string().nullish() });
const Observation = z.object({
  /** An instant, or a stretch of time as two parted by a stroke. */
  phenomenonTime: z.string(),
  result: z.union([z.number(), z.string(), z.null()]),
});
const Datastream = Named.extend({
  unitOfMeasurement: z.object({ name: z.string().nullish(), symbol: z.string().nullish() }),
  ObservedProperty: Named.optional(),
  Observations: z.array(Observation),
});
/** Datastreams with what they observe and their observations expanded (OGC SensorThings API 1.1, 18-088). */
const Datastreams = z.object({ value: z.array(Datastream, { error: 'expected a list of Datastreams' }) });
type Datastream = z.infer<typeof Datastream>;

type Column = 'levelM' | 'inflowM3s' | 'turbidityNtu' | 'waterTempC';
type ToSi = (value: number) => number;
const same: ToSi = (value) => value;
const times =
  (factor: number): ToSi =>
  (value) =>
    value * factor;

/** What a gauge measures: the words that it is known by, and its units with what brings them to SI. */
const MEASURED: Readonly<
  Record<Column, { readonly words: RegExp; readonly units: readonly (readonly [RegExp, ToSi])[] }>
> = {
  turbidityNtu: { words: /turbid/i, units: [[/ntu|fnu|ftu|nephelometric/i, same]] },
  inflowM3s: {
    words: /discharge|inflow|stream ?flow|flow rate|\bflow\b/i,
    units: [
      [/^(m3\/s|m³\/s|m\^3\/s|m3 s-1|cms|cubic met(re|er)s? per second)$/i, same],
      [/^(ft3\/s|ft³\/s|ft\^3\/s|cfs|cubic feet per second)$/i, times(0.028316846592)],
      [/^(l\/s|lit(re|er)s? per second)$/i, times(0.001)],
    ],
  },
  waterTempC: {
    words: /temp/i,
    units: [
      [/^(°\s*c|deg ?c|cel|c|degrees? celsius)$/i, same],
      [/^(°\s*f|deg ?f|f|degrees? fahrenheit)$/i, (value) => (value - 32) / 1.8],
      [/^(k|kelvin)$/i, (value) => value - 273.15],
    ],
  },
  levelM: {
    words: /level|stage|gage height|gauge height|elevation/i,
    units: [
      [/^(m|met(re|er)s?)$/i, same],
      [/^(cm|centimet(re|er)s?)$/i, times(0.01)],
      [/^(mm|millimet(re|er)s?)$/i, times(0.001)],
      [/^(ft|foot|feet)$/i, times(0.3048)],
    ],
  },
};
const COLUMNS = Object.keys(MEASURED) as Column[];
/** Temperatures that are not the water's. */
const DRY = /air|ambient|box|battery|internal/i;

export type SensorThingsRead =
  | { readonly ok: true; readonly hours: Omit<GaugeHours, 'source'> }
  /** What is wrong and where. */
  | { readonly ok: false; readonly words: string };

const wordsOf = ({ name, ObservedProperty: of }: Datastream) => [of?.name, name, of?.description].filter(Boolean);

function columnOf(stream: Datastream): Column | undefined {
  // What is observed says more than how its stream happens to be called.
  for (const words of wordsOf(stream)) {
    const column = COLUMNS.find((each) => MEASURED[each].words.test(words ?? ''));
    if (column)
      return column === 'waterTempC' && wordsOf(stream).some((each) => DRY.test(each ?? '')) ? undefined : column;
  }
  return undefined;
}

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return ((sorted[Math.floor(middle)] ?? 0) + (sorted[Math.ceil(middle) - 1] ?? 0)) / 2;
};

interface Observed {
  readonly atMs: number;
  readonly value: number;
}
type Refused = Extract<SensorThingsRead, { ok: false }>;

/** What the streams of a gauge observed, each in SI; what is no quantity of water is passed over. */
function seriesOf(
  body: unknown,
  now: string,
): { readonly ok: true; readonly series: Map<Column, Observed[]> } | Refused {
  const checked = parse(Datastreams, body);
  if (!checked.ok) {
    const [first] = checked.problems;
    return { ok: false, words: `${first?.path ?? 'value'}: ${first?.message ?? 'another shape'}` };
  }
  const nowMs = Date.parse(now);
  const series = new Map<Column, Observed[]>();
  for (const [at, stream] of checked.value.value.entries()) {
    const column = columnOf(stream);
    // A second stream of the same is of another depth or another make: the first stands.
    if (!column || series.has(column)) continue;
    const { symbol, name } = stream.unitOfMeasurement;
    const units = [symbol, name].filter((unit): unit is string => !!unit?.trim());
    const toSi = MEASURED[column].units.find(([known]) => units.some((unit) => known.test(unit.trim())))?.[1];
    if (!toSi)
      return {
        ok: false,
        words: `value[${at}].unitOfMeasurement: expected a unit that is known, got "${units[0] ?? ''}"`,
      };
    const observed: Observed[] = [];
    for (const { phenomenonTime, result } of stream.Observations) {
      const atMs = Date.parse(phenomenonTime.split('/')[0] ?? '');
      const value = typeof result === 'string' && result.trim() ? Number(result) : result;
      if (typeof value !== 'number' || !Number.isFinite(value)) continue;
      if (Number.isNaN(atMs))
        return {
          ok: false,
          words: `value[${at}].Observations: expected instants, got "${phenomenonTime.slice(0, 30)}"`,
        };
      if (atMs <= nowMs) observed.push({ atMs, value: toSi(value) });
    }
    series.set(column, observed);
  }
  return { ok: true, series };
}

/**
 * Reads the levels that a gauge of tidal water observed, metres over its own zero, at their instants.
 * @param now observations after it are left out
 */
export function levelsOfSensorThings(
  body: unknown,
  now: string,
): { readonly ok: true; readonly levels: readonly GaugeLevel[] } | Refused {
  const read = seriesOf(body, now);
  if (!read.ok) return read;
  const levels = read.series.get('levelM') ?? [];
  if (!levels.length) return { ok: false, words: 'it has no level of these days' };
  return { ok: true, levels: levels.map(({ atMs, value }) => ({ atMs, levelM: value })) };
}

/** Means by the hour. */
function byHour(observed: readonly Observed[]): Map<number, { sum: number; count: number }> {
  const hours = new Map<number, { sum: number; count: number }>();
  for (const { atMs, value } of observed) {
    const hour = Math.floor(atMs / HOUR_MS);
    const so = hours.get(hour) ?? { sum: 0, count: 0 };
    hours.set(hour, { sum: so.sum + value, count: so.count + 1 });
  }
  return hours;
}

/**
 * Reads what a gauge observed into hours, the mean of each: level, discharge, turbidity and the water's temperature; what
 * else it observes is passed over. Levels count from their own median, since gauges have zeros of their own.
 * @param now observations after it are left out, and the figures count as made then where there are none
 */
export function readSensorThings(body: unknown, now: string): SensorThingsRead {
  const read = seriesOf(body, now);
  if (!read.ok) return read;
  const found = new Map([...read.series].map(([column, observed]) => [column, byHour(observed)]));
  const last = [...read.series.values()].flat().reduce((latest, { atMs }) => Math.max(latest, atMs), 0);
  const all = [...found.values()].flatMap((hours) => [...hours.keys()]);
  if (!all.length)
    return { ok: false, words: 'it has no level, discharge, turbidity or water temperature of these days' };
  const first = all.reduce((a, b) => Math.min(a, b));
  const count = all.reduce((a, b) => Math.max(a, b)) - first + 1;
  if (count > MOST_HOURS) return { ok: false, words: `it has more than ${MOST_HOURS} hours` };
  const column = (name: Column): (number | null)[] =>
    Array.from({ length: count }, (_, at) => {
      const hour = found.get(name)?.get(first + at);
      return hour ? hour.sum / hour.count : null;
    });
  const levels = column('levelM');
  const zeroM = median(levels.filter((level) => level !== null));
  return {
    ok: true,
    hours: {
      issuedAt: new Date(last || Date.parse(now)).toISOString(),
      firstHour: new Date(first * HOUR_MS).toISOString(),
      levelM: levels.map((level) => (level === null ? null : level - zeroM)),
      inflowM3s: column('inflowM3s'),
      turbidityNtu: column('turbidityNtu'),
      ...(found.has('waterTempC') ? { waterTempC: column('waterTempC') } : {}),
    },
  };
}
