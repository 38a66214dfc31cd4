import type { CurrentStation, TideStation } from '../contract/tide.js';
import { constituentSpeedDegPerHour, springAndNeapRangeM, tideHeights, tideTurns } from './harmonic.js';

/** How hard the stream runs at an instant, of its strongest at springs: over 0 with the flood, under 0 with the ebb. */
export interface StreamAt {
  readonly atMs: number;
  readonly run: number;
}

const MIN_MS = 60_000;
const MOON_DEG_PER_HOUR = 28.984;
/** Over so long a change of level is told as its pace. */
const PACE_MIN = 5;
/** Turns are looked for so far about the stretch asked for, so that each moment has one before and one after it. */
const ABOUT_MS = 16 * 3_600_000;
/** The constituents that make springs, semidiurnal and diurnal ones. */
const SPRING_PARTS = ['M2', 'S2', 'K1', 'O1'];

const partsOf = <T extends { readonly name: string }>(parts: readonly T[]): T[] =>
  parts.filter(({ name }) => SPRING_PARTS.includes(name.toUpperCase()));

/** How fast the level changes at its fastest at springs, metres an hour: all of its great parts at once. */
function fastestMPerHour(station: TideStation): number {
  const { constituents, turns } = station;
  // Of a table: half of its greatest range turned as fast as the moon's greatest part of a tide.
  if (turns) return ((springAndNeapRangeM(station).springM / 2) * MOON_DEG_PER_HOUR * Math.PI) / 180;
  const speed = (name: string) => ((constituentSpeedDegPerHour(name) ?? 0) * Math.PI) / 180;
  return partsOf(constituents).reduce((sum, { name, amplitudeM }) => sum + amplitudeM * speed(name), 0);
}

/** A station of currents as one of levels: the same sum of cosines, in metres a second instead of metres. */
function asLevels({ name, constituents, meanMps }: CurrentStation): TideStation {
  return {
    name,
    latitude: 0,
    longitude: 0,
    constituents: constituents.map(({ amplitudeMps, ...rest }) => ({ ...rest, amplitudeM: amplitudeMps })),
    meanLevelM: meanMps,
    datum: 'no stream',
  };
}
const asLevelsOnce = new WeakMap<CurrentStation, TideStation>();

function currentRuns(current: CurrentStation, startMs: number, endMs: number, stepMin: number): StreamAt[] {
  const station = asLevelsOnce.get(current) ?? asLevels(current);
  asLevelsOnce.set(current, station);
  const strongest = partsOf(current.constituents).reduce((sum, { amplitudeMps }) => sum + amplitudeMps, 0);
  return tideHeights(station, startMs, endMs, stepMin).map(({ atMs, levelM }) => ({
    atMs,
    run: strongest > 0 ? levelM / strongest : 0,
  }));
}

/**
 * The stream of a station's water, step by step: that of its station of currents, else as fast as the level changed so
 * long before as slack comes late, from the lag of one turn to that of the next. By the hour and the day's range it is
 * as strong as the pace of the level, of that at springs.
 */
export function streamRuns(station: TideStation, startMs: number, endMs: number, stepMin: number): StreamAt[] {
  const { current, slackAfterHighMin = 0, slackAfterLowMin = 0 } = station.stream ?? {};
  if (current) return currentRuns(current, startMs, endMs, stepMin);
  const heights = tideHeights(station, startMs - ABOUT_MS, endMs + ABOUT_MS, PACE_MIN);
  const fastest = fastestMPerHour(station);
  const paceAt = (atMs: number): number => {
    const at = Math.round((atMs - (heights[0]?.atMs ?? 0)) / (PACE_MIN * MIN_MS));
    const [before, after] = [heights[at - 1], heights[at + 1]];
    if (!before || !after || fastest <= 0) return 0;
    return (after.levelM - before.levelM) / ((2 * PACE_MIN) / 60) / fastest;
  };
  // Slack of each turn, and when the level that it belongs to turned.
  const slacks = tideTurns(station, startMs - ABOUT_MS, endMs + ABOUT_MS).map(({ atMs, kind }) => ({
    turnMs: atMs,
    slackMs: atMs + (kind === 'high' ? slackAfterHighMin : slackAfterLowMin) * MIN_MS,
  }));
  const levelTimeOf = (atMs: number): number => {
    const next = slacks.findIndex(({ slackMs }) => slackMs > atMs);
    const [before, after] = [slacks[next - 1], slacks[next]];
    if (!before || !after) return atMs;
    const share = (atMs - before.slackMs) / (after.slackMs - before.slackMs);
    return before.turnMs + share * (after.turnMs - before.turnMs);
  };
  const count = Math.max(0, Math.ceil((endMs - startMs) / (stepMin * MIN_MS)));
  return Array.from({ length: count }, (_, step) => {
    const atMs = startMs + step * stepMin * MIN_MS;
    return { atMs, run: paceAt(levelTimeOf(atMs)) };
  });
}
