import {
  COMPARED_LEADS,
  dateOf,
  dayNumber,
  type ForecastPair,
  GaugeDay,
  localTimes,
  type OutsideAt,
  type Water,
  WeatherDay,
  type WeatherDays,
} from '@inky-shoal/core';
import {
  type GaugeAddress,
  isTemplate,
  type OutsideAddress,
  type OutsideFound,
} from '@inky-shoal/core/contract/outside-addresses';
import type { HoursReader } from '../outside/hours-reader.js';
import type { RetryPolicy, ServiceAddress } from '../outside/ask-patiently.js';
import { HttpSource } from '../outside/http-source.js';
import { refusePrivateHost } from '../outside/reachable.js';
import { onKnownZero } from '../outside/level-zero.js';
import { SensorThingsSource } from '../outside/sensor-things.js';
import { SourceFailure, type DaysTold } from '../outside/source.js';
import type { FactRepository } from '../repositories/facts.js';
import type { OutsideRepository } from '../repositories/outside.js';
import type { OutsideClock, OutsideQuestions } from './outside-questions.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** The first question goes back so far: two winters. */
const FIRST_DAYS_BACK = 560;
/** Later ones ask again for the last days, which may have been put right since. */
const AGAIN_DAYS = 3;
/** Forecasts of so many days are kept, to be compared with what came. */
const COMPARED_DAYS = 45;
/** Days of which an address is asked when it is tried. */
const TRIED_DAYS = 3;
const TRY_ONCE: RetryPolicy = { timeoutMs: 6000, retries: 0, firstWaitMs: 0 };
/** Where it is asked for in a book without waters. */
const ANYWHERE = { latitude: 35, longitude: -90, timeZone: 'UTC' };
const ADDRESS = 'weather-address';
const PRIVATE = 'weather-private';
const GAUGE = 'gauge-address';
const GAUGE_PRIVATE = 'gauge-private';

/** Gives days of one kind. */
type Source = Pick<HttpSource, 'name' | 'days'>;

/**
 * Weather and gauge at the waters of one book. What was brought is kept, so that everything goes on with it when the
 * outside is silent, slow or sends nonsense; how old it is and what went wrong is told with it.
 */
export class OutsideService {
  constructor(
    private readonly kept: OutsideRepository,
    private readonly facts: FactRepository,
    private readonly questions: OutsideQuestions,
    private readonly clock: OutsideClock,
    /** Address of the service where the book names none of its own. */
    private readonly usualAddress: string | null,
    private readonly reader: HoursReader,
    private readonly retryPolicy?: RetryPolicy,
  ) {}

  /** Where the service is that serves weather and gauge; null where there is none. */
  async service(): Promise<ServiceAddress | null> {
    const kept = await this.facts.get(ADDRESS);
    if (kept === undefined)
      return this.usualAddress === null ? null : { address: this.usualAddress, privateNetwork: true };
    // One that was kept before this was asked had been called all along.
    return { address: kept, privateNetwork: (await this.facts.get(PRIVATE)) !== '0' };
  }

  /** Where the book's gauge is; null where it has none of its own. */
  async gauge(): Promise<ServiceAddress | null> {
    const address = await this.facts.get(GAUGE);
    return address === undefined ? null : { address, privateNetwork: (await this.facts.get(GAUGE_PRIVATE)) === '1' };
  }

  /** @throws NotReachable where the address is in a private network and that was not allowed */
  setAddress(wanted: OutsideAddress): Promise<void> {
    return this.setFact(wanted, ADDRESS, PRIVATE);
  }

  /** @throws NotReachable where the address is in a private network and that was not allowed */
  setGauge(wanted: GaugeAddress): Promise<void> {
    return this.setFact(wanted, GAUGE, GAUGE_PRIVATE);
  }

  private async setFact(
    { address, privateNetwork = false }: OutsideAddress | GaugeAddress,
    fact: string,
    privateFact: string,
  ): Promise<void> {
    if (address === null) {
      await this.facts.remove(fact);
      return;
    }
    if (!privateNetwork) refusePrivateHost(new URL(address).hostname);
    await this.facts.set(privateFact, privateNetwork ? '1' : '0');
    await this.facts.set(fact, address);
  }

