import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { minutesOf } from '@inky-shoal/core';
import { activeMs, dayClock, sayStretch, type Trip } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { ConnectionService } from '../base/connection.service';
import { NoticeService } from '../base/notice.service';
import { type Look, SettingsService } from '../base/settings.service';
import { TripLogService } from './trip-log.service';
import { TripSyncService } from './trip-sync.service';
import { TripService } from './trip.service';
import { TripReviewComponent } from './review.component';
import { TripStartComponent } from './start.component';
import { TripComponent } from './trip.component';

/** The sun is bright so long after it rose, and the day still dark so long before. */
const BRIGHT_AFTER_MIN = 45;
const DARK_BEFORE_MIN = 30;

/** Underway: set out, fish, look back. */
@Component({
  selector: 'inky-underway',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, TripComponent, TripReviewComponent, TripStartComponent],
  templateUrl: './underway.view.html',
  styleUrl: './underway.view.css',
})
export class UnderwayView {
  private readonly service = inject(TripService);
  private readonly settings = inject(SettingsService);
  private readonly logs = inject(TripLogService);
  private readonly online = toSignal(inject(ConnectionService).online$, { initialValue: true });

  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  private readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly log = toSignal(this.logs.log$, { initialValue: null });
  protected readonly unopened = toSignal(this.logs.unopened$, { initialValue: null });
  protected readonly trips = toSignal(this.service.trips$, { initialValue: [] });
  protected readonly trip = toSignal(this.service.trip$, { initialValue: null });
  protected readonly nowMs = toSignal(this.service.nowMs$, { initialValue: Date.now() });

  private readonly notices = inject(NoticeService);
  private readonly day = toSignal(this.service.day$, { initialValue: null });

  /** A trip before that is read again. */
  protected readonly openedId = signal<string | null>(null);
  protected readonly opened = computed(() => this.trips().find(({ id }) => id === this.openedId()) ?? null);
  protected readonly declined = signal<Look | null>(null);

  /** Into the bin: it can be taken back here, and for ninety days there. */
  protected remove(trip: Trip): void {
    this.openedId.set(null);
    void this.service.remove(trip).then((removal) => {
      if (removal) this.notices.say(`${trip.begin.name} is in the bin.`, () => void this.service.putBack(trip));
    });
  }

  /** Where the notes are: all at the server, on their way, or here. */
  protected readonly syncWords = computed(() => {
    const { waiting, photos } = this.log() ?? { waiting: new Set(), photos: 0 };
    const counted = (n: number, what: string) => (n ? [`${n} ${what}${n === 1 ? '' : 's'}`] : []);
    const notes = [...counted(waiting.size, 'note'), ...counted(photos, 'photo')].join(' and ');
    if (!this.online()) return notes ? `No signal. ${notes} kept here.` : 'No signal. Nothing waits.';
    return notes ? `Sending ${notes}.` : 'All sent.';
  });

  constructor() {
    // Whoever looks at trips has them exchanged.
    inject(TripSyncService);
  }

  protected title(trip: Trip): string {
    if (trip.state === 'over') return `${trip.begin.name}: looking back`;
    const stretch = sayStretch(activeMs(trip, trip.startMs, trip.stoppedMs ?? this.nowMs()));
    return `${trip.state === 'paused' ? 'Paused' : 'Underway'} ${stretch}`;
  }

  /** The look that suits the hour, where another is worn: black on white under the sun, dim before it. */
  protected lookOffered(trip: Trip): Look | null {
    const { sunrise, sunset } = this.day() ?? {};
    if (!sunrise || !sunset || trip.state === 'over') return null;
    const [up0, down0] = [minutesOf(sunrise), minutesOf(sunset)];
    const minute = dayClock(trip).minuteAt(this.nowMs()) % 1440;
    const up = minute > up0 + BRIGHT_AFTER_MIN && minute < down0 - BRIGHT_AFTER_MIN;
    const dark = minute < up0 - DARK_BEFORE_MIN || minute > down0 + DARK_BEFORE_MIN;
    const wanted = up ? 'glare' : dark ? 'night' : null;
    return wanted === null || wanted === this.look() || wanted === this.declined() ? null : wanted;
  }

  protected wear(look: Look): void {
    this.settings.set({ look });
  }
}
