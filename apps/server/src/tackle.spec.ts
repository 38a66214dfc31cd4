import { KeptTackle, lurePreset, MAX_TACKLE_BATCH, MAX_PHOTO_BYTES, presetOf } from '@inky-shoal/core/tackle';
import * as z from 'zod';
import { testServer, type TestServer } from './testing/running.js';

const id = (n: number) => `01950000-0000-7000-8000-${String(n).padStart(12, '0')}`;
let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.remove());

const all = async (book = 'own') =>
  z.array(KeptTackle).parse((await server.call('GET', `/api/books/${book}/tackle`)).body);
const put = (n: number, item: unknown) => server.call('PUT', `/api/books/own/tackle/${id(n)}`, item);

describe('tackle', () => {
  it("ships a demo collection, and none in one's own book", async () => {
    expect((await all('demo')).length).toBeGreaterThan(50);
    expect(await all()).toEqual([]);
  });
  it('keeps, changes, removes and brings back a piece', async () => {
    const lure = lurePreset('square-bill');
    await put(1, lure);
    await put(1, lure);
    expect((await all()).map(({ item }) => item)).toEqual([lure]);
    await put(1, { ...lure, name: 'Renamed' });
    expect((await all())[0]!.item.name).toBe('Renamed');
    const removed = await server.call('POST', '/api/books/own/tackle/remove', [id(1)]);
    expect(removed.body).toEqual({ removed: 1 });
    expect(await all()).toEqual([]);
    await put(1, lure);
    expect(await all()).toHaveLength(1);
  });
  it('takes many at once, all or none', async () => {
    const batch = Array.from({ length: 1000 }, (_, at) => ({ id: id(100 + at), item: presetOf('weight') }));
    expect((await server.call('PUT', '/api/books/own/tackle', batch)).body).toEqual({ kept: 1000 });
    expect(await all()).toHaveLength(1001);
    const bad = [
      { id: id(5000), item: presetOf('reel') },
      { id: id(5001), item: { ...presetOf('reel'), spoolMm: -34 } },
    ];
    const refused = await server.call('PUT', '/api/books/own/tackle', bad);
    expect(refused.status).toBe(422);
    expect((refused.body as { detail: string }).detail).toMatch(/^\[1\]\.item\.spoolMm: .*got -34$/);
    expect(await all()).toHaveLength(1001);
    const many = Array.from({ length: MAX_TACKLE_BATCH + 1 }, (_, at) => ({ id: id(at), item: presetOf('reel') }));
    expect((await server.call('PUT', '/api/books/own/tackle', many)).status).toBe(422);
  });
  it.each([
    [{ ...lurePreset('popper'), hooks: [{ size: '17', at: 0.4 }] }, /hooks\[0\]\.size: expected a hook size/],
    [{ ...lurePreset('deep-diver'), statedDepthM: 0 }, /statedDepthM: .*from 0.1 to 12, got 0/],
    [{ kind: 'boat', name: 'x' }, /kind: expected a kind: lure/],
  ])('refuses %j in words', async (item, words) => {
    const { status, body } = await put(7, item);
    expect(status).toBe(422);
    expect((body as { detail: string }).detail).toMatch(words);
  });
});

describe('photos', () => {
  const jpeg = Buffer.from('ffd8ffe000104a46494600010100000100010000', 'hex');
  const send = (n: number, body: Buffer, type = 'image/jpeg') =>
    fetch(`${server.address}/api/books/own/photos/${id(n)}`, {
      method: 'PUT',
      body: new Uint8Array(body),
      headers: { 'content-type': type },
    });

  it('are kept and given back as they are', async () => {
    expect((await send(1, jpeg)).status).toBe(204);
    const back = await fetch(`${server.address}/api/books/own/photos/${id(1)}`);
    expect(back.headers.get('content-type')).toBe('image/jpeg');
    expect(back.headers.get('cache-control')).toContain('immutable');
    expect(Buffer.from(await back.arrayBuffer())).toEqual(jpeg);
    expect((await fetch(`${server.address}/api/books/demo/photos/${id(1)}`)).status).toBe(404);
  });
  it('are refused where they are too large, or none whatever they are said to be', async () => {
    const large = await send(2, Buffer.concat([jpeg, Buffer.alloc(MAX_PHOTO_BYTES)]));
    expect(large.status).toBe(413);
    expect(((await large.json()) as { detail: string }).detail).toMatch(/at most 391 kB/);
    const text = await send(3, Buffer.from('<svg onload="x">'));
    expect(text.status).toBe(415);
    expect(((await text.json()) as { detail: string }).detail).toMatch(/JPEG, PNG or WebP/);
    expect((await send(4, jpeg, 'text/html')).status).toBe(415);
  });
});
