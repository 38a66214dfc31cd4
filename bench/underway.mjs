import { decide, statesOf } from '@inky-shoal/core/underway/states';
import { compareDays, comparePatchyDays, drawWorld } from '@inky-shoal/demo/underway';
import { pageRows } from './underway-page.mjs';

const DAYS_OF_KIND = 100;
/** Six kinds of patchy water; no constant was chosen by days of these seeds. */
const PATCHY_DAYS_OF_KIND = 84;
const PATCHY_FIRST_SEED = 1;

const LONG_DAY_BLOCKS = 200;

/** A long day's log, no two blocks alike in a row: asked what to do next after so many of them. */
function longDay() {
  const { candidates, costMin } = drawWorld(3, 'steady');
  const more = candidates
    .slice(0, 150 - candidates.length)
    .map((each, at) => ({ ...each, id: `x${at}`, depthM: each.depthM + 0.5 }));
  const all = [...candidates, ...more];
  const block = (at) => ({
    ...all[(at * 7) % all.length],
    atMin: 390 + at * 2.4,
    hours: 0.1,
    bites: at % 9 === 0 ? 1 : 0,
  });
  return (many, bitesOfFirst = 1) => {
    const blocks = Array.from({ length: many }, (_, at) => ({ ...block(at), ...(!at && { bites: bitesOfFirst }) }));
    const { options, ...known } = statesOf(all, blocks, 390 + many * 2.4);
    const cost = (from, to) => costMin(from?.candidate ?? null, to.candidate);
    return decide({ ...known, options, now: options[3], leftMin: 170, costMin: cost });
  };
}

export async function* rows() {
  const { days, perHour, byKind, coverage80 } = compareDays(DAYS_OF_KIND);
  const how = `${days} simulated days of five kinds`;
  yield {
    figure: 'vsFavourite',
    unit: "times the favourite lure's bites an hour",
    samples: [perHour.evidence / perHour.favourite],
    how: `${how}; wanted 2.3 or more`,
  };
  yield {
    figure: 'vsPlanOnly',
    unit: "times the plan's bites an hour",
    samples: [perHour.evidence / perHour.plan],
    how: `${how}; wanted 1.5 or more`,
  };
  const kinds = Object.entries(byKind).map(([kind, each]) => [
    kind,
    each.evidence / Math.max(each.favourite, each.plan),
  ]);
  yield {
    figure: 'worstWorld',
    unit: 'times the better of both',
    samples: [Math.min(...kinds.map(([, ratio]) => ratio))],
    how: `${kinds.map(([kind, ratio]) => `${kind} ${ratio.toFixed(2)}`).join(', ')}; wanted 1.3 or more in each`,
  };
  yield {
    figure: 'intervalCoverage80',
    unit: 'of the ranges held the truth',
    samples: [coverage80],
    how: 'rates told at each hour with their range of four in five; wanted 0.72 to 0.88',
  };
  yield* longDayRows();
  yield* patchyRows();
  yield* pageRows();
}

/** How long a tap waits for what to do next on a long day. */
function* longDayRows() {
  const day = longDay();
  const taken = (ask) => {
    const start = performance.now();
    ask();
    return performance.now() - start;
  };
  // Each tap brings a block more, as on the water.
  const taps = Array.from({ length: 60 }, (_, at) => taken(() => day(LONG_DAY_BLOCKS - 40 + at)));
  yield {
    figure: 'updateMs',
    unit: 'ms',
    samples: taps.slice(20),
    how: `a tap on a day of ${LONG_DAY_BLOCKS - 20} to ${LONG_DAY_BLOCKS + 20} blocks, 150 candidates; wanted 25 at most`,
  };
  const anew = Array.from({ length: 40 }, (_, at) => taken(() => day(LONG_DAY_BLOCKS, 2 + at)));
  yield {
    figure: 'updateAnewMs',
    unit: 'ms',
    samples: anew.slice(10),
    how: `a day of ${LONG_DAY_BLOCKS} blocks gone through from its beginning, as after an early note was put right; wanted under 40`,
  };
}

/** The second world: what `next` brings against who goes by simple rules, and against one who knows. */
function* patchyRows() {
  const found = comparePatchyDays(PATCHY_DAYS_OF_KIND, PATCHY_FIRST_SEED);
  const { perHour, byKind } = found;
  const how = `${found.days} days of patchy water of six kinds`;
  const rows = [
    ['vsPlanOnly2', "times the plan's bites an hour", perHour.states / perHour.plan, 'wanted 1.30 or more'],
    ['vsHuman2', "times a plain human rule's", perHour.states / perHour.human, 'wanted 1.30 or more'],
    [
      'worstWorld2',
      "times the best simple policy's",
      found.worstKind,
      `${Object.entries(byKind)
        .map(([kind, { states, favourite, plan, human, bandit }]) => {
          return `${kind} ${(states / Math.max(favourite, plan, human, bandit)).toFixed(2)}`;
        })
        .join(', ')}; wanted 1.05 or more in each`,
    ],
    ['vsOracle2', 'of what one who knows catches', perHour.states / perHour.oracle, 'wanted 0.40 or more'],
    ['worseThanPlan2', 'of the days', found.worseThanPlan, 'wanted under 0.25'],
    ['intervalCoverage2', 'of the ranges held the truth', found.coverage80, 'wanted 0.72 to 0.88'],
    ['oddsGap2', 'between said and true odds', found.oddsGap, 'largest over fifths; wanted 0.08 at most'],
    ['minutesOnDead2', 'min', found.minutesOnDead, 'median on a place that bit and went dead; wanted 25 at most'],
    ['loops2', 'of the changes', found.loops, 'back to what was fished in vain within the hour; wanted 0.05 at most'],
  ];
  for (const [figure, unit, sample, wanted] of rows)
    yield { figure, unit, samples: [sample], how: `${how}; ${wanted}` };
}
