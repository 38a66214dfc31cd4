import { nextMove } from '@inky-shoal/core/underway/evidence';
import { compareDays, drawWorld } from '@inky-shoal/demo/underway';
import { pageRows } from './underway-page.mjs';

const DAYS_OF_KIND = 100;

/** A long day's log of so many blocks, no two alike in a row. */
function longDay() {
  const { candidates, costMin } = drawWorld(3, 'steady');
  const more = candidates
    .slice(0, 150 - candidates.length)
    .map((each, at) => ({ ...each, id: `x${at}`, depthM: each.depthM + 0.5 }));
  const all = [...candidates, ...more];
  const blocks = Array.from({ length: 200 }, (_, at) => {
    return { ...all[(at * 7) % all.length], atMin: 390 + at * 2.4, hours: 0.1, bites: at % 9 === 0 ? 1 : 0 };
  });
  return { blocks, candidates: all, nowId: all[3].id, atMin: 700, leftMin: 170, costMin };
}

export async function* rows() {
  const { days, perHour, byKind, coverage80 } = compareDays(DAYS_OF_KIND);
  const how = `${days} simulated days of five kinds`;
  yield {
    figure: 'vsFavourite',
    unit: "times the favourite lure's bites an hour",
    samples: [perHour.evidence / perHour.favourite],
    how: `${how}; wanted 1.30 or more`,
  };
  yield {
    figure: 'vsPlanOnly',
    unit: "times the plan's bites an hour",
    samples: [perHour.evidence / perHour.plan],
    how: `${how}; wanted 1.15 or more`,
  };
  const kinds = Object.entries(byKind).map(([kind, each]) => [
    kind,
    each.evidence / Math.max(each.favourite, each.plan),
  ]);
  yield {
    figure: 'worstWorld',
    unit: 'times the better of both',
    samples: [Math.min(...kinds.map(([, ratio]) => ratio))],
    how: `${kinds.map(([kind, ratio]) => `${kind} ${ratio.toFixed(2)}`).join(', ')}; wanted 0.9 or more in each`,
  };
  yield {
    figure: 'intervalCoverage80',
    unit: 'of the ranges held the truth',
    samples: [coverage80],
    how: 'rates told at each hour with their range of four in five; wanted 0.72 to 0.88',
  };
  const day = longDay();
  const samples = Array.from({ length: 60 }, () => {
    const start = performance.now();
    nextMove(day);
    return performance.now() - start;
  });
  yield {
    figure: 'updateMs',
    unit: 'ms',
    samples: samples.slice(20),
    how: '200 blocks, 150 candidates; wanted under 30',
  };
  yield* pageRows();
}
