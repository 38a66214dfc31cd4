import { jsonFrom, refuse, refuseProblems } from './lib/json-input.mjs';
import { ensureInstalled, ensureServerBuilt } from './lib/workspace.mjs';

const [what, file, ...rest] = process.argv.slice(2);
if (!what || !file || rest.length) refuse(['usage: npm run --silent calc -- NAME FILE.json (or - for standard input)']);

ensureInstalled();
ensureServerBuilt();
const { CALCULATIONS, calculate, isCalculation } = await import('@inky-shoal/core/mechanics');
const { calculateTide } = await import('@inky-shoal/core/tide');
if (what !== 'tide' && !isCalculation(what)) {
  refuse([`${what}: expected one of ${[...Object.keys(CALCULATIONS), 'tide'].join(', ')}`]);
}
const { name, value } = jsonFrom(file, `what ${what} takes`);
const answer = what === 'tide' ? calculateTide(value) : calculate(what, value);
if (!answer.ok) refuseProblems(answer.problems, name);
process.stdout.write(`${JSON.stringify(answer.value, null, 2)}\n`);
