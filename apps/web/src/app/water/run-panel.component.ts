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
import { clockOf, say, sayRange, symbolOf, toSi, type UnitSystem } from '@inky-shoal/core';
import { routeToGpx } from '@inky-shoal/core/formats';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import type { OpenChart } from './chart.service';
import { NoticeService } from '../base/notice.service';
import { rampsOf, RunService, SPEED_MPS, STAY_MIN, type KeptRun } from './run.service';
import { plainFigure, readNumber } from '../ui/numbers';
import { saveFile } from '../ui/save-file';
import { RunStopsComponent } from './run-stops.component';
import { sayMinute, sayPlace } from './spot-words';

const DAY_MIN = 1439;

/** The run of the day: ordered over what was picked, kept, taken off, saved as a route. */
@Component({
  selector: 'inky-run-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RunStopsComponent],
  template: `
    <h2>Run</h2>
    @if (run(); as run) {
      <inky-run-stops [run]="run" [units]="units()" />
      <p class="quiet">It stands on the sheet.</p>
      <p class="acts">
        <button type="button" class="plain" (click)="saveGpx(run)">As a GPX route</button>
        <button type="button" class="plain" (click)="drop(run)">Take it off</button>
      </p>
    }
    @if (picked().length) {
      <p>{{ picked().length }} {{ picked().length === 1 ? 'spot' : 'spots' }} picked.</p>
      <details>
        <summary>Minutes, boat and hours</summary>
        <div class="wish">
          <label
            >Minutes at each
            <input class="field" #stay inputmode="numeric" [value]="wish().stayMin" (change)="setStay(stay)"
          /></label>
          <label
            >Boat ({{ speedUnit() }})
            <input class="field" #boat inputmode="decimal" [value]="speed()" (change)="setSpeed(boat)"
          /></label>
          <label
            >Out <input class="field" type="time" #out [value]="clock(startMin())" (change)="setHours(out, startMin)"
          /></label>
          <label
            >Back <input class="field" type="time" #home [value]="clock(endMin())" (change)="setHours(home, endMin)"
          /></label>
          @if (ramps().length > 1) {
            <label
              >Out from
              <select class="field" #start (change)="from.set(start.value)">
                @for (ramp of ramps(); track ramp.id) {
                  <option [value]="ramp.id" [selected]="ramp.id === from()">{{ ramp.name }}</option>
                }
              </select></label
            >
            <label
              >Back at
              <select class="field" #end (change)="to.set(end.value)">
                @for (ramp of ramps(); track ramp.id) {
                  <option [value]="ramp.id" [selected]="ramp.id === to()">{{ ramp.name }}</option>
                }
              </select></label
            >
          }
        </div>
        <ul class="picked" aria-label="Spots of the run">
          @for (spot of picked(); track spot.cell) {
            <li>
              <span>{{ place(spot) }}</span>
              <input
                class="field"
                #own
                inputmode="numeric"
                [attr.aria-label]="'Minutes at ' + place(spot)"
                [value]="stays().get(spot.cell) ?? wish().stayMin"
                (change)="setOwn(spot, own)"
              />
              <button
                type="button"
                class="plain"
                [attr.aria-label]="place(spot) + ' off the run'"
                (click)="dropped.emit(spot)"
              >
                Off
              </button>
            </li>
          }
        </ul>
      </details>
      <button type="button" class="act" (click)="order()">Order the run</button>
    } @else if (!run()) {
      <p class="quiet">Add spots, or begin with the best six.</p>
      <button type="button" class="plain" (click)="bestWanted.emit()">Take the best six</button>
    }
  `,
  styles: `
    h2 {
      font-size: 1.1rem;
      margin: 0.9rem 0 0.2rem;
    }
    .wish {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.4rem 0.8rem;
      margin: 0.4rem 0;
    }
    .picked {
      list-style: none;
      margin: 0.4rem 0 0.6rem;
      padding: 0;
    }
    .picked li {
      display: grid;
      grid-template-columns: 1fr 4rem auto;
      gap: 0.5rem;
      align-items: center;
      margin-bottom: 0.3rem;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.75rem;
    }
  `,
})
export class RunPanelComponent {
  private readonly service = inject(RunService);
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
  protected readonly place = sayPlace;
  protected readonly clock = clockOf;
  protected readonly run = toSignal(this.service.run$, { initialValue: null });

  protected order(): void {
    const [startMin, endMin, stayMin] = [this.startMin(), this.endMin(), this.stays()];
    const [from, to] = [this.from(), this.to()];
    if (endMin <= startMin) return this.notices.say('The run is back before it is out: change one of the two times.');
    this.service.order(this.chart(), this.picked(), { startMin, endMin, stayMin, from, to }).subscribe({
      next: (ordered) => {
        if ('why' in ordered) this.notices.say(ordered.why);
        else if (ordered.left) {
          this.notices.say(`${ordered.left} ${ordered.left === 1 ? 'spot does' : 'spots do'} not fit into the day.`);
        }
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
    const shown = readNumber(input.value);
    const speedMps = shown === undefined ? Number.NaN : toSi('wind', shown, this.units());
    if (speedMps >= SPEED_MPS[0] && speedMps <= SPEED_MPS[1]) return this.service.setPreferences({ speedMps });
    this.notices.say(
      `Expected a speed of ${sayRange('wind', SPEED_MPS, this.units())}, got "${input.value.slice(0, 20)}".`,
    );
    input.value = this.speed();
  }

  protected setHours(input: HTMLInputElement, of: WritableSignal<number>): void {
    const [hours = Number.NaN, minutes = Number.NaN] = input.value.split(':').map(Number);
    if (Number.isFinite(hours * 60 + minutes)) of.set(hours * 60 + minutes);
    else input.value = clockOf(of());
  }

  private minutesIn({ value }: HTMLInputElement): number | undefined {
    const minutes = readNumber(value);
    if (minutes !== undefined && minutes >= STAY_MIN[0] && minutes <= STAY_MIN[1]) return Math.round(minutes);
    this.notices.say(`Expected from ${STAY_MIN[0]} to ${STAY_MIN[1]} minutes, got "${value.slice(0, 20)}".`);
    return undefined;
  }

  protected drop(run: KeptRun): void {
    this.service.remove(run);
    this.notices.say('The run is taken off the sheet.', () => this.service.keep(run));
  }

  protected saveGpx({ date, stops }: KeptRun): void {
    const points = stops.map(({ lonLat, name, fromMin, toMin, depthM }, index) => ({
      lonLat,
      name: `${index + 1} ${name}`,
      note: `${sayMinute(fromMin)} to ${sayMinute(toMin)}, ${say('depth', depthM, this.units())}`,
    }));
    saveFile(`run-${date}.gpx`, routeToGpx(`Run of ${date}`, points), 'application/gpx+xml');
  }
}
