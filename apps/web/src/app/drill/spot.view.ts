import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { clockOf } from '@inky-shoal/core';
import { sceneWords, type Graded } from '@inky-shoal/core/drill';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import { ButtonDirective } from 'primeng/button';
import { firstValueFrom, interval } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import { sayClock } from '../sheet/words';
import { readInk } from '../ui/ink';
import type { ChartPicture } from '../water/chart-api';
import { ChartEngineService } from '../water/chart-engine.service';
import { ChartService, type OpenChart } from '../water/chart.service';
import { rgbOf, tintsOf } from '../water/chart-tints';
import { AnsweredComponent } from './answered.component';
import { PracticeService } from './practice.service';

const MINUTE_S = 60;
/** The crosshair moves so far by a key, as a share of the chart. */
const KEY_STEP = 0.02;
/** Best places that are marked afterwards. */
const MARKED = 3;

/** Spot it on the chart: the best place of an hour within a minute. What the planner's scan says of it grades. */
@Component({
  selector: 'inky-spot-drill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnsweredComponent, ButtonDirective, RouterLink],
  templateUrl: './spot.view.html',
  styles: `
    canvas {
      display: block;
      width: 100%;
      max-width: 46rem;
      max-height: 75vh;
      object-fit: contain;
      object-position: left top;
      border: var(--stroke) solid var(--rule);
      touch-action: manipulation;
      cursor: crosshair;
    }
    p {
      margin: 0.5rem 0;
    }
    .scene p {
      margin: 0.15rem 0;
    }
  `,
})
export class SpotView {
  private readonly engine = inject(ChartEngineService);
  private readonly practice = inject(PracticeService);
  private readonly canvas = viewChild<ElementRef<HTMLCanvasElement>>('chart');

  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly state = toSignal(inject(ChartService).chartState$, {
    initialValue: { state: 'reading' as const },
  });
  protected readonly chart = computed((): OpenChart | null => {
    const state = this.state();
    return state.state === 'ready' ? state.chart : null;
  });
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
  /** The crosshair that keys move, shares of the chart; null while it is not used. */
  private readonly aim = signal<readonly [number, number] | null>(null);
  private tint: ChartPicture | null = null;
  private heat: ChartPicture | null = null;
  private best: readonly PlacedSpot[] = [];
  private own: number | null = null;
  private eventId = '';

  constructor() {
    effect(() => {
      const [chart, minute] = [this.chart(), this.minute()];
      if (chart && this.canvas()) untracked(() => void this.show(chart, minute));
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

  protected press({ clientX, clientY }: MouseEvent): void {
    const canvas = this.canvas()?.nativeElement;
    if (!canvas || this.leftS() === null || this.graded()) return;
    const box = canvas.getBoundingClientRect();
    // The picture keeps its shape within the box, from its upper left corner.
    const scale = Math.min(box.width / canvas.width, box.height / canvas.height);
    this.choose((clientX - box.left) / scale / canvas.width, (clientY - box.top) / scale / canvas.height);
  }

  protected key(event: KeyboardEvent): void {
    if (this.leftS() === null || this.graded()) return;
    const [x, y] = this.aim() ?? [0.5, 0.5];
    const ways: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-KEY_STEP, 0],
      ArrowRight: [KEY_STEP, 0],
      ArrowUp: [0, -KEY_STEP],
      ArrowDown: [0, KEY_STEP],
    };
    const way = ways[event.key];
    if (event.key === 'Enter') this.choose(x, y);
    else if (way) {
      this.aim.set([Math.min(1, Math.max(0, x + way[0])), Math.min(1, Math.max(0, y + way[1]))]);
      this.draw();
    } else return;
    event.preventDefault();
  }

  protected takeBack(): void {
    this.practice.takeBack([this.eventId]);
    this.again();
  }

  protected another(): void {
    this.turn.set(this.turn() + 1);
  }

  private choose(x: number, y: number): void {
    const chart = this.chart();
    if (!chart) return;
    const { west, east, north, south } = chart.wet;
    if (x < 0 || x >= 1 || y < 0 || y >= 1) {
      this.problem.set('That is outside of the chart. Press on it.');
      return;
    }
    const [col, row] = [west + Math.floor(x * (east - west + 1)), north + Math.floor(y * (south - north + 1))];
    void this.answer(row * chart.frame.cols + col);
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
      [this.own, this.heat, this.best] = [cell, heat, spots.slice(0, MARKED)];
      const topic = `spot/${chart.water.waterKind}`;
      this.eventId = this.practice.add({ kind: 'answer', step: 'spot', topic, score: graded.score }).id;
      this.problem.set('');
      this.graded.set(graded);
      this.draw();
    } catch {
      this.problem.set('This chart could not be judged, and the fault is ours. Take another hour.');
    }
  }

  private again(): void {
    this.graded.set(null);
    this.leftS.set(null);
    this.aim.set(null);
    [this.own, this.heat, this.best] = [null, null, []];
    this.draw();
  }

  private async show({ conditions }: OpenChart, minute: number): Promise<void> {
    this.again();
    try {
      const isTidal = conditions.discipline === 'inshore';
      const { tint } = await firstValueFrom(this.engine.hourAt(tintsOf(readInk(), isTidal), minute));
      if (minute !== this.minute()) return;
      this.tint = tint;
      this.draw();
    } catch {
      this.problem.set(
        'This chart could not be drawn, and the fault is ours. Open it on the Water page and come back.',
      );
    }
  }

  private draw(): void {
    const [canvas, chart] = [this.canvas()?.nativeElement, this.chart()];
    const context = canvas?.getContext('2d');
    if (!canvas || !chart || !context) return;
    const { west, east, north, south } = chart.wet;
    const [width, height] = [east - west + 1, south - north + 1];
    if (canvas.width !== width || canvas.height !== height) [canvas.width, canvas.height] = [width, height];
    context.clearRect(0, 0, width, height);
    for (const picture of [this.tint, this.heat]) {
      if (picture && 'width' in picture) context.drawImage(picture, -west, -north);
    }
    const unit = Math.max(width, height) / 60;
    const ink = readInk();
    const mark = (cell: number, colour: string, name: string) => {
      const [x, y] = [(cell % chart.frame.cols) - west, Math.floor(cell / chart.frame.cols) - north];
      context.strokeStyle = colour;
      context.fillStyle = colour;
      context.lineWidth = unit / 4;
      context.beginPath();
      context.arc(x, y, unit, 0, 2 * Math.PI);
      context.stroke();
      context.font = `700 ${2.2 * unit}px ${ink.text}`;
      context.fillText(name, x + 1.4 * unit, y + 0.8 * unit);
    };
    this.best.forEach(({ cell }, at) => mark(cell, ink.ink, String(at + 1)));
    if (this.own !== null) mark(this.own, ink.act, 'you');
    const aim = this.aim();
    if (aim && !this.graded()) {
      context.strokeStyle = ink.act;
      context.lineWidth = unit / 4;
      context.beginPath();
      context.moveTo(aim[0] * width - unit, aim[1] * height);
      context.lineTo(aim[0] * width + unit, aim[1] * height);
      context.moveTo(aim[0] * width, aim[1] * height - unit);
      context.lineTo(aim[0] * width, aim[1] * height + unit);
      context.stroke();
    }
  }
}
