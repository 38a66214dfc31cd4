import { waterDensityKgM3 } from '@inky-shoal/core';
import { weatherAt, type Climate, type Hour } from './weather.js';

/**
 * The hidden truth of a simulated lake: layers of half a metre, stepped by the hour. It is not the planner's own model:
 * light is taken up layer by layer, wind mixes by its energy, night cooling overturns what it makes heavy, and the
 * bulk formulas of the surface have other coefficients.
 */
export interface TrueZone {
  readonly name: string;
  readonly depthM: number;
  /** Wind over it as a share of that over open land. */
  readonly shelter: number;
  /** Light taken up per metre. */
  readonly attenuationPerM: number;
  readonly albedo: number;
  /** Indices of zones with which it exchanges surface water, and the share that goes over in a day. */
  readonly exchange: readonly (readonly [zone: number, sharePerDay: number])[];
  /** Salinity, for what is not fresh. */
  readonly salinityPsu?: number;
}

export interface TrueCourse {
  /** First hour, as ms since 1970. */
  readonly firstMs: number;
  /** Temperature at the surface by the hour. */
  readonly surfaceC: Float32Array;
  /** Temperature near the bottom by the hour. */
  readonly bottomC: Float32Array;
  /** Whole profiles at noon UTC-6 of every day: `profile[day * layers + layer]`. */
  readonly profiles: Float32Array;
  readonly layers: number;
}

export const LAYER_M = 0.5;
const HOUR_MS = 3_600_000;
const HOUR_S = 3600;
const HEAT_PER_M3 = 4.186e6;
const HEAT_PER_LAYER = HEAT_PER_M3 * LAYER_M;
/** Wind energy that goes into mixing: share of air density times friction velocity cubed. */
const MIXING_SHARE = 1.5;
const AIR_KGM3 = 1.2;
const DRAG = 0.0013;
const WATER_KGM3 = 1000;
const GRAVITY = 9.81;
/** Diffusion under the mixed layer, m2/s. */
const DIFFUSION_M2S = 5e-6;
const LATENT_J_PER_KG = 2.45e6;
const AIR_HEAT = 1005;
/** Transfer coefficient of heat and vapour (bulk aerodynamic formulas). */
const TRANSFER = 0.0017;
const NOON_UTC_HOUR = 18;

const vapourHpa = (tempC: number): number => 6.1094 * Math.exp((17.625 * tempC) / (243.04 + tempC));
const humidity = (hpa: number, pressureHpa: number): number => (0.622 * hpa) / (pressureHpa - 0.378 * hpa);

/** Heat that the surface gains besides light, W/m2. */
function surfaceFlux(surfaceC: number, hour: Hour, wind: number): number {
  const airVapour = vapourHpa(hour.dewPointC);
  const longwaveIn =
    5.67e-8 *
    (hour.airTempC + 273.15) ** 4 *
    (0.7 + 5.95e-5 * airVapour * Math.exp(1500 / (hour.airTempC + 273.15))) *
    (1 + 0.12 * hour.cloudFraction ** 2);
  const longwaveOut = 0.97 * 5.67e-8 * (surfaceC + 273.15) ** 4;
  const breeze = wind + 0.8;
  const sensible = AIR_KGM3 * AIR_HEAT * TRANSFER * breeze * (surfaceC - hour.airTempC);
  const drier = humidity(vapourHpa(surfaceC), hour.pressureHpa) - humidity(airVapour, hour.pressureHpa);
  const latent = AIR_KGM3 * LATENT_J_PER_KG * TRANSFER * breeze * drier;
  return Math.min(longwaveIn, 480) * 0.97 - longwaveOut - sensible - latent;
}

/** Mixes layers 0 to `to` (inclusive) to one temperature. */
function mix(column: Float64Array, to: number): void {
  let sum = 0;
  for (let layer = 0; layer <= to; layer++) sum += column[layer] as number;
  column.fill(sum / (to + 1), 0, to + 1);
}

/** What is heavier than the water under it sinks and mixes. */
function overturn(column: Float64Array, density: (c: number) => number): void {
  let top = 0;
  let sum = column[0] as number;
  while (top + 1 < column.length && density(sum / (top + 1)) > density(column[top + 1] as number) + 1e-7) {
    top++;
    sum += column[top] as number;
  }
  if (top > 0) column.fill(sum / (top + 1), 0, top + 1);
}

