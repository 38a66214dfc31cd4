export { EVIDENCE_ATTRIBUTES, type Block, type Candidate, type EvidenceAttribute, type Fished } from './fished.js';
export { mattering, moveBetween, MOVES, preferences, type Mattering, type Move } from './moves.js';
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
