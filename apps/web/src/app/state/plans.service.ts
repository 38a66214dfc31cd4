import { inject, Injectable } from '@angular/core';
import { SavedPlan, SavedPlanSummary, type Conditions } from '@inky-shoal/core';
import { combineLatest, merge, type Observable, shareReplay, Subject, switchMap, tap } from 'rxjs';
import * as z from 'zod';
import { ApiService, type Write } from './api.service';
import { BookService } from './book.service';
import { ConnectionService } from './connection.service';
import { loading, type Loaded } from './loaded';
import { OutboxService } from './outbox.service';
import { SettingsService } from './settings.service';

/** Saved plans of the open book. */
@Injectable({ providedIn: 'root' })
export class PlansService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly outbox = inject(OutboxService);
  private readonly settings = inject(SettingsService);
  private readonly changed = new Subject<void>();

  readonly plans$: Observable<Loaded<SavedPlanSummary[]>> = combineLatest([
    this.books.book$,
    merge(this.changed, this.outbox.delivered$, inject(ConnectionService).there$),
  ]).pipe(
    switchMap(([book]) => loading(this.api.get(`/books/${book}/plans`, z.array(SavedPlanSummary)))),
    shareReplay(1),
  );

  get(id: string): Observable<SavedPlan> {
    return this.api.get(`/books/${this.books.book}/plans/${id}`, SavedPlan);
  }

  reload(): void {
    this.changed.next();
  }

  save(id: string, name: string, waterId: string | null, conditions: Conditions): Observable<'sent' | 'waiting'> {
    return this.write({
      method: 'PUT',
      path: this.path(id),
      body: { name, waterId, units: this.settings.units, conditions },
    });
  }

  rename(id: string, name: string): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'PATCH', path: this.path(id), body: { name } });
  }

  remove(id: string): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'DELETE', path: this.path(id) });
  }

  restore(id: string): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'POST', path: `${this.path(id)}/restore`, body: {} });
  }

  private path(id: string): string {
    return `/books/${this.books.book}/plans/${id}`;
  }

  private write(write: Write): Observable<'sent' | 'waiting'> {
    return this.outbox.send(write).pipe(tap(() => this.changed.next()));
  }
}
