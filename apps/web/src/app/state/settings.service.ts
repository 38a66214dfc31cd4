import { Injectable } from '@angular/core';
import { UNIT_SYSTEMS, type UnitSystem } from '@inky-shoal/core';
import { BehaviorSubject, distinctUntilChanged, map } from 'rxjs';
import * as z from 'zod';
import { Store } from './store';

export const LOOKS = ['paper', 'night', 'glare'] as const;
export type Look = (typeof LOOKS)[number];

const Settings = z.object({
  units: z.enum(UNIT_SYSTEMS).catch('us'),
  look: z.enum(LOOKS).catch('paper'),
});
type Settings = z.infer<typeof Settings>;

/** The user's settings, kept in this browser. */
@Injectable({ providedIn: 'root' })
export class SettingsService {
  private readonly store = new Store<Settings>('settings', Settings, { units: 'us', look: 'paper' });
  private readonly settings = new BehaviorSubject<Settings>(this.store.read());

  readonly units$ = this.settings.pipe(
    map(({ units }) => units),
    distinctUntilChanged(),
  );
  readonly look$ = this.settings.pipe(
    map(({ look }) => look),
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
