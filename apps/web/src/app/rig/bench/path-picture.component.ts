import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { symbolOf, toShown, type UnitSystem } from '@inky-shoal/core';
import type { Plugin } from 'chart.js';
import { SettingsService } from '../../base/settings.service';
import { DrawnChart, ticksAcross, ticksUp, type Point } from '../../ui/drawn-chart';
import { readInk } from '../../ui/ink';
import { penOf } from '../../ui/pen';
import { drawPath, drawWater, type PathScene, type ShownPath } from './path-pen';

/** The way of a lure through the water: across, and down. */
@Component({
  selector: 'inky-path-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './path-picture.component.html',
  styleUrl: './path-picture.component.css',
})
export class PathPictureComponent {
  readonly scene = input.required<PathScene>();
  readonly units = input.required<UnitSystem>();
  /** The picture in words. */
  readonly label = input.required<string>();

  private readonly look = toSignal(inject(SettingsService).look$, { requireSync: true });
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly points = computed((): Point[] => {
    const { path, across } = this.scene();
    const units = this.units();
    return path.map(([x, depth]) => ({
      x: across === 'distance' ? toShown('depth', x, units) : x,
      y: toShown('depth', depth, units),
    }));
  });
  private drawn: ShownPath | null = null;
  private readonly chart = new DrawnChart({
    canvas: () => this.canvas().nativeElement,
    layers: this.layers(),
    axes: () => this.axes(),
    points: () => this.points(),
  });

  constructor() {
    effect(() => {
      this.look();
      const [scene, units, points] = [this.scene(), this.units(), this.points()];
      const depths = [...scene.path.map(([, depth]) => depth), scene.bandM?.[1] ?? 0, scene.wantedM ?? 0];
      const bottom = Math.max(0, ...(scene.bottomM ?? []).map(([, depth]) => depth));
      const deepest = toShown('depth', Math.max(0.6, bottom || 1.2 * Math.max(...depths)), units);
      this.drawn = {
        ...scene,
        ink: readInk(),
        units,
        most: Math.max(...points.map(({ x }) => x), 1),
        deepest: Math.ceil(deepest),
      };
      this.chart.redraw();
    });
  }

  private layers(): Plugin<'line'> {
    return {
      id: 'inky-path',
      beforeDatasetsDraw: (chart) => {
        if (this.drawn) drawWater(penOf(chart), this.drawn);
      },
      afterDatasetsDraw: (chart) => {
        if (this.drawn) drawPath(penOf(chart), this.drawn, this.points());
      },
    };
  }

  private axes() {
    const { ink, most, deepest, across } = this.drawn as ShownPath;
    const unit = symbolOf('depth', this.units());
    const says = (symbol: string) => (value: string | number) => (Number(value) === 0 ? symbol : String(value));
    const axis = { type: 'linear' as const, min: 0, border: { color: ink.ink }, grid: { display: false } };
    return {
      layout: { padding: { top: 6, right: 8 } },
      scales: {
        x: {
          ...axis,
          max: Math.ceil(most),
          ticks: {
            ...ticksAcross(ink),
            autoSkip: true,
            maxTicksLimit: 8,
            callback: says(across === 'distance' ? unit : 's'),
          },
        },
        y: { ...axis, reverse: true, max: deepest, ticks: { ...ticksUp(ink), maxTicksLimit: 8, callback: says(unit) } },
      },
    };
  }
}
