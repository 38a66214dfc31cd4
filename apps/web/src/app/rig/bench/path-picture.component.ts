import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { say, symbolOf, toShown, type UnitSystem } from '@inky-shoal/core';
import type { Plugin } from 'chart.js';
import { SettingsService } from '../../base/settings.service';
import { DrawnChart, ticksAcross, ticksUp, type Point } from '../../ui/drawn-chart';
import { readInk, type Ink } from '../../ui/ink';
import { clipped, halo, penOf, type Pen } from '../../ui/pen';

/** A way through the water to be drawn, in SI. */
export interface PathScene {
  /** Across and down, in the order of the way. */
  readonly path: readonly (readonly [number, number])[];
  /** What stands across: metres from the angler, or seconds. */
  readonly across: 'distance' | 'seconds';
  readonly bandM?: readonly [number, number] | undefined;
  readonly bottomM?: readonly (readonly [number, number])[] | undefined;
  readonly wantedM?: number | undefined;
}

interface Scene extends PathScene {
  readonly ink: Ink;
  readonly units: UnitSystem;
  readonly most: number;
  readonly deepest: number;
}

function drawWater(p: Pen, { ink, bandM, bottomM, units, most }: Scene): void {
  const { context, area } = p;
  const y = (depthM: number) => p.y(toShown('depth', depthM, units));
  clipped(p, () => {
    context.fillStyle = ink.waterLight;
    context.fillRect(area.left, area.top, area.width, area.height);
    if (bandM) {
      context.fillStyle = ink.fish;
      context.globalAlpha = Math.min(1, ink.fishStrength * 1.6);
      context.fillRect(area.left, y(bandM[0]), area.width, y(bandM[1]) - y(bandM[0]));
      context.globalAlpha = 1;
    }
    if (bottomM?.length) {
      context.fillStyle = ink.ink;
      context.beginPath();
      context.moveTo(area.left, area.bottom);
      context.lineTo(area.left, y(bottomM[0]?.[1] ?? 0));
      for (const [distance, depth] of bottomM)
        context.lineTo(p.x(Math.min(most, toShown('depth', distance, units))), y(depth));
      context.lineTo(area.right, y(bottomM.at(-1)?.[1] ?? 0));
      context.lineTo(area.right, area.bottom);
      context.fill();
    }
  });
}

function drawPath(p: Pen, scene: Scene, points: readonly Point[]): void {
  const { context, area } = p;
  const { ink, wantedM, units } = scene;
  clipped(p, () => {
    for (const [colour, width] of [
      [ink.lure, 7],
      [ink.ink, 2],
    ] as const) {
      context.strokeStyle = colour;
      context.lineWidth = width;
      context.beginPath();
      for (const { x, y } of points) context.lineTo(p.x(x), p.y(y));
      context.stroke();
    }
    if (wantedM !== undefined) {
      context.strokeStyle = ink.act;
      context.lineWidth = 2;
      context.setLineDash([6, 5]);
      context.beginPath();
      context.moveTo(area.left, p.y(toShown('depth', wantedM, units)));
      context.lineTo(area.right, p.y(toShown('depth', wantedM, units)));
      context.stroke();
      context.setLineDash([]);
    }
  });
  const deepest = points.reduce((most, point) => (point.y > most.y ? point : most), { x: 0, y: 0 });
  const depth = scene.path.reduce((most, [, each]) => Math.max(most, each), 0);
  if (scene.across === 'distance') {
    halo(
      p,
      ink,
      say('depth', depth, units),
      p.x(deepest.x),
      p.y(deepest.y) - 12,
      `700 ${ink.sizePx * 0.9}px ${ink.text}`,
      'center',
    );
  }
  context.strokeStyle = ink.ink;
  context.lineWidth = 1.5;
  context.beginPath();
  for (let x = area.left; x <= area.right; x += 3) context.lineTo(x, area.top + Math.sin((x - area.left) / 13) * 1.6);
  context.stroke();
}

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
  private drawn: Scene | null = null;
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
    const { ink, most, deepest, across } = this.drawn as Scene;
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
