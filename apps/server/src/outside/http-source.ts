import { isTemplate, type OutsidePart } from '@inky-shoal/core/contract/outside-addresses';
import { askPatiently, RETRY_POLICY, type RetryPolicy, type ServiceAddress } from './ask-patiently.js';
import type { HoursReader } from './hours-reader.js';
import { SourceFailure, type DaysTold, type OutsideQuery } from './source.js';

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
    private readonly kind: 'weather' | 'gauge' | 'tide-gauge',
    private readonly reader: HoursReader,
    private readonly retryPolicy: RetryPolicy = RETRY_POLICY,
  ) {
    this.name = new URL(at.address).host;
  }

  /** @throws SourceFailure where it cannot say */
  async days({ place, from, now }: OutsideQuery): Promise<DaysTold> {
    const url = this.url({ place, from, now });
    const text = await askPatiently(url, this.at, this.retryPolicy);
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
}
