import { type Water, WeatherDay } from '@inky-shoal/core';
import { isTemplate } from '@inky-shoal/core/contract/outside-addresses';
import { LevelDay, type TideGaugeAt } from '@inky-shoal/core/tide';
import type { RetryPolicy } from '../outside/ask-patiently.js';
import type { HoursReader } from '../outside/hours-reader.js';
import { HttpSource } from '../outside/http-source.js';
import { SensorThingsSource } from '../outside/sensor-things.js';
import { SourceFailure } from '../outside/source.js';
import type { OutsideRepository } from '../repositories/outside.js';
import type { OutsideClock, OutsideQuestions } from './outside-questions.js';
import type { OutsideService } from './outside.js';

const DAY_MS = 86_400_000;
const KIND = 'tide-gauge';
/** So much of its record is asked for and told: what wind does to the water is learnt from it. */
const RECORD_DAYS = 30;
/** Later questions ask again for the last days, which may have been put right since. */
const AGAIN_DAYS = 2;

const dateBefore = (now: string, days: number): string =>
  new Date(Date.parse(now) - days * DAY_MS).toISOString().slice(0, 10);

/** The gauge of tidal water: the book's own, else the one of the service that serves its weather. */
export class TideGaugeService {
  constructor(
    private readonly kept: OutsideRepository,
    private readonly outside: OutsideService,
    private readonly questions: OutsideQuestions,
    private readonly clock: OutsideClock,
    private readonly reader: HoursReader,
    private readonly retryPolicy?: RetryPolicy,
  ) {}

  /** What is known of the gauge at a water with a station of tides, brought up to date first where that is quick. */
  async at(water: Water, ask = false): Promise<TideGaugeAt> {
    const source = water.tideStation ? await this.source() : null;
    const asking =
      source !== null &&
      (await this.questions.refresh(water.id, KIND, ask, async () => {
        const now = this.clock.bookNow();
        const told = await source.days({ place: water.place, from: await this.from(water, now), now });
        if (!told.days.length) throw new SourceFailure(`${source.name} has no level of these days`);
        await this.kept.keep(water.id, KIND, told.days, this.questions.answered(told.source, told.issuedAt));
        await this.kept.removeBefore(water.id, KIND, dateBefore(now, 2 * RECORD_DAYS));
      }));
    const since = dateBefore(this.clock.bookNow(), RECORD_DAYS);
    const air = await this.kept.days(water.id, 'weather', WeatherDay);
    return {
      state: { ...(await this.questions.stateOf(water.id, KIND)), asking },
      days: (await this.kept.days(water.id, KIND, LevelDay)).filter(({ date }) => date >= since),
      air: air
        .filter(({ date }) => date >= since)
        .map(({ date, windMps, windFromDeg, pressureHpa }) => ({ date, windMps, windFromDeg, pressureHpa })),
    };
  }

  private async source(): Promise<Pick<HttpSource, 'name' | 'days'> | null> {
    const gauge = await this.outside.gauge();
    if (gauge) return new SensorThingsSource(gauge, this.reader, this.retryPolicy, 'sensor-things-levels');
    const service = await this.outside.service();
    if (service === null || isTemplate(service.address)) return null;
    return new HttpSource(service, KIND, this.reader, this.retryPolicy);
  }

  private async from(water: Water, now: string): Promise<string> {
    const days = await this.kept.days(water.id, KIND, LevelDay);
    const first = dateBefore(now, RECORD_DAYS);
    const last = days.at(-1);
    const reaches = days[0] !== undefined && days[0].date <= dateBefore(now, RECORD_DAYS - 2);
    const from = last && reaches && last.date > first ? dateBefore(`${last.date}T00:00:00Z`, AGAIN_DAYS) : first;
    return `${from}T00:00:00Z`;
  }
}
