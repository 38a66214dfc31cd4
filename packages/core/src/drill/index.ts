export {
  cycleOf,
  cycleSound,
  middlePauseS,
  SOUND_OF,
  strokesBetween,
  type CadenceWish,
  type Cycle,
  type Stroke,
  type StrokeKind,
} from './cadence.js';
export { feelOf, feelWords, waitWords, type Feel, type FeltWait } from './feel.js';
export { lureWay, motionOf, type LureMotion, type WayPoint } from './lure-way.js';
export { DRILL_STEPS, grade, keyOf, type DrillAnswer, type DrillKey, type DrillStep, type Graded } from './grade.js';
export { drawScene, type Scene } from './scene.js';
export { optionsFor, type DrillOptions } from './options.js';
export { sceneWords, STEP_QUESTIONS, worthWords } from './scene-words.js';
