import { createServer, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import {
  COMPARED_LEADS,
  type ForecastPair,
  type OutsideAt,
  type Reading,
  type Water,
  type WeatherHours,
} from '@inky-shoal/core';
import { standIns } from '../../sim/src/service.js';
import { testServer, type TestServer } from './testing/running.js';

const id = (n: number) => `01960000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
const ZONES = [
  { id: id(501), name: 'Arm', position: 'upstream', mixedDepthM: 2, neighbours: [id(502)] },
  { id: id(502), name: 'Basin', position: 'lower', mixedDepthM: 6, maxDepthM: 20, neighbours: [id(501)] },
];
const WATER = { name: 'Zoned', discipline: 'bass', waterKind: 'highland-reservoir', place: PLACE, zones: ZONES };
const DAY_MS = 86_400_000;

/** A service that answers as it is told to. */
class FakeService {
  asked: URL[] = [];
  answer: (response: ServerResponse, tries: number) => void = (response) => this.json(response, this.weather());
  private server!: Server;
  address = '';

  async start(): Promise<void> {
    this.server = createServer((request, response) => {
      const url = new URL(request.url ?? '', this.address);
      if (url.pathname !== '/weather') {
        this.json(response, {}, 404);
        return;
      }
      this.asked.push(url);
      this.answer(response, this.asked.length);
    }).listen(0, '127.0.0.1');
    await new Promise((resolve) => this.server.once('listening', resolve));
    this.address = `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }

  async stop(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
  }

  json(response: ServerResponse, body: unknown, status = 200): void {
    response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
  }

  weather(more: Partial<Record<keyof WeatherHours, unknown>> = {}): Record<string, unknown> {
    const now = Date.parse('2027-03-13T14:00:00Z');
    const column = (value: number | null) => Array.from({ length: 24 * 12 }, () => value);
    return {
      source: 'fake',
      issuedAt: '2027-03-13T12:00:00Z',
      firstHour: new Date(now - 5 * DAY_MS).toISOString(),
      forecastFrom: '2027-03-13T15:00:00Z',
      airTempC: column(12),
      dewPointC: column(6),
      windMps: column(3),
      windFromDeg: column(200),
      cloudFraction: column(0.5),
      pressureHpa: column(1015),
      rainMm: column(0),
      solarWm2: column(180),
      ...more,
    };
  }
}

describe('readings of zones', () => {
  let server: TestServer;
  const path = `/api/books/own/waters/${id(1)}/readings`;
  const list = async () => (await server.call('GET', path)).body as Reading[];
  beforeAll(async () => {
    server = await testServer();
    await server.call('PUT', `/api/books/own/waters/${id(1)}`, WATER);
  });
  afterAll(() => server.remove());

  it('keep zone, profile and suspicion, and are changed under their id', async () => {
    const profile = [
      { depthM: 0, tempC: 24 },
      { depthM: 6, tempC: 14 },
    ];
    const reading = { at: '2026-07-01T20:00:00Z', surfaceTempC: 24, zoneId: id(502), profile };
    await server.call('PUT', `${path}/${id(10)}`, reading);
    expect((await list())[0]).toMatchObject({ zoneId: id(502), profile });
    await server.call('PUT', `${path}/${id(10)}`, { ...reading, suspect: true, surfaceTempC: 25 });
    expect(await list()).toMatchObject([{ suspect: true, surfaceTempC: 25 }]);
  });

  it('go in many at once, all or none, once however often they are sent, and out again', async () => {
    const batch = Array.from({ length: 1500 }, (_, at) => ({
      id: id(2000 + at),
      at: new Date(Date.UTC(2026, 0, 1) + at * 3_600_000).toISOString(),
      surfaceTempC: 10,
      zoneId: id(501),
    }));
    expect((await server.call('PUT', path, batch)).body).toEqual({ kept: 1500 });
    expect((await server.call('PUT', path, batch)).status).toBe(200);
    expect(await list()).toHaveLength(1501);
    const bad = await server.call('PUT', path, [
      { ...batch[0], id: id(9000) },
      { ...batch[1], surfaceTempC: 62 },
    ]);
    expect(bad).toMatchObject({ status: 422, body: { detail: expect.stringContaining('[1].surfaceTempC') } });
    expect(await list()).toHaveLength(1501);
    const ids = batch.map((reading) => reading.id);
    expect((await server.call('POST', `${path}/remove`, ids)).body).toEqual({ removed: 1500 });
    expect(await list()).toHaveLength(1);
    await server.call('PUT', path, batch.slice(0, 2));
    expect(await list()).toHaveLength(3);
  });

  it.each([
    ['no list', {}, 'expected a list of readings'],
    ['an empty one', [], 'expected at least one reading'],
    [
      'a profile of one depth',
      [{ id: id(1), at: '2026-01-01T00:00:00Z', surfaceTempC: 9, profile: [{ depthM: 0, tempC: 9 }] }],
      'at least two depths',
    ],
  ])('refuse %s', async (_, body, words) => {
    expect(await server.call('PUT', path, body)).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining(words) },
    });
  });

  it.each([
    ['two zones of one name', [ZONES[0], { ...ZONES[1], name: 'Arm' }], 'zones[1].name'],
    ['a neighbour that is none', [{ ...ZONES[0], neighbours: [id(999)] }], 'zones[0].neighbours'],
    ['a zone 0 m deep', [{ ...ZONES[0], mixedDepthM: 0 }], 'zones[0].mixedDepthM'],
  ])('a water refuses %s', async (_, zones, where) => {
    const { status, body } = await server.call('PUT', `/api/books/own/waters/${id(3)}`, { ...WATER, zones });
    expect(status).toBe(422);
    expect((body as { detail: string }).detail).toContain(where);
  });
});

