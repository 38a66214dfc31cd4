import type { Holding, Presentation } from '../contract/plan.js';
import type { UnitSystem } from '../units/units.js';
import type { JudgedDay } from '../plan/judge.js';
import { tellMorning } from './answers.js';
import type { CardAnswer, CardNode, RampCard } from './card.js';
import type { MorningChange } from './draw.js';
import { answerWords, READ_WORDS } from './questions.js';

/** A short plan: what, where, how deep, how fast, on which rod. */
export interface ShortPlan {
  /** What such a morning has otherwise than the plan. */
  readonly change: MorningChange;
  readonly place: Pick<Holding, 'structure' | 'cover' | 'depthM'>;
  readonly presentation: Presentation;
  readonly share: number;
  readonly agrees: number;
}

/** A card in words, as it is printed, kept and tapped. */
export type ToldCardNode =
  | { readonly kind: 'answer'; readonly plan: ShortPlan }
  | {
      readonly kind: 'question';
      /** What is read for it. */
      readonly read: string;
      readonly over: { readonly words: string; readonly node: ToldCardNode };
      readonly under: { readonly words: string; readonly node: ToldCardNode };
    };

export interface ToldCard extends Pick<RampCard, 'agrees' | 'worth'> {
  /** The window it is for, as in the plan. */
  readonly windowId: string;
  readonly root: ToldCardNode;
}

function shortPlan(day: JudgedDay, index: number, { category, share, agrees, morning }: CardAnswer): ShortPlan | null {
  const told = tellMorning(day, morning.change, index);
  if (!told) return null;
  const { holding, presentations } = told;
  const presentation = presentations.find((each) => each.category === category) ?? presentations[0];
  const [place] = holding;
  if (!presentation || !place) return null;
  const { structure, cover, depthM } = place;
  return { change: morning.change, place: { structure, cover, depthM }, presentation, share, agrees };
}

function tellNode(day: JudgedDay, index: number, node: CardNode, units: UnitSystem): ToldCardNode | null {
  if (node.kind === 'answer') {
    const plan = shortPlan(day, index, node.answer);
    return plan && { kind: 'answer', plan };
  }
  const [over, under] = [node.over, node.under].map((side) => tellNode(day, index, side, units));
  if (!over || !under) return over ?? under ?? null;
  const [overWords, underWords] = answerWords(node.question, units);
  return {
    kind: 'question',
    read: READ_WORDS[node.question.of],
    over: { words: overWords, node: over },
    under: { words: underWords, node: under },
  };
}

/** A card in words; null where none of its answers has a plan. */
export function tellCard(
  day: JudgedDay,
  { window, root, agrees, worth }: RampCard,
  units: UnitSystem,
): ToldCard | null {
  const told = tellNode(day, window, root, units);
  return told && { windowId: `w${window + 1}`, root: told, agrees, worth };
}
