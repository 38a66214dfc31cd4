import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { HistoryEntry, HistoryKind, SetAside } from '@inky-shoal/core';
import { noteChanges, removedTripsOf, type NoteChange } from '@inky-shoal/core/underway';
import { BackupsService } from './backups.service';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { TripLogService } from '../underway/trip-log.service';
import { TripService } from '../underway/trip.service';
import { eventWords } from '../underway/underway-words';

const KINDS: Readonly<Record<HistoryKind, string>> = {
  plan: 'plan',
  water: 'water',
  reading: 'reading',
  tackle: 'tackle',
  chart_feature: 'mark on a chart',
};
const DONE: Readonly<Record<HistoryEntry['what'], string>> = {
  changed: 'changed',
  removed: 'removed',
  restored: 'taken out of the bin',
};
const BIN_DAYS = 90;
const MAX_NOTES = 100;
const DAY_MS = 86_400_000;

const longTime = (at: string): string => new Date(at).toLocaleString('en', { dateStyle: 'medium', timeStyle: 'short' });

/** Something in the bin, with the ways out of it. */
interface Binned {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly removedAt: string;
  readonly putBack: () => void;
  readonly erase: () => void;
}

/** What was removed, for ninety days, and what was changed lately: back, or gone for good. */
@Component({
  selector: 'inky-bin',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="view">
    <h1>Removed and changed</h1>
    @if (failed(); as why) {
      <p class="problem" role="alert">{{ why }}</p>
    }
    <section aria-labelledby="bin">
      <h2 id="bin">Removed</h2>
      <p class="quiet">Kept for ninety days. Erased is erased; only a backup from before still has it.</p>
      <ul>
        @for (each of bin(); track each.id) {
          <li>
            <span class="name"
              >{{ each.name }} <span class="quiet">{{ each.kind }}, {{ daysLeft(each) }}</span></span
            >
            <button
              type="button"
              class="plain"
              (click)="each.putBack()"
              [attr.aria-label]="'Put ' + each.name + ' back'"
            >
              Put back
            </button>
            @if (erasing() === each.id) {
              <button type="button" class="act" (click)="erase(each)">Erase for good</button>
              <button type="button" class="plain" (click)="erasing.set(null)">No</button>
            } @else {
              <button
                type="button"
                class="plain"
                (click)="erasing.set(each.id)"
                [attr.aria-label]="'Erase ' + each.name"
              >
                Erase
              </button>
            }
          </li>
        } @empty {
          <li class="quiet">Nothing lies in the bin.</li>
        }
      </ul>
    </section>
    @if (setAside().length) {
      <section aria-labelledby="set-aside">
        <h2 id="set-aside">Found damaged</h2>
        <p class="quiet">
          Set aside so that the rest can be read. What comes back has a mark where it could not be read.
        </p>
        <ul>
          @for (each of setAside(); track each.row) {
            <li>
              <span class="name"
                >{{ each.name || 'No name' }}
                <span class="quiet">{{ each.kind }}, found {{ time(each.foundAt) }}</span></span
              >
              <button
                type="button"
                class="plain"
                (click)="bringBackDamaged(each)"
                [attr.aria-label]="'Bring back ' + (each.name || each.kind)"
              >
                Bring back
              </button>
              <button
                type="button"
                class="plain"
                (click)="forgetDamaged(each)"
                [attr.aria-label]="'Let ' + (each.name || each.kind) + ' go'"
              >
                Let it go
              </button>
            </li>
          }
        </ul>
      </section>
    }
    <section aria-labelledby="history">
      <h2 id="history">Changed lately</h2>
      <ul>
        @for (each of history(); track each.entry) {
          <li>
            <span class="name"
              >{{ each.name }} <span class="quiet">{{ kind(each.kind) }}, {{ done(each) }}</span></span
            >
            <button
              type="button"
              class="plain"
              (click)="bringBack(each)"
              [attr.aria-label]="'Back to ' + each.name + ' as it was before ' + done(each)"
            >
              As it was before
            </button>
          </li>
        } @empty {
          <li class="quiet">Nothing was changed yet.</li>
        }
      </ul>
    </section>
    @if (notes().length) {
      <section aria-labelledby="notes">
        <h2 id="notes">Notes of trips</h2>
        <ul>
          @for (each of notes(); track each.event.id) {
            <li>
              <span class="name"
                >{{ noteName(each) }} <span class="quiet">{{ noteDone(each) }}</span></span
              >
              <button
                type="button"
                class="plain"
                (click)="undoNote(each)"
                [attr.aria-label]="noteName(each) + ': as it was before ' + noteDone(each)"
              >
                As it was before
              </button>
            </li>
          }
        </ul>
      </section>
    }
  </div>`,
  styles: `
    h2 {
      margin-bottom: 0.5rem;
    }
    section {
      margin-top: 1.5rem;
      max-width: 44rem;
    }
    ul {
      list-style: none;
      margin: 0.5rem 0 0;
      padding: 0;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0 1rem;
      align-items: center;
      padding: 0.35rem 0;
      border-bottom: var(--stroke) solid var(--rule);
    }
    .name {
      flex: 1 1 100%;
    }
  `,
})
export class BinView {
  private readonly service = inject(BackupsService);
  private readonly notices = inject(NoticeService);
  private readonly trips = inject(TripService);
  private readonly log = toSignal(inject(TripLogService).log$, { initialValue: null });
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly loadedBin = toSignal(this.service.bin$, { initialValue: null });
  private readonly loadedAside = toSignal(this.service.setAside$, { initialValue: null });
  private readonly loadedHistory = toSignal(this.service.history$, { initialValue: null });

  protected readonly bin = computed((): Binned[] =>
    [
      ...valueOr(this.loadedBin(), []).map((entry): Binned => ({
        ...entry,
        kind: KINDS[entry.kind],
        putBack: () => this.run(this.service.takeOut(entry), `${entry.name} is back.`),
        erase: () => this.run(this.service.erase(entry), `${entry.name} is erased.`),
      })),
      ...removedTripsOf(this.log()?.events ?? []).map((trip): Binned => ({
        id: trip.id,
        name: trip.begin.name,
        kind: 'trip',
        removedAt: trip.removedAt,
        putBack: () =>
          void this.trips.putBack(trip).then((done) => done && this.notices.say(`${trip.begin.name} is back.`)),
        erase: () =>
          this.run(
            this.service.eraseTrip(trip.id),
            `${trip.begin.name} is erased; devices forget it as they hear of it.`,
          ),
      })),
    ].sort((a, b) => Date.parse(b.removedAt) - Date.parse(a.removedAt)),
  );
  protected readonly setAside = computed(() => valueOr(this.loadedAside(), []));
  protected readonly time = longTime;
  protected readonly history = computed(() => valueOr(this.loadedHistory(), []));
  /** Trips are told by their notes, which this device has: so is what was done to these. */
  protected readonly notes = computed(() => noteChanges(this.log()?.events ?? []).slice(0, MAX_NOTES));
  protected readonly failed = computed(() => {
    const loaded = [this.loadedBin(), this.loadedHistory()].find((each) => each?.state === 'failed');
    return loaded?.state === 'failed' ? loaded.message : null;
  });
  /** What is asked for a second time before it is erased. */
  protected readonly erasing = signal<string | null>(null);

  protected kind(kind: HistoryKind): string {
    return KINDS[kind];
  }

  protected daysLeft({ removedAt }: { readonly removedAt: string }): string {
    const left = Math.max(0, BIN_DAYS - Math.floor((Date.now() - Date.parse(removedAt)) / DAY_MS));
    return left === 1 ? 'one day left' : `${left} days left`;
  }

  protected done({ what, at, device }: HistoryEntry): string {
    return `${DONE[what]} ${longTime(at)}${device ? ` on ${device}` : ''}`;
  }

  protected noteName({ note }: NoteChange): string {
    return `${eventWords(note, this.units()) || 'Note'}, ${longTime(note.at)}`;
  }

  protected noteDone({ event: { kind, at, device } }: NoteChange): string {
    return `${kind === 'take-back' ? 'taken back' : 'put right'} ${longTime(at)}${device ? ` on ${device}` : ''}`;
  }

  protected undoNote(change: NoteChange): void {
    void this.trips
      .undoChange(change)
      .then((done) => done && this.notices.say(`${this.noteName(change)} is as it was.`));
  }

  protected erase(binned: Binned): void {
    this.erasing.set(null);
    binned.erase();
  }

  protected bringBackDamaged(row: SetAside): void {
    this.run(this.service.bringBackDamaged(row), `${row.name || 'It'} is back, as far as it could be read.`);
  }

  protected forgetDamaged(row: SetAside): void {
    this.run(this.service.forgetDamaged(row), `${row.name || 'It'} is gone.`);
  }

  protected bringBack(entry: HistoryEntry): void {
    this.run(this.service.bringBack(entry), `${entry.name} is as it was.`);
  }

  private run(work: ReturnType<BackupsService['takeOut']>, done: string): void {
    work.subscribe({
      next: () => this.notices.say(done),
      error: (error: Error) => this.notices.say(`Not done. ${error.message}`),
    });
  }
}
