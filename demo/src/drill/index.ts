export { learnersPool, questionsNeeded, type EveningsOf } from './learners.js';
