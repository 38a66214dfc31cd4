import { FERROW_CLIMATE, gaugeHours, TERN_CLIMATE, weatherAt, type Climate } from '@inky-shoal/demo';
import { seaGauge } from './sea-gauge.js';
import { Router, type Request } from 'express';

const HOUR_MS = 3_600_000;
/** Observations in one page. */
const PAGE = 500;
const M_PER_FOOT = 0.3048;
/** The zero of the gauge lies so far under the usual level, feet. */
const GAUGE_ZERO_FT = 12;

const CLIMATES: Readonly<Record<string, Climate>> = { 1: FERROW_CLIMATE, 2: TERN_CLIMATE };

interface Observation {
  readonly phenomenonTime: string;
  readonly result: number;
}
/** What the gauge observes, in the units that gauges of its kind have. */
const STREAMS = [
  { name: 'Gauge height', symbol: 'ft', of: 'Gauge height' },
  { name: 'Stream flow', symbol: 'ft3/s', of: 'Discharge' },
  { name: 'Turbidity', symbol: 'FNU', of: 'Turbidity' },
  { name: 'Temperature', symbol: '°C', of: 'Water temperature' },
  { name: 'Battery', symbol: 'V', of: 'Voltage' },
] as const;

/** The water follows the air of the last three days. */
function waterTempC(climate: Climate, timeMs: number): number {
  const airs = Array.from({ length: 12 }, (_, part) => weatherAt(climate, timeMs - part * 6 * HOUR_MS).airTempC);
  return Math.max(0.5, airs.reduce((sum, air) => sum + air, 0) / airs.length);
}

interface Times {
  readonly fromMs: number;
  readonly toMs: number;
}

/** The hours that a filter on phenomenonTime asks for. */
function asked({ query }: Request): Times | null {
  const text = Object.values(query).join(' ');
  const at = (word: string) =>
    Date.parse(new RegExp(`phenomenonTime ${word} (\\S+?)(?=[;)\\s]|$)`).exec(text)?.[1] ?? '');
  const [fromMs, toMs] = [at('ge'), at('le')];
  return Number.isNaN(fromMs) || Number.isNaN(toMs) ? null : { fromMs, toMs };
}

/** One page of a stream; no more is made up than it holds. */
function observations(
  climate: Climate,
  stream: number,
  { fromMs, toMs }: Times,
  skip: number,
): { value: Observation[]; more: boolean } {
  const first = Math.ceil(fromMs / HOUR_MS) * HOUR_MS + skip * HOUR_MS;
  const left = Math.max(0, Math.floor((toMs - first) / HOUR_MS) + 1);
  const hours = gaugeHours(climate, first, Math.min(PAGE, left));
  const rounded = (value: number, digits: number) => Number(value.toFixed(digits));
  const value = hours.map(({ levelM, inflowM3s, turbidityNtu }, hour) => {
    const timeMs = first + hour * HOUR_MS;
    const results = [
      () => rounded(GAUGE_ZERO_FT + levelM / M_PER_FOOT, 2),
      () => rounded(inflowM3s / M_PER_FOOT ** 3, 0),
      () => rounded(turbidityNtu, 1),
      () => rounded(waterTempC(climate, timeMs), 1),
      () => 12.6,
    ];
    return { phenomenonTime: new Date(timeMs).toISOString(), result: results[stream]?.() ?? 0 };
  });
  return { value, more: left > PAGE };
}

/**
 * A gauge as a SensorThings service gives it: `/v1.1/Things(1)`, its Datastreams, their Observations page by page; and
 * `/v1.1/Things(3)`, the gauge of tidal water, in one page.
 */
export function sensorThings(): Router {
  const router = Router();
  const page = (request: Request, climate: Climate, thing: string, stream: number, skip: number) => {
    const times = asked(request);
    const { value, more } = times ? observations(climate, stream, times, skip) : { value: [], more: false };
    const filter = times
      ? `phenomenonTime ge ${new Date(times.fromMs).toISOString()} and phenomenonTime le ${new Date(times.toMs).toISOString()}`
      : '';
    const next = `/v1.1/Datastreams(${thing}${stream})/Observations?${new URLSearchParams({ $filter: filter, $skip: String(skip + PAGE) }).toString()}`;
    const origin = `${request.protocol}://${request.get('host') ?? ''}`;
    return { value, next: more ? origin + next : undefined };
  };
  router.get(/^\/v1\.1\/Things\(3\)\/Datastreams$/, (request, response) => {
    const times = asked(request);
    const levels = times ? seaGauge(times.fromMs, times.toMs) : [];
    response.json({
      value: [
        {
          '@iot.id': '30',
          name: 'Water level',
          unitOfMeasurement: { name: 'foot', symbol: 'ft' },
          ObservedProperty: { name: 'Water level' },
          Observations: levels.map(({ atMs, levelM }) => ({
            phenomenonTime: new Date(atMs).toISOString(),
            result: Number((GAUGE_ZERO_FT + levelM / M_PER_FOOT).toFixed(2)),
          })),
        },
      ],
    });
  });
  router.get(/^\/v1\.1\/Things\((\d)\)\/Datastreams$/, (request, response) => {
    const thing = String((request.params as unknown as Record<string, string>)['0']);
    const climate = CLIMATES[thing];
    if (!climate) return void response.status(404).json({ message: `There is no Thing ${thing}.` });
    response.json({
      value: STREAMS.map(({ name, symbol, of }, stream) => {
        const { value, next } = page(request, climate, thing, stream, 0);
        return {
          '@iot.id': `${thing}${stream}`,
          name,
          unitOfMeasurement: { name: symbol, symbol },
          ObservedProperty: { name: of },
          Observations: value,
          ...(next ? { 'Observations@iot.nextLink': next } : {}),
        };
      }),
    });
  });
  router.get(/^\/v1\.1\/Datastreams\((\d)(\d)\)\/Observations$/, (request, response) => {
    const { 0: thing = '', 1: stream = '' } = request.params as unknown as Record<string, string>;
    const climate = CLIMATES[thing];
    if (!climate || !STREAMS[Number(stream)])
      return void response.status(404).json({ message: 'There is no such Datastream.' });
    const { value, next } = page(request, climate, thing, Number(stream), Number(request.query['$skip'] ?? 0));
    response.json({ value, ...(next ? { '@iot.nextLink': next } : {}) });
  });
  return router;
}
