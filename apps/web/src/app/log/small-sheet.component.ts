import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { LogbookRow } from '@inky-shoal/core/logbook';

const WIDTH = 168;
const HEIGHT = 84;
const PAD = 4;
/** A trip fills at least so much of a day, and its water is at least so deep. */
const LEAST_MIN = 300;
const LEAST_M = 3;

/** A trip as a small sheet: hours across, depth down, what was fished as strokes, bites as rings and fish as dots. */
@Component({
  selector: 'inky-small-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" aria-hidden="true">
      @for (stroke of drawn().strokes; track $index) {
        <line [attr.x1]="stroke.x1" [attr.x2]="stroke.x2" [attr.y1]="stroke.y" [attr.y2]="stroke.y" />
      }
      @for (bite of drawn().bites; track $index) {
        <circle [class.landed]="bite.landed" [attr.cx]="bite.x" [attr.cy]="bite.y" r="3.5" />
      }
    </svg>
  `,
  styles: `
    :host,
    svg {
      display: block;
      width: 100%;
    }
    svg {
      background: linear-gradient(
        color-mix(in srgb, var(--water-light) 45%, transparent),
        color-mix(in srgb, var(--water-dark) 45%, transparent)
      );
    }
    line {
      stroke: var(--lure);
      stroke-width: 3;
      stroke-linecap: round;
    }
    circle {
      fill: var(--paper);
      stroke: var(--act);
      stroke-width: 1.8;
    }
    .landed {
      fill: var(--act);
    }
  `,
})
export class SmallSheetComponent {
  readonly row = input.required<LogbookRow>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;

  protected readonly drawn = computed(() => {
    const { strokes } = this.row();
    const from = Math.min(...strokes.map(({ fromMin }) => fromMin));
    const to = Math.max(from + LEAST_MIN, ...strokes.map(({ toMin }) => toMin));
    const deepest = Math.max(LEAST_M, ...strokes.map(({ depthM }) => depthM * 1.1));
    const x = (minute: number) => PAD + ((minute - from) / (to - from)) * (WIDTH - 2 * PAD);
    const y = (depthM: number) => PAD + (depthM / deepest) * (HEIGHT - 2 * PAD);
    return {
      strokes: strokes.map(({ fromMin, toMin, depthM }) => ({ x1: x(fromMin), x2: x(toMin), y: y(depthM) })),
      bites: strokes.flatMap(({ fromMin, toMin, depthM, bites, landed }) =>
        Array.from({ length: bites }, (_, at) => ({
          x: x(fromMin + ((at + 0.5) / bites) * (toMin - fromMin)),
          y: y(depthM),
          landed: at < landed,
        })),
      ),
    };
  });
}
