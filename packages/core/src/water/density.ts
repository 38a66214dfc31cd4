/**
 * Density of water at the surface in kg/m3, fresh to sea water, -2 to 40 degrees C: the one-atmosphere equation of
 * state of Millero & Poisson (1981), as UNESCO (1983) printed it. Temperatures are taken as on today's scale (ITS-90)
 * and turned to that of the equation (IPTS-68).
 * @param tempC water temperature in degrees Celsius
 * @param salinityPsu practical salinity, 0 for fresh water
 */
export function waterDensityKgM3(tempC: number, salinityPsu = 0): number {
  const t = tempC * 1.00024;
  const s = salinityPsu;
  const fresh =
    999.842594 + t * (6.793952e-2 + t * (-9.09529e-3 + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))));
  if (s === 0) return fresh;
  const a = 8.24493e-1 + t * (-4.0899e-3 + t * (7.6438e-5 + t * (-8.2467e-7 + t * 5.3875e-9)));
  const b = -5.72466e-3 + t * (1.0227e-4 - t * 1.6546e-6);
  return fresh + a * s + b * s ** 1.5 + 4.8314e-4 * s * s;
}
