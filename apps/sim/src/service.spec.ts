import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { GaugeHours, WeatherHours } from '@inky-shoal/core';
import { daysOfWeather, readHourlyLayout } from '@inky-shoal/core/formats';
import { standIns } from './service.js';

let server: Server;
let address: string;
beforeAll(async () => {
  server = standIns().listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

const QUERY = 'latitude=35.9&longitude=-88.4&from=2027-03-01T00:00:00Z&now=2027-03-05T14:12:00Z';
const ask = async (path: string) => {
  const response = await fetch(address + path);
  return { status: response.status, body: (await response.json()) as never };
};

describe('the stand-ins', () => {
  it('serve hourly weather and ten days of forecast, the same each time', async () => {
    const [one, two] = [await ask(`/weather?${QUERY}`), await ask(`/weather?${QUERY}`)];
    expect(one).toEqual(two);
    const weather = WeatherHours.parse(one.body);
    expect(weather.issuedAt).toBe('2027-03-05T12:00:00.000Z');
    expect(weather.firstHour).toBe('2027-03-01T00:00:00.000Z');
    expect(weather.airTempC.length).toBe(24 * 14 + 13);
  });
  it('serve the same weather in the open hourly layout, in either units', async () => {
    const context = { timeZone: 'America/Chicago', now: '2027-03-05T14:12:00Z' };
    const weather = WeatherHours.parse((await ask(`/weather?${QUERY}`)).body);
    const days = daysOfWeather(weather, context.timeZone);
    for (const units of ['us', 'metric']) {
      const read = readHourlyLayout((await ask(`/hourly?${QUERY}&units=${units}`)).body, context);
      if (!read.ok) throw new Error(read.words);
      expect(read.days.length).toBe(days.length);
      read.days.forEach((day, at) => {
        expect(day.airTempC).toBeCloseTo(days[at]!.airTempC, 1);
        expect(day.windMps).toBeCloseTo(days[at]!.windMps, 1);
        expect(Math.abs(day.rainMm - days[at]!.rainMm)).toBeLessThan(2);
      });
    }
  });
  it('serve the gauge up to now', async () => {
    const gauge = GaugeHours.parse((await ask(`/gauge?${QUERY}`)).body);
    expect(gauge.levelM.length).toBe(24 * 4 + 15);
    expect(gauge.turbidityNtu.every((value) => value !== null && value > 0)).toBe(true);
  });
  it('serve a gauge of tidal water on the coast alone, with its silence', async () => {
    const coast = (await ask(`/tide-gauge?${QUERY.replace('35.9', '30.1')}`)).body as { levelM: (number | null)[] };
    expect(coast.levelM).toHaveLength((24 * 4 + 14) * 4 + 1);
    const told = coast.levelM.filter((level) => level !== null);
    expect(told.length).toBeGreaterThan(0.8 * coast.levelM.length);
    expect(Math.max(...told) - Math.min(...told)).toBeGreaterThan(0.6);
    const lake = (await ask(`/tide-gauge?${QUERY}`)).body as { levelM: (number | null)[] };
    expect(lake.levelM.every((level) => level === null)).toBe(true);
  });
  it('have another weather on the coast', async () => {
    const coast = await ask(`/weather?${QUERY.replace('35.9', '30.1')}`);
    expect(coast.body).not.toEqual((await ask(`/weather?${QUERY}`)).body);
  });
  it.each([
    ['latitude=91&longitude=0&from=2027-03-01T00:00:00Z&now=2027-03-05T00:00:00Z', 'latitude'],
    ['latitude=36&longitude=0&from=yesterday&now=2027-03-05T00:00:00Z', 'from'],
    [
      'latitude=36&longitude=0&from=2027-03-06T00:00:00Z&now=2027-03-05T00:00:00Z',
      'from: expected a moment before now',
    ],
    ['latitude=36&longitude=0&from=1990-03-06T00:00:00Z&now=2027-03-05T00:00:00Z', 'three years'],
  ])('refuse %s', async (query, words) => {
    const { status, body } = await ask(`/weather?${query}`);
    expect(status).toBe(422);
    expect((body as { detail: string }).detail).toContain(words);
  });
});
