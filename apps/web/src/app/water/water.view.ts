import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { COVERS, nameOf, say, readQuantityIn, STRUCTURES, toShown, type Cover, type Structure } from '@inky-shoal/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { sayDate } from '../ui/dates';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { SelectComponent } from '../ui/select.component';
import { FieldComponent } from '../ui/field.component';
import { choices } from '../ui/choices';
import { ChartService } from './chart.service';
import { RunService } from './run.service';
import type { MapMode } from './map-picture';
import { BedImportComponent } from './draw/bed-import.component';
import { DrawSession } from './draw/draw-session';
import { DrawPanelComponent } from './draw/draw-panel.component';
import { RunPanelComponent } from './run-panel.component';
import { SpotCardComponent } from './spot-card.component';
import { sayGood, sayGround, sayMinute, sayPlace } from './spot-words';
import { WaterMapComponent } from './water-map.component';
import { ChartLayers, chartKey } from './chart-layers';
import { PickedSpots } from './picked-spots';
import { ChosenSpot } from './chosen-spot';
import { tintKey } from './chart-tints';
import { isOn, listed, windOn } from './on-chart';
import { readInk } from '../ui/ink';

/** The farthest the water's level may stand from the chart's zero, metres. */
const MAX_LEVEL_M = 30;

/** The chart of the day's water: where to go at each hour, and why. */
@Component({
  selector: 'inky-water',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BedImportComponent,
    ButtonDirective,
    DrawPanelComponent,
    FieldComponent,
    InputText,
    RouterLink,
    RunPanelComponent,
    SelectComponent,
    SpotCardComponent,
    WaterMapComponent,
  ],
  providers: [ChartLayers, ChosenSpot, DrawSession, PickedSpots],
  templateUrl: './water.view.html',
  styleUrl: './water.view.css',
})
export class WaterView {
  private readonly service = inject(ChartService);
  private readonly notices = inject(NoticeService);
  private readonly settings = inject(SettingsService);
  protected readonly layers = inject(ChartLayers);
  protected readonly chosen = inject(ChosenSpot);
  protected readonly picked = inject(PickedSpots);
  protected readonly session = inject(DrawSession);

  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly levelM = toSignal(this.service.levelM$, { requireSync: true });
  /** A map is made for each chart: another water, or another bed, has its own. */
  protected readonly maps = computed(() => {
    const chart = this.layers.chart();
    return chart ? [{ key: chartKey(chart), chart }] : [];
  });
  private readonly run = toSignal(inject(RunService).run$, { initialValue: null });
  protected readonly runLine = computed(() => this.run()?.line ?? []);

  protected readonly about = computed(() => {
    const chart = this.layers.chart();
    return chart ? `${chart.water.name}, ${sayDate(chart.conditions.date)}` : '';
  });
  protected readonly wind = computed(() => windOn(this.layers.chart()?.conditions, this.units()));
  /** What the tints of tidal ground mean. */
  protected readonly tidalTints = computed(() => {
    this.look();
    return tintKey(readInk());
  });
  protected readonly structures = computed(() =>
    choices(listed(STRUCTURES, this.layers.structure(), this.layers.spots(), 'structure')),
  );
  protected readonly covers = computed(() =>
    choices(listed(COVERS, this.layers.cover(), this.layers.spots(), 'cover')),
  );
  protected readonly level = computed(() => toShown('depth', this.levelM(), this.units()).toFixed(1));

  protected readonly mode = computed((): MapMode => {
    const drawing = this.session.open();
    return {
      drawing,
      pen: this.session.pen()?.as ?? null,
      chosenId: drawing ? (this.session.chosen()?.id ?? null) : null,
    };
  });
  protected readonly onChart = computed(() => {
    const frame = this.layers.chart()?.frame;
    return frame ? isOn(frame) : () => false;
  });

  protected readonly name = nameOf;
  protected readonly time = sayMinute;
  protected readonly place = sayPlace;
  protected readonly good = sayGood;

  protected ground(spot: PlacedSpot): string {
    return sayGround(spot, this.units());
  }

  protected setMinute(text: string): void {
    this.layers.minute.set(this.layers.minutes()[Number(text)] ?? 0);
  }

  protected only(kind: 'structure' | 'cover', id: string): void {
    if (kind === 'structure') this.layers.structure.set(id as Structure | '');
    else this.layers.cover.set(id as Cover | '');
  }

  protected press(lonLat: readonly [number, number]): void {
    this.chosen.at(lonLat).subscribe((spot) => this.chosen.choose(spot));
  }

  /** Places like a mark: what the chart knows of where it stands is compared. */
  protected moreLikeMark({ shape }: ChartFeature): void {
    if (shape.type !== 'Point') return;
    this.chosen.at(shape.coordinates).subscribe((spot) => {
      if (!spot) return this.notices.say('This mark does not stand in water on this chart.');
      this.session.toggle();
      this.chosen.choose(spot);
      this.chosen.findAlike(spot);
    });
  }

  protected setLevel(text: string): void {
    const levelM = readQuantityIn(text, 'depth', this.units()) ?? Number.NaN;
    if (Math.abs(levelM) <= MAX_LEVEL_M) return this.service.setLevel(levelM);
    const most = say('depth', MAX_LEVEL_M, this.units());
    this.notices.say(`Expected a level within ${most} of the chart's zero, got "${text.slice(0, 20)}".`);
  }
}
