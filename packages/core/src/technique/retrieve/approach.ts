import type { ApproachLine } from '../../contract/plan.js';
import type { HoldingPlace } from '../../place/place.js';
import type { Category } from '../../lures/category.js';
import { Statement, type Facts } from '../../rules/facts.js';
import { above, all, always, any, anyOf, below, is, not } from '../../rules/fuzzy.js';
import { fire, type Rule } from '../../rules/rule.js';
import { inUnits, say, type UnitSystem } from '../../units/units.js';

/** What a line of approach answers; of each the strongest that holds is told. */
const TOPICS = ['area', 'casts', 'boat', 'contact', 'fight'] as const;
type Topic = (typeof TOPICS)[number];

/** Which line it is, and how much it presses beside others of its topic. */
export interface ApproachEffect {
  readonly topic: Topic;
  readonly press: number;
}

const line = (topic: Topic, press: number): ApproachEffect => ({ topic, press });
const objects = any(
  anyOf('ground:wood', 'ground:mat'),
  anyOf('cover:dock', 'structure:dock', 'cover:reeds', 'cover:flooded-bush'),
);
const slopingBank = anyOf(
  'structure:steep-bank',
  'structure:bluff',
  'structure:bluff-end',
  'structure:riprap',
  'structure:dam-face',
  'structure:channel-swing',
);

/** In the words of a rule, where the depth of the fish stands. */
const THEIR_DEPTH = 'their depth of water';

