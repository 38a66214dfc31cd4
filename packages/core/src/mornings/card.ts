import type { CategoryId } from '../contract/ids.js';
import type { UnitSystem } from '../units/units.js';
import type { Morning, MorningWindow } from './answers.js';
import { figureOfMorning, isOver, questionsOn, type Question } from './questions.js';
import { sharesOf } from './sureness.js';
import { bitesOf } from './wanted.js';

/** An answer of the card: the lure it names, and a morning that stands for all that end there. */
export interface CardAnswer {
  readonly category: CategoryId;
  /** Share of the mornings that end here. */
  readonly share: number;
  /** Of those, in how many it is the planner's first or second choice. */
  readonly agrees: number;
  /** The morning whose plan is taken: the middlemost of those in which this lure comes first. */
  readonly morning: Morning;
}

/** A card as a tree: a question with what stands at either answer, or an answer. */
export type CardNode =
  | { readonly kind: 'answer'; readonly answer: CardAnswer }
  | { readonly kind: 'question'; readonly question: Question; readonly over: CardNode; readonly under: CardNode };

/** A small tree over what can be read at the ramp: two questions at most on any way through it, four answers. */
export interface RampCard {
  /** Index of the window it is for. */
  readonly window: number;
  readonly root: CardNode;
  /** How often its answer is the planner's first or second choice, on mornings that it was not grown from. */
  readonly agrees: number;
  /** How many times the bites one may expect with the first question answered, beside going by the likeliest plan. */
  readonly worth: number;
}

interface Case {
  readonly morning: Morning;
  readonly window: MorningWindow;
}

/** A second choice is nearly as good as the first. */
const SECOND_COUNTS = 0.8;
/** Another question, or another answer, must name better in so much of all mornings. */
const QUESTION_COSTS = 0.02;
/** Farther off than any figures are. */
const ANOTHER_DAY = 10;
/** No answer stands for fewer mornings. */
const LEAST_CASES = 8;

const agreesWith = (category: CategoryId, { first, second }: MorningWindow): boolean =>
  category === first || category === second;

interface Named {
  readonly category: CategoryId;
  /** Over its cases. */
  readonly good: number;
}

/** The lure that is best named for all of some cases. */
function bestNamed(cases: readonly Case[]): Named {
  const sums = new Map<CategoryId, number>();
  for (const { window } of cases) {
    sums.set(window.first, (sums.get(window.first) ?? 0) + 1);
    if (window.second) sums.set(window.second, (sums.get(window.second) ?? 0) + SECOND_COUNTS);
  }
  const [category, good] = [...sums].reduce((a, b) => (b[1] > a[1] ? b : a));
  return { category, good };
}

interface Split {
  readonly question: Question;
  readonly over: readonly Case[];
  readonly under: readonly Case[];
  readonly good: number;
}

const parted = (cases: readonly Case[], question: Question): [over: Case[], under: Case[]] => {
  const sides: [Case[], Case[]] = [[], []];
  for (const each of cases) sides[isOver(question, each.morning.seen) ? 0 : 1].push(each);
  return sides;
};

/** The best single question on some cases. @param all of how many cases the card is grown */
function bestSplit(cases: readonly Case[], questions: readonly Question[], all: number): Split | null {
  const plain = bestNamed(cases);
  let best: Split | null = null;
  let most = plain.good + QUESTION_COSTS * all;
  for (const question of questions) {
    const [over, under] = parted(cases, question);
    if (over.length < LEAST_CASES || under.length < LEAST_CASES) continue;
    const good = bestNamed(over).good + bestNamed(under).good;
    if (good > most) [best, most] = [{ question, over, under, good }, good];
  }
  return best;
}

/** How well a side names with one question more, its cost taken off. */
const goodnessOf = (cases: readonly Case[], questions: readonly Question[], all: number): number => {
  const split = bestSplit(cases, questions, all);
  return split ? split.good - QUESTION_COSTS * all : bestNamed(cases).good;
};

/** The tree of two questions that names best: every first question is tried with the best second on either side. */
function grow(cases: readonly Case[], questions: readonly Question[]): CardNode {
  const all = cases.length;
  let best: { question: Question; over: Case[]; under: Case[] } | null = null;
  let most = bestNamed(cases).good + QUESTION_COSTS * all;
  for (const question of questions) {
    const [over, under] = parted(cases, question);
    if (over.length < LEAST_CASES || under.length < LEAST_CASES) continue;
    const good = goodnessOf(over, questions, all) + goodnessOf(under, questions, all);
    if (good > most) [best, most] = [{ question, over, under }, good];
  }
  if (!best) return answerOf(cases, all);
  const side = (own: readonly Case[]): CardNode => {
    const split = bestSplit(own, questions, all);
    if (!split) return answerOf(own, all);
    const { question, over, under } = split;
    return { kind: 'question', question, over: answerOf(over, all), under: answerOf(under, all) };
  };
  return folded({ kind: 'question', question: best.question, over: side(best.over), under: side(best.under) });
}

