import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output } from '@angular/core';
import { figureOf, say, sayRange, symbolOf, type UnitSystem } from '@inky-shoal/core';
import type { DrillOptions } from '@inky-shoal/core/drill';
import { sayClock, sayHours } from '../sheet/words';
import type { ToldPicture } from './drill-api';

export type Band = readonly [fromM: number, toM: number] | null;

const [WIDTH, HEIGHT, LEFT, TOP, BOTTOM] = [360, 250, 44, 8, 222] as const;
/** A band is drawn at least so high; hours are written where they have so much room. */
const [LEAST_M, HOUR_ROOM] = [0.3, 78] as const;

/**
 * An empty sheet: the hours of the day across, depth down. One's own band is drawn on it with a thumb, and the planner's
 * ink comes over it.
 */
@Component({
  selector: 'inky-band-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './band-picture.component.html',
  styleUrl: './band-picture.component.css',
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

  /** Where things stand on the picture. */
  protected readonly frame = {
    view: `0 0 ${WIDTH} ${HEIGHT}`,
    left: LEFT,
    top: TOP,
    bottom: BOTTOM,
    width: WIDTH - LEFT,
    height: BOTTOM - TOP,
    hoursY: BOTTOM + 18,
    ticksX: LEFT - 6,
  };
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
