import type { Sky } from '../contract/ids.js';
import { roundedAs, say, type UnitSystem } from '../units/units.js';
import type { MorningChange } from './draw.js';

/** What can be measured or seen at the ramp in two minutes. */
export const ASKED_AT_RAMP = ['surfaceTempC', 'visibilityM', 'windMps', 'sky', 'level', 'bait'] as const;
export type AskedAtRamp = (typeof ASKED_AT_RAMP)[number];

/** A question with two answers: whether a figure is over a bound. */
export interface Question {
  readonly of: AskedAtRamp;
  /** In the core's unit; of the sky how dark it is, of the level 0.5, of bait how plain it is to see. */
  readonly over: number;
}

/** Skies from the brightest to the darkest. */
const DARKNESS: Readonly<Record<Sky, number>> = { clear: 0, 'partly-cloudy': 1, fog: 2, overcast: 2, rain: 3 };

/** Bait as it is seen: none, deep on the depth sounder, at the top. */
function baitSeen({ forage = [] }: MorningChange): number {
  const seen = new Set(forage.flatMap((each) => each.seen ?? []));
  if (seen.has('chased') || seen.has('flicking')) return 2;
  return seen.size ? 1 : 0;
}

/** A condition as a figure that a question can be asked of. */
export function figureOfMorning(change: MorningChange, of: AskedAtRamp): number {
  if (of === 'sky') return DARKNESS[change.sky];
  if (of === 'bait') return baitSeen(change);
  return of === 'level' ? Number(change.level === 'rising') : change[of];
}

export const isOver = ({ of, over }: Question, change: MorningChange): boolean => figureOfMorning(change, of) > over;

/** Bounds that are tried of a figure. */
const MOST_BOUNDS = 14;
const MEASURES = { surfaceTempC: 'temp', visibilityM: 'depth', windMps: 'wind' } as const;

/** Questions that part some mornings, at figures that an angler would ask with. */
export function questionsOn(changes: readonly MorningChange[], units: UnitSystem): Question[] {
  return ASKED_AT_RAMP.flatMap((of): Question[] => {
    const values = changes.map((change) => figureOfMorning(change, of)).sort((a, b) => a - b);
    const [least, most] = [values[0] ?? 0, values.at(-1) ?? 0];
    if (least === most) return [];
    if (of === 'sky' || of === 'level' || of === 'bait') {
      return [...new Set(values)].slice(0, -1).map((value) => ({ of, over: value + 0.5 }));
    }
    const bounds = Array.from({ length: MOST_BOUNDS }, (_, at) => {
      const value = values[Math.floor(((at + 1) / (MOST_BOUNDS + 1)) * values.length)] as number;
      return roundedAs(MEASURES[of], value, units);
    });
    return [...new Set(bounds)].filter((bound) => bound >= least && bound < most).map((over) => ({ of, over }));
  });
}

const SKY_WORDS: readonly (readonly [over: string, under: string])[] = [
  ['any cloud', 'a clear sky'],
  ['overcast or rain', 'sun between the clouds'],
  ['rain', 'no rain'],
];

/** The two answers of a question in words, the one over its bound first: `water over 57 °F`, `water up to 57 °F`. */
export function answerWords({ of, over }: Question, units: UnitSystem): readonly [over: string, under: string] {
  switch (of) {
    case 'surfaceTempC':
      return [`water over ${say('temp', over, units)}`, `water up to ${say('temp', over, units)}`];
    case 'visibilityM':
      return [`you see over ${say('depth', over, units)}`, `you see up to ${say('depth', over, units)}`];
    case 'windMps':
      return [`wind over ${say('wind', over, units)}`, `wind up to ${say('wind', over, units)}`];
    case 'sky':
      return SKY_WORDS[Math.floor(over)] ?? ['a darker sky', 'a brighter sky'];
    case 'level':
      return ['the water is rising', 'the water is not rising'];
    case 'bait':
      return over > 1 ? ['bait is chased at the top', 'no bait is chased'] : ['bait about', 'no bait about'];
  }
}

/** What is read or looked at for a question. */
export const READ_WORDS: Readonly<Record<AskedAtRamp, string>> = {
  surfaceTempC: 'the water temperature',
  visibilityM: 'how far down you see',
  windMps: 'the wind',
  sky: 'the sky',
  level: 'the level',
  bait: 'whether bait is about',
};
