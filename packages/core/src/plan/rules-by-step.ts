import { SPOT_RULES } from '../place/spot-rules.js';
import { RULES_FROM_LURES, RULES_TO_PLACES } from './rules-of-day.js';

/** The steps of the judgement, in the angler's order, with the rules that serve each: those of a chart's spots, too. */
export const RULES_BY_STEP = { ...RULES_TO_PLACES, spot: SPOT_RULES, ...RULES_FROM_LURES } as const;
export type RuleStep = keyof typeof RULES_BY_STEP;
export const RULE_STEPS = Object.keys(RULES_BY_STEP) as RuleStep[];
