import type { RetrieveStyle } from '../../contract/ids.js';
import type { Step } from '../../lures/pace.js';

/** Pause of a twitched lure by water temperature, s: under 40, 45, 50, 58 degrees Fahrenheit and over. */
export const PAUSE_S: readonly Step[] = [
  [4.44, [15, 30]],
  [7.22, [8, 15]],
  [10, [4, 8]],
  [14.44, [2, 4]],
  [Infinity, [0.5, 2]],
];

/** Bottom lures lie still longer than they move; the cold doubles it. */
export const BOTTOM_PAUSE_S: readonly Step[] = [
  [7.22, [6, 12]],
  [12.78, [4, 8]],
  [18.33, [2, 5]],
  [Infinity, [1, 3]],
];

/** Least and longest stop of a stop-and-go retrieve, s, by water temperature in degrees Celsius; at 68 F little is left of them. */
export const STOP_S = [
  [
    [12.78, 1],
    [15.56, 0.5],
    [20, 0.2],
  ],
  [
    [12.78, 3],
    [15.56, 1.5],
    [20, 0.5],
  ],
] as const;

/** Each style as it is told. */
export const MOVE: Readonly<Record<RetrieveStyle, string>> = {
  steady: 'Steady, just fast enough to work, changing speed now and then',
  'slow-roll': 'Roll it as slowly as it still works',
  burn: 'Burn it back, and stop it dead once or twice',
  'stop-and-go': 'Crank till it bumps, then stop',
  'twitch-pause': 'Twitch, twitch, wait',
  'yo-yo': 'Lift it off the bottom and let it fall on a tight line',
  rip: 'Let it touch, then rip it free',
  drag: 'Drag it with the rod, wait where it catches',
  hop: 'Short hops, following it down',
  swim: 'Swim it over and along the cover, rod up',
  'dead-stick': 'Leave it lie',
  shake: 'Shake it in place on a slack line',
  walk: 'Walk it side to side, with a stop at every object',
  pop: 'Pop, let the rings go, pop again',
  wake: 'Bring it along just under the surface so that it bulges',
  'lift-drop': 'Straight down, lift and let it drop on a line just tight',
  'bounce-slack': 'Slack line to the bottom, watch the line, bounce the slack twice, next target',
};
