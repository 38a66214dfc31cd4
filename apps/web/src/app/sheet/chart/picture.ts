import {
  attenuationPerM,
  minutesOf,
  nameOf,
  sayRange,
  toShown,
  type PlannedDay,
  type PlanWindow,
  type UnitSystem,
} from '@inky-shoal/core';
import { sayHours } from '../words';

/** One lure drawn over a window: where it runs, in shown depth units. */
export interface Stroke {
  readonly windowId: string;
  readonly fromMin: number;
  readonly toMin: number;
  readonly depth: number;
  readonly name: string;
  readonly detail: string;
  /** First choice of its window. */
  readonly first: boolean;
}

/** What the sheet draws, in minutes across and shown depth units down. */
export interface Picture {
  readonly fromMin: number;
  readonly toMin: number;
  readonly deepest: number;
  readonly band: readonly { readonly x: number; readonly top: number; readonly low: number }[];
  /** Lines of equal light in the water, brightest first: each a depth for every moment of the band. */
  readonly isolights: readonly (readonly number[])[];
  readonly strokes: readonly Stroke[];
  readonly bottom: number | null;
  readonly thermocline: number | null;
  readonly windows: readonly { readonly id: string; readonly fromMin: number; readonly toMin: number }[];
}

/** Shares of full sun whose depths part the layers of ink. */
const LIGHT_LEVELS = [0.4, 0.18, 0.08, 0.035, 0.015, 0.006, 0.002] as const;

function niceCeil(value: number): number {
  const step = [0.5, 1, 2, 5, 10, 20, 50].find((each) => value / each <= 9) ?? 100;
  return Math.ceil(value / step) * step;
}

function strokesOf(window: PlanWindow, shown: (m: number) => number, units: UnitSystem): Stroke[] {
  return window.presentations.map(({ category, runDepthM, retrieve }, index) => {
    const wait = retrieve.pauseS ? `, wait ${retrieve.pauseS.map((s) => Math.round(s * 10) / 10).join(' to ')} s` : '';
    const depth = runDepthM[1] <= 0.15 ? 'at the top' : sayRange('depth', runDepthM, units);
    return {
      windowId: window.id,
      fromMin: minutesOf(window.from),
      toMin: minutesOf(window.to),
      depth: shown((runDepthM[0] + runDepthM[1]) / 2),
      name: nameOf(category),
      detail: `${depth}${wait}`,
      first: index === 0,
    };
  });
}

/** Turns a planned day into what is drawn. */
export function pictureOf(day: PlannedDay, units: UnitSystem): Picture {
  const shown = (metres: number) => toShown('depth', metres, units);
  const { plan, moments, visibilityM, bottomM, thermoclineM } = day;
  const k = attenuationPerM(visibilityM);
  const band = moments.map(({ minute, depthM }) => ({ x: minute, top: shown(depthM[0]), low: shown(depthM[1]) }));
  const strokes = plan.windows.flatMap((window) => strokesOf(window, shown, units));
  const lowest = Math.max(
    ...band.map(({ low }) => low),
    ...strokes.filter(({ first }) => first).map(({ depth }) => depth),
  );
  const bottom = bottomM === null ? null : shown(bottomM);
  const seesBottom = bottom !== null && bottom < lowest * 1.9;
  return {
    fromMin: moments[0]?.minute ?? 0,
    toMin: moments.at(-1)?.minute ?? 0,
    deepest: niceCeil(seesBottom ? bottom * 1.12 : lowest * 1.4),
    band,
    isolights: LIGHT_LEVELS.map((level) =>
      moments.map(({ light }) => shown(light <= level ? 0 : Math.log(light / level) / k)),
    ),
    strokes,
    bottom: seesBottom ? bottom : null,
    thermocline: thermoclineM === null ? null : shown(thermoclineM),
    windows: plan.windows.map(({ id, from, to }) => ({ id, fromMin: minutesOf(from), toMin: minutesOf(to) })),
  };
}

/** What the picture says, in words, for those who do not see it. */
export function describe(day: PlannedDay, units: UnitSystem): string {
  return day.plan.windows
    .map(({ from, to, holding, presentations }) => {
      const [place] = holding;
      const [first] = presentations;
      const where = place ? `fish at ${sayRange('depth', place.depthM, units)}` : 'no place';
      return `${sayHours(from, to)}: ${where}${first ? `, ${nameOf(first.category)} first` : ''}`;
    })
    .join('. ');
}
