import { join } from 'node:path';
import { ENGINE_VERSION, makePlan, type Book, type PlanDraft, type SavedPlan } from '@inky-shoal/core';
import { DEMO, DEMO_NOW, DEMO_VERSION, demoCharts } from '@inky-shoal/demo';
import { openDb, type Db } from '../db/open.js';
import { ChartRepository } from '../repositories/charts.js';
import { FactRepository } from '../repositories/facts.js';
import { PlanRepository } from '../repositories/plans.js';
import { PhotoRepository } from '../repositories/photos.js';
import { ReadingRepository } from '../repositories/readings.js';
import { OutsideRepository } from '../repositories/outside.js';
import { TackleRepository } from '../repositories/tackle.js';
import { TripRepository } from '../repositories/trips.js';
import { WaterRepository } from '../repositories/waters.js';
import { HoursReader } from '../outside/hours-reader.js';
import type { Patience } from '../outside/http-source.js';
import { InstrumentService, type LinePatience } from './instruments.js';
import { OutsideService } from './outside.js';

/** Where the outside is asked, unless the book says otherwise. */
export interface OutsideOptions {
  readonly address: string | null;
  readonly patience?: Patience;
  readonly linePatience?: LinePatience;
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
  readonly outside: OutsideService;
  readonly instruments: InstrumentService;
  private readonly facts: FactRepository;

  constructor(
    readonly id: Book,
    private readonly db: Db,
    private readonly systemNow: () => Date,
    { address, patience, linePatience, boat, reader }: OutsideOptions,
  ) {
    this.waters = new WaterRepository(db);
    this.readings = new ReadingRepository(db);
    this.plans = new PlanRepository(db);
    this.tackle = new TackleRepository(db);
    this.photos = new PhotoRepository(db);
    this.charts = new ChartRepository(db);
    this.trips = new TripRepository(db);
    this.facts = new FactRepository(db);
    this.outside = new OutsideService(
      new OutsideRepository(db),
      this.facts,
      { bookNow: () => this.clock.now, machineNow: systemNow },
      address,
      reader,
      patience,
    );
    this.instruments = new InstrumentService(this.facts, () => this.now(), linePatience, boat);
  }

  /** The demo's clock stands still; the user's own book goes by the machine's. */
  get clock(): { now: string; fixed: boolean } {
    return this.id === 'demo' ? { now: DEMO_NOW, fixed: true } : { now: this.now(), fixed: false };
  }

  /** Time of the machine, for when things are saved. */
  now(): string {
    return this.systemNow().toISOString();
  }

  /** Plans from the conditions and saves both, with the engine's version. Saving the same again changes nothing. */
  async savePlan(id: string, { name, waterId, conditions, units }: PlanDraft, at = this.now()): Promise<SavedPlan> {
    const before = await this.plans.find(id);
    const plan: SavedPlan = {
      id,
      name,
      waterId,
      conditions,
      plan: makePlan(conditions, { units }),
      engineVersion: ENGINE_VERSION,
      createdAt: before?.createdAt ?? at,
      updatedAt: at,
    };
    await this.plans.put(plan);
    return plan;
  }

  /** Fills the demo book where its data is missing or older than what ships. What the user added to it stays. */
  async seedDemo(): Promise<void> {
    const version = String(DEMO_VERSION);
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
    await this.facts.set('demo-version', version);
  }

  async close(): Promise<void> {
    this.instruments.close();
    await this.outside.settle();
    await this.db.destroy();
  }
}

export type Books = Readonly<Record<Book, BookService>>;

export interface BookOptions {
  readonly dataDir: string;
  /** Where the built server lies, whose parts run beside it. */
  readonly programDir: string;
  readonly systemNow: () => Date;
  /** Address of the stand-ins for the demo's weather and gauge; null where they are not there. */
  readonly demoOutside: string | null;
  /** Where the demo's boat speaks; null where it has none. */
  readonly demoBoat: string | null;
  readonly patience?: Patience;
  readonly linePatience?: LinePatience;
}

/** Opens both books in the data folder. Demo and real data live in different files and never mix. */
export async function openBooks({
  dataDir,
  programDir,
  systemNow,
  demoOutside,
  demoBoat,
  patience,
  linePatience,
}: BookOptions): Promise<Books> {
  const reader = new HoursReader(programDir);
  const open = async (id: Book, address: string | null, boat: string | null) =>
    new BookService(id, await openDb(join(dataDir, `${id}.sqlite`)), systemNow, {
      address,
      patience,
      linePatience,
      boat,
      reader,
    });
  // The stand-ins make their weather up: only the demo may take them for the world.
  const books = { demo: await open('demo', demoOutside, demoBoat), own: await open('own', null, null) };
  await books.demo.seedDemo();
  return books;
}

export async function closeBooks(books: Books): Promise<void> {
  await Promise.all(Object.values(books).map((book) => book.close()));
}
