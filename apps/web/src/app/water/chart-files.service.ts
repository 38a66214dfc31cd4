import { inject, Injectable } from '@angular/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import type { BedChoices, WaterAt } from '@inky-shoal/core/formats/bathymetry';
import { proxy, type Remote } from 'comlink';
import { map, Observable, tap } from 'rxjs';
import type { BedRead, ChartFilesApi, LaidChart } from './chart-files-api';
import { CHART_FILES_WORKER } from './chart-workers';

/** How far a file has been worked through, what came of it, or what is wrong with it, in a sentence. */
export type FileProgress<T> = { readonly share: number } | { readonly done: T } | { readonly problem: string };

type Step = (share: number) => void;

/** Reads files of charts in a worker. Who stops listening stops the work, and what was read goes with it. */
@Injectable({ providedIn: 'root' })
export class ChartFilesService {
  private readonly worker = inject(CHART_FILES_WORKER);

  readBed = (file: File, water: WaterAt): Observable<FileProgress<BedRead>> =>
    this.going((files, step) => files.readBed(file, water, step));

  /** Lays the bed that was read last. */
  layBed = (choices: BedChoices, water: WaterAt, source: string): Observable<FileProgress<LaidChart>> =>
    this.going((files, step) => files.layBed(choices, water, source, step));

  readFeatures = (file: File, water: WaterAt): Observable<FileProgress<ChartFeature[]>> =>
    this.going((files) => files.readFeatures(file, water));

  /** Packs a bed as it came from the server, so that it can be put back. */
  pack = (bed: Uint8Array): Observable<Uint8Array> => this.worker.ask((files) => files.pack(bed));

  /** What was read is not wanted any more: the worker goes with it. */
  rest(): void {
    this.worker.rest();
  }

  private going<T>(
    work: (files: Remote<ChartFilesApi>, step: Step) => Promise<T> | Promise<string>,
  ): Observable<FileProgress<T>> {
    return new Observable((listener) => {
      let over = false;
      const step = proxy((share: number) => listener.next({ share }));
      const asked = this.worker
        .ask((files) => work(files, step))
        .pipe(
          tap({ next: () => (over = true), error: () => (over = true) }),
          map((result): FileProgress<T> => (typeof result === 'string' ? { problem: result } : { done: result as T })),
        )
        .subscribe(listener);
      return () => {
        asked.unsubscribe();
        if (!over) this.worker.stop();
      };
    });
  }
}
