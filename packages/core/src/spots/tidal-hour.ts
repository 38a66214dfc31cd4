import { bisectRight } from 'd3-array';
import { STRUCTURES, type Structure } from '../contract/ids.js';
import { SLACK_SHARE } from '../day/level.js';
import type { Ground } from './ground.js';
import type { Drop } from './way-home.js';

/** What the tide does on a chart at one hour. */
export interface TidalHour {
  /** How far it stands over the water's middle level, metres. */
  readonly aboveM: number;
  /** How fast it rises, metres an hour; negative where it falls. */
  readonly riseMPerHour: number;
  readonly way: 'flooding' | 'draining' | 'slack';
  /** Water at the shore that came in the half hour before, or goes in the half hour after: shoaler than this, metres. */
  readonly edgeM: number;
  /** Share of the shallow ground that has water on it. */
  readonly flatsWet: number;
  /** Drain mouths with water in them, and all there are. */
  readonly mouthsWet: number;
  readonly mouths: number;
}

/** Ground that floods and drains, by its name. */
const SHALLOW: ReadonlySet<Structure> = new Set(['flat', 'grass-edge', 'oyster-bar', 'pothole', 'marsh-point']);
const HALF_HOUR_MIN = 30;
/** Fewer cells are no mouth but a notch. */
const MOUTH_CELLS = 3;

/** Depths of shallow ground under the day's highest water, ascending, and the deepest of each drain mouth. */
export interface TidalGround {
  readonly shallowM: Float32Array;
  readonly mouthsM: readonly number[];
}

/** Reads off a chart what a tide moves over: once a day, to be asked by the hour. */
export function tidalGround({ reading: { grid, depthM }, named, wet }: Ground): TidalGround {
  const isShallow = STRUCTURES.map((structure) => SHALLOW.has(structure));
  const mouth = STRUCTURES.indexOf('drain-mouth') + 1;
  const shallow: number[] = [];
  const mouthsM: number[] = [];
  const seen = new Uint8Array(depthM.length);
  for (const cell of wet) {
    const structure = named.structure[cell] as number;
    if (isShallow[structure - 1]) shallow.push(depthM[cell] as number);
    if (structure !== mouth || seen[cell]) continue;
    let deepest = 0;
    const together = [cell];
    seen[cell] = 1;
    for (const each of together) {
      deepest = Math.max(deepest, depthM[each] as number);
      const col = each % grid.cols;
      for (const other of [each - grid.cols, each + grid.cols, ...(col ? [each - 1] : []), each + 1]) {
        if (other >= depthM.length || other < 0 || seen[other] || named.structure[other] !== mouth) continue;
        if (other === each + 1 && other % grid.cols === 0) continue;
        seen[other] = 1;
        together.push(other);
      }
    }
    if (together.length >= MOUTH_CELLS) mouthsM.push(deepest);
  }
  return { shallowM: Float32Array.from(shallow).sort(), mouthsM };
}

/** The tide over a chart at one of the day's moments. @param at place of it among the drops */
export function tidalHour(
  { shallowM, mouthsM }: TidalGround,
  drops: readonly Drop[],
  at: number,
  highM: number,
): TidalHour {
  const { dropM, minute } = drops[at] as Drop;
  const rise = (from: Drop, to: Drop) =>
    to.minute > from.minute ? ((from.dropM - to.dropM) / (to.minute - from.minute)) * 60 : 0;
  const rises = drops.slice(1).map((to, index) => rise(drops[index] as Drop, to));
  const riseMPerHour = rise(drops[Math.max(0, at - 1)] as Drop, drops[Math.min(drops.length - 1, at + 1)] as Drop);
  const fastest = Math.max(...rises.map(Math.abs));
  const isSlack = Math.abs(riseMPerHour) <= SLACK_SHARE * fastest;
  const way = isSlack ? 'slack' : riseMPerHour > 0 ? 'flooding' : 'draining';
  const later = drops.find((each) => each.minute >= minute + HALF_HOUR_MIN) ?? drops.at(-1);
  const earlier = drops.findLast((each) => each.minute <= minute - HALF_HOUR_MIN) ?? drops[0];
  const edge = way === 'draining' ? later : earlier;
  return {
    aboveM: highM - dropM,
    riseMPerHour,
    way,
    edgeM: isSlack ? 0 : Math.abs((edge as Drop).dropM - dropM),
    flatsWet: shallowM.length ? 1 - bisectRight(shallowM, dropM) / shallowM.length : 1,
    mouthsWet: mouthsM.filter((deepest) => deepest > dropM).length,
    mouths: mouthsM.length,
  };
}
