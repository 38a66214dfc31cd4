import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { HistoryEntry, HistoryKind, SetAside } from '@inky-shoal/core';
import { noteChanges, removedTripsOf, type NoteChange } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { TripLogService } from '../underway/trip-log.service';
import { TripService } from '../underway/trip.service';
import { eventWords } from '../underway/underway-words';
import { BackupsService } from './backups.service';
import { sayInstant } from '../ui/dates';

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
  imports: [ButtonDirective],
  templateUrl: './bin.view.html',
  styleUrl: './bin.view.css',
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
  protected readonly time = sayInstant;
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
    return `${DONE[what]} ${sayInstant(at)}${device ? ` on ${device}` : ''}`;
  }

  protected noteName({ note }: NoteChange): string {
    return `${eventWords(note, this.units()) || 'Note'}, ${sayInstant(note.at)}`;
  }

  protected noteDone({ event: { kind, at, device } }: NoteChange): string {
    return `${kind === 'take-back' ? 'taken back' : 'put right'} ${sayInstant(at)}${device ? ` on ${device}` : ''}`;
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
