import type { Sky } from '../contract/ids.js';

const DEG = Math.PI / 180;
/** Haurwitz (1945): clear-sky global irradiance in W/m2 is 1098 cos z exp(-0.057 / cos z). */
const haurwitz = (sine: number): number => 1098 * sine * Math.exp(-0.057 / sine);
const FULL_SUN = haurwitz(1);
/** Light at the horizon, as a share of full sun; below it light falls tenfold for every 3 degrees of twilight. */
const HORIZON_SHARE = 0.004;

/** Cloud cover in tenths of the sky that each word stands for. */
const CLOUD_FRACTION: Record<Sky, number> = {
  clear: 0.05,
  'partly-cloudy': 0.5,
  overcast: 0.95,
  rain: 1,
  fog: 0.97,
};

/** Share of the light that cloud lets through: 1 - 0.75 n^3.4 (Kasten & Czeplak 1980). */
export const cloudTransmission = (sky: Sky): number => 1 - 0.75 * CLOUD_FRACTION[sky] ** 3.4;

/** Share of the light that enters the water: Schlick's (1994) form of Fresnel reflection for an index of 1.33. */
export function surfaceTransmission(sunAltitudeDeg: number): number {
  const sine = Math.max(0, Math.sin(sunAltitudeDeg * DEG));
  return 1 - (0.02 + 0.98 * (1 - sine) ** 5);
}

/**
 * Light at the surface as a share of a high clear sun, 0 to 1.
 * @param sunAltitudeDeg height of the sun in degrees; negative in twilight
 */
export function surfaceLight(sunAltitudeDeg: number, sky: Sky): number {
  const sine = Math.sin(sunAltitudeDeg * DEG);
  const twilight = HORIZON_SHARE * 10 ** (Math.min(0, sunAltitudeDeg) / 3);
  const direct = sine > 0.001 ? haurwitz(sine) / FULL_SUN : 0;
  return Math.min(1, (twilight + direct) * cloudTransmission(sky));
}

/** Diffuse attenuation per metre from the Secchi depth: 1.7 / Secchi (Poole & Atkins 1929). */
export const attenuationPerM = (secchiM: number): number => 1.7 / secchiM;

/**
 * Depth at which a light level is met (Beer-Lambert), 0 where the surface is darker already.
 * @param light share of full sun just above the water
 * @param level the wanted share of full sun
 */
export function depthOfLightM(light: number, level: number, secchiM: number): number {
  return light <= level ? 0 : Math.log(light / level) / attenuationPerM(secchiM);
}
