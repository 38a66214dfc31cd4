import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { readNumber, type Water } from '@inky-shoal/core';
import {
  checkSize,
  FileProblem,
  type BedChoices,
  type BedSense,
  type BedUnit,
} from '@inky-shoal/core/formats/bathymetry';
import { finalize, type Observable, type Subscription } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import type { BedRead, LaidChart } from '../chart-files-api';
import { ChartFilesService, type FileProgress } from '../chart-files.service';
import { ChartService } from '../chart.service';
import { NoticeService } from '../../base/notice.service';
import { SettingsService } from '../../base/settings.service';
import { ProgressComponent } from '../../ui/progress.component';
import { SelectComponent } from '../../ui/select.component';
import { OpenFileComponent } from '../../ui/open-file.component';
import { FieldComponent } from '../../ui/field.component';
import { sayBedRead, sayLaid } from './bed-words';

/** What goes on, for who waits for it. */
type Work = 'reading' | 'laying' | 'keeping';
const WORDS: Readonly<Record<Work, string>> = {
  reading: 'Reading the file.',
  laying: 'Laying the bed.',
  keeping: 'Keeping the chart.',
};
/** The farthest apart that soundings may be joined, metres. */
const MAX_JOIN_M = 5000;
const MAX_SOURCE = 120;

/** A chart from a file: what it holds is told, and how its figures are to be read, before anything is changed. */
@Component({
  selector: 'inky-bed-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, InputText, OpenFileComponent, ProgressComponent, SelectComponent],
  templateUrl: './bed-import.component.html',
  styleUrl: './bed-import.component.css',
})
export class BedImportComponent {
  private readonly files = inject(ChartFilesService);
  private readonly charts = inject(ChartService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  constructor() {
    // What was read is large, and of no use without this form.
    inject(DestroyRef).onDestroy(() => this.files.rest());
  }

  readonly water = input.required<Water>();

  protected readonly senses = [
    { id: 'depth', name: 'depths' },
    { id: 'height', name: 'heights' },
  ];
  protected readonly bedUnits = [
    { id: 'm', name: 'metres' },
    { id: 'ft', name: 'feet' },
  ];
  private work: Subscription | undefined;
  protected readonly going = signal<Work | null>(null);
  protected readonly share = signal(0);
  protected readonly problem = signal('');
  private readonly name = signal('');
  protected readonly found = signal<BedRead | null>(null);
  protected readonly choices = signal<BedChoices | null>(null);
  protected readonly laid = signal<LaidChart | null>(null);
  protected readonly goes = computed(() => {
    const going = this.going();
    return going ? WORDS[going] : '';
  });
  protected readonly foundWords = computed(() => {
    const found = this.found();
    return found ? `${this.name()}: ${sayBedRead(found)}` : '';
  });
  protected readonly laidWords = computed(() => {
    const laid = this.laid();
    return laid ? sayLaid(laid, this.units()) : '';
  });
  protected readonly joins = computed(() => ['soundings', 'contours'].includes(this.found()?.from ?? ''));

  protected open(file: File): void {
    this.forget();
    this.name.set(file.name);
    try {
      checkSize(file.name, file.size);
    } catch (error) {
      if (!(error instanceof FileProblem)) throw error;
      this.problem.set(error.message);
      return;
    }
    this.follow('reading', this.files.readBed(file, this.at()), (found) => {
      this.found.set(found);
      this.choices.set(found.guess);
      this.lay();
    });
  }

  protected setSense(sense: string): void {
    this.choose({ sense: sense as BedSense });
  }

  protected setUnit(unit: string): void {
    this.choose({ unit: unit as BedUnit });
  }

  protected setSurface(text: string): void {
    const surface = readNumber(text);
    if (surface === undefined)
      this.problem.set(`Expected the figure at which the water stands, got "${text.slice(0, 20)}".`);
    else this.choose({ surface });
  }

  protected setJoin(text: string): void {
    const joinM = readNumber(text);
    if (joinM !== undefined && joinM > 0 && joinM <= MAX_JOIN_M) this.choose({ joinM });
    else this.problem.set(`Expected from 1 to ${MAX_JOIN_M} metres, got "${text.slice(0, 20)}".`);
  }

  /** Stops what goes on; what was kept stays as it is. */
  protected stop(): void {
    this.work?.unsubscribe();
    this.going.set(null);
    this.forget();
    this.notices.say('Stopped. The chart is as it was.');
  }

  protected keep(): void {
    const [water, laid] = [this.water(), this.laid()];
    if (!laid) return;
    this.going.set('keeping');
    this.work = this.charts
      .replaceChart(water, laid.frame, laid.bed)
      .pipe(finalize(() => this.going.set(null)))
      .subscribe({
        next: (back) => {
          this.forget();
          this.notices.say(`The chart of ${water.name} is in.`, () =>
            back().subscribe({ error: (error: Error) => this.notices.say(`It is not as it was. ${error.message}`) }),
          );
        },
        error: (error: Error) => this.problem.set(`The chart is as it was. ${error.message}`),
      });
  }

  private choose(change: Partial<BedChoices>): void {
    const choices = this.choices();
    if (!choices) return;
    this.choices.set({ ...choices, ...change });
    this.lay();
  }

  private lay(): void {
    const choices = this.choices();
    if (!choices) return;
    this.laid.set(null);
    this.problem.set('');
    const source = this.name().slice(0, MAX_SOURCE);
    this.follow('laying', this.files.layBed(choices, this.at(), source), (laid) => this.laid.set(laid));
  }

  private at() {
    const { name, place } = this.water();
    return { name, lonLat: [place.longitude, place.latitude] as const };
  }

  private forget(): void {
    this.found.set(null);
    this.choices.set(null);
    this.laid.set(null);
    this.problem.set('');
  }

  private follow<T>(work: Work, steps: Observable<FileProgress<T>>, then: (result: T) => void): void {
    this.going.set(work);
    this.share.set(0);
    this.work = steps.subscribe({
      next: (step) => {
        if ('share' in step) return this.share.set(step.share);
        this.going.set(null);
        if ('problem' in step) this.problem.set(`${this.name()}: ${step.problem}`);
        else then(step.done);
      },
      error: () => {
        this.going.set(null);
        this.problem.set(`${this.name()} could not be read, and the fault is ours. The chart is as it was.`);
      },
    });
  }
}
