import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { nameOf } from '@inky-shoal/core';
import { ANY, findRows, narrowings, type LogbookRow, type Sought } from '@inky-shoal/core/logbook';
import { ButtonDirective } from 'primeng/button';
import { catchError, map, of } from 'rxjs';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { RecordService } from '../record/record.service';
import { FieldComponent } from '../ui/field.component';
import { FoldComponent } from '../ui/fold.component';
import { OneOfComponent } from '../ui/one-of.component';
import { PagesComponent } from '../ui/pages.component';
import { TableComponent } from '../ui/table.component';
import type { LogFile } from './log-api';
import { LogService, type SavedSearch } from './log.service';
import {
  broughtWords,
  countedWords,
  dayWords,
  hoursWords,
  lengthFigure,
  namesIn,
  recordSentence,
  sayDay,
} from './log-words';
import { NarrowComponent } from './narrow.component';
import { SmallSheetComponent } from './small-sheet.component';
import { YearStripComponent } from './year-strip.component';

/** Small sheets on one page of the wall. */
const PAGE_SIZE = 24;
const TABLE_ROWS = 50;
type Shape = 'wall' | 'table';

/** The log: every trip as a small sheet under the year's water, found by words and by what it was like. */
@Component({
  selector: 'inky-log',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    FieldComponent,
    FoldComponent,
    NarrowComponent,
    OneOfComponent,
    PagesComponent,
    RouterLink,
    SmallSheetComponent,
    TableComponent,
    YearStripComponent,
  ],
  templateUrl: './log.view.html',
  styleUrl: './log.view.css',
})
export class LogView {
  private readonly log = inject(LogService);
  private readonly notices = inject(NoticeService);
  private readonly settings = inject(SettingsService);
  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });

  /** Null while the trips are read, words where they cannot be. */
  protected readonly loaded = toSignal(
    this.log.rows$.pipe(
      map((rows) => ({ rows, problem: null })),
      catchError((error: Error) => of({ rows: [] as readonly LogbookRow[], problem: error.message })),
    ),
    { initialValue: null },
  );
  protected readonly rows = computed(() => this.loaded()?.rows ?? []);
  private readonly taught = toSignal(inject(RecordService).taught$.pipe(catchError(() => of(null))), {
    initialValue: null,
  });
  /** What the record has taught, in one sentence. */
  protected readonly sentence = computed(() => recordSentence(this.taught() ?? []));

  protected readonly search = new FormControl('', { nonNullable: true });
  protected readonly sought = signal<Sought>(ANY);
  protected readonly narrowed = computed(() => narrowings(this.sought()));
  protected readonly narrowing = signal(false);
  protected readonly found = computed(() => findRows(this.rows(), this.sought()));
  protected readonly isAll = computed(() => this.found().length === this.rows().length);
  protected readonly counted = computed(() => countedWords(this.found(), this.rows().length));
  protected readonly has = computed(() => namesIn(this.rows()));

  protected readonly shape = signal<Shape>('wall');
  protected readonly shapes = [
    { id: 'wall', name: 'Sheets' },
    { id: 'table', name: 'Table' },
  ] as const;
  protected readonly pageSize = PAGE_SIZE;
  protected readonly tableRows = TABLE_ROWS;
  protected readonly first = linkedSignal({ source: this.found, computation: () => 0 });
  protected readonly shown = computed(() => this.found().slice(this.first(), this.first() + PAGE_SIZE));

  protected readonly searches = toSignal(this.log.searches$, { requireSync: true });
  protected readonly searchName = new FormControl('', { nonNullable: true });

  constructor() {
    this.search.valueChanges
      .pipe(takeUntilDestroyed())
      .subscribe((words) => this.sought.set({ ...this.sought(), words }));
  }

  protected readonly sayDay = sayDay;
  protected readonly nameOf = nameOf;

  protected readonly dayOf = (row: LogbookRow): string => dayWords(row, this.units());
  protected readonly brought = broughtWords;
  protected readonly longest = (row: LogbookRow): string => lengthFigure(row.longestMm, this.units());
  protected readonly hours = (row: LogbookRow): string => hoursWords(row.hours);

  protected clear(): void {
    this.sought.set(ANY);
    this.search.setValue('');
  }

  protected take({ sought }: SavedSearch): void {
    this.search.setValue(sought.words, { emitEvent: false });
    this.sought.set(sought);
    this.narrowing.set(narrowings(sought) > 0);
  }

  protected keep(): void {
    const name = this.searchName.value.trim();
    if (!name) return;
    this.log.keepSearch({ name, sought: this.sought() });
    this.searchName.setValue('');
    this.notices.say(`Kept as ${name}.`, () => this.log.forgetSearch(name));
  }

  protected forget(search: SavedSearch): void {
    this.log.forgetSearch(search.name);
    this.notices.say(`${search.name} is forgotten.`, () => this.log.keepSearch(search));
  }

  protected save(file: LogFile): void {
    this.log
      .save(
        file,
        this.found().map(({ id }) => id),
      )
      .catch((error: Error) => this.notices.say(`No file was made. ${error.message}`));
  }
}
