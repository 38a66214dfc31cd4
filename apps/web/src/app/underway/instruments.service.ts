import { inject, Injectable } from '@angular/core';
import { parse } from '@inky-shoal/core';
import { InstrumentNews, InstrumentsAddress, type Heard } from '@inky-shoal/core/formats/nmea';
import type { Sensed } from '@inky-shoal/core/underway';
import { combineLatest, map, Observable, scan, shareReplay, startWith, switchMap, tap, timer } from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import type { KeptAddress } from '../base/loaded';
import { PositionService } from '../base/position.service';

export type LineNews = Extract<InstrumentNews, { kind: 'line' }>;

/** A figure that was heard, and when by this device's clock. */
export interface HeardAt<K extends Heard['kind'] = Heard['kind']> {
  readonly heard: Extract<Heard, { kind: K }>;
  readonly atMs: number;
}

/** What is known from instruments, or from the browser where there are none. */
export interface Instruments {
  /** How the line to the instruments stands; null until the server has said so. */
  readonly line: LineNews | null;
  readonly heard: { readonly [K in Heard['kind']]?: HeardAt<K> };
  /** Where the browser says that one is, with when it did; why it does not. */
  readonly browser: { readonly lonLat: readonly [number, number]; readonly atMs: number } | null;
  readonly browserWhy: string | null;
  readonly nowMs: number;
}

/** Older than this, what was heard is stale: it is shown as such, and goes into no note. */
export const STALE_MS = 15_000;
const TICK_MS = 2000;

export const isStale = (atMs: number, nowMs: number): boolean => nowMs - atMs > STALE_MS;

/** What is fresh enough to go into a note; undefined where nothing is. */
export function sensedOf(
  { heard, browser }: Pick<Instruments, 'heard' | 'browser'>,
  nowMs: number,
): Sensed | undefined {
  const fresh = <T extends { atMs: number }>(each: T | null | undefined): T | null =>
    each && !isStale(each.atMs, nowMs) ? each : null;
  const position = fresh(heard.position)?.heard.lonLat;
  const [depth, temp, motion] = [fresh(heard.depth), fresh(heard['water-temp']), fresh(heard.motion)];
  if (!position && !depth && !temp && !motion) {
    const own = fresh(browser);
    return own ? { from: 'browser', lonLat: [...own.lonLat] } : undefined;
  }
  const where = position ?? fresh(browser)?.lonLat;
  return {
    from: 'instruments',
    lonLat: where && [where[0], where[1]],
    depthM: depth?.heard.depthM,
    surfaceTempC: temp?.heard.tempC,
    speedMps: motion?.heard.speedMps,
  };
}

type Change = (before: Omit<Instruments, 'nowMs'>) => Omit<Instruments, 'nowMs'>;
const NOTHING: Omit<Instruments, 'nowMs'> = { line: null, heard: {}, browser: null, browserWhy: null };

/** The boat's instruments as the server hears them, and the browser's own position beside them. */
@Injectable({ providedIn: 'root' })
export class InstrumentsService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly position = inject(PositionService);
  private latest: Omit<Instruments, 'nowMs'> = NOTHING;

  /** Instruments while somebody watches: the line is opened for the first and closed after the last. */
  readonly now$: Observable<Instruments> = combineLatest([
    this.books.book$.pipe(
      switchMap((book) => this.changes(book)),
      scan((before, change) => change(before), NOTHING),
      startWith(NOTHING),
      tap((latest) => (this.latest = latest)),
    ),
    timer(0, TICK_MS),
  ]).pipe(
    map(([known]) => ({ ...known, nowMs: Date.now() })),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** What goes into a note that is made now. */
  sensed(): Sensed | undefined {
    return sensedOf(this.latest, Date.now());
  }

  address(): Observable<KeptAddress> {
    return this.api
      .get(`/books/${this.books.book}/instruments`, InstrumentsAddress)
      .pipe(map(({ address, privateNetwork = false }) => ({ address, privateNetwork })));
  }

  setAddress(body: KeptAddress): Observable<unknown> {
    return this.api.send({ method: 'PUT', path: `/books/${this.books.book}/instruments`, body });
  }

  private changes(book: string): Observable<Change> {
    return new Observable<Change>((listener) => {
      // The worker that keeps the page must not hold a line that never ends.
      const source = new EventSource(`/api/books/${book}/instruments/stream?ngsw-bypass=1`);
      source.onmessage = ({ data }: MessageEvent<string>) => {
        const news = parse(InstrumentNews, JSON.parse(data));
        if (!news.ok) return;
        const told = news.value;
        if (told.kind === 'line') return listener.next((before) => ({ ...before, line: told }));
        // When it was heard is told by the server's clock; how old it is counts from when it came here.
        const heard = { heard: told.heard, atMs: Date.now() };
        return listener.next((before) => ({ ...before, heard: { ...before.heard, [told.heard.kind]: heard } }));
      };
      const own = this.position.follow().subscribe({
        next: ({ lonLat }) =>
          listener.next((before) => ({ ...before, browser: { lonLat, atMs: Date.now() }, browserWhy: null })),
        error: ({ message }: Error) => listener.next((before) => ({ ...before, browserWhy: message })),
      });
      return () => {
        source.close();
        own.unsubscribe();
      };
    });
  }
}
