import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { capital, nameOf, say, type Structure, type UnitSystem } from '@inky-shoal/core';
import type { ProfilePlace } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';

const [WIDTH, HEIGHT, LEFT, TOP, BOTTOM] = [360, 170, 44, 14, 158] as const;

/** The water from the bank out to the deepest, with the places that one may say: pressed there or by their names. */
@Component({
  selector: 'inky-profile',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `
    <svg viewBox="0 0 ${WIDTH} ${HEIGHT}" aria-hidden="true">
      <path class="water" [attr.d]="water()" />
      <polyline class="bed" [attr.points]="bed()" />
      @for (place of places(); track place.structure) {
        <g (click)="choose(place.structure)">
          <circle class="reach" [attr.cx]="spots()[$index]?.x" [attr.cy]="spots()[$index]?.y" r="26" />
          <circle class="spot" [attr.cx]="spots()[$index]?.x" [attr.cy]="spots()[$index]?.y" r="12" />
          <text text-anchor="middle" [attr.x]="spots()[$index]?.x" [attr.y]="(spots()[$index]?.y ?? 0) + 5">
            {{ $index + 1 }}
          </text>
        </g>
      }
      <text class="depth" text-anchor="end" x="${LEFT - 6}" y="${TOP + 10}">0</text>
      <text class="depth" text-anchor="end" x="${LEFT - 6}" y="${BOTTOM}">{{ bottomWords() }}</text>
    </svg>
    <div class="options" role="group" [attr.aria-labelledby]="askedId()">
      @for (place of places(); track place.structure) {
        <button pButton outlined type="button" [disabled]="busy()" (click)="choose(place.structure)">
          {{ $index + 1 }} {{ name(place.structure) }}
        </button>
      }
    </div>
  `,
  styleUrl: './options.css',
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 36rem;
      margin-bottom: 0.5rem;
    }
    .water {
      fill: color-mix(in srgb, var(--water-light) 60%, transparent);
    }
    .bed {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.5;
      stroke-linejoin: round;
    }
    g {
      cursor: pointer;
    }
    .reach {
      fill: transparent;
    }
    .spot {
      fill: var(--paper);
      stroke: var(--ink);
      stroke-width: 2;
    }
    text {
      font-family: inherit;
      font-size: 14px;
      font-weight: 700;
      fill: var(--ink);
    }
    .depth {
      font-weight: 400;
      fill: var(--ink-2);
    }
  `,
})
export class ProfileComponent {
  readonly places = input.required<readonly ProfilePlace[]>();
  readonly bottomM = input.required<number>();
  readonly units = input.required<UnitSystem>();
  readonly askedId = input.required<string>();
  readonly busy = input(false);
  readonly chosen = output<Structure>();

  protected readonly bottomWords = computed(() => say('depth', this.bottomM(), this.units()));
  protected readonly spots = computed(() =>
    this.places().map(({ out, depthM: [from, to] }) => ({ x: this.x(out), y: this.y((from + to) / 2) })),
  );
  protected readonly bed = computed(() =>
    this.line()
      .map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`)
      .join(' '),
  );
  protected readonly water = computed(
    () =>
      `M${this.line()
        .map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`)
        .join('L')}L${WIDTH} ${TOP}Z`,
  );

  protected name(structure: Structure): string {
    return capital(nameOf(structure));
  }

  protected choose(structure: Structure): void {
    if (!this.busy()) this.chosen.emit(structure);
  }

  /** The bed from the bank: through the places, each a step deeper, to the bottom. */
  private line(): [x: number, y: number][] {
    const middle = this.spots().map(({ x, y }): [number, number] => [x, y]);
    return [[LEFT, TOP], ...middle, [WIDTH, BOTTOM]];
  }

  private x(out: number): number {
    return LEFT + out * (WIDTH - LEFT);
  }

  private y(depthM: number): number {
    return TOP + 12 + Math.min(1, depthM / this.bottomM()) * (BOTTOM - TOP - 24);
  }
}
