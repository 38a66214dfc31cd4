import { Book, PlanDraft, PlanRename, ReadingDraft, WaterDraft, parse } from '@inky-shoal/core';
import { Router, type Request } from 'express';
import { notFound } from '../http/problem.js';
import { bodyOf, idOf } from '../http/validate.js';
import type { Books, BookService } from '../services/book.js';

/** The resources of a book: waters, their readings, saved plans. */
export function bookRoutes(books: Books): Router {
  const router = Router();
  const bookOf = (request: Request): BookService => {
    const book = parse(Book, request.params['book']);
    if (!book.ok) throw notFound(`book ${String(request.params['book'])}`);
    return books[book.value];
  };
  const knownWater = async (book: BookService, id: string): Promise<string> => {
    if (!(await book.waters.find(id))) throw notFound(`water ${id}`);
    return id;
  };

  router.get('/books/:book', (request, response) => {
    const book = bookOf(request);
    response.json({ id: book.id, clock: book.clock });
  });

  router.get('/books/:book/waters', async (request, response) => {
    response.json(await bookOf(request).waters.all());
  });
  router.put('/books/:book/waters/:id', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    await book.waters.put(id, bodyOf(request, WaterDraft), book.now());
    response.json(await book.waters.find(id));
  });

  router.get('/books/:book/waters/:id/readings', async (request, response) => {
    const book = bookOf(request);
    response.json(await book.readings.ofWater(await knownWater(book, idOf(request))));
  });
  router.put('/books/:book/waters/:id/readings/:reading', async (request, response) => {
    const book = bookOf(request);
    const draft = bodyOf(request, ReadingDraft);
    const waterId = await knownWater(book, idOf(request));
    response.json(await book.readings.put(idOf(request, 'reading'), waterId, draft));
  });
  router.delete('/books/:book/waters/:id/readings/:reading', async (request, response) => {
    const [waterId, id] = [idOf(request), idOf(request, 'reading')];
    if (!(await bookOf(request).readings.remove(id, waterId))) throw notFound(`reading ${id}`);
    response.status(204).end();
  });

  router.get('/books/:book/plans', async (request, response) => {
    response.json(await bookOf(request).plans.all());
  });
  router.get('/books/:book/plans/:id', async (request, response) => {
    const id = idOf(request);
    const plan = await bookOf(request).plans.find(id);
    if (!plan) throw notFound(`plan ${id}`);
    response.json(plan);
  });
  router.put('/books/:book/plans/:id', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    const draft = bodyOf(request, PlanDraft);
    if (draft.waterId) await knownWater(book, draft.waterId);
    response.json(await book.savePlan(id, draft));
  });
  router.patch('/books/:book/plans/:id', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    const { name } = bodyOf(request, PlanRename);
    if (!(await book.plans.rename(id, name, book.now()))) throw notFound(`plan ${id}`);
    response.json(await book.plans.find(id));
  });
  router.delete('/books/:book/plans/:id', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    if (!(await book.plans.remove(id, book.now()))) throw notFound(`plan ${id}`);
    response.status(204).end();
  });
  router.post('/books/:book/plans/:id/restore', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    if (!(await book.plans.restore(id))) throw notFound(`removed plan ${id}`);
    response.json(await book.plans.find(id));
  });
  return router;
}
