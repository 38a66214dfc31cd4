export { calculateNext, type NextAnswer } from './next.js';
export { NEXT_MOVES, NextInput, PACES, type NextMoveId, type Pace } from './said.js';
