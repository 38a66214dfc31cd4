import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'prettier';
import { ensureInstalled, ensureServerBuilt, ROOT, say } from './lib/workspace.mjs';

const DAYS_OF_KIND = 100;
/** The second world: days of each of its six kinds. No constant was chosen by days of these seeds. */
const PATCHY_DAYS_OF_KIND = 84;
const PATCHY_FIRST_SEED = 1;
const PATCHY_KINDS = {
  plain: 'Nothing of it sharpened',
  roaming: 'Schools roam',
  'short-feeds': 'Short spells of feeding',
  narrow: 'A narrow band of depth',
  'put-down': 'Two bites put a place down',
  'rough-notes': 'Notes are rough',
};
const PATCHY_POLICIES = {
  favourite: 'favourite lure',
  plan: 'the plan alone',
  human: 'a plain human rule',
  bandit: 'a plain bandit',
  states: 'what `next` says',
  oracle: 'one who knows',
};
/** Kind of the day that is told stretch by stretch, and where its seeds begin. */
const TOLD_KIND = 'change-at-midday';
const FIRST_SEED = 10_008;

const KINDS = {
  steady: 'What holds at dawn holds all day',
  'change-at-midday': 'What holds changes at midday',
  'empty-places': 'Half of the places are empty',
  'one-lure': 'One lure is the one',
  'plan-is-wrong': 'The plan is wrong',
};
const POLICIES = {
  favourite: 'favourite lure all day',
  random: 'changed at random',
  plan: 'the plan alone',
  evidence: 'the plan with evidence',
};
const INK = { favourite: '#cfc5ac', random: '#a99f87', plan: '#5e6d73', evidence: '#b83a22' };

const clock = (minute) => {
  const hour = Math.floor(minute / 60);
  return `${hour % 12 || 12}:${String(Math.floor(minute % 60)).padStart(2, '0')} ${hour < 12 ? 'am' : 'pm'}`;
};
const words = (id) => id.replaceAll('-', ' ');

