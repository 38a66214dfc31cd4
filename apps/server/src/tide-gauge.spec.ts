import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Water } from '@inky-shoal/core';
import { levelsOfDays, surgeOf, type TideGaugeAt } from '@inky-shoal/core/tide';
import { standIns } from '../../sim/src/service.js';
import { testServer, type TestServer } from './testing/running.js';

let outside: Server;
let address: string;
let server: TestServer;
beforeAll(async () => {
  outside = await new Promise<Server>((resolve) => {
    const started = standIns().listen(0, '127.0.0.1', () => resolve(started));
  });
  address = `http://127.0.0.1:${(outside.address() as AddressInfo).port}`;
  server = await testServer({
    demoOutside: address,
    retryPolicy: { timeoutMs: 10_000, retries: 1, firstWaitMs: 10 },
  });
});
afterAll(async () => {
  await server.remove();
  outside.closeAllConnections();
  outside.close();
});

const waters = async () => (await server.call('GET', '/api/books/demo/waters')).body as Water[];
/** What is known of the gauge at a water, once no question is on its way. */
async function gaugeAt({ id }: Water, query = ''): Promise<TideGaugeAt> {
  const look = async (more: string) =>
    (await server.call('GET', `/api/books/demo/waters/${id}/tide-gauge${more}`)).body as TideGaugeAt;
  let known = await look(query);
  for (let again = 0; known.state.asking && again < 300; again++) {
    await new Promise((resolve) => setTimeout(resolve, 100));
    known = await look('');
  }
  return known;
}
const sound = async () => (await waters()).find(({ tideStation }) => tideStation)!;

describe('the gauge of tidal water', () => {
  it('tells a month of levels, from which the water of tomorrow is expected', async () => {
    const water = await sound();
    await server.call('GET', `/api/books/demo/waters/${water.id}/outside`);
    const { state, days, air } = await gaugeAt(water);
    expect(state).toMatchObject({ source: 'tide gauge stand-in', failure: null, asking: false });
    expect(days.length).toBeGreaterThanOrEqual(29);
    expect(air.every(({ date }) => date >= days[0]!.date)).toBe(true);
    const levels = levelsOfDays(days);
    // Its silence stays silence.
    expect(levels.length).toBeLessThan(days.length * 96 * 0.95);
    const surge = surgeOf(water.tideStation!, levels, levels.at(-1)!.atMs)!;
    expect(Math.abs(surge.overM)).toBeLessThan(1);
    expect(surge.at(surge.heardMs + 6 * 3_600_000).doubtM).toBeGreaterThan(0.02);
  });

  it('is asked of a SensorThings gauge of the book’s own, with a zero of its own', async () => {
    const water = await sound();
    const own = { address: `${address}/v1.1/Things(3)`, privateNetwork: true };
    await server.call('PUT', '/api/books/demo/outside/gauge', own);
    const { state, days } = await gaugeAt(water, '?ask=1');
    expect(state).toMatchObject({ source: new URL(address).host, failure: null });
    const levels = levelsOfDays(days.slice(-2));
    // Twelve feet over the zero of the stand-in.
    expect(levels.at(-1)!.levelM).toBeGreaterThan(2);
    await server.call('PUT', '/api/books/demo/outside/gauge', { address: null });
  });

  it('that sends no level, or nothing, is said, and what is kept goes on', async () => {
    const water = await sound();
    const kept = (await gaugeAt(water)).days.length;
    const own = { address: `${address}/v1.1/Things(9)`, privateNetwork: true };
    await server.call('PUT', '/api/books/demo/outside/gauge', own);
    const { state, days } = await gaugeAt(water, '?ask=1');
    expect(state.failure).toMatch(/^127\.0\.0\.1:\d+ /);
    expect(days).toHaveLength(kept);
    await server.call('PUT', '/api/books/demo/outside/gauge', { address: null });
  });

  it('is not asked at a water without a tide', async () => {
    const lake = (await waters()).find(({ tideStation }) => !tideStation)!;
    expect(await gaugeAt(lake, '?ask=1')).toMatchObject({ state: { source: null, failure: null }, days: [] });
  });
});
