import type { Chart, ChartArea } from 'chart.js';
import type { Ink } from './ink';

/** A chart's canvas with its two axes, for layers that draw on it themselves. */
export interface Pen {
  readonly context: CanvasRenderingContext2D;
  readonly area: ChartArea;
  readonly x: (value: number) => number;
  readonly y: (value: number) => number;
}

export function penOf(chart: Chart): Pen {
  const { x, y } = chart.scales;
  return {
    context: chart.ctx,
    area: chart.chartArea,
    x: (value) => x?.getPixelForValue(value) ?? 0,
    y: (value) => y?.getPixelForValue(value) ?? 0,
  };
}

/** Draws within the chart's area only. */
export function clipped({ context, area }: Pen, draw: () => void): void {
  context.save();
  context.beginPath();
  context.rect(area.left, area.top, area.width, area.height);
  context.clip();
  draw();
  context.restore();
}

/** Text with a rim of paper, so that it reads on any layer. */
export function halo(
  { context }: Pen,
  ink: Ink,
  text: string,
  x: number,
  y: number,
  font: string,
  align: CanvasTextAlign = 'left',
): void {
  context.save();
  context.font = font;
  context.textAlign = align;
  context.lineJoin = 'round';
  context.lineWidth = 4;
  context.strokeStyle = ink.paper;
  context.fillStyle = ink.ink;
  context.strokeText(text, x, y);
  context.fillText(text, x, y);
  context.restore();
}