/** Bites an hour by kind of day and by who fishes, as bars. */
function picture(byKind) {
  const most = Math.max(...Object.values(byKind).flatMap((each) => Object.values(each)));
  const [left, bar, gap, head] = [250, 16, 22, 26];
  const group = bar * 4 + gap;
  const kinds = Object.keys(KINDS);
  const height = head + kinds.length * group + 34;
  const width = 760;
  const x = (rate) => left + (rate / most) * (width - left - 60);
  const rows = kinds.flatMap((kind, at) =>
    Object.keys(POLICIES).map((policy, row) => {
      const y = head + at * group + row * bar;
      const rate = byKind[kind][policy];
      const name = row === 0 ? `<text x="${left - 12}" y="${y + 13}" text-anchor="end">${KINDS[kind]}</text>` : '';
      return `${name}<rect x="${left}" y="${y}" width="${(x(rate) - left).toFixed(1)}" height="${bar - 3}" fill="${INK[policy]}"/><text x="${(x(rate) + 5).toFixed(1)}" y="${y + 12}" class="rate">${rate.toFixed(2)}</text>`;
    }),
  );
  const key = Object.entries(POLICIES).map(
    ([policy, name], at) =>
      `<rect x="${20 + at * 185}" y="${height - 24}" width="14" height="12" fill="${INK[policy]}"/><text x="${40 + at * 185}" y="${height - 13}">${name}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" role="img" aria-label="Bites an hour by kind of day and by who fishes">
<style>text{font:13px Georgia,serif;fill:#15242d}.rate{font-size:11px}</style>
<rect width="${width}" height="${height}" fill="#f5f0e4"/>
<text x="20" y="17" font-style="italic">Bites an hour</text>
${[...rows, ...key].join('\n')}
</svg>
`;
}

/** Stretches of a day in which the same was fished, with what they brought. */
function stretches(blocks) {
  const told = [];
  for (const { spot, category, depthM, atMin, hours, bites } of blocks) {
    const last = told.at(-1);
    const what = `${words(category)} at ${depthM} m, ${spot}`;
    const fromMin = atMin - hours * 30;
    if (last?.what === what) {
      last.toMin = atMin + hours * 30;
      last.bites += bites;
    } else told.push({ what, fromMin, toMin: atMin + hours * 30, bites });
  }
  return told;
}

ensureInstalled();
ensureServerBuilt();
const { compareDays, comparePatchyDays, drawWorld, playDay } = await import('@inky-shoal/demo/underway');
const { days, perHour, byKind, coverage80 } = compareDays(DAYS_OF_KIND);
const rows = Object.entries(KINDS).map(([kind, name]) => {
  const own = byKind[kind];
  return `| ${name} | ${Object.keys(POLICIES)
    .map((policy) => own[policy].toFixed(2))
    .join(' | ')} | ${(own.evidence / Math.max(own.favourite, own.plan)).toFixed(2)} |`;
});
const patchy = comparePatchyDays(PATCHY_DAYS_OF_KIND, PATCHY_FIRST_SEED);
const inPatchy = (own) => {
  const best = Math.max(own.favourite, own.plan, own.human, own.bandit);
  const rates = Object.keys(PATCHY_POLICIES).map((policy) => own[policy].toFixed(2));
  return [...rates, (own.states / best).toFixed(2), (own.states / own.oracle).toFixed(2)].join(' | ');
};
const patchyRows = Object.entries(PATCHY_KINDS).map(([kind, name]) => `| ${name} | ${inPatchy(patchy.byKind[kind])} |`);
/** The day in the middle by what evidence brought: neither a lucky nor an unlucky one. */
const played = Array.from({ length: DAYS_OF_KIND }, (_, day) => {
  const seed = FIRST_SEED + day * 31;
  const world = drawWorld(seed, TOLD_KIND);
  const [learnt, planned] = ['evidence', 'plan'].map((policy) => playDay(world, policy, seed + 5));
  return { seed, learnt, planned };
}).sort((a, b) => a.learnt.bites - b.learnt.bites || a.seed - b.seed);
const { seed, learnt, planned } = played[DAYS_OF_KIND / 2];

writeFileSync(join(ROOT, 'docs/simulated-days.svg'), picture(byKind));
const page = await format(
  `# Simulated days

Written by \`npm run simulated-days\`: ${days} days with a hidden truth, ${DAYS_OF_KIND} of each kind, each fished by four
policies with the same luck. The same seeds give the same page. How a day is drawn stands in
\`demo/src/underway/world.ts\`: which attributes matter, how good each hour is, which places hold fish, how far the plan
knows any of it. Fish thin out where they are fished and come back with time; running and tying cost minutes.

![Bites an hour by kind of day and by who fishes](simulated-days.svg)

| Kind of day | ${Object.values(POLICIES).join(' | ')} | evidence, times the better of plan and favourite |
| --- | ---: | ---: | ---: | ---: | ---: |
${rows.join('\n')}
| All | ${Object.keys(POLICIES)
    .map((policy) => perHour[policy].toFixed(2))
    .join(' | ')} | ${(perHour.evidence / Math.max(perHour.favourite, perHour.plan)).toFixed(2)} |

Of the rates that were told with a range of four in five, ${(coverage80 * 100).toFixed(0)} % of the ranges held the truth.

What this does not show: the world and the model that fishes it were made by one hand. Real fish need not be log-linear.

## Patchy water

A second world, \`demo/src/underway/patchy\`, as unlike the first as may be: three to five schools hold most of the fish, many places are empty, the fish of the whole water feed in spells, they take a lure within a band of depth and at rest no faster than a pace, a few bites put a place down for an hour or more, catches come in bunches, and notes are a little wrong. The plan is the real one of a made-up reservoir; it is right about both place and lure on half of the days. What \`npm run next\` says is followed, with the notes as its only news: ${patchy.days} days, ${PATCHY_DAYS_OF_KIND} of each kind, by seeds that no constant was chosen by. The human rule: stay while there was a bite in the last half hour, else the next planned place, and after two empty places another lure. One who knows sees every fish and goes where most are to be had within 40 minutes: a bound that nobody who has to look for them reaches.

| Kind of day | ${Object.values(PATCHY_POLICIES).join(' | ')} | \`next\`, times the best simple one | of one who knows |
| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |
${patchyRows.join('\n')}
| All | ${inPatchy(patchy.perHour)} |

On ${(patchy.worseThanPlan * 100).toFixed(0)} % of the days it caught less than the plan alone would have. Of its ranges of four in five, over the advised and over others, dead water among them, ${(patchy.coverage80 * 100).toFixed(0)} % held the truth. Said odds and true ones lie ${patchy.oddsGap.toFixed(2)} apart at most, over fifths of what was said. A place that bit and had gone dead was left after ${patchy.minutesOnDead} minutes in the median. ${(patchy.loops * 100).toFixed(0)} % of the changes went back to what had been fished in vain within the hour.

This world, too, was made by who made the model, and it says little of water that others know.

## One day

A day whose fish change at midday, the one in the middle of a hundred by what evidence brought (seed ${seed}). With evidence it brought ${learnt.bites} bites, with the plan alone
${planned.bites}. Stretch by stretch, with evidence:

| From | To | Fished | Bites |
| --- | --- | --- | ---: |
${stretches(learnt.blocks)
  .map(({ what, fromMin, toMin, bites }) => `| ${clock(fromMin)} | ${clock(toMin)} | ${what} | ${bites} |`)
  .join('\n')}
`,
  { parser: 'markdown', printWidth: 120 },
);
writeFileSync(join(ROOT, 'docs/simulated-days.md'), page);
say('docs/simulated-days.md and docs/simulated-days.svg');
