import { inject, Injectable } from '@angular/core';
import type { Run } from '@inky-shoal/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import type { PlacedRun, PlacedSpot, WayHome } from '@inky-shoal/core/spots';
import { BehaviorSubject, map, type Observable, of } from 'rxjs';
import * as z from 'zod';
import { sayPlace } from './spot-words';
import { ChartEngineService } from './chart-engine.service';
import type { OpenChart } from './chart.service';
import { KeptRuns } from '../sheet/kept-runs';
import { Store } from '../base/store';

/** A ramp of a chart. */
export interface Ramp {
  readonly id: string;
  readonly name: string;
  readonly at: readonly [longitude: number, latitude: number];
}

/** The ramps that are marked on a chart. */
export const rampsOf = (features: readonly ChartFeature[]): Ramp[] =>
  features.flatMap(({ id, kind, name = 'the ramp', shape }) =>
    kind === 'ramp' && shape.type === 'Point' ? [{ id, name, at: shape.coordinates }] : [],
  );

/** A run with how many of its spots did not fit, and from how many the tide would keep the boat; or why there is none. */
export type Ordered = { readonly run: Run; readonly left: number; readonly cutOff: number } | { readonly why: string };

/** Spots among which a run is chosen. */
export const MAX_PICKED = 15;
/** How a run is wished: minutes at a spot where nothing else is said, how fast the boat runs, and what it draws. */
const RunPreferences = z.object({
  stayMin: z.number().min(5).max(480).default(40),
  speedMps: z.number().min(0.5).max(40).default(11),
  draughtM: z.number().min(0.05).max(5).default(0.3),
});
export type RunPreferences = z.infer<typeof RunPreferences>;
/** Bounds of a wish: minutes at a spot, metres a second, and metres. */
export const STAY_MIN = [5, 480] as const;
export const SPEED_MPS = [0.5, 40] as const;
export const DRAUGHT_M = [0.05, 5] as const;

/** The day of one run: from when to when, and minutes at spots that want another time than the rest, by cell. */
export interface RunDay {
  readonly startMin: number;
  readonly endMin: number;
  readonly stayMin: ReadonlyMap<number, number>;
  /** Ids of the ramps at which it starts and ends; the chart's first ramp where none is said. */
  readonly from?: string | undefined;
  readonly to?: string | undefined;
}

/** Runs that were ordered, by water and day; the sheet shows the one of its day. */
@Injectable({ providedIn: 'root' })
export class RunService {
  private readonly engine = inject(ChartEngineService);
  private readonly kept = inject(KeptRuns);
  private readonly preferences$ = new Store('run-wish', RunPreferences, RunPreferences.parse({}));
  private readonly wish = new BehaviorSubject(this.preferences$.read());

  readonly wish$ = this.wish.asObservable();

  /** The run of the day on the sheet. */
  readonly run$ = this.kept.run$;

  /** Orders the day over spots, from the chart's ramp and back, and keeps the run. */
  order(
    { water, features, conditions }: OpenChart,
    picked: readonly PlacedSpot[],
    { startMin, endMin, stayMin: stays, from, to }: RunDay,
  ): Observable<Ordered> {
    const ramps = rampsOf(features);
    const start = ramps.find(({ id }) => id === from) ?? ramps[0];
    const end = ramps.find(({ id }) => id === to) ?? start;
    if (!start || !end) {
      return of({ why: 'No ramp is marked on this chart: a run starts and ends at one.' });
    }
    const { stayMin, ...boat } = this.wish.value;
    const spots = picked.map(({ cell }) => ({ cell, minutes: stays.get(cell) ?? stayMin }));
    const { name, at: endRamp } = end;
    return this.engine.run({ spots, ramp: start.at, endRamp, ...boat, startMin, endMin }).pipe(
      map((found): Ordered => {
        if (!found?.stops.length) {
          const isShut = found && found.cutOff.length === picked.length;
          return { why: isShut ? 'The tide would keep this boat at every spot.' : TOO_FAR };
        }
        const { date } = conditions;
        const run = { waterId: water.id, date, ramp: name, ...toKeptRun(found, picked), madeFor: conditions };
        this.kept.keep(run);
        return { run, left: found.left.length - found.cutOff.length, cutOff: found.cutOff.length };
      }),
    );
  }

  /** When the boat gets back to the chart's first ramp from a place; null where the tide has no say, or none is marked. */
  home({ features }: OpenChart, cell: number, boat: RunPreferences): Observable<WayHome | null> {
    const [ramp] = rampsOf(features);
    if (!ramp) return of(null);
    return this.engine.homes([cell], { ramp: ramp.at, ...boat }).pipe(map((homes) => homes?.[0] ?? null));
  }

  setPreferences(change: Partial<RunPreferences>): void {
    const wish = { ...this.wish.value, ...change };
    this.preferences$.write(wish);
    this.wish.next(wish);
  }
}

const TOO_FAR = 'No spot can be reached from the ramp in the time.';

/** A run as it is kept: its stops by name, its way in degrees. */
const toKeptRun = ({ stops, legs, backMin, outByMin }: PlacedRun, picked: readonly PlacedSpot[]) => ({
  backMin,
  stops: stops.map(({ spot, fromMin, toMin }, index) => {
    const place = picked[spot] as PlacedSpot;
    const [longitude, latitude] = place.lonLat;
    return {
      name: sayPlace(place),
      depthM: place.depthM,
      lonLat: [longitude, latitude] as [number, number],
      fromMin,
      toMin,
      legM: legs[index]?.lengthM ?? 0,
      structure: place.structure,
      cover: place.cover ?? undefined,
      outByMin: outByMin[index] ?? undefined,
    };
  }),
  line: legs.flatMap(({ line }) => line.map(([longitude, latitude]): [number, number] => [longitude, latitude])),
});
