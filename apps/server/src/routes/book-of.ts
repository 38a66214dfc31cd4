import { Book, parse } from '@inky-shoal/core';
import type { Request } from 'express';
import { notFound } from '../http/problem.js';
import type { BookService } from '../services/book.js';
import type { Library } from '../services/library.js';

/** The book that a request names. */
export const bookIn =
  (books: Library) =>
  (request: Request): BookService => {
    const book = parse(Book, request.params['book']);
    if (!book.ok) throw notFound(`book ${String(request.params['book'])}`);
    return books.book(book.value);
  };
