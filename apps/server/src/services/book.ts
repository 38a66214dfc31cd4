import {
  ENGINE_VERSION,
  makePlan,
  type Book,
  type HistoryKind,
  type PlanDraft,
  type SavedPlan,
} from '@inky-shoal/core';
import { DEMO, DEMO_NOW, DEMO_VERSION, demoCharts, demoForecasts, demoTripEvents } from '@inky-shoal/demo';
import { closeBook, type OpenedBook } from '../db/open-book.js';
import type { Db } from '../db/open.js';
import { ChartRepository } from '../repositories/charts.js';
import { FactRepository } from '../repositories/facts.js';
import { binnedBefore, HistoryRepository, secondCopyId } from '../repositories/history.js';
import { PlanRepository } from '../repositories/plans.js';
import { PhotoRepository } from '../repositories/photos.js';
import { PracticeRepository } from '../repositories/practice.js';
import { ReadingRepository } from '../repositories/readings.js';
import { OutsideRepository } from '../repositories/outside.js';
import { SetAsideRepository } from '../repositories/set-aside.js';
import { TackleRepository } from '../repositories/tackle.js';
import { TripRepository } from '../repositories/trips.js';
import { Unread } from '../repositories/unread.js';
import { WaterRepository } from '../repositories/waters.js';
import type { Backup, BackupService } from './backups.js';
import { SecondCopy, type Change } from './change.js';
import type { HoursReader } from '../outside/hours-reader.js';
import type { RetryPolicy } from '../outside/ask-patiently.js';
import { NoticeService } from './notices.js';
import { InstrumentService, type LineRetryPolicy } from './instruments.js';
import { OutsideQuestions } from './outside-questions.js';
import { OutsideService } from './outside.js';
import { TideGaugeService } from './tide-gauge.js';

/** Where the outside is asked, unless the book says otherwise. */
export interface OutsideOptions {
  readonly address: string | null;
  readonly retryPolicy?: RetryPolicy;
  readonly lineRetryPolicy?: LineRetryPolicy;
  /** Where the boat's instruments are, until the user says otherwise. */
  readonly boat: string | null;
  readonly reader: HoursReader;
}

/** One book: its waters, readings and plans, in a file of its own, with its own clock. */
export class BookService {
  readonly waters: WaterRepository;
  readonly readings: ReadingRepository;
  readonly plans: PlanRepository;
  readonly tackle: TackleRepository;
  readonly photos: PhotoRepository;
  readonly charts: ChartRepository;
  readonly trips: TripRepository;
  readonly practice: PracticeRepository;
  readonly outside: OutsideService;
  readonly tideGauge: TideGaugeService;
  readonly instruments: InstrumentService;
  readonly notices: NoticeService;
  readonly history: HistoryRepository;
  readonly setAside: SetAsideRepository;
  private readonly questions: OutsideQuestions;
  private readonly facts: FactRepository;
  private readonly db: Db;
  private readonly unread = new Unread();

  constructor(
    readonly id: Book,
    { db, findings, lastBackup }: OpenedBook & { readonly lastBackup?: Backup | undefined },
    private readonly dataDir: string,
    readonly backups: BackupService,
    private readonly systemNow: () => Date,
    { address, retryPolicy, lineRetryPolicy, boat, reader }: OutsideOptions,
  ) {
    this.db = db;
    const { unread } = this;
    this.waters = new WaterRepository(db, unread);
    this.readings = new ReadingRepository(db, unread);
    this.plans = new PlanRepository(db, unread);
    this.tackle = new TackleRepository(db, unread);
    this.photos = new PhotoRepository(db);
    this.charts = new ChartRepository(db, unread);
    this.trips = new TripRepository(db, unread);
    this.practice = new PracticeRepository(db, unread);
    this.history = new HistoryRepository(db);
    this.setAside = new SetAsideRepository(db);
    this.facts = new FactRepository(db);
    this.notices = new NoticeService(
      this.facts,
      unread,
      findings,
      lastBackup && { name: lastBackup.name, at: lastBackup.at },
      () => this.now(),
    );
    const outside = new OutsideRepository(db);
    const clock = { bookNow: () => this.clock.now, machineNow: systemNow };
    this.questions = new OutsideQuestions(outside, clock);
    this.outside = new OutsideService(outside, this.facts, this.questions, clock, address, reader, retryPolicy);
    this.tideGauge = new TideGaugeService(outside, this.outside, this.questions, clock, reader, retryPolicy);
    this.instruments = new InstrumentService(this.facts, () => this.now(), lineRetryPolicy, boat);
  }

