import type { PlacedSpot } from '@inky-shoal/core/spots';
import { readInk } from '../ui/ink';
import type { ChartPicture } from '../water/chart-api';
import type { OpenChart } from '../water/chart.service';

/** A place on the picture, as shares of its width and height from the upper left corner. */
export type Share = readonly [x: number, y: number];
export const MIDDLE: Share = [0.5, 0.5];

/** What is told after the answer: the heat of the hour, the best places, and one's own, as a cell of the chart. */
export interface SpotMarks {
  readonly heat: ChartPicture | null;
  readonly best: readonly PlacedSpot[];
  readonly own: number | null;
}
export const NO_MARKS: SpotMarks = { heat: null, best: [], own: null };

/** The cross moves so far by a key, as a share of the chart. */
const KEY_STEP = 0.02;
const WAYS: Readonly<Record<string, Share>> = {
  ArrowLeft: [-KEY_STEP, 0],
  ArrowRight: [KEY_STEP, 0],
  ArrowUp: [0, -KEY_STEP],
  ArrowDown: [0, KEY_STEP],
};
const within = (share: number): number => Math.min(1, Math.max(0, share));

/** Where a key moves the cross; undefined for a key that does not. */
export function movedBy(key: string, [x, y]: Share): Share | undefined {
  const way = WAYS[key];
  return way && [within(x + way[0]), within(y + way[1])];
}

/** Where on the picture a pointer is: it keeps its shape within the canvas, from the upper left corner. */
export function shareOf(canvas: HTMLCanvasElement, clientX: number, clientY: number): Share {
  const box = canvas.getBoundingClientRect();
  const scale = Math.min(box.width / canvas.width, box.height / canvas.height);
  return [(clientX - box.left) / scale / canvas.width, (clientY - box.top) / scale / canvas.height];
}

/** The cell of the chart under a place of the picture; null outside of it. */
export function cellAt({ wet, frame }: OpenChart, x: number, y: number): number | null {
  if (x < 0 || x >= 1 || y < 0 || y >= 1) return null;
  const { west, east, north, south } = wet;
  const [col, row] = [west + Math.floor(x * (east - west + 1)), north + Math.floor(y * (south - north + 1))];
  return row * frame.cols + col;
}

/** Draws the water of a chart, what is told of it, and the cross. */
export function drawSpots(
  canvas: HTMLCanvasElement,
  { wet: { west, east, north, south }, frame }: OpenChart,
  tint: ChartPicture | null,
  { heat, best, own }: SpotMarks,
  aim: Share | null,
): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const [width, height] = [east - west + 1, south - north + 1];
  if (canvas.width !== width || canvas.height !== height) [canvas.width, canvas.height] = [width, height];
  context.clearRect(0, 0, width, height);
  for (const picture of [tint, heat]) {
    if (picture && 'width' in picture) context.drawImage(picture, -west, -north);
  }
  const unit = Math.max(width, height) / 60;
  const ink = readInk();
  const mark = (cell: number, colour: string, name: string) => {
    const [x, y] = [(cell % frame.cols) - west, Math.floor(cell / frame.cols) - north];
    context.strokeStyle = colour;
    context.fillStyle = colour;
    context.lineWidth = unit / 4;
    context.beginPath();
    context.arc(x, y, unit, 0, 2 * Math.PI);
    context.stroke();
    context.font = `700 ${2.2 * unit}px ${ink.text}`;
    context.fillText(name, x + 1.4 * unit, y + 0.8 * unit);
  };
  best.forEach(({ cell }, at) => mark(cell, ink.ink, String(at + 1)));
  if (own !== null) mark(own, ink.act, 'you');
  if (!aim) return;
  context.strokeStyle = ink.act;
  context.lineWidth = unit / 4;
  context.beginPath();
  context.moveTo(aim[0] * width - unit, aim[1] * height);
  context.lineTo(aim[0] * width + unit, aim[1] * height);
  context.moveTo(aim[0] * width, aim[1] * height - unit);
  context.lineTo(aim[0] * width, aim[1] * height + unit);
  context.stroke();
}
