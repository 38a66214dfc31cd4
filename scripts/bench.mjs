import { ensureInstalled, ensurePageBuilt, say } from './lib/workspace.mjs';

/** Groups of figures; each gives rows of name, unit, samples and how they were got. */
const GROUPS = {
  slice: () => import('../bench/slice.mjs'),
  judgement: () => import('../bench/judgement.mjs'),
  season: () => import('../bench/season.mjs'),
  rig: () => import('../bench/rig.mjs'),
  water: () => import('../bench/water.mjs'),
  underway: () => import('../bench/underway.mjs'),
  safe: () => import('../bench/safe.mjs'),
  lists: () => import('../bench/lists.mjs'),
  tide: () => import('../bench/tide.mjs'),
  record: () => import('../bench/record.mjs'),
  mornings: () => import('../bench/mornings.mjs'),
  drill: () => import('../bench/drill.mjs'),
};

const sorted = (samples) => [...samples].sort((a, b) => a - b);
const at = (list, share) => list[Math.min(list.length - 1, Math.floor(list.length * share))];

const args = process.argv.slice(2);
const json = args.includes('--json');
const wanted = args.filter((arg) => !arg.startsWith('--'));
const unknown = wanted.find((name) => !(name in GROUPS));
if (unknown) {
  say(`There is no bench group ${unknown}: expected ${Object.keys(GROUPS).join(', ')}.`);
  process.exit(2);
}

ensureInstalled();
ensurePageBuilt();
const figures = {};
for (const [name, load] of Object.entries(GROUPS)) {
  if (wanted.length && !wanted.includes(name)) continue;
  const { rows } = await load();
  for await (const { figure, unit, samples, how } of rows()) {
    const list = sorted(samples);
    figures[figure] = Math.round(at(list, 0.5) * 1000) / 1000;
    if (!json) {
      const spread = `${list[0].toFixed(2)} to ${list.at(-1).toFixed(2)}`;
      console.log(
        `${figure.padEnd(18)} ${at(list, 0.5).toFixed(2)} ${unit}  (median of ${list.length}, ${spread}; ${how})`,
      );
    }
  }
}
if (json) console.log(JSON.stringify(figures));
else say('npm run bench');
