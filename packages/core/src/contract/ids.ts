/** Every id that crosses a border. The lists are the contract: other programs are written against them. */

export const DISCIPLINES = ['bass', 'inshore'] as const;
export const BASS_SPECIES = ['largemouth', 'smallmouth', 'spotted'] as const;
export const INSHORE_SPECIES = ['red-drum', 'spotted-seatrout', 'flatfish', 'snook', 'striped-bass'] as const;
export const SPECIES = [...BASS_SPECIES, ...INSHORE_SPECIES] as const;
export const WATER_KINDS = [
  'highland-reservoir',
  'lowland-reservoir',
  'natural-lake',
  'grass-lake',
  'pond',
  'river',
  'tidal-river',
  'estuary',
] as const;
/** The kinds of water that a discipline is fished in. */
export const KINDS_FOR = {
  bass: WATER_KINDS.filter((kind) => kind !== 'estuary'),
  inshore: ['estuary', 'tidal-river'],
} as const satisfies Record<(typeof DISCIPLINES)[number], readonly (typeof WATER_KINDS)[number][]>;
export const FAMILIARITIES = ['known', 'new'] as const;
export const GOALS = ['numbers', 'big-fish', 'balanced'] as const;
export const VISIBILITY_TRENDS = ['dropping', 'steady', 'clearing'] as const;
export const LEVELS = ['rising', 'stable', 'falling'] as const;
export const SKIES = ['clear', 'partly-cloudy', 'overcast', 'rain', 'fog'] as const;
export const FRONTS = ['stable', 'approaching', 'passing', 'post-frontal', 'recovering'] as const;
export const INFLOWS = ['none', 'warmer', 'colder'] as const;
export const FORAGE_KINDS = [
  'shad',
  'crayfish',
  'sunfish',
  'herring',
  'shrimp',
  'mullet',
  'menhaden',
  'crab',
  'pinfish',
] as const;
export const FORAGE_SEEN = ['flicking', 'chased', 'schooled-deep', 'on-banks'] as const;
export const SIGNS = [
  'birds-on-bank',
  'birds-diving',
  'bait-following',
  'surface-chasing',
  'crayfish-in-mouth',
] as const;
export const TIDE_STAGES = ['rising', 'high-slack', 'falling', 'low-slack'] as const;
export const CURRENTS = ['none', 'light', 'strong'] as const;
/** How much a water is fished. */
export const PRESSURES = ['low', 'usual', 'high'] as const;
/** What the fish themselves say of the season. */
export const FISH_SIGNS = ['small-males-shallow', 'egg-full', 'spent'] as const;
export const FEEDBACK = [
  'short-strikes',
  'follows',
  'no-bites',
  'barely-hooked',
  'strikes-at-deepest',
  'bites-stopped',
  'clustered-fish',
] as const;

