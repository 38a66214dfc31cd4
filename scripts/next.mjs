import { jsonFrom, refuse, refuseProblems } from './lib/json-input.mjs';
import { answerLines } from './lib/json-lines.mjs';
import { ensureInstalled, ensureServerBuilt } from './lib/workspace.mjs';

const [file, ...rest] = process.argv.slice(2);
if (!file || rest.length)
  refuse(['usage: npm run --silent next -- FILE.json (or - for a day a line on standard input)']);
const WHAT = 'a day as it stands';

ensureInstalled();
ensureServerBuilt();
const { calculateNext } = await import('@inky-shoal/core/underway/states');
if (file === '-') {
  process.exitCode = (await answerLines(WHAT, calculateNext)) ? 0 : 2;
} else {
  const { name, value } = jsonFrom(file, WHAT);
  const answer = calculateNext(value);
  if (!answer.ok) refuseProblems(answer.problems, name);
  process.stdout.write(`${JSON.stringify(answer.value, null, 2)}\n`);
}
