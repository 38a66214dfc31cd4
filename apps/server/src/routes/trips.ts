import { parse } from '@inky-shoal/core';
import { TripEvents } from '@inky-shoal/core/underway';
import { Router } from 'express';
import * as z from 'zod';
import { jsonBody } from '../http/json-body.js';
import { invalidInput } from '../http/problem.js';
import { bodyOf } from '../http/validate.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

/** A trip begins with a whole plan, and a batch may begin several. */
const MAX_BYTES = '16mb';

const Point = z.coerce
  .number({ error: 'expected a whole number' })
  .int({ error: 'expected a whole number' })
  .min(0, { error: 'expected a number from 0' })
  .default(0);

/** What happened on trips: events come in batches, each once however often it is sent, and go out by arrival. */
export function tripRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);

  router.post('/books/:book/trip-events', jsonBody(MAX_BYTES), async (request, response) => {
    const { trips } = bookOf(request);
    const events = bodyOf(request, TripEvents);
    response.json({ kept: events.length, added: await trips.add(events) });
  });
  router.get('/books/:book/trip-events', async (request, response) => {
    const { trips } = bookOf(request);
    const after = parse(Point, request.query['after']);
    if (!after.ok) throw invalidInput(after.problems.map(({ message }) => ({ path: 'after', message })));
    response.json(await trips.after(after.value));
  });
  return router;
}
