import { capital, nameOf } from '../contract/names.js';
import type { TideStage } from '../contract/ids.js';
import type { Fishing, LureChange, NoteTide } from '../contract/trips.js';
import type { TideOfMoment } from './moment.js';
import type { WayOut } from './way-out.js';
import type { Candidate, EvidenceAttribute } from './evidence/fished.js';
import type { Mattering, Move } from './evidence/moves.js';
import { say, type UnitSystem } from '../units/units.js';

/** A change of the lure as it is called. */
export const TRIM_WORDS: Readonly<Record<LureChange, string>> = {
  brighter: 'a brighter colour',
  'more-natural': 'a more natural colour',
  smaller: 'a smaller one',
  'trailer-hook': 'a trailer hook or a shorter trailer',
};

/** A place by its name, or by what it is. */
export const placeWords = ({ spot, structure, cover }: Pick<Fishing, 'spot' | 'structure' | 'cover'>): string =>
  spot ?? [structure, cover].flatMap((each) => (each ? [nameOf(each)] : [])).join(', ');

const depthWords = (depthM: number, units: UnitSystem): string =>
  depthM <= 0.15 ? 'on top' : `at ${say('depth', depthM, units)}`;

/** What is fished in a line: `suspending jerkbait at 5 ft, a brighter colour`. */
export const fishingWords = ({ category, depthM, trim, unsaid }: Fishing, units: UnitSystem): string =>
  [
    `${nameOf(category)}${unsaid?.includes('depthM') ? '' : ` ${depthWords(depthM, units)}`}`,
    ...(trim ? [TRIM_WORDS[trim]] : []),
  ].join(', ');

/** What one does next, as one would say it across the boat. */
export function moveWords(move: Move, from: Fishing | null, to: Fishing, units: UnitSystem): string {
  switch (move) {
    case 'stay':
      return 'Stay, and go on as you are.';
    case 'turn-back':
      return 'Turn round and cover it again.';
    case 'change-pace':
      return `${from && to.paceMps < from.paceMps ? 'Slower' : 'Faster'}: about ${say('speed', to.paceMps, units)}, pauses included.`;
    case 'change-depth':
      return `${from && to.depthM < from.depthM ? 'Come up' : 'Go deeper'}: ${say('depth', to.depthM, units)}.`;
    case 'change-trim':
      return `Change one thing: ${to.trim ? TRIM_WORDS[to.trim] : 'as it was advised'}.`;
    case 'change-lure':
      return `Take up the ${fishingWords(to, units)}.`;
    case 'move':
      return from === null
        ? `Begin with the ${fishingWords(to, units)}${placeWords(to) ? `: ${placeWords(to)}` : ''}.`
        : `Move on${placeWords(to) ? ` to ${placeWords(to)}` : ''}: ${fishingWords(to, units)}.`;
  }
}

const STAGE_WORDS: Readonly<Record<TideStage, string>> = {
  rising: 'Tide rising',
  'high-slack': 'Slack at high water',
  falling: 'Tide falling',
  'low-slack': 'Slack at low water',
};

/** The tide of a moment in a line: `Tide falling, low water in 2 h 11`. */
export const tideWords = ({ stage, next }: TideOfMoment): string =>
  next ? `${STAGE_WORDS[stage]}, ${next.kind} water in ${sayStretch(next.inMin * 60_000)}` : STAGE_WORDS[stage];

const STAGE_OF_NOTE: Readonly<Record<TideStage, string>> = {
  rising: 'on the flood',
  'high-slack': 'slack at high water',
  falling: 'on the fall',
  'low-slack': 'slack at low water',
};

/** The tide of a note: `on the fall, 2 h 11 before low water`. */
export const noteTideWords = ({ stage, next, inMin }: NoteTide): string =>
  STAGE_OF_NOTE[stage] +
  (next && inMin !== undefined && (stage === 'rising' || stage === 'falling')
    ? `, ${sayStretch(inMin * 60_000)} before ${next} water`
    : '');

/** Sooner than this the way out is spoken of. */
const SPOKEN_MIN = 60;

/** The way out of a stop in a line; null where there is time enough. */
export function wayOutWords({ isOpen, changesInMin }: WayOut): string | null {
  if (!isOpen) {
    const opens = changesInMin === null ? 'when the tide has risen' : `in ${sayStretch(changesInMin * 60_000)}`;
    return `The way out is shut; it opens ${opens}.`;
  }
  if (changesInMin === null || changesInMin > SPOKEN_MIN) return null;
  return `The way out shuts in ${sayStretch(changesInMin * 60_000)}.`;
}

const LIGHT_WORDS = { low: 'low light', rising: 'the morning', high: 'high sun', falling: 'the afternoon' } as const;

function attributeWords(attribute: EvidenceAttribute, of: Candidate, units: UnitSystem): string {
  switch (attribute) {
    case 'spot':
      return of.spot ?? 'this place';
    case 'structure':
    case 'cover':
      return capital(nameOf(of[attribute] ?? 'this ground'));
    case 'depth':
      return of.depthM <= 0.15 ? 'On top' : `Depth near ${say('depth', of.depthM, units)}`;
    case 'category':
      return capital(nameOf(of.category));
    case 'trim':
      return of.trim ? capital(TRIM_WORDS[of.trim as LureChange]) : 'As advised';
    case 'pace':
      return `Pace near ${say('speed', of.paceMps, units)}`;
    case 'light':
      return capital(LIGHT_WORDS[of.light]);
    case 'tide':
      return of.tide ? STAGE_WORDS[of.tide] : 'This tide';
  }
}

/** A factor with one decimal, or two where it is small. */
const timesWords = (times: number): string => (times < 0.95 ? times.toFixed(2) : times.toFixed(1));

/** How much something mattered so far, with the range in which it lies in four cases of five. */
export const matteringWords = ({ attribute, of, times, low, high }: Mattering, units: UnitSystem): string =>
  `${attributeWords(attribute, of, units)}: ${timesWords(times)} times the bites, likely ${timesWords(low)} to ${timesWords(high)}.`;

/** A stretch of time: `2 h 31`, `12 min`. */
export function sayStretch(ms: number): string {
  const minutes = Math.max(0, Math.floor(ms / 60_000 + 1e-6));
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}

/** Bites an hour of which nothing is left in the first decimal. */
const NOTHING = 0.05;

/** Bites an hour as a figure. */
export const rateWords = (perHour: number): string =>
  perHour < NOTHING ? '0' : perHour < 10 ? perHour.toFixed(1) : perHour.toFixed(0);

/** Odds as one says them: `7 in 10`. */
export const oddsWords = (odds: number): string => {
  const tenths = Math.round(odds * 10);
  return tenths >= 10 ? 'better than 9 in 10' : tenths <= 0 ? 'less than 1 in 10' : `${tenths} in 10`;
};
