import { say, type UnitSystem } from '@inky-shoal/core';
import type { BedRead, LaidChart } from '../chart-files-api';

const ACRE_M2 = 4046.856;
const HECTARE_M2 = 10_000;

const KINDS: Readonly<Record<BedRead['from'], string>> = {
  grid: 'cells of a grid',
  geotiff: 'cells of a GeoTIFF',
  contours: 'points along contours',
  soundings: 'soundings',
};

const grouped = (figure: number): string => figure.toLocaleString('en-GB');
const short = (figure: number): string => String(Number(figure.toFixed(1)));

/** What a file holds, in a sentence or two. */
export function sayBedRead({ from, count, least, most, left, crs }: BedRead): string {
  const where = crs ? `, in ${crs}` : '';
  const missing = left ? ` ${grouped(left)} without a depth are left out.` : '';
  return `${grouped(count)} ${KINDS[from]}${where}, from ${short(least)} to ${short(most)}.${missing}`;
}

/** What a chart made of it would be. */
export function sayLaid({ frame, deepestM, waterM2 }: LaidChart, units: UnitSystem): string {
  const area = units === 'us' ? waterM2 / ACRE_M2 : waterM2 / HECTARE_M2;
  const named = units === 'us' ? 'acres' : 'ha';
  const rounded = area < 10 ? Number(area.toFixed(1)) : Math.round(area);
  return (
    `So read it is ${grouped(rounded)} ${named} of water, ${say('depth', deepestM, units)} at its deepest, ` +
    `in cells of ${say('depth', frame.cellM, units)}.`
  );
}
