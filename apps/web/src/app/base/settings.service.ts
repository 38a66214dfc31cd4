import { Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  SCHOOL_IDS,
  SCHOOL_SIDES,
  UNIT_SYSTEMS,
  type SchoolId,
  type SchoolSide,
  type UnitSystem,
} from '@inky-shoal/core';
import { BehaviorSubject, distinctUntilChanged, map, merge } from 'rxjs';
import * as z from 'zod';
import { QuickStore, Store } from './store';

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

const SHAPES = { units: z.enum(UNIT_SYSTEMS), look: z.enum(LOOKS), schools: Schools, keys: z.boolean() };
/** As they were kept before each had a row of its own. */
const Former = z.object({
  units: SHAPES.units.catch('us'),
  look: SHAPES.look.catch('paper'),
  schools: SHAPES.schools.catch({}),
});
type Settings = z.infer<typeof Former> & {
  /** Single keys go to views. */
  readonly keys: boolean;
};

function settingStores() {
  const former = new QuickStore('settings', Former, { units: 'us', look: 'paper', schools: {} }).read();
  return {
    units: new Store<UnitSystem>('setting/units', SHAPES.units, former.units),
    look: new Store<Look>('setting/look', SHAPES.look, former.look),
    schools: new Store<Schools>('setting/schools', SHAPES.schools, former.schools),
    keys: new Store<boolean>('setting/keys', SHAPES.keys, true),
  };
}

/** The user's settings, kept in this browser; what is set in one window holds in all. */
@Injectable({ providedIn: 'root' })
export class SettingsService {
  private readonly stores = settingStores();
  private readonly settings = new BehaviorSubject(this.read());

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

  readonly keys$ = this.settings.pipe(
    map(({ keys }) => keys),
    distinctUntilChanged(),
  );

  constructor() {
    const { units, look, schools, keys } = this.stores;
    merge(units.changed$, look.changed$, schools.changed$, keys.changed$)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.settings.next(this.read()));
    this.look$.subscribe((look) => document.documentElement.setAttribute('data-look', look));
  }

  get units(): UnitSystem {
    return this.settings.value.units;
  }

  set(change: Partial<Settings>): void {
    this.settings.next({ ...this.settings.value, ...change });
    if (change.units) this.stores.units.write(change.units);
    if (change.look) this.stores.look.write(change.look);
    if (change.schools) this.stores.schools.write(change.schools);
    if (change.keys !== undefined) this.stores.keys.write(change.keys);
  }

  private read(): Settings {
    const { units, look, schools, keys } = this.stores;
    return { units: units.read(), look: look.read(), schools: schools.read(), keys: keys.read() };
  }
}
