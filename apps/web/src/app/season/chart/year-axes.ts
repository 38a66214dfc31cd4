import { symbolOf, type UnitSystem } from '@inky-shoal/core';
import { ticksAcross, ticksUp } from '../../ui/drawn-chart';
import { AXIS_HEIGHT, roomBelow, type YearScene } from './year-layers';

/** Room to the left for the names of the rows. */
export const GUTTER = 66;

/** The axes of the year: months across, temperatures up. */
export function yearAxes({ picture, ink }: YearScene, units: UnitSystem) {
  return {
    layout: { padding: { top: 8, right: 8, bottom: roomBelow(picture) } },
    scales: {
      x: {
        type: 'linear' as const,
        min: picture.firstDay,
        max: picture.lastDay,
        border: { color: ink.ink },
        grid: { color: ink.rule, drawTicks: true },
        afterFit: (axis: { height: number }) => {
          axis.height = AXIS_HEIGHT;
        },
        afterBuildTicks: (axis: { ticks: { value: number }[] }) => {
          axis.ticks = picture.months.map(({ day }) => ({ value: day }));
        },
        ticks: {
          ...ticksAcross(ink),
          align: 'start' as const,
          callback: (value: string | number) => picture.months.find(({ day }) => day === Number(value))?.name ?? '',
        },
      },
      y: {
        type: 'linear' as const,
        min: picture.least,
        max: picture.most,
        border: { color: ink.ink },
        grid: { color: ink.rule },
        afterFit: (axis: { width: number }) => {
          axis.width = GUTTER;
        },
        ticks: {
          ...ticksUp(ink),
          stepSize: units === 'us' ? 10 : 5,
          callback: (value: string | number) =>
            Number(value) === picture.most ? symbolOf('temp', units) : String(value),
        },
      },
    },
  };
}
