import { ExponentialBackoff, handleWhen, isTaskCancelledError, retry, timeout, TimeoutStrategy, wrap } from 'cockatiel';
import { isTemplate, type OutsidePart } from '@inky-shoal/core';
import { ask, TooLong, type Answer } from './ask.js';
import type { HoursReader } from './hours-reader.js';
import { NotReachable } from './reachable.js';
import { SourceFailure, type DaysTold, type OutsideQuery } from './source.js';

export interface RetryPolicy {
  /** One try may take so long. */
  readonly timeoutMs: number;
  /** Tries after the first. */
  readonly retries: number;
  /** Wait before the second try; it doubles with each, with some chance in it. */
  readonly firstWaitMs: number;
}

export const RETRY_POLICY: RetryPolicy = { timeoutMs: 4000, retries: 2, firstWaitMs: 300 };
/** Ten years of hours in eight columns are some 5 MB. */
const MAX_BYTES = 16e6;

/** A refusal that another try will not change. */
class Refused extends SourceFailure {}

/** Where a service is, and whether that may be in a network of one's own. */
export interface ServiceAddress {
  /** As http://127.0.0.1:4730 */
  readonly address: string;
  readonly privateNetwork: boolean;
}

/** Days ahead of now that a forecast is asked for, where the address has room for an end. */
const DAYS_AHEAD = 10;

/** An address with the place and the days put in where it has room for them. */
function addressFor(template: string, { place, from, now }: OutsideQuery): URL {
  const ends = new Date(Date.parse(now) + DAYS_AHEAD * 86_400_000).toISOString();
  const parts: Record<OutsidePart, string> = {
    latitude: String(place.latitude),
    longitude: String(place.longitude),
    from: from.slice(0, 10),
    to: ends.slice(0, 10),
    now,
  };
  return new URL(template.replace(/\{(\w+)\}/g, (_, name: OutsidePart) => encodeURIComponent(parts[name])));
}

/** Hours from a service over HTTP: JSON in columns, checked before it is let in, told as days. */
export class HttpSource {
  readonly name: string;

  /** @param kind which hours are asked for: the last part of the address, too */
  constructor(
    private readonly at: ServiceAddress,
    private readonly kind: 'weather' | 'gauge',
    private readonly reader: HoursReader,
    private readonly retryPolicy: RetryPolicy = RETRY_POLICY,
  ) {
    this.name = new URL(at.address).host;
  }

  /** @throws SourceFailure where it cannot say */
  async days({ place, from, now }: OutsideQuery): Promise<DaysTold> {
    const url = this.url({ place, from, now });
    const { timeoutMs, retries, firstWaitMs } = this.retryPolicy;
    const policy = wrap(
      retry(
        handleWhen((error) => !(error instanceof Refused)),
        { maxAttempts: retries, backoff: new ExponentialBackoff({ initialDelay: firstWaitMs }) },
      ),
      timeout(timeoutMs, TimeoutStrategy.Aggressive),
    );
    let gaveUp = false;
    let text: string;
    try {
      text = await policy.execute(async ({ signal }) => {
        try {
          return await this.once(url, signal);
        } catch (error) {
          // Read at once: the policy ends its signal after every try, whatever came of it.
          gaveUp = signal.aborted;
          throw error;
        }
      });
    } catch (error) {
      if (error instanceof SourceFailure) throw error;
      throw new SourceFailure(
        `${this.name} ${gaveUp || isTaskCancelledError(error) ? 'takes too long to answer' : 'does not answer'}`,
        { cause: error },
      );
    }
    const read = await this.reader.read({ as: `${this.kind}-json`, text, timeZone: place.timeZone, now });
    if (read.ok) return { ...read, source: read.source ?? this.name };
    throw new SourceFailure(
      read.why === 'no-json'
        ? `${this.name} sends something that is not JSON`
        : `${this.name} sends what cannot be read (${read.words})`,
    );
  }

  private url(query: OutsideQuery): URL {
    const { address } = this.at;
    if (isTemplate(address)) return addressFor(address, query);
    const { place, from, now } = query;
    const url = new URL(this.kind, address.endsWith('/') ? address : `${address}/`);
    const asked = { latitude: String(place.latitude), longitude: String(place.longitude), from, now };
    for (const [name, value] of Object.entries(asked)) url.searchParams.set(name, value);
    return url;
  }

  private async once(url: URL, signal: AbortSignal): Promise<string> {
    let answer: Answer;
    try {
      answer = await ask(url, { signal, mostBytes: MAX_BYTES, privateNetwork: this.at.privateNetwork });
    } catch (error) {
      if (error instanceof TooLong) throw new Refused(`${this.name} sends more than can be used`);
      if (error instanceof NotReachable) throw new Refused(error.message);
      throw error;
    }
    const { status, text } = answer;
    if (status === 200) return text;
    if (status >= 300 && status < 400) throw new Refused(`${this.name} sends on to another address: give that one`);
    const words = `${this.name} answers with an error (${status})`;
    throw status < 500 ? new Refused(words) : new SourceFailure(words);
  }
}
