export { calculateNext, standingDay, type NextAnswer, type Thrown } from './next.js';
export { decide, hopeOf, type Decision, type Hope, type Question } from './decision.js';
export { statesOf, type DayStates, type StateOption } from './of-candidates.js';
export { paceOf, toneGroup } from './options.js';
export { NEXT_MOVES, NextInput, PACES, type NextMoveId, type NextNote, type NextPlace, type Pace } from './said.js';
