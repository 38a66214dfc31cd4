import { TripEvents } from '@inky-shoal/core/underway';
import { Router } from 'express';
import { afterOf } from '../http/after.js';
import { jsonBody } from '../http/json-body.js';
import { bodyOf } from '../http/validate.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

/** A trip begins with a whole plan, and a batch may begin several. */
const MAX_BYTES = '16mb';

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
    response.json(await bookOf(request).trips.after(afterOf(request)));
  });
  return router;
}
