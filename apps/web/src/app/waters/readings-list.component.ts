import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { say, thermoclineOf, type Reading, type Water } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import type { Clock } from '../base/book.service';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { sayClock } from '../sheet/words';
import { FieldComponent } from '../ui/field.component';
import { localInput } from '../ui/local-time';
import { seeker } from '../ui/seek';
import { saveFile } from '../ui/save-file';
import { readingsToCsv } from '@inky-shoal/core/formats';
import { SelectComponent } from '../ui/select.component';
import { TableComponent } from '../ui/table.component';
import { ReadingFormComponent } from './reading-form.component';
import { WatersService } from './waters.service';
import { sayShortDate } from '../ui/dates';

/** Readings on one page of the list. */
const PAGE_ROWS = 12;
/** From so many on, the list can be searched and sorted. */
const MANY = 13;

const ORDERS = {
  latest: { name: 'Latest first', by: (a: Reading, b: Reading) => (a.at < b.at ? 1 : -1) },
  oldest: { name: 'Oldest first', by: (a: Reading, b: Reading) => (a.at < b.at ? -1 : 1) },
  warmest: { name: 'Warmest first', by: (a: Reading, b: Reading) => b.surfaceTempC - a.surfaceTempC },
  coldest: { name: 'Coldest first', by: (a: Reading, b: Reading) => a.surfaceTempC - b.surfaceTempC },
  clearest: { name: 'Clearest first', by: (a: Reading, b: Reading) => (b.visibilityM ?? 0) - (a.visibilityM ?? 0) },
} as const;
type Order = keyof typeof ORDERS;

/** The readings of a water: searched, sorted, turned over in pages; changed in their place, removed with undo. */
@Component({
  selector: 'inky-readings-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, ReadingFormComponent, SelectComponent, TableComponent],
  templateUrl: './readings-list.component.html',
  styleUrl: './readings-list.component.css',
})
export class ReadingsListComponent {
  private readonly service = inject(WatersService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  /** Latest first. */
  readonly record = input.required<readonly Reading[]>();
  readonly clock = input<Clock>();

  protected readonly search = new FormControl('', { nonNullable: true });
  private readonly sought = toSignal(this.search.valueChanges, { initialValue: '' });
  protected readonly order = signal<Order>('latest');
  protected readonly zone = signal('');
  /** The reading that is being changed. */
  protected readonly changing = signal<string | null>(null);

  protected readonly isLong = computed(() => this.record().length >= MANY);
  protected readonly orders = Object.entries(ORDERS).map(([id, { name }]) => ({ id, name }));
  protected readonly zones = computed(() => (this.water().zones ?? []).map(({ id, name }) => ({ id, name })));
  /** What is written of each reading, to be searched. */
  private readonly words = computed(
    () => new Map(this.record().map((each) => [each.id, this.wordsOf(each).toLowerCase()])),
  );
  protected readonly found = computed(() => {
    const zone = this.zone();
    const typed = this.sought().trim();
    // Nobody waits for the words of thousands before something is sought.
    const words = typed ? this.words() : new Map<string, string>();
    const isSought = seeker(typed, [...words.values()]);
    return this.record()
      .filter(({ id, zoneId }) => (!zone || zoneId === zone) && isSought(words.get(id) ?? ''))
      .sort(ORDERS[this.order()].by);
  });
  protected readonly pageRows = PAGE_ROWS;

  protected setOrder(order: string): void {
    this.order.set(order as Order);
  }

  private wordsOf(reading: Reading): string {
    return [
      this.when(reading),
      reading.at.slice(0, 10),
      this.zoneName(reading),
      this.temp(reading),
      this.seen(reading),
      reading.suspect ? 'doubtful' : '',
    ].join(' ');
  }

  protected zoneName({ zoneId }: Reading): string | undefined {
    return this.water().zones?.find(({ id }) => id === zoneId)?.name;
  }

  protected thermocline({ profile }: Reading): string | null {
    const found = profile && thermoclineOf(profile);
    return found ? say('depth', found.depthM, this.units()) : null;
  }

  protected remove(reading: Reading): void {
    const { id, waterId, version: _, ...draft } = reading;
    this.service.removeReading(reading).subscribe({
      next: () => this.notices.say('Reading removed.', () => this.service.addReading(waterId, draft, id).subscribe()),
      error: (error: Error) => this.notices.say(`Not removed. ${error.message}`),
    });
  }

  /** All readings of the water as a CSV file. */
  protected save(): void {
    saveFile('readings.csv', readingsToCsv([this.water()], this.record()), 'text/csv');
  }

  protected when(reading: Reading): string {
    const { timeZone } = this.water().place;
    return `${sayShortDate(reading.at, timeZone)}, ${sayClock(localInput(reading.at, timeZone).slice(11))}`;
  }

  protected temp(reading: Reading): string {
    return say('temp', reading.surfaceTempC, this.units());
  }

  protected seen(reading: Reading): string {
    return reading.visibilityM === undefined ? '' : say('depth', reading.visibilityM, this.units());
  }
}
