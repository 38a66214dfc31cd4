import { Injectable } from '@angular/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import type { BedChoices, WaterAt } from '@inky-shoal/core/formats/bathymetry';
import { proxy, type Remote, wrap } from 'comlink';
import { from, Observable } from 'rxjs';
import type { BedRead, LaidChart } from './chart-files-table';
import type { ChartFiling } from './chart-files.worker';

/** How far a file has been worked through, what came of it, or what is wrong with it, in a sentence. */
export type Going<T> = { readonly share: number } | { readonly done: T } | { readonly problem: string };

type Filing = Remote<ChartFiling>;
type Step = (share: number) => void;

/** Reads files of charts in a worker. Who stops listening stops the work, and what was read goes with it. */
@Injectable({ providedIn: 'root' })
export class ChartFilesService {
  private worker: Worker | undefined;
  private filing: Filing | undefined;

  readBed = (file: File, water: WaterAt): Observable<Going<BedRead>> =>
    this.going((filing, step) => filing.readBedFile(file, water, step));

  /** Lays the bed that was read last. */
  layBed = (choices: BedChoices, water: WaterAt, source: string): Observable<Going<LaidChart>> =>
    this.going((filing, step) => filing.layPacked(choices, water, source, step));

  readFeatures = (file: File, water: WaterAt): Observable<Going<ChartFeature[]>> =>
    this.going(async (filing) => filing.readFeatures(await file.text(), water));

  /** Packs a bed as it came from the server, so that it can be put back. */
  pack = (bed: Uint8Array): Observable<Uint8Array> => from(this.started().pack(bed));

  private started(): Filing {
    this.worker ??= new Worker(new URL('./chart-files.worker', import.meta.url), { type: 'module' });
    return (this.filing ??= wrap<ChartFiling>(this.worker));
  }

  private going<T>(work: (filing: Filing, step: Step) => Promise<T | string>): Observable<Going<T>> {
    return new Observable((listener) => {
      let over = false;
      work(
        this.started(),
        proxy((share: number) => listener.next({ share })),
      )
        .then((result) => {
          over = true;
          listener.next(typeof result === 'string' ? { problem: result } : { done: result });
          listener.complete();
        })
        .catch((error: unknown) => {
          over = true;
          listener.error(error);
        });
      return () => {
        if (!over) this.stop();
      };
    });
  }

  private stop(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.filing = undefined;
  }
}
