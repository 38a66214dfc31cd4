import { ViewportScroller } from '@angular/common';
import { afterNextRender, ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import type { UnitSystem } from '@inky-shoal/core';
import { reviewOf, type Trip } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import { NoticeService } from '../base/notice.service';
import { FieldComponent } from '../ui/field.component';
import { TripYieldService, yieldOf } from './trip-yield.service';
import { TripService } from './trip.service';
import { TripLogComponent } from './trip-log.component';

/** After the last cast: what was planned, done and found, and a word of one's own; saved with the trip. */
@Component({
  selector: 'inky-trip-review',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, ReactiveFormsModule, Textarea, TripLogComponent],
  template: `
    @for (part of parts(); track part.name) {
      <section>
        <h2>{{ part.name }}</h2>
        <ul>
          @for (line of part.lines; track $index) {
            <li>{{ line }}</li>
          }
        </ul>
      </section>
    }
    @if (trip().review; as kept) {
      @if (kept.note) {
        <section>
          <h2>In your words</h2>
          <p>{{ kept.note }}</p>
        </section>
      }
    } @else {
      <inky-field fieldId="review-note" label="In your words">
        <textarea pTextarea id="review-note" rows="3" maxlength="2000" [formControl]="note"></textarea>
      </inky-field>
      @if (toWater(); as words) {
        <p class="quiet">{{ words }}</p>
      }
      <div class="acts">
        <button pButton type="button" (click)="save()">Save the review</button>
        <button pButton text type="button" (click)="goOn()">Not over yet</button>
      </div>
    }
    <inky-trip-log
      [trip]="trip()"
      [units]="units()"
      [done]="trip().review !== null && !edited()"
      [sizes]="edited()"
      (fishWanted)="fishWanted.emit($event)"
    />
  `,
  styles: `
    :host {
      display: block;
      max-width: 40rem;
    }
    section {
      margin-bottom: 1.25rem;
    }
    ul {
      margin: 0.25rem 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 0.2rem 0;
    }
    .acts {
      display: flex;
      gap: 1rem;
      margin: 0.75rem 0 1.5rem;
    }
  `,
})
export class TripReviewComponent {
  private readonly trips = inject(TripService);
  private readonly found = inject(TripYieldService);
  private readonly notices = inject(NoticeService);

  constructor() {
    // What was found stands first, wherever one had come to before.
    const scroller = inject(ViewportScroller);
    afterNextRender(() => scroller.scrollToPosition([0, 0]));
  }

  readonly trip = input.required<Trip>();
  readonly units = input.required<UnitSystem>();
  /** Its notes are put right afterwards. */
  readonly edited = input(false);
  /** More is to be said of a fish: the id of its note. */
  readonly fishWanted = output<string>();
  protected readonly note = new FormControl('', { nonNullable: true });
  protected readonly parts = computed(() => {
    const trip = this.trip();
    // What was written down afterwards was never told then: it is told from its notes.
    const told = trip.begin.afterwards ? undefined : trip.review?.review;
    const { planned, done, found } = told ?? reviewOf(trip, this.trips.nowOf(trip), this.units());
    return [
      { name: 'Found', lines: found },
      { name: 'Done', lines: done },
      { name: 'Planned', lines: planned },
    ];
  });

  /** What goes to the water's record and chart with the review. */
  protected readonly toWater = computed(() => {
    const { begin } = this.trip();
    const { readings, marks } = yieldOf(this.trip());
    const parts = [
      readings.length ? `${readings.length} ${readings.length === 1 ? 'reading' : 'readings'} to its record` : null,
      marks.length ? `${marks.length} ${marks.length === 1 ? 'mark' : 'marks'} to its chart` : null,
    ].filter((part) => part !== null);
    return begin.waterId && parts.length ? `With it go to the water: ${parts.join(', ')}.` : null;
  });

  protected save(): void {
    const trip = this.trip();
    void this.trips.saveReview(trip, this.note.value).then(() =>
      this.found.applyToWater(trip).subscribe({
        error: (error: Error) => this.notices.say(`The review is saved; its water was not told. ${error.message}`),
      }),
    );
  }

  protected goOn(): void {
    void this.trips.resume();
  }
}
