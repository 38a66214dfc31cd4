import type { NextPlace } from '@inky-shoal/core/underway/states';
import type { TripRow } from './trip-row.js';

/** A place as its angler calls it, with what is there and where it lies. */
export interface NamedPlace extends NextPlace {
  readonly lonLat: readonly [number, number];
}

const place = (
  id: string,
  structure: NextPlace['structure'],
  cover: NextPlace['cover'],
  depthM: readonly [number, number],
  lonLat: readonly [number, number],
): NamedPlace => ({ id, structure, cover, depthM: [...depthM], lonLat });

/** Places of Lake Ferrow that its angler goes back to. */
export const FERROW_PLACES: readonly NamedPlace[] = [
  place('Ditch bend', 'ditch', 'mixed-rock', [1.8, 4.5], [-88.4188682, 35.91402]),
  place('Ditch head', 'ditch', 'stump', [0.9, 2.4], [-88.4262, 35.9271]),
  place('Grass flat', 'flat', 'submerged-grass', [1.2, 3], [-88.4071, 35.9011]),
  place('Sallow flat', 'flat', 'stump', [0.6, 1.8], [-88.4221, 35.9187]),
  place('Long point', 'secondary-point', 'mixed-rock', [1.5, 6], [-88.3971, 35.9086]),
  place('Second point', 'secondary-point', 'submerged-grass', [1.2, 4], [-88.3982, 35.9158]),
  place('Brindle point', 'secondary-point', 'stump', [1.8, 7], [-88.3738, 35.9024]),
  place('Steep east bank', 'steep-bank', 'mixed-rock', [2.4, 9], [-88.3876, 35.9023]),
  place('Ledge by the laydown', 'steep-bank', 'stump', [2, 6], [-88.3811888, 35.9012971]),
  place('Marina pocket', 'pocket', 'stump', [0.6, 2.2], [-88.4077, 35.8818]),
  place('North pocket', 'pocket', 'submerged-grass', [0.8, 2.4], [-88.3691, 35.9048]),
];

/** Places of the Sound. */
export const TERN_PLACES: readonly NamedPlace[] = [
  place('First bend', 'drain-mouth', 'oyster', [0.6, 1.6], [-88.9061403, 30.1065873]),
  place('Old drain', 'drain-mouth', 'submerged-grass', [0.5, 1.4], [-88.8999, 30.1015]),
  place('Shell bar', 'oyster-bar', 'oyster', [0.4, 1.5], [-88.8953, 30.0993]),
  place('Long grass edge', 'grass-edge', 'submerged-grass', [0.6, 1.4], [-88.9099, 30.1002]),
  place('Marsh point', 'marsh-point', 'oyster', [0.5, 1.8], [-88.8926, 30.1021]),
  place('The pass', 'pass', 'oyster', [1.5, 4.5], [-88.8881, 30.0886]),
];

/** The places of a trip's water. */
export const placesOf = ({ water }: Pick<TripRow, 'water'>): readonly NamedPlace[] =>
  water === 'ferrow' ? FERROW_PLACES : TERN_PLACES;
