import type { ForageKind } from '../contract/ids.js';
import type { Facts } from '../rules/facts.js';
import { fire } from '../rules/rule.js';
import { FOOD_RULES } from './rules.js';

/** A stretch of the year over which a forage does one thing. */
export interface FoodBand {
  readonly kind: ForageKind;
  readonly stage: string;
  readonly rule: string;
  readonly where: string;
  /** Least and greatest length of most of them, millimetres. */
  readonly lengthMm: readonly [number, number];
  /** First and last day number. */
  readonly from: number;
  readonly to: number;
  /** Greatest activity over the stretch, 0 to 1. */
  readonly activity: number;
}

/** Under this a forage is not worth a band. */
const MIN_ACTIVITY = 0.12;
/** A gap of so many days does not break a band. */
const GAP_DAYS = 3;
/** A stage that lasts no longer than this is a passing doubt, not a stage. */
const MIN_DAYS = 4;

/**
 * What the forage does along the days, from the same rules that name the food of one day: for each kind the strongest
 * stage of every day, joined to bands.
 * @param factsOn the facts of a day number
 */
export function foodCalendar(fromDay: number, toDay: number, factsOn: (day: number) => Facts): FoodBand[] {
  const open = new Map<string, { -readonly [K in keyof FoodBand]: FoodBand[K] }>();
  const bands: FoodBand[] = [];
  for (let day = fromDay; day <= toDay; day++) {
    const strongest = new Map<ForageKind, { activity: number; index: number }>();
    const fired = fire(FOOD_RULES, factsOn(day));
    for (const [index, { rule, degree }] of fired.entries()) {
      const activity = rule.effect.activity * degree;
      const known = strongest.get(rule.effect.kind);
      if (activity >= MIN_ACTIVITY && activity > (known?.activity ?? 0)) {
        strongest.set(rule.effect.kind, { activity, index });
      }
    }
    for (const { activity, index } of strongest.values()) {
      const { id, effect } = (fired[index] as (typeof fired)[number]).rule;
      const last = open.get(id);
      if (last && day - last.to <= GAP_DAYS) {
        last.to = day;
        last.activity = Math.max(last.activity, activity);
        continue;
      }
      const { kind, stage, where, lengthMm } = effect;
      const band = { kind, stage, rule: id, where, lengthMm, from: day, to: day, activity };
      open.set(id, band);
      bands.push(band);
    }
  }
  return bands.filter(({ from, to }) => to - from >= MIN_DAYS);
}
