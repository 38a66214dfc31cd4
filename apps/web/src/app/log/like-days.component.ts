import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { nameOf, say } from '@inky-shoal/core';
import { catchError, map, of, switchMap } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import { DayService } from '../sheet/day.service';
import type { LikeTrip } from './log-api';
import { LogService } from './log.service';
import { broughtWords, sayDay } from './log-words';

const MOST = 5;
const APART: Readonly<Record<LikeTrip['apart'][number], string>> = {
  temperature: 'another temperature',
  trend: 'another trend',
  clarity: 'other clarity',
  light: 'other light',
  wind: 'other wind',
  phase: 'another phase',
  level: 'another level',
};
/** So near a day is as good as the same. */
const NEAR = 0.25;

/** The trips most like the day on the sheet, and what worked on them. */
@Component({
  selector: 'inky-like-days',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    @if (told(); as told) {
      <ul>
        @for (day of told.days; track day.id) {
          <li>
            <a [routerLink]="['/log', day.id]">{{ sayDay(day.date) }}</a>{{ temp(day) }}: {{ brought(day)
            }}{{ worked(day) }}. <span class="quiet">{{ apart(day) }}</span>&ngsp;
            <a
              [routerLink]="['/log', day.id, 'beside']"
              [attr.aria-label]="'The plans side by side, ' + sayDay(day.date)"
              >Side by side</a
            >
          </li>
        } @empty {
          <li>No trip with a plan is like this day.</li>
        }
      </ul>
    } @else {
      <p class="quiet" role="status">Looking through the trips.</p>
    }
  `,
  styles: `
    ul {
      margin: 0 0 0.5rem;
      padding-left: 1.25rem;
    }
  `,
})
export class LikeDaysComponent {
  private readonly log = inject(LogService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly told = toSignal(
    inject(DayService).conditions$.pipe(
      switchMap((conditions) =>
        this.log.likeDays(conditions, MOST).pipe(
          map((days) => ({ days })),
          catchError(() => of({ days: [] as readonly LikeTrip[] })),
        ),
      ),
    ),
    { initialValue: null },
  );
  protected readonly sayDay = sayDay;

  protected temp({ surfaceTempC }: LikeTrip): string {
    return surfaceTempC === null ? '' : `, ${say('temp', surfaceTempC, this.units())}`;
  }

  protected brought(day: LikeTrip): string {
    return broughtWords(day);
  }

  protected worked({ worked: [best] }: LikeTrip): string {
    return best ? `, best the ${nameOf(best.category)}` : '';
  }

  protected apart({ distance, apart }: LikeTrip): string {
    return distance < NEAR ? 'As good as the same day.' : `Apart by ${apart.map((way) => APART[way]).join(', ')}.`;
  }
}
