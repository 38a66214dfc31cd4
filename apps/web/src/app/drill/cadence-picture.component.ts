import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { figureOf, symbolOf, type UnitSystem } from '@inky-shoal/core';
import { lureWay, type Cycle, type LureMotion } from '@inky-shoal/core/drill';

const WIDTH = 600;
const HEIGHT = 190;
const LEFT = 66;
const TOP = 46;
const BOTTOM = 168;
/** The depths drawn reach so far over and under the lure's way, metres at least. */
const ROOM_M = 0.25;

/** One round of a cadence: what the hand does over the water, and the way of the lure under it. */
@Component({
  selector: 'inky-cadence-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="box" role="img" [attr.aria-label]="words()">
      <rect class="water" [attr.x]="left" [attr.y]="top" [attr.width]="width - left" [attr.height]="bottom - top" />
      @if (pause(); as wait) {
        <rect class="wait" [attr.x]="wait.x" [attr.y]="top" [attr.width]="wait.width" [attr.height]="bottom - top" />
        <text [attr.x]="wait.x + wait.width / 2" [attr.y]="top - 8" text-anchor="middle">wait {{ wait.words }}</text>
      }
      @for (x of strokes(); track x) {
        <line class="stroke" [attr.x1]="x" [attr.x2]="x" [attr.y1]="top - 30" [attr.y2]="top - 4" />
      }
      <polyline class="way" [attr.points]="way()" />
      @if (bed(); as y) {
        <line class="bed" [attr.x1]="left" [attr.x2]="width" [attr.y1]="y" [attr.y2]="y" />
      }
      @for (depth of depths(); track depth.y) {
        <text class="depth" [attr.x]="left - 6" [attr.y]="depth.y + 4" text-anchor="end">{{ depth.words }}</text>
      }
      @if (now(); as x) {
        <line class="now" [attr.x1]="x" [attr.x2]="x" [attr.y1]="top - 34" [attr.y2]="bottom" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 46rem;
      height: auto;
    }
    text {
      font-family: inherit;
      font-size: 13px;
      fill: var(--ink-2);
    }
    @media (max-width: 40rem) {
      text {
        font-size: 21px;
      }
    }
    .water {
      fill: var(--paper-2, transparent);
      stroke: var(--rule);
    }
    .wait {
      fill: var(--rule);
      opacity: 0.35;
    }
    .stroke {
      stroke: var(--act);
      stroke-width: 5;
      stroke-linecap: round;
    }
    .way {
      fill: none;
      stroke: var(--ink);
      stroke-width: 3;
      stroke-linejoin: round;
    }
    .bed {
      stroke: var(--ink-2);
      stroke-width: 2;
      stroke-dasharray: 2 5;
    }
    .now {
      stroke: var(--act);
      stroke-width: 2;
    }
  `,
})
export class CadencePictureComponent {
  readonly cycle = input.required<Cycle>();
  readonly motion = input.required<LureMotion>();
  readonly units = input.required<UnitSystem>();
  /** Seconds since it began; null while nothing sounds. */
  readonly atS = input<number | null>(null);

  protected readonly box = `0 0 ${WIDTH} ${HEIGHT}`;
  protected readonly left = LEFT;
  protected readonly top = TOP;
  protected readonly bottom = BOTTOM;
  protected readonly width = WIDTH;

  private readonly points = computed(() => lureWay(this.cycle(), this.motion()));
  private readonly span = computed(() => {
    const depths = this.points().map(({ depthM }) => depthM);
    return [Math.max(0, Math.min(...depths) - ROOM_M), Math.max(...depths) + ROOM_M] as const;
  });
  protected readonly way = computed(() =>
    this.points()
      .map(({ atS, depthM }) => `${this.x(atS).toFixed(1)},${this.y(depthM).toFixed(1)}`)
      .join(' '),
  );
  protected readonly strokes = computed(() => this.cycle().strokes.map(({ atS }) => this.x(atS) + 3));
  protected readonly pause = computed(() => {
    const { pauseFromS, pauseS } = this.cycle();
    if (!pauseS) return null;
    const [x, to] = [this.x(pauseFromS), this.x(pauseFromS + pauseS)];
    return { x, width: to - x, words: `${Number(pauseS.toFixed(1))} s` };
  });
  protected readonly bed = computed(() => (this.motion().onBottom ? this.y(this.motion().depthM) : null));
  protected readonly depths = computed(() =>
    this.span().map((depthM, at) => ({
      y: this.y(depthM) + (at ? 0 : 6),
      words: `${figureOf('depth', depthM, this.units())}${at ? ` ${symbolOf('depth', this.units())}` : ''}`,
    })),
  );
  protected readonly now = computed(() => {
    const at = this.atS();
    return at === null ? null : this.x(at % this.cycle().lengthS);
  });
  protected readonly words = computed(() => {
    const { strokes, pauseS } = this.cycle();
    const count = strokes.length;
    const wait = pauseS ? `, then a wait of ${Number(pauseS.toFixed(1))} s` : '';
    return `${count} ${count === 1 ? 'stroke' : 'strokes'}${wait}; the way of the lure under them`;
  });

  private x(atS: number): number {
    return LEFT + (atS / this.cycle().lengthS) * (WIDTH - LEFT);
  }

  private y(depthM: number): number {
    const [from, to] = this.span();
    return TOP + ((depthM - from) / (to - from)) * (BOTTOM - TOP);
  }
}
