import type { Competition } from '../contract/competition.js';
import type { Species } from '../contract/ids.js';
import { WAYS, type Way, type WayBelief } from './belief.js';
import { weightOfLengthG, weightPower } from './weigh.js';

/** How long fish are that a day of such fishing brings as a rule, millimetres. Judgement. */
const USUAL_MM: Record<Species, number> = {
  largemouth: 370,
  smallmouth: 370,
  spotted: 340,
  'red-drum': 600,
  'spotted-seatrout': 430,
  flatfish: 400,
  snook: 650,
  'striped-bass': 600,
};
/** The least that counts is passed by so much on the way to what is usual. Judgement. */
const OVER_MINIMUM = 1.06;

interface Expected {
  /** Fish that count, an hour, and how firmly: as if so many had come. */
  readonly fishAnHour: number;
  readonly fish: number;
  /** Lengths beside what is usual, and their spread as a logarithm. */
  readonly longer: number;
  readonly logSd: number;
}

/**
 * Before anything is known of the day: a limit comes slowly, a big fish more slowly still, and days differ by two thirds
 * of that and three quarters. Judgement.
 */
const EXPECTED: Record<Way, Expected> = {
  limit: { fishAnHour: 0.75, fish: 2.4, longer: 1, logSd: 0.1 },
  big: { fishAnHour: 0.25, fish: 1.8, longer: 1.3, logSd: 0.13 },
};
/** So many fish the prior knows sizes by: their mean, and how they spread. */
const SIZE_STRENGTH = 3;
const SIZE_SHAPE = 3;

/** The least size that counts, in what the competition counts; 0 where any does. */
export const leastOf = ({ by, minimumMm }: Competition, species: Species): number =>
  minimumMm === undefined ? 0 : by === 'length' ? minimumMm : weightOfLengthG(species, minimumMm);

/** What is believed of both ways before any fishing is told. */
export function expected(rules: Competition, species: Species): Record<Way, WayBelief> {
  const usualMm = Math.max(USUAL_MM[species], OVER_MINIMUM * (rules.minimumMm ?? 0));
  const of = (way: Way): WayBelief => {
    const { fishAnHour, fish, longer, logSd } = EXPECTED[way];
    const lengthMm = usualMm * longer;
    const [size, spread] =
      rules.by === 'length' ? [lengthMm, logSd] : [weightOfLengthG(species, lengthMm), logSd * weightPower(species)];
    return {
      fish,
      hours: fish / fishAnHour,
      size: {
        logMean: Math.log(size),
        strength: SIZE_STRENGTH,
        shape: SIZE_SHAPE,
        scatter: (SIZE_SHAPE - 1) * spread ** 2,
      },
    };
  };
  return Object.fromEntries(WAYS.map((way) => [way, of(way)])) as Record<Way, WayBelief>;
}