  /**
   * Tries an address before anything hangs on it: what it gives of the last days, or why it gives nothing.
   * @throws NotReachable where it is in a private network and that was not allowed
   */
  async tried({ address, privateNetwork = false }: OutsideAddress, water: Water | undefined): Promise<OutsideFound> {
    if (address === null) return { weather: null, gauge: null };
    const at = { address, privateNetwork };
    const [weather, gauge] = await Promise.all([
      this.triedSource(at, new HttpSource(at, 'weather', this.reader, this.tryOnce), water),
      isTemplate(address) ? null : this.triedSource(at, new HttpSource(at, 'gauge', this.reader, this.tryOnce), water),
    ]);
    return { weather, gauge };
  }

  /** The same of a gauge. @throws NotReachable */
  async triedGauge({ address, privateNetwork = false }: GaugeAddress, water: Water | undefined): Promise<OutsideFound> {
    if (address === null) return { weather: null, gauge: null };
    const at = { address, privateNetwork };
    return {
      weather: null,
      gauge: await this.triedSource(at, new SensorThingsSource(at, this.reader, this.tryOnce), water),
    };
  }

  private get tryOnce(): RetryPolicy {
    return { ...TRY_ONCE, ...this.retryPolicy };
  }

  private async triedSource({ address, privateNetwork }: ServiceAddress, source: Source, water: Water | undefined) {
    if (!privateNetwork) refusePrivateHost(new URL(address).hostname);
    const now = this.clock.bookNow();
    const from = new Date(Date.parse(now) - TRIED_DAYS * DAY_MS).toISOString();
    try {
      const { days } = await source.days({ place: water?.place ?? ANYWHERE, from, now });
      const [first, last] = [days[0], days.at(-1)];
      if (!first || !last) return { failure: `${source.name} has no whole day of figures` };
      return { days: days.length, first: first.date, last: last.date };
    } catch (error) {
      if (error instanceof SourceFailure) return { failure: error.message };
      throw error;
    }
  }

  /** Who is asked for a kind; null where nobody is. */
  private async sourceOf(kind: 'weather' | 'gauge'): Promise<Source | null> {
    const gauge = kind === 'gauge' ? await this.gauge() : null;
    if (gauge) return new SensorThingsSource(gauge, this.reader, this.retryPolicy);
    const service = await this.service();
    if (service === null || (kind === 'gauge' && isTemplate(service.address))) return null;
    return new HttpSource(service, kind, this.reader, this.retryPolicy);
  }

  /** What is known at a water, brought up to date first where that is quick. `ask` asks even when all is fresh. */
  async at(water: Water, ask = false): Promise<OutsideAt> {
    const [weather, gauge] = await Promise.all([
      this.refresh(water, 'weather', ask),
      this.refresh(water, 'gauge', ask),
    ]);
    return {
      weather: { ...(await this.questions.stateOf(water.id, 'weather')), asking: weather },
      gauge: { ...(await this.questions.stateOf(water.id, 'gauge')), asking: gauge },
      weatherDays: await this.kept.days(water.id, 'weather', WeatherDay),
      gaugeDays: await this.kept.days(water.id, 'gauge', GaugeDay),
    };
  }

  /** Takes in weather from a file; rejects with a SourceFailure where it cannot be read. @returns days taken in */
  async takeFile(water: Water, text: string): Promise<number> {
    const now = this.clock.bookNow();
    const read = await this.reader.read({ as: 'weather-csv', text, timeZone: water.place.timeZone, now });
    if (!read.ok) throw new SourceFailure(read.words);
    return this.keep(water, 'weather', 'a file', { ...read, source: read.source ?? 'a file' });
  }

  /** Keeps days of weather as a file told them. @returns those that stood in their places */
  async takeDays(water: Water, { source, days }: WeatherDays): Promise<WeatherDay[]> {
    const dates = days.map(({ date }) => date);
    const replaced = await this.kept.daysOn(water.id, 'weather', dates, WeatherDay);
    const issuedAt = this.clock.bookNow();
    await this.keep(water, 'weather', source, { source, issuedAt, days });
    return replaced;
  }

