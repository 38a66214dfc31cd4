import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { CategoryId, UnitSystem } from '@inky-shoal/core';
import type { PastTrip } from '@inky-shoal/core/underway';
import { BookService } from '../../base/book.service';
import { valueOr } from '../../base/loaded';
import { NoticeService } from '../../base/notice.service';
import { DayService } from '../../sheet/day.service';
import { WatersService } from '../../waters/waters.service';
import { TripService } from '../trip.service';
import { PastTripsService, zoneHere } from './past-trips.service';

/** What rows of past trips are read beside: the waters, the log as it stands, which word means which lure. */
@Injectable()
export class PastContext {
  private readonly past = inject(PastTripsService);
  private readonly notices = inject(NoticeService);
  private readonly clock = toSignal(inject(BookService).clock$);
  private readonly draft = toSignal(inject(DayService).draft$, { initialValue: null });
  private readonly loaded = toSignal(inject(WatersService).waters$);
  /** Trips that stand in the log. */
  readonly known = toSignal(inject(TripService).trips$, { initialValue: [] });
  readonly waters = computed(() => valueOr(this.loaded(), []));
  /** The water of rows that name none: that of the sheet, else the first. */
  readonly waterId = linkedSignal(() => this.draft()?.waterId ?? this.waters()[0]?.id);
  private readonly meant = signal(this.past.lures);
  /** What words for lures mean; null where they mean none that is known here. */
  readonly lures = this.meant.asReadonly();

  /** Remembers what a word for a lure means, for this file and the next. */
  meanBy(word: string, lure: CategoryId | null): void {
    this.past.rememberLure(word, lure);
    this.meant.set(this.past.lures);
  }

  /** Adds trips to the log, to be taken back. @param count of them, in words @throws NotKept where they could not be kept */
  async add(trips: readonly PastTrip[], count: string): Promise<void> {
    const ids = await this.past.add(trips, this.waters());
    this.notices.say(`${count} added.`, () => {
      this.past.remove(ids).catch((error: Error) => this.notices.say(`Not taken back. ${error.message}`));
    });
  }

  context(units: UnitSystem) {
    const waters = this.waters();
    const timeZone = waters.find(({ id }) => id === this.waterId())?.place.timeZone ?? zoneHere();
    return {
      timeZone,
      now: this.clock()?.now ?? new Date().toISOString(),
      units,
      waters: waters.map(({ id, name, place }) => ({ id, name, timeZone: place.timeZone })),
      waterId: this.waterId(),
      known: this.known().map(({ begin, startMs }) => ({ begin: { ...begin, plan: null, stops: [] }, startMs })),
      lures: this.lures(),
    };
  }
}
