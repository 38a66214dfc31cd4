import { askPatiently, RETRY_POLICY, type RetryPolicy, type ServiceAddress } from './ask-patiently.js';
import type { HoursReader } from './hours-reader.js';
import { SourceFailure, type DaysTold, type OutsideQuery } from './source.js';

/** Observations of a stream that are asked for in one page; a service may give fewer. */
const PAGE = 1000;
/** Pages that are followed at most: two winters of quarter hours of four streams fit. */
const MOST_PAGES = 240;

type Json = Readonly<Record<string, unknown>>;
const NEXT = '@iot.nextLink';
const OBSERVATIONS = 'Observations';
const isJson = (value: unknown): value is Json => typeof value === 'object' && value !== null;

/** A gauge of a SensorThings service (OGC 18-088): a Thing, its streams of what it observes, and their observations. */
export class SensorThingsSource {
  readonly name: string;
  private pages = 0;

  constructor(
    private readonly at: ServiceAddress,
    private readonly reader: HoursReader,
    private readonly retryPolicy: RetryPolicy = RETRY_POLICY,
    /** What is wanted of it: all that it observes as days, or its levels by the quarter hour. */
    private readonly as: 'sensor-things' | 'sensor-things-levels' = 'sensor-things',
  ) {
    this.name = new URL(at.address).host;
  }

  /** @throws SourceFailure where it cannot say */
  async days({ place, from, now }: OutsideQuery): Promise<DaysTold> {
    this.pages = 0;
    const url = new URL(`${this.at.address.replace(/\/$/, '')}/Datastreams`);
    const when = `phenomenonTime ge ${from} and phenomenonTime le ${now}`;
    const of = `$filter=${when};$orderby=phenomenonTime asc;$top=${PAGE};$select=phenomenonTime,result`;
    url.searchParams.set('$expand', `ObservedProperty,${OBSERVATIONS}(${of})`);
    const streams = await this.all(url);
    const whole: Json[] = [];
    for (const stream of streams) {
      if (!isJson(stream)) throw this.unread('value: expected Datastreams');
      const next = stream[`${OBSERVATIONS}${NEXT}`];
      const here = stream[OBSERVATIONS];
      const more = typeof next === 'string' && Array.isArray(here) ? await this.all(this.linked(next)) : [];
      whole.push({ ...stream, [OBSERVATIONS]: Array.isArray(here) ? [...(here as unknown[]), ...more] : here });
    }
    const text = JSON.stringify({ value: whole });
    const read = await this.reader.read({ as: this.as, text, timeZone: place.timeZone, now });
    if (!read.ok) throw this.unread(read.words);
    return { ...read, source: read.source ?? this.name };
  }

  /** All of a collection, page by page. */
  private async all(first: URL): Promise<unknown[]> {
    const found: unknown[] = [];
    for (let url: URL | null = first; url;) {
      if (++this.pages > MOST_PAGES) throw new SourceFailure(`${this.name} sends more than can be used`);
      const text = await askPatiently(url, this.at, this.retryPolicy);
      let body: unknown;
      try {
        body = JSON.parse(text);
      } catch {
        throw new SourceFailure(`${this.name} sends something that is not JSON`);
      }
      if (!isJson(body) || !Array.isArray(body['value'])) throw this.unread('value: expected a list');
      found.push(...(body['value'] as unknown[]));
      const next: unknown = body[NEXT];
      url = typeof next === 'string' ? this.linked(next) : null;
    }
    return found;
  }

  /** A link to the next page: of the same service, or it is not followed. */
  private linked(link: string): URL {
    const url = URL.canParse(link, this.at.address) ? new URL(link, this.at.address) : null;
    if (url?.origin !== new URL(this.at.address).origin)
      throw new SourceFailure(`${this.name} sends on to another address: give that one`);
    return url;
  }

  private unread(words: string): SourceFailure {
    return new SourceFailure(`${this.name} sends what cannot be read (${words})`);
  }
}
