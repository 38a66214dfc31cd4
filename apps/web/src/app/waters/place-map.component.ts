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
  ViewEncapsulation,
} from '@angular/core';
import type { Position } from '@inky-shoal/core/units/position';
import { ButtonDirective } from 'primeng/button';
import { readInk } from '../ui/ink';
import { PlaceMap } from './place-map';

/** A plain map of the world on which a place is pressed, or brought to the middle with the arrow keys and taken. */
@Component({
  selector: 'inky-place-map',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `<div
      #box
      class="box"
      tabindex="0"
      role="application"
      aria-label="Map of the world. Arrows move it, plus and minus bring it nearer or farther, Enter takes its middle."
      (keydown.enter)="$event.preventDefault(); takeMiddle()"
    ></div>
    <svg class="middle" viewBox="0 0 24 24" aria-hidden="true"><path d="M12 2v20M2 12h20" /></svg>
    <button pButton text type="button" (click)="takeMiddle()">Take the middle</button>`,
  styleUrl: '../ui/map.css',
  // What the map library draws takes its styles from here too; each is kept to this map by its name.
  encapsulation: ViewEncapsulation.None,
})
export class PlaceMapComponent {
  readonly position = input<Position | null>(null);
  readonly picked = output<Position>();

  private readonly box = viewChild.required<ElementRef<HTMLElement>>('box');
  private readonly map = signal<PlaceMap | null>(null);

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => {
      const box = this.box().nativeElement;
      const map = new PlaceMap(box, readInk(), (position) => this.picked.emit(position));
      const watch = new ResizeObserver(() => map.resized());
      watch.observe(box);
      destroy.onDestroy(() => {
        watch.disconnect();
        map.close();
      });
      this.map.set(map);
    });
    effect(() => {
      const position = this.position();
      if (position) this.map()?.show(position);
    });
  }

  protected takeMiddle(): void {
    const middle = this.map()?.middle();
    if (middle) this.picked.emit(middle);
  }
}
