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
  template: `
    <div class="view">
      <p class="no-print"><a routerLink="/log">Log</a></p>
      <h1>What your trips taught</h1>
      @if (loaded(); as told) {
        @if (told.problem; as why) {
          <p class="problem" role="alert">{{ why }}</p>
        }
        @for (kind of told.taught; track kind.discipline) {
          <section [attr.aria-labelledby]="'taught-' + kind.discipline">
            <h2 [id]="'taught-' + kind.discipline">{{ kinds[kind.discipline] }}</h2>
            <p class="quiet">{{ rests(kind) }}.</p>
            <ul>
              @for (line of lines(kind); track line) {
                <li>{{ line }}</li>
              } @empty {
                <li>Nothing has moved far enough to be told.</li>
              }
            </ul>
          </section>
        } @empty {
          <p>
            Nothing yet. Trips that were fished with a plan teach: what bit against what was expected, hour by hour.
          </p>
        }
      } @else {
        <p class="quiet" role="status">Learning from the trips.</p>
      }
      <section aria-labelledby="leans">
        <h2 id="leans">Plans lean on it</h2>
        <p>
          <inky-check [checked]="leans()" (checkedChange)="record.leanOn($event)">On every water</inky-check>
        </p>
        @if (leans()) {
          @for (water of waters(); track water.id) {
            <p>
              <inky-check [checked]="!off().includes(water.id)" (checkedChange)="record.leaveOff(water.id, !$event)">
                On {{ water.name }}
              </inky-check>
            </p>
          }
        }
        @if (since()) {
          <p>
            Only trips from {{ sayDay(since()) }} on teach.
            <button pButton text type="button" (click)="record.beginAt('')">Let all teach again</button>
          </p>
        } @else {
          <p>
            <button pButton text type="button" class="first" (click)="anew()">Begin anew from today</button>
            <span class="quiet">No trip is lost; those before teach no more.</span>
          </p>
        }
      </section>
      <p class="quiet">The shipped weights stand beside the learnt ones under <a routerLink="/rules">Rules</a>.</p>
    </div>
  `,
  styles: `
    h1 {
      margin-bottom: 0.4rem;
    }
    section {
      max-width: 46rem;
      margin: 1rem 0 1.5rem;
    }
    ul {
      margin: 0.25rem 0 0;
      padding-left: 1.25rem;
    }
    .first {
      padding-left: 0;
    }
  `,
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
