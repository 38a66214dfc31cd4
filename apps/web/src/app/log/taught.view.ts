import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { capital } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { catchError, map, of } from 'rxjs';
import { valueOr } from '../base/loaded';
import { BookService } from '../base/book.service';
import { NoticeService } from '../base/notice.service';
import type { Taught } from '../record/record-api';
import { movedWords, restsOn } from '../record/record-words';
import { RecordService } from '../record/record.service';
import { CheckComponent } from '../ui/check.component';
import { localDay } from '../ui/local-time';
import { zoneHere } from '../underway/past/past-trips.service';
import { WatersService } from '../waters/waters.service';
import { sayDay, sureWords } from './log-words';

const KINDS = { bass: 'Bass', inshore: 'Inshore' } as const;

/** All that the record taught, where plans lean on it, and how to begin anew. */
@Component({
  selector: 'inky-log-taught',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, CheckComponent, RouterLink],
  templateUrl: './taught.view.html',
  styleUrl: './taught.view.css',
})
export class TaughtView {
  protected readonly record = inject(RecordService);
  private readonly notices = inject(NoticeService);
  private readonly clock = toSignal(inject(BookService).clock$);
  protected readonly kinds = KINDS;
  protected readonly sayDay = sayDay;
  protected readonly leans = toSignal(this.record.leans$, { requireSync: true });
  protected readonly off = toSignal(this.record.off$, { requireSync: true });
  protected readonly since = toSignal(this.record.since$, { requireSync: true });
  protected readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });
  protected readonly loaded = toSignal(
    this.record.taught$.pipe(
      map((taught) => ({ taught, problem: null })),
      catchError((error: Error) => of({ taught: [] as Taught[], problem: error.message })),
    ),
    { initialValue: null },
  );
  private readonly today = computed(() => localDay(this.clock()?.now ?? new Date().toISOString(), zoneHere()));

  protected rests({ trips, hours }: Taught): string {
    return restsOn(trips, hours);
  }

  protected lines({ moved }: Taught): string[] {
    return moved.map((each) => `${capital(movedWords(each))}, ${sureWords(each.likely)}`);
  }

  protected anew(): void {
    const before = this.since();
    this.record.beginAt(this.today());
    this.notices.say('Only trips from today on teach.', () => this.record.beginAt(before));
  }
}