describe('weather from outside', () => {
  const service = new FakeService();
  let server: TestServer;
  let water: Water;
  beforeAll(() => service.start());
  afterAll(() => service.stop());
  beforeEach(async () => {
    service.asked = [];
    service.answer = (response) => service.json(response, service.weather());
    server = await testServer({
      demoOutside: service.address,
      retryPolicy: { timeoutMs: 250, retries: 2, firstWaitMs: 10 },
    });
    [water] = (await server.call('GET', '/api/books/demo/waters')).body as [Water];
  });
  afterEach(() => server.remove());
  const outside = async (ask = false) =>
    (await server.call('GET', `/api/books/demo/waters/${water.id}/outside${ask ? '?ask=1' : ''}`)).body as OutsideAt;

  it("is asked for the place and the book's own now, kept as days, and told with its age", async () => {
    const { weather, weatherDays } = await outside();
    expect(weather).toMatchObject({ source: 'fake', issuedAt: '2027-03-13T12:00:00Z', failure: null, asking: false });
    expect(weatherDays.map(({ date }) => date)).toContain('2027-03-13');
    expect(weatherDays.some(({ kind }) => kind === 'forecast')).toBe(true);
    expect(service.asked[0]!.searchParams.get('now')).toBe('2027-03-13T08:12:00-06:00');
    expect(service.asked[0]!.searchParams.get('latitude')).toBe('35.9');
  });

  it('is not asked again within the hour, unless it is told to', async () => {
    await outside();
    await outside();
    expect(service.asked).toHaveLength(1);
    await outside(true);
    expect(service.asked).toHaveLength(2);
  });

  it('is tried again after an error, and answers', async () => {
    service.answer = (response, tries) =>
      tries < 3 ? service.json(response, {}, 503) : service.json(response, service.weather());
    expect((await outside()).weather).toMatchObject({ failure: null, source: 'fake' });
    expect(service.asked).toHaveLength(3);
  });

  const garbage: [string, (response: ServerResponse) => void, string][] = [
    ['nothing at all in time', () => undefined, 'takes too long to answer'],
    [
      'half an answer',
      (response) => void response.writeHead(200, { 'content-type': 'application/json' }).write('{"sou'),
      'takes too long to answer',
    ],
    ['garbage', (response) => void response.end('<html>down</html>'), 'sends something that is not JSON'],
    ['another shape', (response) => service.json(response, { temperature: 12 }), 'sends what cannot be read (source: '],
    [
      'columns of unequal length',
      (response) => service.json(response, service.weather({ windMps: [1] })),
      'columns of one length',
    ],
    [
      'nothing but nulls',
      (response) => service.json(response, service.weather({ airTempC: new Array(288).fill(null) })),
      'no whole day of figures',
    ],
    ['a refusal', (response) => service.json(response, {}, 403), 'answers with an error (403)'],
    ['a cut line', (response) => void response.socket?.destroy(), 'does not answer'],
  ];
  it.each(garbage)('that is %s is said, and what was kept is given', async (_, answer, words) => {
    const before = await outside();
    service.answer = answer;
    const after = await outside(true);
    const settled = after.weather.asking ? await outside() : after;
    expect(settled.weather.failure).toContain(words);
    expect(settled.weather.issuedAt).toBe(before.weather.issuedAt);
    expect(settled.weatherDays).toEqual(before.weatherDays);
  });

  it('does not ask a refusing service three times', async () => {
    service.answer = (response) => service.json(response, {}, 404);
    await outside();
    expect(service.asked).toHaveLength(1);
  });

  it('goes on without hours that are null and figures out of reason', async () => {
    const airTempC: (number | null)[] = new Array<number>(288).fill(12);
    airTempC[30] = null;
    airTempC[31] = 4000;
    service.answer = (response) => service.json(response, service.weather({ airTempC }));
    const { weatherDays, weather } = await outside();
    expect(weather.failure).toBeNull();
    expect(weatherDays.every((day) => day.airTempC === 12)).toBe(true);
  });

  it('keeps what it forecast, by its lead, beside what came', async () => {
    const pairs = async () =>
      (await server.call('GET', `/api/books/demo/waters/${water.id}/forecasts`)).body as ForecastPair[];
    await outside();
    const before = await pairs();
    expect(before.length).toBeGreaterThan(0);
    for (const { leadDays, forecast, observed } of before) {
      expect([forecast.kind, observed.kind]).toEqual(['forecast', 'observed']);
      expect(forecast.date).toBe(observed.date);
      expect(COMPARED_LEADS).toContain(leadDays);
    }
    const tomorrow = (list: readonly ForecastPair[]) => list.filter(({ forecast: { date } }) => date === '2027-03-14');
    expect(tomorrow(before).filter(({ leadDays }) => leadDays === 1)).toEqual([]);
    // The day came, and was cloudier.
    const cloudFraction = new Array<number>(288).fill(0.9);
    service.answer = (response) =>
      service.json(response, service.weather({ cloudFraction, forecastFrom: '2027-03-16T15:00:00Z' }));
    await outside(true);
    const [pair] = tomorrow(await pairs()).filter(({ leadDays }) => leadDays === 1);
    expect([pair?.forecast.cloudFraction, pair?.observed.cloudFraction]).toEqual([0.5, 0.9]);
  });

  it('is kept over a restart with the service gone', async () => {
    const before = await outside();
    service.answer = (response) => void response.socket?.destroy();
    expect((await outside(true)).weatherDays).toEqual(before.weatherDays);
  });

  it("is never taken from the stand-ins for the user's own book", async () => {
    await server.call('PUT', `/api/books/own/waters/${id(7)}`, WATER);
    const own = (await server.call('GET', `/api/books/own/waters/${id(7)}/outside`)).body as OutsideAt;
    expect(own).toMatchObject({ weather: { source: null, failure: null, asking: false }, weatherDays: [] });
    expect(service.asked).toHaveLength(0);
  });

  it('comes from an address that the user gives, and stops when it is taken back', async () => {
    await server.call('PUT', `/api/books/own/waters/${id(7)}`, WATER);
    const own = `/api/books/own/waters/${id(7)}/outside`;
    expect(await server.call('PUT', '/api/books/own/outside', { address: 'ftp://x' })).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('begins with http') },
    });
    expect(
      (await server.call('PUT', '/api/books/own/outside', { address: service.address, privateNetwork: true })).body,
    ).toEqual({
      address: service.address,
      privateNetwork: true,
    });
    expect(((await server.call('GET', own)).body as OutsideAt).weatherDays.length).toBeGreaterThan(5);
    await server.call('PUT', '/api/books/own/outside', { address: null });
    expect((await server.call('GET', '/api/books/own/outside')).body).toEqual({ address: null });
  });

  it('comes in the open hourly layout from an address with the place put in, which is asked for no gauge', async () => {
    await server.call('PUT', `/api/books/own/waters/${id(7)}`, WATER);
    const hours = Array.from({ length: 72 }, (_, hour) =>
      new Date(Date.parse('2026-03-01T00:00Z') + hour * 3_600_000).toISOString().slice(0, 16),
    );
    const column = (value: number) => hours.map(() => value);
    service.answer = (response) =>
      service.json(response, {
        utc_offset_seconds: 0,
        hourly_units: { temperature_2m: '°F', wind_speed_10m: 'mp/h' },
        hourly: {
          time: hours,
          temperature_2m: column(50),
          dew_point_2m: column(41),
          wind_speed_10m: column(10),
          cloud_cover: column(100),
        },
      });
    const address = `${service.address}/weather?lat={latitude}&lon={longitude}&start={from}&end={to}`;
    const body = { address, privateNetwork: true };
    // Tried first: what it gives is told, and nothing hangs on it yet.
    expect((await server.call('POST', '/api/books/own/outside/try', body)).body).toEqual({
      weather: { days: 3, first: '2026-03-01', last: '2026-03-03' },
      gauge: null,
    });
    expect((await server.call('GET', '/api/books/own/outside')).body).toEqual({ address: null });
    expect(service.asked[0]!.search).toMatch(/^\?lat=[\d.-]+&lon=[\d.-]+&start=\d{4}-\d\d-\d\d&end=\d{4}-\d\d-\d\d$/);
    expect((await server.call('PUT', '/api/books/own/outside', body)).body).toEqual(body);
    const own = (await server.call('GET', `/api/books/own/waters/${id(7)}/outside`)).body as OutsideAt;
    expect(own.weather).toMatchObject({ source: new URL(address).host, failure: null });
    expect(own.weatherDays[1]).toMatchObject({ airTempC: 10, dewPointC: 5, windMps: 4.5, cloudFraction: 1 });
    expect(own.gauge).toMatchObject({ source: null, failure: null, asking: false });
  });

  it.each([
    ['a part that nobody knows', 'http://a.example/?x={latitude}&y={longitude}&z={town}', 'between braces'],
    ['half of a place', 'http://a.example/?x={latitude}', 'both {latitude} and {longitude}'],
  ])('refuses an address with %s', async (_, address, words) => {
    expect(await server.call('PUT', '/api/books/own/outside', { address })).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining(words) },
    });
  });

  it('has a gauge of a SensorThings service, page by page, with the temperature of its water', async () => {
    await server.remove();
    server = await testServer({ retryPolicy: { timeoutMs: 10_000, retries: 2, firstWaitMs: 10 } });
    await server.call('PUT', `/api/books/own/waters/${id(7)}`, WATER);
    const gauge = await new Promise<Server>((resolve) => {
      const started = standIns().listen(0, '127.0.0.1', () => resolve(started));
    });
    const address = `http://127.0.0.1:${(gauge.address() as AddressInfo).port}/v1.1/Things(1)`;
    const body = { address, privateNetwork: true };
    try {
      const { body: tried } = await server.call('POST', '/api/books/own/outside/gauge/try', body);
      expect(tried).toMatchObject({ weather: null, gauge: { days: expect.any(Number) } });
      expect((await server.call('PUT', '/api/books/own/outside/gauge', body)).body).toEqual(body);
      let own = (await server.call('GET', `/api/books/own/waters/${id(7)}/outside`)).body as OutsideAt;
      for (let look = 0; own.gauge.asking && look < 100; look++) {
        await new Promise((resolve) => setTimeout(resolve, 100));
        own = (await server.call('GET', `/api/books/own/waters/${id(7)}/outside`)).body as OutsideAt;
      }
      expect(own.gauge).toMatchObject({ source: new URL(address).host, failure: null });
      // Two winters of hours, of which a page holds five hundred.
      expect(own.gaugeDays.length).toBeGreaterThan(550);
      for (const { levelM, inflowM3s, turbidityNtu, waterTempC } of own.gaugeDays.slice(1, -1)) {
        expect(Math.abs(levelM!)).toBeLessThan(3);
        expect(inflowM3s!).toBeGreaterThan(0.5);
        expect(turbidityNtu!).toBeGreaterThan(0);
        expect(waterTempC!).toBeGreaterThan(0);
      }
      expect(
        await server.call('PUT', '/api/books/own/outside/gauge', { address: 'https://a.example/v1.1' }),
      ).toMatchObject({ status: 422, body: { detail: expect.stringContaining('the address of one gauge') } });
    } finally {
      gauge.closeAllConnections();
      gauge.close();
    }
  });

  it('follows no link of a gauge to another host', async () => {
    await server.call('PUT', `/api/books/own/waters/${id(7)}`, WATER);
    const gauge = createServer((_, response) =>
      service.json(response, { value: [], '@iot.nextLink': 'http://127.0.0.2:9/v1.1/more' }),
    ).listen(0, '127.0.0.1');
    await new Promise((resolve) => gauge.once('listening', resolve));
    const address = `http://127.0.0.1:${(gauge.address() as AddressInfo).port}/v1.1/Things(1)`;
    const { body } = await server.call('POST', '/api/books/own/outside/gauge/try', { address, privateNetwork: true });
    gauge.close();
    expect(body).toMatchObject({ gauge: { failure: expect.stringContaining('sends on to another address') } });
  });

  it('says of an address that is tried what is wrong with it', async () => {
    const found = async (body: object) => (await server.call('POST', '/api/books/own/outside/try', body)).body;
    service.answer = (response) => service.json(response, { hourly: { time: [1] } });
    expect(await found({ address: service.address, privateNetwork: true })).toEqual({
      weather: { failure: expect.stringContaining('sends what cannot be read') },
      gauge: { failure: expect.stringContaining('answers with an error (404)') },
    });
    expect(await server.call('POST', '/api/books/own/outside/try', { address: service.address })).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('is in a network of your own') },
    });
  });

  it('comes from a CSV file, which is refused whole where a line cannot be read', async () => {
    await server.call('PUT', `/api/books/own/waters/${id(7)}`, WATER);
    const send = (body: string) =>
      fetch(`${server.address}/api/books/own/waters/${id(7)}/weather`, {
        method: 'POST',
        headers: { 'content-type': 'text/csv' },
        body,
      });
    const rows = Array.from(
      { length: 48 },
      (_, hour) => `2026-03-${hour < 24 ? '01' : '02'} ${String(hour % 24).padStart(2, '0')}:00,50,40,10`,
    );
    const good = await send(['time,air F,dew F,wind mph', ...rows].join('\n'));
    expect(await good.json()).toEqual({ days: 2 });
    const bad = await send(['time,air F,dew F,wind mph', rows[0], 'noon,1,2,3'].join('\n'));
    expect(bad.status).toBe(422);
    expect(((await bad.json()) as { detail: string }).detail).toContain('Line 3');
    const own = (await server.call('GET', `/api/books/own/waters/${id(7)}/outside`)).body as OutsideAt;
    expect(own.weather.source).toBe('a file');
    expect(own.weatherDays).toMatchObject([{ date: '2026-03-01', airTempC: 10 }, { date: '2026-03-02' }]);

    // As the page sends them, read and looked at; what they replace comes back, so that it can be undone.
    const days = own.weatherDays.map((day) => ({ ...day, airTempC: 20 }));
    const path = `/api/books/own/waters/${id(7)}/weather-days`;
    const taken = await server.call('PUT', path, { source: 'days.csv', days });
    expect(taken.body).toEqual({ replaced: own.weatherDays });
    const now = async () => (await server.call('GET', `/api/books/own/waters/${id(7)}/outside`)).body as OutsideAt;
    expect(await now()).toMatchObject({ weather: { source: 'days.csv' }, weatherDays: days });
    expect((await server.call('POST', `${path}/remove`, ['2026-03-02'])).body).toEqual({ removed: 1 });
    expect((await now()).weatherDays).toMatchObject([{ date: '2026-03-01', airTempC: 20 }]);
    expect((await server.call('PUT', path, { source: 'days.csv', days: [] })).status).toBe(422);
  });
});
