import {
  BASS_SPECIES,
  CATEGORIES,
  INSHORE_SPECIES,
  LIMITS,
  nameOf,
  SKIES,
  STRUCTURES,
  type Water,
} from '@inky-shoal/core';
import { FISH_LENGTH_MM } from '@inky-shoal/core/underway';
import { choices } from '../ui/choices';
import type { FieldSpec, Values } from '../ui/fields.component';

const LURES = choices(CATEGORIES).sort((a, b) => a.name.localeCompare(b.name));

/** What is asked of the day of a trip of the past. */
export const DAY_FIELDS: readonly FieldSpec[] = [
  { key: 'surfaceTempC', label: 'Water', kind: 'figure', measure: 'temp', bounds: LIMITS.surfaceTempC },
  { key: 'visibilityM', label: 'Clarity', kind: 'figure', measure: 'depth', bounds: LIMITS.visibilityM },
  { key: 'sky', label: 'Sky', kind: 'one', choices: choices(SKIES), none: 'not known' },
  { key: 'windMps', label: 'Wind', kind: 'figure', measure: 'wind', bounds: LIMITS.windMps },
];

/** A lure before anything is said of it. */
export const FIRST_LURE = { bites: 0, fish: 0 } as const;

/** What is asked of each lure that was fished, on a water or on none that is known. */
export function fishedFields(water: Pick<Water, 'discipline' | 'structures'> | null): FieldSpec[] {
  const species = water?.discipline === 'inshore' ? INSHORE_SPECIES : BASS_SPECIES;
  const structures = water?.structures ?? STRUCTURES;
  return [
    { key: 'category', label: 'Lure', kind: 'one', choices: LURES, none: 'choose a lure' },
    { key: 'minutes', label: 'Fished', kind: 'figure', unit: 'minutes', bounds: [1, 1440] },
    { key: 'bites', label: 'Bites', kind: 'figure', bounds: [0, 200] },
    { key: 'fish', label: 'of them landed', kind: 'figure', bounds: [0, 200] },
    { key: 'spot', label: 'Place', kind: 'text' },
    { key: 'structure', label: 'Kind of place', kind: 'one', choices: choices(structures), none: 'not said' },
    { key: 'depthM', label: 'Depth', kind: 'figure', measure: 'depth', bounds: [0, 300] },
    { key: 'species', label: 'Fish', kind: 'one', choices: choices(species), none: 'not said' },
    { key: 'lengthMm', label: 'The longest', kind: 'figure', measure: 'fishLength', bounds: FISH_LENGTH_MM },
  ];
}

/** What a lure's fields are headed with. */
export const lureName = ({ category }: Values, at: number): string =>
  typeof category === 'string' ? nameOf(category) : at ? 'Another lure' : 'What was fished';
