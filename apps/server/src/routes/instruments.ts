import { InstrumentsAddress } from '@inky-shoal/core/formats/nmea';
import { Router } from 'express';
import { bodyOf } from '../http/validate.js';
import type { Books } from '../services/book.js';
import { bookIn } from './book-of.js';

/** Between words a comment keeps the line to the page open. */
const KEEP_OPEN_MS = 15_000;

/** A boat's instruments: where they are, and what they say as server-sent events. */
export function instrumentRoutes(books: Books): Router {
  const router = Router();
  const bookOf = bookIn(books);

  router.get('/books/:book/instruments', async (request, response) => {
    response.json({ address: await bookOf(request).instruments.address() });
  });
  router.put('/books/:book/instruments', async (request, response) => {
    const { instruments } = bookOf(request);
    await instruments.setAddress(bodyOf(request, InstrumentsAddress).address);
    response.json({ address: await instruments.address() });
  });
  router.get('/books/:book/instruments/stream', async (request, response) => {
    const { instruments } = bookOf(request);
    response.setHeader('content-type', 'text/event-stream');
    // Packed, words would be held back until there are many.
    response.setHeader('cache-control', 'no-store, no-transform');
    response.flushHeaders();
    const end = await instruments.listen((news) => response.write(`data: ${JSON.stringify(news)}\n\n`));
    const open = setInterval(() => response.write(': still here\n\n'), KEEP_OPEN_MS);
    const over = () => {
      clearInterval(open);
      end();
    };
    if (response.destroyed) over();
    else response.on('close', over);
  });
  return router;
}
