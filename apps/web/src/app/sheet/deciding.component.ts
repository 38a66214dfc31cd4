import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ASKED_FOR, nameOf, type AskedFor, type Conditions } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { catchError, debounceTime, of, switchMap } from 'rxjs';
import { PlannerService } from '../base/planner/planner.service';
import { sourceOf, type Draft } from './draft';

/** What one would go and look at, in words, and the label of its word in the sentence. */
const ASKED: Readonly<Record<AskedFor, readonly [what: string, label: string]>> = {
  visibilityM: ['how far down one sees', 'Clarity today'],
  surfaceTempC: ['the water temperature', 'Water temperature'],
  forage: ['what the bait does', 'Bait'],
  level: ['the level', 'Level'],
  windMps: ['the wind', 'Wind'],
  sky: ['the sky', 'Sky'],
  front: ['the front', 'Front'],
};
/** Asked when the day has stood for so long. */
const SETTLED_MS = 400;

/** The one thing that nobody has said yet and that would decide most: what it would change, and a press to say it. */
@Component({
  selector: 'inky-deciding',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `
    @if (words(); as words) {
      <p class="quiet no-print">
        Worth knowing:
        <button pButton text type="button" (click)="say()">{{ words.what }}</button>.
        {{ words.outcomes }}
      </p>
    }
  `,
  styles: `
    p {
      margin: 0 0 1rem;
    }
    button {
      padding-right: 0;
    }
  `,
})
export class DecidingComponent {
  readonly draft = input.required<Draft>();
  readonly conditions = input.required<Conditions>();
  readonly windowId = input.required<string>();

  private readonly planner = inject(PlannerService);
  private readonly asked = computed(() => ({
    conditions: this.conditions(),
    windowId: this.windowId(),
    unsaid: ASKED_FOR.filter((field) => sourceOf(this.draft(), field) !== null),
  }));
  private readonly found = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(SETTLED_MS),
      switchMap(({ conditions, windowId, unsaid }) =>
        // It is a hint: where it cannot be worked out the sheet goes on without it.
        this.planner.deciding(conditions, windowId, unsaid).pipe(catchError(() => of(null))),
      ),
    ),
    { initialValue: null },
  );
  protected readonly words = computed(() => {
    const found = this.found();
    if (!found) return null;
    const outcomes = found.outcomes.map(
      ({ when, category }, at) => `${when}, the ${nameOf(category)}${at ? '' : ' comes first'}`,
    );
    return { what: ASKED[found.field][0], outcomes: `If ${outcomes.join('; ')}.` };
  });

  /** Opens the word that says it; on a phone the rest of the sentence first, where it stands in there. */
  protected say(): void {
    const field = this.found()?.field;
    if (!field) return;
    const sentence = document.querySelector('inky-sentence');
    const word = sentence?.querySelector<HTMLElement>(`button[aria-label^="${ASKED[field][1]}: "]`);
    if (word && !word.offsetParent) sentence?.querySelector<HTMLElement>('.toggle')?.click();
    // The rest of the sentence is laid out first.
    setTimeout(() => word?.click());
  }
}
