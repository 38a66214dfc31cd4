import { dateOf } from '@inky-shoal/core';
import type { Ink } from '../ui/ink';
import type { Pen } from '../ui/pen';

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
/** A fish lengthens the drop by so many pixels, up to so many. */
const PER_FISH = 7;
const LONGEST = 42;
const SHORTEST = 8;

/** Waters apart in temperature are not joined: one line a water. */
export interface TempLine {
  readonly points: readonly { readonly day: number; readonly temp: number }[];
}

/** A trip as it hangs from its day; in the middle where nobody read the water. */
interface HangingTrip {
  readonly day: number;
  readonly temp: number | null;
  readonly fish: number;
  /** The others stand faint. */
  readonly isFound: boolean;
}

/** Draws the lines of the temperature and each trip under them. */
export function drawStrip(pen: Pen, ink: Ink, lines: readonly TempLine[], trips: readonly HangingTrip[]): void {
  const { context, area } = pen;
  context.save();
  context.strokeStyle = ink.ink2;
  context.lineWidth = 1.2;
  for (const { points } of lines) {
    context.beginPath();
    for (const { day, temp } of points) context.lineTo(pen.x(day), pen.y(temp));
    context.stroke();
  }
  const usual = (area.top + area.bottom) / 2;
  for (const { day, temp, fish, isFound } of trips) {
    const top = temp === null ? usual : pen.y(temp);
    const x = pen.x(day);
    context.globalAlpha = isFound ? 1 : 0.2;
    context.strokeStyle = fish ? ink.act : ink.ink2;
    context.lineWidth = 2;
    context.beginPath();
    context.moveTo(x, top);
    context.lineTo(x, Math.min(area.bottom, top + Math.min(LONGEST, SHORTEST + PER_FISH * fish)));
    context.stroke();
  }
  context.restore();
}

/** The first days of months between two days, as many as have room. */
export function monthStarts(from: number, to: number, most: number): { value: number }[] {
  const starts: { value: number }[] = [];
  for (let day = Math.ceil(from); day <= to; day++) if (dateOf(day).endsWith('-01')) starts.push({ value: day });
  const every = Math.max(1, Math.ceil(starts.length / most));
  return starts.filter(({ value }) => (Number(dateOf(value).slice(5, 7)) - 1) % every === 0);
}

/** What a month's first day is called: a January by its year. */
export function monthWords(day: number): string {
  const date = dateOf(Math.round(day));
  const month = Number(date.slice(5, 7));
  return month === 1 ? date.slice(0, 4) : (MONTHS[month - 1] ?? '');
}
