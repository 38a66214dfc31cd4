import type { Conditions } from '../../contract/conditions.js';
import type { Cover, ForageKind, Species, TideStage } from '../../contract/ids.js';

/** What a kind of fish likes. Working figures of the field; judgement. */
export interface SpeciesLikes {
  /** Within these it feeds as it should, degrees Celsius. */
  readonly comfortC: readonly [number, number];
  /** Beyond these it lies still, and may be in danger. */
  readonly bearsC: readonly [number, number];
  /** Practical salinity; of bass what they bear. */
  readonly salinityPsu: readonly [number, number];
  /** Stages that it feeds best in; none where it lives without a tide. */
  readonly tides: readonly TideStage[];
  readonly covers: readonly Cover[];
  readonly food: readonly ForageKind[];
}

/** The kinds of fish that are planned for. */
export const SPECIES_LIKES: Readonly<Record<Species, SpeciesLikes>> = {
  largemouth: {
    comfortC: [17, 29],
    bearsC: [4, 34],
    salinityPsu: [0, 5],
    tides: [],
    covers: ['submerged-grass', 'laydown', 'dock', 'pads', 'flooded-bush'],
    food: ['sunfish', 'shad', 'crayfish'],
  },
  smallmouth: {
    comfortC: [14, 24],
    bearsC: [3, 30],
    salinityPsu: [0, 3],
    tides: [],
    covers: ['chunk-rock', 'mixed-rock', 'gravel', 'stump'],
    food: ['crayfish', 'shad', 'herring'],
  },
  spotted: {
    comfortC: [15, 27],
    bearsC: [4, 32],
    salinityPsu: [0, 3],
    tides: [],
    covers: ['mixed-rock', 'chunk-rock', 'brush-pile', 'standing-timber'],
    food: ['shad', 'herring', 'crayfish'],
  },
  'red-drum': {
    comfortC: [15, 31],
    bearsC: [6, 35],
    salinityPsu: [2, 38],
    tides: ['falling', 'rising'],
    covers: ['oyster', 'emergent-grass', 'submerged-grass'],
    food: ['crab', 'shrimp', 'mullet'],
  },
  'spotted-seatrout': {
    comfortC: [15, 28],
    bearsC: [7, 33],
    salinityPsu: [10, 36],
    tides: ['rising', 'falling'],
    covers: ['submerged-grass', 'oyster'],
    food: ['shrimp', 'mullet', 'pinfish'],
  },
  flatfish: {
    comfortC: [13, 27],
    bearsC: [5, 32],
    salinityPsu: [5, 37],
    tides: ['falling'],
    covers: ['shell', 'oyster', 'bare'],
    food: ['mullet', 'shrimp'],
  },
  snook: {
    comfortC: [21, 31],
    bearsC: [14, 35],
    salinityPsu: [0, 38],
    tides: ['falling', 'rising'],
    covers: ['mangrove', 'dock'],
    food: ['mullet', 'pinfish', 'shrimp'],
  },
  'striped-bass': {
    comfortC: [9, 20],
    bearsC: [3, 25],
    salinityPsu: [0, 36],
    tides: ['falling', 'rising'],
    covers: ['riprap', 'mixed-rock', 'dock'],
    food: ['menhaden', 'herring', 'crab'],
  },
};

/** How a day suits a kind of fish. */
export interface SpeciesToday {
  readonly suits: 'well' | 'less' | 'badly';
  /** In which of its likes the day falls short, or outright hurts. */
  readonly short: readonly ('cold' | 'warm' | 'fresh' | 'salt' | 'cover' | 'food')[];
  /** The fish themselves are in danger: let be. */
  readonly inDanger: boolean;
}

/**
 * How the conditions of a day suit a kind of fish, by its own likes.
 * @example
 * const conditions = Conditions.parse({
 *   discipline: 'inshore',
 *   date: '2027-01-13',
 *   surfaceTempC: 11,
 *   place: { latitude: 27, longitude: -82, timeZone: 'America/New_York' },
 * });
 * speciesToday('snook', conditions).inDanger // => true
 */
export function speciesToday(
  species: Species,
  { surfaceTempC, salinityPsu, covers, forage }: Pick<Conditions, 'surfaceTempC' | 'salinityPsu' | 'covers' | 'forage'>,
): SpeciesToday {
  const likes = SPECIES_LIKES[species];
  const inDanger = surfaceTempC < likes.bearsC[0] || surfaceTempC > likes.bearsC[1];
  const short: SpeciesToday['short'][number][] = [];
  if (surfaceTempC < likes.comfortC[0]) short.push('cold');
  if (surfaceTempC > likes.comfortC[1]) short.push('warm');
  if (salinityPsu !== undefined && salinityPsu < likes.salinityPsu[0]) short.push('fresh');
  if (salinityPsu !== undefined && salinityPsu > likes.salinityPsu[1]) short.push('salt');
  if (covers?.length && !covers.some((cover) => likes.covers.includes(cover))) short.push('cover');
  if (forage?.length && !forage.some(({ kind }) => likes.food.includes(kind))) short.push('food');
  const badly = inDanger || short.some((each) => each === 'fresh' || each === 'salt');
  return { suits: badly ? 'badly' : short.length ? 'less' : 'well', short, inDanger };
}
