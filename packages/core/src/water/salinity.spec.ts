import { Conditions } from '../contract/conditions.js';
import { makePlan } from '../plan/make-plan.js';
import { salinityAfterRainPsu } from './salinity.js';

const dry = (days: number) => new Array<number>(days).fill(0);

describe('salinity after rain', () => {
  it('falls with what came down, and comes back as the tides flush it', () => {
    const psu = (rain: number[]) => salinityAfterRainPsu('estuary', rain)!;
    expect(psu([])).toBe(22);
    expect(psu([50])).toBeLessThan(22);
    expect(psu([200])).toBeLessThan(psu([50]));
    const after = [0, 3, 6, 12, 24].map((days) => psu([...dry(days), 200]));
    expect(after).toEqual([...after].sort((a, b) => a - b));
    // A third of it is left after six days.
    expect(22 - after[2]!).toBeCloseTo((22 - after[0]!) * Math.exp(-1), -0.5);
    expect(after.at(-1)).toBe(22);
    expect(psu(new Array<number>(14).fill(300))).toBeGreaterThan(0);
    expect(salinityAfterRainPsu('pond', [50])).toBeUndefined();
  });

  it('is assumed and said where nobody read it, and moves fish down the bay after a flood', () => {
    const plan = (more: object) =>
      makePlan(
        Conditions.parse({
          discipline: 'inshore',
          species: 'spotted-seatrout',
          date: '2027-06-18',
          place: { latitude: 30.2, longitude: -88.1, timeZone: 'America/Chicago' },
          surfaceTempC: 26,
          structures: ['pass', 'creek-back'],
          ...more,
        }),
      );
    const flood = plan({ recentRainMm: [150, 180, 120] });
    const assumed = flood.assumed.find(({ path }) => path === 'salinityPsu');
    expect(assumed?.value).toBeLessThan(12);
    const passWeight = ({ windows }: typeof flood) =>
      windows[0]!.holding.reduce((sum, { structure, weight }) => sum + (structure === 'pass' ? weight : 0), 0);
    expect(passWeight(flood)).toBeGreaterThan(1.3 * passWeight(plan({})));
    const read = plan({ recentRainMm: [150, 180, 120], salinityPsu: 25 });
    expect(read.assumed.map(({ path }) => path)).not.toContain('salinityPsu');
    expect(plan({}).assumed.map(({ path }) => path)).not.toContain('salinityPsu');
  });
});
