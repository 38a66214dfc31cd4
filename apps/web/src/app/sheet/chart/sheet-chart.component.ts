import type { ElementRef } from '@angular/core';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { clockOf, symbolOf, type PlannedDay, type UnitSystem } from '@inky-shoal/core';
import { Chart, LinearScale, LineController, LineElement, PointElement } from 'chart.js';
import type { Look } from '../../state/settings.service';
import { sayClock } from '../words';
import { readInk } from '../../ui/ink';
import { sheetLayers, type Scene } from './layers';
import { describe, pictureOf } from './picture';

Chart.register(LineController, LineElement, PointElement, LinearScale);

/** The sheet: hours across, depth down; light, fish, lures and the present moment. */
@Component({
  selector: 'inky-sheet-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas #canvas role="img" [attr.aria-label]="words()" (click)="onClick($event)"></canvas>`,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 100%;
    }
    canvas {
      cursor: pointer;
    }
    @media print {
      canvas {
        width: auto !important;
        height: auto !important;
        max-width: 100%;
        max-height: 2.9in;
      }
    }
  `,
})
export class SheetChartComponent {
  readonly day = input.required<PlannedDay>();
  readonly units = input.required<UnitSystem>();
  readonly look = input.required<Look>();
  readonly selectedId = input.required<string | null>();
  readonly nowMin = input.required<number | null>();
  readonly windowChosen = output<string>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly picture = computed(() => pictureOf(this.day(), this.units()));
  protected readonly words = computed(() => `Hours of the day by depth. ${describe(this.day(), this.units())}.`);
  private chart: Chart<'line', { x: number; y: number }[]> | null = null;
  private scene: Scene | null = null;

  constructor() {
    afterNextRender(() => {
      this.chart = this.make();
      // Figures drawn before their font has come are drawn again with it.
      void document.fonts.ready.then(() => this.chart?.draw());
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
    effect(() => {
      this.look();
      const now = this.nowMin();
      this.scene = {
        picture: this.picture(),
        ink: readInk(),
        selectedId: this.selectedId(),
        nowMin: now,
        nowText: now === null ? '' : sayClock(clockOf(now)),
      };
      this.redraw();
    });
  }

  protected onClick(event: MouseEvent): void {
    const minute = this.chart?.scales['x']?.getValueForPixel(event.offsetX);
    const hit = this.picture().windows.find(
      ({ fromMin, toMin }) => minute !== undefined && minute >= fromMin && minute < toMin,
    );
    if (hit) this.windowChosen.emit(hit.id);
  }

  private options() {
    const { picture, ink } = this.scene as Scene;
    const units = this.units();
    const text = { family: ink.text.split(',')[0]?.replaceAll("'", '') ?? '', size: ink.sizePx * 0.8 };
    const hours = (picture.toMin - picture.fromMin) / 60;
    const narrow = this.canvas().nativeElement.clientWidth < 500;
    return {
      animation: false as const,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      layout: { padding: { top: 6, right: 4 } },
      scales: {
        x: {
          type: 'linear' as const,
          min: picture.fromMin,
          max: picture.toMin,
          border: { color: ink.ink },
          grid: { display: false },
          afterBuildTicks: (axis: { ticks: { value: number }[] }) => {
            const step = 60 * Math.max(1, Math.ceil(hours / (narrow ? 5 : 11)));
            const first = Math.ceil(picture.fromMin / step) * step;
            axis.ticks = [];
            for (let value = first; value <= picture.toMin; value += step) axis.ticks.push({ value });
          },
          ticks: {
            autoSkip: false,
            maxRotation: 0,
            color: ink.ink2,
            font: text,
            callback: (value: string | number) => sayClock(clockOf(Number(value))),
          },
        },
        y: {
          type: 'linear' as const,
          reverse: true,
          min: 0,
          max: picture.deepest,
          border: { color: ink.ink },
          grid: { display: false },
          ticks: {
            maxTicksLimit: 10,
            callback: (value: string | number) => (Number(value) === 0 ? symbolOf('depth', units) : String(value)),
            color: ink.ink2,
            font: { family: 'Fraunces', style: 'italic' as const, size: ink.sizePx * 0.85 },
          },
        },
      },
      plugins: { legend: { display: false }, tooltip: { enabled: false } },
    };
  }

  private make(): Chart<'line', { x: number; y: number }[]> {
    return new Chart<'line', { x: number; y: number }[]>(this.canvas().nativeElement, {
      type: 'line',
      // The band is drawn by a layer; its middle stands here so that the chart knows its own data.
      data: { datasets: [{ data: this.points(), pointRadius: 0, borderWidth: 0 }] },
      options: this.options(),
      plugins: [sheetLayers(() => this.scene)],
    });
  }

  private points(): { x: number; y: number }[] {
    return this.picture().band.map(({ x, top, low }) => ({ x, y: (top + low) / 2 }));
  }

  private redraw(): void {
    if (!this.chart) return;
    const [dataset] = this.chart.data.datasets;
    if (dataset) dataset.data = this.points();
    this.chart.options = this.options();
    this.chart.update('none');
    performance.mark('inky:drawn');
  }
}
