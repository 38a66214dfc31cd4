import { afterNextRender, DestroyRef, inject } from '@angular/core';
import {
  Chart,
  type ChartOptions,
  LinearScale,
  LineController,
  LineElement,
  type Plugin,
  PointElement,
  type ScaleOptionsByType,
} from 'chart.js';
import type { Ink } from './ink';

Chart.register(LineController, LineElement, PointElement, LinearScale);

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** What is drawn: axes by the chart, all else by its layers. */
export interface Drawing {
  readonly canvas: () => HTMLCanvasElement;
  readonly layers: Plugin<'line'>;
  readonly axes: () => Pick<ChartOptions<'line'>, 'layout' | 'scales'>;
  /** The layers draw them; they stand here so that the chart knows its own data. */
  readonly points: () => readonly Point[];
  /** The chart stands on the page. */
  readonly made?: () => void;
}

/** A still picture over two linear axes. To be made in a component's constructor: it comes and goes with it. */
export class DrawnChart {
  private chart: Chart<'line', Point[]> | null = null;

  constructor(private readonly drawing: Drawing) {
    afterNextRender(() => {
      this.chart = new Chart<'line', Point[]>(drawing.canvas(), {
        type: 'line',
        data: this.data(),
        options: this.options(),
        plugins: [drawing.layers],
      });
      drawing.made?.();
      // Figures drawn before their font has come are drawn again with it.
      void document.fonts.ready.then(() => this.chart?.draw());
    });
    inject(DestroyRef).onDestroy(() => {
      this.chart?.destroy();
      // Its fonts may come after it has gone.
      this.chart = null;
    });
  }

  /** Draws again what has changed; true where the chart stands already. */
  redraw(): boolean {
    if (!this.chart) return false;
    this.chart.data = this.data();
    this.chart.options = this.options();
    this.chart.update('none');
    return true;
  }

  /** What stands at a place across the canvas, in pixels. */
  valueAt(offsetX: number): number | undefined {
    return this.chart?.scales['x']?.getValueForPixel(offsetX);
  }

  private data() {
    return { datasets: [{ data: [...this.drawing.points()], pointRadius: 0, borderWidth: 0 }] };
  }

  private options(): ChartOptions<'line'> {
    return {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      plugins: { legend: { display: false }, tooltip: { enabled: false } },
      ...this.drawing.axes(),
    };
  }
}

type Ticks = Partial<ScaleOptionsByType<'linear'>['ticks']>;

/** What an axis is written in. */
export const axisFont = ({ text, sizePx }: Ink): { family: string; size: number } => ({
  family: text.split(',')[0]?.replaceAll("'", '') ?? '',
  size: sizePx * 0.8,
});

/** Ticks across: every one that is asked for, upright. */
export const ticksAcross = (ink: Ink): Ticks => ({
  autoSkip: false,
  maxRotation: 0,
  color: ink.ink2,
  font: axisFont(ink),
});

/** Figures up the side. */
export const ticksUp = ({ ink2, sizePx }: Ink): Ticks => ({
  color: ink2,
  font: { family: 'Fraunces', style: 'italic', size: sizePx * 0.85 },
});

const ROUND = [1, 2, 5];

/** Round figures between two, at most so many steps of them. */
export function roundTicks(from: number, to: number, mostSteps: number): { value: number }[] {
  const least = (to - from) / mostSteps;
  const ten = 10 ** Math.floor(Math.log10(least));
  const step = ten * (ROUND.find((each) => each * ten >= least) ?? 10);
  const ticks: { value: number }[] = [];
  // Sums of tenths are off by their last digits.
  const at = (count: number): number => Number((count * step).toPrecision(12));
  for (let count = Math.ceil(from / step); at(count) <= to; count++) ticks.push({ value: at(count) });
  return ticks;
}
