import {
  astro,
  constituents,
  createTidePredictor,
  type Fundamentals,
  type TidePrediction,
} from '@neaps/tide-predictor';
import type { TideConstituent, TideOffsets, TideStation } from '../contract/tide.js';
import { type Cosine, turnsOf, withoutRipples } from './cosines.js';
import type { TideHeight, TideTurn } from './course.js';
import { tableHeights, tableRangesM, tableTurns } from './turns-table.js';

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
/** No tide turns twice in so short a time. */
const AFTER_TURN_MS = 600_000;

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
const BY_SCHUREMAN = { nodeCorrections: 'schureman' } as const;

/** The only place that knows who reckons: harmonic prediction with the nodal corrections of Schureman (1958). */
function predictorOf(station: TideStation): TidePrediction {
  let known = predictors.get(station);
  if (!known) {
    known = createTidePredictor(station.constituents.flatMap(asKnown), { offset: station.meanLevelM, ...BY_SCHUREMAN });
    predictors.set(station, known);
  }
  return known;
}

let fundamentals: Fundamentals | undefined;

/** The package's tables of Schureman's corrections: it hands them to whatever model of a constituent it reckons with. */
function schuremansTables(): Fundamentals {
  const { M2 } = constituents;
  if (!fundamentals && M2) {
    const listening: typeof M2 = {
      ...M2,
      correction: (at, tables) => {
        fundamentals = tables;
        return M2.correction(at, tables);
      },
    };
    const options = { ...BY_SCHUREMAN, constituentModels: { M2: listening } };
    createTidePredictor([{ name: 'M2', amplitude: 1, phase: 0 }], options).getWaterLevelAtTime({ time: new Date(0) });
  }
  if (!fundamentals) throw new Error('the tables of nodal corrections were not handed over');
  return fundamentals;
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** A station's cosines from an instant on, with the nodal corrections of the middle of their stretch. */
function cosinesOf(station: TideStation, fromMs: number, middleMs: number): Cosine[] {
  const tables = schuremansTables();
  const [atStart, atMiddle] = [astro(new Date(fromMs)), astro(new Date(middleMs))];
  return station.constituents.flatMap(asKnown).flatMap(({ name, amplitude, phase }) => {
    const model = constituents[name];
    if (!model || amplitude === 0) return [];
    const { f, u } = model.correction(atMiddle, tables);
    return {
      amplitudeM: amplitude * f,
      speedPerHour: radians(model.speed),
      phase: radians(model.value(atStart) + u - phase),
    };
  });
}

const offsetsOf = ({ offsets }: TideStation) => (offsets ? { offsets: asOffsets(offsets) } : {});

/**
 * Heights of the tide over the station's datum from `startMs` on, before `endMs`.
 * @param stepMin minutes from one to the next
 */
export function tideHeights(station: TideStation, startMs: number, endMs: number, stepMin: number): TideHeight[] {
  const stepMs = stepMin * 60_000;
  if (station.turns) return tableHeights(station.turns, startMs, endMs, stepMs);
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

/** A turn of the reference station as its subordinate has it. */
function offset({ atMs, levelM, kind }: TideTurn, offsets: TideOffsets | undefined): TideTurn {
  if (!offsets) return { atMs, levelM, kind };
  const [min, factor, addedM] =
    kind === 'high'
      ? [offsets.highMin, offsets.highFactor, offsets.highAddedM]
      : [offsets.lowMin, offsets.lowFactor, offsets.lowAddedM];
  const isAdded = offsets.highAddedM !== undefined || offsets.lowAddedM !== undefined;
  return { atMs: atMs + min * 60_000, levelM: isAdded ? levelM + (addedM ?? 0) : levelM * factor, kind };
}

/** Highs and lows of a station's constituents, each stretch with nodal corrections of its own. */
function harmonicTurns(station: TideStation, startMs: number, endMs: number): TideTurn[] {
  const found: TideTurn[] = [];
  for (let fromMs = startMs; fromMs < endMs;) {
    const toMs = Math.min(endMs, fromMs + STRETCH_MS);
    const turns = turnsOf(cosinesOf(station, fromMs, (fromMs + toMs) / 2), 0, (toMs - fromMs) / HOUR_MS);
    for (const { hour, levelM, isHigh } of turns) {
      const atMs = Math.round(fromMs + hour * HOUR_MS);
      found.push({ atMs, levelM: levelM + station.meanLevelM, kind: isHigh ? 'high' : 'low' });
    }
    // The next begins soon after a turn: on a seam of two stretches one could be lost, or told twice.
    const last = found.at(-1);
    fromMs = toMs < endMs && last && last.atMs > fromMs ? last.atMs + AFTER_TURN_MS : toMs;
  }
  return withoutRipples(found);
}

/** Highs and lows from `startMs` to `endMs`, in their order. */
export function tideTurns(station: TideStation, startMs: number, endMs: number): TideTurn[] {
  if (station.turns) return tableTurns(station.turns, startMs, endMs);
  return harmonicTurns(station, startMs, endMs)
    .map((turn) => offset(turn, station.offsets))
    .filter(({ atMs }) => atMs >= startMs && atMs < endMs);
}

const amplitudeOf = ({ constituents }: TideStation, name: string): number =>
  constituents.find((each) => each.name.toUpperCase() === name)?.amplitudeM ?? 0;

/** From this form number on a tide rises once a day rather than twice (Courtier 1938). */
const DIURNAL_FORM = 1.5;

/**
 * Mean ranges of springs and of neaps, metres: where the sun's tide works with the moon's, and where against it. Where the
 * tide rises once a day these are the days of the moon's farthest and of its least declination.
 */
export function springAndNeapRangeM(station: TideStation): { readonly springM: number; readonly neapM: number } {
  if (station.turns) return tableRangesM(station.turns);
  const [m2, s2, k1, o1] = ['M2', 'S2', 'K1', 'O1'].map((name) => amplitudeOf(station, name)) as [
    number,
    number,
    number,
    number,
  ];
  const [one, other] = k1 + o1 > DIURNAL_FORM * (m2 + s2) ? [k1, o1] : [m2, s2];
  return { springM: 2 * (one + other), neapM: 2 * Math.abs(one - other) };
}
