import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  type WritableSignal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { clockOf, readNumber, readQuantityIn, sayRange, symbolOf, type Run, type UnitSystem } from '@inky-shoal/core';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { NoticeService } from '../base/notice.service';
import { plainFigure } from '../ui/numbers';
import { saveFile } from '../ui/save-file';
import { SelectComponent } from '../ui/select.component';
import { FoldComponent } from '../ui/fold.component';
import { FieldComponent } from '../ui/field.component';
import type { OpenChart } from './chart.service';
import { DRAUGHT_M, rampsOf, RunService, SPEED_MPS, STAY_MIN } from './run.service';
import { KeptRuns } from '../sheet/kept-runs';
import { SavePlanService } from '../sheet/save-plan.service';
import { RunStopsComponent } from './run-stops.component';
import { gpxOf, leftOutWords, minuteTyped } from './run-words';
import { sayPlace } from './spot-words';

const DAY_MIN = 1439;

/** The run of the day: ordered over what was picked, kept, taken off, saved as a route. */
@Component({
  selector: 'inky-run-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, FoldComponent, InputText, RunStopsComponent, SelectComponent],
  templateUrl: './run-panel.component.html',
  styleUrl: './run-panel.component.css',
})
export class RunPanelComponent {
  private readonly service = inject(RunService);
  private readonly kept = inject(KeptRuns);
  private readonly saving = inject(SavePlanService);
  private readonly notices = inject(NoticeService);

  readonly chart = input.required<OpenChart>();
  readonly picked = input.required<readonly PlacedSpot[]>();
  readonly units = input.required<UnitSystem>();
  /** The best spots are to be picked. */
  readonly bestWanted = output();
  /** A spot is to come off the run. */
  readonly dropped = output<PlacedSpot>();
  protected readonly wish = toSignal(this.service.wish$, { requireSync: true });
  /** The run goes from the day's first quarter hour to its last, unless it is said otherwise. */
  protected readonly startMin = linkedSignal(() => this.chart().minutes[0] ?? 0);
  protected readonly endMin = linkedSignal(() => this.chart().minutes.at(-1) ?? DAY_MIN);
  protected readonly ramps = computed(() => rampsOf(this.chart().features));
  protected readonly from = linkedSignal(() => this.ramps()[0]?.id);
  protected readonly to = linkedSignal(() => this.from());
  /** Minutes at spots that want their own, by cell. */
  protected readonly stays = signal<ReadonlyMap<number, number>>(new Map());
  protected readonly speedUnit = computed(() => symbolOf('wind', this.units()));
  protected readonly speed = computed(() => plainFigure('wind', this.wish().speedMps, this.units()));
  /** What the boat draws is asked where the tide can keep it. */
  protected readonly isTidal = computed(() => this.chart().conditions.discipline === 'inshore');
  protected readonly draughtUnit = computed(() => symbolOf('depth', this.units()));
  protected readonly draught = computed(() => plainFigure('depth', this.wish().draughtM, this.units()));
  protected readonly place = sayPlace;
  protected readonly clock = clockOf;
  protected readonly run = toSignal(this.kept.run$, { initialValue: null });
  protected readonly isStale = toSignal(this.kept.isStale$, { initialValue: false });

  protected order(): void {
    const [startMin, endMin, stayMin] = [this.startMin(), this.endMin(), this.stays()];
    const [from, to] = [this.from(), this.to()];
    if (endMin <= startMin) return this.notices.say('The run is back before it is out: change one of the two times.');
    this.service.order(this.chart(), this.picked(), { startMin, endMin, stayMin, from, to }).subscribe({
      next: (ordered) => {
        if ('why' in ordered) return this.notices.say(ordered.why);
        this.saving.saveRun();
        const words = leftOutWords(ordered);
        if (words) this.notices.say(words);
      },
      error: () => this.notices.say('The run could not be ordered, and the fault is ours.'),
    });
  }

  protected setStay(input: HTMLInputElement): void {
    const minutes = this.minutesIn(input);
    if (minutes === undefined) input.value = String(this.wish().stayMin);
    else this.service.setPreferences({ stayMin: minutes });
  }

  protected setOwn({ cell }: PlacedSpot, input: HTMLInputElement): void {
    const minutes = this.minutesIn(input);
    if (minutes === undefined) input.value = String(this.stays().get(cell) ?? this.wish().stayMin);
    else this.stays.set(new Map([...this.stays(), [cell, minutes]]));
  }

  protected setSpeed(input: HTMLInputElement): void {
    const speedMps = readQuantityIn(input.value, 'wind', this.units()) ?? Number.NaN;
    if (speedMps >= SPEED_MPS[0] && speedMps <= SPEED_MPS[1]) return this.service.setPreferences({ speedMps });
    this.notices.say(
      `Expected a speed of ${sayRange('wind', SPEED_MPS, this.units())}, got "${input.value.slice(0, 20)}".`,
    );
    input.value = this.speed();
  }

  protected setDraught(input: HTMLInputElement): void {
    const draughtM = readQuantityIn(input.value, 'depth', this.units()) ?? Number.NaN;
    if (draughtM >= DRAUGHT_M[0] && draughtM <= DRAUGHT_M[1]) return this.service.setPreferences({ draughtM });
    this.notices.say(
      `Expected what the boat draws, ${sayRange('depth', DRAUGHT_M, this.units())}, got "${input.value.slice(0, 20)}".`,
    );
    input.value = this.draught();
  }

  protected setHours(input: HTMLInputElement, of: WritableSignal<number>): void {
    const minute = minuteTyped(input.value, this.chart().minutes);
    if (minute === undefined) input.value = clockOf(of());
    else of.set(minute);
  }

  private minutesIn({ value }: HTMLInputElement): number | undefined {
    const minutes = readNumber(value);
    if (minutes !== undefined && minutes >= STAY_MIN[0] && minutes <= STAY_MIN[1]) return Math.round(minutes);
    this.notices.say(`Expected from ${STAY_MIN[0]} to ${STAY_MIN[1]} minutes, got "${value.slice(0, 20)}".`);
    return undefined;
  }

  protected drop(run: Run): void {
    this.kept.remove(run);
    this.saving.saveRun();
    this.notices.say('The run is taken off the sheet.', () => {
      this.kept.keep(run);
      this.saving.saveRun();
    });
  }

  protected saveGpx(run: Run): void {
    saveFile(`run-${run.date}.gpx`, gpxOf(run, this.units()), 'application/gpx+xml');
  }
}
