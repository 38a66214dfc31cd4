import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, input, output, viewChild } from '@angular/core';
import type { SeasonYear, SeasonZone, UnitSystem } from '@inky-shoal/core';
import type { Look } from '../base/settings.service';
import { DrawnChart } from '../ui/drawn-chart';
import { readInk } from '../ui/ink';
import { GUTTER, yearAxes } from './chart/year-axes';
import { AXIS_HEIGHT, roomBelow, yearLayers, type YearScene } from './chart/year-layers';
import { yearPicture } from './chart/year-picture';

const TEMPS_HEIGHT = 250;
/** The year as one picture: temperatures of the zones, phases, food and moon over the same days. */
@Component({
  selector: 'inky-year-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div #frame class="frame" tabindex="0" role="region" aria-label="The year by day">
    <div class="sheet" [style.height.px]="height()">
      <!-- The axis and the names of the rows stay in sight while the year is moved under them. -->
      <canvas #margin class="margin" aria-hidden="true" [style.margin-bottom.px]="-height()"></canvas>
      <canvas
        #canvas
        role="img"
        [attr.aria-label]="words()"
        (pointermove)="onPoint($event)"
        (pointerleave)="hovered.emit(null)"
        (click)="onPick($event)"
      ></canvas>
    </div>
  </div>`,
  styleUrl: './year-chart.component.css',
})
export class YearChartComponent {
  readonly year = input.required<SeasonYear>();
  readonly zone = input.required<SeasonZone>();
  readonly units = input.required<UnitSystem>();
  readonly look = input.required<Look>();
  readonly lastYear = input(false);
  /** The day that is read. */
  readonly day = input.required<number>();
  /** The temperature of that day, in words. */
  readonly dayText = input.required<string>();
  readonly words = input.required<string>();
  /** The day under the pointer. */
  readonly hovered = output<number | null>();
  /** The day pressed. */
  readonly picked = output<number>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly margin = viewChild.required<ElementRef<HTMLCanvasElement>>('margin');
  private readonly frame = viewChild.required<ElementRef<HTMLElement>>('frame');
  private readonly picture = computed(() => yearPicture(this.year(), this.zone(), this.units(), this.lastYear()));
  protected readonly height = computed(() => TEMPS_HEIGHT + AXIS_HEIGHT + roomBelow(this.picture()));
  private scene: YearScene | null = null;
  private readonly layers = yearLayers(() => this.scene);
  private readonly chart = new DrawnChart({
    canvas: () => this.canvas().nativeElement,
    layers: {
      ...this.layers,
      afterDraw: (chart, ...rest) => {
        void this.layers.afterDraw?.(chart, ...rest);
        this.copyMargin(chart.canvas);
      },
    },
    axes: () => yearAxes(this.scene as YearScene, this.units()),
    points: () => this.picture().temps.map((y, at) => ({ x: this.picture().firstDay + at, y })),
    made: () => this.showToday(),
  });

  constructor() {
    effect(() => {
      this.look();
      this.scene = { picture: this.picture(), ink: readInk(), day: this.day(), dayText: this.dayText() };
      this.chart.redraw();
    });
  }

  protected onPoint(event: PointerEvent): void {
    if (event.pointerType === 'mouse') this.hovered.emit(this.dayAt(event));
  }

  protected onPick(event: MouseEvent): void {
    this.picked.emit(this.dayAt(event));
  }

  private dayAt({ offsetX }: MouseEvent): number {
    const { firstDay, lastDay } = this.picture();
    const day = Math.round(this.chart.valueAt(offsetX) ?? firstDay);
    return Math.min(lastDay, Math.max(firstDay, day));
  }

  /** Copies the axis and the names of the rows, as they are drawn, over what is moved under them. */
  private copyMargin(drawn: HTMLCanvasElement): void {
    const margin = this.margin().nativeElement;
    const density = drawn.width / (drawn.clientWidth || 1);
    margin.width = Math.round(GUTTER * density);
    margin.height = drawn.height;
    margin.style.width = `${GUTTER}px`;
    margin.style.height = `${drawn.clientHeight}px`;
    const context = margin.getContext('2d');
    if (!context || !this.scene || !margin.width || !margin.height) return;
    context.fillStyle = this.scene.ink.paper;
    context.fillRect(0, 0, margin.width, margin.height);
    context.drawImage(drawn, 0, 0, margin.width, margin.height, 0, 0, margin.width, margin.height);
  }

  /** On a narrow screen the year is wider than the page: begin with today in sight. */
  private showToday(): void {
    const frame = this.frame().nativeElement;
    const { firstDay, lastDay, today } = this.picture();
    const share = (today - firstDay) / (lastDay - firstDay);
    frame.scrollLeft = share * frame.scrollWidth - frame.clientWidth / 2;
  }
}
