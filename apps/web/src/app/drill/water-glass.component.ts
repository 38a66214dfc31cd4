import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const [WIDTH, HEIGHT] = [360, 64] as const;
/** A white disc is let down step by step, metres. */
const STEPS_M = [0.15, 0.5, 1, 1.5, 2, 3, 4, 5] as const;
/** What is left of its contrast where it is last seen (Preisendorfer 1986: some hundredths). */
const LAST_SEEN = 0.02;
/** Colours of water one sees so far into, metres: mud, stain, green, clear. */
const COLOURS = [
  [0.15, [122, 94, 62]],
  [0.5, [126, 112, 66]],
  [1.2, [96, 116, 80]],
  [3, [62, 120, 116]],
  [6, [44, 110, 140]],
] as const;

function colourOf(visibilityM: number): string {
  const at = COLOURS.findIndex(([metres]) => visibilityM < metres);
  const [low, high] = [COLOURS[Math.max(0, at - 1)] ?? COLOURS[0], at < 0 ? COLOURS[COLOURS.length - 1] : COLOURS[at]];
  if (!low || !high) return 'transparent';
  const share = high[0] === low[0] ? 0 : Math.log(visibilityM / low[0]) / Math.log(high[0] / low[0]);
  const part = (of: 0 | 1 | 2) => Math.round(low[1][of] + (high[1][of] - low[1][of]) * Math.min(1, Math.max(0, share)));
  return `rgb(${part(0)} ${part(1)} ${part(2)})`;
}

/** The water as one sees it over the side: a white disc let down into it until it is lost. */
@Component({
  selector: 'inky-water-glass',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 ${WIDTH} ${HEIGHT}" aria-hidden="true">
      <rect width="${WIDTH}" height="${HEIGHT}" [attr.fill]="colour()" />
      @for (disc of discs(); track disc.x) {
        <circle r="14" cy="${HEIGHT / 2}" fill="#fff" [attr.cx]="disc.x" [attr.opacity]="disc.seen" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 22rem;
      border-radius: 0.2rem;
    }
  `,
})
export class WaterGlassComponent {
  readonly visibilityM = input.required<number>();

  protected readonly colour = computed(() => colourOf(this.visibilityM()));
  protected readonly discs = computed(() =>
    STEPS_M.map((depthM, at) => ({
      x: ((at + 0.5) / STEPS_M.length) * WIDTH,
      seen: Math.exp((Math.log(LAST_SEEN) * depthM) / this.visibilityM()),
    })),
  );
}
