import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { DISCIPLINES, parse, symbolOf, WATER_KINDS, WaterDraft, type WaterDraftInput } from '@inky-shoal/core';
import { v7 as uuid } from 'uuid';
import { ButtonDirective } from 'primeng/button';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { choices } from '../ui/choices';
import { FieldComponent } from '../ui/field.component';
import { readNumber, readQuantity } from '../ui/numbers';
import { SelectComponent } from '../ui/select.component';
import { WatersService } from './waters.service';

type Field = 'name' | 'latitude' | 'longitude' | 'timeZone' | 'normalVisibilityM' | 'maxDepthM' | 'whole';

/** A new water: its name, kind and place; the rest can wait. */
@Component({
  selector: 'inky-water-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, ReactiveFormsModule, SelectComponent],
  templateUrl: './water-form.component.html',
  styles: `
    form {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.75rem 1rem;
      align-items: start;
    }
    h2,
    .wide,
    .end {
      grid-column: 1 / -1;
    }
    .end {
      display: flex;
      gap: 0.5rem;
    }
  `,
})
export class WaterFormComponent {
  private readonly waters = inject(WatersService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  /** The book has no water yet: there is nothing to go back to. */
  readonly first = input(false);
  /** The id of the water made. */
  readonly made = output<string>();
  /** Given up. */
  readonly given = output();

  protected readonly form = inject(NonNullableFormBuilder).group({
    name: '',
    discipline: 'bass' as (typeof DISCIPLINES)[number],
    waterKind: 'highland-reservoir' as (typeof WATER_KINDS)[number],
    latitude: '',
    longitude: '',
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    normal: '',
    maxDepth: '',
  });
  protected readonly problems = signal<Partial<Record<Field, string | null>>>({});
  protected readonly depthUnit = computed(() => symbolOf('depth', this.units()));
  protected readonly disciplines = choices(DISCIPLINES);
  protected readonly kinds = choices(WATER_KINDS);

  protected make(): void {
    const typed = this.form.getRawValue();
    const normal = readQuantity(typed.normal, 'normalVisibilityM', 'depth', this.units());
    const depth = readQuantity(typed.maxDepth, 'maxDepthM', 'depth', this.units());
    const input = {
      name: typed.name,
      discipline: typed.discipline,
      waterKind: typed.waterKind,
      place: { latitude: readNumber(typed.latitude), longitude: readNumber(typed.longitude), timeZone: typed.timeZone },
      normalVisibilityM: normal.si,
      maxDepthM: depth.si,
    };
    const draft = parse(WaterDraft, input);
    const said = (path: string) => {
      const found = draft.ok ? undefined : draft.problems.find((problem) => problem.path === path);
      return found ? `${found.message.charAt(0).toUpperCase()}${found.message.slice(1)}.` : null;
    };
    const problems = {
      name: said('name'),
      latitude: said('place.latitude'),
      longitude: said('place.longitude'),
      timeZone: said('place.timeZone'),
      normalVisibilityM: normal.problem,
      maxDepthM: depth.problem,
    };
    this.problems.set(problems);
    if (!draft.ok || Object.values(problems).some(Boolean)) return;
    const id = uuid();
    this.waters.make(input as WaterDraftInput, id).subscribe({
      next: (state) => {
        this.notices.say(
          state === 'sent'
            ? `${typed.name} is made. Give it a reading.`
            : `${typed.name} is kept here until the server is back.`,
        );
        this.made.emit(id);
      },
      error: (error: Error) => this.problems.set({ whole: error.message }),
    });
  }
}
