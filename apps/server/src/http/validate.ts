import type { Request } from 'express';
import { clientId, parse } from '@inky-shoal/core';
import type * as z from 'zod';
import { HttpProblem, invalidInput } from './problem.js';

/** The body as the schema has it, or a problem that names the field. */
export function bodyOf<T extends z.ZodType>(request: Request, schema: T): z.output<T> {
  const body: unknown = request.body;
  if (body === undefined && !request.is('application/json') && Number(request.headers['content-length'] ?? 0) > 0) {
    throw new HttpProblem(415, 'Not JSON', 'The body is not marked as JSON: expected content-type application/json.');
  }
  const parsed = parse(schema, body);
  if (!parsed.ok) throw invalidInput(parsed.problems);
  return parsed.value;
}

/** A path parameter that is a client's id. */
export function idOf(request: Request, name = 'id'): string {
  const parsed = parse(clientId, request.params[name]);
  if (!parsed.ok) throw invalidInput(parsed.problems.map(({ message }) => ({ path: name, message })));
  return parsed.value;
}
