import { Book, parse } from '@inky-shoal/core';
import type { Request } from 'express';
import { notFound } from '../http/problem.js';
import type { BookService } from '../services/book.js';
import type { Library } from '../services/library.js';

/** Which book a request names. */
export function bookIdOf(request: Request): Book {
  const book = parse(Book, request.params['book']);
  if (!book.ok) throw notFound(`book ${String(request.params['book'])}`);
  return book.value;
}

/** The book that a request names. */
export const bookIn =
  (books: Library) =>
  (request: Request): BookService =>
    books.book(bookIdOf(request));
