import { createInterface } from 'node:readline';

/** Longer lines are no day of fishing. */
const LONGEST = 1024 * 1024;

/**
 * Answers each line of standard input with a line, as soon as it is there: a line that is no JSON, or is refused, with its
 * problems.
 * @param {string} what is expected on a line, in words
 * @param {(value: unknown) => { ok: true, value: unknown } | { ok: false, problems: { path: string, message: string }[] }} answer
 * @returns whether all lines were answered
 */
export async function answerLines(what, answer) {
  let refused = false;
  const answerTo = (line) => {
    if (line.length > LONGEST) return { ok: false, problems: [{ path: '', message: 'expected at most 1 MB a line' }] };
    let value;
    try {
      value = JSON.parse(line.replace(/^\uFEFF/, ''));
    } catch (error) {
      const message = `expected JSON with ${what} on a line, but it is not JSON (${error.message})`;
      return { ok: false, problems: [{ path: '', message }] };
    }
    return answer(value);
  };
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (!line.trim()) continue;
    const result = answerTo(line);
    if (!result.ok) refused = true;
    process.stdout.write(`${JSON.stringify(result.ok ? result.value : { problems: result.problems })}\n`);
  }
  return !refused;
}
