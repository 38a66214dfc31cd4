import { inject, Injectable } from '@angular/core';
import { SavedPlan, SavedPlanSummary, type Conditions, type PlanDraft, type Run } from '@inky-shoal/core';
import { combineLatest, map, merge, type Observable, shareReplay, Subject, switchMap, tap } from 'rxjs';
import * as z from 'zod';
import { ApiService, type Write } from '../base/api.service';
import { BookService } from '../base/book.service';
import { ConnectionService } from '../base/connection.service';
import { loading, type Loaded } from '../base/loaded';
import { OutboxService } from '../base/outbox.service';
import { SettingsService } from '../base/settings.service';

/** How a plan was saved: in which version, or as which second copy; neither is known while it waits for the server. */
export interface PlanSaved {
  readonly state: 'sent' | 'waiting';
  readonly version: number | undefined;
  readonly copy?: { readonly id: string; readonly name: string };
}

export interface PlanToSave {
  readonly id: string;
  readonly name: string;
  readonly waterId: string | null;
  readonly conditions: Conditions;
  readonly run: Run | undefined;
  /** The plan as the record would have it; without it the planner's own is saved. */
  readonly byRecord: PlanDraft['byRecord'];
  /** The version it was opened in, where it was saved before. */
  readonly from: number | undefined;
}

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
    merge(this.changed, this.outbox.delivered$, inject(ConnectionService).reachable$),
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

  /** Saves a plan, made anew or in the place of what it was. */
  save({ id, from, ...plan }: PlanToSave): Observable<PlanSaved> {
    const body = { ...plan, units: this.settings.units };
    return this.outbox.ask({ method: 'PUT', path: this.path(id), body, from }).pipe(
      map(({ state, body: answer, copy }) => ({ state, copy, version: SavedPlan.safeParse(answer).data?.version })),
      tap(() => this.changed.next()),
    );
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
