import { bearingDeg, bestCutDeg, cutDeg } from './line-up';

it.each([
  ['north', [0, 1], 0],
  ['east', [1, 0], 90],
  ['south', [0, -1], 180],
  ['west', [-1, 0], 270],
] as const)('a place due %s bears so', (_, to, bearing) => {
  expect(bearingDeg([0, 0], to)).toBeCloseTo(bearing, 6);
});

it('is the great circle: far places on one parallel do not bear due east of one another', () => {
  // From the closed formula for a spherical triangle, at 60 north and a quarter of the way around.
  expect(bearingDeg([0, 60], [90, 60])).toBeCloseTo((Math.atan2(0.5, Math.sin(Math.PI / 3) * 0.5) * 180) / Math.PI, 6);
  expect(bearingDeg([-88.4, 35.9], [-88.39, 35.9])).toBeCloseTo(90, 1);
});

it('lines cross at the smaller angle, whichever way one looks along them', () => {
  expect(cutDeg(10, 100)).toBe(90);
  expect(cutDeg(350, 10)).toBe(20);
  expect(cutDeg(0, 170)).toBe(10);
  expect(cutDeg(200, 20)).toBe(0);
});

it('of several line-ups the best two count; one alone crosses nothing', () => {
  expect(bestCutDeg([0, 10, 75])).toBe(75);
  expect(bestCutDeg([40])).toBeNull();
});
