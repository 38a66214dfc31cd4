import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { capital, type UnitSystem } from '@inky-shoal/core';
import type { Trip } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { TripService } from './trip.service';
import { eventWords, sayTime, SEEN_NAMES } from './underway-words';

const BAIT_ANSWERS = ['flicking', 'chased', 'schooled-deep', 'following-the-lure', 'at-the-surface'] as const;
const BIRD_NAMES = { 'birds-diving': 'dive', 'birds-on-bank': 'stand' } as const;

/** The last note over the targets, to be taken back, with what it leaves open: asked after it, and as well left. */
@Component({
  selector: 'inky-last-note',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  templateUrl: './last-note.component.html',
  styleUrl: './last-note.component.css',
})
export class LastNoteComponent {
  protected readonly trips = inject(TripService);

  readonly trip = input.required<Trip>();
  readonly units = input.required<UnitSystem>();
  readonly undone = output();

  private readonly event = toSignal(this.trips.last$, { initialValue: null });
  /** It as it stands, with what was said of it since. */
  private readonly note = computed(() => this.trip().notes.find(({ event }) => event.id === this.event()?.id));

  protected readonly last = computed(() => {
    const event = this.event();
    if (!event) return null;
    const note = this.note();
    const standing = note?.event.kind === 'contact' ? note.event : null;
    const time = sayTime(note?.atMs ?? Date.parse(event.at), this.trip().begin.place?.timeZone);
    return {
      id: event.id,
      words: `${capital(eventWords(event, this.units()))}, ${time}`,
      bite: event.kind === 'contact' && event.what !== 'follow',
      atBoat: standing?.atBoat ?? false,
    };
  });

  /** What the bait did, what the birds did. */
  protected readonly asks = computed(() => {
    const note = this.note()?.event;
    if (note?.kind === 'bait' && !note.seen) {
      return {
        id: note.id,
        words: 'It was',
        answers: BAIT_ANSWERS.map((seen) => ({ name: SEEN_NAMES[seen], said: { seen } })),
      };
    }
    if (note?.kind === 'birds') {
      const other = note.sign === 'birds-diving' ? ('birds-on-bank' as const) : ('birds-diving' as const);
      return { id: note.id, words: 'Or they', answers: [{ name: BIRD_NAMES[other], said: { sign: other } }] };
    }
    return null;
  });

  protected undo(): void {
    this.undone.emit();
    void this.trips.undo();
  }
}