/** The wind's energy deepens the mixed layer as far as it lasts (after Kraus & Turner 1967). */
function stir(column: Float64Array, wind: number, density: (c: number) => number): void {
  const friction = Math.sqrt((AIR_KGM3 * DRAG) / WATER_KGM3) * wind;
  let energy = MIXING_SHARE * WATER_KGM3 * friction ** 3 * HOUR_S;
  let mixed = 0;
  while (mixed + 1 < column.length && Math.abs((column[mixed + 1] as number) - (column[0] as number)) < 1e-6) mixed++;
  while (mixed + 1 < column.length) {
    const depth = (mixed + 1) * LAYER_M;
    const heavier = density(column[mixed + 1] as number) - density(column[0] as number);
    const needed = (GRAVITY * Math.max(0, heavier) * depth * LAYER_M) / 2;
    if (needed > energy) return;
    energy -= needed;
    mixed++;
    mix(column, mixed);
  }
}

/** Runs all zones of a lake together from `firstMs` for `hours` hours. */
export function trueLake(
  climate: Climate,
  zones: readonly TrueZone[],
  startC: number,
  firstMs: number,
  hours: number,
): TrueCourse[] {
  const columns = zones.map(({ depthM }) => new Float64Array(Math.max(2, Math.round(depthM / LAYER_M))).fill(startC));
  const days = Math.ceil(hours / 24);
  const courses = zones.map((_, zone) => ({
    firstMs,
    surfaceC: new Float32Array(hours),
    bottomC: new Float32Array(hours),
    layers: (columns[zone] as Float64Array).length,
    profiles: new Float32Array(days * (columns[zone] as Float64Array).length),
  }));
  const densities = zones.map(
    ({ salinityPsu = 0 }) =>
      (tempC: number) =>
        waterDensityKgM3(tempC, salinityPsu),
  );
  for (let at = 0; at < hours; at++) {
    const timeMs = firstMs + at * HOUR_MS;
    const hour = weatherAt(climate, timeMs);
    for (const [index, zone] of zones.entries()) {
      const column = columns[index] as Float64Array;
      const density = densities[index] as (c: number) => number;
      const wind = hour.windMps * zone.shelter;
      const light = hour.solarWm2 * (1 - zone.albedo);
      const last = column.length - 1;
      column[0] =
        (column[0] as number) +
        ((surfaceFlux(column[0] as number, hour, wind) + light * 0.4) * HOUR_S) / HEAT_PER_LAYER;
      for (let layer = 0; layer <= last; layer++) {
        const top = Math.exp(-zone.attenuationPerM * layer * LAYER_M);
        // What reaches the bottom warms the water beside it.
        const low = layer === last ? 0 : Math.exp(-zone.attenuationPerM * (layer + 1) * LAYER_M);
        column[layer] = (column[layer] as number) + (light * 0.6 * (top - low) * HOUR_S) / HEAT_PER_LAYER;
      }
      overturn(column, density);
      stir(column, wind, density);
      const spread = (DIFFUSION_M2S * HOUR_S) / (LAYER_M * LAYER_M);
      let above = column[0] as number;
      for (let layer = 1; layer <= last; layer++) {
        const here = column[layer] as number;
        const flow = spread * (above - here);
        column[layer] = here + flow;
        column[layer - 1] = (column[layer - 1] as number) - flow;
        above = column[layer] as number;
      }
      if ((column[0] as number) < 0.2) column[0] = 0.2;
    }
    for (const [index, { exchange }] of zones.entries()) {
      const column = columns[index] as Float64Array;
      for (const [other, sharePerDay] of exchange) {
        const theirs = columns[other] as Float64Array;
        for (let layer = 0; layer < Math.min(6, column.length, theirs.length); layer++) {
          const flow = (sharePerDay / 24) * ((theirs[layer] as number) - (column[layer] as number));
          column[layer] = (column[layer] as number) + flow;
        }
      }
    }
    for (const [index, course] of courses.entries()) {
      const column = columns[index] as Float64Array;
      course.surfaceC[at] = column[0] as number;
      course.bottomC[at] = column[column.length - 1] as number;
      if (new Date(timeMs).getUTCHours() === NOON_UTC_HOUR)
        course.profiles.set(column, Math.floor(at / 24) * course.layers);
    }
  }
  return courses;
}
