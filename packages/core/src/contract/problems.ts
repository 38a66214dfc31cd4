import type { z } from 'zod';

/** One thing wrong with what came in: where, and one sentence on what was expected. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)),
    '',
  );
}

/** More problems than this help nobody. */
const MAX_PROBLEMS = 50;

/** Turns what the schema refused into one problem for each field, the first fifty. Unknown fields are named one by one. */
export function problemsOf(error: z.ZodError): Problem[] {
  const issues = error.issues.slice(0, MAX_PROBLEMS);
  const problems = issues.flatMap((issue): Problem[] =>
    issue.code === 'unrecognized_keys'
      ? issue.keys.map((key) => ({
          path: pathText([...issue.path, key]),
          message: 'expected no such field: it is not known here',
        }))
      : [{ path: pathText(issue.path), message: issue.message }],
  );
  return problems.slice(0, MAX_PROBLEMS);
}

export type Parsed<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/** Checks a value at a border. Never throws: refusals come back as problems. */
export function parse<T extends z.ZodType>(schema: T, value: unknown): Parsed<z.output<T>> {
  const result = schema.safeParse(value);
  return result.success ? { ok: true, value: result.data } : { ok: false, problems: problemsOf(result.error) };
}
