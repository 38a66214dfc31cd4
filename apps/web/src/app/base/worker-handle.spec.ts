import { expose } from 'comlink';
import { firstValueFrom, lastValueFrom } from 'rxjs';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { StartedWorker, WorkerGone } from './worker-handle';

/** A worker as the browser starts one, over a channel of this program. */
class ChannelWorker extends EventTarget {
  static started: ChannelWorker[] = [];
  ended = false;
  private readonly ports = new MessageChannel();

  constructor(api: object) {
    super();
    ChannelWorker.started.push(this);
    expose(api, this.ports.port2 as never);
    this.ports.port1.on('message', (data: unknown) => this.dispatchEvent(new MessageEvent('message', { data })));
  }

  postMessage(message: unknown): void {
    (this.ports.port1 as MessagePort).postMessage(message);
  }

  start(): void {
    this.ports.port1.start();
  }

  terminate(): void {
    this.ended = true;
    this.ports.port1.close();
  }
}

const api = {
  add: (a: number, b: number) => a + b,
  fail: () => {
    throw new RangeError('too far');
  },
  never: () => new Promise<never>(() => undefined),
};
const handle = () => new StartedWorker<typeof api>(() => new ChannelWorker(api) as unknown as Worker);

beforeEach(() => (ChannelWorker.started = []));
afterEach(() => ChannelWorker.started.forEach((worker) => worker.terminate()));

describe('a worker behind a handle', () => {
  it('is started when it is first asked, and answers on', async () => {
    const worker = handle();
    expect(ChannelWorker.started).toHaveLength(0);
    expect(await firstValueFrom(worker.ask((it) => it.add(2, 3)))).toBe(5);
    await expect(firstValueFrom(worker.ask((it) => it.fail()))).rejects.toThrow('too far');
    expect(await firstValueFrom(worker.ask((it) => it.add(2, 4)))).toBe(6);
    expect(ChannelWorker.started).toHaveLength(1);
  });

  it('that dies fails whoever waits, and the next question starts another', async () => {
    const worker = handle();
    const waiting = lastValueFrom(worker.ask((it) => it.never()));
    ChannelWorker.started[0]?.dispatchEvent(Object.assign(new Event('error'), { message: 'not loaded' }));
    await expect(waiting).rejects.toThrow(WorkerGone);
    expect(ChannelWorker.started[0]?.ended).toBe(true);
    expect(await firstValueFrom(worker.ask((it) => it.add(1, 1)))).toBe(2);
    expect(ChannelWorker.started).toHaveLength(2);
  });

  it('rests once nobody waits for an answer, and is stopped with all that it does', async () => {
    const worker = handle();
    const sum = firstValueFrom(worker.ask((it) => it.add(1, 2)));
    worker.rest();
    expect(ChannelWorker.started[0]?.ended).toBe(false);
    expect(await sum).toBe(3);
    expect(ChannelWorker.started[0]?.ended).toBe(true);
    const waiting = lastValueFrom(worker.ask((it) => it.never()));
    worker.stop();
    await expect(waiting).rejects.toMatchObject({ cause: 'The work was stopped' });
    expect(ChannelWorker.started.map(({ ended }) => ended)).toEqual([true, true]);
  });
});
