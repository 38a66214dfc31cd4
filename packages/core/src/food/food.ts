import type { Conditions } from '../contract/conditions.js';
import type { ForageKind } from '../contract/ids.js';
import type { Plan, Reason } from '../contract/plan.js';
import type { Facts, Known } from '../rules/facts.js';
import { fire, reasonOf, strongest } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { FOOD_RULES } from './rules.js';

/** Seen beats supposed: what the angler names is about, and more so with each thing seen of it. */
const NAMED_ACTIVITY = 0.75;
/** What was not named counts so much once something was. */
const UNNAMED_SHARE = 0.6;
const SEEN_ACTIVITY = { flicking: 0.9, chased: 1, 'schooled-deep': 0.85, 'on-banks': 0.95 } as const;

const seenText = {
  flicking: 'Seen flicking today',
  chased: 'Seen chased today',
  'schooled-deep': 'Seen schooled deep today',
  'on-banks': 'Seen on the banks today',
} as const;

/** Names what the fish feed on, how active it is (0 to 1), its size and where to look. Most active first. */
export function judgeFood(
  conditions: Pick<Conditions, 'forage' | 'signs'>,
  facts: Facts,
  units: UnitSystem,
): { food: Plan['food']; facts: Known } {
  const food = new Map<ForageKind, Plan['food'][number]>();
  for (const { rule, degree } of fire(FOOD_RULES, facts)) {
    const { kind, lengthMm, where } = rule.effect;
    const activity = rule.effect.activity * degree;
    const reason = reasonOf(rule, activity, units);
    const known = food.get(kind);
    if (!known || activity > known.activity) {
      food.set(kind, { kind, activity, lengthMm: [...lengthMm], where, because: [...(known?.because ?? []), reason] });
    } else known.because.push(reason);
  }
  const named = new Set<ForageKind>((conditions.forage ?? []).map(({ kind }) => kind));
  if (conditions.signs?.includes('crayfish-in-mouth')) named.add('crayfish');
  if (named.size) {
    for (const [kind, entry] of food) {
      if (!named.has(kind)) food.set(kind, { ...entry, activity: entry.activity * UNNAMED_SHARE });
    }
  }
  const saw = (kind: ForageKind, activity: number, reason: Reason, lengthMm?: number) => {
    const known = food.get(kind);
    food.set(kind, {
      kind,
      activity: Math.max(activity, known?.activity ?? 0),
      lengthMm: lengthMm === undefined ? (known?.lengthMm ?? [40, 120]) : [lengthMm * 0.9, lengthMm * 1.1],
      where: known?.where ?? 'where you saw it',
      because: [reason, ...(known?.because ?? [])],
    });
  };
  for (const { kind, seen = [], lengthMm } of conditions.forage ?? []) {
    const strongestSeen = [...seen].sort((a, b) => SEEN_ACTIVITY[b] - SEEN_ACTIVITY[a])[0];
    const activity = strongestSeen ? SEEN_ACTIVITY[strongestSeen] : NAMED_ACTIVITY;
    const text = strongestSeen ? seenText[strongestSeen] : 'You named it as the forage';
    saw(kind, activity, { rule: `seen-${kind}`, text, weight: activity, school: null }, lengthMm);
  }
  if (conditions.signs?.includes('crayfish-in-mouth')) {
    saw('crayfish', 1, {
      rule: 'crayfish-in-mouth',
      text: 'A fish had a crayfish in its mouth',
      weight: 1,
      school: null,
    });
  }
  const listed = [...food.values()]
    .filter(({ activity }) => activity >= 0.05)
    .map((entry) => ({ ...entry, because: strongest(entry.because) }))
    .sort((a, b) => b.activity - a.activity);
  return { food: listed, facts: Object.fromEntries(listed.map(({ kind, activity }) => [`forage:${kind}`, activity])) };
}
