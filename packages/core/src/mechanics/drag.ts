export const GRAVITY_MPS2 = 9.80665;

/**
 * Kinematic viscosity of water in m2/s by its temperature: dynamic viscosity after Vogel's equation with the
 * coefficients for water (Viswanath & Natarajan 1989), over the density.
 */
export const viscosityM2S = (tempC: number, densityKgM3 = 999): number =>
  (2.414e-5 * 10 ** (247.8 / (tempC + 133.15))) / densityKgM3;

/** Viscosity at 12 degrees C, for where the temperature hardly matters. */
export const COOL_WATER_M2S = 1.23e-6;

/** Drag coefficient of a smooth cylinder across the flow, for Reynolds numbers of 1 to 200,000 (White 1974). */
export const cylinderDrag = (reynolds: number): number => 1 + 10 * Math.max(1, reynolds) ** (-2 / 3);
