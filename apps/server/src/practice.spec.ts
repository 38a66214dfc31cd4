import type { PracticeEvent, PracticeNews } from '@inky-shoal/core/drill';
import { testServer, type TestServer } from './testing/running.js';

const PATH = '/api/books/own/practice';
const idOf = (n: number) => `01960000-0000-7000-8000-0000f${n.toString(16).padStart(7, '0')}`;
const answer = (n: number, more: Partial<PracticeEvent> = {}): PracticeEvent =>
  ({
    kind: 'answer',
    id: idOf(n),
    at: new Date(Date.parse('2027-03-13T20:00:00Z') + n * 1000).toISOString(),
    step: 'lure',
    topic: 'lure/jerkbait-cold-clear',
    score: 0.5,
    ...more,
  }) as PracticeEvent;

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
});
afterEach(() => server.remove());

const news = async (after = 0, path = PATH) =>
  (await server.call('GET', `${path}?after=${after}`)).body as PracticeNews;

describe('what was practised', () => {
  it('is kept once however often it is sent, and goes out in the order in which it came', async () => {
    const wait: PracticeEvent = { kind: 'wait', id: idOf(8), at: '2027-03-13T20:00:00Z', wantedS: 8, feltS: 7.2 };
    expect((await server.call('POST', PATH, [answer(1), wait])).body).toEqual({ kept: 2, added: 2 });
    expect((await server.call('POST', PATH, [answer(0), answer(1)])).body).toEqual({ kept: 2, added: 1 });
    const { events, upTo, more } = await news();
    expect(events).toEqual([answer(1), wait, answer(0)]);
    expect(more).toBe(false);
    await server.call('POST', PATH, [{ kind: 'take-back', id: idOf(9), at: wait.at, of: [idOf(1)] }]);
    expect((await news(upTo)).events).toEqual([{ kind: 'take-back', id: idOf(9), at: wait.at, of: [idOf(1)] }]);
    expect((await news(0, '/api/books/demo/practice')).events).toEqual([]);
  });

  it('comes in portions where it is much, whole', async () => {
    const many = Array.from({ length: 2400 }, (_, n) => answer(n));
    await server.call('POST', PATH, many.slice(0, 2000));
    await server.call('POST', PATH, many.slice(2000));
    const first = await news();
    expect(first.more).toBe(true);
    const second = await news(first.upTo);
    expect([...first.events, ...second.events].map(({ id }) => id)).toEqual(many.map(({ id }) => id));
  });

  it('is refused in words where it is no answer, all of it', async () => {
    const refused = await server.call('POST', PATH, [answer(1), { ...answer(2), score: 3 }]);
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body)).toMatch(/expected marks from 0 to 1, got 3/);
    expect((await server.call('POST', PATH, [])).status).toBe(422);
    expect((await server.call('GET', `${PATH}?after=soon`)).status).toBe(422);
    expect((await news()).events).toEqual([]);
  });

  it('goes out and in with all of the book', async () => {
    await server.call('POST', PATH, [answer(1), answer(2)]);
    const archive = await (await fetch(`${server.address}/api/books/own/archive`)).arrayBuffer();
    const other = await testServer();
    try {
      const taken = await fetch(`${other.address}/api/books/own/archive`, {
        method: 'PUT',
        headers: { 'content-type': 'application/zip' },
        body: archive,
      });
      expect(taken.ok).toBe(true);
      const body = (await other.call('GET', `${PATH}?after=0`)).body as PracticeNews;
      expect(body.events).toEqual([answer(1), answer(2)]);
    } finally {
      await other.remove();
    }
  });
});
