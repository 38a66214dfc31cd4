import { InstrumentsAddress, type InstrumentNews } from '@inky-shoal/core/formats/nmea';
import { Router } from 'express';
import { EventStream } from '../http/event-stream.js';
import { HttpProblem } from '../http/problem.js';
import { bodyOf } from '../http/validate.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

/** So many pages are told at once. */
const MAX_STREAMS = 32;

/** A boat's instruments: where they are, and what they say as server-sent events. */
export function instrumentRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);
  let streams = 0;

  router.get('/books/:book/instruments', async (request, response) => {
    response.json(await bookOf(request).instruments.where());
  });
  router.put('/books/:book/instruments', async (request, response) => {
    const { instruments } = bookOf(request);
    await instruments.setAddress(bodyOf(request, InstrumentsAddress));
    response.json(await instruments.where());
  });
  router.get('/books/:book/instruments/stream', async (request, response) => {
    const { instruments } = bookOf(request);
    if (streams >= MAX_STREAMS) {
      throw new HttpProblem(
        429,
        'Too many pages',
        `${MAX_STREAMS} pages listen to the instruments already: close some.`,
      );
    }
    streams++;
    response.on('close', () => streams--);
    const stream = new EventStream<InstrumentNews>(response, (news) =>
      news.kind === 'heard' ? news.heard.kind : 'line',
    );
    const end = await instruments.listen((news) => stream.send(news));
    if (response.destroyed) end();
    else response.on('close', end);
  });
  return router;
}
