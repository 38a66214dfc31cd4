import { inject, Injectable } from '@angular/core';
import { BehaviorSubject, catchError, distinctUntilChanged, exhaustMap, filter, map, of, timer } from 'rxjs';
import * as z from 'zod';
import { ApiService } from './api.service';

const HEARTBEAT_MS = 3000;

/** Knows whether the server answers: asks every few seconds while the page is seen, and at once when a call failed. */
@Injectable({ providedIn: 'root' })
export class ConnectionService {
  private readonly api = inject(ApiService);
  private readonly answers = new BehaviorSubject(true);

  readonly online$ = this.answers.pipe(distinctUntilChanged());
  /** Emits at the beginning and whenever the server is back: what was read before may be old, or missing. */
  readonly reachable$ = this.online$.pipe(filter(Boolean));
  /** Emits whenever the server is back, and not at the beginning. */
  readonly back$ = this.online$.pipe(filter((online, index) => online && index > 0));

  constructor() {
    this.api.away$.subscribe(() => this.lost());
    timer(HEARTBEAT_MS, HEARTBEAT_MS)
      .pipe(
        filter(() => document.visibilityState === 'visible'),
        exhaustMap(() =>
          this.api.get('/health', z.object({ status: z.literal('ok') })).pipe(
            map(() => true),
            catchError(() => of(false)),
          ),
        ),
      )
      .subscribe((answers) => (answers ? this.found() : this.lost()));
  }

  /** A call found the server there. */
  found(): void {
    this.answers.next(true);
  }

  /** A call found the server away. */
  lost(): void {
    this.answers.next(false);
  }
}
