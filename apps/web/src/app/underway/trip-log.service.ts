import { DestroyRef, inject, Injectable } from '@angular/core';
import { type NewTripEvent, TripEvent, type TripNews } from '@inky-shoal/core/underway';
import { parse, type Book } from '@inky-shoal/core';
import { BehaviorSubject, distinctUntilChanged, filter, map, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { BookService } from '../base/book.service';
import { deviceName } from '../base/device';
import { type KeptEvent, REFUSED, SENT, TripDb, WAITING } from './trip-db';

/** The log of one book on this device, as it stands. */
export interface OpenLog {
  readonly book: Book;
  readonly deviceId: string;
  readonly events: readonly TripEvent[];
  /** Ids of events that the server does not have yet. */
  readonly waiting: ReadonlySet<string>;
  /** Photos that the server does not have yet. */
  readonly photos: number;
  /** Events that the server refused, with its reason. */
  readonly refused: readonly { readonly event: TripEvent; readonly why: string }[];
}

/** What is said of a trip, at its moment. */
export interface SaidOnTrip {
  readonly tripId: string;
  readonly said: NewTripEvent;
  readonly atMs: number;
}

/** Why a note could not be kept, in words. */
export class NotKept extends Error {}

const WHY_FULL = 'This device has no room left: the note was not kept. Free some room, then tap again.';
const WHY_CLOSED = 'This browser keeps nothing: the note was not kept. Leave private browsing, or allow storage.';

const isFull = (error: unknown): boolean => {
  const { name, inner } = error as { name?: string; inner?: { name?: string } };
  return name === 'QuotaExceededError' || inner?.name === 'QuotaExceededError';
};

/** Forgets all that is here of trips that were erased, photographs too, but that they were. */
async function forgetErased(db: TripDb, heard: readonly TripEvent[]): Promise<void> {
  const trips = new Set(heard.flatMap(({ kind, tripId }) => (kind === 'erase' ? [tripId] : [])));
  if (!trips.size) return;
  const gone = await db.events.filter(({ event }) => trips.has(event.tripId) && event.kind !== 'erase').toArray();
  const photos = gone.flatMap(({ event }) => ('fish' in event && event.fish?.photoId) || []);
  await db.events.bulkDelete(gone.map(({ id }) => id));
  await db.photos.bulkDelete(photos);
  await db.told.clear();
  await db.learned.clear();
}

/**
 * What happened on trips, kept in this browser's database: events are only added, each with an id of its own and the
 * device's own count, and stay until the server has them and after.
 */
@Injectable({ providedIn: 'root' })
export class TripLogService {
  private readonly books = inject(BookService);
  private readonly dbs = new Map<Book, TripDb>();
  private readonly log = new BehaviorSubject<OpenLog | null>(null);
  private readonly unopened = new BehaviorSubject<string | null>(null);

  /** The log of the open book, once it is read. */
  readonly log$: Observable<OpenLog> = this.log.pipe(filter((log) => log !== null));
  /** A mark of the trips on this device: another one whenever they are others. */
  readonly mark$: Observable<string> = this.log$.pipe(
    map(({ book, events }) => `${book} ${events.length}`),
    distinctUntilChanged(),
  );
  /** Why there is no log, in words; null where there is one. */
  readonly unopened$ = this.unopened.asObservable();
  /** How many notes and photos the server does not have yet. */
  readonly waiting$ = this.log.pipe(
    map((log) => (log ? log.waiting.size + log.photos : 0)),
    distinctUntilChanged(),
  );

  constructor() {
    this.books.book$.subscribe((book) => {
      this.log.next(null);
      void this.read(book);
    });
    inject(DestroyRef).onDestroy(() => this.dbs.forEach((db) => db.close()));
    // Another window of this browser may have noted something meanwhile.
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'visible') void this.readIfMore();
    });
  }

  get now(): OpenLog | null {
    return this.log.value;
  }

  /** Keeps an event; done when it is on the disk. @throws NotKept where it could not be kept, in words */
  async add(tripId: string, said: NewTripEvent, atMs: number): Promise<TripEvent> {
    const [kept] = await this.addAll([{ tripId, said, atMs }]);
    (performance as Partial<Performance>).mark?.('inky:kept');
    return kept as TripEvent;
  }

  /** Keeps events in their order, all or none. @throws NotKept where they could not be kept, in words */
  async addAll(all: readonly SaidOnTrip[]): Promise<TripEvent[]> {
    const open = this.log.value;
    if (!open) throw new NotKept(this.unopened.value ?? WHY_CLOSED);
    const { book, deviceId } = open;
    const db = this.db(book);
    const device = deviceName();
    let kept: TripEvent[];
    try {
      kept = await db.transaction('rw', db.events, db.facts, async () => {
        const next = Number((await db.facts.get('seq'))?.value ?? 0);
        const events = all.map(({ tripId, said, atMs }, index) => {
          const at = new Date(atMs).toISOString();
          const checked = parse(TripEvent, { ...said, id: uuid(), tripId, deviceId, device, at, seq: next + index });
          if (!checked.ok) throw new NotKept(`Not kept. ${checked.problems.map(({ message }) => message).join('; ')}.`);
          return checked.value;
        });
        await db.facts.put({ name: 'seq', value: next + events.length });
        await db.events.bulkAdd(events.map((event): KeptEvent => ({ id: event.id, event, state: WAITING })));
        return events;
      });
    } catch (error) {
      if (error instanceof NotKept) throw error;
      throw new NotKept(isFull(error) ? WHY_FULL : WHY_CLOSED, { cause: error });
    }
    this.change(book, (log) => ({
      ...log,
      events: [...log.events, ...kept],
      waiting: new Set([...log.waiting, ...kept.map(({ id }) => id)]),
    }));
    return kept;
  }

  /** Keeps a photo until the server has it. @throws NotKept where it could not be kept, in words */
  async addPhoto(photo: Blob): Promise<string> {
    const id = uuid();
    const { book } = this.books;
    try {
      await this.db(book).photos.add({ id, photo });
    } catch (error) {
      throw new NotKept(isFull(error) ? WHY_FULL : WHY_CLOSED, { cause: error });
    }
    this.change(book, (log) => ({ ...log, photos: log.photos + 1 }));
    return id;
  }

  /** A photo that the server does not have yet; nothing where it has. */
  async photo(book: Book, id: string): Promise<Blob | undefined> {
    return (await this.db(book).photos.get(id))?.photo;
  }

  photos(book: Book): Promise<{ readonly id: string; readonly photo: Blob }[]> {
    return this.db(book).photos.toArray();
  }

  async photoSent(book: Book, id: string): Promise<void> {
    await this.db(book).photos.delete(id);
    this.change(book, (log) => ({ ...log, photos: Math.max(0, log.photos - 1) }));
  }

  /** The next events that wait, in the order in which they were made. */
  async waiting(book: Book, most: number): Promise<TripEvent[]> {
    const rows = await this.db(book).events.where('state').equals(WAITING).limit(most).toArray();
    return rows.map(({ event }) => event).sort((a, b) => a.seq - b.seq);
  }

  /** The server has these now. */
  async sent(book: Book, events: readonly TripEvent[]): Promise<void> {
    await this.mark(
      book,
      events.map((event): KeptEvent => ({ id: event.id, event, state: SENT })),
    );
    const done = new Set(events.map(({ id }) => id));
    this.change(book, (log) => ({ ...log, waiting: new Set([...log.waiting].filter((id) => !done.has(id))) }));
  }

  /** The server will not have this one; it stays here, with the reason. */
  async refuse(book: Book, event: TripEvent, why: string): Promise<void> {
    await this.mark(book, [{ id: event.id, event, state: REFUSED, why }]);
    this.change(book, (log) => ({
      ...log,
      waiting: new Set([...log.waiting].filter((id) => id !== event.id)),
      refused: [...log.refused, { event, why }],
    }));
  }

  /** How far this device has heard from the server. */
  async heardUpTo(book: Book): Promise<number> {
    return Number((await this.db(book).facts.get('heard'))?.value ?? 0);
  }

  /** Keeps what other devices noted. What is here already stays as it is. */
  async addRemote(book: Book, { events, upTo }: TripNews): Promise<void> {
    const db = this.db(book);
    const known = new Set(this.log.value?.book === book ? this.log.value.events.map(({ id }) => id) : []);
    const fresh = events.filter(({ id }) => !known.has(id));
    await db.transaction('rw', [db.events, db.photos, db.facts, db.told, db.learned], async () => {
      await db.events.bulkPut(fresh.map((event): KeptEvent => ({ id: event.id, event, state: SENT })));
      await forgetErased(db, fresh);
      await db.facts.put({ name: 'heard', value: upTo });
    });
    if (fresh.some(({ kind }) => kind === 'erase')) await this.read(book);
    else if (fresh.length) this.change(book, (log) => ({ ...log, events: [...log.events, ...fresh] }));
  }

  /** How far events have come; those of a trip that was erased while they were on their way do not come back. */
  private async mark(book: Book, rows: readonly KeptEvent[]): Promise<void> {
    const { events } = this.db(book);
    await events.db.transaction('rw', events, async () => {
      const there = await events.bulkGet(rows.map(({ id }) => id));
      await events.bulkPut(rows.filter((_, at) => there[at]));
    });
  }

  private db(book: Book): TripDb {
    let db = this.dbs.get(book);
    if (!db) this.dbs.set(book, (db = new TripDb(book)));
    return db;
  }

  private change(book: Book, change: (log: OpenLog) => OpenLog): void {
    const log = this.log.value;
    if (log?.book === book) this.log.next(change(log));
  }

  private async readIfMore(): Promise<void> {
    const log = this.log.value;
    if (log && (await this.db(log.book).events.count()) !== log.events.length) await this.read(log.book);
  }

  private async read(book: Book): Promise<void> {
    try {
      const db = this.db(book);
      const deviceId = await db.transaction('rw', db.facts, async () => {
        const known = await db.facts.get('device');
        if (known) return String(known.value);
        const made = uuid();
        await db.facts.put({ name: 'device', value: made });
        return made;
      });
      const [rows, photos] = await Promise.all([db.events.toArray(), db.photos.count()]);
      // Meanwhile another book may have been opened.
      if (this.books.book !== book) return;
      this.unopened.next(null);
      this.log.next({
        book,
        deviceId,
        events: rows.map(({ event }) => event),
        photos,
        waiting: new Set(rows.flatMap(({ id, state }) => (state === WAITING ? [id] : []))),
        refused: rows.flatMap(({ event, state, why = '' }) => (state === REFUSED ? [{ event, why }] : [])),
      });
    } catch {
      this.unopened.next(
        'This browser keeps nothing, so no trip can be noted: leave private browsing, or allow storage.',
      );
    }
  }
}
