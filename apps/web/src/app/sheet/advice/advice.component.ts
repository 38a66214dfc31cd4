import { ChangeDetectionStrategy, Component, computed, input, linkedSignal } from '@angular/core';
import {
  nameOf,
  say,
  sayRange,
  type Plan,
  type PlanWindow,
  type Presentation,
  type Reason,
  type UnitSystem,
} from '@inky-shoal/core';
import { capital, sayHours, sayList, windowName } from '../words';

/** How many reasons stand open; the rest are a press away. */
const REASONS_SHOWN = 4;

/** The advice for one window, as a friend's note: what, where, how deep, how moved; then why; then the others. */
@Component({
  selector: 'inky-advice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './advice.component.html',
  styleUrl: './advice.component.css',
})
export class AdviceComponent {
  readonly plan = input.required<Plan>();
  readonly window = input.required<PlanWindow>();
  readonly units = input.required<UnitSystem>();

  /** Which presentation of the window is read; the first again whenever the window changes. */
  protected readonly chosen = linkedSignal({ source: () => this.window().id, computation: () => 0 });
  protected readonly advice = computed(
    () => this.window().presentations[this.chosen()] ?? this.window().presentations[0],
  );
  protected readonly others = computed(() =>
    this.window()
      .presentations.map((presentation, index) => ({ presentation, index }))
      .filter(({ presentation }) => presentation !== this.advice()),
  );
  protected readonly when = computed(() => {
    const window = this.window();
    return `${windowName(window, this.plan().windows)}, ${sayHours(window.from, window.to)}`;
  });
  protected readonly where = computed(() => this.window().holding.slice(0, 2));
  protected readonly reasons = computed(() => {
    const { because = [], against = [] } = this.advice() ?? {};
    const heaviest = Math.max(0.01, ...[...because, ...against].map(({ weight }) => weight));
    const bar = (reason: Reason) => ({ ...reason, share: Math.round((100 * reason.weight) / heaviest) });
    const open = because.slice(0, REASONS_SHOWN).map(bar);
    return { open, more: because.slice(REASONS_SHOWN).map(bar), against: against.map(bar) };
  });
  protected readonly placeReasons = computed(() => this.window().holding[0]?.because.slice(0, 5) ?? []);
  protected readonly cautions = computed(() => this.plan().cautions.filter(({ severity }) => severity !== 'advice'));
  protected readonly minorCautions = computed(() =>
    this.plan().cautions.filter(({ severity }) => severity === 'advice'),
  );

  protected readonly name = nameOf;
  protected readonly capital = capital;

  protected depth(range: readonly [number, number]): string {
    return range[1] <= 0.15 ? 'on top' : sayRange('depth', range, this.units());
  }

  protected size({ size }: Presentation): string {
    return `${sayRange('length', size.lengthMm, this.units())}, ${sayRange('weight', size.weightG, this.units())}`;
  }

  protected colour({ colour, blades, trailer }: Presentation): string {
    const parts = [`${capital(colour.tone)}: ${sayList(colour.families)}`];
    if (blades)
      parts.push(
        `${blades.shapes[0] === blades.shapes[1] ? 'two ' : ''}${[...new Set(blades.shapes)].join(' and ')} blades, ${nameOf(blades.finish)}`,
      );
    if (trailer) parts.push(`${trailer.bulk} ${trailer.action} trailer`);
    return parts.join('; ');
  }

  protected rig({ rig }: Presentation): string {
    const { rod, reel, line } = rig;
    const test = (lb: number) => say('test', lb, this.units());
    const leader = line.leader ? `, ${test(line.leader.testLb)} ${line.leader.material} leader` : '';
    return `${capital(rod.power)} ${rod.action} rod, ${say('rodLength', rod.lengthM, this.units())}; ${reel.kind} ${reel.ratio}; ${test(line.testLb)} ${line.material}${leader}`;
  }
}
