import { createServer, request, type IncomingHttpHeaders, type Server } from 'node:http';
import { connect, createServer as createLine, type AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { sentenceOf } from '@inky-shoal/core/formats/nmea';
import { checkJsonBytes } from './http/json-body.js';
import { SLOW_LIMITS } from './http/slow.js';
import { isPrivate, publicLookup, refusePrivateHost } from './outside/reachable.js';
import { ask, TooLong } from './outside/ask.js';
import { testServer, type TestServer } from './testing/running.js';

const id = (n: number) => `01980000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
const WATER = { name: 'Test pond', discipline: 'bass', waterKind: 'pond', place: PLACE };

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
  for (const n of [1, 2]) await server.call('PUT', `/api/books/own/waters/${id(n)}`, { ...WATER, name: `Pond ${n}` });
});
afterAll(() => server.remove());

interface Answer {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
  readonly text: string;
}

/** A request as any program could send it, headers and all. */
function send(
  method: string,
  path: string,
  headers: Record<string, string> = {},
  body?: string | Buffer,
): Promise<Answer> {
  const { hostname, port } = new URL(server.address);
  return new Promise((resolve, reject) => {
    const asked = request({ hostname, port, method, path, headers }, (response) => {
      let text = '';
      response.on('data', (piece: Buffer) => (text += piece.toString()));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
    });
    asked.on('error', reject);
    asked.end(body);
  });
}
const JSON_TYPE = { 'content-type': 'application/json' };
const refused = (answer: Answer, status: number, words: string) => {
  expect(answer.status).toBe(status);
  expect(answer.headers['content-type']).toContain('application/problem+json');
  expect((JSON.parse(answer.text) as { detail: string }).detail).toContain(words);
};

describe('what another page asks for', () => {
  const path = `/api/books/own/waters/${id(9)}`;
  const body = JSON.stringify(WATER);

  it.each([
    ['a cross-site form', { 'sec-fetch-site': 'cross-site' }],
    ['a page of the same site', { 'sec-fetch-site': 'same-site' }],
    ['another origin', { origin: 'http://evil.example' }],
    ['an origin that hides', { origin: 'null' }],
    ['our name on another port', { origin: 'http://127.0.0.1:1' }],
  ])('is refused: %s', async (_name, headers) => {
    refused(await send('PUT', path, { ...JSON_TYPE, ...headers }, body), 403, 'asked by another page');
    refused(await send('GET', '/api/books/own', headers), 403, 'asked by another page');
  });

  it('is taken from our own page, from the address bar, and from programs', async () => {
    const origin = { origin: server.address, 'sec-fetch-site': 'same-origin' };
    for (const headers of [origin, { 'sec-fetch-site': 'none' }, {}] as Record<string, string>[])
      expect((await send('PUT', path, { ...JSON_TYPE, ...headers }, body)).status).toBe(200);
  });

  it('is not taken as weather in plain text, which a form of any page can send', async () => {
    refused(
      await send('POST', `/api/books/own/waters/${id(1)}/weather`, { 'content-type': 'text/plain' }, 'time,air C\n'),
      415,
      'Expected a CSV file',
    );
  });
});

describe('bodies and addresses that are no good', () => {
  const path = `/api/books/own/waters/${id(8)}`;

  it.each<[string, string, Record<string, string>, string | Buffer, number, string]>([
    ['lies too deep', path, JSON_TYPE, `${'['.repeat(10_000)}${']'.repeat(10_000)}`, 400, 'lies too deep'],
    ['holds a NUL', path, JSON_TYPE, JSON.stringify({ ...WATER, name: 'a\u0000b' }), 422, 'a NUL character'],
    ['is no gzip', path, { ...JSON_TYPE, 'content-encoding': 'gzip' }, 'not packed', 400, 'not packed as it says'],
    [
      'swells',
      path,
      { ...JSON_TYPE, 'content-encoding': 'gzip' },
      gzipSync(Buffer.alloc(30_000_000, 0x20)),
      413,
      'too large',
    ],
    ['has a % that stands for nothing', '/api/books/%E0%A4%A', {}, '', 400, 'not well formed'],
    ['has an id that is none', '/api/books/own/waters/12%00', JSON_TYPE, '{}', 422, 'a UUID'],
  ])('a request that %s is refused in words', async (_name, address, headers, body, status, words) => {
    refused(await send('PUT', address, headers, body), status, words);
  });

  it('a body of many faults is answered with the first of them', async () => {
    const many = Object.fromEntries(Array.from({ length: 20_000 }, (_, n) => [`field${n}`, n]));
    const { status, text } = await send('PUT', path, JSON_TYPE, JSON.stringify({ ...WATER, ...many }));
    expect(status).toBe(422);
    expect((JSON.parse(text) as { errors: unknown[] }).errors).toHaveLength(50);
  });

  it('depth is counted outside of texts only', () => {
    const bytes = (text: string) => Buffer.from(text);
    expect(() => checkJsonBytes(bytes(JSON.stringify({ a: '[[['.repeat(100), b: '\\"[[[' })))).not.toThrow();
    expect(() => checkJsonBytes(bytes('['.repeat(64)))).not.toThrow();
    expect(() => checkJsonBytes(bytes('['.repeat(65)))).toThrow('inky.too-deep');
    expect(() => checkJsonBytes(bytes(String.raw`"\\u0000"`))).not.toThrow();
    expect(() => checkJsonBytes(bytes(String.raw`"\u0000"`))).toThrow('inky.nul');
  });

  it('ids have one letter case', async () => {
    const upper = id(1).replace('0198', '0198').toUpperCase();
    const reading = { at: '2026-03-01T12:00:00Z', surfaceTempC: 9 };
    await server.call(
      'PUT',
      `/api/books/own/waters/${upper}/readings/${'AB'.repeat(4)}-0000-7000-8000-000000000001`,
      reading,
    );
    const { body } = await server.call('GET', `/api/books/own/waters/${id(1)}/readings`);
    expect((body as { id: string; waterId: string }[])[0]).toMatchObject({
      id: `${'ab'.repeat(4)}-0000-7000-8000-000000000001`,
      waterId: id(1),
    });
  });

  it('what is kept under one water is not changed through another', async () => {
    const mark = { id: id(77), kind: 'mark', name: 'Mine', shape: { type: 'Point', coordinates: [-88.4, 35.9] } };
    const at = (n: number) => `/api/books/own/waters/${id(n)}`;
    expect((await server.call('PUT', `${at(1)}/chart/features/${id(77)}`, mark)).status).toBe(200);
    const taken = await server.call('PUT', `${at(2)}/chart/features/${id(77)}`, { ...mark, name: 'Theirs' });
    expect(taken).toMatchObject({ status: 409, body: { detail: `The feature ${id(77)} belongs to another water.` } });
    expect((await server.call('GET', `${at(1)}/chart`)).body).toMatchObject({ features: [{ name: 'Mine' }] });
    const reading = { at: '2026-03-02T12:00:00Z', surfaceTempC: 9 };
    await server.call('PUT', `${at(1)}/readings/${id(78)}`, reading);
    expect((await server.call('PUT', `${at(2)}/readings/${id(78)}`, reading)).status).toBe(409);
  });

  it('a bed is bounded by its cells, whatever they are said to be', async () => {
    const frame = { epsg: 32616, cols: 20_000, rows: 20_000, cellM: 5, westM: 0, northM: 15, source: 'A test' };
    const answer = await send(
      'PUT',
      `/api/books/own/waters/${id(1)}/chart/bed?frame=${encodeURIComponent(JSON.stringify(frame))}`,
      { 'content-type': 'application/octet-stream' },
      gzipSync(Buffer.alloc(1_200_000)),
    );
    refused(answer, 422, 'at most 16 million cells');
  });
});

describe('requests that come in slowly', () => {
  let slow: TestServer;
  beforeAll(async () => {
    slow = await testServer({
      slow: { ...SLOW_LIMITS, headersTimeout: 150, requestTimeout: 300, connectionsCheckingInterval: 50 },
    });
  });
  afterAll(() => slow.remove());

  const PUT = `PUT /api/books/own/plans/${id(90)} HTTP/1.1\r\nhost: 127.0.0.1\r\n`;
  it.each([
    ['a head without end', 'GET /api/health HTTP/1.1\r\nhost: 127.0.0.1\r\n', 'x-more: and more\r\n'],
    ['a body that drips', `${PUT}content-type: application/json\r\ncontent-length: 5000\r\n\r\n`, '{'],
    [
      'a body in pieces without end',
      `${PUT}content-type: application/json\r\ntransfer-encoding: chunked\r\n\r\n`,
      '1\r\n[\r\n',
    ],
  ])('are cut: %s', async (_, head, drop) => {
    const { hostname, port } = new URL(slow.address);
    const answer = await new Promise<string>((resolve) => {
      const socket = connect(Number(port), hostname);
      let heard = '';
      socket.write(head);
      const dripping = setInterval(() => socket.writable && socket.write(drop), 20);
      socket.on('data', (piece) => (heard += piece.toString()));
      socket.on('error', () => undefined);
      socket.on('close', () => {
        clearInterval(dripping);
        resolve(heard);
      });
    });
    expect(answer).toMatch(/^(HTTP\/1.1 408 |$)/);
    expect((await slow.call('GET', '/api/health')).status).toBe(200);
    expect((await slow.call('GET', `/api/books/own/plans/${id(90)}`)).status).toBe(404);
  });
});

describe('addresses outside', () => {
  it.each([
    '127.0.0.1',
    '10.1.2.3',
    '172.31.0.1',
    '192.168.4.1',
    '169.254.169.254',
    '::1',
    'fd00::1',
    'fe80::1',
    '::ffff:10.0.0.1',
  ])('%s is in a network of one’s own', (address) => expect(isPrivate(address)).toBe(true));
  it.each(['8.8.8.8', '172.32.0.1', '2001:db8::1'])('%s is not', (address) => expect(isPrivate(address)).toBe(false));

  it('in a private network are kept only where that is ticked', async () => {
    const put = (body: object) => server.call('PUT', '/api/books/own/outside', body);
    expect(await put({ address: 'http://192.168.1.9:80' })).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('in a network of your own: tick that it may be') },
    });
    expect((await server.call('GET', '/api/books/own/outside')).body).toEqual({ address: null });
    expect((await put({ address: 'http://192.168.1.9:80', privateNetwork: true })).status).toBe(200);
    await put({ address: null });
    const instruments = await server.call('PUT', '/api/books/own/instruments', { address: 'tcp://localhost:10110' });
    expect(instruments.status).toBe(422);
  });

  it('that are none are not kept', async () => {
    for (const address of ['tcp://1.2.3.999:10110', 'tcp://a..b:1', 'tcp://[::::]:1', 'http://x:99999', 'http://']) {
      const which = address.startsWith('tcp') ? 'instruments' : 'outside';
      const { status } = await server.call('PUT', `/api/books/own/${which}`, { address, privateNetwork: true });
      expect(`${address} ${status}`).toBe(`${address} 422`);
    }
  });

  it('by name are looked at where they lead', async () => {
    expect(() => refusePrivateHost('[::1]')).toThrow('in a network of your own');
    expect(() => refusePrivateHost('example.org')).not.toThrow();
    await new Promise<void>((done) =>
      publicLookup('localhost', { all: false }, (error) => {
        expect(error?.message).toContain('localhost is in a network of your own');
        done();
      }),
    );
  });

  it('are not followed elsewhere, nor heard out without end', async () => {
    const elsewhere: Server = createServer((asked, answer) => {
      if (asked.url === '/moved') answer.writeHead(302, { location: 'http://169.254.169.254/' }).end();
      else {
        answer.writeHead(200);
        const more = setInterval(() => answer.write(Buffer.alloc(50_000)), 1);
        answer.on('close', () => clearInterval(more));
      }
    }).listen(0, '127.0.0.1');
    await new Promise((ready) => elsewhere.once('listening', ready));
    const { port } = elsewhere.address() as AddressInfo;
    const options = { signal: AbortSignal.timeout(5000), mostBytes: 300_000, privateNetwork: true };
    expect(await ask(new URL(`http://127.0.0.1:${port}/moved`), options)).toEqual({ status: 302, text: '' });
    await expect(ask(new URL(`http://127.0.0.1:${port}/endless`), options)).rejects.toBeInstanceOf(TooLong);
    elsewhere.closeAllConnections();
    elsewhere.close();
  });
});

