import { transformFileSync } from '@swc/core';
import { join } from 'node:path';
import { tideHeights, tideTurns } from '@inky-shoal/core/tide';
import { ROOT } from '../scripts/lib/workspace.mjs';

const DAY_MS = 86_400_000;
const START_MS = Date.UTC(2027, 0, 1);
const MIN_MS = 60_000;
/** Turns are sought so far about each by the other reckoning. */
const ABOUT_MIN = 30;

/** The reckoning from the printed tables that the tests hold the tide against; it is no part of what is built. */
async function schureman() {
  const file = join(ROOT, 'packages/core/src/testing/schureman.ts');
  const { code } = transformFileSync(file, { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } });
  return import(`data:text/javascript,${encodeURIComponent(code)}`);
}

/** How far the tide is off an independent reckoning, for stations of some constituents. */
export async function* truthRows(stations) {
  const { schuremanM } = await schureman();
  for (const station of stations) {
    const { constituents, meanLevelM } = station;
    const heights = tideHeights(station, START_MS, START_MS + 365 * DAY_MS, 60);
    const off = heights.map(({ atMs, levelM }) => 100 * Math.abs(levelM - meanLevelM - schuremanM(constituents, atMs)));
    yield {
      figure: `tideHeightCm${constituents.length}`,
      unit: 'cm',
      samples: [Math.max(...off)],
      how: `largest difference to Schureman's tables, every hour of 2027, ${constituents.length} constituents${constituents.length > 30 ? ', M1 and M3 of them with 3 mm' : ''}; wanted at most 2`,
    };
    const turns = tideTurns(station, START_MS, START_MS + 60 * DAY_MS);
    const late = turns.map(({ atMs, kind }) => {
      const sign = kind === 'high' ? 1 : -1;
      let best = 0;
      let most = -Infinity;
      for (let minute = -ABOUT_MIN; minute <= ABOUT_MIN; minute += 0.25) {
        const level = sign * schuremanM(constituents, atMs + minute * MIN_MS);
        if (level > most) [best, most] = [minute, level];
      }
      return Math.abs(best);
    });
    yield {
      figure: `tideTimeMin${constituents.length}`,
      unit: 'min',
      samples: [Math.max(...late)],
      how: `largest difference of ${turns.length} highs and lows to them; wanted within 3`,
    };
  }
}
