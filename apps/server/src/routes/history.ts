import { HISTORY_KINDS, type HistoryKind } from '@inky-shoal/core';
import { Router, type Request } from 'express';
import { changeOf } from '../http/change.js';
import { notFound } from '../http/problem.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

/** What was done in a book, and its bin: back, or gone for good. */
export function historyRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);
  const kindOf = (request: Request): HistoryKind => {
    const kind = HISTORY_KINDS.find((each) => each === request.params['kind']);
    if (!kind) throw notFound(`kind ${String(request.params['kind'])}: expected one of ${HISTORY_KINDS.join(', ')}`);
    return kind;
  };
  const idOf = (request: Request): string => String(request.params['id']).toLowerCase();

  router.get('/books/:book/history', async (request, response) => {
    response.json(await bookOf(request).history.lately());
  });
  router.get('/books/:book/history/:kind/:id', async (request, response) => {
    response.json(await bookOf(request).history.lately({ kind: kindOf(request), id: idOf(request) }));
  });
  router.post('/books/:book/history/:entry', async (request, response) => {
    const entry = Number(request.params['entry']);
    const { device } = changeOf(request);
    if (!Number.isInteger(entry) || !(await bookOf(request).history.bringBack(entry, device)))
      throw notFound(`former version ${String(request.params['entry'])}`);
    response.status(204).end();
  });
  router.get('/books/:book/bin', async (request, response) => {
    response.json(await bookOf(request).history.bin());
  });
  router.post('/books/:book/bin/:kind/:id', async (request, response) => {
    const { device } = changeOf(request);
    if (!(await bookOf(request).history.takeOut(kindOf(request), idOf(request), device)))
      throw notFound(`${idOf(request)} in the bin`);
    response.status(204).end();
  });
  router.delete('/books/:book/bin/trip/:id', async (request, response) => {
    const book = bookOf(request);
    if (!(await book.trips.erase(idOf(request), book.now()))) throw notFound(`trip ${idOf(request)} in the bin`);
    response.status(204).end();
  });
  router.delete('/books/:book/bin/:kind/:id', async (request, response) => {
    if (!(await bookOf(request).history.erase(kindOf(request), idOf(request))))
      throw notFound(`${idOf(request)} in the bin`);
    response.status(204).end();
  });
  return router;
}
