import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { FormArray } from '@angular/forms';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import {
  MAX_ZONES,
  nameOf,
  parse,
  symbolOf,
  WaterDraft,
  ZONE_POSITIONS,
  type Water,
  type WaterDraftInput,
  type Zone,
} from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { FieldComponent } from '../ui/field.component';
import { SelectComponent } from '../ui/select.component';
import { CheckComponent } from '../ui/check.component';
import { choices } from '../ui/choices';
import { WatersService } from './waters.service';
import { markNames, readZones, zoneValues } from './zone-values';

/** The zones of a water: each a part that warms and cools as one. */
@Component({
  selector: 'inky-zones',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, CheckComponent, FieldComponent, ReactiveFormsModule, SelectComponent],
  templateUrl: './zones.component.html',
  styleUrl: './zones.component.css',
})
export class ZonesComponent {
  private readonly waters = inject(WatersService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly builder = inject(NonNullableFormBuilder);

  readonly water = input.required<Water>();
  /** Kept, or given up. */
  readonly done = output();

  protected readonly rows: FormArray<ReturnType<ZonesComponent['row']>> = this.builder.array<
    ReturnType<ZonesComponent['row']>
  >([]);
  protected readonly form = this.builder.group({ rows: this.rows });
  protected readonly problems = signal<readonly Record<string, string | null>[]>([]);
  protected readonly whole = signal<string | null>(null);
  protected readonly depthUnit = computed(() => symbolOf('depth', this.units()));
  protected readonly positions = choices(ZONE_POSITIONS);
  protected readonly most = MAX_ZONES;
  protected readonly name = nameOf;

  constructor() {
    effect(() => {
      const zones = this.water().zones ?? [];
      untracked(() => {
        this.rows.clear();
        for (const zone of zones) this.rows.push(this.row(zone));
        if (!zones.length) this.add();
      });
    });
  }

  private row(zone?: Zone) {
    const { neighbours, ...values } = zoneValues(zone, this.units());
    return this.builder.group({ ...values, neighbours: this.builder.control(neighbours) });
  }

  protected add(): void {
    this.rows.push(this.row());
  }

  protected remove(index: number): void {
    const { id, name } = this.rows.at(index).getRawValue();
    const before = this.rows.at(index);
    this.rows.removeAt(index);
    for (const row of this.rows.controls) {
      const { neighbours } = row.getRawValue();
      row.patchValue({ neighbours: neighbours.filter((each) => each !== id) });
    }
    this.notices.say(`${name || 'The zone'} removed; nothing is kept until you keep it.`, () =>
      this.rows.insert(index, before),
    );
  }

  protected others(index: number): { id: string; name: string }[] {
    return this.rows.controls
      .map((row) => row.getRawValue())
      .filter((_, at) => at !== index)
      .map(({ id, name }) => ({ id, name: name || 'unnamed' }));
  }

  protected beside(index: number, id: string): boolean {
    return this.rows.at(index).getRawValue().neighbours.includes(id);
  }

  /** Lying beside one another goes both ways. */
  protected setBeside(index: number, id: string, beside: boolean): void {
    const own = this.rows.at(index).getRawValue().id;
    const change = (row: (typeof this.rows.controls)[number], other: string) => {
      const rest = row.getRawValue().neighbours.filter((each) => each !== other);
      row.patchValue({ neighbours: beside ? [...rest, other] : rest });
    };
    change(this.rows.at(index), id);
    const there = this.rows.controls.find((row) => row.getRawValue().id === id);
    if (there) change(there, own);
  }

  protected keep(): void {
    const typed = this.rows.controls.map((row) => row.getRawValue());
    const { zones, problems } = readZones(typed, this.water().zones ?? [], this.units());
    const { id, createdAt: _, updatedAt: __, version, ...draft } = this.water();
    const input = { ...draft, zones };
    const checked = parse(WaterDraft, input);
    if (!checked.ok) markNames(checked.problems, problems);
    this.problems.set(problems);
    const wrong = problems.some((each) => Object.values(each).some(Boolean));
    this.whole.set(wrong || checked.ok ? null : (checked.problems[0]?.message ?? null));
    if (wrong || !checked.ok) return;
    this.waters.make(input as WaterDraftInput, id, version).subscribe({
      next: (state) => {
        this.notices.say(state === 'sent' ? 'Zones kept.' : 'The zones are kept here until the server is back.');
        this.done.emit();
      },
      error: (error: Error) => this.whole.set(error.message),
    });
  }
}
