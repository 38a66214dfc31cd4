import { CAUTION_RULES } from '../cautions/cautions.js';
import { FEEDING_RULES } from '../food/feeding-rules.js';
import { FOOD_RULES } from '../food/rules.js';
import { GROUP_DEPTH_RULES, GROUP_RULES, PLACE_GROUP_RULES, REGIME_GROUP_RULES } from '../place/group-rules.js';
import { COVER_RULES, POSITION_RULES, STRUCTURE_RULES } from '../place/rules.js';
import { OCCASION_RULES } from '../presentation/occasions/index.js';
import { QUESTION_RULES } from '../presentation/questions.js';
import { APPROACH_RULES } from '../technique/retrieve/approach.js';
import { BASS_PHASE_RULES, FISH_SIGN_RULES, INSHORE_PHASE_RULES } from '../season/phases.js';
import { OVERLAY_RULES } from '../season/overlays.js';
import {
  BLADE_RULES,
  FAMILY_RULES,
  FINISH_RULES,
  SIZE_RULES,
  SOUND_RULES,
  TONE_RULES,
} from '../technique/trim/rules.js';
import { REGIME_RULES } from '../water/clarity.js';
import type { Rule } from '../rules/rule.js';

/** The steps of the judgement from the season to the places, in the angler's order, with the rules that serve each. */
export const RULES_TO_PLACES = {
  season: [...BASS_PHASE_RULES, ...FISH_SIGN_RULES, ...INSHORE_PHASE_RULES],
  overlay: OVERLAY_RULES,
  water: REGIME_RULES,
  food: FOOD_RULES,
  feeding: FEEDING_RULES,
  group: [...GROUP_RULES, ...PLACE_GROUP_RULES, ...REGIME_GROUP_RULES],
  depth: GROUP_DEPTH_RULES,
  structure: STRUCTURE_RULES,
  cover: COVER_RULES,
  position: POSITION_RULES,
} as const satisfies Readonly<Record<string, readonly Rule<unknown>[]>>;

/** The steps after them: what is fished, how, and with which care. */
export const RULES_FROM_LURES = {
  question: QUESTION_RULES,
  lure: OCCASION_RULES,
  size: SIZE_RULES,
  tone: TONE_RULES,
  colour: FAMILY_RULES,
  blades: [...BLADE_RULES, ...FINISH_RULES],
  sound: SOUND_RULES,
  approach: APPROACH_RULES,
  caution: CAUTION_RULES,
} as const satisfies Readonly<Record<string, readonly Rule<unknown>[]>>;

/** Every step that has a say in the plan of a day, which knows no spots of a chart. */
export const RULES_OF_DAY = { ...RULES_TO_PLACES, ...RULES_FROM_LURES } as const;
