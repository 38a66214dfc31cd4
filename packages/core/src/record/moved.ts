import { normalShare } from '../numbers/normal-share.js';
import { nameOf } from '../contract/names.js';
import { FOOD_WEIGHT, TEMPERATURE_WEIGHT, VISIBILITY_WEIGHT } from '../presentation/score.js';
import { OCCASION_RULES } from '../presentation/occasions/index.js';
import { QUESTION_RULES } from '../presentation/questions.js';
import type { Learned, Learnt } from './learned-state.js';

/** What the record moved: a rule's weight, the trust in the plan, or a factor on the bites of one thing (1 is as planned). */
export interface Moved {
  readonly what: string;
  readonly kind: 'rule' | 'trust' | 'factor';
  /** The rule, where it is one. */
  readonly rule: string | null;
  readonly prior: number;
  readonly posterior: number;
  /** Hours of fishing behind it. */
  readonly hours: number;
  /** How likely it truly lies on this side of what was believed before. */
  readonly likely: number;
}

const RULE_WEIGHTS: ReadonlyMap<string, { readonly weight: number; readonly text: string }> = new Map([
  ...OCCASION_RULES.map(({ id, effect, text }) => [id, { weight: effect, text }] as const),
  ...QUESTION_RULES.map(({ id, effect, text }) => [id, { weight: effect.shift, text }] as const),
  ['its-temperature', { weight: TEMPERATURE_WEIGHT, text: 'The water temperature of a lure' }],
  ['its-visibility', { weight: VISIBILITY_WEIGHT, text: 'The visibility of a lure' }],
  ['passes-for-food', { weight: FOOD_WEIGHT, text: 'What passes for their food' }],
]);

const WAYS: Readonly<Record<string, string>> = {
  top: 'what is fished on top',
  swum: 'what is swum',
  cranked: 'what is cranked',
  dropped: 'what is dropped',
  dragged: 'what is dragged',
  vertical: 'what is fished straight down',
};
const PLAIN: Readonly<Record<string, string>> = {
  presence: 'loud lures',
  bulk: 'large lures',
  depth: 'deeper than planned',
  pace: 'faster than planned',
};
const TRUST: Readonly<Record<string, string>> = {
  'trust:lures': "the plan's order of lures",
  'trust:places': "the plan's order of places",
};
const IN: Readonly<Record<string, string>> = {
  cold: 'in cold water',
  mild: 'in mild water',
  warm: 'in warm water',
  dirty: 'in dirty water',
  stained: 'in stained water',
  clear: 'in clear water',
  dim: 'in dim light',
  bright: 'in bright light',
  calm: 'in calm air',
  windy: 'in wind',
};

/** What a parameter is of, in words; null for those that are of no advice. */
function wordsOf(name: string): string | null {
  const [thing = '', situation] = name.split('|');
  const [family = '', id = ''] = thing.split(':');
  const named = family === 'lure' || family === 'structure' || family === 'cover';
  const what = named ? nameOf(id) : family === 'spot' ? id : (WAYS[id] ?? PLAIN[family]);
  return what ? (situation ? `${what} ${IN[situation]}` : what) : null;
}

/** A parameter has moved where it left so much of what was believed of it behind, and tells so much of a factor. */
const LEAST_SDS = 0.2;
const LEAST_LOG = 0.05;
/** What rests on a few minutes is not worth telling, however far it moved. */
const LEAST_HOURS = 0.1;
const MOST_TOLD = 40;
const toHundredths = (value: number): number => Math.round(100 * value) / 100;

function told({ name, prior, mean, sd, hours }: Learnt): Moved | null {
  const rule = name.startsWith('rule:') ? name.slice('rule:'.length) : null;
  const likely = toHundredths(normalShare(Math.abs(mean - prior) / sd));
  const own = { rule, hours: toHundredths(hours), likely };
  if (rule !== null) {
    const known = RULE_WEIGHTS.get(rule);
    if (!known) return null;
    const { weight, text } = known;
    return { what: text, kind: 'rule', prior: weight, posterior: toHundredths(weight * (1 + mean)), ...own };
  }
  if (name.startsWith('trust:')) {
    const what = TRUST[name] ?? name;
    return { what, kind: 'trust', prior, posterior: toHundredths(mean), ...own };
  }
  const what = wordsOf(name);
  return what ? { what, kind: 'factor', prior: 1, posterior: toHundredths(Math.exp(mean - prior)), ...own } : null;
}

/** What a record moved, most first; what stands nearly where it stood is left out. */
export function movedBy(learned: Learned): Moved[] {
  return learned
    .parameters()
    .filter(({ mean, prior, priorSd, hours }) => {
      const off = Math.abs(mean - prior);
      return hours >= LEAST_HOURS && off >= LEAST_SDS * priorSd && off >= LEAST_LOG;
    })
    .sort((a, b) => Math.abs(b.mean - b.prior) - Math.abs(a.mean - a.prior))
    .flatMap((each) => told(each) ?? [])
    .slice(0, MOST_TOLD);
}
