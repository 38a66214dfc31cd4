import {
  BASS_SPECIES,
  COLOUR_FAMILIES,
  FORAGE_KINDS,
  INSHORE_SPECIES,
  SOUNDS,
  SPECIES,
  TONES,
  type Conditions,
} from '@inky-shoal/core';
import {
  FISH_LENGTH_MM,
  TIED_ON,
  type Catch,
  type FishState,
  type Hooked,
  type TiedOn,
} from '@inky-shoal/core/underway';
import { choices } from '../ui/choices';
import type { FieldSpec } from '../ui/fields.component';

/** What is told of a fish beside its size, as fields hold it: what was tied on stands among the rest. */
export type FishValues = Readonly<Record<string, unknown>>;

const HOOKED_NAMES: Readonly<Record<Hooked, string>> = {
  lip: 'in the lip',
  roof: 'in the roof of the mouth',
  deep: 'deep',
  outside: 'outside',
};
const STATE_NAMES: Readonly<Record<FishState, string>> = {
  male: 'male',
  'full-of-eggs': 'full of eggs',
  spent: 'spent',
};
const TIED: readonly (keyof TiedOn)[] = [
  'pieceId',
  'weightG',
  'sizeMm',
  'tone',
  'colour',
  'sound',
  'lineLb',
  'leaderLb',
];
const PLAIN = ['species', 'girthMm', 'hooked', 'state', 'throat', 'whose', 'note'] as const;
/** Begins the keys of what was tied on, so that a lure's weight is not a fish's. */
const TIED_KEY = 'tied:';

const named = (names: Readonly<Record<string, string>>) => Object.entries(names).map(([id, name]) => ({ id, name }));

/** What more may be told of a fish; of a kind of fishing that is known only its own fish. */
export function fishFields(discipline: Conditions['discipline'] | undefined): FieldSpec[] {
  const species = discipline === undefined ? SPECIES : discipline === 'bass' ? BASS_SPECIES : INSHORE_SPECIES;
  const none = 'not said';
  return [
    { key: 'species', label: 'Kind', kind: 'one', choices: choices(species), none },
    { key: 'girthMm', label: 'Girth', kind: 'figure', measure: 'fishLength', bounds: FISH_LENGTH_MM },
    { key: 'hooked', label: 'Hooked', kind: 'one', choices: named(HOOKED_NAMES), none },
    { key: 'state', label: 'It was', kind: 'one', choices: named(STATE_NAMES), none },
    { key: 'throat', label: 'From its throat', kind: 'one', choices: choices(FORAGE_KINDS), none },
    { key: 'whose', label: 'Whose fish, if not yours', kind: 'text' },
    { key: `${TIED_KEY}weightG`, label: 'Lure weight', kind: 'figure', measure: 'weight', bounds: TIED_ON.weightG },
    { key: `${TIED_KEY}sizeMm`, label: 'Lure length', kind: 'figure', measure: 'length', bounds: TIED_ON.sizeMm },
    { key: `${TIED_KEY}tone`, label: 'Tone', kind: 'one', choices: choices(TONES), none },
    { key: `${TIED_KEY}colour`, label: 'Colour', kind: 'one', choices: choices(COLOUR_FAMILIES), none },
    { key: `${TIED_KEY}sound`, label: 'Sound', kind: 'one', choices: choices(SOUNDS), none },
    { key: `${TIED_KEY}lineLb`, label: 'Line', kind: 'figure', measure: 'test', bounds: TIED_ON.lineLb },
    { key: `${TIED_KEY}leaderLb`, label: 'Leader', kind: 'figure', measure: 'test', bounds: TIED_ON.leaderLb },
    { key: 'note', label: 'A word of it', kind: 'long' },
  ];
}

/** What is known of a fish, as fields hold it. */
export const fishValues = (fish: Catch): FishValues => ({
  ...Object.fromEntries(PLAIN.map((key) => [key, fish[key]])),
  ...Object.fromEntries(TIED.map((key) => [TIED_KEY + key, fish.tiedOn?.[key]])),
});

/** What was tied on is this piece, with all that is known of it. */
export const withTiedOn = (values: FishValues, tiedOn: TiedOn): FishValues => ({
  ...values,
  ...Object.fromEntries(TIED.map((key) => [TIED_KEY + key, tiedOn[key]])),
});

/** The owned piece that was tied on, by its id. */
export const pieceOf = (values: FishValues): string => (values[`${TIED_KEY}pieceId`] as string | undefined) ?? '';

/** A field says something else: a lure whose own figures are other than the piece's is not that piece. */
export const withField = (values: FishValues, key: string, value: unknown): FishValues => {
  const isOther = key.startsWith(TIED_KEY) && !/(lineLb|leaderLb)$/.test(key) && value !== values[key];
  return { ...values, [key]: value, ...(isOther && { [`${TIED_KEY}pieceId`]: undefined }) };
};

const isSaid = (value: unknown): boolean => value !== undefined && value !== null && value !== '';

/** What fields say of a fish over what was known; what is emptied stays as it was known. */
export function catchOf(values: FishValues, known: Catch): Catch {
  const before = fishValues(known);
  const changed = (key: string) => (values[key] !== before[key] && isSaid(values[key]) ? values[key] : undefined);
  const tied = TIED.filter((key) => isSaid(values[TIED_KEY + key])).map((key) => [key, values[TIED_KEY + key]]);
  // What was tied on is told whole: what is taken out of it is taken out.
  const isTiedOther = TIED.some((key) => (values[TIED_KEY + key] ?? '') !== (before[TIED_KEY + key] ?? ''));
  const said = Object.fromEntries(PLAIN.map((key) => [key, changed(key)]));
  return { ...said, ...(isTiedOther && { tiedOn: Object.fromEntries(tied) as TiedOn }) } as Catch;
}
