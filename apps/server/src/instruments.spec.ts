import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { InstrumentNews, sentenceOf } from '@inky-shoal/core/formats/nmea';
import { testServer, type TestServer } from './testing/running';

let server: TestServer;
beforeAll(async () => {
  server = await testServer({ lineRetryPolicy: { silentMs: 150, againMs: 60 } });
});
afterAll(() => server.remove());

/** What a test opened is closed after it, whether it held or not. */
const opened: (() => unknown)[] = [];
afterEach(async () => {
  await Promise.all(opened.splice(0).map((close) => close()));
});

/** A boat's gateway, as far as a test wants one. */
class Gateway {
  readonly sockets = new Set<Socket>();
  private server: Server | undefined;
  port = 0;

  async open(): Promise<void> {
    if (!this.server) opened.push(() => this.close());
    this.server = createServer((socket) => {
      this.sockets.add(socket);
      socket.on('error', () => socket.destroy());
      socket.on('close', () => this.sockets.delete(socket));
    });
    this.server.listen(this.port, '127.0.0.1');
    await new Promise((resolve) => this.server?.once('listening', resolve));
    this.port = (this.server.address() as AddressInfo).port;
  }
  say(...bodies: string[]): void {
    for (const socket of this.sockets) socket.write(bodies.map(sentenceOf).join(''));
  }
  async close(): Promise<void> {
    for (const socket of this.sockets) socket.destroy();
    await new Promise((resolve) => this.server?.close(resolve));
  }
}

/** A page that listens. */
class Listening {
  readonly news: InstrumentNews[] = [];
  private readonly stopped = new AbortController();

  async start(): Promise<this> {
    opened.push(() => this.stop());
    const response = await fetch(`${server.address}/api/books/own/instruments/stream`, { signal: this.stopped.signal });
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    void this.read(response).catch(() => undefined);
    return this;
  }
  stop(): void {
    this.stopped.abort();
  }
  states = () => this.news.flatMap((each) => (each.kind === 'line' ? [each.state] : []));
  heard = () => this.news.flatMap((each) => (each.kind === 'heard' ? [each.heard] : []));
  async until(holds: () => boolean): Promise<void> {
    for (let turn = 0; turn < 300 && !holds(); turn++) await new Promise((resolve) => setTimeout(resolve, 10));
    if (!holds()) throw new Error(`Waited in vain; it heard ${JSON.stringify(this.news)}`);
  }
  private async read(response: Response): Promise<void> {
    const reader = response.body!.getReader();
    const decoder = new TextDecoder();
    let rest = '';
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      const events = (rest + decoder.decode(value as Uint8Array, { stream: true })).split('\n\n');
      rest = events.pop() ?? '';
      for (const event of events) {
        if (event.startsWith('data: ')) this.news.push(InstrumentNews.parse(JSON.parse(event.slice(6))));
      }
    }
  }
}

const setAddress = (address: unknown) =>
  server.call('PUT', '/api/books/own/instruments', { address, privateNetwork: true });

it('takes an address, and refuses what is none in words', async () => {
  expect((await server.call('GET', '/api/books/own/instruments')).body).toMatchObject({ address: null });
  for (const wrong of ['http://127.0.0.1:80', 'tcp://127.0.0.1', 'tcp://127.0.0.1:99999', 7]) {
    const { status, body } = await setAddress(wrong);
    expect(status).toBe(422);
    expect(JSON.stringify(body)).toMatch(/expected/);
  }
  expect((await setAddress('tcp://127.0.0.1:10110')).body).toMatchObject({ address: 'tcp://127.0.0.1:10110' });
  await setAddress(null);
});

it('without instruments says so, and that is no problem', async () => {
  const page = await new Listening().start();
  await page.until(() => page.states().length > 0);
  expect(page.states()).toEqual(['none']);
  page.stop();
});

it('hears them come, go silent, come back, go away and come again', async () => {
  const gateway = new Gateway();
  await gateway.open();
  const page = await new Listening().start();
  await page.until(() => page.states().at(-1) === 'none');
  await setAddress(`tcp://127.0.0.1:${gateway.port}`);
  await page.until(() => gateway.sockets.size === 1);
  gateway.say('SDDPT,3.4,0.5', 'YXMTW,13.8,C');
  await page.until(() => page.heard().length === 2);
  expect(page.heard()).toEqual([
    { kind: 'depth', depthM: 3.9 },
    { kind: 'water-temp', tempC: 13.8 },
  ]);
  await page.until(() => page.states().at(-1) === 'silent');
  gateway.say('SDDPT,4.4,0.5');
  await page.until(() => page.states().at(-1) === 'hearing' && page.heard().length === 3);
  await gateway.close();
  await page.until(() => page.states().at(-1) === 'away');
  const away = page.news.findLast((each) => each.kind === 'line' && each.state === 'away');
  expect(away).toMatchObject({ why: expect.stringMatching(/ended the line|broke|Nothing listens/) as string });
  await gateway.open();
  await page.until(() => gateway.sockets.size === 1);
  gateway.say('SDDPT,5.4,0.5');
  await page.until(() => page.heard().some((each) => each.kind === 'depth' && each.depthM === 5.9));

  // Who comes later knows at once what was heard last, and when.
  const later = await new Listening().start();
  await later.until(() => later.heard().length > 0);
  await later.until(() => later.heard().length === 2);
  expect(later.heard()).toEqual(
    expect.arrayContaining([
      { kind: 'depth', depthM: 5.9 },
      { kind: 'water-temp', tempC: 13.8 },
    ]),
  );
  expect(gateway.sockets.size).toBe(1);
  page.stop();
  later.stop();
  // With nobody to listen the line is hung up.
  await later.until(() => gateway.sockets.size === 0);
  await gateway.close();
  await setAddress(null);
});

it('goes on through noise at full speed, and takes none of it for a word', async () => {
  const gateway = new Gateway();
  await gateway.open();
  await setAddress(`tcp://127.0.0.1:${gateway.port}`);
  const page = await new Listening().start();
  await page.until(() => gateway.sockets.size === 1);
  const noise = Buffer.from(Uint8Array.from({ length: 60_000 }, (_, at) => (at * 7919 + (at >> 5)) % 256));
  for (const socket of gateway.sockets) for (let turn = 0; turn < 10; turn++) socket.write(noise);
  await page.until(() => page.states().at(-1) === 'silent');
  expect(page.heard()).toEqual([]);
  gateway.say('', 'SDDPT,3.4,0.5');
  await page.until(() => page.heard().length === 1);
  const line = page.news.findLast((each) => each.kind === 'line');
  expect(line).toMatchObject({ state: 'hearing' });
  page.stop();
  await gateway.close();
  await setAddress(null);
});

describe("the demo's boat", () => {
  it('is where the demo listens until the user says otherwise, also nowhere; the own book knows nothing of it', async () => {
    const own = await testServer({ demoBoat: 'tcp://127.0.0.1:10110' });
    opened.push(() => own.remove());
    const address = async (book: string) => (await own.call('GET', `/api/books/${book}/instruments`)).body;
    expect(await address('demo')).toMatchObject({ address: 'tcp://127.0.0.1:10110' });
    expect(await address('own')).toMatchObject({ address: null });
    await own.call('PUT', '/api/books/demo/instruments', { address: null });
    expect(await address('demo')).toMatchObject({ address: null });
    await own.call('PUT', '/api/books/demo/instruments', { address: 'tcp://127.0.0.1:4000', privateNetwork: true });
    expect(await address('demo')).toMatchObject({ address: 'tcp://127.0.0.1:4000' });
  });
});
