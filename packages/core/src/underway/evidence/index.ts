export { EVIDENCE_ATTRIBUTES, type Block, type Candidate, type EvidenceAttribute, type Fished } from './fished.js';
export {
  mattering,
  moveBetween,
  MOVES,
  nextMove,
  preferences,
  type MoveAdvice as Advice,
  type Mattering,
  type Move,
  type Underway,
} from './next-move.js';
export {
  posterior,
  preferenceOf,
  rateAt,
  rateOf,
  USUAL_RATE,
  usualLog,
  type Posterior,
  type Rate,
} from './posterior.js';
export { normalBelow, Z80 } from './normal.js';
