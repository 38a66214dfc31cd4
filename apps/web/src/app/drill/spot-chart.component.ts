import {
  ChangeDetectionStrategy,
  Component,
  effect,
  type ElementRef,
  input,
  linkedSignal,
  output,
  viewChild,
} from '@angular/core';
import type { ChartPicture } from '../water/chart-api';
import type { OpenChart } from '../water/chart.service';
import { drawSpots, MIDDLE, movedBy, shareOf, type Share, type SpotMarks } from './spot-picture';

/** The chart of an hour on which a place is pressed, or taken with a cross that keys move. */
@Component({
  selector: 'inky-spot-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas
    #canvas
    tabindex="0"
    role="application"
    aria-label="The chart: darker is deeper. Arrow keys move a cross, Enter takes the place under it"
    (click)="press($event)"
    (keydown)="key($event)"
  ></canvas>`,
  styleUrl: './spot-chart.component.css',
})
export class SpotChartComponent {
  readonly chart = input.required<OpenChart>();
  readonly tint = input<ChartPicture | null>(null);
  readonly marks = input.required<SpotMarks>();
  /** A place may be taken. */
  readonly open = input(false);
  readonly chosen = output<Share>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  /** The cross that keys move; null while it is not used. */
  private readonly aim = linkedSignal<boolean, Share | null>({ source: this.open, computation: () => null });

  constructor() {
    effect(() => drawSpots(this.canvas().nativeElement, this.chart(), this.tint(), this.marks(), this.aim()));
  }

  protected press({ clientX, clientY }: MouseEvent): void {
    if (this.open()) this.chosen.emit(shareOf(this.canvas().nativeElement, clientX, clientY));
  }

  protected key(event: KeyboardEvent): void {
    if (!this.open()) return;
    const from = this.aim() ?? MIDDLE;
    const moved = movedBy(event.key, from);
    if (event.key === 'Enter') this.chosen.emit(from);
    else if (moved) this.aim.set(moved);
    else return;
    event.preventDefault();
  }
}
