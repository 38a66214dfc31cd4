import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { clockOf, symbolOf, type PlannedDay, type UnitSystem } from '@inky-shoal/core';
import type { Look } from '../../base/settings.service';
import { sayClock } from '../words';
import { DrawnChart, ticksAcross, ticksUp } from '../../ui/drawn-chart';
import { readInk } from '../../ui/ink';
import { sheetLayers, type Over, type Scene } from './layers';
import { describe, pictureOf } from './picture';
import type { drawTide } from './tide-layer';

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
        max-height: 2.7in;
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
  /** Draws what was found on the day over it. */
  readonly over = input<Over | null>(null);
  /** A small picture: strokes and the moment go without words. */
  readonly small = input(false);
  readonly windowChosen = output<string>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly picture = computed(() => pictureOf(this.day(), this.units()));
  protected readonly words = computed(() => `Hours of the day by depth. ${describe(this.day(), this.units())}.`);
  private scene: Scene | null = null;
  private readonly chart = new DrawnChart({
    canvas: () => this.canvas().nativeElement,
    layers: sheetLayers(() => this.scene),
    axes: () => this.axes(),
    points: () => (this.picture().groups[0]?.band ?? []).map(({ x, top, low }) => ({ x, y: (top + low) / 2 })),
  });

  /** What draws the tide comes once a day has one. */
  private readonly drawTide = signal<typeof drawTide | null>(null);

  constructor() {
    effect(() => {
      if (this.day().tide && !untracked(this.drawTide)) {
        // Where it cannot be fetched the surface moves all the same.
        import('./tide-layer').then((layer) => this.drawTide.set(layer.drawTide)).catch(() => undefined);
      }
    });
    effect(() => {
      this.look();
      const now = this.nowMin();
      const [{ tide }, draw] = [this.day(), this.drawTide()];
      this.scene = {
        picture: this.picture(),
        ink: readInk(),
        selectedId: this.selectedId(),
        nowMin: now,
        nowText: now === null || this.small() ? '' : sayClock(clockOf(now)),
        named: !this.small(),
        over: this.over(),
        tide: tide && draw ? (pen, scene) => draw(pen, scene, tide) : null,
      };
      if (this.chart.redraw()) performance.mark('inky:drawn');
    });
  }

  protected onClick(event: MouseEvent): void {
    const minute = this.chart.valueAt(event.offsetX);
    const hit = this.picture().windows.find(
      ({ fromMin, toMin }) => minute !== undefined && minute >= fromMin && minute < toMin,
    );
    if (hit) this.windowChosen.emit(hit.id);
  }

  private axes() {
    const { picture, ink } = this.scene as Scene;
    const units = this.units();
    const hours = (picture.toMin - picture.fromMin) / 60;
    const narrow = this.canvas().nativeElement.clientWidth < 500;
    return {
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
            ...ticksAcross(ink),
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
            ...ticksUp(ink),
            maxTicksLimit: this.small() ? 4 : 10,
            callback: (value: string | number) => (Number(value) === 0 ? symbolOf('depth', units) : String(value)),
          },
        },
      },
    };
  }
}
