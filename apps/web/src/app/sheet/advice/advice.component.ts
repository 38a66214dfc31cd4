import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import {
  type Conditions,
  nameOf,
  type Plan,
  type PlanWindow,
  type Presentation,
  type Reason,
  type UnitSystem,
} from '@inky-shoal/core';
import { catchError, debounceTime, EMPTY, of, switchMap } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { PlannerService, type Tipping } from '../../base/planner/planner.service';
import { capital, ON_TOP_M, sayDepths, sayHours, windowName } from '../words';
import { adviceWords, fishWords } from './advice-words';
import { FoldComponent } from '../../ui/fold.component';
import { ProgressComponent } from '../../ui/progress.component';
import { TableComponent } from '../../ui/table.component';
import { OtherSchoolsComponent } from './other-schools.component';

/** How many reasons stand open; the rest are a press away. */
const REASONS_SHOWN = 4;
/** What others would do is asked when the words above have stood for so long. */
const SETTLED_MS = 300;
/** Tipping points shown: the nearest. */
const TIPPING_SHOWN = 6;

/** The advice for one window, as a friend's note: what, where, how deep, how moved; then why; then the others. */
@Component({
  selector: 'inky-advice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FoldComponent, OtherSchoolsComponent, ProgressComponent, RouterLink, TableComponent],
  templateUrl: './advice.component.html',
  styleUrl: './advice.component.css',
})
export class AdviceComponent {
  readonly plan = input.required<Plan>();
  readonly window = input.required<PlanWindow>();
  readonly units = input.required<UnitSystem>();
  /** What was planned from. */
  readonly conditions = input.required<Conditions>();

  private readonly planner = inject(PlannerService);

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
  /** Every reason with what it weighed, those against it last. */
  protected readonly weighed = computed(() => {
    const { open, more, against } = this.reasons();
    return [
      ...[...open, ...more].map(({ text, school, weight }) => ({ text, school, weight: weight.toFixed(1) })),
      ...against.map(({ text, weight }) => ({
        text: `Against: ${text}`,
        school: undefined,
        weight: `−${weight.toFixed(1)}`,
      })),
    ];
  });
  protected readonly reasonsOpen = signal(false);
  protected readonly placeReasons = computed(() => this.window().holding[0]?.because.slice(0, 5) ?? []);
  protected readonly cautions = computed(() => this.plan().cautions.filter(({ severity }) => severity !== 'advice'));

  private readonly asked = computed(() => ({
    conditions: this.conditions(),
    windowId: this.window().id,
    units: this.units(),
  }));
  /** What anglers of other schools would do here. */
  protected readonly would = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(SETTLED_MS),
      switchMap(({ conditions, windowId, units }) =>
        this.planner.others(conditions, windowId, units).pipe(catchError(() => EMPTY)),
      ),
    ),
    { initialValue: [] },
  );
  protected readonly wouldOpen = signal(false);
  protected readonly wouldWords = computed(() => {
    const { length } = this.would();
    return `Others would do it otherwise: ${length} ${length === 1 ? 'school' : 'schools'}`;
  });
  /** The search for what would tip the advice is wanted. */
  protected readonly tippingOpen = signal(false);
  private readonly tipping = toSignal(
    toObservable(computed(() => (this.tippingOpen() ? this.asked() : null))).pipe(
      switchMap((asked) =>
        asked
          ? this.planner
              .tipping(asked.conditions, asked.windowId, asked.units)
              .pipe(catchError(() => of<Tipping>({ points: [] })))
          : of<Tipping>({ share: 0 }),
      ),
    ),
    { initialValue: { share: 0 } as Tipping },
  );
  protected readonly tippingShare = computed(() => {
    const tipping = this.tipping();
    return 'share' in tipping ? tipping.share : 1;
  });
  protected readonly tippingPoints = computed(() => {
    const tipping = this.tipping();
    return 'points' in tipping ? tipping.points.slice(0, TIPPING_SHOWN) : null;
  });

  protected readonly words = computed(() => {
    const it = this.advice();
    return it && adviceWords(it, this.units());
  });
  protected readonly fishDepths = computed(() => fishWords(this.window(), this.units()));
  protected readonly ON_TOP_M = ON_TOP_M;
  protected readonly name = nameOf;
  protected readonly capital = capital;

  protected depth(range: readonly [number, number]): string {
    return sayDepths(range, this.units());
  }

  /** What the bench is filled from: the category on the rig that is named, and where it is to run. */
  protected bench({ category, runDepthM: [from, to], rig: { line } }: Presentation): Record<string, string | number> {
    return { category, material: line.material, test: line.testLb, from: from.toFixed(2), to: to.toFixed(2) };
  }
}
