import type { Stretch } from '../underway/states/belief.js';

/** An hour at the first place with the first lure, as planned, without a bite; tests change what they are about. */
export const SILENT_HOUR: Stretch = {
  place: 0,
  lure: 0,
  depthLog: 0,
  paceSteps: 0,
  tone: 0,
  preference: 0,
  fromMin: 0,
  toMin: 60,
  hours: 1,
  bites: 0,
  nearMisses: null,
};
