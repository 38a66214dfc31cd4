import type { Conditions } from '../contract/conditions.js';
import type { ClarityClass, Regime } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import { Facts, type Known } from '../rules/facts.js';
import { above, all, below, is, not } from '../rules/fuzzy.js';
import { fire, reasonOf, strongest, type Rule } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';

/** Least visibility in metres of each class. */
const CLASS_FLOORS: readonly (readonly [ClarityClass, number])[] = [
  ['very-clear', 2.5],
  ['clear', 1.2],
  ['stained', 0.6],
  ['dirty', 0.3],
  ['muddy', 0],
];
/** Water that always shows less than this is murky: its fish feed by sight in it. */
const MURKY_NORMAL_M = 0.55;
const FULLY_USED_TO_M = 0.9;
const CLEAR_FROM_M = 1.2;

/** The class of a visibility, in metres. Bounds belong to the clearer class. */
export const clarityClass = (visibilityM: number): ClarityClass =>
  CLASS_FLOORS.find(([, floor]) => visibilityM >= floor)?.[0] ?? 'muddy';

/**
 * Visibility as the fish judge it, in metres. A fish judges by what it lives in: where murk is normal, the usual murk
 * counts as clear; where today is far under the normal, it counts as dirtier than it is. Never falls as `visibilityM`
 * rises. The weights are judgement.
 */
export function effectiveVisibilityM(visibilityM: number, normalVisibilityM: number): number {
  const relative = visibilityM / normalVisibilityM;
  const flooded = Math.min(1, relative / 0.6) ** 0.8;
  const murk = Math.min(1, Math.max(0, (FULLY_USED_TO_M - normalVisibilityM) / (FULLY_USED_TO_M - MURKY_NORMAL_M)));
  const usedTo = 1 + murk * (CLEAR_FROM_M / Math.min(normalVisibilityM, CLEAR_FROM_M) - 1) * Math.min(1, relative);
  return visibilityM * flooded * usedTo;
}

const farDirtier = all(below('relativeClarity', 0.35, 0.6), below('visibilityM', 0.6, 1.1));

export const REGIME_RULES: readonly Rule<Regime>[] = [
  {
    id: 'regime-mud-rising',
    when: all(farDirtier, is('level:rising')),
    effect: 'mud-rising',
    text: 'Far dirtier than normal and coming up: they go to the very bank and follow the new shoreline',
  },
  {
    id: 'regime-mud-steady',
    when: all(farDirtier, not(is('level:rising'))),
    effect: 'mud-steady',
    text: 'Far dirtier than normal, level not rising: shallow flats and tight to cover',
  },
  {
    id: 'regime-clearing',
    when: all(is('trend:clearing'), below('relativeClarity', 0.8, 1.0), above('relativeClarity', 0.15, 0.35)),
    effect: 'clearing',
    text: 'Visibility is coming back: natural tones again, depth spreads',
  },
  {
    id: 'regime-murky',
    when: all(above('relativeClarity', 0.5, 0.7), is('murky-normal')),
    effect: 'murky',
    text: 'Dirty by the figure but normal here: fish it as if clear',
  },
  {
    id: 'regime-very-clear',
    when: above('visibilityM', 2.3, 2.6),
    effect: 'very-clear',
    text: 'Very clear: deeper, further off, thin line',
  },
  { id: 'regime-usual', when: { all: [] }, effect: 'usual', text: 'About the usual for this water: go by its class' },
];
/** A named regime must hold at least so far to stand before "usual". */
const NAMED_FROM = 0.5;

/** Fuzzy class memberships in log-visibility, so that a small change of clarity changes judgements little. */
function classDegrees(visibilityM: number): Known {
  const x = Math.log2(visibilityM);
  const edges = [0.3, 0.6, 1.2, 2.5].map(Math.log2) as [number, number, number, number];
  const past = (edge: number) => Math.min(1, Math.max(0, (x - edge) / 0.6 + 0.5));
  const [dirty, stained, clear, veryClear] = edges.map(past) as [number, number, number, number];
  return {
    'clarity:muddy': 1 - dirty,
    'clarity:dirty': Math.min(dirty, 1 - stained),
    'clarity:stained': Math.min(stained, 1 - clear),
    'clarity:clear': Math.min(clear, 1 - veryClear),
    'clarity:very-clear': veryClear,
  };
}

export interface WaterJudgement {
  readonly clarity: Plan['clarity'];
  readonly facts: Known;
}

/** Judges the water: class, relative and effective clarity, and the regime it is in. Figures are given or assumed. */
export function judgeWater(
  conditions: Required<Pick<Conditions, 'visibilityM' | 'normalVisibilityM'>> &
    Pick<Conditions, 'visibilityTrend' | 'level'>,
  units: UnitSystem,
): WaterJudgement {
  const visibilityM = conditions.visibilityM as number;
  const normalVisibilityM = conditions.normalVisibilityM as number;
  const relative = visibilityM / normalVisibilityM;
  const effectiveM = effectiveVisibilityM(visibilityM, normalVisibilityM);
  const facts: Known = {
    visibilityM,
    relativeClarity: relative,
    effectiveVisibilityM: effectiveM,
    sightM: Math.min(effectiveM, Math.sqrt(effectiveM * visibilityM)),
    ...classDegrees(effectiveM),
    'trend:clearing': conditions.visibilityTrend === 'clearing' ? 1 : 0,
    'trend:dropping': conditions.visibilityTrend === 'dropping' ? 1 : 0,
    [`level:${conditions.level ?? 'stable'}`]: 1,
  };
  const murkyNormal = Math.min(1, Math.max(0, (0.75 - normalVisibilityM) / 0.15));
  facts['murky-normal'] = murkyNormal * Math.min(1, Math.max(0, (relative - 0.4) / 0.3));
  const fired = fire(REGIME_RULES, Facts.of({ ...facts, 'murky-normal': murkyNormal }));
  const [strongestRegime] = [...fired]
    .filter(({ rule, degree }) => rule.effect !== 'usual' && degree >= NAMED_FROM)
    .sort((a, b) => b.degree - a.degree);
  const regime = strongestRegime?.rule.effect ?? 'usual';
  for (const { rule, degree } of fired) if (rule.effect !== 'usual') facts[`regime:${rule.effect}`] = degree;
  return {
    clarity: {
      class: clarityClass(visibilityM),
      relative,
      effective: clarityClass(effectiveM),
      regime,
      because: strongest(
        fired.filter(({ rule }) => rule.effect === regime).map(({ rule, degree }) => reasonOf(rule, degree, units)),
      ),
    },
    facts,
  };
}
