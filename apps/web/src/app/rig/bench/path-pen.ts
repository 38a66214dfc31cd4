import { say, toShown, type UnitSystem } from '@inky-shoal/core';
import type { Point } from '../../ui/drawn-chart';
import type { Ink } from '../../ui/ink';
import { clipped, halo, type Pen } from '../../ui/pen';

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

/** The way with the ink and the units that it is shown in. */
export interface ShownPath extends PathScene {
  readonly ink: Ink;
  readonly units: UnitSystem;
  readonly most: number;
  readonly deepest: number;
}

/** Water, the fish's band and the bottom. */
export function drawWater(p: Pen, { ink, bandM, bottomM, units, most }: ShownPath): void {
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

/** The way itself, the depth that is wanted, and the water's face. */
export function drawPath(p: Pen, scene: ShownPath, points: readonly Point[]): void {
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
