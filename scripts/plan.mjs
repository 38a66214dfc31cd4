import { jsonFrom, refuse, refuseProblems } from './lib/json-input.mjs';
import { ensureInstalled, ensureServerBuilt } from './lib/workspace.mjs';

const [file, ...rest] = process.argv.slice(2);
if (!file || rest.length) refuse(['usage: npm run --silent plan -- FILE.json (or - for standard input)']);
const { name, value } = jsonFrom(file, 'the conditions of a day');

ensureInstalled();
ensureServerBuilt();
const { Conditions, makePlan, parse } = await import('@inky-shoal/core');
const { movingWater } = await import('@inky-shoal/core/plan/moving-water');
const conditions = parse(Conditions, value);
if (!conditions.ok) refuseProblems(conditions.problems, name);
// What the tide makes of the day stands beside the plan, where its course is known.
const water = movingWater(conditions.value, 'us');
const plan = { ...makePlan(conditions.value), ...(water ? { movingWater: water } : {}) };
process.stdout.write(`${JSON.stringify(plan, null, 2)}\n`);
