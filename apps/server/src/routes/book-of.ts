import { Book, parse } from '@inky-shoal/core';
import type { Request } from 'express';
import { notFound } from '../http/problem.js';
import type { Books, BookService } from '../services/book.js';

/** The book that a request names. */
export const bookIn =
  (books: Books) =>
  (request: Request): BookService => {
    const book = parse(Book, request.params['book']);
    if (!book.ok) throw notFound(`book ${String(request.params['book'])}`);
    return books[book.value];
  };
