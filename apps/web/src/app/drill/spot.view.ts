import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { clockOf } from '@inky-shoal/core';
import { sceneWords, type Graded } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { firstValueFrom, interval } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import { sayClock } from '../sheet/words';
import { readInk } from '../ui/ink';
import type { ChartPicture } from '../water/chart-api';
import { ChartEngineService } from '../water/chart-engine.service';
import { ChartService, type ChartState, type OpenChart } from '../water/chart.service';
import { rgbOf, tintsOf } from '../water/chart-tints';
import { AnsweredComponent } from './answered.component';
import { PracticeService } from './practice.service';
import { SpotChartComponent } from './spot-chart.component';
import { cellAt, NO_MARKS, type Share, type SpotMarks } from './spot-picture';
import { standingChart } from './standing-chart';

const MINUTE_S = 60;
/** Best places that are marked afterwards. */
const MARKED = 3;

/** Spot it on the chart: the best place of an hour within a minute. What the planner's scan says of it grades. */
@Component({
  selector: 'inky-spot-drill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnsweredComponent, ButtonDirective, RouterLink, SpotChartComponent],
  templateUrl: './spot.view.html',
  styleUrl: './spot.view.css',
})
export class SpotView {
  private readonly engine = inject(ChartEngineService);
  private readonly practice = inject(PracticeService);

  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly state = toSignal(inject(ChartService).chartState$, {
    initialValue: { state: 'reading' } as ChartState,
  });
  protected readonly chart = standingChart(this.state);
  private readonly turn = signal(0);
  /** Another hour of the day every time. */
  protected readonly minute = computed(() => {
    const minutes = this.chart()?.minutes ?? [];
    return minutes[Math.floor(((0.3 + 0.382 * this.turn()) % 1) * minutes.length)] ?? 0;
  });
  protected readonly clock = computed(() => sayClock(clockOf(this.minute())));
  protected readonly words = computed(() => {
    const chart = this.chart();
    return chart ? sceneWords(chart.conditions, this.units()) : [];
  });

  protected readonly leftS = signal<number | null>(null);
  protected readonly graded = signal<Graded | null>(null);
  protected readonly problem = signal('');
  protected readonly said = signal('');
  protected readonly tint = signal<ChartPicture | null>(null);
  protected readonly marks = signal<SpotMarks>(NO_MARKS);
  private eventId = '';
  /** Which question stands: the chart is told anew whenever anything of the day changes, and asks nothing else by that. */
  private asked = '';

  constructor() {
    effect(() => {
      const [chart, minute] = [this.chart(), this.minute()];
      if (chart) untracked(() => void this.show(chart, minute));
    });
    interval(1000)
      .pipe(takeUntilDestroyed())
      .subscribe(() => {
        const left = this.leftS();
        if (left === null || this.graded() || document.visibilityState !== 'visible') return;
        this.leftS.set(Math.max(0, left - 1));
        if (left <= 1) void this.answer(null);
      });
  }

  protected begin(): void {
    this.leftS.set(MINUTE_S);
  }

  protected choose([x, y]: Share): void {
    const chart = this.chart();
    if (!chart) return;
    const cell = cellAt(chart, x, y);
    if (cell === null) this.problem.set('That is outside of the chart. Press on it.');
    else void this.answer(cell);
  }

  protected takeBack(): void {
    this.practice.takeBack([this.eventId]);
    this.again();
  }

  protected another(): void {
    this.again();
    this.turn.set(this.turn() + 1);
  }

  private async answer(cell: number | null): Promise<void> {
    const chart = this.chart();
    if (!chart || this.graded()) return;
    const [minute, units] = [this.minute(), this.units()];
    try {
      const graded = await firstValueFrom(this.engine.gradeSpot(cell, minute, units));
      const { heat, spots } = await firstValueFrom(this.engine.scanAt(minute, {}, units, rgbOf(readInk().fish)));
      const left = this.leftS() ?? 0;
      this.said.set(cell === null ? 'Nothing' : `After ${MINUTE_S - left} s`);
      this.marks.set({ own: cell, heat, best: spots.slice(0, MARKED) });
      const topic = `spot/${chart.water.waterKind}`;
      this.eventId = this.practice.add({ kind: 'answer', step: 'spot', topic, score: graded.score }).id;
      this.problem.set('');
      this.graded.set(graded);
    } catch {
      this.problem.set('This chart could not be judged, and the fault is ours. Take another hour.');
    }
  }

  private again(): void {
    this.graded.set(null);
    this.leftS.set(null);
    this.marks.set(NO_MARKS);
  }

  private async show({ water, conditions }: OpenChart, minute: number): Promise<void> {
    const asked = `${water.id} ${conditions.date} ${minute}`;
    if (asked !== this.asked) this.again();
    this.asked = asked;
    try {
      const isTidal = conditions.discipline === 'inshore';
      const { tint } = await firstValueFrom(this.engine.hourAt(tintsOf(readInk(), isTidal), minute));
      if (minute === this.minute()) this.tint.set(tint);
    } catch {
      this.problem.set(
        'This chart could not be drawn, and the fault is ours. Open it on the Water page and come back.',
      );
    }
  }
}