it('a page that does not read its stream swells nothing, and learns the latest when it does', async () => {
  const boat = createLine().listen(0, '127.0.0.1');
  await new Promise((ready) => boat.once('listening', ready));
  const { port } = boat.address() as AddressInfo;
  let depth = 10;
  const talking = new Promise<NodeJS.Timeout>((begun) =>
    boat.on('connection', (socket) => {
      socket.on('error', () => socket.destroy());
      begun(
        setInterval(() => {
          const lines = Array.from({ length: 200 }, () => sentenceOf(`SDDPT,${(depth += 0.001).toFixed(3)},0.0`)).join(
            '',
          );
          if (!socket.destroyed) socket.write(lines);
        }, 2),
      );
    }),
  );
  await server.call('PUT', '/api/books/own/instruments', { address: `tcp://127.0.0.1:${port}`, privateNetwork: true });
  const address = new URL(server.address);
  const page = connect(Number(address.port), address.hostname);
  page.pause();
  page.write(`GET /api/books/own/instruments/stream HTTP/1.1\r\nhost: ${address.host}\r\n\r\n`);
  const timer = await talking;
  global.gc?.();
  const before = process.memoryUsage().external + process.memoryUsage().arrayBuffers;
  await new Promise((go) => setTimeout(go, 1500));
  const grown = process.memoryUsage().external + process.memoryUsage().arrayBuffers - before;
  expect(grown).toBeLessThan(60e6);
  let said = '';
  page.on('data', (piece: Buffer) => (said += piece.toString()));
  page.resume();
  await new Promise((go) => setTimeout(go, 400));
  const events = said.split('"kind":"depth"').length - 1;
  expect(events).toBeGreaterThan(1);
  // Ten a second at most, over some two seconds.
  expect(events).toBeLessThan(30);
  clearInterval(timer);
  page.destroy();
  await server.call('PUT', '/api/books/own/instruments', { address: null });
  boat.close();
});
