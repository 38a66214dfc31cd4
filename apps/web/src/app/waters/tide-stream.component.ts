import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { readNumber, type Water } from '@inky-shoal/core';
import type { TideStream } from '@inky-shoal/core/tide';
import { type NearStation } from '@inky-shoal/core/tide';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { distinctUntilChanged, map, switchMap } from 'rxjs';
import { loading, valueOr } from '../base/loaded';
import { SettingsService } from '../base/settings.service';
import { sayWay } from '../sheet/words';
import { FieldComponent } from '../ui/field.component';
import { TideStationsService } from './tide-stations.service';

/** Farther off another stream runs. */
const CURRENT_NEAR_KM = 20;
/** Slack comes so long before or after the level turns, at the most. */
const MOST_LAG_MIN = 240;

type Turn = 'slackAfterHighMin' | 'slackAfterLowMin';

/** When the stream of a water turns: so long after high and low water, or as a station of currents near tells it. */
@Component({
  selector: 'inky-tide-stream',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, InputText],
  template: `
    <h3>When its stream turns</h3>
    @if (stream().current; as current) {
      <p>
        As at <strong>{{ current.name }}</strong>.
        @if (current.origin; as origin) {
          <span class="quiet">{{ origin.source }}; {{ origin.licence }}. {{ origin.notice }}</span>
        }
      </p>
      <p><button pButton text type="button" (click)="leave()">By minutes after high and low instead</button></p>
    } @else {
      <div class="lags">
        @for (turn of turns; track turn.of) {
          <inky-field [fieldId]="turn.id" [label]="turn.label" unit="min"
            ><input
              [id]="turn.id"
              pInputText
              #minutes
              inputmode="numeric"
              [value]="stream()[turn.of] ?? 0"
              (change)="set(turn.of, minutes)"
          /></inky-field>
        }
      </div>
      @for (each of near(); track each.station.id) {
        <p>
          <button pButton text type="button" (click)="take(each.station)">As at {{ each.station.name }}</button>
          <span class="quiet">{{ each.words }}</span>
        </p>
      }
    }
    <p class="problem" role="alert">{{ problem() }}</p>
  `,
  styles: `
    h3 {
      margin: 1rem 0 0.25rem;
    }
    .lags {
      display: flex;
      flex-wrap: wrap;
      gap: 0.75rem;
    }
    .lags input {
      width: 6rem;
    }
    p .p-button {
      padding-left: 0;
    }
  `,
})
export class TideStreamComponent {
  private readonly stations = inject(TideStationsService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  /** The stream as it is wished. */
  readonly changed = output<TideStream>();

  protected readonly turns: readonly { readonly of: Turn; readonly id: string; readonly label: string }[] = [
    { of: 'slackAfterHighMin', id: 'slack-high', label: 'Slack after high water' },
    { of: 'slackAfterLowMin', id: 'slack-low', label: 'After low water' },
  ];
  protected readonly problem = signal('');
  protected readonly stream = computed<TideStream>(() => this.water().tideStation?.stream ?? {});
  private readonly found = toSignal(
    toObservable(this.water).pipe(
      map(({ place }) => place),
      distinctUntilChanged((a, b) => a.latitude === b.latitude && a.longitude === b.longitude),
      switchMap((place) => loading(this.stations.currentsNear(place))),
    ),
  );
  protected readonly near = computed(() =>
    valueOr(this.found(), [])
      .filter(({ distanceKm }) => distanceKm <= CURRENT_NEAR_KM)
      // Of several of one name the nearest is meant: they cannot be told apart.
      .filter(({ name }, at, all) => all.findIndex((each) => each.name === name) === at)
      .map((station) => ({
        station,
        words: `${sayWay(station.distanceKm * 1000, this.units())} off. ${station.source}, ${station.licence}.`,
      })),
  );

  protected set(turn: Turn, input: HTMLInputElement): void {
    const minutes = readNumber(input.value);
    if (minutes === undefined || Math.abs(minutes) > MOST_LAG_MIN) {
      this.problem.set(`Expected minutes from ${-MOST_LAG_MIN} to ${MOST_LAG_MIN}, got "${input.value.slice(0, 20)}".`);
      input.value = String(this.stream()[turn] ?? 0);
      return;
    }
    this.problem.set('');
    this.changed.emit({ ...this.stream(), [turn]: Math.round(minutes) });
  }

  protected take({ id }: NearStation): void {
    this.stations.current(id).subscribe({
      next: (current) => this.changed.emit({ ...this.stream(), current }),
      error: (error: Error) => this.problem.set(error.message),
    });
  }

  protected leave(): void {
    const { current: _, ...lags } = this.stream();
    this.changed.emit(lags);
  }
}
