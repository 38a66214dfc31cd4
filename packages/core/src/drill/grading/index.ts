import type { DrillAnswer, Graded } from '../answer.js';
import type { DrillKey } from '../key.js';
import { gradeClass, gradeLure, gradePause, gradeRig, gradeTrim } from './lure.js';
import { gradeDepth, gradeWhere } from './place.js';
import { gradeFood, gradePhase, gradeRegime } from './season.js';

/** What an answer is worth, by the planner's own weights, not by being the same. */
export function grade(key: DrillKey, answer: DrillAnswer): Graded {
  switch (answer.step) {
    case 'phase':
      return gradePhase(key, answer.phase);
    case 'regime':
      return gradeRegime(key, answer.regime);
    case 'food':
      return gradeFood(key, answer.kind);
    case 'where':
      return gradeWhere(key, answer.structure);
    case 'depth':
      return gradeDepth(key, answer.bandsM);
    case 'lure':
      return gradeLure(key, answer.category);
    case 'class':
      return gradeClass(key, answer.classId);
    case 'trim':
      return gradeTrim(key, answer.tone);
    case 'pause':
      return gradePause(key, answer.seconds);
    case 'rig':
      return gradeRig(key, answer.rig);
  }
}
