import { expectedTide, overTableM, windSetupM } from './over-table.js';

const hourlyTide = [0, 6, 12, 18].map((hour, at) => ({ at: `${String(hour).padStart(2, '0')}:00`, levelM: at % 2 }));

describe('wind over a bay', () => {
  it('holds water in by the square of its speed, and out where it blows to the sea', () => {
    const onshore = windSetupM(10, 180, 180);
    // 0.15 Pa over thirty kilometres of two and a half metres of sea water.
    expect(onshore).toBeCloseTo(0.1756, 3);
    expect(windSetupM(5, 180, 180)).toBeCloseTo(onshore / 4, 9);
    expect(windSetupM(10, 0, 180)).toBeCloseTo(-onshore, 9);
    expect(windSetupM(10, 90, 180)).toBeCloseTo(0, 9);
    // Rougher water takes more of a gale.
    expect(windSetupM(20, 180, 180)).toBeGreaterThan(4.5 * onshore);
  });

  it('is told by a gauge before the wind, and not at all where nobody would see it', () => {
    const blowing = { seaDeg: 180, windMps: 14, windFromDeg: 200 };
    expect(overTableM(blowing)).toBeGreaterThan(0.3);
    expect(overTableM({ ...blowing, waterOverTableM: -0.1 })).toBe(-0.1);
    expect(overTableM({ ...blowing, windMps: 3 })).toBe(0);
    expect(overTableM({ seaDeg: 180, windMps: 14 })).toBe(0);
  });
});

describe('the tide that is expected', () => {
  it('has the wind put on its table, and a gauge in its levels already', () => {
    const blown = expectedTide({ hourlyTide, seaDeg: 180, windMps: 14, windFromDeg: 180 })!;
    expect(blown.levels[0]!.levelM).toBeCloseTo(blown.overM, 9);
    expect(blown.middleM).toBeCloseTo(0.5, 9);
    const gauged = expectedTide({ hourlyTide, waterOverTableM: 0.2 })!;
    expect(gauged.levels[0]!.levelM).toBe(0);
    expect(gauged.middleM).toBeCloseTo(0.3, 9);
    expect(expectedTide({ seaDeg: 180, windMps: 14, windFromDeg: 180 })).toBeNull();
  });
});
