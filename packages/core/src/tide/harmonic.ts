import { constituents, createTidePredictor, type TidePrediction } from '@neaps/tide-predictor';
import type { TideConstituent, TideOffsets, TideStation } from '../contract/tide.js';

/** High or low water. */
export interface TideTurn {
  readonly atMs: number;
  readonly levelM: number;
  readonly kind: 'high' | 'low';
}

/** A level at an instant, metres over the datum. */
export interface TideHeight {
  readonly atMs: number;
  readonly levelM: number;
}

/** Names of the tables by their capitals: MSF, MSf and Msf are one. */
const NAMES = new Map(Object.keys(constituents).map((name) => [name.toUpperCase(), name]));

/** The name by which the tables know a constituent, however its letters are written; undefined where they do not. */
export const constituentName = (written: string): string | undefined => NAMES.get(written.trim().toUpperCase());

/** How fast a constituent turns; undefined where the tables do not know it. */
export function constituentSpeedDegPerHour(written: string): number | undefined {
  const name = constituentName(written);
  return name === undefined ? undefined : constituents[name]?.speed;
}

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Nodal factors are taken at the beginning of a stretch: over one so long M2 drifts by less than a tenth of a degree. */
const STRETCH_MS = 30 * DAY_MS;

/** A constituent as the tables have it; none of it where they do not know it. */
function asKnown({ name, amplitudeM, phaseDeg }: TideConstituent) {
  const known = constituentName(name);
  return known === undefined ? [] : { name: known, amplitude: amplitudeM, phase: phaseDeg };
}

const asOffsets = ({ highMin, lowMin, highFactor, lowFactor, highAddedM, lowAddedM }: TideOffsets) => ({
  time: { high: highMin, low: lowMin },
  height:
    highAddedM === undefined && lowAddedM === undefined
      ? { type: 'ratio' as const, high: highFactor, low: lowFactor }
      : { type: 'fixed' as const, high: highAddedM ?? 0, low: lowAddedM ?? 0 },
});

const predictors = new WeakMap<TideStation, TidePrediction>();

/** The only place that knows who reckons: harmonic prediction with the nodal corrections of Schureman (1958). */
function predictorOf(station: TideStation): TidePrediction {
  let known = predictors.get(station);
  if (!known) {
    known = createTidePredictor(station.constituents.flatMap(asKnown), {
      offset: station.meanLevelM,
      nodeCorrections: 'schureman',
    });
    predictors.set(station, known);
  }
  return known;
}

/** Stretches of a span, none longer than that over which nodal factors may stand still. */
function stretches(startMs: number, endMs: number): [fromMs: number, toMs: number][] {
  const found: [number, number][] = [];
  for (let from = startMs; from < endMs; from += STRETCH_MS) found.push([from, Math.min(endMs, from + STRETCH_MS)]);
  return found;
}

const offsetsOf = ({ offsets }: TideStation) => (offsets ? { offsets: asOffsets(offsets) } : {});

/**
 * Heights of the tide over the station's datum from `startMs` on, before `endMs`.
 * @param stepMin minutes from one to the next
 */
export function tideHeights(station: TideStation, startMs: number, endMs: number, stepMin: number): TideHeight[] {
  const stepMs = stepMin * 60_000;
  const predictor = predictorOf(station);
  const count = Math.max(0, Math.ceil((endMs - startMs) / stepMs));
  const perStretch = Math.max(1, Math.floor(STRETCH_MS / stepMs));
  const heights: TideHeight[] = [];
  for (let from = 0; from < count; from += perStretch) {
    const most = Math.min(count - from, perStretch);
    // One more than is wanted: a span of one moment alone is refused.
    const told = predictor.getTimelinePrediction({
      start: new Date(startMs + from * stepMs),
      end: new Date(startMs + (from + most) * stepMs),
      timeFidelity: stepMin * 60,
      ...offsetsOf(station),
    });
    heights.push(...told.slice(0, most).map(({ time, level }) => ({ atMs: time.getTime(), levelM: level })));
  }
  return heights;
}

/** Highs and lows from `startMs` to `endMs`, in their order. */
export function tideTurns(station: TideStation, startMs: number, endMs: number): TideTurn[] {
  const predictor = predictorOf(station);
  return stretches(startMs, endMs).flatMap(([from, to]) =>
    predictor
      .getExtremesPrediction({ start: new Date(from), end: new Date(to), ...offsetsOf(station) })
      .map(({ time, level, high }) => ({ atMs: time.getTime(), levelM: level, kind: high ? 'high' : 'low' }) as const)
      .filter(({ atMs }) => atMs >= from && atMs < to),
  );
}

const amplitudeOf = ({ constituents }: TideStation, name: string): number =>
  constituents.find((each) => each.name.toUpperCase() === name)?.amplitudeM ?? 0;

/** Mean ranges of springs and of neaps, metres: where M2 and S2 work together, and where they work against each other. */
export function springAndNeapRangeM(station: TideStation): { readonly springM: number; readonly neapM: number } {
  const [m2, s2] = [amplitudeOf(station, 'M2'), amplitudeOf(station, 'S2')];
  return { springM: 2 * (m2 + s2), neapM: 2 * Math.abs(m2 - s2) };
}
