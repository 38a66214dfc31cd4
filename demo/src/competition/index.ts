export { changeOverGain, type ChangeOverGain } from './gain.js';
export { fishDay, hiddenDay } from './days.js';
