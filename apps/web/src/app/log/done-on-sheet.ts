import { toShown, type UnitSystem } from '@inky-shoal/core';
import type { Stroke } from '@inky-shoal/core/logbook';
import type { Over } from '../sheet/chart/layers';
import { answersOnSheet, type SheetNote } from '../underway/answers-on-sheet';

/** Draws what was fished over what was planned: strokes at their hours and depth, the answers of the water on top. */
export function doneOnSheet(strokes: readonly Stroke[], answers: readonly SheetNote[], units: UnitSystem): Over {
  const answered = answersOnSheet(answers, units);
  return (pen, ink, dropAt) => {
    const { context } = pen;
    context.save();
    context.strokeStyle = ink.act;
    context.lineWidth = 3;
    context.lineCap = 'round';
    context.setLineDash([1, 6]);
    for (const { fromMin, toMin, depthM } of strokes) {
      const y = pen.y(dropAt((fromMin + toMin) / 2) + toShown('depth', depthM, units));
      context.beginPath();
      context.moveTo(pen.x(fromMin), y);
      context.lineTo(pen.x(toMin), y);
      context.stroke();
    }
    context.restore();
    answered(pen, ink, dropAt);
  };
}
