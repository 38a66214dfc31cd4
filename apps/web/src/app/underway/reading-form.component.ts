import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { LEVELS, parse, SKIES } from '@inky-shoal/core';
import { DayReading, withoutUndefined } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { COMPASS_POINTS, compassOf, degreesOf, LEVEL_WORDS } from '../sheet/words';
import { NoticeService } from '../base/notice.service';
import { QuantityComponent } from '../ui/quantity.component';
import { SelectComponent } from '../ui/select.component';
import { choices } from '../ui/choices';
import { TripService } from './trip.service';

/** What one reads off the day: all of it may be left out. */
@Component({
  selector: 'inky-trip-reading',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, QuantityComponent, SelectComponent],
  templateUrl: './reading-form.component.html',
  styleUrl: './reading-form.component.css',
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
  protected readonly skyChoices = choices(SKIES);
  protected readonly levelChoices = LEVELS.map((id) => ({ id, name: LEVEL_WORDS[id] }));
  protected readonly compassChoices = COMPASS_POINTS.map((id) => ({ id, name: id }));
  /** Where it blows from, of the compass. */
  protected readonly from = computed(() => {
    const { windFromDeg } = this.value();
    return typeof windFromDeg === 'number' ? compassOf(windFromDeg) : '';
  });

  protected set(change: DayReading): void {
    this.value.update((value) => ({ ...value, ...change }));
  }

  /** What a list has under an id; nothing where the choice is taken back. */
  protected among<Id extends string>(ids: readonly Id[], id: string): Id | undefined {
    return ids.find((each) => each === id);
  }

  protected setFrom(id: string): void {
    const point = this.among(COMPASS_POINTS, id);
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
