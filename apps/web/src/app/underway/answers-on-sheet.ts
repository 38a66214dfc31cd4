import { toShown, type UnitSystem } from '@inky-shoal/core';
import type { Trip } from '@inky-shoal/core/underway';
import type { Over } from '../sheet/chart/layers';

/** An answer of the water, where it belongs on the sheet. */
export interface SheetNote {
  readonly minute: number;
  readonly depthM: number;
  readonly landed: boolean;
}

/** What the water answered on a trip, each at its hour and depth; a follow is no answer. */
export const answersOf = ({ notes }: Pick<Trip, 'notes'>, minuteAt: (atMs: number) => number): SheetNote[] =>
  notes.flatMap(({ event, atMs }): SheetNote[] =>
    event.kind === 'contact' && event.what !== 'follow'
      ? [{ minute: minuteAt(atMs), depthM: event.fishing?.depthM ?? 0, landed: event.what === 'landed' }]
      : [],
  );

/** Draws answers of the water on the sheet: a landed fish as a dot, another bite as a ring. */
export const answersOnSheet =
  (notes: readonly SheetNote[], units: UnitSystem): Over =>
  (pen, ink, dropAt) => {
    const { context, area } = pen;
    context.save();
    context.lineWidth = 2.5;
    context.strokeStyle = ink.act;
    for (const { minute, depthM, landed } of notes) {
      context.beginPath();
      const y = pen.y(dropAt(minute) + toShown('depth', depthM, units));
      context.arc(pen.x(minute), Math.max(area.top + 6, y), 5, 0, 2 * Math.PI);
      context.fillStyle = landed ? ink.act : ink.paper;
      context.fill();
      context.stroke();
    }
    context.restore();
  };
