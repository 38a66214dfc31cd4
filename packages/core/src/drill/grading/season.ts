import type { ForageKind, Phase, Regime } from '../../contract/ids.js';
import { nameOf } from '../../contract/names.js';
import type { Graded } from '../answer.js';
import type { DrillKey } from '../key.js';
import { marks, texts } from './marks.js';

/** A regime next to the right one is half right. */
const NEXT_REGIME = 0.4;
const NEAR_REGIMES: readonly (readonly [Regime, Regime])[] = [
  ['mud-rising', 'mud-steady'],
  ['mud-steady', 'clearing'],
  ['mud-steady', 'murky'],
  ['murky', 'usual'],
  ['clearing', 'usual'],
  ['usual', 'very-clear'],
];

/** A phase by its probability beside the likeliest. */
export function gradePhase({ day }: DrillKey, phase: Phase): Graded {
  const share = (day.phases.get(phase) ?? 0) / Math.max(1e-9, day.phase.probability);
  return {
    ...marks(share, day.phase.probability),
    best: nameOf(day.phase.id),
    because: texts(day.phase.because),
    against: [],
    school: null,
  };
}

export function gradeRegime({ day }: DrillKey, regime: Regime): Graded {
  const { clarity } = day;
  const isNear = NEAR_REGIMES.some((pair) => pair.includes(regime) && pair.includes(clarity.regime));
  return {
    score: regime === clarity.regime ? 1 : isNear ? NEXT_REGIME : 0,
    best: nameOf(clarity.regime),
    because: texts(clarity.because),
    against: [],
    school: null,
    unsure: false,
  };
}

/** A food by how active it is beside the most active. */
export function gradeFood({ day }: DrillKey, kind: ForageKind): Graded {
  const [first] = day.food;
  const own = day.food.find((each) => each.kind === kind);
  if (!first) {
    const best = 'nothing that stands out';
    return { score: 0.5, best, because: [], against: [], school: null, unsure: true };
  }
  return {
    ...marks((own?.activity ?? 0) / first.activity, 1),
    best: nameOf(first.kind),
    because: texts((own ?? first).because),
    against: own ? [] : [`${nameOf(kind)} are not about now`.replace(/^./, (letter) => letter.toUpperCase())],
    school: null,
  };
}
