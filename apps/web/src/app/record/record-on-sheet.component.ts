import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { capital } from '@inky-shoal/core';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { catchError, combineLatest, map, of, switchMap } from 'rxjs';
import { FoldComponent } from '../ui/fold.component';
import { LikeDaysComponent } from '../log/like-days.component';
import { DayService } from '../sheet/day.service';
import type { RecordedDay } from './record-api';
import { RecordService } from './record.service';
import { changedWords, movedWords, restsOn } from './record-words';

/** What is told of the record at once; the rest is in its list. */
const MOST_MOVED = 8;

/** Whether and how far the angler's own trips move the plan, the plan without them a press away. */
@Component({
  selector: 'inky-record-on-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FoldComponent, LikeDaysComponent, RouterLink],
  template: `
    @if (told(); as told) {
      <section aria-labelledby="record">
        <h2 id="record">Your record</h2>
        <p aria-live="polite">
          {{ told.words }}
          <button pButton text type="button" class="no-print" (click)="turn()">
            {{ byRecord() ? 'Plan without it' : 'Plan with it' }}
          </button>
          <a class="no-print" routerLink="/log/taught">All that it taught</a>
        </p>
        @if (told.moved.length) {
          <inky-fold label="What it moved">
            <ul>
              @for (line of told.moved; track line) {
                <li>{{ line }}</li>
              }
            </ul>
          </inky-fold>
        }
        <inky-fold class="no-print" label="Days like this one" [(open)]="likeOpen">
          @defer (when likeOpen()) {
            <inky-like-days />
          }
        </inky-fold>
      </section>
    }
  `,
  styles: `
    section {
      margin: 0 0 1rem;
    }
    h2 {
      font-size: 1rem;
      font-style: italic;
      font-weight: 400;
    }
    ul {
      margin: 0 0 0.5rem;
      padding-left: 1.25rem;
    }
    p button {
      padding-left: 0;
    }
  `,
})
export class RecordOnSheetComponent {
  /** The window that is read. */
  readonly windowId = input.required<string>();

  private readonly record = inject(RecordService);
  private readonly day = inject(DayService);
  /** Whether the water on the sheet is planned by the record. */
  protected readonly byRecord = toSignal(
    combineLatest([this.record.leans$, this.record.off$, this.day.draft$]).pipe(
      map(([leans, off, draft]) => leans && !off.includes(draft?.waterId ?? '')),
    ),
    { initialValue: true },
  );
  private readonly waterId = toSignal(this.day.draft$.pipe(map((draft) => draft?.waterId ?? null)), {
    initialValue: null,
  });
  protected readonly likeOpen = signal(false);
  private readonly found = toSignal(
    this.day.conditions$.pipe(
      // A help: where it cannot be worked out the sheet goes on without it.
      switchMap((conditions) => this.record.of(conditions).pipe(catchError(() => of(null)))),
    ),
    { initialValue: null },
  );

  protected readonly told = computed(() => {
    const found = this.found();
    return found && { words: this.words(found), moved: found.moved.slice(0, MOST_MOVED).map(movedWords).map(capital) };
  });

  constructor() {
    effect(() => {
      const { record } = this;
      this.day.leanOn(
        this.byRecord()
          ? (conditions) => record.of(conditions).pipe(map((found) => found && { ...found.day, record: found.version }))
          : null,
      );
    });
  }

  private words({ day, shipped, version: { trips, hours } }: RecordedDay): string {
    const rests = restsOn(trips, hours);
    const changed = changedWords(day.plan, shipped, this.windowId());
    if (!changed) return `${rests}. Of this window it changes no first choice.`;
    return this.byRecord()
      ? `${rests}: they put ${changed}. What others would do, and what would tip it, is told without them.`
      : `${rests}. They would put ${changed}.`;
  }

  protected turn(): void {
    const waterId = this.waterId();
    const leans = !this.byRecord();
    this.record.leanOn(leans);
    if (leans && waterId) this.record.leaveOff(waterId, false);
  }
}
