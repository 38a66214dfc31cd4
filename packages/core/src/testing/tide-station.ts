import type { TideStation } from '../contract/tide.js';

/** A made-up station whose tide comes twice a day, the one higher than the other. */
export const SOUND: TideStation = {
  name: 'Made-up sound',
  latitude: 30.2,
  longitude: -88.1,
  constituents: [
    { name: 'M2', amplitudeM: 0.5, phaseDeg: 214 },
    { name: 'S2', amplitudeM: 0.15, phaseDeg: 240 },
    { name: 'K1', amplitudeM: 0.1, phaseDeg: 121 },
  ],
  meanLevelM: 0.7,
  datum: 'mean lower low water',
};
