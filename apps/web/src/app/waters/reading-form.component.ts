import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { symbolOf, type Reading, type ReadingDraftInput, type Water } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import type { Clock } from '../base/book.service';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { CheckComponent } from '../ui/check.component';
import { FieldComponent } from '../ui/field.component';
import { FoldComponent } from '../ui/fold.component';
import { localInput } from '../ui/local-time';
import { SelectComponent } from '../ui/select.component';
import { WatersService } from './waters.service';
import { readingValues, readReading, type ReadingProblems } from './reading-values';

/** One reading: when and where, how warm, how far one sees, and how warm it is further down. New, or one to change. */
@Component({
  selector: 'inky-reading-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    CheckComponent,
    FieldComponent,
    FoldComponent,
    ReactiveFormsModule,
    SelectComponent,
    Textarea,
  ],
  templateUrl: './reading-form.component.html',
  styleUrl: './reading-form.component.css',
})
export class ReadingFormComponent {
  private readonly waters = inject(WatersService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  readonly clock = input<Clock>();
  /** The record that it goes into, to see what stands twice. */
  readonly record = input<readonly Reading[]>([]);
  /** The reading to change; none to add one. */
  readonly reading = input<Reading | null>(null);
  /** The change is made, or given up. */
  readonly done = output();

  protected readonly form = inject(NonNullableFormBuilder).group({
    at: '',
    zoneId: '',
    temp: '',
    seen: '',
    profile: '',
    suspect: false,
  });
  protected readonly problems = signal<ReadingProblems>({});
  protected readonly tempUnit = computed(() => symbolOf('temp', this.units()));
  protected readonly depthUnit = computed(() => symbolOf('depth', this.units()));
  protected readonly zones = computed(() => this.water().zones ?? []);
  protected readonly zoneChoices = computed(() => [...this.zones(), { id: '', name: 'Somewhere in it' }]);
  /** Ids in the page: a form to change stands beside one to add. */
  protected readonly prefix = computed(() => (this.reading() ? 'change-' : 'reading-'));

  constructor() {
    effect(() => {
      const [clock, water, reading] = [this.clock(), this.water(), this.reading()];
      untracked(() => {
        if (reading) this.form.setValue(readingValues(reading, water.place.timeZone, this.units()));
        else if (clock) this.form.patchValue({ at: localInput(clock.now, water.place.timeZone) });
        const { zoneId } = this.form.getRawValue();
        const known = this.zones().some(({ id }) => id === zoneId);
        if (!reading && !known) this.form.patchValue({ zoneId: this.zones()[0]?.id ?? '' });
      });
    });
  }

  protected save(): void {
    const draft = this.draft();
    if (!draft) return;
    const before = this.reading();
    this.waters.addReading(this.water().id, draft, before?.id, before?.version).subscribe({
      next: (state) => {
        const kept = before ? 'Reading changed.' : 'Reading added.';
        this.notices.say(state === 'sent' ? kept : 'The reading is kept here and goes in when the server is back.');
        if (before) this.done.emit();
        else this.form.patchValue({ temp: '', seen: '', profile: '' });
      },
      error: (error: Error) => this.problems.set({ temp: error.message }),
    });
  }

  /** What was typed, as a reading; null where something is wrong with it, which is then said. */
  private draft(): ReadingDraftInput | null {
    const { draft, problems } = readReading(this.form.getRawValue(), {
      before: this.reading(),
      record: this.record(),
      timeZone: this.water().place.timeZone,
      now: this.clock()?.now,
      units: this.units(),
    });
    this.problems.set(problems);
    return draft;
  }
}
