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
export * from '../contract/practice.js';
export type { DrillAnswer, DrillRig, Graded } from './answer.js';
export { keyOf, type DrillKey } from './key.js';
export { grade } from './grading/index.js';
export { drawScene, type Scene } from './scene.js';
export { optionsFor, type DrillOptions, type ProfilePlace } from './options.js';
export { askedLight, sceneWords, STEP_QUESTIONS, toldBefore, worthWords } from './scene-words.js';
export { STEP_NAMES, topicOf, topicWords } from './topics.js';
export { answersOf, counted, dueOf, memoryOf, type TopicMemory } from './memory.js';
export { knownBy, type KnownOf } from './known.js';
export { chooseQuestions, NEVER_ASKED, pooled, sharesOf, type DrillQuestion, type PooledScene } from './choose.js';
export { composeEvening, EVENING_S, PART_S, type EveningPart, type OwnDay } from './evening.js';
export { gradeTurn, turnPlaces, turnRound, turnWords, type TurnAnswer, type TurnKey } from './turn.js';
export { gradeSpot, underThumb, type SpotHeat } from './spot.js';
export { strokesOf, type DrillStrokes } from './strokes.js';
export { bitWords, whatBit, type WhatBit } from './what-bit.js';
