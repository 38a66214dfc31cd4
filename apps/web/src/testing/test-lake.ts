import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Water } from '@inky-shoal/core';
import { bedToBytes, chartProjection, type ChartFeature, type KeptChart } from '@inky-shoal/core/chart';
import { DayService } from '../app/sheet/day.service';

export const COLS = 90;
export const ROWS = 70;
export const FRAME: KeptChart = {
  epsg: 32616,
  cols: COLS,
  rows: ROWS,
  cellM: 10,
  westM: 374000,
  northM: 3975000,
  source: 'Made up',
  updatedAt: '2027-01-01T00:00:00Z',
};
/** A bowl 7 m deep with a bar that runs out from the north bank and a shelf in the west. */
export const VALUES = Float32Array.from({ length: COLS * ROWS }, (_, cell) => {
  const [x, y] = [cell % COLS, Math.floor(cell / COLS)];
  const toBank = Math.min(x, y, COLS - 1 - x, ROWS - 1 - y) - 3;
  if (toBank < 0) return 2;
  const bowl = -Math.min(7, toBank * 0.5 + 0.2);
  const shelf = x < 30 ? Math.max(bowl, -1.6) : bowl;
  return Math.max(shelf, -0.5 - y * 0.06 - Math.abs(x - 55) * 0.6);
});
export const id = (n: number) => `01950000-0000-7000-8000-${String(n).padStart(12, '0')}`;
export const WATER: Water = {
  id: id(1),
  name: 'Test lake',
  discipline: 'bass',
  waterKind: 'highland-reservoir',
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  createdAt: '2027-01-01T00:00:00Z',
  updatedAt: '2027-01-01T00:00:00Z',
};
export const lonLat = (col: number, row: number): [number, number] =>
  chartProjection(FRAME.epsg).toLonLat([FRAME.westM + (col + 0.5) * 10, FRAME.northM - (row + 0.5) * 10]);
export const RAMP: ChartFeature = {
  id: id(2),
  kind: 'ramp',
  name: 'Test ramp',
  shape: { type: 'Point', coordinates: lonLat(10, 10) },
};
export const INPUT = {
  discipline: 'bass' as const,
  date: '2027-03-13',
  place: WATER.place,
  waterKind: WATER.waterKind,
  surfaceTempC: 13,
  windMps: 5,
  windFromDeg: 200,
  window: { from: '06:00', to: '14:00' },
};

const http = () => TestBed.inject(HttpTestingController);

export const PATH = `/api/books/demo/waters/${WATER.id}/chart`;
export const openDay = (input: Record<string, unknown> = {}, waterId: string | null = WATER.id) =>
  TestBed.inject(DayService).open({
    waterId,
    waterName: WATER.name,
    savedId: null,
    savedName: null,
    input: { ...INPUT, ...input },
  });
export const giveWaters = (waters: readonly Water[]) =>
  http()
    .match('/api/books/demo/waters')
    .forEach((each) => each.flush(waters));
export const giveChart = (features: readonly ChartFeature[] = [RAMP]) => {
  http().expectOne(PATH).flush({ chart: FRAME, features });
  for (const each of http().match(`${PATH}/bed`)) each.flush(bedToBytes({ values: VALUES }).buffer);
};
export const text = (fixture: ComponentFixture<unknown>) =>
  ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ').trim();
export const buttons = (fixture: ComponentFixture<unknown>, within = '') => [
  ...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLButtonElement>(`${within} button`),
];
export const press = async (fixture: ComponentFixture<unknown>, name: string) => {
  const button = buttons(fixture).find((each) => each.textContent?.trim() === name);
  if (!button) throw new Error(`No button ${name} in "${text(fixture)}"`);
  button.click();
  await fixture.whenStable();
};
export const until = async (fixture: ComponentFixture<unknown>, holds: () => boolean) => {
  for (let turn = 0; turn < 1500 && !holds(); turn++) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    await fixture.whenStable();
  }
  if (!holds()) throw new Error(`Waited in vain; it says "${text(fixture)}"`);
};
