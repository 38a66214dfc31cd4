import { Conditions } from '../../contract/conditions.js';
import { clockOf, minutesOf } from '../../day/windows.js';
import { movingWater } from './moving-water.js';

/** Low at six in the morning, high at 12:12, low at 18:25. */
const hourlyTide = (lowMin: number, rangeM = 1) =>
  Array.from({ length: 96 }, (_, at) => ({
    at: clockOf(at * 15),
    levelM: (-rangeM / 2) * Math.cos(((at * 15 - lowMin) / 372.6) * Math.PI),
  }));
const day = (more: Record<string, unknown>) =>
  Conditions.parse({
    discipline: 'inshore',
    date: '2027-04-18',
    window: { from: '06:00', to: '20:00' },
    place: { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' },
    surfaceTempC: 20,
    structures: ['drain-mouth', 'oyster-bar', 'grass-edge', 'pass'],
    covers: ['oyster', 'submerged-grass'],
    hourlyTide: hourlyTide(360),
    ...more,
  });
const told = (more: Record<string, unknown> = {}) => movingWater(day(more), 'us')!;
const feedsAt = (water: ReturnType<typeof told>, clock: string) =>
  water.feeding.find(({ from, to }) => from <= clock && clock < to);

describe('moving water', () => {
  it('feeds on the first of the flood over the flats, and in the middle of the fall at the drains', () => {
    const water = told();
    const flood = feedsAt(water, '08:00')!;
    expect(flood.stage).toBe('rising');
    expect(['oyster-bar', 'grass-edge']).toContain(flood.structures[0]);
    const ebb = feedsAt(water, '15:30')!;
    expect(ebb.structures[0]).toBe('drain-mouth');
    expect(ebb.because.map(({ rule }) => rule)).toContain('ebb-middle-feeds');
    const hours = (minutesOf(ebb.to) - minutesOf(ebb.from)) / 60;
    expect(hours).toBeGreaterThanOrEqual(2);
    expect(hours).toBeLessThanOrEqual(4.5);
    expect(feedsAt(water, '12:15')).toBeUndefined();
    expect(Math.max(...water.feeding.map(({ worth }) => worth))).toBeGreaterThan(0.8);
  });

  it('names slack, the turns, and when the flat floods and is to be left', () => {
    const { slack, turns, flats, rangeM } = told();
    expect(slack.some(({ from, to, kind }) => kind === 'high' && from <= '12:12' && '12:12' <= to)).toBe(true);
    expect(turns.map(({ kind }) => kind)).toEqual(['low', 'high', 'low']);
    expect(rangeM).toBeCloseTo(1, 1);
    expect(flats).toEqual([{ floodsFrom: expect.stringMatching(/^09:0/), offBy: expect.stringMatching(/^15:1/) }]);
    // Wet from before the hours on, and again after them.
    expect(told({ hourlyTide: hourlyTide(360 + 372.6) }).flats).toEqual([
      { floodsFrom: null, offBy: expect.stringMatching(/^09:/) },
      { floodsFrom: expect.stringMatching(/^15:/), offBy: expect.stringMatching(/^21:/) },
    ]);
  });

  it('floods the flats earlier, and leaves them later, where a gauge or the wind has the water over its table', () => {
    const [calm] = told().flats;
    const [gauged] = told({
      hourlyTide: hourlyTide(360).map((at) => ({ ...at, levelM: at.levelM + 0.25 })),
      waterOverTableM: 0.25,
    }).flats;
    expect(gauged!.floodsFrom! < calm!.floodsFrom!).toBe(true);
    expect(gauged!.offBy! > calm!.offBy!).toBe(true);
    const blown = told({ windMps: 14, windFromDeg: 180, seaDeg: 170 });
    expect(blown.overTableM).toBeGreaterThan(0.2);
    expect(blown.flats[0]!.floodsFrom! < calm!.floodsFrom!).toBe(true);
    const out = told({ windMps: 14, windFromDeg: 0, seaDeg: 170 });
    expect(out.overTableM).toBeLessThan(-0.2);
    expect(out.flats[0]!.offBy! < calm!.offBy!).toBe(true);
    // Without a sea to blow from the wind moves nothing.
    expect(told({ windMps: 14, windFromDeg: 180 }).flats).toEqual([calm]);
  });

  it('comes with the light: the same water feeds more at dusk, and less in the heat of the day', () => {
    const dusk = { window: { from: '06:00', to: '21:00' }, hourlyTide: hourlyTide(360 + 200) };
    const ebbAtDusk = feedsAt(told(dusk), '18:30');
    expect(ebbAtDusk?.because.map(({ rule }) => rule)).toContain('low-light-feeds');
    const [spring, summer] = [20, 31].map((surfaceTempC) =>
      told({ surfaceTempC, date: surfaceTempC > 30 ? '2027-07-18' : '2027-04-18' }),
    );
    const noonish = (water: ReturnType<typeof told>) => feedsAt(water, '14:30')?.worth ?? 0;
    expect(noonish(summer!)).toBeLessThanOrEqual(noonish(spring!));
  });

  it('waits for the sun in the cold', () => {
    const cold = told({ surfaceTempC: 10, date: '2027-01-18', window: { from: '06:00', to: '18:00' } });
    const best = cold.feeding.reduce((a, b) => (b.worth > a.worth ? b : a));
    expect(best.from >= '10:00').toBe(true);
  });

  it('lies within the hours, in order, and none of it where no course of the tide is known', () => {
    const { feeding } = told({ window: { from: '18:00', to: '05:00' }, hourlyTide: undefined, tide: undefined }) ?? {};
    expect(feeding).toBeUndefined();
    const bounds = told().feeding.flatMap(({ from, to }) => [from, to]);
    expect([...bounds].sort()).toEqual(bounds);
    expect(bounds[0]! >= '06:00' && bounds.at(-1)! <= '20:00').toBe(true);
  });
});
