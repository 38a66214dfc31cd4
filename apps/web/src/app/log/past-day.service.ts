import { inject, Injectable } from '@angular/core';
import { Conditions, parse, type Problem, type Water } from '@inky-shoal/core';
import type { TripPlan } from '@inky-shoal/core/underway';
import { firstValueFrom } from 'rxjs';
import { PlannerService } from '../base/planner/planner.service';
import { SettingsService } from '../base/settings.service';
import { draftFor } from '../sheet/draft';
import type { Values } from '../ui/fields.component';

/** Day and hours of a trip of the past, on the water's clock. */
export interface PastHours {
  readonly date: string;
  readonly from: string;
  readonly to: string;
}

/** Plans days that have been. */
@Injectable({ providedIn: 'root' })
export class PastDayService {
  private readonly planner = inject(PlannerService);
  private readonly settings = inject(SettingsService);

  /**
   * A day planned as it was: only so does its trip teach.
   * @returns null where the water, or its temperature, is not known
   */
  async planOf(
    water: Water | null,
    clock: Parameters<typeof draftFor>[2] | undefined,
    { date, from, to }: PastHours,
    values: Values,
  ): Promise<{ readonly plan: TripPlan } | { readonly problems: readonly Problem[] } | null> {
    if (!water || !clock || values['surfaceTempC'] === undefined) return null;
    const { readings: _, ...input } = draftFor(water, [], clock, date).input;
    const checked = parse(Conditions, { ...input, window: { from, to }, ...values });
    if (!checked.ok) return { problems: checked.problems };
    const { plan } = await firstValueFrom(this.planner.plan(checked.value, this.settings.units));
    return { plan: { conditions: checked.value, plan } };
  }
}
