import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import type { Run } from '@inky-shoal/core';
import { NoticeService } from '../base/notice.service';
import { DayService } from '../sheet/day.service';
import { KeptRuns } from '../sheet/kept-runs';
import { PlansService } from './plans.service';

/** Lays a saved plan on the sheet. */
@Injectable({ providedIn: 'root' })
export class OpenPlanService {
  private readonly plans = inject(PlansService);
  private readonly day = inject(DayService);
  private readonly runs = inject(KeptRuns);
  private readonly notices = inject(NoticeService);
  private readonly router = inject(Router);

  /** @param waterName of its water; nothing where it has none any more */
  open(planId: string, waterName: string): void {
    this.plans.get(planId).subscribe({
      next: ({ id, name, waterId, conditions, run, version }) => {
        this.day.open({
          waterId: waterId ?? null,
          waterName: waterName || name,
          savedId: id,
          savedName: name,
          savedVersion: version,
          savedInput: conditions,
          input: conditions,
        });
        if (run) this.takeRun(run);
        void this.router.navigateByUrl('/sheet');
      },
      error: (error: Error) => this.notices.say(`Not opened. ${error.message}`),
    });
  }

  /** The run that is saved with a plan comes with it; one of that day that stands here is one press away. */
  private takeRun(run: Run): void {
    const before = this.runs.of(run.waterId, run.date);
    this.runs.keep(run);
    if (before && JSON.stringify(before) !== JSON.stringify(run)) {
      this.notices.say('The run of this day is now the one saved with the plan.', () => this.runs.keep(before));
    }
  }
}
