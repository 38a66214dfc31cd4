import { SCHOOL_IDS, type SchoolId, type SchoolSide } from '../contract/ids.js';
import type { Conditions } from '../contract/conditions.js';
import { slotOf, type Facts } from '../rules/facts.js';
import { above, all, always, any, anyOf, below, degreeOf, is, not, type Condition } from '../rules/fuzzy.js';

/** How a school's side is picked where the user did not: the first whose condition holds by half. */
interface SchoolDefault {
  readonly side: SchoolSide;
  readonly when: Condition;
  readonly why: string;
}

export const SCHOOL_DEFAULTS: Readonly<Record<SchoolId, readonly SchoolDefault[]>> = {
  colour: [
    { side: 'light', when: always, why: 'Colour by light and clarity, and less than depth, place and retrieve' },
  ],
  'mud-blade': [
    {
      side: 'round',
      when: any(below('surfaceTempC', 12.7, 12.9), not(is('forage:shad'))),
      why: 'Cold or without shad: round and slow',
    },
    { side: 'long', when: always, why: 'Warmer and with shad: long and painted' },
  ],
  'cold-trailer': [
    { side: 'kicking', when: below('effectiveVisibilityM', 0.3, 0.32), why: 'Mud: let it kick' },
    { side: 'still', when: below('surfaceTempC', 12.7, 12.9), why: 'Cold: a still trailer' },
    { side: 'kicking', when: always, why: 'Warm enough to kick' },
  ],
  'crank-pace': [
    { side: 'stop-and-go', when: below('surfaceTempC', 15.5, 15.6), why: 'Cool water: stop and go' },
    {
      side: 'stop-and-go',
      when: below('surfaceTempC', 15.6, 20),
      why: 'Between cool and warm: the warmer, the shorter the stops',
    },
    { side: 'fast', when: always, why: 'Warm water: fast and deflecting' },
  ],
  'jerkbait-gear': [
    { side: 'low', when: below('surfaceTempC', 10, 12), why: 'Cold: a low ratio slows you down' },
    { side: 'high', when: always, why: 'Warm: a high ratio takes up slack' },
  ],
  'jerkbait-clarity': [{ side: 'clear-only', when: always, why: 'A jerkbait wants clear water' }],
  claws: [
    { side: 'tucked', when: above('effectiveVisibilityM', 1.15, 1.25), why: 'Clear: claws tucked' },
    { side: 'out', when: always, why: 'Stain: claws out' },
  ],
  size: [
    { side: 'large', when: is('goal:big-fish'), why: 'You want one large fish' },
    { side: 'small', when: always, why: 'Small for bites' },
  ],
  'crank-rod': [
    { side: 'spinning', when: above('windMps', 8, 10), why: 'Strong wind: spinning for light lures' },
    { side: 'casting', when: always, why: 'A soft casting rod' },
  ],
  'cold-line': [
    {
      side: 'nylon',
      when: below('surfaceTempC', 12, 13),
      why: 'Cold: stretchy nylon for shallow treble and wire lures, fluorocarbon where depth decides',
    },
    { side: 'fluorocarbon', when: always, why: 'Fluorocarbon where depth decides' },
  ],
  'dirty-crank-colour': [{ side: 'bright', when: always, why: 'Dirty water: bright' }],
  search: [
    { side: 'two-lures', when: is('familiarity:new'), why: 'New water: two search lures' },
    { side: 'one-pattern', when: always, why: 'Known water: one pattern thought out first' },
  ],
  junk: [{ side: 'pattern', when: always, why: 'Stay with the pattern until the evidence says leave' }],
  'murky-colour': [{ side: 'natural', when: always, why: 'They live in it and feed by sight: natural' }],
  'sound-start': [
    {
      side: 'quiet',
      when: any(
        above('effectiveVisibilityM', 1, 1.2),
        below('surfaceTempC', 9, 10),
        is('pressure:high'),
        is('bright-and-calm'),
      ),
      why: 'Clear, cold or fished hard: begin quiet and add',
    },
    { side: 'loud', when: always, why: 'Stained, and not fished hard: begin loud' },
  ],
  'winter-colour': [
    { side: 'muted', when: above('effectiveVisibilityM', 1, 1.1), why: 'Clear winter water: muted' },
    { side: 'crayfish', when: always, why: 'Winter stain: red over the rock' },
  ],
  'mud-lure': [
    {
      side: 'swim-jig',
      when: is('banks-of-bushes'),
      why: 'The bank is bushes and wood: a swim jig goes into it',
    },
    { side: 'spinnerbait', when: always, why: 'An open bank: round blades along it' },
  ],
  'forage-size': [
    { side: 'larger', when: is('overlay:shad-spawn'), why: 'At a shad spawn a little larger than the bait' },
    { side: 'match', when: always, why: 'Of the size of the bait' },
  ],
  'short-strike-first': [{ side: 'colour', when: always, why: 'Another colour first, one change at a time' }],
  'deep-claws': [{ side: 'none-deep', when: always, why: 'No flapping claws below {depth:3}' }],
  'topwater-floor': [{ side: 'sixty', when: always, why: 'Nothing on top under about {temp:15.5}' }],
  'bladed-jig-line': [
    { side: 'braid', when: is('thick-grass'), why: 'Thick grass demands braid' },
    { side: 'fluorocarbon', when: always, why: 'Fluorocarbon: ripping with braid wears out the clip' },
  ],
  'after-front': [
    { side: 'stay', when: below('effectiveVisibilityM', 0.7, 0.8), why: 'Dirty: they stay, down in the cover' },
    { side: 'drop', when: always, why: 'Clear: they drop to the next deep water' },
  ],
  patience: [
    {
      side: 'several-casts',
      when: below('effectiveVisibilityM', 0.6, 0.7),
      why: 'Dirty: it takes them several casts to find a lure',
    },
    {
      side: 'circle-back',
      when: is('feedback:clustered-fish'),
      why: 'There are more where these came from: circle back',
    },
    { side: 'move', when: always, why: 'Clear: one or two casts an object, and on' },
  ],
};

