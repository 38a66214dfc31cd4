import { clockOf, type ConditionsInput, type PlannedDay } from '@inky-shoal/core';
import { sayClock } from '../words';
import type { Draft } from '../draft';
import type { ConditionWord } from './conditions-words';

/** What stands in the conditions of a day: as it was said, else as the engine assumed it. */
export class ConditionValues {
  private readonly assumed: ReadonlyMap<string, unknown>;

  constructor(
    private readonly input: Draft['input'],
    private readonly planned: PlannedDay | null,
  ) {
    this.assumed = new Map(planned?.plan.assumed.map(({ path, value }) => [path, value]) ?? []);
  }

  known<K extends keyof ConditionsInput>(field: K): ConditionsInput[K] | undefined {
    return (this.input[field] ?? this.assumed.get(field)) as ConditionsInput[K] | undefined;
  }

  get hours(): { readonly from: string; readonly to: string } {
    return this.known('window') ?? { from: '06:00', to: '18:00' };
  }

  /** High and low water on the day's sheet, where nobody typed a stage: `high 6:40 am, low 1 pm`. */
  get tide(): string | null {
    const { tide, moments } = this.planned ?? {};
    if (!tide || !moments || this.input.tide) return null;
    const [from, to] = [moments[0]?.minute ?? 0, moments.at(-1)?.minute ?? 0];
    const turns = tide.turns.filter(({ minute }) => minute >= from && minute <= to);
    if (turns.length) return turns.map(({ minute, kind }) => `${kind} ${sayClock(clockOf(minute))}`).join(', ');
    return tide.levels.some(({ minute }) => minute >= from) ? 'runs one way all day' : null;
  }

  /** In SI; a trend as typed, or as the engine took it from the readings. */
  quantity({ field, control }: ConditionWord): number | undefined {
    if (control === 'bait-length') return this.input.forage?.find(({ lengthMm }) => lengthMm)?.lengthMm ?? undefined;
    const value =
      field === 'tempTrendCPerDay'
        ? (this.input.tempTrendCPerDay ?? this.planned?.tempTrendCPerDay)
        : this.known(field);
    return typeof value === 'number' ? value : undefined;
  }

  /** Ids of what is chosen of a list. */
  chosen({ field, control }: ConditionWord): string | string[] | undefined {
    if (control === 'tide') return this.tide ? undefined : this.known('tide')?.stage;
    if (control === 'flag') {
      const value = this.known(field);
      return typeof value === 'boolean' ? (value ? 'yes' : 'no') : undefined;
    }
    if (control === 'bait-seen') return [...new Set(this.input.forage?.flatMap(({ seen }) => seen ?? []))];
    if (control === 'forage') return this.input.forage?.map(({ kind }) => kind);
    return this.known(field) as string | string[] | undefined;
  }
}
