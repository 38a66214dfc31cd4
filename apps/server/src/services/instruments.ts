import type { InstrumentNews } from '@inky-shoal/core/formats/nmea';
import type { FactRepository } from '../repositories/facts.js';
import { InstrumentLine, type LinePatience } from './instrument-line.js';

export type { LinePatience } from './instrument-line.js';

const ADDRESS = 'instruments-address';
const NONE: InstrumentNews = { kind: 'line', state: 'none', why: null, sentences: 0, badChecksums: 0, garbled: 0 };

type Listener = (news: InstrumentNews) => void;

/** The instruments of a book's boat: one line for all who listen, open while somebody does. */
export class InstrumentService {
  private line: InstrumentLine | undefined;
  private readonly listeners = new Set<Listener>();

  constructor(
    private readonly facts: FactRepository,
    private readonly now: () => string,
    private readonly patience?: LinePatience,
    /** Where they are until the user says otherwise. */
    private readonly usual: string | null = null,
  ) {}

  async address(): Promise<string | null> {
    const kept = await this.facts.get(ADDRESS);
    return kept === undefined ? this.usual : kept || null;
  }

  /** Sets where the instruments are. Who listens already hears those from now on. */
  async setAddress(address: string | null): Promise<void> {
    // Nowhere is kept, too: it stands against where they usually are.
    await this.facts.set(ADDRESS, address ?? '');
    this.hangUp();
    if (this.listeners.size) await this.callUp();
  }

  /** Listens: what is known comes at once, the rest as it comes. @returns what ends it */
  async listen(listener: Listener): Promise<() => void> {
    this.listeners.add(listener);
    if (this.line) for (const news of this.line.soFar()) listener(news);
    else await this.callUp();
    return () => {
      this.listeners.delete(listener);
      if (!this.listeners.size) this.hangUp();
    };
  }

  close(): void {
    this.listeners.clear();
    this.hangUp();
  }

  private async callUp(): Promise<void> {
    const address = await this.address();
    // While the address was looked up, somebody else may have called, or the last listener gone.
    if (this.line || !this.listeners.size) return;
    if (address === null) return this.tell(NONE);
    this.line = new InstrumentLine(address, this.now, (news) => this.tell(news), this.patience);
    for (const news of this.line.soFar()) this.tell(news);
  }

  private hangUp(): void {
    this.line?.close();
    this.line = undefined;
  }

  private tell(news: InstrumentNews): void {
    for (const listener of this.listeners) listener(news);
  }
}
