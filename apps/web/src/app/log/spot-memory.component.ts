import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { memoryAt } from '@inky-shoal/core/logbook';
import { catchError, EMPTY, map, switchMap } from 'rxjs';
import { biteChance, spotHistory } from './log-words';
import { LogService } from './log.service';

/** What the log remembers of a mark or place of the chart; nothing where none was fished there. */
@Component({
  selector: 'inky-spot-memory',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    @if (memory(); as memory) {
      <p>
        {{ memory.spot }}: {{ history(memory) }} A bite within an hour: <strong>{{ chance(memory) }}</strong>.
        <a routerLink="/log/places">All places</a>
      </p>
    }
  `,
})
export class SpotMemoryComponent {
  private readonly log = inject(LogService);

  readonly waterId = input.required<string>();
  readonly lonLat = input.required<readonly [number, number]>();
  readonly name = input<string>();

  /** A help: where it cannot be read the place stands without it. */
  private readonly spots = toSignal(
    this.log.asked$.pipe(
      switchMap(({ day, visibilityM }) => this.log.places(day, visibilityM).pipe(catchError(() => EMPTY))),
      map(({ spots }) => spots),
    ),
    { initialValue: [] },
  );
  protected readonly memory = computed(() =>
    memoryAt(this.spots(), { waterId: this.waterId(), name: this.name(), lonLat: this.lonLat() }),
  );
  protected readonly history = spotHistory;
  protected readonly chance = biteChance;
}
