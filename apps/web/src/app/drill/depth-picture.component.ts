import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { nameOf, say, type UnitSystem } from '@inky-shoal/core';
import type { ToldBand } from './drill-api';

const [WIDTH, HEIGHT, TOP, LEFT] = [340, 220, 22, 58];
const [OWN_X, PLAN_X, COLUMN] = [LEFT + 12, LEFT + 130, 104];

/** One's own band beside the planner's, from the surface to the bottom. */
@Component({
  selector: 'inky-depth-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 ${WIDTH} ${HEIGHT}" role="img" [attr.aria-label]="words()">
      <rect class="water" x="${LEFT}" y="${TOP}" width="${WIDTH - LEFT}" height="${HEIGHT - TOP}" />
      <text x="${OWN_X}" y="${TOP - 7}">You</text>
      <text x="${PLAN_X}" y="${TOP - 7}">The planner</text>
      <rect class="own" x="${OWN_X}" width="${COLUMN}" [attr.y]="own().y" [attr.height]="own().height" />
      @for (band of bands(); track $index) {
        <rect
          class="plan"
          x="${PLAN_X}"
          width="${COLUMN}"
          [attr.y]="band.y"
          [attr.height]="band.height"
          [attr.opacity]="band.opacity"
        />
      }
      @for (tick of ticks(); track tick.y) {
        <text text-anchor="end" x="${LEFT - 6}" [attr.y]="tick.y + 5">{{ tick.words }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 22rem;
    }
    text {
      font-family: inherit;
      font-size: 14px;
      fill: var(--ink-2);
    }
    .water {
      fill: var(--paper-2, transparent);
      stroke: var(--rule);
    }
    .own {
      fill: var(--act);
    }
    .plan {
      fill: var(--ink);
    }
  `,
})
export class DepthPictureComponent {
  readonly depthM = input.required<readonly [number, number]>();
  readonly planned = input.required<readonly ToldBand[]>();
  readonly bottomM = input.required<number>();
  readonly units = input.required<UnitSystem>();

  protected readonly own = computed(() => this.band(this.depthM()));
  protected readonly bands = computed(() =>
    this.planned().map(({ depthM, share }) => ({ ...this.band(depthM), opacity: 0.25 + 0.6 * share })),
  );
  protected readonly ticks = computed(() =>
    [0, this.bottomM() / 2, this.bottomM()].map((depthM) => ({
      y: Math.min(HEIGHT - 6, this.y(depthM)),
      words: say('depth', depthM, this.units()),
    })),
  );
  protected readonly words = computed(() => {
    const [first] = this.planned();
    const range = (depthM: readonly [number, number]) =>
      depthM.map((each) => say('depth', each, this.units())).join(' to ');
    const plan = first ? `; the planner ${range(first.depthM)}, ${nameOf(first.structure)}` : '';
    return `You: ${range(this.depthM())}${plan}`;
  });

  private band([from, to]: readonly [number, number]): { readonly y: number; readonly height: number } {
    return { y: this.y(from), height: Math.max(3, this.y(to) - this.y(from)) };
  }

  private y(depthM: number): number {
    return TOP + Math.min(1, depthM / this.bottomM()) * (HEIGHT - TOP);
  }
}
