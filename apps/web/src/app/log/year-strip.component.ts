import { ChangeDetectionStrategy, Component, computed, effect, type ElementRef, input, viewChild } from '@angular/core';
import { dayNumber, symbolOf, toShown, type UnitSystem } from '@inky-shoal/core';
import type { LogbookRow } from '@inky-shoal/core/logbook';
import type { Chart } from 'chart.js';
import type { Look } from '../base/settings.service';
import { axisFont, DrawnChart, roundTicks, ticksAcross, ticksUp } from '../ui/drawn-chart';
import { type Ink, readInk } from '../ui/ink';
import { penOf } from '../ui/pen';
import { sayDay } from './log-words';
import { drawStrip, monthStarts, monthWords, type TempLine } from './year-strip-pen';

/** Days beyond the first and the last trip. */
const BEYOND = 10;
/** Steps of the temperature that have room beside one another. */
const MOST_TEMPS = 4;
/** Room for a month's name, pixels. */
const MONTH_PX = 44;
/** The water's temperature as the trips read it, and each trip hanging from its day, longer by its fish. */
@Component({
  selector: 'inky-year-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas #canvas role="img" [attr.aria-label]="words()"></canvas>`,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 10.5rem;
    }
  `,
})
export class YearStripComponent {
  readonly rows = input.required<readonly LogbookRow[]>();
  /** Those that are found: the others stand faint. */
  readonly found = input.required<readonly LogbookRow[]>();
  readonly units = input.required<UnitSystem>();
  readonly look = input.required<Look>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly foundIds = computed(() => new Set(this.found().map(({ id }) => id)));
  private readonly trips = computed(() =>
    this.rows()
      .map((row) => ({ row, day: dayNumber(row.date) }))
      .reverse(),
  );
  private readonly lines = computed((): TempLine[] => {
    const byWater = new Map<string, { day: number; temp: number }[]>();
    for (const { row, day } of this.trips()) {
      if (row.surfaceTempC === null) continue;
      const key = row.waterId ?? '';
      byWater.set(key, [...(byWater.get(key) ?? []), { day, temp: toShown('temp', row.surfaceTempC, this.units()) }]);
    }
    return [...byWater.values()].map((points) => ({ points }));
  });
  protected readonly words = computed(() => {
    const trips = this.trips();
    const [first, last] = [trips[0]?.row.date, trips.at(-1)?.row.date];
    if (!first || !last) return 'No trips yet.';
    return `Water temperature and trips by day, ${sayDay(first)} to ${sayDay(last)}: ${this.found().length} of ${trips.length} trips.`;
  });
  private ink: Ink | null = null;
  private readonly chart = new DrawnChart({
    canvas: () => this.canvas().nativeElement,
    layers: { id: 'trips', afterDraw: (chart) => this.draw(chart) },
    axes: () => this.axes(),
    points: () => this.lines().flatMap(({ points }) => points.map(({ day, temp }) => ({ x: day, y: temp }))),
  });

  constructor() {
    effect(() => {
      this.look();
      this.lines();
      this.foundIds();
      this.ink = readInk();
      this.chart.redraw();
    });
  }

  private draw(chart: Chart): void {
    const trips = this.trips().map(({ row: { id, fish, surfaceTempC }, day }) => ({
      day,
      fish,
      temp: surfaceTempC === null ? null : toShown('temp', surfaceTempC, this.units()),
      isFound: this.foundIds().has(id),
    }));
    drawStrip(penOf(chart), this.ink ?? readInk(), this.lines(), trips);
  }

  private axes() {
    const ink = (this.ink ??= readInk());
    const days = this.trips().map(({ day }) => day);
    const temps = this.lines().flatMap(({ points }) => points.map(({ temp }) => temp));
    const [first, last] = [Math.min(...days) - BEYOND, Math.max(...days) + BEYOND];
    const units = this.units();
    const room = this.canvas().nativeElement.clientWidth;
    return {
      layout: { padding: { top: 6, right: 4 } },
      scales: {
        x: {
          type: 'linear' as const,
          min: days.length ? first : 0,
          max: days.length ? last : 1,
          border: { color: ink.ink },
          grid: { display: false },
          afterBuildTicks: (axis: { ticks: { value: number }[] }) => {
            axis.ticks = days.length ? monthStarts(first, last, Math.max(4, room / MONTH_PX)) : [];
          },
          ticks: { ...ticksAcross(ink), callback: (value: string | number) => monthWords(Number(value)) },
        },
        y: {
          type: 'linear' as const,
          min: temps.length ? Math.floor(Math.min(...temps) - 6) : 0,
          max: temps.length ? Math.ceil(Math.max(...temps) + 2) : 1,
          border: { color: ink.ink },
          grid: { display: false },
          title: { display: true, text: symbolOf('temp', units), color: ink.ink2, font: axisFont(ink) },
          afterBuildTicks: (axis: { min: number; max: number; ticks: { value: number }[] }) => {
            axis.ticks = roundTicks(axis.min, axis.max, MOST_TEMPS);
          },
          ticks: {
            ...ticksUp(ink),
            callback: (value: string | number) => String(Math.round(Number(value))),
          },
        },
      },
    };
  }
}
