import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { dueOf, topicWords } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { SettingsService } from '../base/settings.service';
import { KnownComponent } from './known.component';
import { PracticeService } from './practice.service';
import { OwnDaysService } from './own-days.service';
import { FoldComponent } from '../ui/fold.component';

/** Weak topics that are named. */
const NAMED = 3;

/** Practice: ten minutes, or what one likes; and what is known so far. */
@Component({
  selector: 'inky-drill-home',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent, ButtonDirective, KnownComponent, RouterLink],
  templateUrl: './drill-home.view.html',
  styleUrl: './drill-home.view.css',
})
export class DrillHomeView {
  private readonly practice = inject(PracticeService);
  private readonly days = inject(OwnDaysService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly events = toSignal(this.practice.events$, { requireSync: true });
  protected readonly coming = toSignal(this.days.coming$, { initialValue: [] });
  protected readonly trips = toSignal(this.days.trips$, { initialValue: [] });

  /** Days that are offered at once. */
  protected readonly next = 3;

  protected readonly ways = [
    { path: '/drill/day', name: 'Judge a day', about: 'from the phase to the rig, graded by the planner' },
    { path: '/drill/turn', name: 'Turn it round', about: 'what must be true for a lure?' },
    { path: '/drill/spot', name: 'Spot it on the chart', about: 'the best place within a minute' },
    { path: '/cadence', name: 'Feel a cadence', about: 'how long eight seconds are' },
  ];

  protected readonly dueWords = computed(() => {
    if (!this.events().length) return 'What is due again, a day that is coming on your waters, a cadence.';
    const now = Date.now();
    const due = dueOf(this.practice.memory(now), now);
    if (!due.length) return 'Nothing is due again today.';
    const named = due.slice(0, NAMED).map(({ topic }) => topicWords(topic, this.units()));
    return `${due.length} due again. ${named.join('. ')}.`;
  });
}