export const BASS_PHASES = [
  'winter',
  'staging',
  'pre-spawn',
  'spawn',
  'post-spawn',
  'summer',
  'early-fall',
  'fall',
  'late-fall',
] as const;
export const INSHORE_PHASES = ['winter-refuge', 'spring-rise', 'summer-heat', 'fall-run'] as const;
export const PHASES = [...BASS_PHASES, ...INSHORE_PHASES] as const;
export const OVERLAYS = [
  'shad-spawn',
  'turnover',
  'cold-front',
  'run-off',
  'bait-leaving',
  'flood-on-grass',
  'cold-kill',
] as const;
export const CLARITY_CLASSES = ['muddy', 'dirty', 'stained', 'clear', 'very-clear'] as const;
export const REGIMES = ['mud-rising', 'mud-steady', 'clearing', 'murky', 'usual', 'very-clear'] as const;
export const LIGHTS = ['low', 'rising', 'high', 'falling'] as const;
export const POSITIONS = ['surface', 'suspended', 'bottom'] as const;
export const ROLES = ['search', 'reaction', 'bottom', 'finesse', 'big-fish', 'surface'] as const;
export const TONES = ['translucent', 'natural', 'muted', 'bold', 'dark'] as const;
export const COLOUR_FAMILIES = [
  'white',
  'pearl',
  'silver',
  'gold',
  'chartreuse',
  'red',
  'orange',
  'brown',
  'olive',
  'green',
  'blue',
  'black',
  'purple',
  'pink',
  'clear',
] as const;
export const BLADE_SHAPES = ['round', 'long', 'between'] as const;
export const BLADE_FINISHES = ['silver', 'gold', 'painted-white', 'painted-chartreuse', 'painted-orange'] as const;
export const RETRIEVE_STYLES = [
  'steady',
  'slow-roll',
  'burn',
  'stop-and-go',
  'twitch-pause',
  'yo-yo',
  'rip',
  'drag',
  'hop',
  'swim',
  'dead-stick',
  'shake',
  'walk',
  'pop',
  'wake',
  'lift-drop',
  'bounce-slack',
] as const;
export const SOUNDS = ['silent', 'one-knock', 'rattles'] as const;
export const NOSES = ['up', 'level', 'down'] as const;
/** What a lure that hangs does when it is left alone. */
export const HANG_BEHAVIOURS = ['slow-rise', 'neutral', 'slow-sink'] as const;
export const ROD_POWERS = ['light', 'medium-light', 'medium', 'medium-heavy', 'heavy'] as const;
export const ROD_ACTIONS = ['fast', 'moderate-fast', 'moderate', 'moderate-slow'] as const;
export const LINE_MATERIALS = ['nylon', 'fluorocarbon', 'braid'] as const;
export const SEVERITIES = ['severe', 'serious', 'advice'] as const;

export const STRUCTURES = [
  'main-lake-point',
  'secondary-point',
  'channel-swing',
  'bluff',
  'bluff-end',
  'steep-bank',
  'transition',
  'ditch',
  'flat',
  'ledge',
  'hump',
  'saddle',
  'pocket',
  'creek-back',
  'inflow',
  'hard-spot',
  'riprap',
  'dock',
  'marina',
  'dam-face',
  'open-water',
  'drain-mouth',
  'oyster-bar',
  'grass-edge',
  'pothole',
  'pass',
  'bridge',
  'trough',
  'marsh-point',
] as const;
export const COVERS = [
  'chunk-rock',
  'mixed-rock',
  'gravel',
  'clay',
  'riprap',
  'laydown',
  'stump',
  'standing-timber',
  'brush-pile',
  'flooded-bush',
  'dock',
  'submerged-grass',
  'emergent-grass',
  'pads',
  'reeds',
  'trees',
  'shell',
  'oyster',
  'mangrove',
  'bare',
] as const;
export const BASS_CATEGORIES = [
  'suspending-jerkbait',
  'flat-sided-crankbait',
  'wide-wobble-crankbait',
  'square-bill',
  'medium-diver',
  'deep-diver',
  'very-deep-diver',
  'lipless-crankbait',
  'walking-topwater',
  'popper',
  'tail-prop-topwater',
  'buzzbait',
  'hollow-frog',
  'blade-bait',
  'slab-spoon',
  'big-swimbait',
  'spinnerbait',
  'bladed-jig',
  'swim-jig',
  'flipping-jig',
  'football-jig',
  'finesse-jig',
  'hair-jig',
  'underspin',
  'umbrella-rig',
  'weightless-stick-worm',
  'wacky-stick-worm',
  'soft-jerkbait',
  'paddle-tail-swimbait',
  'texas-creature',
  'punch-rig',
  'ribbon-tail-worm',
  'carolina-rig',
  'drop-shot',
  'shaky-head',
  'mushroom-head-worm',
  'dense-craw',
] as const;
export const INSHORE_CATEGORIES = [
  'jighead-paddle-tail',
  'jighead-jerk-shad',
  'weedless-jerk-shad',
  'popping-cork-shrimp',
  'weedless-spoon',
  'suspending-twitchbait',
  'jighead-shrimp',
  'crab-imitation',
  'bucktail',
  'vertical-jig',
] as const;
export const CATEGORIES = [...BASS_CATEGORIES, ...INSHORE_CATEGORIES] as const;

