/** Ids whose hyphens belong to the word. */
const HYPHENATED: Readonly<Record<string, string>> = {
  'pre-spawn': 'pre-spawn',
  'post-spawn': 'post-spawn',
  'tail-prop-topwater': 'tail-prop topwater',
  'square-bill': 'square-bill crankbait',
  'flat-sided-crankbait': 'flat-sided crankbait',
  'wide-wobble-crankbait': 'wide-wobble crankbait',
  'medium-diver': 'medium-diving crankbait',
  'deep-diver': 'deep-diving crankbait',
  'texas-creature': 'Texas-rigged creature',
  'wacky-stick-worm': 'wacky stick worm',
  'carolina-rig': 'Carolina rig',
  'mushroom-head-worm': 'mushroom-head worm',
  'dense-craw': 'dense weightless craw',
  'paddle-tail-swimbait': 'paddle-tail swimbait',
  'ribbon-tail-worm': 'ribbon-tail worm',
  'popping-cork-shrimp': 'popping cork and shrimp',
  'jighead-paddle-tail': 'paddle tail on a jighead',
  'jighead-jerk-shad': 'jerk shad on a jighead',
  'jighead-shrimp': 'shrimp on a light jighead',
  'yo-yo': 'yo-yo',
  'slow-roll': 'slow-roll',
  'stop-and-go': 'stop-and-go',
  'run-off': 'run-off',
  'post-frontal': 'just gone through',
  'main-lake-point': 'main-lake point',
  'big-fish': 'big fish',
  'medium-heavy': 'medium-heavy',
  'medium-light': 'medium-light',
  'moderate-fast': 'moderate-fast',
  'moderate-slow': 'moderate-slow',
};

/** An id in words: `secondary-point` is "secondary point". */
export const nameOf = (id: string): string => HYPHENATED[id] ?? id.replaceAll('-', ' ');

/** What has no plural of its own. */
const UNCOUNTED: ReadonlySet<string> = new Set(['riprap', 'open-water', 'inflow']);

/** An id in words, several of it: `secondary points`, `passes`, `ditches`. */
export const pluralOf = (id: string): string =>
  UNCOUNTED.has(id) ? nameOf(id) : `${nameOf(id)}${/(?:s|sh|ch|x)$/.test(id) ? 'es' : 's'}`;

/** The first letter of a sentence as a capital. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
