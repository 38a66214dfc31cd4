import type { ForageKind } from '../contract/ids.js';
import { above, all, anyOf, below, between, is, type Condition } from '../rules/fuzzy.js';
import type { Rule } from '../rules/rule.js';

/** What a food rule says: how active a forage is while it holds, how long it is, and where to look for it. */
export interface FoodEffect {
  readonly kind: ForageKind;
  readonly activity: number;
  readonly lengthMm: readonly [number, number];
  readonly where: string;
}

type FoodRule = Rule<FoodEffect>;
const rule = (
  id: string,
  kind: ForageKind,
  activity: number,
  when: Condition,
  lengthMm: readonly [number, number],
  where: string,
  text: string,
): FoodRule => ({ id, when, effect: { kind, activity, lengthMm, where }, text });

const bass = (when: Condition): Condition => all(is('discipline:bass'), when);
const inshore = (when: Condition): Condition => all(is('discipline:inshore'), when);

/** What bass and inshore fish feed on, by temperature and season. Working figures of the field. */
export const FOOD_RULES: readonly FoodRule[] = [
  rule(
    'shad-winter',
    'shad',
    0.5,
    bass(is('phase:winter')),
    [50, 90],
    'deep schools, often over the channel',
    'Shad lie in deep schools in winter',
  ),
  rule(
    'shad-staging',
    'shad',
    0.45,
    bass(anyOf('phase:staging', 'phase:pre-spawn')),
    [60, 100],
    'off points and ditches outside the spawning flats',
    'Shad gather outside the flats as the water warms',
  ),
  rule(
    'shad-spring',
    'shad',
    0.45,
    bass(anyOf('phase:spawn', 'phase:post-spawn')),
    [60, 110],
    'open water beside the banks',
    'Shad are near the banks before their own spawn',
  ),
  rule(
    'shad-spawning',
    'shad',
    1,
    bass(is('overlay:shad-spawn')),
    [80, 120],
    'up shallow on anything hard or matted, until an hour or two after sunrise',
    'Shad are spawning on the banks',
  ),
  rule(
    'shad-summer',
    'shad',
    0.7,
    bass(is('phase:summer')),
    [40, 80],
    'open water off points, suspended',
    'Shad hang off points in open water in summer',
  ),
  rule(
    'shad-rise',
    'shad',
    0.8,
    bass(is('phase:early-fall')),
    [50, 80],
    'rising in the column, from the points to the creek mouths',
    'Shad rise and move to the creek mouths as the water falls',
  ),
  rule(
    'shad-run',
    'shad',
    0.95,
    bass(is('phase:fall')),
    [50, 90],
    'up the creeks, along banks and over flats',
    'Shad run up the creeks in fall',
  ),
  rule(
    'shad-out',
    'shad',
    0.65,
    bass(is('phase:late-fall')),
    [60, 100],
    'on their way out along the channels',
    'Shad go back out to deeper water',
  ),

  rule(
    'crayfish-scarce',
    'crayfish',
    0.15,
    bass(below('surfaceTempC', 9, 11)),
    [40, 90],
    'burrowed',
    'Crayfish are burrowed and scarce in cold water',
  ),
  rule(
    'crayfish-courting',
    'crayfish',
    0.85,
    bass(all(between('surfaceTempC', 9.5, 12.5, 17, 20), anyOf('phase:pre-spawn', 'phase:spawn', 'phase:staging'))),
    [70, 130],
    'rock, gravel and clay on the way to the flats',
    'Crayfish come out to court as bass move up',
  ),
  rule(
    'crayfish-young',
    'crayfish',
    0.6,
    bass(anyOf('phase:post-spawn', 'phase:summer')),
    [25, 80],
    'rock and grass, many of them small',
    'In summer every size is about, most of them small',
  ),
  rule(
    'crayfish-second-peak',
    'crayfish',
    0.55,
    bass(all(between('surfaceTempC', 10, 13, 20, 24), anyOf('phase:fall', 'phase:early-fall', 'phase:late-fall'))),
    [40, 100],
    'rock and ledges',
    'Crayfish have a second peak in fall',
  ),

  rule(
    'sunfish-beds',
    'sunfish',
    0.7,
    bass(all(above('surfaceTempC', 19.5, 22), anyOf('phase:post-spawn', 'phase:summer'))),
    [60, 120],
    'beds in shallow pockets and by docks',
    'Sunfish are on beds from about {temp:21}',
  ),
  rule(
    'sunfish-cover',
    'sunfish',
    0.35,
    bass(all(above('surfaceTempC', 14, 18), anyOf('phase:spawn', 'phase:early-fall'))),
    [60, 110],
    'shallow cover, grass and docks',
    'Sunfish keep to shallow cover',
  ),
  rule(
    'herring-open',
    'herring',
    0.3,
    bass(all(is('water:highland-reservoir'), anyOf('phase:post-spawn', 'phase:summer'))),
    [90, 150],
    'open water and long points',
    'Herring roam open water over long points',
  ),

  rule(
    'shrimp-warm',
    'shrimp',
    0.75,
    inshore(above('surfaceTempC', 15, 19)),
    [50, 100],
    'grass flats and the mouths of drains',
    'Shrimp are about in water over {temp:18}',
  ),
  rule(
    'shrimp-cool',
    'shrimp',
    0.45,
    inshore(below('surfaceTempC', 15, 19)),
    [40, 80],
    'deep holes and dark mud',
    'A few shrimp stay in the deeper holes',
  ),
  rule(
    'mullet-run',
    'mullet',
    0.85,
    inshore(is('phase:fall-run')),
    [70, 150],
    'leaving the marsh along the banks',
    'Mullet leave the marsh in fall',
  ),
  rule(
    'mullet-flats',
    'mullet',
    0.5,
    inshore(anyOf('phase:spring-rise', 'phase:summer-heat')),
    [70, 180],
    'over the flats and along the banks',
    'Mullet work the flats',
  ),
  rule(
    'menhaden-warm',
    'menhaden',
    0.5,
    inshore(anyOf('phase:summer-heat', 'phase:fall-run')),
    [60, 120],
    'passes and the edges of deeper water',
    'Menhaden school near the passes',
  ),
  rule(
    'crab-warm',
    'crab',
    0.5,
    inshore(above('surfaceTempC', 14, 20)),
    [25, 70],
    'oyster, grass edges and drains',
    'Crabs move about in warm water',
  ),
  rule(
    'pinfish-warm',
    'pinfish',
    0.45,
    inshore(above('surfaceTempC', 17, 22)),
    [50, 100],
    'grass and potholes',
    'Pinfish live in the grass',
  ),
];
