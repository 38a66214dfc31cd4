import { Router, type Request } from 'express';
import { HttpProblem, notFound } from '../http/problem.js';
import { NotWhole } from '../repositories/set-aside.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

/** What was found damaged when a book was opened, and was set aside: back as far as it can be read, or gone. */
export function setAsideRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);
  const rowOf = (request: Request): number => {
    const row = Number(request.params['row']);
    if (!Number.isSafeInteger(row)) throw notFound(`row ${String(request.params['row'])} among what was set aside`);
    return row;
  };

  router.get('/books/:book/set-aside', async (request, response) => {
    response.json(await bookOf(request).setAside.all());
  });
  router.post('/books/:book/set-aside/:row', async (request, response) => {
    const row = rowOf(request);
    try {
      if (!(await bookOf(request).setAside.bringBack(row))) throw notFound(`row ${row} among what was set aside`);
    } catch (error) {
      if (error instanceof NotWhole)
        throw new HttpProblem(422, 'Not whole', `It cannot come back: ${error.message}. A backup may have it whole.`);
      throw error;
    }
    response.status(204).end();
  });
  router.delete('/books/:book/set-aside/:row', async (request, response) => {
    const row = rowOf(request);
    if (!(await bookOf(request).setAside.forget(row))) throw notFound(`row ${row} among what was set aside`);
    response.status(204).end();
  });
  return router;
}
