import { DestroyRef, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Book } from '@inky-shoal/core';
import { TripNews, type TripEvent } from '@inky-shoal/core/underway';
import {
  combineLatest,
  debounceTime,
  exhaustMap,
  filter,
  firstValueFrom,
  from,
  merge,
  type Observable,
  startWith,
  switchMap,
  timer,
  withLatestFrom,
} from 'rxjs';
import { ApiError, ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { ConnectionService } from '../base/connection.service';
import { NoticeService } from '../base/notice.service';
import { TripLogService } from './trip-log.service';

/** Events that go at once: the most, and the fewest to which a slow line brings it. */
const BATCH = 2000;
const MIN_BATCH = 50;
/** A batch may take so long on a slow line. */
const SENT_WITHIN_MS = 30_000;
/** Events that are read from the device at once. */
const MAX_READ = 20_000;
/** Taps that follow one another go together. */
const SETTLED_MS = 400;
/** So often what still waits is tried again, whatever the line seems to be like. */
const AGAIN_MS = 4000;
/** So often one listens to what other devices noted. */
const LISTEN_MS = 20_000;

/**
 * Brings the log to the server and what other devices noted here. Events have ids of their own, so whatever is cut
 * where, sending again changes nothing; they count as sent only when the server has said so.
 */
@Injectable({ providedIn: 'root' })
export class TripSyncService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly log = inject(TripLogService);
  private readonly connection = inject(ConnectionService);
  private readonly notices = inject(NoticeService);

  /** The page goes away: what fails now fails with it. */
  private over = false;
  /** Events that go at once at present. */
  private batch = BATCH;
  /** Batches that the server has, until the device has noted it. */
  private marked: Promise<unknown> = Promise.resolve();

  constructor() {
    const seen$ = timer(LISTEN_MS, LISTEN_MS).pipe(filter(() => document.visibilityState === 'visible'));
    const waits$ = merge(
      this.log.waiting$.pipe(filter(Boolean), debounceTime(SETTLED_MS)),
      timer(AGAIN_MS, AGAIN_MS).pipe(
        withLatestFrom(this.log.waiting$),
        filter(([, waiting]) => waiting > 0),
      ),
    );
    // Neither waits for the other, and neither for a call that hangs on a line that was lost: back, it begins anew.
    const begins$ = combineLatest([this.connection.reachable$, this.books.book$]);
    const whenever = (what$: Observable<unknown>, work: (book: Book) => Promise<void>) =>
      begins$.pipe(
        switchMap(() =>
          what$.pipe(
            startWith(null),
            exhaustMap(() => from(this.exchange(work))),
          ),
        ),
        takeUntilDestroyed(),
      );
    whenever(waits$, (book) => this.send(book)).subscribe();
    whenever(seen$, (book) => this.listen(book)).subscribe();
    inject(DestroyRef).onDestroy(() => (this.over = true));
  }

  private async exchange(work: (book: Book) => Promise<void>): Promise<void> {
    // Only what is read already can be told apart from what is new.
    const { book } = await firstValueFrom(this.log.log$);
    try {
      await work(book);
    } catch (error) {
      // Away, or the device's store failed: what waits stays, and is tried again.
      if (!(error instanceof ApiError) && !this.over) {
        this.notices.say(
          'This device could not read or write its notes just now. They stay here, and are tried again.',
        );
      }
    }
  }

  private async send(book: Book): Promise<void> {
    // A photo is large and a line may be slow: the notes do not wait for it.
    await this.sendWaiting(book);
    await this.sendPhotos(book);
  }

  private async sendWaiting(book: Book): Promise<void> {
    const events = await this.log.waiting(book, MAX_READ);
    try {
      for (let from = 0; from < events.length; from += this.batch) {
        await this.sendBatch(book, events.slice(from, from + this.batch));
      }
      this.batch = BATCH;
    } catch (error) {
      // Who knows what was too much for the line: the next try carries less.
      this.batch = Math.max(MIN_BATCH, Math.floor(this.batch / 4));
      throw error;
    } finally {
      const { marked } = this;
      this.marked = Promise.resolve();
      await marked;
    }
  }

  private async listen(book: Book): Promise<void> {
    for (let more = true; more;) {
      const heard = await this.log.heardUpTo(book);
      const news = await firstValueFrom(this.api.get(`/books/${book}/trip-events?after=${heard}`, TripNews));
      if (news.events.length) await this.log.addRemote(book, news);
      ({ more } = news);
    }
  }

  /** Sends events; a batch that is refused is halved until the one is found that the server will not have. */
  private async sendBatch(book: Book, events: readonly TripEvent[]): Promise<void> {
    try {
      await firstValueFrom(
        this.api.send(
          { method: 'POST', path: `/books/${book}/trip-events`, body: events, direct: true },
          SENT_WITHIN_MS,
        ),
      );
      // The next batch goes while the device notes that this one is there.
      this.marked = Promise.all([this.marked, this.log.sent(book, events)]);
    } catch (error) {
      const [only] = events;
      if (!(error instanceof ApiError) || error.kind === 'away' || !only) throw error;
      if (events.length === 1) return this.log.refuse(book, only, error.message);
      const half = Math.ceil(events.length / 2);
      await this.sendBatch(book, events.slice(0, half));
      await this.sendBatch(book, events.slice(half));
    }
  }

  private async sendPhotos(book: Book): Promise<void> {
    for (const { id, photo } of await this.log.photos(book)) {
      const bytes = new Uint8Array(await photo.arrayBuffer());
      try {
        await firstValueFrom(this.api.putBytes(`/books/${book}/photos/${id}`, bytes));
      } catch (error) {
        if (!(error instanceof ApiError) || error.kind === 'away') throw error;
        // A file that is no photo is refused for good: the fish stays without.
      }
      await this.log.photoSent(book, id);
    }
  }
}
