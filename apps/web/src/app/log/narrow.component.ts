import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { CATEGORIES, CLARITY_CLASSES, nameOf, PHASES, SPECIES } from '@inky-shoal/core';
import { ANY, type LogbookRow, type Sought } from '@inky-shoal/core/logbook';
import { map } from 'rxjs';
import { valueOr } from '../base/loaded';
import { type FieldChange, FieldsComponent, type FieldSpec } from '../ui/fields.component';
import { choices } from '../ui/choices';
import { WatersService } from '../waters/waters.service';

const FIGURES: ReadonlySet<string> = new Set(['tempFromC', 'tempToC', 'lengthFromMm']);

/** Narrows the trips by what can be told of them; all of it may be left. */
@Component({
  selector: 'inky-narrow',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldsComponent],
  template: `<inky-fields
    prefix="narrow"
    [specs]="specs()"
    [values]="sought()"
    [problems]="problems()"
    (changed)="set($event)"
  />`,
})
export class NarrowComponent {
  readonly sought = model.required<Sought>();
  /** What any of the trips has: only that can be chosen. */
  readonly has = input.required<Pick<LogbookRow, 'lures' | 'species' | 'companions'>>();
  protected readonly problems = signal<Readonly<Record<string, string>>>({});
  private readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });

  protected readonly specs = computed((): FieldSpec[] => {
    const { lures, species, companions } = this.has();
    const waters = this.waters();
    const chosen = this.sought().waterId;
    // Of one water its zones alone; of several each with the water's name.
    const zones = waters
      .filter(({ id }) => !chosen || id === chosen)
      .flatMap(({ name: water, zones: parts = [] }) =>
        parts.map(({ id, name }) => ({ id, name: chosen ? name : `${name}, ${water}` })),
      );
    const one = (key: keyof Sought, label: string, ids: readonly string[]): FieldSpec => {
      return { key, label, kind: 'one', choices: choices(ids), none: 'any' };
    };
    return [
      { key: 'from', label: 'From', kind: 'date' },
      { key: 'to', label: 'To', kind: 'date' },
      {
        key: 'waterId',
        label: 'Water',
        kind: 'one',
        choices: waters.map(({ id, name }) => ({ id, name })),
        none: 'any',
      },
      ...(zones.length ? [{ key: 'zoneId', label: 'Zone', kind: 'one', choices: zones, none: 'any' } as const] : []),
      one('phase', 'Phase', PHASES),
      one('clarity', 'Clarity', CLARITY_CLASSES),
      one(
        'lure',
        'Lure',
        CATEGORIES.filter((id) => lures.includes(id)).sort((a, b) => nameOf(a).localeCompare(nameOf(b))),
      ),
      one(
        'species',
        'Fish',
        SPECIES.filter((id) => species.includes(id)),
      ),
      ...(companions.length
        ? [
            {
              key: 'companion',
              label: 'With',
              kind: 'one',
              choices: companions.map((name) => ({ id: name, name })),
              none: 'any',
            } as const,
          ]
        : []),
      { key: 'tempFromC', label: 'Water from', kind: 'figure', measure: 'temp' },
      { key: 'tempToC', label: 'Water to', kind: 'figure', measure: 'temp' },
      { key: 'lengthFromMm', label: 'A fish from', kind: 'figure', measure: 'fishLength' },
    ];
  });

  protected set({ key, value }: FieldChange): void {
    // A figure that cannot be read asks nothing: its field says so.
    const isUnread = FIGURES.has(key) && value !== undefined && typeof value !== 'number';
    this.problems.set({ ...this.problems(), [key]: isUnread ? 'Expected a number.' : '' });
    const asked = isUnread || value === undefined ? ANY[key as keyof Sought] : value;
    // Another water has zones of its own.
    const zone = key === 'waterId' ? { zoneId: ANY.zoneId } : {};
    this.sought.set({ ...this.sought(), ...zone, [key]: asked });
  }
}