/** A question whose answers name the same is none. */
function folded(node: CardNode): CardNode {
  if (node.kind === 'answer') return node;
  const [over, under] = [folded(node.over), folded(node.under)];
  if (over.kind === 'answer' && under.kind === 'answer' && over.answer.category === under.answer.category) {
    const [a, b] = [over.answer, under.answer];
    const share = a.share + b.share;
    const agrees = (a.share * a.agrees + b.share * b.agrees) / share;
    return { kind: 'answer', answer: { ...(a.share >= b.share ? a : b), share, agrees } };
  }
  return { ...node, over, under };
}

/** The case nearest to the middle of some, each condition by how far it spreads. */
function middlemost(cases: readonly Case[]): Morning {
  const keys = ['surfaceTempC', 'visibilityM', 'windMps'] as const;
  const spread = keys.map((key) => {
    const values = cases.map(({ morning }) => morning.change[key]).sort((a, b) => a - b);
    const middle = values[values.length >> 1] as number;
    return { key, middle, width: Math.max(1e-6, (values.at(-1) as number) - (values[0] as number)) };
  });
  // Where most saw no bait, the plan is not that of one who did.
  const baits = cases.map(({ morning }) => figureOfMorning(morning.change, 'bait')).sort((a, b) => a - b);
  const bait = baits[baits.length >> 1] as number;
  const off = ({ morning: { change } }: Case) =>
    Number(figureOfMorning(change, 'bait') !== bait) * ANOTHER_DAY +
    spread.reduce((sum, { key, middle, width }) => sum + Math.abs(change[key] - middle) / width, 0);
  return cases.reduce((a, b) => (off(b) < off(a) ? b : a)).morning;
}

function answerOf(cases: readonly Case[], all: number): CardNode {
  const { category } = bestNamed(cases);
  const first = cases.filter(({ window }) => window.first === category);
  return {
    kind: 'answer',
    answer: {
      category,
      share: cases.length / all,
      agrees: cases.filter(({ window }) => agreesWith(category, window)).length / cases.length,
      morning: middlemost(first.length ? first : cases),
    },
  };
}

/** The answer of a card for what is read at the ramp. */
export function cardAnswer(root: CardNode, seen: Morning['seen']): CardAnswer {
  let node = root;
  while (node.kind === 'question') node = isOver(node.question, seen) ? node.over : node.under;
  return node.answer;
}

const meanBites = (category: CategoryId, cases: readonly Case[]): number =>
  cases.reduce((sum, { window }) => sum + bitesOf(category, window), 0) / cases.length;

/** The most that one lure brings over some cases, in the mean. */
const mostBites = (cases: readonly Case[]): number =>
  Math.max(...sharesOf(cases.map(({ window }) => window.first)).map(({ of }) => meanBites(of, cases)));

/** How many times the bites one may expect who asks a question first, as against the lure that is best unasked. */
function worthOf(root: CardNode, cases: readonly Case[]): number {
  if (root.kind === 'answer') return 1;
  const sides = parted(cases, root.question).filter(({ length }) => length);
  const asked = sides.reduce((sum, side) => sum + (side.length / cases.length) * mostBites(side), 0);
  return Math.max(1, asked / mostBites(cases));
}

/**
 * Grows the ramp card of a window from one half of the mornings and checks it on the other (a tree of two questions,
 * the best of all that may be asked; holdout as in Breiman et al. 1984). What is read at the ramp only: no question that
 * takes longer than two minutes.
 * @returns null where nothing suits the window on any morning
 */
export function rampCard(mornings: readonly Morning[], window: number, units: UnitSystem): RampCard | null {
  const cases = mornings.flatMap((morning): Case[] => {
    const own = morning.windows[window];
    return own ? [{ morning, window: own }] : [];
  });
  if (cases.length < 2) return null;
  const grown = cases.filter((_, index) => index % 2 === 0);
  const unseen = cases.filter((_, index) => index % 2 === 1);
  const root = grow(
    grown,
    questionsOn(
      grown.map(({ morning: { seen } }) => seen),
      units,
    ),
  );
  const right = unseen.filter(({ morning, window: own }) => agreesWith(cardAnswer(root, morning.seen).category, own));
  return { window, root, agrees: right.length / unseen.length, worth: worthOf(root, cases) };
}