  /** The demo's clock stands still; the user's own book goes by the machine's. */
  get clock(): { now: string; fixed: boolean } {
    return this.id === 'demo' ? { now: DEMO_NOW, fixed: true } : { now: this.now(), fixed: false };
  }

  /** Time of the machine, for when things are saved. */
  now(): string {
    return this.systemNow().toISOString();
  }

  /** What a change is to be kept as where it is not the latest: under an id of its own, beside what stands. */
  async refuseStale<Content extends object>(
    kind: HistoryKind,
    id: string,
    { from }: Change,
    content: Content,
    keepCopy: (copyId: string) => Promise<string>,
  ): Promise<void> {
    if (!(await this.history.isStale(kind, id, from, content as Record<string, unknown>))) return;
    const copyId = secondCopyId(id, content);
    const name = await keepCopy(copyId);
    throw new SecondCopy({ id: copyId, name }, (await this.history.current(kind, id))?.version ?? 1);
  }

  /**
   * Plans from the conditions and saves both, with the engine's version; a plan by the angler's record is kept as it was
   * made, since the record is read where the trips are. Saving the same again changes nothing.
   */
  async savePlan(
    id: string,
    { name, waterId, conditions, units, run, byRecord }: PlanDraft,
    at = this.now(),
    device: string | null = null,
  ): Promise<SavedPlan> {
    const before = await this.plans.find(id);
    const plan: SavedPlan = {
      id,
      name,
      waterId,
      conditions,
      plan: byRecord?.plan ?? makePlan(conditions, { units }),
      run,
      record: byRecord?.record,
      engineVersion: ENGINE_VERSION,
      createdAt: before?.createdAt ?? at,
      updatedAt: at,
    };
    await this.plans.put(plan, device);
    return (await this.plans.find(id)) ?? plan;
  }

  /** Erases what has lain in the bin for ninety days. */
  async emptyBin(now: Date): Promise<void> {
    await this.history.empty(now);
    const before = binnedBefore(now);
    for (const { tripId, removedAt } of await this.trips.removed()) {
      if (removedAt < before) await this.trips.erase(tripId, now.toISOString());
    }
  }

  /** Fills the demo book where its data is missing or older than what ships. What the user added to it stays. */
  async seedDemo(withTrips: boolean): Promise<void> {
    // Trips that were left out come in once they are wanted.
    const version = withTrips ? String(DEMO_VERSION) : `${DEMO_VERSION} without trips`;
    if ((await this.facts.get('demo-version')) === version) return;
    await this.waters.removeAll(DEMO.formerWaters);
    for (const { id, createdAt, updatedAt: _, ...draft } of DEMO.waters) await this.waters.put(id, draft, createdAt);
    for (const { id } of DEMO.waters) {
      const own = DEMO.readings.filter(({ waterId }) => waterId === id);
      await this.readings.putAll(
        id,
        own.map(({ waterId: _, ...reading }) => reading),
      );
    }
    await this.tackle.putAll(
      DEMO.tackle.map(({ id, ...item }) => ({ id, item })),
      DEMO_NOW,
    );
    for (const { waterId, frame, bed, features } of demoCharts()) {
      await this.charts.put(waterId, frame, bed, DEMO_NOW);
      await this.charts.putFeatures(waterId, features, DEMO_NOW);
    }
    for (const { id, draft, createdAt } of DEMO.plans) await this.savePlan(id, draft, createdAt);
    for (const [waterId, made] of demoForecasts()) await this.outside.keepForecasts(waterId, made);
    if (withTrips) await this.trips.add(demoTripEvents());
    await this.facts.set('demo-version', version);
  }

  async close(): Promise<void> {
    this.instruments.close();
    await this.questions.settle();
    await this.backups.settle();
    await closeBook(this.db, this.dataDir, this.id);
  }
}