/** How to come to a place and cast at it. */
export const APPROACH_RULES: readonly Rule<ApproachEffect>[] = [
  {
    id: 'approach-new-water',
    when: is('familiarity:new'),
    effect: line('area', 1),
    text: 'One rectangle of about 100 by 50 yards first, not the whole lake',
  },
  {
    id: 'approach-circle-back',
    when: is('feedback:clustered-fish'),
    effect: line('area', 1.2),
    text: 'Turn back and cover the same stretch again',
  },

  {
    id: 'approach-casts-dirty',
    when: below('sightM', 0.55, 0.9),
    effect: line('casts', 1),
    text: 'Short casts: three to five at one object, from several sides; it takes them several passes to find it',
  },
  {
    id: 'approach-casts-transition',
    when: anyOf('structure:transition', 'structure:hard-spot', 'cover:mixed-rock'),
    effect: line('casts', 1.1),
    text: 'Slow down where the bottom changes, and several casts there',
  },
  {
    id: 'approach-casts-clear',
    when: above('sightM', 0.9, 1.3),
    effect: line('casts', 0.9),
    text: 'Long casts from well off: one or two an object, and on',
  },
  {
    id: 'approach-casts-several',
    when: always,
    effect: line('casts', 1.05),
    text: 'Three or four casts at each object before you move',
    school: ['patience', 'several-casts'],
  },
  {
    id: 'approach-casts-stain',
    when: always,
    effect: line('casts', 0.5),
    text: 'Two or three casts an object, from different sides',
  },
  {
    id: 'approach-skip',
    when: all(anyOf('cover:dock', 'structure:dock', 'cover:mangrove'), is('lure:dropped')),
    effect: line('casts', 1.3),
    text: 'Skip it far under into the shade and let it sink; the shady side first',
  },
  {
    id: 'approach-vertical',
    when: is('lure:vertical'),
    effect: line('casts', 1.4),
    text: 'Hold over them and let it straight down',
  },
  {
    id: 'approach-chasing',
    when: all(anyOf('sign:surface-chasing', 'sign:birds-diving'), not(is('lure:vertical'))),
    effect: line('casts', 1.5),
    text: 'Cast past them and bring it through; never drive into them',
  },
  {
    id: 'approach-drain',
    when: is('structure:drain-mouth'),
    effect: line('casts', 1.2),
    text: 'Cast up into the mouth and let the water bring it out',
  },
  {
    id: 'approach-current',
    when: any(
      anyOf('structure:pass', 'structure:bridge'),
      is('current:strong'),
      all(is('structure:inflow'), not(is('discipline:inshore'))),
    ),
    effect: line('casts', 1.15),
    text: 'Cast up the current and let it come down to them',
  },
  {
    id: 'approach-shad-spawn',
    when: all(is('group:shad-spawn'), is('overlay:shad-spawn')),
    effect: line('casts', 1.3),
    text: 'Against the hard bank, and bring it along it in the top half metre',
  },

  {
    id: 'approach-parallel',
    when: all(slopingBank, any(is('lure:cranked'), is('lure:swum'))),
    effect: line('boat', 1.2),
    text: `Hold the boat over ${THEIR_DEPTH} and cast along the bank, not at it`,
  },
  {
    id: 'approach-mud-stay-off',
    when: is('regime:mud-rising'),
    effect: line('boat', 1.5),
    text: 'Stay off: so shallow they are on edge. A long cast, right into the cover',
  },
  {
    id: 'approach-far-off',
    when: above('effectiveVisibilityM', 1.6, 2.4),
    effect: line('boat', 1),
    text: 'Stay a long cast off: they see you',
  },
  {
    id: 'approach-offshore',
    when: anyOf('structure:ledge', 'structure:hump', 'structure:main-lake-point', 'structure:saddle'),
    effect: line('boat', 0.95),
    text: 'Hold over the deep side and cast up onto it, from more than one angle',
  },
  {
    id: 'approach-ditch',
    when: is('structure:ditch'),
    effect: line('boat', 1),
    text: 'Hold in the ditch and cast to both its edges',
  },
  {
    id: 'approach-grass-edge',
    when: any(is('ground:grass'), is('structure:grass-edge')),
    effect: line('boat', 0.9),
    text: 'Along the outside edge first, then over its top',
  },
  {
    id: 'approach-quiet',
    when: is('pressure:high'),
    effect: line('boat', 1.1),
    text: 'Quietly and from far: they have heard boats all season',
  },
  {
    id: 'approach-beds',
    when: is('phase:spawn'),
    effect: line('boat', 0.8),
    text: 'Stay off the beds; look for a change in the colour of the bottom',
  },
  {
    id: 'approach-objects',
    when: objects,
    effect: line('boat', 0.6),
    text: 'Close enough to put it exactly there, no closer',
  },
  {
    id: 'approach-bank-out',
    when: always,
    effect: line('boat', 0.3),
    text: `Hold farther out and cast to ${THEIR_DEPTH}`,
  },

  {
    id: 'approach-lift-over',
    when: all(any(is('ground:wood'), is('cover:stump')), any(is('lure:swum'), is('lure:cranked'))),
    effect: line('contact', 1),
    text: 'At a stump lift it over with the handle still turning; what stops and feels mushy is a fish',
  },
  {
    id: 'approach-glance',
    when: is('lure:deflects'),
    effect: line('contact', 0.9),
    text: 'Make it hit what is there: the strike comes as it glances off',
  },
  {
    id: 'approach-mushy',
    when: any(is('lure:dragged'), is('lure:dropped')),
    effect: line('contact', 0.8),
    text: 'Soft, heavy or mushy means fish: set',
  },
  {
    id: 'approach-lipless-cycle',
    when: is('category:lipless-crankbait'),
    effect: line('contact', 1.1),
    text: 'On bare flats fish it otherwise every cast: lying, dragged, lifted and dropped',
  },

  {
    id: 'approach-rod-low',
    when: is('lure:treble'),
    effect: line('fight', 0.8),
    text: 'Rod low while it fights, and play it gently: trebles tear out',
  },
  {
    id: 'approach-out-of-it',
    when: all(not(is('lure:treble')), any(objects, is('ground:grass'))),
    effect: line('fight', 0.7),
    text: 'Get its head up and out of the cover at once',
  },
];

/** Lines told: the two that the sheet shows, and what comes after the bite. */
const MAX_LINES = 4;

/** How to fish a lure at a place: casts an object, from where, where to hold the boat, what touching it means. */
export function approachTo(category: Category, place: HoldingPlace, here: Facts, units: UnitSystem): ApproachLine[] {
  const stated = new Statement();
  stated.of('lure', category.fished);
  stated.of('lure', 'treble', category.hook === 'treble' ? 1 : 0);
  stated.of('lure', 'deflects', category.traits.deflects >= 0.5 ? 1 : 0);
  const facts = here.withStatement(stated);
  const best = new Map<Topic, { press: number; rule: Rule<ApproachEffect> }>();
  for (const { rule, degree } of fire(APPROACH_RULES, facts, 0.2)) {
    const press = degree * rule.effect.press;
    const known = best.get(rule.effect.topic);
    if (!known || press > known.press) best.set(rule.effect.topic, { press, rule });
  }
  const hold = say('depth', (place.depthM[0] + place.depthM[1]) / 2, units);
  return TOPICS.flatMap((topic) => {
    const found = best.get(topic);
    return found
      ? [{ text: inUnits(found.rule.text, units).replace(THEIR_DEPTH, `${hold} of water`), rule: found.rule.id }]
      : [];
  }).slice(0, MAX_LINES);
}
