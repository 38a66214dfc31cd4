import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output } from '@angular/core';
import { figureOf, say, sayRange, symbolOf, type UnitSystem } from '@inky-shoal/core';
import type { DrillOptions } from '@inky-shoal/core/drill';
import { sayClock, sayHours } from '../sheet/words';
import type { ToldPicture } from './drill-api';

export type Band = readonly [fromM: number, toM: number] | null;

const [WIDTH, HEIGHT, LEFT, TOP, BOTTOM] = [360, 250, 44, 8, 222] as const;
/** A band is drawn at least so high. */
const LEAST_M = 0.3;
/** Hours are written where they have so much room. */
const HOUR_ROOM = 78;

/**
 * An empty sheet: the hours of the day across, depth down. One's own band is drawn on it with a thumb, and the planner's
 * ink comes over it.
 */
@Component({
  selector: 'inky-band-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      viewBox="0 0 ${WIDTH} ${HEIGHT}"
      role="img"
      [class.open]="open()"
      [attr.aria-label]="words()"
      (pointerdown)="begin($event)"
      (pointermove)="move($event)"
      (pointerup)="end()"
      (pointercancel)="end()"
    >
      <rect class="water" x="${LEFT}" y="${TOP}" width="${WIDTH - LEFT}" height="${BOTTOM - TOP}" />
      @for (column of columns(); track $index) {
        @if (column.own; as own) {
          <rect
            class="own"
            [attr.x]="column.x + 1"
            [attr.width]="column.width - 2"
            [attr.y]="own.y"
            [attr.height]="own.height"
          />
        }
        @for (band of column.planned; track $index) {
          <rect
            class="plan"
            [attr.x]="column.x + column.width * 0.3"
            [attr.width]="column.width * 0.4"
            [attr.y]="band.y"
            [attr.height]="band.height"
            [attr.opacity]="band.opacity"
          />
        }
        @if (column.ownStroke; as y) {
          <line
            class="own-stroke"
            [attr.x1]="column.x + 4"
            [attr.x2]="column.x + column.width - 4"
            [attr.y1]="y"
            [attr.y2]="y"
          />
        }
        @if (column.plannedStroke; as y) {
          <line
            class="plan-stroke"
            [attr.x1]="column.x + 4"
            [attr.x2]="column.x + column.width - 4"
            [attr.y1]="y"
            [attr.y2]="y"
          />
        }
        <line class="edge" [attr.x1]="column.x" [attr.x2]="column.x" y1="${TOP}" y2="${BOTTOM}" />
        @if (column.hour; as hour) {
          <text [attr.x]="column.x" y="${BOTTOM + 18}" [attr.text-anchor]="$first ? 'start' : 'middle'">
            {{ hour }}
          </text>
        }
      }
      @for (tick of ticks(); track tick.y) {
        <text text-anchor="end" x="${LEFT - 6}" [attr.y]="tick.y">{{ tick.words }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 36rem;
    }
    .open {
      touch-action: none;
      cursor: crosshair;
    }
    text {
      font-family: inherit;
      font-size: 14px;
      fill: var(--ink-2);
      user-select: none;
    }
    .water {
      fill: var(--paper-2, transparent);
      stroke: var(--rule);
    }
    .edge {
      stroke: var(--rule);
    }
    .own {
      fill: var(--act);
      opacity: 0.45;
    }
    .plan {
      fill: var(--ink);
    }
    .own-stroke,
    .plan-stroke {
      stroke-width: 4;
      stroke-linecap: round;
    }
    .own-stroke {
      stroke: var(--act);
      stroke-dasharray: 2 7;
    }
    .plan-stroke {
      stroke: var(--lure);
    }
  `,
})
export class BandPictureComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  readonly hours = input.required<DrillOptions['hours']>();
  readonly bottomM = input.required<number>();
  readonly units = input.required<UnitSystem>();
  readonly bands = input.required<readonly Band[]>();
  /** The planner's, once it is to be seen. */
  readonly told = input<ToldPicture | null>(null);
  /** It may be drawn on. */
  readonly open = input(false);
  readonly bandsChange = output<readonly Band[]>();

  /** Where the thumb went down: column and depth. */
  private from: { readonly column: number; readonly depthM: number; readonly before: readonly Band[] } | null = null;

  private readonly span = computed(() => {
    const hours = this.hours();
    return [hours[0]?.fromMin ?? 0, hours.at(-1)?.toMin ?? 1] as const;
  });

  protected readonly columns = computed(() => {
    const told = this.told();
    let last = -HOUR_ROOM;
    return this.hours().map(({ from, fromMin, toMin }, at) => {
      const [x, to] = [this.x(fromMin), this.x(toMin)];
      const hour = x - last >= HOUR_ROOM && WIDTH - x > HOUR_ROOM / 2 ? sayClock(from) : '';
      if (hour) last = x;
      const stroke = told?.strokes[at];
      const middle = (depthM: readonly [number, number] | null | undefined) =>
        depthM ? this.y((depthM[0] + depthM[1]) / 2) : null;
      const own = this.bands()[at];
      return {
        x,
        width: to - x,
        hour,
        own: own ? this.box(own) : null,
        planned: (told?.bands[at] ?? []).map(({ depthM, share }) => ({
          ...this.box(depthM),
          opacity: 0.2 + 0.6 * share,
        })),
        ownStroke: middle(stroke?.ownM),
        plannedStroke: middle(stroke?.plannedM),
      };
    });
  });
  protected readonly ticks = computed(() => {
    const bottom = this.bottomM();
    return [0, bottom / 2, bottom].map((depthM, at) => ({
      y: this.y(depthM) + (at ? 0 : 12),
      words: at === 2 ? say('depth', depthM, this.units()) : figureOf('depth', depthM, this.units()),
    }));
  });
  protected readonly words = computed(() => {
    const range = (band: Band | undefined) => (band ? sayRange('depth', band, this.units()) : 'no band');
    const told = this.told();
    const most = (at: number) => {
      const bands = [...(told?.bands[at] ?? [])].sort((a, b) => b.share - a.share);
      return bands[0] ? `; the planner ${range(bands[0].depthM)}` : '';
    };
    const each = this.hours().map(
      (hours, at) => `${sayHours(hours.from, hours.to)}: ${range(this.bands()[at])}${most(at)}`,
    );
    return `Depth in ${symbolOf('depth', this.units())} over the hours. ${each.join('. ')}`;
  });

  protected begin(event: PointerEvent): void {
    if (!this.open()) return;
    const at = this.at(event);
    this.from = { ...at, before: this.bands() };
    (event.currentTarget as Element).setPointerCapture?.(event.pointerId);
    this.draw(at);
    event.preventDefault();
  }

  protected move(event: PointerEvent): void {
    if (this.from) this.draw(this.at(event));
  }

  protected end(): void {
    this.from = null;
  }

  /** A band between where the thumb went down and where it is, in every window that it passed over. */
  private draw({ column, depthM }: { readonly column: number; readonly depthM: number }): void {
    const { from } = this;
    if (!from) return;
    const [first, last] = [Math.min(from.column, column), Math.max(from.column, column)];
    const [top, bottom] = [Math.min(from.depthM, depthM), Math.max(from.depthM, depthM)];
    const band = [top, Math.max(bottom, top + LEAST_M)] as const;
    this.bandsChange.emit(this.hours().map((_, at) => (at >= first && at <= last ? band : (from.before[at] ?? null))));
  }

  /** Where a pointer is: what lies outside of the water counts as its edge. */
  private at({ clientX, clientY }: PointerEvent): { readonly column: number; readonly depthM: number } {
    const box = this.host.querySelector('svg')?.getBoundingClientRect();
    if (!box?.width) return { column: 0, depthM: 0 };
    const [x, y] = [((clientX - box.left) / box.width) * WIDTH, ((clientY - box.top) / box.height) * HEIGHT];
    const depthM = Math.min(1, Math.max(0, (y - TOP) / (BOTTOM - TOP))) * this.bottomM();
    const column = this.hours().findIndex(({ toMin }) => x < this.x(toMin));
    return { column: column < 0 ? this.hours().length - 1 : column, depthM };
  }

  private x(minute: number): number {
    const [from, to] = this.span();
    return LEFT + ((minute - from) / Math.max(1, to - from)) * (WIDTH - LEFT);
  }

  private y(depthM: number): number {
    return TOP + Math.min(1, depthM / this.bottomM()) * (BOTTOM - TOP);
  }

  private box([from, to]: readonly [number, number]): { readonly y: number; readonly height: number } {
    return { y: this.y(from), height: Math.max(3, this.y(to) - this.y(from)) };
  }
}