export interface SchoolInForce {
  readonly id: SchoolId;
  readonly side: SchoolSide;
  readonly why: string;
  readonly chosen: boolean;
}

/** The side of every school in force: the user's where chosen, else the default for these conditions. */
export function schoolsInForce(chosen: Conditions['schools'], facts: Facts): SchoolInForce[] {
  return SCHOOL_IDS.map((id) => {
    const side = chosen?.[id];
    if (side) return { id, side, why: 'You chose this side', chosen: true };
    const usual = SCHOOL_DEFAULTS[id].find(({ when }) => degreeOf(when, facts) >= 0.5) as SchoolDefault;
    return { id, side: usual.side, why: usual.why, chosen: false };
  });
}

const sideSlots = new Map<SchoolId, Map<SchoolSide | 'chosen', number>>();

function slotOfSide(id: SchoolId, side: SchoolSide | 'chosen'): number {
  let ofSchool = sideSlots.get(id);
  if (!ofSchool) sideSlots.set(id, (ofSchool = new Map()));
  let slot = ofSchool.get(side);
  if (slot === undefined) ofSchool.set(side, (slot = slotOf(`school:${id}:${side}`)));
  return slot;
}

/** Facts with the sides in force on top, for rules that belong to a side, and whether the angler chose them. */
export function withSchools(facts: Facts, schools: readonly SchoolInForce[]): Facts {
  const named: number[] = [];
  for (const { id, side, chosen } of schools) {
    named.push(slotOfSide(id, side));
    if (chosen) named.push(slotOfSide(id, 'chosen'));
  }
  return facts.withSlots(
    named,
    named.map(() => 1),
  );
}

/** Schools about the whole of the advice, whatever is tied on. */
export const SCHOOLS_OF_THE_DAY: ReadonlySet<SchoolId> = new Set([
  'colour',
  'search',
  'junk',
  'mud-lure',
  'forage-size',
  'short-strike-first',
  'after-front',
  'murky-colour',
]);

/** When a school makes a difference to what it speaks about. */
export const SCHOOL_MATTERS: Readonly<Record<SchoolId, Condition>> = {
  colour: always,
  'mud-blade': below('effectiveVisibilityM', 0.55, 0.75),
  'cold-trailer': below('surfaceTempC', 13, 15),
  'crank-pace': always,
  'jerkbait-gear': always,
  'jerkbait-clarity': below('effectiveVisibilityM', 1.3, 1.6),
  claws: always,
  size: any(is('cold'), is('phase:pre-spawn'), is('goal:big-fish')),
  'crank-rod': above('windMps', 6, 8),
  'cold-line': below('surfaceTempC', 13, 14),
  'dirty-crank-colour': below('effectiveVisibilityM', 0.55, 0.75),
  search: always,
  junk: always,
  'murky-colour': is('murky-normal'),
  'sound-start': always,
  'winter-colour': anyOf('phase:winter', 'phase:late-fall'),
  'mud-lure': is('regime:mud-rising'),
  'forage-size': is('forage-named'),
  'short-strike-first': is('feedback:short-strikes'),
  'deep-claws': above('surfaceTempC', 12, 14),
  'topwater-floor': all(above('surfaceTempC', 11, 12), below('surfaceTempC', 16, 17)),
  'bladed-jig-line': always,
  'after-front': is('front:post-frontal'),
  patience: always,
};
