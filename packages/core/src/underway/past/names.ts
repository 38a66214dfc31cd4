import { CATEGORIES, SPECIES, type CategoryId, type Species } from '../../contract/ids.js';
import { nameOf } from '../../contract/names.js';

/** Words in one form: small letters, no signs, no plural, what says nothing left out. */
const bare = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^\p{L}\d]+/gu, ' ')
    .replace(/\b(?:baits?|lures?|rigged|rigs?|style|the|a|with)\b/g, ' ')
    .split(' ')
    .filter(Boolean)
    .map((word) => (word.length > 3 ? word.replace(/s$/, '') : word))
    .join(' ');

/** What else anglers call a lure. Only what means one category: a plain "jig" or "worm" is asked for. */
const ALSO: readonly (readonly [CategoryId, readonly string[]])[] = [
  ['suspending-jerkbait', ['jerkbait', 'hard jerkbait', 'suspending minnow']],
  ['flat-sided-crankbait', ['flat side', 'flat sided', 'flat sided crank']],
  ['wide-wobble-crankbait', ['wide wobbler', 'craw crank', 'wide wobble crank']],
  ['square-bill', ['squarebill', 'squarebill crankbait', 'square bill crank', 'shallow crank']],
  ['medium-diver', ['medium diver', 'medium diving crank', 'mid depth crank']],
  ['deep-diver', ['deep diver', 'deep crank', 'deep crankbait', 'deep diving crank']],
  ['very-deep-diver', ['very deep crank', 'very deep crankbait', 'big deep diver']],
  ['lipless-crankbait', ['lipless', 'lipless crank']],
  ['walking-topwater', ['walking bait', 'walker', 'stickbait topwater', 'topwater walker']],
  ['tail-prop-topwater', ['prop bait', 'tail prop']],
  ['buzzbait', ['buzz bait', 'buzzer']],
  ['hollow-frog', ['frog', 'hollow body frog', 'topwater frog']],
  ['blade-bait', ['blade bait', 'blade', 'metal blade']],
  ['slab-spoon', ['slab', 'jigging spoon', 'flutter spoon']],
  ['big-swimbait', ['big swimbait', 'glide bait', 'glidebait']],
  ['bladed-jig', ['bladed swim jig', 'vibrating jig']],
  ['flipping-jig', ['flip jig', 'pitching jig']],
  ['hair-jig', ['hair', 'marabou jig']],
  ['umbrella-rig', ['umbrella', 'castable umbrella']],
  ['weightless-stick-worm', ['stick worm', 'weightless worm', 'weightless stick bait', 'soft stick bait']],
  ['wacky-stick-worm', ['wacky', 'wacky worm', 'wacky rig', 'wacky stick bait']],
  ['soft-jerkbait', ['soft jerk bait', 'soft jerk']],
  ['paddle-tail-swimbait', ['swimbait', 'paddle tail', 'small swimbait']],
  ['texas-creature', ['texas rig', 't rig', 'creature', 'creature bait', 'texas rigged worm']],
  ['punch-rig', ['punch', 'punching']],
  ['ribbon-tail-worm', ['ribbon tail', 'big worm', 'ten inch worm']],
  ['carolina-rig', ['c rig', 'carolina']],
  ['drop-shot', ['dropshot', 'drop shot worm']],
  ['shaky-head', ['shakey head', 'shaky', 'shaky head worm']],
  ['mushroom-head-worm', ['mushroom head', 'mushroom jig worm']],
  ['jighead-paddle-tail', ['jighead paddletail', 'jig head paddle tail']],
  ['jighead-jerk-shad', ['jig head jerk shad', 'jighead jerkbait']],
  ['weedless-jerk-shad', ['weedless soft jerk shad', 'jerk shad']],
  ['popping-cork-shrimp', ['popping cork', 'cork', 'cork and shrimp']],
  ['weedless-spoon', ['gold spoon', 'weedless gold spoon']],
  ['suspending-twitchbait', ['twitchbait', 'twitch bait']],
  ['jighead-shrimp', ['shrimp on jig', 'jighead and shrimp', 'shrimp jig']],
  ['crab-imitation', ['crab', 'soft crab']],
  ['bucktail', ['bucktail jig']],
  ['vertical-jig', ['metal jig', 'speed jig', 'knife jig']],
];

const KINDS: readonly (readonly [Species, readonly string[]])[] = [
  ['largemouth', ['largemouth bass', 'lmb', 'lm', 'green bass', 'bass', 'black bass']],
  ['smallmouth', ['smallmouth bass', 'smb', 'sm', 'brown bass', 'bronzeback']],
  ['spotted', ['spotted bass', 'spot', 'kentucky', 'kentucky bass']],
  ['red-drum', ['redfish', 'red', 'drum', 'channel bass']],
  ['spotted-seatrout', ['speckled trout', 'speck', 'seatrout', 'sea trout', 'spotted trout']],
  ['flatfish', ['flounder', 'fluke', 'halibut', 'summer flounder', 'southern flounder']],
  ['snook', ['common snook']],
  ['striped-bass', ['striper', 'rockfish', 'striped bass', 'stripe bass']],
];

const table = <Id extends string>(ids: readonly Id[], also: readonly (readonly [Id, readonly string[]])[]) =>
  new Map<string, Id>([
    ...also.flatMap(([id, names]) => names.map((name): [string, Id] => [bare(name), id])),
    ...ids.flatMap((id): [string, Id][] => [
      [bare(id), id],
      [bare(nameOf(id)), id],
    ]),
  ]);
const LURES = table<CategoryId>(CATEGORIES, ALSO);
const SPECIES_NAMED = table<Species>(SPECIES, KINDS);

/** Colours and sizes that stand before a lure's name are passed over from the left, as long as something is left. */
function found<Id>(known: ReadonlyMap<string, Id>, words: string): Id | undefined {
  const parts = bare(words).split(' ');
  for (let from = 0; from < parts.length; from++) {
    const id = known.get(parts.slice(from).join(' '));
    if (id !== undefined) return id;
  }
  return undefined;
}

/**
 * The category that a lure's name means; undefined where it may mean several, or none.
 * @example
 * lureNamed('Squarebill') // => 'square-bill'
 * lureNamed('jig') // => undefined
 */
export const lureNamed = (words: string): CategoryId | undefined => found(LURES, words);

/** The species that a fish's name means; undefined where none of those that are planned for is meant. */
export const speciesNamed = (words: string): Species | undefined => SPECIES_NAMED.get(bare(words));

/** A lure's name in the form under which what it means is remembered. */
export const lureKey = bare;
