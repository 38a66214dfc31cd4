import { Injectable } from '@angular/core';
import {
  SCHOOL_IDS,
  SCHOOL_SIDES,
  UNIT_SYSTEMS,
  type SchoolId,
  type SchoolSide,
  type UnitSystem,
} from '@inky-shoal/core';
import { BehaviorSubject, distinctUntilChanged, map } from 'rxjs';
import * as z from 'zod';
import { Store } from './store';

export const LOOKS = ['paper', 'night', 'glare'] as const;
export type Look = (typeof LOOKS)[number];

/** The sides that the user has taken; a school without one goes by the day. */
export type Schools = Partial<Record<SchoolId, SchoolSide>>;

const isSide = (id: string, side: unknown): boolean =>
  (SCHOOL_SIDES[id as SchoolId] as readonly unknown[]).includes(side);
const Schools = z
  .partialRecord(z.enum(SCHOOL_IDS as [SchoolId, ...SchoolId[]]), z.string())
  .transform(
    (chosen) => Object.fromEntries(Object.entries(chosen).filter(([id, side]) => isSide(id, side))) as Schools,
  );

const Settings = z.object({
  units: z.enum(UNIT_SYSTEMS).catch('us'),
  look: z.enum(LOOKS).catch('paper'),
  schools: Schools.catch({}),
});
type Settings = z.infer<typeof Settings>;

/** The user's settings, kept in this browser. */
@Injectable({ providedIn: 'root' })
export class SettingsService {
  private readonly store = new Store<Settings>('settings', Settings, { units: 'us', look: 'paper', schools: {} });
  private readonly settings = new BehaviorSubject<Settings>(this.store.read());

  readonly units$ = this.settings.pipe(
    map(({ units }) => units),
    distinctUntilChanged(),
  );
  readonly look$ = this.settings.pipe(
    map(({ look }) => look),
    distinctUntilChanged(),
  );

  readonly schools$ = this.settings.pipe(
    map(({ schools }) => schools),
    distinctUntilChanged(),
  );

  constructor() {
    this.look$.subscribe((look) => document.documentElement.setAttribute('data-look', look));
  }

  get units(): UnitSystem {
    return this.settings.value.units;
  }

  set(change: Partial<Settings>): void {
    this.settings.next({ ...this.settings.value, ...change });
    this.store.write(this.settings.value);
  }
}
