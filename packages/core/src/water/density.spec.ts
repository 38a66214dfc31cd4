import reference from '../testing/fixtures/water-density.json';
import { waterDensityKgM3 } from './density.js';
import { thermoclineOf } from './profile.js';

describe('density of water', () => {
  it.each(reference.rows.map((row) => [row.salinityPsu, row.tempC, row.densityKgM3] as const))(
    'at %d psu and %d C is %d kg/m3 within 0.05',
    (salinity, tempC, density) => {
      expect(Math.abs(waterDensityKgM3(tempC, salinity) - density)).toBeLessThanOrEqual(0.05);
    },
  );
  it('is greatest in fresh water at 4 C', () => {
    expect(waterDensityKgM3(4)).toBeGreaterThan(waterDensityKgM3(3));
    expect(waterDensityKgM3(4)).toBeGreaterThan(waterDensityKgM3(5));
  });
});

describe('the thermocline of a profile', () => {
  const profile = (...temps: number[]) => temps.map((tempC, at) => ({ depthM: at * 2, tempC }));
  it('is the middle of the steepest fall', () => {
    expect(thermoclineOf(profile(26, 25.8, 25, 17, 13, 12))).toEqual({
      depthM: 5,
      gradientCPerM: 4,
      aboveC: (26 + 25.8 + 25) / 3,
      belowC: 14,
    });
  });
  it('is not there in mixed water, nor where it is warmer below', () => {
    expect(thermoclineOf(profile(12, 11.9, 11.8))).toBeUndefined();
    expect(thermoclineOf(profile(3, 4, 4))).toBeUndefined();
  });
});
