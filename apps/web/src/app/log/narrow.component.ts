import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { CATEGORIES, CLARITY_CLASSES, nameOf, PHASES, SPECIES } from '@inky-shoal/core';
import type { Sought } from '@inky-shoal/core/logbook';
import { map } from 'rxjs';
import { valueOr } from '../base/loaded';
import { type FieldChange, FieldsComponent, type FieldSpec } from '../ui/fields.component';
import { choices } from '../ui/choices';
import { WatersService } from '../waters/waters.service';

/** Figures and ids of a search, which are null where they are not asked. */
const NULLS: ReadonlySet<string> = new Set([
  'phase',
  'clarity',
  'lure',
  'species',
  'tempFromC',
  'tempToC',
  'lengthFromMm',
]);

/** Narrows the trips by what can be told of them; all of it may be left. */
@Component({
  selector: 'inky-narrow',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldsComponent],
  template: `<inky-fields prefix="narrow" [specs]="specs()" [values]="sought()" (changed)="set($event)" />`,
})
export class NarrowComponent {
  readonly sought = model.required<Sought>();
  /** What any of the trips has: only that can be chosen. */
  readonly has = input.required<{ readonly lures: readonly string[]; readonly species: readonly string[] }>();
  private readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });

  protected readonly specs = computed((): FieldSpec[] => {
    const { lures, species } = this.has();
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
        choices: this.waters().map(({ id, name }) => ({ id, name })),
        none: 'any',
      },
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
      { key: 'tempFromC', label: 'Water from', kind: 'figure', measure: 'temp' },
      { key: 'tempToC', label: 'Water to', kind: 'figure', measure: 'temp' },
      { key: 'lengthFromMm', label: 'A fish from', kind: 'figure', measure: 'fishLength' },
    ];
  });

  protected set({ key, value }: FieldChange): void {
    const nothing = value === undefined || value === '' || value === null;
    this.sought.set({ ...this.sought(), [key]: nothing ? (NULLS.has(key) ? null : '') : value });
  }
}
