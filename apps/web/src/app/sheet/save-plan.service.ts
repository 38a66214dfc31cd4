import { inject, Injectable } from '@angular/core';
import { Conditions, type PlanDraft, type SavedPlan } from '@inky-shoal/core';
import { catchError, combineLatest, filter, map, of, switchMap, take } from 'rxjs';
import { NoticeService } from '../base/notice.service';
import { PlansService } from '../plans/plans.service';
import { DayService, type Planned } from './day.service';
import { KeptRuns } from './kept-runs';
import { isChangedSince, type Draft } from './draft';

/** The plan as the record would have it, where it was made with one. */
const byRecord = ({ day: { record, plan } }: Planned): PlanDraft['byRecord'] => record && { record, plan };
/** A plan that is saved, as it is saved again. */
const asSaved = ({ record, plan }: SavedPlan): PlanDraft['byRecord'] => record && { record, plan };

/** Saves the day on the sheet: as a plan of its own, or in the place of the one that it was. Both can be taken back. */
@Injectable({ providedIn: 'root' })
export class SavePlanService {
  private readonly day = inject(DayService);
  private readonly plans = inject(PlansService);
  private readonly runs = inject(KeptRuns);
  private readonly notices = inject(NoticeService);

  /**
   * @param draft the day as it is on the sheet
   * @param planned its checked conditions and plan
   * @param replaces it takes the place of the plan that it was opened from or saved as; a day that was not changed since
   * and has its name does so anyway
   */
  save(draft: Draft, planned: Planned, name: string, replaces: boolean): void {
    const { conditions } = planned;
    const former = replaces && draft.savedInput ? Conditions.parse(draft.savedInput) : null;
    const run = this.runs.of(draft.waterId, conditions.date);
    const same = draft.savedId !== null && !isChangedSince(draft) && name === draft.savedName;
    const id = this.day.savedAs(name, replaces || same);
    const from = draft.savedId === id ? draft.savedVersion : undefined;
    // What it takes the place of is asked for first, so that it can be taken back as it was.
    const before$ = former ? this.plans.get(id).pipe(catchError(() => of(null))) : of(null);
    const plan = { id, name, waterId: draft.waterId, conditions, run, byRecord: byRecord(planned), from };
    const saved$ = before$.pipe(switchMap((before) => this.plans.save(plan).pipe(map((saved) => ({ before, saved })))));
    saved$.subscribe({
      next: ({ before, saved }) => {
        this.day.savedIn(saved);
        if (saved.copy) return;
        const known = id !== draft.savedId || former !== null;
        const back = known
          ? () =>
              this.takeBack(
                id,
                draft,
                former && { conditions: former, byRecord: before ? asSaved(before) : undefined },
                saved.version,
              )
          : undefined;
        const words = replaces ? `${name} is replaced.` : `Saved as ${name}.`;
        const waits = `${name} is kept here and is saved when the server is back.`;
        this.notices.say(saved.state === 'waiting' ? waits : words, back);
      },
      error: (error: Error) => this.notices.say(`Not saved. ${error.message}`),
    });
  }

  /** The run of the day goes with its plan into the book, where the day is saved as it stands. */
  saveRun(): void {
    combineLatest([this.day.draft$, this.day.planned$.pipe(filter((planned) => planned !== null))])
      .pipe(take(1))
      .subscribe(([draft, planned]) => {
        if (!draft?.savedId || !draft.savedName || isChangedSince(draft)) return;
        const { conditions } = planned;
        const { savedId: id, savedName: name, savedVersion: from, waterId } = draft;
        this.plans
          .save({
            id,
            name,
            waterId,
            conditions,
            run: this.runs.of(waterId, conditions.date),
            byRecord: byRecord(planned),
            from,
          })
          .subscribe({
            next: (saved) => this.day.savedIn(saved),
            error: (error: Error) => this.notices.say(`The run is not saved with its plan. ${error.message}`),
          });
      });
  }

  /** A new plan goes to the bin, a replaced one is as it was. */
  private takeBack(
    id: string,
    before: Draft,
    former: Pick<PlanDraft, 'conditions' | 'byRecord'> | null,
    from: number | undefined,
  ): void {
    const { waterId, savedName } = before;
    const run = former ? this.runs.of(waterId, former.conditions.date) : undefined;
    const again =
      id === before.savedId && former
        ? this.plans
            .save({ id, name: savedName ?? '', waterId, ...former, byRecord: former.byRecord, run, from })
            .pipe(map(({ version: now }) => now))
        : this.plans.remove(id).pipe(map(() => before.savedVersion));
    again.subscribe({
      next: (savedVersion) => this.day.savedAsBefore({ ...before, savedVersion }),
      error: (error: Error) => this.notices.say(`Not taken back. ${error.message}`),
    });
  }
}
