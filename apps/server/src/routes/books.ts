import {
  clientId,
  MAX_BATCH,
  PlanDraft,
  PlanRename,
  ReadingBatch,
  ReadingDraft,
  WaterDraft,
  WeatherDates,
  WeatherDays,
  type Water,
} from '@inky-shoal/core';
import { GaugeAddress, OutsideAddress } from '@inky-shoal/core/contract/outside-addresses';
import { Router, text } from 'express';
import * as z from 'zod';
import { changeOf } from '../http/change.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { bodyOf, idOf } from '../http/validate.js';
import { SourceFailure } from '../outside/source.js';
import type { BookService } from '../services/book.js';
import type { Library } from '../services/library.js';
import { bookIn } from './book-of.js';

/** The largest file of weather taken: two years of hours fit several times over. */
const MAX_CSV = '8mb';
const ReadingIds = z.array(clientId, { error: 'expected a list of ids' }).min(1).max(MAX_BATCH);

/** What the second copy of something is called, within the length that names have. */
const secondName = (name: string, most: number): string => `${name.slice(0, most - 14)} (second copy)`;

/** The resources of a book: waters, their readings, saved plans. */
export function bookRoutes(books: Library): Router {
  const router = Router();
  const bookOf = bookIn(books);
  const waterOf = async (book: BookService, id: string): Promise<Water> => {
    const water = await book.waters.find(id);
    if (!water) throw notFound(`water ${id}`);
    return water;
  };
  /** A water on the list or one that was removed: what was written of it with no signal is not lost with it. */
  const knownWater = async (book: BookService, id: string): Promise<string> => {
    if (!(await book.waters.has(id))) throw notFound(`water ${id}`);
    return id;
  };

  router.get('/books/:book', async (request, response) => {
    const book = bookOf(request);
    response.json({ id: book.id, clock: book.clock, notices: await book.notices.all() });
  });
  router.delete('/books/:book/notices/:notice', async (request, response) => {
    await bookOf(request).notices.takeDown(String(request.params['notice']));
    response.status(204).end();
  });

  router.get('/books/:book/waters', async (request, response) => {
    response.json(await bookOf(request).waters.all());
  });
  router.put('/books/:book/waters/:id', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    const [draft, change] = [bodyOf(request, WaterDraft), changeOf(request)];
    await book.refuseStale('water', id, change, { draft: JSON.stringify(draft) }, async (copyId) => {
      const name = secondName(draft.name, 80);
      await book.waters.put(copyId, { ...draft, name }, book.now(), change.device);
      return name;
    });
    await book.waters.put(id, draft, book.now(), change.device);
    response.json(await book.waters.find(id));
  });
  router.delete('/books/:book/waters/:id', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    if (!(await book.waters.remove(id, book.now(), changeOf(request).device))) throw notFound(`water ${id}`);
    response.status(204).end();
  });

  router.get('/books/:book/waters/:id/readings', async (request, response) => {
    const book = bookOf(request);
    response.json(await book.readings.ofWater((await waterOf(book, idOf(request))).id));
  });
  router.put('/books/:book/waters/:id/readings/:reading', async (request, response) => {
    const book = bookOf(request);
    const draft = bodyOf(request, ReadingDraft);
    const waterId = await knownWater(book, idOf(request));
    const [id, change] = [idOf(request, 'reading'), changeOf(request)];
    const { surfaceTempC, visibilityM = null, zoneId = null } = draft;
    const content = { surface_temp_c: surfaceTempC, visibility_m: visibilityM, zone_id: zoneId };
    await book.refuseStale(
      'reading',
      id,
      change,
      { at: new Date(draft.at).toISOString(), ...content },
      async (copyId) => {
        await book.readings.put(copyId, waterId, draft, change.device);
        return 'a second reading';
      },
    );
    response.json(await book.readings.put(id, waterId, draft, change.device));
  });
  router.put('/books/:book/waters/:id/readings', async (request, response) => {
    const book = bookOf(request);
    const batch = bodyOf(request, ReadingBatch);
    await book.readings.putAll(await knownWater(book, idOf(request)), batch, changeOf(request).device);
    response.json({ kept: batch.length });
  });
  router.delete('/books/:book/waters/:id/readings/:reading', async (request, response) => {
    const book = bookOf(request);
    const [waterId, id] = [idOf(request), idOf(request, 'reading')];
    if (!(await book.readings.removeAll(waterId, [id], book.now(), changeOf(request).device)))
      throw notFound(`reading ${id}`);
    response.status(204).end();
  });
  router.post('/books/:book/waters/:id/readings/remove', async (request, response) => {
    const book = bookOf(request);
    const ids = bodyOf(request, ReadingIds);
    const waterId = await knownWater(book, idOf(request));
    response.json({ removed: await book.readings.removeAll(waterId, ids, book.now(), changeOf(request).device) });
  });

  router.get('/books/:book/waters/:id/outside', async (request, response) => {
    const book = bookOf(request);
    response.json(await book.outside.at(await waterOf(book, idOf(request)), request.query['ask'] === '1'));
  });
  router.get('/books/:book/waters/:id/forecasts', async (request, response) => {
    const book = bookOf(request);
    response.json(await book.outside.forecastPairs(await waterOf(book, idOf(request))));
  });
  router.get('/books/:book/waters/:id/tide-gauge', async (request, response) => {
    const book = bookOf(request);
    response.json(await book.tideGauge.at(await waterOf(book, idOf(request)), request.query['ask'] === '1'));
  });
  router.post(
    '/books/:book/waters/:id/weather',
    text({ type: 'text/csv', limit: MAX_CSV }),
    async (request, response) => {
      const book = bookOf(request);
      const water = await waterOf(book, idOf(request));
      if (typeof request.body !== 'string') throw new HttpProblem(415, 'Not CSV', 'Expected a CSV file as text/csv.');
      try {
        response.json({ days: await book.outside.takeFile(water, request.body) });
      } catch (error) {
        if (error instanceof SourceFailure) throw new HttpProblem(422, 'Not understood', error.message);
        throw error;
      }
    },
  );
  router.put('/books/:book/waters/:id/weather-days', async (request, response) => {
    const book = bookOf(request);
    const [water, body] = [await waterOf(book, idOf(request)), bodyOf(request, WeatherDays)];
    response.json({ replaced: await book.outside.takeDays(water, body) });
  });
  router.post('/books/:book/waters/:id/weather-days/remove', async (request, response) => {
    const book = bookOf(request);
    const [water, dates] = [await waterOf(book, idOf(request)), bodyOf(request, WeatherDates)];
    response.json({ removed: await book.outside.removeDays(water, dates) });
  });
  router.get('/books/:book/outside', async (request, response) => {
    response.json((await bookOf(request).outside.service()) ?? { address: null });
  });
  router.put('/books/:book/outside', async (request, response) => {
    const { outside } = bookOf(request);
    await outside.setAddress(bodyOf(request, OutsideAddress));
    response.json((await outside.service()) ?? { address: null });
  });
  router.get('/books/:book/outside/gauge', async (request, response) => {
    response.json((await bookOf(request).outside.gauge()) ?? { address: null });
  });
  router.put('/books/:book/outside/gauge', async (request, response) => {
    const { outside } = bookOf(request);
    await outside.setGauge(bodyOf(request, GaugeAddress));
    response.json((await outside.gauge()) ?? { address: null });
  });
  router.post('/books/:book/outside/gauge/try', async (request, response) => {
    const book = bookOf(request);
    const [water] = await book.waters.all();
    response.json(await book.outside.triedGauge(bodyOf(request, GaugeAddress), water));
  });
  router.post('/books/:book/outside/try', async (request, response) => {
    const book = bookOf(request);
    const [water] = await book.waters.all();
    response.json(await book.outside.tried(bodyOf(request, OutsideAddress), water));
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
    const change = changeOf(request);
    const run = draft.run ? JSON.stringify(draft.run) : null;
    const content = { name: draft.name, conditions: JSON.stringify(draft.conditions), run };
    await book.refuseStale('plan', id, change, content, async (copyId) => {
      const name = secondName(draft.name, 120);
      await book.savePlan(copyId, { ...draft, name }, undefined, change.device);
      return name;
    });
    response.json(await book.savePlan(id, draft, undefined, change.device));
  });
  router.patch('/books/:book/plans/:id', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    const { name } = bodyOf(request, PlanRename);
    if (!(await book.plans.rename(id, name, book.now(), changeOf(request).device))) throw notFound(`plan ${id}`);
    response.json(await book.plans.find(id));
  });
  router.delete('/books/:book/plans/:id', async (request, response) => {
    const book = bookOf(request);
    const id = idOf(request);
    if (!(await book.plans.remove(id, book.now(), changeOf(request).device))) throw notFound(`plan ${id}`);
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
