import type { Structure } from '../../contract/ids.js';
import { nameOf } from '../../contract/names.js';
import type { Range } from '../../contract/plan.js';
import { sayHours } from '../../day/say-clock.js';
import { sayRange } from '../../units/units.js';
import type { Graded } from '../answer.js';
import type { DrillKey, HoursHeld } from '../key.js';
import { marks, texts } from './marks.js';

/** Two bands are told apart by this much at least, metres. */
const THIN_M = 0.2;
/** Under this much of the fish a band is told to be elsewhere. */
const ELSEWHERE = 0.3;

/** A place by its share of the fish beside the fullest. */
export function gradeWhere({ told }: DrillKey, structure: Structure): Graded {
  const weights = new Map<Structure, number>();
  for (const { structure: own, weight } of told.holding) weights.set(own, (weights.get(own) ?? 0) + weight);
  const [best, most] = [...weights].reduce((a, b) => (b[1] > a[1] ? b : a), ['open-water' as Structure, 0]);
  const first = told.holding.find((each) => each.structure === best);
  const own = told.holding.find((each) => each.structure === structure);
  return {
    ...marks((weights.get(structure) ?? 0) / Math.max(1e-9, most), most),
    best: nameOf(best),
    because: texts(own?.because ?? []),
    against:
      own || !first
        ? []
        : texts(first.because).map((text) => `On the ${nameOf(best)}: ${text.charAt(0).toLowerCase()}${text.slice(1)}`),
    school: null,
  };
}

/** How much of the one range lies in the other, of the shorter. */
function overlap([a, b]: Range, [c, d]: Range): number {
  const shared = Math.min(b, d) - Math.max(a, c);
  return Math.min(1, Math.max(0, shared) / Math.max(THIN_M, Math.min(b - a, d - c)));
}

/** How well a band covers the fish of one window, and how much of them is in its fullest place; both 0 to 1. */
function covers({ places }: HoursHeld, band: Range | null): { readonly covered: number; readonly most: number } {
  const all = places.reduce((sum, { weight }) => sum + weight, 0);
  const most = Math.max(...places.map(({ weight }) => weight)) / all;
  if (!band) return { covered: 0, most };
  const covered = places.reduce((sum, each) => sum + each.weight * overlap(band, each.depthM), 0) / all;
  const least = Math.min(...places.map(({ depthM }) => depthM[0]));
  const deepest = Math.max(...places.map(({ depthM }) => depthM[1]));
  // A band over all of the water is no answer: what lies outside of where the fish are is taken off.
  const idle = Math.max(0, band[1] - band[0] - (deepest - least)) / Math.max(1, deepest - least);
  return { covered: covered / (1 + idle), most };
}

/** A band over the hours, each window by how long it lasts: how much of the fish it holds, and how much idle water. */
export function gradeDepth({ told, hours, index, units }: DrillKey, bandsM: readonly (Range | null)[]): Graded {
  const [first] = told.holding;
  if (!first) throw new Error('a window without a place cannot be drilled');
  let [all, covered, sureness] = [0, 0, 0];
  hours.forEach((each, at) => {
    if (!each.places.length) return;
    const length = Math.max(1, each.toMin - each.fromMin);
    const { covered: own, most } = covers(each, bandsM[at] ?? null);
    all += length;
    covered += length * own;
    sureness += length * most;
  });
  const asked = hours[index];
  const here = asked?.places.length ? covers(asked, bandsM[index] ?? null).covered : 0;
  return {
    ...marks(covered / Math.max(1, all), sureness / Math.max(1, all)),
    best: `${sayRange('depth', first.depthM, units)}${hours.length > 1 ? `, ${sayHours(told.from, told.to)}` : ''}`,
    because: texts(first.because),
    against: here < ELSEWHERE ? [`Most of them are at ${sayRange('depth', first.depthM, units)}`] : [],
    school: null,
  };
}
