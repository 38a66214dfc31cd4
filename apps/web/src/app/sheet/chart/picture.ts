import {
  attenuationPerM,
  clockOf,
  levelAtM,
  minutesInOrder,
  nameOf,
  sayRange,
  toShown,
  type PlannedDay,
  type PlanWindow,
  type UnitSystem,
} from '@inky-shoal/core';
import { sayClock, sayDepths, sayHours } from '../words';

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

/** A group of fish through the day, in shown depth units; where it is not there its share is 0. */
export interface Group {
  readonly id: string;
  readonly band: readonly { readonly x: number; readonly top: number; readonly low: number; readonly share: number }[];
}

/** What the sheet draws, in minutes across and shown depth units down. */
export interface Picture {
  readonly fromMin: number;
  readonly toMin: number;
  readonly deepest: number;
  /** Minutes of the quarter hours, left to right. */
  readonly minutes: readonly number[];
  /** The groups of fish: each a band through the day with its share of the fish at every quarter hour. */
  readonly groups: readonly Group[];
  /** Lines of equal light in the water, brightest first: each a depth for every moment of the band. */
  readonly isolights: readonly (readonly number[])[];
  readonly strokes: readonly Stroke[];
  readonly bottom: number | null;
  readonly thermocline: number | null;
  readonly windows: readonly { readonly id: string; readonly fromMin: number; readonly toMin: number }[];
  /** The surface where the tide moves it; depths are told from its highest then. Null where it stands. */
  readonly surface: Surface | null;
}

/** A surface that the tide moves, in shown depth units under its highest. */
export interface Surface {
  readonly dropAt: (minute: number) => number;
  /** Of the day's middle level. */
  readonly middle: number;
}

/** Shares of full sun whose depths part the layers of ink. */
const LIGHT_LEVELS = [0.4, 0.18, 0.08, 0.035, 0.015, 0.006, 0.002] as const;

function niceCeil(value: number): number {
  const step = [0.5, 1, 2, 5, 10, 20, 50].find((each) => value / each <= 9) ?? 100;
  return Math.ceil(value / step) * step;
}

type Hours = ReturnType<typeof minutesInOrder>[number];

function strokesOf(window: PlanWindow, hours: Hours, shown: (m: number) => number, units: UnitSystem): Stroke[] {
  return window.presentations.map(({ category, runDepthM, retrieve }, index) => {
    const wait = retrieve.pauseS ? `, wait ${retrieve.pauseS.map((s) => Math.round(s * 10) / 10).join(' to ')} s` : '';
    const depth = sayDepths(runDepthM, units);
    return {
      windowId: window.id,
      ...hours,
      depth: shown((runDepthM[0] + runDepthM[1]) / 2),
      name: nameOf(category),
      detail: `${depth}${wait}`,
      first: index === 0,
    };
  });
}

/** The surface of a day with its tide: how far it stands under the day's highest, straight between the levels told. */
function surfaceOf({ tide }: PlannedDay, shown: (metres: number) => number): Surface | null {
  if (!tide) return null;
  const highestM = Math.max(...tide.levels.map(({ levelM }) => levelM));
  const dropOf = (levelM: number) => shown(highestM - levelM);
  return {
    dropAt: (minute) => dropOf(levelAtM(tide, minute)),
    middle: dropOf(tide.middleM),
  };
}

/** A group of so few fish does not decide how deep the sheet goes. */
const SEEN_SHARE = 0.12;

/** The groups of all quarter hours as bands; a group that comes and goes keeps its depth while it is away. */
function groupsOf(
  moments: PlannedDay['moments'],
  shown: (metres: number) => number,
  dropAt: (minute: number) => number,
): Group[] {
  const ids = [...new Set(moments.flatMap(({ groups }) => groups.map(({ group }) => group)))];
  return ids.map((id) => {
    const found = moments.map(({ groups }) => groups.find(({ group }) => group === id));
    let last = found.find((each) => each !== undefined)?.depthM ?? [0, 0];
    return {
      id,
      band: moments.map(({ minute }, index) => {
        const here = found[index];
        last = here?.depthM ?? last;
        const drop = dropAt(minute);
        return { x: minute, top: drop + shown(last[0]), low: drop + shown(last[1]), share: here?.share ?? 0 };
      }),
    };
  });
}

/** Turns a planned day into what is drawn. */
export function pictureOf(day: PlannedDay, units: UnitSystem): Picture {
  const shown = (metres: number) => toShown('depth', metres, units);
  const { plan, moments, visibilityM, bottomM, thermoclineM } = day;
  const k = attenuationPerM(visibilityM);
  const surface = surfaceOf(day, shown);
  const dropAt = surface?.dropAt ?? (() => 0);
  const groups = groupsOf(moments, shown, dropAt);
  const hours = minutesInOrder(plan.windows);
  const strokes = plan.windows.flatMap((window, index) => strokesOf(window, hours[index] as Hours, shown, units));
  const lowest = Math.max(
    ...groups.flatMap(({ band }) => band.filter(({ share }) => share >= SEEN_SHARE).map(({ low }) => low)),
    ...strokes.filter(({ first }) => first).map(({ depth, fromMin, toMin }) => depth + dropAt((fromMin + toMin) / 2)),
  );
  // The deepest that is told of a water is told of its middle level.
  const bottom = bottomM === null ? null : shown(bottomM) + (surface?.middle ?? 0);
  const seesBottom = bottom !== null && bottom < lowest * 1.9;
  return {
    fromMin: moments[0]?.minute ?? 0,
    toMin: moments.at(-1)?.minute ?? 0,
    deepest: niceCeil(seesBottom ? bottom * 1.12 : lowest * 1.4),
    minutes: moments.map(({ minute }) => minute),
    groups,
    isolights: LIGHT_LEVELS.map((level) =>
      moments.map(({ light, minute }) => dropAt(minute) + shown(light <= level ? 0 : Math.log(light / level) / k)),
    ),
    strokes,
    bottom: seesBottom ? bottom : null,
    thermocline: thermoclineM === null ? null : shown(thermoclineM),
    windows: plan.windows.map(({ id }, index) => ({ id, ...(hours[index] as Hours) })),
    surface,
  };
}

/** What the picture says, in words, for those who do not see it. */
export function describe(day: PlannedDay, units: UnitSystem): string {
  const turns = (day.tide?.turns ?? []).map(({ minute, kind }) => `${kind} water ${sayClock(clockOf(minute))}`);
  const tide = turns.length ? `Tide: ${turns.join(', ')}. ` : '';
  return `${tide}${wordsOfWindows(day, units)}`;
}

function wordsOfWindows(day: PlannedDay, units: UnitSystem): string {
  return day.plan.windows
    .map(({ from, to, holding, presentations }) => {
      const [first] = presentations;
      const [place, ...others] = holding;
      const apart = others.find(({ depthM }) => place && (depthM[0] > place.depthM[1] || depthM[1] < place.depthM[0]));
      const more = apart ? `, others at ${sayRange('depth', apart.depthM, units)}` : '';
      const where = place ? `fish at ${sayRange('depth', place.depthM, units)}${more}` : 'no place';
      return `${sayHours(from, to)}: ${where}${first ? `, ${nameOf(first.category)} first` : ''}`;
    })
    .join('. ');
}
