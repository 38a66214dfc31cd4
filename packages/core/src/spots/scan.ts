import { shadedCells } from './shade.js';
import { CLASSES, SHADED, type Ground } from './ground.js';
import { cellScore, type ClassJudged, type HoldingModel } from './holding-model.js';

/** Scores of every cell for one hour, as log-weights; -Infinity on land, and where the tide has left it dry. */
export interface Scan {
  readonly score: Float32Array;
  readonly shade: Uint8Array;
  /** Highest score. */
  readonly best: number;
  /** Middle score of the cells with water: what is no better than that is not shown. */
  readonly usual: number;
}

const HISTOGRAM_BINS = 512;
/** One cell in so many is counted for the median. */
const COUNTED = 7;

/** The score under which about half the cells with water lie, by a histogram between the lowest and the highest. */
function median(score: Float32Array, wet: Int32Array, least: number, most: number): number {
  if (!(most > least)) return most;
  const counts = new Uint32Array(HISTOGRAM_BINS);
  let total = 0;
  const scale = (HISTOGRAM_BINS - 1) / (most - least);
  for (let at = 0; at < wet.length; at += COUNTED) {
    const value = score[wet[at] as number] as number;
    if (value === -Infinity) continue;
    const bin = Math.floor((value - least) * scale);
    counts[bin] = (counts[bin] as number) + 1;
    total++;
  }
  let below = 0;
  let bin = 0;
  while (bin < HISTOGRAM_BINS && (below += counts[bin] as number) * 2 < total) bin++;
  return least + bin / scale;
}

/** Scores every cell by the holding model of one hour. @param sunAzimuthDeg where the sun stands, for the shade */
export function scan(ground: Ground, model: HoldingModel, sunAzimuthDeg: number): Scan {
  const { reading, named, classOf, wet } = ground;
  const { depthM } = reading;
  const shade = shadedCells(reading.grid, depthM, model.moment.sunAltitudeDeg, sunAzimuthDeg);
  const score = new Float32Array(depthM.length).fill(-Infinity);
  const slot = new Int32Array(CLASSES).fill(-1);
  const judged: ClassJudged[] = [];
  let best = -Infinity;
  let least = Infinity;
  for (const cell of wet) {
    const depth = (depthM[cell] as number) - model.dropM;
    if (depth <= 0) continue;
    const key = (classOf[cell] as number) | (shade[cell] ? SHADED : 0);
    let at = slot[key] as number;
    if (at < 0) {
      at = judged.length;
      slot[key] = at;
      judged.push(model.judge(key));
    }
    const value = cellScore(judged[at] as ClassJudged, (named.confidence[cell] as number) / 100, depth);
    score[cell] = value;
    if (value > best) best = value;
    if (value < least) least = value;
  }
  return { score, shade, best, usual: median(score, wet, least, best) };
}

/** How good each cell is against the best of the hour, 0 (no better than usual) to 255: what the chart shows. */
export function heat({ wet }: Ground, { score, best, usual }: Scan): Uint8Array {
  const shown = new Uint8Array(score.length);
  const range = Math.max(0.05, best - usual);
  for (const cell of wet) {
    const share = ((score[cell] as number) - usual) / range;
    if (share > 0) shown[cell] = Math.round(255 * share * Math.sqrt(share));
  }
  return shown;
}
