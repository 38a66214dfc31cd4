import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
  ViewEncapsulation,
} from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFeature, ChartFrame, FeatureShape } from '@inky-shoal/core/chart';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import type { Look } from '../base/settings.service';
import { readInk } from '../ui/ink';
import type { ChartPicture } from './chart-api';
import type { OpenChart } from './chart.service';
import { ChartMap } from './chart-map';
import type { ChartView, Contour, MapMode, Sounding } from './map-picture';

/** The chart as one moves about on it. What it shows also stands in the list beside it. */
@Component({
  selector: 'inky-water-map',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div
      #box
      class="box"
      tabindex="0"
      role="application"
      [attr.aria-label]="label()"
      (keydown)="key($event)"
    ></div>
    @if (mode().pen) {
      <svg class="middle" viewBox="0 0 24 24" aria-hidden="true"><path d="M12 2v20M2 12h20" /></svg>
    }`,
  styleUrl: '../ui/map.css',
  // What the map library draws takes its styles from here too; each is kept to this map by its name.
  encapsulation: ViewEncapsulation.None,
})
export class WaterMapComponent {
  readonly frame = input.required<ChartFrame>();
  /** Rows and columns to show at first. */
  readonly wet = input.required<OpenChart['wet']>();
  readonly units = input.required<UnitSystem>();
  readonly look = input.required<Look>();
  readonly features = input<readonly ChartFeature[]>([]);
  readonly tint = input<ChartPicture | null>(null);
  readonly heat = input<ChartPicture | null>(null);
  readonly contours = input<readonly Contour[]>([]);
  readonly soundings = input<readonly Sounding[]>([]);
  readonly spots = input<readonly PlacedSpot[]>([]);
  readonly alike = input<readonly PlacedSpot[]>([]);
  readonly chosen = input<PlacedSpot | null>(null);
  readonly run = input<readonly (readonly [number, number])[]>([]);
  readonly mode = input<MapMode>({ drawing: false, pen: null, chosenId: null });
  readonly pressed = output<readonly [number, number]>();
  readonly spotChosen = output<PlacedSpot>();
  readonly looked = output<ChartView>();
  readonly featureChosen = output<string | null>();
  readonly drawn = output<FeatureShape>();
  readonly reshaped = output<{ readonly feature: ChartFeature; readonly shape: FeatureShape }>();
  readonly penStopped = output();
  protected readonly label = computed(() =>
    this.mode().pen
      ? 'Chart. Arrows move it. Enter puts a point in its middle, Backspace takes one back, F finishes, Escape stops.'
      : 'Chart. Arrows move it, plus and minus bring it nearer or farther. The places are in the list.',
  );

  private readonly box = viewChild.required<ElementRef<HTMLElement>>('box');
  private readonly map = signal<ChartMap | null>(null);

  constructor() {
    const destroy = inject(DestroyRef);
    const make = () => {
      const box = this.box().nativeElement;
      const map = new ChartMap(box, this.frame(), this.wet(), readInk(), {
        pressed: (lonLat) => this.pressed.emit(lonLat),
        chosen: (spot) => this.spotChosen.emit(spot),
        looked: (view) => this.looked.emit(view),
        featureChosen: (id) => this.featureChosen.emit(id),
        drawn: (shape) => this.drawn.emit(shape),
        reshaped: (feature, shape) => this.reshaped.emit({ feature, shape }),
      });
      const watch = new ResizeObserver(() => map.resized());
      watch.observe(box);
      destroy.onDestroy(() => {
        watch.disconnect();
        map.close();
      });
      this.map.set(map);
    };
    // The page stands first: making a map and drawing it take a moment each.
    afterNextRender(() => {
      const soon = setTimeout(make);
      destroy.onDestroy(() => clearTimeout(soon));
    });
    effect(() => {
      this.look();
      // The look stands on the page a moment after it was chosen.
      requestAnimationFrame(() => this.map()?.setInk(readInk()));
    });
    effect(() => this.map()?.setUnits(this.units()));
    effect(() => this.map()?.setFeatures(this.features()));
    effect(() => {
      const mode = this.mode();
      this.map()?.setMode(mode);
      if (!mode.pen) return;
      // The pen is on the chart: it comes into view, and keys go to it.
      const box = this.box().nativeElement;
      box.focus({ preventScroll: true });
      box.scrollIntoView({ block: 'nearest' });
    });
    effect(() => this.map()?.setContours(this.contours()));
    effect(() => this.map()?.setSoundings(this.soundings()));
    effect(() => this.map()?.setRun(this.run()));
    effect(() => this.map()?.setSpots(this.spots(), this.chosen(), this.alike()));
    effect(() => this.tint() && this.map()?.setTint(this.tint() as ImageBitmap));
    effect(() => this.heat() && this.map()?.setHeat(this.heat() as ImageBitmap));
    effect(() => {
      const chosen = this.chosen();
      if (chosen) this.map()?.show(chosen.at);
    });
  }

  /** The pen goes to the middle, back, or off the chart. */
  pen(what: 'putInMiddle' | 'back' | 'finish'): void {
    this.map()?.penTools[what]();
  }

  protected key(event: KeyboardEvent): void {
    if (!this.mode().pen) return;
    const pens = { Enter: 'putInMiddle', Backspace: 'back', f: 'finish', F: 'finish' } as const;
    const what = pens[event.key as keyof typeof pens];
    if (what) this.pen(what);
    else if (event.key === 'Escape') this.penStopped.emit();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
}
