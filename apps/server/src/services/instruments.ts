import type { InstrumentNews, InstrumentsAddress } from '@inky-shoal/core/formats/nmea';
import { refusePrivateHost } from '../outside/reachable.js';
import type { FactRepository } from '../repositories/facts.js';
import { InstrumentLine, type LineRetryPolicy } from './instrument-line.js';

export type { LineRetryPolicy } from './instrument-line.js';

const ADDRESS = 'instruments-address';
const PRIVATE = 'instruments-private';
const NONE: InstrumentNews = { kind: 'line', state: 'none', why: null, sentences: 0, badChecksums: 0, garbled: 0 };

type Listener = (news: InstrumentNews) => void;

/** The instruments of a book's boat: one line for all who listen, open while somebody does. */
export class InstrumentService {
  private line: InstrumentLine | undefined;
  private readonly listeners = new Set<Listener>();

  constructor(
    private readonly facts: FactRepository,
    private readonly now: () => string,
    private readonly retryPolicy?: LineRetryPolicy,
    /** Where they are until the user says otherwise. */
    private readonly usual: string | null = null,
  ) {}

  /** Where they are, and whether that may be in a network of one's own. */
  async where(): Promise<{ address: string | null; privateNetwork: boolean }> {
    const kept = await this.facts.get(ADDRESS);
    if (kept === undefined) return { address: this.usual, privateNetwork: true };
    // One that was kept before this was asked had been called all along.
    return { address: kept || null, privateNetwork: (await this.facts.get(PRIVATE)) !== '0' };
  }

  /**
   * Sets where the instruments are. Who listens already hears those from now on.
   * @throws NotReachable where that is in a private network and it was not allowed
   */
  async setAddress({ address, privateNetwork = false }: InstrumentsAddress): Promise<void> {
    if (address !== null && !privateNetwork) refusePrivateHost(new URL(address).hostname);
    // Nowhere is kept, too: it stands against where they usually are.
    await this.facts.set(PRIVATE, privateNetwork ? '1' : '0');
    await this.facts.set(ADDRESS, address ?? '');
    this.disconnect();
    if (this.listeners.size) await this.callUp();
  }

  /** Listens: what is known comes at once, the rest as it comes. @returns what ends it */
  async listen(listener: Listener): Promise<() => void> {
    this.listeners.add(listener);
    if (this.line) for (const news of this.line.soFar()) listener(news);
    else await this.callUp();
    return () => {
      this.listeners.delete(listener);
      if (!this.listeners.size) this.disconnect();
    };
  }

  close(): void {
    this.listeners.clear();
    this.disconnect();
  }

  private async callUp(): Promise<void> {
    const { address, privateNetwork } = await this.where();
    // While the address was looked up, somebody else may have called, or the last listener gone.
    if (this.line || !this.listeners.size) return;
    if (address === null) return this.tell(NONE);
    this.line = new InstrumentLine({ address, privateNetwork }, this.now, (news) => this.tell(news), this.retryPolicy);
    for (const news of this.line.soFar()) this.tell(news);
  }

  private disconnect(): void {
    this.line?.close();
    this.line = undefined;
  }

  private tell(news: InstrumentNews): void {
    for (const listener of this.listeners) listener(news);
  }
}
