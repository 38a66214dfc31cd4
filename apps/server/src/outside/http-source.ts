import { type GaugeHours, parse, type WeatherHours } from '@inky-shoal/core';
import { ExponentialBackoff, handleWhen, isTaskCancelledError, retry, timeout, TimeoutStrategy, wrap } from 'cockatiel';
import type * as z from 'zod';
import { SourceFailure, type HourSource, type OutsideQuery } from './source.js';

export interface Patience {
  /** One try may take so long. */
  readonly timeoutMs: number;
  /** Tries after the first. */
  readonly retries: number;
  /** Wait before the second try; it doubles with each, with some chance in it. */
  readonly firstWaitMs: number;
}

export const PATIENCE: Patience = { timeoutMs: 4000, retries: 2, firstWaitMs: 300 };
/** Ten years of hours in eight columns are some 5 MB. */
const MOST_BYTES = 16e6;

/** A refusal that another try will not change. */
class Refused extends SourceFailure {}

/** Hours from a service over HTTP: JSON in columns, checked before it is let in. */
export class HttpSource<Hours extends WeatherHours | GaugeHours> implements HourSource<Hours> {
  readonly name: string;

  /**
   * @param address where the service is, as http://127.0.0.1:4730
   * @param path of the hours, as `weather`
   */
  constructor(
    private readonly address: string,
    private readonly path: string,
    private readonly shape: z.ZodType<Hours>,
    private readonly patience: Patience = PATIENCE,
  ) {
    this.name = new URL(address).host;
  }

  async hours({ place, from, now }: OutsideQuery): Promise<Hours> {
    const url = new URL(this.path, this.address.endsWith('/') ? this.address : `${this.address}/`);
    const asked = { latitude: String(place.latitude), longitude: String(place.longitude), from, now };
    for (const [name, value] of Object.entries(asked)) url.searchParams.set(name, value);
    const { timeoutMs, retries, firstWaitMs } = this.patience;
    const policy = wrap(
      retry(
        handleWhen((error) => !(error instanceof Refused)),
        { maxAttempts: retries, backoff: new ExponentialBackoff({ initialDelay: firstWaitMs }) },
      ),
      timeout(timeoutMs, TimeoutStrategy.Aggressive),
    );
    let gaveUp = false;
    try {
      return await policy.execute(async ({ signal }) => {
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
        {
          cause: error,
        },
      );
    }
  }

  private async once(url: URL, signal: AbortSignal): Promise<Hours> {
    const response = await fetch(url, { signal, headers: { accept: 'application/json' } });
    if (!response.ok) {
      await response.body?.cancel();
      const words = `${this.name} answers with an error (${response.status})`;
      throw response.status < 500 ? new Refused(words) : new SourceFailure(words);
    }
    if (Number(response.headers.get('content-length') ?? 0) > MOST_BYTES) {
      await response.body?.cancel();
      throw new Refused(`${this.name} sends more than can be used`);
    }
    let body: unknown;
    try {
      body = JSON.parse(await response.text());
    } catch (error) {
      if (signal.aborted) throw error;
      throw new SourceFailure(`${this.name} sends something that is not JSON`, { cause: error });
    }
    const hours = parse(this.shape, body);
    if (hours.ok) return hours.value;
    const [first] = hours.problems;
    const where = first?.path ? `${first.path}: ` : '';
    throw new SourceFailure(`${this.name} sends what cannot be read (${where}${first?.message ?? 'another shape'})`);
  }
}
