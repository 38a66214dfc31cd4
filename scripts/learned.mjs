import { jsonFrom, refuse, refuseProblems } from './lib/json-input.mjs';
import { answerLines } from './lib/json-lines.mjs';
import { ensureInstalled, ensureServerBuilt } from './lib/workspace.mjs';

const [file, ...rest] = process.argv.slice(2);
if (!file || rest.length)
  refuse(['usage: npm run --silent learned -- FILE.json (or - for a day a line on standard input)']);
const WHAT = 'a day with the trips before it';

ensureInstalled();
ensureServerBuilt();
const { calculateLearned } = await import('@inky-shoal/core/record');
if (file === '-') {
  process.exitCode = (await answerLines(WHAT, calculateLearned)) ? 0 : 2;
} else {
  const { name, value } = jsonFrom(file, WHAT);
  const answer = calculateLearned(value);
  if (!answer.ok) refuseProblems(answer.problems, name);
  process.stdout.write(`${JSON.stringify(answer.value, null, 2)}\n`);
}
