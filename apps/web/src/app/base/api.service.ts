import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { DestroyRef, inject, Injectable } from '@angular/core';
import {
  catchError,
  debounceTime,
  EMPTY,
  fromEvent,
  map,
  type Observable,
  retry,
  Subject,
  tap,
  throwError,
  timeout,
  timer,
} from 'rxjs';
import * as z from 'zod';
import type { Book } from '@inky-shoal/core';
import { deviceName } from './device';

const ProblemBody = z.object({
  detail: z.string(),
  copy: z.object({ id: z.string(), name: z.string() }).optional(),
  version: z.number().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});

/** Why a call failed: the server is away; it said no; or it cannot just now, as with a full disk; in words. */
export class ApiError extends Error {
  constructor(
    readonly kind: 'away' | 'refused' | 'unwell',
    message: string,
    readonly errors: readonly { path: string; message: string }[] = [],
    /** Where it was changed meanwhile: the second copy that was kept, and the version that stands. */
    readonly copied: { readonly id: string; readonly name: string; readonly version: number } | null = null,
  ) {
    super(message);
  }
}

/** A write that may be sent again without harm: ids are made here. */
export interface Write {
  readonly method: 'PUT' | 'PATCH' | 'DELETE' | 'POST';
  readonly path: string;
  readonly body?: unknown;
  /** The version that it was changed from, where what is changed has versions. */
  readonly from?: number;
  /** Goes past the service worker: nothing of it is cached, and it shall not hang on the worker's being woken. */
  readonly direct?: boolean;
}

/** Changes of these are read again in other windows; notes of trips have a way of their own. */
const READ_BY_VIEWS = /^\/books\/[^/]+\/(?:waters|plans|tackle)/;
/** Changes that come together are read again once. */
const CHANGES_SETTLE_MS = 250;

/** What the windows of this browser tell each other by; null where it has none. */
const openWindows = (): BroadcastChannel | null =>
  'BroadcastChannel' in globalThis ? new BroadcastChannel('inky-changed') : null;

const ANSWER_WITHIN_MS = 8000;
/** A chart is large, and a line may be slow. */
const TAKEN_WITHIN_MS = 120_000;

function apiError(error: unknown): ApiError {
  if (error instanceof HttpErrorResponse && error.status > 0 && error.status < 500) {
    const problem = ProblemBody.safeParse(error.error);
    return new ApiError(
      'refused',
      problem.data?.detail ?? `The server refused this (${error.status}).`,
      problem.data?.errors,
      problem.data?.copy ? { ...problem.data.copy, version: problem.data.version ?? 1 } : null,
    );
  }
  // The server says itself what ails it: its disk is full, its book is held by another program.
  const unwell = error instanceof HttpErrorResponse && error.status >= 500 && ProblemBody.safeParse(error.error);
  if (unwell && unwell.success) return new ApiError('unwell', unwell.data.detail);
  return new ApiError('away', 'The server does not answer.');
}

/** Where the server gives a photo of a book. */
export const photoAddress = (book: Book, id: string): string => `/api/books/${book}/photos/${id}`;

/** Calls the server and checks what comes back. */
@Injectable({ providedIn: 'root' })
export class ApiService {
  private readonly http = inject(HttpClient);
  private readonly away = new Subject<void>();

  /** A call found the server away. */
  readonly away$ = this.away.asObservable();

  private readonly windows = openWindows();
  /** Another window of this browser has changed something of a book: what was read before is old. */
  readonly changedElsewhere$: Observable<unknown> = this.windows
    ? fromEvent(this.windows, 'message').pipe(debounceTime(CHANGES_SETTLE_MS))
    : EMPTY;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.windows?.close());
  }

  /** Reads a resource; a server that is briefly away is asked twice more. */
  get<T extends z.ZodType>(path: string, schema: T, withinMs = ANSWER_WITHIN_MS): Observable<z.output<T>> {
    return this.asked(this.http.get(`/api${path}`), withinMs).pipe(map((body) => schema.parse(body)));
  }

  /** Reads a resource that is no JSON, in the same way. */
  bytes(path: string): Observable<Uint8Array> {
    return this.asked(this.http.get(`/api${path}`, { responseType: 'arraybuffer' })).pipe(
      map((body) => new Uint8Array(body)),
    );
  }

  private asked<T>(answer: Observable<T>, withinMs = ANSWER_WITHIN_MS): Observable<T> {
    return answer.pipe(
      timeout(withinMs),
      retry({
        count: 2,
        delay: (error, attempt) => (apiError(error).kind === 'away' ? timer(250 * attempt) : throwError(() => error)),
      }),
      catchError((error: unknown) => this.fail(error)),
    );
  }

  send({ method, path, body, from, direct }: Write, withinMs = ANSWER_WITHIN_MS): Observable<unknown> {
    const headers = {
      'x-inky-device': encodeURIComponent(deviceName()),
      ...(from === undefined ? {} : { 'x-inky-changed-from': String(from) }),
      ...(direct ? { 'ngsw-bypass': '1' } : {}),
    };
    return this.http.request(method, `/api${path}`, { body, headers }).pipe(
      timeout(withinMs),
      tap(() => {
        if (READ_BY_VIEWS.test(path)) this.windows?.postMessage(path);
      }),
      catchError((error: unknown) => this.fail(error)),
    );
  }

  /** Sends what is no JSON. */
  putBytes(path: string, bytes: Uint8Array): Observable<unknown> {
    const type = 'application/octet-stream';
    return this.putFile(path, new Blob([bytes as Uint8Array<ArrayBuffer>], { type }), type);
  }

  /** Sends a file. */
  putFile(path: string, file: Blob, type: string, withinMs = TAKEN_WITHIN_MS): Observable<unknown> {
    return this.http.put(`/api${path}`, file, { headers: { 'content-type': type } }).pipe(
      timeout(withinMs),
      catchError((error: unknown) => this.fail(error)),
    );
  }

  private fail(error: unknown): Observable<never> {
    const told = apiError(error);
    if (told.kind === 'away') this.away.next();
    return throwError(() => told);
  }
}
