import { PracticeEvents } from '@inky-shoal/core/drill';
import { Router } from 'express';
import { afterOf } from '../http/after.js';
import { bodyOf } from '../http/validate.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

/** What was practised: events come in batches, each once however often it is sent, and go out by arrival. */
export function practiceRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);

  router.post('/books/:book/practice', async (request, response) => {
    const { practice } = bookOf(request);
    const events = bodyOf(request, PracticeEvents);
    response.json({ kept: events.length, added: await practice.add(events) });
  });
  router.get('/books/:book/practice', async (request, response) => {
    response.json(await bookOf(request).practice.after(afterOf(request)));
  });
  return router;
}
