import { ChangeDetectionStrategy, Component, computed, effect, type ElementRef, input, viewChild } from '@angular/core';
import type { Chart } from 'chart.js';
import type { Look } from '../base/settings.service';
import { axisFont, DrawnChart, roundTicks, ticksAcross } from '../ui/drawn-chart';
import { type Ink, readInk } from '../ui/ink';
import { penOf } from '../ui/pen';
import { type Dot, drawDots } from './dots-pen';

const ROW_PX = 30;
const AXIS_PX = 46;
/** Steps of the scale that have room beside one another. */
const MOST_RATES = 6;
/** Room for the names to the left, at most and of the whole. */
const NAMES_PX = 240;
const NAMES_SHARE = 0.42;
/** How wide a letter of a name is, of the root size. */
const LETTER = 0.41;
/** A range that reaches farther than so many times the highest rate is cut: nobody knows. */
const MOST_TIMES = 1.8;

/** Rates as dots along one scale, with the ranges in which they lie four times in five; what rests on little stands faint. */
@Component({
  selector: 'inky-dots',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="frame" [style.height.px]="height()">
    <canvas #canvas role="img" [attr.aria-label]="words()"></canvas>
  </div>`,
  styles: `
    :host {
      display: block;
      max-width: 46rem;
    }
    .frame {
      position: relative;
    }
  `,
})
export class DotsChartComponent {
  readonly dots = input.required<readonly Dot[]>();
  /** What is usual over all, drawn as a line. */
  readonly usual = input.required<number>();
  /** What the scale counts. */
  readonly counts = input.required<string>();
  readonly look = input.required<Look>();
  readonly words = input.required<string>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  protected readonly height = computed(() => AXIS_PX + ROW_PX * Math.max(1, this.dots().length));
  private readonly most = computed(() => {
    const highest = Math.max(this.usual(), ...this.dots().map(({ value }) => value), 0.1);
    return Math.min(highest * MOST_TIMES, Math.max(highest, ...this.dots().map(({ high }) => high)) * 1.05);
  });
  private ink: Ink | null = null;
  private readonly chart = new DrawnChart({
    canvas: () => this.canvas().nativeElement,
    layers: { id: 'dots', afterDraw: (chart) => this.draw(chart) },
    axes: () => this.axes(),
    points: () => this.dots().map(({ value }, at) => ({ x: value, y: at })),
  });

  constructor() {
    effect(() => {
      this.look();
      this.dots();
      this.usual();
      this.counts();
      this.ink = readInk();
      this.chart.redraw();
    });
  }

  private draw(chart: Chart): void {
    drawDots(penOf(chart), this.ink ?? readInk(), this.dots(), { usual: this.usual(), most: this.most() });
  }

  private axes() {
    const ink = (this.ink ??= readInk());
    const dots = this.dots();
    // The chart's own width, since the page may be laid out anew.
    const roomIn = (chart: Chart): number => Math.min(NAMES_PX, chart.width * NAMES_SHARE);
    const short = (name: string, room: number): string => {
      const letters = Math.floor(room / (ink.sizePx * LETTER));
      return name.length > letters ? `${name.slice(0, letters - 1)}…` : name;
    };
    return {
      layout: { padding: { top: 4, right: 10 } },
      scales: {
        x: {
          type: 'linear' as const,
          position: 'top' as const,
          min: 0,
          max: this.most(),
          border: { color: ink.ink },
          grid: { color: ink.rule },
          title: { display: true, text: this.counts(), color: ink.ink2, font: axisFont(ink) },
          afterBuildTicks: (axis: { min: number; max: number; ticks: { value: number }[] }) => {
            axis.ticks = roundTicks(axis.min, axis.max, MOST_RATES);
          },
          ticks: ticksAcross(ink),
        },
        y: {
          type: 'linear' as const,
          reverse: true,
          min: -0.5,
          max: dots.length - 0.5,
          border: { color: ink.ink },
          grid: { display: false },
          afterBuildTicks: (axis: { ticks: { value: number }[] }) => {
            axis.ticks = dots.map((_, value) => ({ value }));
          },
          afterFit: (axis: { chart: Chart; width: number }) => {
            axis.width = roomIn(axis.chart);
          },
          ticks: {
            ...ticksAcross(ink),
            color: ink.ink,
            callback(this: { chart: Chart }, value: string | number): string {
              return short(dots[Number(value)]?.name ?? '', roomIn(this.chart));
            },
          },
        },
      },
    };
  }
}
