import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router } from 'express';
import { KeeperFailure } from '../db/keeper.js';
import { HttpProblem } from '../http/problem.js';
import type { Library } from '../services/library.js';
import { bookIdOf } from './book-of.js';

/** The largest archive taken. */
const MAX_BYTES = 2_000_000_000;

/** All of a book as one file, and such a file in the book's place. */
export function archiveRoutes(books: Library, dataDir: string): Router {
  const router = Router();

  router.get('/books/:book/archive', async (request, response) => {
    const id = bookIdOf(request);
    const file = await books.archive(id);
    const day = books.book(id).now().slice(0, 10);
    try {
      await new Promise<void>((done, failed) =>
        response.download(file, `inky-shoal-${id}-${day}.zip`, (error) => (error ? failed(error) : done())),
      );
    } catch (error) {
      // Who asked may have gone meanwhile.
      if (!response.headersSent) throw error;
    } finally {
      await rm(file, { force: true });
    }
  });

  router.put('/books/:book/archive', async (request, response) => {
    const id = bookIdOf(request);
    if (!request.is('application/zip'))
      throw new HttpProblem(415, 'No archive', 'Expected an archive as application/zip.');
    const file = join(dataDir, `coming-${randomUUID()}.zip`);
    let bytes = 0;
    const bounded = new Transform({
      transform(piece: Buffer, _encoding, done) {
        bytes += piece.length;
        if (bytes > MAX_BYTES)
          done(new HttpProblem(413, 'Too large', 'The archive is too large: expected at most 2 GB.'));
        else done(null, piece);
      },
    });
    try {
      await pipeline(request, bounded, createWriteStream(file, { mode: 0o600 }));
      await books.importArchive(id, file);
    } catch (error) {
      if (error instanceof KeeperFailure && error.code === 'INKY_ARCHIVE')
        throw new HttpProblem(422, 'Not taken', `${error.message} Nothing was changed.`);
      throw error;
    } finally {
      await rm(file, { force: true });
    }
    response.status(204).end();
  });
  return router;
}