/** The sides of each school: where experienced anglers disagree, the user may choose. */
export const SCHOOL_SIDES = {
  colour: ['light', 'forage', 'stand-out'],
  'mud-blade': ['round', 'long'],
  'cold-trailer': ['still', 'kicking'],
  'crank-pace': ['fast', 'stop-and-go'],
  'jerkbait-gear': ['low', 'high'],
  'jerkbait-clarity': ['clear-only', 'any'],
  claws: ['tucked', 'out'],
  size: ['small', 'large'],
  'crank-rod': ['casting', 'spinning'],
  'cold-line': ['nylon', 'fluorocarbon'],
  'dirty-crank-colour': ['bright', 'shad'],
  search: ['two-lures', 'one-pattern'],
  junk: ['pattern', 'change-freely'],
  'murky-colour': ['natural', 'loud'],
  'sound-start': ['quiet', 'loud'],
  'winter-colour': ['muted', 'crayfish', 'white'],
  'mud-lure': ['swim-jig', 'spinnerbait'],
  'forage-size': ['match', 'larger'],
  'short-strike-first': ['colour', 'trailer-hook', 'slower'],
  'deep-claws': ['none-deep', 'any'],
  'topwater-floor': ['sixty', 'early-buzzbait'],
  'bladed-jig-line': ['fluorocarbon', 'braid'],
  'after-front': ['stay', 'drop'],
  patience: ['move', 'several-casts', 'circle-back'],
} as const;
export const SCHOOL_IDS = Object.keys(SCHOOL_SIDES) as SchoolId[];

export type Discipline = (typeof DISCIPLINES)[number];
export type Species = (typeof SPECIES)[number];
export type WaterKind = (typeof WATER_KINDS)[number];
export type TideStage = (typeof TIDE_STAGES)[number];
export type Sky = (typeof SKIES)[number];
export type Front = (typeof FRONTS)[number];
export type Current = (typeof CURRENTS)[number];
export type Pressure = (typeof PRESSURES)[number];
export type FishSign = (typeof FISH_SIGNS)[number];
export type Sound = (typeof SOUNDS)[number];
export type Nose = (typeof NOSES)[number];
export type HangBehaviour = (typeof HANG_BEHAVIOURS)[number];
export type RodPower = (typeof ROD_POWERS)[number];
export type RodAction = (typeof ROD_ACTIONS)[number];
export type LineMaterial = (typeof LINE_MATERIALS)[number];
export type Feedback = (typeof FEEDBACK)[number];
export type Level = (typeof LEVELS)[number];
export type ForageKind = (typeof FORAGE_KINDS)[number];
export type Phase = (typeof PHASES)[number];
export type OverlayId = (typeof OVERLAYS)[number];
export type ClarityClass = (typeof CLARITY_CLASSES)[number];
export type Regime = (typeof REGIMES)[number];
export type Light = (typeof LIGHTS)[number];
export type Position = (typeof POSITIONS)[number];
export type Role = (typeof ROLES)[number];
export type Tone = (typeof TONES)[number];
export type ColourFamily = (typeof COLOUR_FAMILIES)[number];
export type BladeShape = (typeof BLADE_SHAPES)[number];
export type BladeFinish = (typeof BLADE_FINISHES)[number];
export type RetrieveStyle = (typeof RETRIEVE_STYLES)[number];
export type Severity = (typeof SEVERITIES)[number];
export type Structure = (typeof STRUCTURES)[number];
export type Cover = (typeof COVERS)[number];
export type CategoryId = (typeof CATEGORIES)[number];
export type SchoolId = keyof typeof SCHOOL_SIDES;
export type SchoolSide = (typeof SCHOOL_SIDES)[SchoolId][number];

/** What a chart can know of a spot beyond its structure and cover. */
export const SPOT_TRAITS = [
  'wind-blown',
  'beside-flat',
  'beside-channel',
  'deep-at-hand',
  'shade',
  'arm-back',
  'arm-middle',
  'arm-mouth',
] as const;
export type SpotTrait = (typeof SPOT_TRAITS)[number];
