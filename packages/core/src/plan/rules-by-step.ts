import { SPOT_RULES } from '../place/spot-rules.js';
import { RULES_OF_TACKLE, RULES_OF_WATER } from './rules-of-day.js';

/** The steps of the judgement, in the angler's order, with the rules that serve each: those of a chart's spots, too. */
export const RULES_BY_STEP = { ...RULES_OF_WATER, spot: SPOT_RULES, ...RULES_OF_TACKLE } as const;
export type RuleStep = keyof typeof RULES_BY_STEP;
export const RULE_STEPS = Object.keys(RULES_BY_STEP) as RuleStep[];
