import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import type { Water } from '@inky-shoal/core';
import { checkSize, FileProblem, type BedChoices } from '@inky-shoal/core/formats/bathymetry';
import { finalize, type Observable, type Subscription } from 'rxjs';
import { NoticeService } from '../../base/notice.service';
import type { BedRead, LaidChart } from '../chart-files-api';
import { ChartFilesService, type FileProgress } from '../chart-files.service';
import { ChartService } from '../chart.service';

/** What goes on, for who waits for it. */
export type BedWork = 'reading' | 'laying' | 'keeping';
const MAX_SOURCE = 120;

/** A file of depths on its way to being the chart: read, laid as its figures are meant, kept; or stopped at any of these. */
@Injectable()
export class BedImportSession {
  private readonly files = inject(ChartFilesService);
  private readonly charts = inject(ChartService);
  private readonly notices = inject(NoticeService);
  private work: Subscription | undefined;

  readonly going = signal<BedWork | null>(null);
  readonly share = signal(0);
  readonly problem = signal('');
  readonly name = signal('');
  readonly found = signal<BedRead | null>(null);
  readonly choices = signal<BedChoices | null>(null);
  readonly laid = signal<LaidChart | null>(null);

  constructor() {
    // What was read is large, and of no use without this form.
    inject(DestroyRef).onDestroy(() => this.files.rest());
  }

  open(file: File, water: Water): void {
    this.forget();
    this.name.set(file.name);
    try {
      checkSize(file.name, file.size);
    } catch (error) {
      if (!(error instanceof FileProblem)) throw error;
      this.problem.set(error.message);
      return;
    }
    this.follow('reading', this.files.readBed(file, lakeOf(water)), (found) => {
      this.found.set(found);
      this.choices.set(found.guess);
      this.lay(water);
    });
  }

  /** Has its figures read otherwise. */
  choose(change: Partial<BedChoices>, water: Water): void {
    const choices = this.choices();
    if (!choices) return;
    this.choices.set({ ...choices, ...change });
    this.lay(water);
  }

  /** Stops what goes on; what was kept stays as it is. */
  stop(): void {
    this.work?.unsubscribe();
    this.going.set(null);
    this.forget();
    this.notices.say('Stopped. The chart is as it was.');
  }

  /** Makes what was laid the chart of a water. */
  keep(water: Water): void {
    const laid = this.laid();
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

  private lay(water: Water): void {
    const choices = this.choices();
    if (!choices) return;
    this.laid.set(null);
    this.problem.set('');
    const source = this.name().slice(0, MAX_SOURCE);
    this.follow('laying', this.files.layBed(choices, lakeOf(water), source), (laid) => this.laid.set(laid));
  }

  private forget(): void {
    this.found.set(null);
    this.choices.set(null);
    this.laid.set(null);
    this.problem.set('');
  }

  private follow<T>(work: BedWork, steps: Observable<FileProgress<T>>, then: (result: T) => void): void {
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

const lakeOf = ({ name, place }: Water) => ({ name, lonLat: [place.longitude, place.latitude] as const });
