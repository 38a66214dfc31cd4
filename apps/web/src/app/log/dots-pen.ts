import type { Ink } from '../ui/ink';
import type { Pen } from '../ui/pen';

/** A rate with its range, named. */
export interface Dot {
  readonly name: string;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  /** It rests on little. */
  readonly isSmall: boolean;
}

const FAINT = 0.45;

/** Draws the dots with their ranges. @param usual over all, as a line @param most at which ranges are cut */
export function drawDots(
  pen: Pen,
  ink: Ink,
  dots: readonly Dot[],
  { usual, most }: { readonly usual: number; readonly most: number },
): void {
  const { context, area } = pen;
  context.save();
  context.strokeStyle = ink.ink2;
  context.setLineDash([3, 4]);
  context.beginPath();
  context.moveTo(pen.x(usual), area.top);
  context.lineTo(pen.x(usual), area.bottom);
  context.stroke();
  context.setLineDash([]);
  dots.forEach(({ value, low, high, isSmall }, at) => {
    const y = pen.y(at);
    context.globalAlpha = isSmall ? FAINT : 1;
    context.strokeStyle = ink.lure;
    context.lineWidth = 3;
    context.lineCap = 'round';
    context.beginPath();
    context.moveTo(pen.x(low), y);
    context.lineTo(pen.x(Math.min(high, most)), y);
    context.stroke();
    context.beginPath();
    context.arc(pen.x(value), y, 6, 0, 2 * Math.PI);
    context.fillStyle = isSmall ? ink.paper : ink.lure;
    context.fill();
    context.stroke();
  });
  context.restore();
}
