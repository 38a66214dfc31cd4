import { MAX_PHOTO_BYTES, TackleBatch, TackleDraft, TackleIds } from '@inky-shoal/core/tackle';
import { raw, Router } from 'express';
import { changeOf } from '../http/change.js';
import { imageKind } from '../http/image-kind.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { bodyOf, idOf } from '../http/validate.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

/** Owned tackle of a book, and photos of it. */
export function tackleRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);

  router.get('/books/:book/tackle', async (request, response) => {
    response.json(await bookOf(request).tackle.all());
  });
  router.put('/books/:book/tackle/:id', async (request, response) => {
    const book = bookOf(request);
    const [id, item, now] = [idOf(request), bodyOf(request, TackleDraft), book.now()];
    const change = changeOf(request);
    await book.refuseStale('tackle', id, change, { item: JSON.stringify(item) }, async (copyId) => {
      const name = `${item.name} (second copy)`;
      await book.tackle.putAll([{ id: copyId, item: { ...item, name } }], now, change.device);
      return name;
    });
    await book.tackle.putAll([{ id, item }], now, change.device);
    response.json({ id, item, updatedAt: now });
  });
  router.put('/books/:book/tackle', async (request, response) => {
    const book = bookOf(request);
    const batch = bodyOf(request, TackleBatch);
    await book.tackle.putAll(batch, book.now(), changeOf(request).device);
    response.json({ kept: batch.length });
  });
  router.post('/books/:book/tackle/remove', async (request, response) => {
    const book = bookOf(request);
    response.json({
      removed: await book.tackle.removeAll(bodyOf(request, TackleIds), book.now(), changeOf(request).device),
    });
  });

  router.get('/books/:book/photos/:id', async (request, response) => {
    const id = idOf(request);
    const photo = await bookOf(request).photos.find(id);
    if (!photo) throw notFound(`photo ${id}`);
    // A photo is never changed: another has another id.
    response.setHeader('cache-control', 'private, max-age=31536000, immutable');
    response.setHeader('content-type', photo.mediaType);
    response.end(photo.bytes);
  });
  router.put(
    '/books/:book/photos/:id',
    raw({ type: ['image/*', 'application/octet-stream'], limit: MAX_PHOTO_BYTES }),
    async (request, response) => {
      const book = bookOf(request);
      const id = idOf(request);
      const bytes: unknown = request.body;
      const mediaType = Buffer.isBuffer(bytes) ? imageKind(bytes) : undefined;
      if (!Buffer.isBuffer(bytes) || !mediaType) {
        throw new HttpProblem(415, 'No photo', 'This is no photo that can be kept: expected JPEG, PNG or WebP.');
      }
      await book.photos.put(id, { mediaType, bytes }, book.now());
      response.status(204).end();
    },
  );
  return router;
}
