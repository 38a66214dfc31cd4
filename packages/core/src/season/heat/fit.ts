import { dayStep, newStep } from './column.js';
import { KNOWLEDGE, type Driver } from './driver.js';
import { overMeanC, swingC, type HeatReading } from './readings.js';
import type { HeatExchange } from './surface.js';
import type { ZoneHeat } from './zone.js';

/** What the readings of a zone say of it: its depth as a share of what was told, and how far its pull is off. */
export interface ZoneFit {
  readonly depthShare: number;
  readonly offsetC: number;
  /** Readings it rests on; 0 where it is taken over from the other zones. */
  readonly readings: number;
}

const MIN_READINGS = 5;
/** How far depth (as a logarithm) and pull may usually be off, and how well one reading says so. */
const LOG_DEPTH_SD = 0.35;
const OFFSET_SD_C = 1.2;
/** Errors of neighbouring days hang together, so that one reading says less than its own error would have it. */
const READING_SD_C = 1.6;
const LOG_DEPTH_BOUND = Math.log(3);
const ROUNDS = 6;

export const withFit = (zone: ZoneHeat, { depthShare }: ZoneFit): ZoneHeat => ({
  ...zone,
  surfaceDepthM: zone.surfaceDepthM * depthShare,
});

interface Point {
  readonly at: number;
  readonly surfaceC: number;
}

/** Runs a zone through the weather without looking at readings; gives the surface on the days of the points. */
function run(
  zone: ZoneHeat,
  pulls: readonly HeatExchange[],
  driver: Driver,
  from: number,
  startC: number,
  points: readonly Point[],
  offsetC: number,
): Float64Array {
  const step = newStep();
  const found = new Float64Array(points.length);
  let [surface, deep] = [startC, Math.min(startC, 14)];
  let next = 0;
  const last = points.at(-1)?.at ?? from;
  for (let at = from; at <= last; at++) {
    const pull = pulls[at] as HeatExchange;
    dayStep(zone, pull, surface, deep, driver.windMps[at] as number, step);
    const drawn = pull.equilibriumC + offsetC;
    [surface, deep] = [
      step.ss * surface + step.sd * deep + step.sp * drawn,
      step.ds * surface + step.dd * deep + step.dp * drawn,
    ];
    while (points[next]?.at === at) found[next++] = surface;
  }
  return found;
}

/**
 * Depth and offset of a zone by least squares with a prior (Gauss-Newton with differences): they do not change from day
 * to day, so all readings speak of them together, while the filter follows what does change.
 * @param pulls the pull on the zone, day by day of the driver
 * @returns undefined where too few readings fall on days of known weather
 */
export function fitZone(
  zone: ZoneHeat,
  pulls: readonly HeatExchange[],
  driver: Driver,
  readings: readonly HeatReading[],
): ZoneFit | undefined {
  const points: Point[] = [];
  for (const { day, hour, surfaceC, anywhere } of readings) {
    const at = day - driver.firstDay;
    if (anywhere || at < 0 || at >= driver.count || driver.knowledge[at] !== KNOWLEDGE.observed) continue;
    points.push({ at, surfaceC: surfaceC - overMeanC(swingC(driver, at, zone), hour) });
  }
  if (points.length < MIN_READINGS) return undefined;
  const from = Math.max(0, (points[0] as Point).at - 20);
  const startC = (points[0] as Point).surfaceC;
  let [logDepth, offsetC] = [0, 0];
  const surfaceAt = (log: number, offset: number) =>
    run(
      withFit(zone, { depthShare: Math.exp(log), offsetC: 0, readings: 0 }),
      pulls,
      driver,
      from,
      startC,
      points,
      offset,
    );
  const weight = 1 / READING_SD_C ** 2;
  for (let round = 0; round < ROUNDS; round++) {
    const base = surfaceAt(logDepth, offsetC);
    const deeper = surfaceAt(logDepth + 0.02, offsetC);
    const warmer = surfaceAt(logDepth, offsetC + 0.1);
    let [aa, ab, bb] = [1 / LOG_DEPTH_SD ** 2, 0, 1 / OFFSET_SD_C ** 2];
    let [ra, rb] = [-logDepth * aa, -offsetC * bb];
    for (const [index, { surfaceC }] of points.entries()) {
      const value = base[index] as number;
      const byDepth = ((deeper[index] as number) - value) / 0.02;
      const byOffset = ((warmer[index] as number) - value) / 0.1;
      const missed = Math.max(-4, Math.min(4, surfaceC - value));
      aa += weight * byDepth * byDepth;
      ab += weight * byDepth * byOffset;
      bb += weight * byOffset * byOffset;
      ra += weight * byDepth * missed;
      rb += weight * byOffset * missed;
    }
    const whole = aa * bb - ab * ab;
    const depthMove = (bb * ra - ab * rb) / whole;
    logDepth = Math.max(
      -LOG_DEPTH_BOUND,
      Math.min(LOG_DEPTH_BOUND, logDepth + Math.max(-0.5, Math.min(0.5, depthMove))),
    );
    offsetC += (aa * rb - ab * ra) / whole;
    if (Math.abs(depthMove) < 1e-3) break;
  }
  return { depthShare: Math.exp(logDepth), offsetC, readings: points.length };
}

/** What to take for a zone without readings of its own, from those that have some. */
export function sharedFit(fits: readonly ZoneFit[]): ZoneFit {
  if (!fits.length) return { depthShare: 1, offsetC: 0, readings: 0 };
  const mean = (pick: (fit: ZoneFit) => number) => fits.reduce((sum, fit) => sum + pick(fit), 0) / fits.length;
  // Off the same way as the others, the more surely the more of them say so.
  const shared = fits.length / (fits.length + 1);
  return {
    depthShare: Math.exp(shared * mean(({ depthShare }) => Math.log(depthShare))),
    offsetC: shared * mean(({ offsetC }) => offsetC),
    readings: 0,
  };
}
