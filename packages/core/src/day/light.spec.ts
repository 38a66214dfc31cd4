import { attenuationPerM, cloudTransmission, depthOfLightM, surfaceLight, surfaceTransmission } from './light.js';

describe('light', () => {
  it('follows Haurwitz for a clear sky: 30 degrees gives 1098 sin 30 exp(-0.057 / sin 30) over the overhead sun', () => {
    const expected = (0.5 * Math.exp(-0.057 / 0.5)) / Math.exp(-0.057);
    expect(surfaceLight(30, 'clear')).toBeCloseTo(expected, 2);
  });

  it('loses three quarters under a full cover of cloud (Kasten & Czeplak)', () => {
    expect(cloudTransmission('rain')).toBeCloseTo(0.25, 5);
    expect(cloudTransmission('clear')).toBeGreaterThan(0.99);
  });

  it('reflects two percent from overhead and most at a grazing sun', () => {
    expect(surfaceTransmission(90)).toBeCloseTo(0.98, 5);
    expect(surfaceTransmission(5)).toBeLessThan(0.5);
  });

  it('falls off with depth as exp(-1.7 z / Secchi)', () => {
    expect(attenuationPerM(2)).toBe(0.85);
    expect(depthOfLightM(1, 0.01, 2)).toBeCloseTo(Math.log(100) / 0.85, 6);
    expect(depthOfLightM(0.005, 0.01, 2)).toBe(0);
  });
});
