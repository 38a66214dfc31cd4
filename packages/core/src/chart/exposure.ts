import type { Shape } from './grid.js';
import { openWaterM } from './rays.js';

const DEG = Math.PI / 180;
const GRAVITY = 9.81;
/** Rays on which fetch is taken, degrees off the wind: waves come from all of a half circle, those off it as its cosine. */
const RAYS_DEG = [-45, -30, -15, 0, 15, 30, 45] as const;

/**
 * Effective fetch of every cell, metres: open water upwind over rays to 45 degrees off the wind, each by the cosine
 * (Saville 1954; Shore Protection Manual).
 * @param windFromDeg where the wind comes from, degrees from north over east
 */
export function fetchM(shape: Shape, depths: Float32Array, windFromDeg: number): Float32Array {
  const fetch = new Float32Array(depths.length);
  const total = RAYS_DEG.reduce<number>((sum, off) => sum + Math.cos(off * DEG), 0);
  for (const off of RAYS_DEG) {
    const open = openWaterM(shape, depths, windFromDeg + off);
    const weight = Math.cos(off * DEG) ** 2 / total;
    for (let cell = 0; cell < fetch.length; cell++)
      fetch[cell] = (fetch[cell] as number) + weight * (open[cell] as number);
  }
  return fetch;
}

/**
 * Significant wave height over deep water when the fetch, not the time, is what limits it, metres (Coastal Engineering
 * Manual, II-2-36, with its drag coefficient).
 * @param windMps at ten metres
 */
export function waveHeightM(windMps: number, fetch: number): number {
  if (windMps <= 0 || fetch <= 0) return 0;
  const friction2 = windMps * windMps * 0.001 * (1.1 + 0.035 * windMps);
  return (0.0413 * friction2 * Math.sqrt((GRAVITY * fetch) / friction2)) / GRAVITY;
}
