import { parse } from '@inky-shoal/core';
import type { Request } from 'express';
import * as z from 'zod';
import { invalidInput } from './problem.js';

const Point = z.coerce
  .number({ error: 'expected a whole number' })
  .int({ error: 'expected a whole number' })
  .min(0, { error: 'expected a number from 0' })
  .default(0);

/** The point after which somebody asks, from `?after=`; 0 where none is given. @throws HttpProblem where it is no number */
export function afterOf(request: Request): number {
  const after = parse(Point, request.query['after']);
  if (!after.ok) throw invalidInput(after.problems.map(({ message }) => ({ path: 'after', message })));
  return after.value;
}
