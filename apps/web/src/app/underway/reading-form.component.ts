import { ChangeDetectionStrategy, Component, inject, input, linkedSignal, output } from '@angular/core';
import { LEVELS, nameOf, parse, SKIES } from '@inky-shoal/core';
import { DayReading, withoutUndefined } from '@inky-shoal/core/underway';
import { COMPASS_POINTS, degreesOf, LEVEL_WORDS } from '../sheet/words';
import { NoticeService } from '../base/notice.service';
import { TripService } from './trip.service';
import { QuantityComponent } from '../ui/quantity.component';

/** What one reads off the day: all of it may be left out. */
@Component({
  selector: 'inky-trip-reading',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityComponent],
  template: `
    <h2>Reading</h2>
    <form (submit)="$event.preventDefault(); keep()">
      <div>
        <p class="label">Water</p>
        <inky-quantity
          label="Water temperature"
          measure="temp"
          [si]="value().surfaceTempC"
          (siChange)="set({ surfaceTempC: $event })"
        />
      </div>
      <div>
        <p class="label">One sees down</p>
        <inky-quantity
          label="Clarity"
          measure="depth"
          [step]="0.5"
          [si]="value().visibilityM"
          (siChange)="set({ visibilityM: $event })"
        />
      </div>
      <div class="two">
        <label
          >Sky
          <select class="field" #sky (change)="set({ sky: among(skies, sky.value) })">
            <option value="">as it was</option>
            @for (each of skies; track each) {
              <option [value]="each">{{ name(each) }}</option>
            }
          </select></label
        >
        <label
          >Level
          <select class="field" #level (change)="set({ level: among(levels, level.value) })">
            <option value="">as it was</option>
            @for (each of levels; track each) {
              <option [value]="each">{{ levelWords[each] }}</option>
            }
          </select></label
        >
      </div>
      <div>
        <p class="label">Wind</p>
        <inky-quantity label="Wind" measure="wind" [si]="value().windMps" (siChange)="set({ windMps: $event })" />
      </div>
      <label
        >It blows from
        <select class="field" #from (change)="setFrom(from.value)">
          <option value="">as it was</option>
          @for (point of compass; track point) {
            <option [value]="point">{{ point }}</option>
          }
        </select></label
      >
      <div class="acts">
        <button type="submit" class="act">Keep</button>
        <button type="button" class="plain" (click)="done.emit()">Cancel</button>
      </div>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 0.6rem;
      margin-top: 0.5rem;
    }
    label {
      font-weight: 700;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.75rem;
    }
    .acts {
      display: flex;
      gap: 1rem;
    }
    .acts .act {
      min-width: 7rem;
    }
  `,
})
export class TripReadingComponent {
  private readonly trips = inject(TripService);
  private readonly notices = inject(NoticeService);

  /** What instruments read as it was opened. */
  readonly begin = input<DayReading>({});
  readonly done = output();

  protected readonly value = linkedSignal(() => this.begin());
  protected readonly skies = SKIES;
  protected readonly levels = LEVELS;
  protected readonly levelWords = LEVEL_WORDS;
  protected readonly compass = COMPASS_POINTS;
  protected readonly name = nameOf;

  protected set(change: DayReading): void {
    this.value.update((value) => ({ ...value, ...change }));
  }

  /** What a list has under an id; nothing where the choice is taken back. */
  protected among<Id extends string>(ids: readonly Id[], id: string): Id | undefined {
    return ids.find((each) => each === id);
  }

  protected setFrom(id: string): void {
    const point = this.among(this.compass, id);
    this.set({ windFromDeg: point && degreesOf(point) });
  }

  protected keep(): void {
    const told = withoutUndefined(this.value());
    if (!Object.keys(told).length) return this.done.emit();
    const checked = parse(DayReading, told);
    if (!checked.ok) return this.notices.say(`Not kept: ${checked.problems[0]?.message ?? 'expected other figures'}.`);
    void this.trips.reading(checked.value).then(() => this.done.emit());
  }
}
