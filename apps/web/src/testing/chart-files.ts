import { Injectable } from '@angular/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import type { BedChoices, WaterAt } from '@inky-shoal/core/formats/bathymetry';
import { defer, from, map, of, type Observable } from 'rxjs';
import { ChartFilesTable, type BedRead, type LaidChart } from '../app/state/chart-files-table';

export type Going<T> = { readonly share: number } | { readonly done: T } | { readonly problem: string };
const gone = <T>(result: T | string): Going<T> => (typeof result === 'string' ? { problem: result } : { done: result });

/** Files of charts without a worker, which the test environment does not have; a file there is its text. */
@Injectable({ providedIn: 'root' })
export class ChartFilesService {
  private readonly table = new ChartFilesTable();

  readBed = (file: File, water: WaterAt): Observable<Going<BedRead>> =>
    defer(async () => gone(await this.table.readBed(await bytesOf(file), water)));
  layBed = (choices: BedChoices, water: WaterAt, source: string): Observable<Going<LaidChart>> =>
    defer(() => of(gone(this.table.layBed(choices, water, source))));
  readFeatures = (file: File, water: WaterAt): Observable<Going<ChartFeature[]>> =>
    from(bytesOf(file)).pipe(map((bytes) => gone(this.table.readFeatures(new TextDecoder().decode(bytes), water))));
  pack = (bed: Uint8Array): Observable<Uint8Array> => of(bed);
}

const bytesOf = (file: File): Promise<ArrayBuffer> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as ArrayBuffer);
    reader.onerror = () => reject(reader.error ?? new Error('not read'));
    reader.readAsArrayBuffer(file);
  });
