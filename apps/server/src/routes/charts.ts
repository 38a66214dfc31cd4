import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import { parse } from '@inky-shoal/core';
import { bedBytes, ChartFeature, ChartFeatures, ChartFrame, FeatureIds, MAX_BED_BYTES } from '@inky-shoal/core/chart';
import { raw, Router, type Request } from 'express';
import { jsonBody } from '../http/json-body.js';
import { changeOf } from '../http/change.js';
import { HttpProblem, invalidInput, notFound } from '../http/problem.js';
import { bodyOf, idOf } from '../http/validate.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

const unpack = promisify(gunzip);

/** The frame that goes with a bed, as JSON in the address. */
function frameOf(request: Request): ChartFrame {
  let given: unknown;
  try {
    given = JSON.parse(String(request.query['frame']));
  } catch {
    throw new HttpProblem(400, 'No frame', 'The address carries no frame of a chart: expected frame as JSON.');
  }
  const parsed = parse(ChartFrame, given);
  if (!parsed.ok) throw invalidInput(parsed.problems);
  return parsed.value;
}

/** Charts of waters: the frame with what was drawn, and the bed apart. */
export function chartRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);
  const large = jsonBody('8mb');
  const waterIn = async (request: Request) => {
    const book = bookOf(request);
    const id = idOf(request);
    if (!(await book.waters.find(id))) throw notFound(`water ${id}`);
    return { book, id };
  };

  router.get('/books/:book/waters/:id/chart', async (request, response) => {
    const { book, id } = await waterIn(request);
    response.json(await book.charts.find(id));
  });
  router.get('/books/:book/waters/:id/chart/bed', async (request, response) => {
    const { book, id } = await waterIn(request);
    const bed = await book.charts.bed(id);
    if (!bed) throw notFound(`chart of water ${id}`);
    response.setHeader('content-type', 'application/octet-stream');
    response.setHeader('content-encoding', 'gzip');
    response.end(bed);
  });
  router.put(
    '/books/:book/waters/:id/chart/bed',
    raw({ type: 'application/octet-stream', limit: MAX_BED_BYTES }),
    async (request, response) => {
      const { book, id } = await waterIn(request);
      const frame = frameOf(request);
      const body: unknown = request.body;
      if (!Buffer.isBuffer(body)) {
        throw new HttpProblem(415, 'No bed', 'This is no bed of a chart: expected application/octet-stream.');
      }
      const wanted = bedBytes(frame);
      const bed = await unpack(body, { maxOutputLength: Math.max(64, wanted) }).catch(() => undefined);
      if (bed?.length !== wanted) {
        throw new HttpProblem(
          422,
          'Another bed',
          `expected ${wanted} bytes packed with gzip for ${frame.cols} by ${frame.rows} cells, got ${bed?.length ?? 'others'}`,
        );
      }
      const now = book.now();
      await book.charts.put(id, frame, bed, now);
      response.json({ ...frame, updatedAt: now });
    },
  );
  router.delete('/books/:book/waters/:id/chart/bed', async (request, response) => {
    const { book, id } = await waterIn(request);
    await book.charts.remove(id);
    response.status(204).end();
  });
  router.put('/books/:book/waters/:id/chart/features', large, async (request, response) => {
    const { book, id } = await waterIn(request);
    const features = bodyOf(request, ChartFeatures);
    await book.charts.putFeatures(id, features, book.now(), changeOf(request).device);
    response.json({ kept: features.length });
  });
  router.put('/books/:book/waters/:id/chart/features/:feature', large, async (request, response) => {
    const { book, id } = await waterIn(request);
    const feature = bodyOf(request, ChartFeature);
    if (feature.id !== idOf(request, 'feature')) {
      throw invalidInput([{ path: 'id', message: 'expected the id that the address names' }]);
    }
    await book.charts.putFeatures(id, [feature], book.now(), changeOf(request).device);
    response.json(feature);
  });
  router.post('/books/:book/waters/:id/chart/features/remove', large, async (request, response) => {
    const { book, id } = await waterIn(request);
    response.json({
      removed: await book.charts.removeFeatures(id, bodyOf(request, FeatureIds), book.now(), changeOf(request).device),
    });
  });
  return router;
}
