import { COVERS, type Cover, type Structure } from '../contract/ids.js';
import type { Reason } from '../contract/plan.js';
import { waveHeightM } from '../chart/exposure.js';
import { middleOf } from '../chart/grid.js';
import { sunAzimuthDeg, type SunDay } from '../day/sun.js';
import type { JudgedDay } from '../plan/judge.js';
import type { UnitSystem } from '../units/units.js';
import { structureOf } from './forms.js';
import { SHADED, type Ground } from './ground.js';
import { cellScore, type HoldingModel } from './holding-model.js';
import { pickApart } from './pick.js';
import { isShaded } from './shade.js';
import type { Scan } from './scan.js';

/** A place worth going to, with all that a chart can say of it. Distances are metres. */
export interface Spot {
  readonly cell: number;
  /** In the chart's projection. */
  readonly at: readonly [x: number, y: number];
  readonly structure: Structure;
  /** How sure the form is, 0 to 1. */
  readonly sure: number;
  readonly cover: Cover | null;
  readonly depthM: number;
  readonly slopeDeg: number;
  readonly shoreM: number;
  readonly deepM: number;
  readonly channelM: number;
  readonly coverM: number;
  readonly fetchM: number;
  readonly waveM: number;
  readonly shaded: boolean;
  /** Number of the arm, 0 in the open body, and how far up it, 0 to 1. */
  readonly arm: number;
  readonly upShare: number;
  /** Against the best of this hour, 0 to 1. */
  readonly score: number;
  readonly because: readonly Reason[];
  /** How good it is against the best spot of the whole day, quarter hour by quarter hour, 0 to 1. */
  readonly byQuarter: readonly { readonly minute: number; readonly goodness: number }[];
  /** When it is at its best, minutes past midnight. */
  readonly good: readonly { readonly fromMin: number; readonly toMin: number }[];
}

/** Places on the list lie this far apart. */
const APART_M = 130;
/** A spot is good while it is at least this share as good as at its own best. */
const GOOD_SHARE = 0.7;

export interface SpotFilter {
  readonly structure?: Structure | undefined;
  readonly cover?: Cover | undefined;
}

/** What the day's models make of one cell, quarter hour by quarter hour, as weights (not logs). */
function weightByQuarter(ground: Ground, cell: number, day: SpotDay): { minute: number; weight: number }[] {
  const { grid, depthM } = ground.reading;
  const sure = (ground.named.confidence[cell] as number) / 100;
  return day.models.map((model) => {
    const { minute, sunAltitudeDeg } = model.moment;
    const azimuth = sunAzimuthDeg(day.sun, day.latitude, minute);
    const shade = isShaded(grid, depthM, cell, sunAltitudeDeg, azimuth) ? SHADED : 0;
    const depth = (depthM[cell] as number) - model.dropM;
    if (depth <= 0) return { minute, weight: 0 };
    const judged = model.judge((ground.classOf[cell] as number) | shade);
    return { minute, weight: Math.exp(cellScore(judged, sure, depth)) };
  });
}

/** A day with its holding model for every quarter hour. */
export interface SpotDay {
  readonly day: JudgedDay;
  readonly sun: SunDay;
  readonly latitude: number;
  readonly models: readonly HoldingModel[];
  /** The highest that the tide stands over the water's level in the day, metres; the bed is read under that. */
  readonly highM: number;
}

/** Stretches in which a spot keeps near its own best. */
function goodWhen(quarters: readonly { minute: number; goodness: number }[]): { fromMin: number; toMin: number }[] {
  const top = Math.max(...quarters.map(({ goodness }) => goodness));
  const good: { fromMin: number; toMin: number }[] = [];
  for (const { minute, goodness } of quarters) {
    if (goodness < GOOD_SHARE * top) continue;
    const open = good.at(-1);
    if (open && minute - open.toMin <= 15) open.toMin = minute;
    else good.push({ fromMin: minute, toMin: minute });
  }
  return good.filter(({ fromMin, toMin }) => toMin > fromMin);
}

/** All that can be said of the spots at some cells. @param scan of the hour the words are for */
export function describeSpots(
  ground: Ground,
  cells: readonly number[],
  day: SpotDay,
  model: HoldingModel,
  scan: Scan,
  units: UnitSystem,
): Spot[] {
  const { reading, named, cover, fetchM } = ground;
  const byQuarter = cells.map((cell) => weightByQuarter(ground, cell, day));
  const top = Math.max(...byQuarter.flatMap((quarters) => quarters.map(({ weight }) => weight)));
  return cells.map((cell, index) => {
    const sure = (named.confidence[cell] as number) / 100;
    const shaded = scan.shade[cell] === 1;
    const quarters = (byQuarter[index] ?? []).map(({ minute, weight }) => ({ minute, goodness: weight / top }));
    const fetch = fetchM[cell] as number;
    const depth = (reading.depthM[cell] as number) - model.dropM;
    return {
      cell,
      at: middleOf(reading.grid, cell),
      structure: structureOf(named.structure[cell] as number) ?? 'open-water',
      sure,
      cover: COVERS[(cover[cell] as number) - 1] ?? null,
      depthM: depth,
      slopeDeg: reading.slopeDeg[cell] as number,
      shoreM: reading.shoreM[cell] as number,
      deepM: reading.deepM[cell] as number,
      channelM: reading.channelM[cell] as number,
      coverM: ground.coverM[cell] as number,
      fetchM: fetch,
      waveM: waveHeightM(day.day.conditions.windMps, fetch),
      shaded,
      arm: reading.arms.arm[cell] as number,
      upShare: reading.arms.upShare[cell] as number,
      score: Math.exp((scan.score[cell] as number) - scan.best),
      because: model.because((ground.classOf[cell] as number) | (shaded ? SHADED : 0), sure, units, depth),
      byQuarter: quarters,
      good: goodWhen(quarters),
    };
  });
}

/** The cells of the best distinct places of one hour. */
export function bestCells(
  ground: Ground,
  { score }: Scan,
  most: number,
  { structure, cover }: SpotFilter = {},
): number[] {
  const { named } = ground;
  const allows = (cell: number): boolean =>
    (!structure || structureOf(named.structure[cell] as number) === structure) &&
    (!cover || COVERS[(ground.cover[cell] as number) - 1] === cover);
  return pickApart(ground.reading.grid, score, ground.wet, { most, apartM: APART_M, allows });
}
