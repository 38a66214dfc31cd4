import { POSITIONS, type Cover, type Position, type Structure } from '../contract/ids.js';
import type { Holding, Range, Reason } from '../contract/plan.js';
import type { Facts, Known } from '../rules/facts.js';
import { fire, ranked, reasonsOf, strongest, tally, type Fired } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { PLACE_DEPTH_RULES, type DepthBand } from './depth.js';
import { COVER_DEEPEST_M, COVER_GROUND, STRUCTURE_DEPTH_M } from './places.js';
import { COVER_RULES, POSITION_RULES, STRUCTURE_RULES } from './rules.js';

/** How many holding places a window names. */
const MOST_PLACES = 3;
/** Log-weight lost where the band barely touches the depths of a structure or cover. */
export const OUT_OF_DEPTH_COST = 2.5;

/** The part of a band that a place offers, and how much of the band that is (0 to 1). */
function clip([from, to]: Range, [shallowM, deepM]: Range): { depthM: [number, number]; share: number } {
  const upper = Math.min(Math.max(from, shallowM), deepM);
  const lower = Math.max(Math.min(to, deepM), shallowM);
  const overlap = Math.max(0, lower - upper);
  const [top, low] = upper < lower ? [upper, lower] : [lower, upper];
  // A place that begins where the band ends still has some depth to it.
  const least = Math.min(deepM, top * 1.2 + 0.1);
  return { depthM: [Math.min(top, least * 0.85), Math.max(low, least)], share: overlap / Math.max(0.05, to - from) };
}

export type Votes<T extends string> = Partial<Record<T, number>>;

/** Reasons for an option, at a share of their weight. */
export const reasonsFor = <T extends string>(
  fired: readonly Fired<Votes<T>>[],
  option: T,
  units: UnitSystem,
  share = 1,
): Reason[] => reasonsOf(fired, (effect, degree) => share * degree * (effect[option] ?? 0), units);

/** A holding place with how the fish there share themselves over the water, so that no little change flips all of them. */
export interface HoldingPlace extends Holding {
  readonly positions: Readonly<Record<Position, number>>;
}

/** Positions apart by this much in their votes are told apart almost wholly. */
const POSITION_SOFTNESS = 0.12;

/** Shares of the positions by their votes (softmax), the first counting in full. */
export function shares(votes: Votes<Position>): Record<Position, number> {
  const top = Math.max(...POSITIONS.map((position) => votes[position] ?? 0));
  const share = (position: Position) => Math.exp(((votes[position] ?? 0) - top) / POSITION_SOFTNESS);
  const total = POSITIONS.reduce((sum, position) => sum + share(position), 0);
  return { surface: share('surface') / total, suspended: share('suspended') / total, bottom: share('bottom') / total };
}

/** The facts that a holding place adds for the rules after it. */
export const placeFacts = (
  place: Pick<Holding, 'structure' | 'cover' | 'position' | 'depthM'> & Partial<Pick<HoldingPlace, 'positions'>>,
): Known => ({
  [`structure:${place.structure}`]: 1,
  [`cover:${place.cover}`]: 1,
  [`ground:${COVER_GROUND[place.cover]}`]: 1,
  ...(place.positions
    ? {
        'position:surface': place.positions.surface,
        'position:suspended': place.positions.suspended,
        'position:bottom': place.positions.bottom,
      }
    : { [`position:${place.position}`]: 1 }),
  holdingDepthM: (place.depthM[0] + place.depthM[1]) / 2,
});

/**
 * The likeliest holding places of a window: every structure with every cover, weighed by the rules and by how much of
 * the depth band it offers; the best few, their weights summing to 1.
 * @param floorM no place holds deeper than this (bottom or thermocline), metres
 * @param units for the reasons; null leaves reasons out, for a search that does not read them
 */
export function holdingPlaces(
  band: DepthBand,
  structures: readonly Structure[],
  covers: readonly Cover[],
  floorM: number,
  facts: Facts,
  units: UnitSystem | null,
): HoldingPlace[] {
  const structureRules = fire(STRUCTURE_RULES, facts);
  const coverRules = fire(COVER_RULES, facts);
  const structureVotes = tally(structureRules);
  const coverVotes = tally(coverRules);
  const scored = structures.flatMap((structure) =>
    covers.map((cover) => {
      const [shallowM, deepM] = STRUCTURE_DEPTH_M[structure];
      const deepestM = Math.min(deepM, COVER_DEEPEST_M[cover] ?? Infinity, floorM);
      const leans = facts.trying([`structure:${structure}`, `cover:${cover}`], (here) => fire(PLACE_DEPTH_RULES, here));
      const factor = leans.reduce((product, { rule, degree }) => product * (1 + degree * (rule.effect - 1)), 1);
      const wanted: Range = [band.depthM[0] * factor, band.depthM[1] * factor];
      const { depthM, share } = clip(wanted, [Math.min(shallowM, deepestM), deepestM]);
      const score =
        (structureVotes[structure] ?? 0) + (coverVotes[cover] ?? 0) - OUT_OF_DEPTH_COST * (1 - Math.min(1, share));
      return { structure, cover, depthM, score, leans };
    }),
  );
  const best = scored.sort((a, b) => b.score - a.score).slice(0, MOST_PLACES);
  const top = best[0]?.score ?? 0;
  const total = best.reduce((sum, { score }) => sum + Math.exp(score - top), 0);
  return best.map(({ structure, cover, depthM, score, leans }) => {
    const here = facts.with({
      ...placeFacts({ structure, cover, depthM, position: 'bottom' }),
      'position:bottom': 0,
    });
    const positionRules = fire(POSITION_RULES, here);
    const votes = tally(positionRules);
    const position = ranked<Position>([...POSITIONS].reverse(), votes)[0] as Position;
    return {
      structure,
      cover,
      depthM,
      position,
      positions: shares(votes),
      weight: Math.exp(score - top) / total,
      because: units
        ? strongest([
            ...reasonsFor(structureRules, structure, units),
            ...reasonsFor(coverRules, cover, units),
            ...reasonsFor(positionRules, position, units, 0.5),
            ...reasonsOf(leans, (effect, degree) => degree * Math.abs(Math.log(effect)), units),
            ...band.because,
          ])
        : [],
    };
  });
}
