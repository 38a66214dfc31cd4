import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
  type OnInit,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import {
  DISCIPLINES,
  KINDS_FOR,
  symbolOf,
  type Discipline,
  type Water,
  type WaterDraftInput,
  type WaterKind,
} from '@inky-shoal/core';
import { switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { ButtonDirective } from 'primeng/button';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { choices } from '../ui/choices';
import { FieldComponent } from '../ui/field.component';
import { plainFigure } from '../ui/numbers';
import { SelectComponent } from '../ui/select.component';
import { placeControls, PlaceFieldsComponent } from './place-fields.component';
import { TideStationsService } from './tide-stations.service';
import { readWater, type WaterProblems } from './water-values';
import { WatersService } from './waters.service';

/** A water, new or changed: its name, kind and place; the rest can wait. */
@Component({
  selector: 'inky-water-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, PlaceFieldsComponent, ReactiveFormsModule, SelectComponent],
  templateUrl: './water-form.component.html',
  styleUrl: './water-form.component.css',
})
export class WaterFormComponent implements OnInit {
  private readonly service = inject(WatersService);
  private readonly stations = inject(TideStationsService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly waters = toSignal(this.service.waters$, { initialValue: null });
  private readonly placeFields = viewChild.required(PlaceFieldsComponent);

  /** The water to change; none for a new one. */
  readonly water = input<Water | null>(null);
  /** The book has no water yet: there is nothing to go back to. */
  readonly first = input(false);
  /** The id of the water made or changed. */
  readonly made = output<string>();
  /** Given up. */
  readonly given = output();

  protected readonly form = inject(NonNullableFormBuilder).group({
    name: '',
    discipline: 'bass' as Discipline,
    waterKind: 'highland-reservoir' as WaterKind,
    place: placeControls(null, Intl.DateTimeFormat().resolvedOptions().timeZone),
    normal: '',
    maxDepth: '',
  });
  private readonly discipline = toSignal(this.form.controls.discipline.valueChanges);
  protected readonly problems = signal<WaterProblems>({});
  protected readonly depthUnit = computed(() => symbolOf('depth', this.units()));
  protected readonly disciplines = choices(DISCIPLINES);
  protected readonly kinds = computed(() => choices(KINDS_FOR[this.discipline() ?? 'bass']));

  ngOnInit(): void {
    const { controls } = this.form;
    controls.discipline.valueChanges.subscribe((discipline) => {
      const kinds: readonly WaterKind[] = KINDS_FOR[discipline];
      if (!kinds.includes(controls.waterKind.value)) controls.waterKind.setValue(kinds[0] as WaterKind);
    });
    const water = this.water();
    if (!water) return;
    const { name, discipline, waterKind, place, normalVisibilityM, maxDepthM } = water;
    const shown = (metres: number | undefined) =>
      metres === undefined ? '' : plainFigure('depth', metres, this.units());
    this.form.controls.place = placeControls(place, place.timeZone);
    this.form.patchValue({ name, discipline, waterKind, normal: shown(normalVisibilityM), maxDepth: shown(maxDepthM) });
  }

  /** What was typed, checked field by field; null with the problems told. */
  private checked(): WaterDraftInput | null {
    const others = valueOr(this.waters(), []).filter(({ id }) => id !== this.water()?.id);
    const { input, problems } = readWater(this.form.getRawValue(), this.water(), others, this.units());
    this.problems.set(problems);
    return input;
  }

  protected keep(): void {
    const draft = this.checked();
    if (!draft) return;
    if (this.placeFields().doubt()) return document.getElementById('water-place-doubt')?.focus();
    const before = this.water();
    const id = before?.id ?? uuid();
    const done = before ? 'is changed.' : 'is added. Give it a reading.';
    const whole$ = this.stations.withStation(draft);
    whole$.pipe(switchMap((whole) => this.service.make(whole, id, before?.version))).subscribe({
      next: (state) => {
        this.notices.say(
          state === 'sent' ? `${draft.name} ${done}` : `${draft.name} is kept here until the server is back.`,
        );
        this.made.emit(id);
      },
      error: (error: Error) => this.problems.set({ whole: error.message }),
    });
  }
}
