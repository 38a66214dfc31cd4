import { connect, type Socket } from 'node:net';
import { NotReachable, publicLookup } from '../outside/reachable.js';
import { InstrumentListener, type InstrumentNews } from '@inky-shoal/core/formats/nmea';

/** How long a line may be silent before that is said, and after how long one that is away is called again. */
export interface LineRetryPolicy {
  readonly silentMs: number;
  readonly againMs: number;
}
export const LINE_RETRY_POLICY: LineRetryPolicy = { silentMs: 6000, againMs: 3000 };

type LineNews = Extract<InstrumentNews, { kind: 'line' }>;
type HeardNews = Extract<InstrumentNews, { kind: 'heard' }>;

const WHY: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'Nothing listens at this address.',
  ENOTFOUND: 'There is no such name in this network.',
  EHOSTUNREACH: 'The way to this address is not there.',
  ETIMEDOUT: 'The instruments do not answer.',
};

/** A line to a boat's instruments: called, listened to, called again whenever it breaks, until it is closed. */
export class InstrumentLine {
  private socket: Socket | undefined;
  private again: NodeJS.Timeout | undefined;
  private silence: NodeJS.Timeout | undefined;
  private listener = new InstrumentListener();
  private state: LineNews['state'] = 'calling';
  private why: string | null = null;
  private closed = false;
  private readonly latest = new Map<string, HeardNews>();

  /** @param at the address, as tcp://192.168.4.1:10110, and whether it may be in a network of one's own */
  constructor(
    private readonly at: { readonly address: string; readonly privateNetwork: boolean },
    private readonly now: () => string,
    private readonly tell: (news: InstrumentNews) => void,
    private readonly retryPolicy = LINE_RETRY_POLICY,
  ) {
    const { hostname, port } = new URL(at.address);
    this.call(hostname.replace(/^\[|\]$/g, ''), Number(port));
  }

  /** How the line stands, and the last that was heard of each kind, with when: for who comes to it later. */
  soFar(): InstrumentNews[] {
    return [this.line(), ...this.latest.values()];
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.again);
    clearTimeout(this.silence);
    this.socket?.destroy();
  }

  private call(host: string, port: number): void {
    this.listener = new InstrumentListener();
    const socket = connect({ host, port, ...(this.at.privateNetwork ? {} : { lookup: publicLookup }) });
    this.socket = socket;
    let failure: string | null = null;
    socket.setEncoding('latin1');
    socket.on('connect', () => this.waitForWords());
    socket.on('data', (piece) => this.receive(String(piece)));
    socket.on('error', (error: NodeJS.ErrnoException) => {
      failure = error instanceof NotReachable ? error.message : (WHY[error.code ?? ''] ?? 'The line broke.');
    });
    socket.on('close', () => {
      clearTimeout(this.silence);
      if (this.closed) return;
      this.change('away', failure ?? 'The instruments ended the line.');
      this.again = setTimeout(() => this.call(host, port), this.retryPolicy.againMs);
    });
  }

  private receive(piece: string): void {
    const before = this.listener.heardSoFar.sentences;
    const heard = this.listener.push(piece);
    // Noise is no word: a line that only makes noise is as good as silent.
    if (this.listener.heardSoFar.sentences > before) {
      this.change('hearing', null);
      this.waitForWords();
    }
    const at = this.now();
    for (const each of heard) {
      const news: HeardNews = { kind: 'heard', at, heard: each };
      this.latest.set(each.kind, news);
      this.tell(news);
    }
  }

  private waitForWords(): void {
    clearTimeout(this.silence);
    this.silence = setTimeout(() => this.change('silent', null), this.retryPolicy.silentMs);
  }

  private change(state: LineNews['state'], why: string | null): void {
    if (state === this.state && why === this.why) return;
    this.state = state;
    this.why = why;
    this.tell(this.line());
  }

  private line(): LineNews {
    return { kind: 'line', state: this.state, why: this.why, ...this.listener.heardSoFar };
  }
}