  /** Lets go of days of weather. @returns how many there were */
  removeDays(water: Water, dates: readonly string[]): Promise<number> {
    return this.kept.removeDays(water.id, 'weather', dates);
  }

  /** @returns whether the question is still on its way */
  private async refresh(water: Water, kind: 'weather' | 'gauge', ask: boolean): Promise<boolean> {
    const source = await this.sourceOf(kind);
    return source !== null && this.questions.refresh(water.id, kind, ask, () => this.bring(water, kind, source));
  }

  /** Asks a source, and keeps what it told. */
  private async bring(water: Water, kind: 'weather' | 'gauge', source: Source): Promise<void> {
    const now = this.clock.bookNow();
    const told = await source.days({ place: water.place, from: await this.from(water, kind, now), now });
    // A gauge with a zero of its own goes on from the level that is known.
    const days =
      source instanceof SensorThingsSource
        ? onKnownZero(told.days as readonly GaugeDay[], await this.kept.days(water.id, kind, GaugeDay))
        : told.days;
    await this.keep(water, kind, source.name, { ...told, days });
  }

  private async keep(
    water: Water,
    kind: 'weather' | 'gauge',
    name: string,
    { source, issuedAt, days }: DaysTold,
  ): Promise<number> {
    if (!days.length) throw new SourceFailure(`${name} has no whole day of figures`);
    await this.kept.keep(water.id, kind, days, this.questions.answered(source, issuedAt));
    if (kind === 'weather') await this.keepForecast(water, issuedAt, days as readonly WeatherDay[]);
    return days.length;
  }

  /** Keeps a forecast as it was made, by its lead: the weather that comes takes its place among the days. */
  private async keepForecast({ id, place }: Water, issuedAt: string, days: readonly WeatherDay[]): Promise<void> {
    const today = localTimes(place.timeZone)(Date.parse(issuedAt)).day;
    for (const lead of COMPARED_LEADS) {
      const made = days.filter(({ kind, date }) => kind === 'forecast' && dayNumber(date) - today === lead);
      if (!made.length) continue;
      await this.kept.keepDays(id, `forecast-${lead}`, made);
      await this.kept.removeBefore(id, `forecast-${lead}`, dateOf(today - COMPARED_DAYS));
    }
  }

  /** What was forecast of the days lately, and what came. */
  async forecastPairs({ id }: Water): Promise<ForecastPair[]> {
    const pairs: ForecastPair[] = [];
    for (const leadDays of COMPARED_LEADS) {
      const made = await this.kept.days(id, `forecast-${leadDays}`, WeatherDay);
      const dates = made.map(({ date }) => date);
      const came = dates.length ? await this.kept.daysOn(id, 'weather', dates, WeatherDay) : [];
      const byDate = new Map(came.filter(({ kind }) => kind === 'observed').map((day) => [day.date, day]));
      for (const forecast of made) {
        const observed = byDate.get(forecast.date);
        if (observed) pairs.push({ leadDays, forecast, observed });
      }
    }
    return pairs;
  }

  /** Keeps forecasts that were made before, each under its lead. */
  async keepForecasts(
    waterId: string,
    made: readonly { readonly leadDays: number; readonly day: WeatherDay }[],
  ): Promise<void> {
    for (const leadDays of COMPARED_LEADS) {
      const days = made.filter((each) => each.leadDays === leadDays).map(({ day }) => day);
      if (days.length) await this.kept.keepDays(waterId, `forecast-${leadDays}`, days);
    }
  }

  /** Where the question begins: at first two winters back, later with the last days that are known for sure. */
  private async from(water: Water, kind: 'weather' | 'gauge', now: string): Promise<string> {
    const known =
      kind === 'weather'
        ? (await this.kept.days(water.id, kind, WeatherDay)).filter((day) => day.kind === 'observed')
        : await this.kept.days(water.id, kind, GaugeDay);
    const last = known.at(-1);
    const first = Date.parse(now) - FIRST_DAYS_BACK * DAY_MS;
    const reaches = known[0] !== undefined && Date.parse(known[0].date) <= first + 3 * DAY_MS;
    const from = last && reaches ? Date.parse(last.date) - AGAIN_DAYS * DAY_MS : first;
    return new Date(from).toISOString();
  }
}
