import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFeature, ChartFrame } from '@inky-shoal/core/chart';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import type { OpenChart } from '../state/chart.service';
import type { Look } from '../state/settings.service';
import { readInk } from '../ui/ink';
import { rgbOf } from './chart-tints';
import { ChartMap, type Contour, type Sounding } from './chart-map';

/** The chart as one moves about on it. What it shows also stands in the list beside it. */
@Component({
  selector: 'inky-water-map',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div
    #box
    class="box"
    tabindex="0"
    role="application"
    aria-label="Chart. Arrows move it, plus and minus bring it nearer or farther. The places are in the list."
  ></div>`,
  styleUrl: './water-map.component.css',
})
export class WaterMapComponent {
  readonly frame = input.required<ChartFrame>();
  /** Rows and columns to show at first. */
  readonly wet = input.required<OpenChart['wet']>();
  readonly units = input.required<UnitSystem>();
  readonly look = input.required<Look>();
  readonly features = input<readonly ChartFeature[]>([]);
  readonly tint = input<Uint8ClampedArray<ArrayBuffer> | null>(null);
  readonly heat = input<Uint8Array | null>(null);
  readonly contours = input<readonly Contour[]>([]);
  readonly soundings = input<readonly Sounding[]>([]);
  readonly spots = input<readonly PlacedSpot[]>([]);
  readonly alike = input<readonly PlacedSpot[]>([]);
  readonly chosen = input<PlacedSpot | null>(null);
  readonly run = input<readonly (readonly [number, number])[]>([]);
  readonly pressed = output<readonly [number, number]>();
  readonly spotChosen = output<PlacedSpot>();

  private readonly box = viewChild.required<ElementRef<HTMLElement>>('box');
  private readonly map = signal<ChartMap | null>(null);

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => {
      const box = this.box().nativeElement;
      const map = new ChartMap(box, this.frame(), this.wet(), readInk(), {
        pressed: (lonLat) => this.pressed.emit(lonLat),
        chosen: (spot) => this.spotChosen.emit(spot),
      });
      const watch = new ResizeObserver(() => map.resized());
      watch.observe(box);
      destroy.onDestroy(() => {
        watch.disconnect();
        map.close();
      });
      this.map.set(map);
    });
    effect(() => {
      this.look();
      // The look stands on the page a moment after it was chosen.
      requestAnimationFrame(() => this.map()?.setInk(readInk()));
    });
    effect(() => this.map()?.setUnits(this.units()));
    effect(() => this.map()?.setFeatures(this.features()));
    effect(() => this.map()?.setContours(this.contours()));
    effect(() => this.map()?.setSoundings(this.soundings()));
    effect(() => this.map()?.setRun(this.run()));
    effect(() => this.map()?.setSpots(this.spots(), this.chosen(), this.alike()));
    effect(() => {
      const [map, tint] = [this.map(), this.tint()];
      if (map && tint) map.setTint(tint);
    });
    effect(() => {
      const [map, heat] = [this.map(), this.heat()];
      this.look();
      if (map && heat) map.setHeat(heat, rgbOf(readInk().fish));
    });
    effect(() => {
      const chosen = this.chosen();
      if (chosen) this.map()?.show(chosen.at);
    });
  }
}
