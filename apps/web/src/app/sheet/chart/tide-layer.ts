import { clockOf, SLACK_SHARE, type PlannedDay } from '@inky-shoal/core';
import { halo, type Pen } from '../../ui/pen';
import { sayClock } from '../words';
import { MARGIN, type Box } from './labels';
import { minuteAt, type Scene } from './layers';

type DayTide = NonNullable<PlannedDay['tide']>;

/**
 * Where words may stand beside a point so that they cross no line: right of it first, then left, then behind a line that
 * is near. Empty where there is no room.
 * @param lines where they stand across
 * @param within the left and the right edge of the drawing
 */
export function besidesOf(
  x: number,
  width: number,
  lines: readonly number[],
  [left, right]: readonly [left: number, right: number],
): number[] {
  const near = lines.filter((line) => Math.abs(line - x) < width);
  return [x, x - 2 * MARGIN - width, ...near]
    .map((at) => at + MARGIN)
    .filter(
      (at) =>
        at >= left &&
        at + width <= right &&
        !lines.some((line) => line > at - MARGIN / 2 && line < at + width + MARGIN / 2),
    );
}

/** Slack that comes so soon before or after high and low water is named with it. */
const TOGETHER_MIN = 25;

/** What is named of a tide, at which minute: high and low water, and slack where that comes at another time. */
export function namesOf({ turns, streamTurnsMin }: Pick<DayTide, 'turns' | 'streamTurnsMin'>) {
  const clock = (minute: number) => sayClock(clockOf(minute));
  const together = (a: number, b: number) => Math.abs(a - b) <= TOGETHER_MIN;
  const named = turns.map(({ minute, kind }) => {
    const slack = streamTurnsMin.some((each) => together(each, minute));
    return { minute, text: `${kind}${slack ? ', slack' : ''} ${clock(minute)}` };
  });
  const apart = streamTurnsMin
    .filter((each) => !turns.some(({ minute }) => together(each, minute)))
    .map((minute) => ({ minute, text: `slack ${clock(minute)}` }));
  return [...named, ...apart];
}

/** Pixels between two strokes of the stream, how long one is, and how far under the surface they lie. */
const STROKE_PX = 26;
const LONG_PX = 15;
const UNDER_PX = 9;

/** The stream as strokes under the surface: thicker the harder it runs, up to the right with the flood, down with the ebb. */
function drawStream(p: Pen, { picture, ink }: Scene, { legs }: DayTide): void {
  const { context, area } = p;
  context.save();
  context.strokeStyle = ink.ink2;
  context.lineCap = 'round';
  for (let left = area.left + STROKE_PX / 2; left + LONG_PX < area.right; left += STROKE_PX) {
    const minute = minuteAt(p, picture, left + LONG_PX / 2);
    const run = legs.find(({ toMin }) => minute < toMin)?.run ?? 0;
    // Slack has no stroke.
    if (Math.abs(run) <= SLACK_SHARE) continue;
    const y = p.y(picture.surface?.dropAt(minute) ?? 0) + UNDER_PX;
    const rise = run > 0 ? 4 : -4;
    context.lineWidth = 0.5 + 2.5 * Math.abs(run);
    context.globalAlpha = 0.35 + 0.4 * Math.abs(run);
    context.beginPath();
    context.moveTo(left, y + rise / 2);
    context.lineTo(left + LONG_PX, y - rise / 2);
    context.stroke();
  }
  context.restore();
}

/** Words that would lie on a lure's stroke are tried so much lower. */
const LOWER_PX = [0, 18, 36, 54, 72];
const TRACED_PX = 6;
const CLEAR_PX = 7;

/** High and low water and slack by name, under the surface beside where they are: drawn, and where they stand. */
function drawNames(p: Pen, { picture, ink, nowMin, selectedId }: Scene, tide: DayTide): Box[] {
  const font = `italic 400 ${ink.sizePx * 0.8}px ${ink.display}`;
  const { context, area } = p;
  const lines = [...picture.windows.slice(1).map(({ fromMin }) => fromMin), ...(nowMin === null ? [] : [nowMin])];
  const dropAt = (minute: number) => picture.surface?.dropAt(minute) ?? 0;
  const minuteOf = (x: number) => minuteAt(p, picture, x);
  const shown = picture.strokes.filter(({ first, windowId }) => first || windowId === selectedId);
  /** A lure's stroke follows the surface: what of it lies across from the words is looked at. */
  const crosses = (box: Box, { depth, fromMin, toMin }: (typeof shown)[number]): boolean => {
    const [from, to] = [Math.max(box.left, p.x(fromMin)), Math.min(box.right, p.x(toMin))];
    for (let x = from; x <= to; x += TRACED_PX) {
      const y = p.y(depth + dropAt(minuteOf(x)));
      if (y > box.top - CLEAR_PX && y < box.bottom + CLEAR_PX) return true;
    }
    return false;
  };
  const within = namesOf(tide).filter(({ minute }) => minute > picture.fromMin && minute < picture.toMin);
  return within.flatMap(({ minute, text }): Box[] => {
    context.font = font;
    const { width } = context.measureText(text);
    const boxes = besidesOf(p.x(minute), width, lines.map(p.x), [area.left, area.right]).flatMap((left) => {
      // Under the surface all along, which slopes to both sides of high water, and under its strokes.
      const surfaceY = Math.max(...[left, left + width].map((x) => p.y(dropAt(minuteOf(x)))));
      const under = Math.max(p.y(dropAt(minute)), surfaceY) + UNDER_PX + ink.sizePx + 6;
      return LOWER_PX.map((lower) => under + lower)
        .filter((bottom) => bottom < area.bottom)
        .map((bottom) => ({ left, right: left + width, top: bottom - ink.sizePx, bottom }));
    });
    const box = boxes.find((each) => !shown.some((stroke) => crosses(each, stroke)));
    // Where there is no room the sentence above says it alone.
    if (!box) return [];
    halo(p, ink, text, box.left, box.bottom - 4, font);
    return [box];
  });
}

/** Draws what the tide does: its stream, and by name where it turns. @returns where words stand */
export function drawTide(p: Pen, scene: Scene, tide: DayTide): Box[] {
  drawStream(p, scene, tide);
  return scene.named ? drawNames(p, scene, tide) : [];
}
