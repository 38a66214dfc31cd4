import { readFileSync } from 'node:fs';
import { ESLint } from 'eslint';

/** Lints texts, given as a JSON list on standard input, as if each stood at the path given; prints the rules they break. */
const [filePath] = process.argv.slice(2);
const eslint = new ESLint();
const broken = [];
for (const text of JSON.parse(readFileSync(0, 'utf8'))) {
  const [result] = await eslint.lintText(text, { filePath });
  broken.push((result?.messages ?? []).map(({ ruleId }) => ruleId ?? 'parse'));
}
process.stdout.write(JSON.stringify(broken));
