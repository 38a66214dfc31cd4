import { inject, Injectable } from '@angular/core';
import { BinEntry, HistoryEntry, SetAside, type HistoryKind } from '@inky-shoal/core';
import { BehaviorSubject, combineLatest, type Observable, shareReplay, switchMap, tap } from 'rxjs';
import * as z from 'zod';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { ConnectionService } from '../base/connection.service';
import { loading, type Loaded } from '../base/loaded';

const Backup = z.object({
  name: z.string(),
  at: z.string(),
  reason: z.enum(['daily', 'asked', 'before-import', 'before-migration', 'before-restore']),
  bytes: z.number(),
});
export type Backup = z.infer<typeof Backup>;
const Backups = z.object({ folder: z.string(), backups: z.array(Backup) });
export type Backups = z.infer<typeof Backups>;
const Counts = z.record(z.string(), z.number());
const Compared = z.object({ now: Counts, then: Counts });
export type Compared = z.infer<typeof Compared>;

/** A book is copied, or read in, within this. */
const WITHIN_MS = 300_000;

/** Backups of the open book, its archive, its history and its bin. */
@Injectable({ providedIn: 'root' })
export class BackupsService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly changed = new BehaviorSubject(null);
  private readonly reload$ = combineLatest([this.books.book$, this.changed, inject(ConnectionService).reachable$]);

  readonly backups$ = this.read('/backups', Backups);
  /** What was done lately, latest first. */
  readonly history$ = this.read('/history', z.array(HistoryEntry));
  readonly bin$ = this.read('/bin', z.array(BinEntry));
  /** What was found damaged. */
  readonly setAside$ = this.read('/set-aside', z.array(SetAside));

  /** Where the open book's archive is fetched. */
  get archiveAddress(): string {
    return `/api${this.path('/archive')}`;
  }

  make(): Observable<unknown> {
    return this.done(this.api.send({ method: 'POST', path: this.path('/backups'), body: {} }, WITHIN_MS));
  }

  compare(name: string): Observable<Compared> {
    return this.api.get(this.path(`/backups/${name}`), Compared);
  }

  restore(name: string): Observable<unknown> {
    return this.done(
      this.api.send({ method: 'POST', path: this.path(`/backups/${name}/restore`), body: {} }, WITHIN_MS),
    );
  }

  importArchive(archive: Blob): Observable<unknown> {
    return this.done(this.api.putFile(this.path('/archive'), archive, 'application/zip', WITHIN_MS));
  }

  bringBack({ entry }: HistoryEntry): Observable<unknown> {
    return this.done(this.api.send({ method: 'POST', path: this.path(`/history/${entry}`), body: {} }));
  }

  takeOut({ kind, id }: BinEntry): Observable<unknown> {
    return this.done(this.api.send({ method: 'POST', path: this.inBin(kind, id), body: {} }));
  }

  erase({ kind, id }: BinEntry): Observable<unknown> {
    return this.done(this.api.send({ method: 'DELETE', path: this.inBin(kind, id) }));
  }

  bringBackDamaged({ row }: SetAside): Observable<unknown> {
    return this.done(this.api.send({ method: 'POST', path: this.path(`/set-aside/${row}`), body: {} }));
  }

  forgetDamaged({ row }: SetAside): Observable<unknown> {
    return this.done(this.api.send({ method: 'DELETE', path: this.path(`/set-aside/${row}`) }));
  }

  /** Erases a trip from the bin: at the server, and from there on every device. */
  eraseTrip(tripId: string): Observable<unknown> {
    return this.done(this.api.send({ method: 'DELETE', path: this.path(`/bin/trip/${tripId}`) }));
  }

  private inBin(kind: HistoryKind, id: string): string {
    return this.path(`/bin/${kind}/${id}`);
  }

  private path(of: string): string {
    return `/books/${this.books.book}${of}`;
  }

  private read<T extends z.ZodType>(of: string, shape: T): Observable<Loaded<z.output<T>>> {
    return this.reload$.pipe(
      switchMap(() => loading(this.api.get(this.path(of), shape))),
      shareReplay({ bufferSize: 1, refCount: true }),
    );
  }

  /** What changes a book has everything of it read anew. */
  private done(work: Observable<unknown>): Observable<unknown> {
    return work.pipe(
      tap(() => {
        this.changed.next(null);
        this.books.reload();
      }),
    );
  }
}
