import { Router, type Request } from 'express';
import { HttpProblem, notFound } from '../http/problem.js';
import type { Library } from '../services/library.js';
import { bookIdOf, bookIn } from './book-of.js';

/** Backups of a book: those there are, one more, what one holds beside the book, and back to it. */
export function backupRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);
  const nameOf = (request: Request): string => String(request.params['name']);

  router.get('/books/:book/backups', (request, response) => {
    const { backups } = bookOf(request);
    response.json({ folder: backups.folder, backups: backups.list() });
  });
  router.post('/books/:book/backups', async (request, response) => {
    response.status(201).json(await bookOf(request).backups.make('asked'));
  });
  router.get('/books/:book/backups/:name', async (request, response) => {
    const compared = await books.compare(bookIdOf(request), nameOf(request));
    if (!compared) throw notFound(`backup ${nameOf(request)}`);
    response.json(compared);
  });
  router.post('/books/:book/backups/:name/restore', async (request, response) => {
    try {
      if (!(await books.restore(bookIdOf(request), nameOf(request)))) throw notFound(`backup ${nameOf(request)}`);
    } catch (error) {
      if (error instanceof Error && error.message === 'The backup is not whole')
        throw new HttpProblem(422, 'Not whole', 'This backup is damaged itself: choose another. Nothing was changed.');
      throw error;
    }
    response.status(204).end();
  });
  return router;
}
