import {
  BASS_SPECIES,
  COVERS,
  FAMILIARITIES,
  FEEDBACK,
  FORAGE_KINDS,
  FORAGE_SEEN,
  CURRENTS,
  FISH_SIGNS,
  FRONTS,
  GOALS,
  INFLOWS,
  INSHORE_SPECIES,
  LEVELS,
  PRESSURES,
  SIGNS,
  SKIES,
  STRUCTURES,
  TIDE_STAGES,
  VISIBILITY_TRENDS,
  type ConditionsInput,
  type Discipline,
  type Measure,
} from '@inky-shoal/core';
import { FRONT_WORDS, LEVEL_WORDS } from '../words';

/** One word of the sentence: the field it says, the words around it, and the control it opens. */
export interface ConditionWord {
  readonly field: keyof ConditionsInput;
  readonly label: string;
  readonly before?: string;
  readonly after?: string;
  readonly control:
    | 'date'
    | 'hours'
    | 'quantity'
    | 'number'
    | 'trend'
    | 'wind'
    | 'choice'
    | 'list'
    | 'forage'
    | 'bait-length'
    | 'bait-seen'
    | 'tide'
    | 'flag';
  readonly measure?: Measure;
  readonly step?: number;
  readonly ids?: readonly string[];
  /** Words for ids that do not say themselves. */
  readonly names?: Readonly<Record<string, string>>;
  /** What stands where nothing is chosen. */
  readonly none?: string;
  /** Said on a phone only when the rest is asked for. */
  readonly rest?: true;
  /** Said only when the rest is asked for, or once it is known: few days turn on it. */
  readonly seldom?: true;
  /** The unit of a bare number. */
  readonly unit?: string;
  /** The unit in words, over its field. */
  readonly unitName?: string;
  readonly only?: Discipline;
  /** Whether there is something that it tells more of. */
  readonly when?: (input: ConditionsInput) => boolean;
}

/** How much a water is fished, in words. */
const PRESSURE_WORDS = { low: 'little fished', usual: 'as usual', high: 'fished hard' };

/** What a question that is answered by yes or no offers. */
export const YES_NO = ['yes', 'no'] as const;

/** The conditions in the order in which they are said. */
export const CONDITION_WORDS: readonly ConditionWord[] = [
  { field: 'date', label: 'Day', control: 'date', after: ',' },
  { field: 'window', label: 'Hours on the water', control: 'hours', after: '.' },
  {
    field: 'surfaceTempC',
    label: 'Water temperature',
    before: 'Water',
    control: 'quantity',
    measure: 'temp',
    after: ',',
  },
  {
    field: 'tempTrendCPerDay',
    label: 'Trend of the water',
    control: 'trend',
    measure: 'tempChange',
    step: 0.1,
    after: '.',
  },
  {
    field: 'visibilityM',
    label: 'Clarity today',
    before: 'Clarity',
    control: 'quantity',
    measure: 'depth',
    step: 0.5,
    after: ',',
  },
  {
    field: 'normalVisibilityM',
    label: 'Usual clarity here',
    before: 'usually',
    control: 'quantity',
    measure: 'depth',
    step: 0.5,
    after: ',',
    rest: true,
  },
  {
    field: 'visibilityTrend',
    label: 'Clarity is',
    control: 'choice',
    ids: VISIBILITY_TRENDS,
    names: { dropping: 'getting dirtier' },
    after: '.',
    rest: true,
  },
  { field: 'sky', label: 'Sky', before: 'Sky', control: 'choice', ids: SKIES, after: ',', rest: true },
  { field: 'windMps', label: 'Wind', before: 'wind', control: 'wind', measure: 'wind', after: ',', rest: true },
  { field: 'front', label: 'Front', control: 'choice', ids: FRONTS, names: FRONT_WORDS, after: '.', rest: true },
  {
    field: 'level',
    label: 'Level',
    before: 'Level',
    control: 'choice',
    ids: LEVELS,
    names: LEVEL_WORDS,
    after: '.',
    rest: true,
  },
  {
    field: 'tide',
    label: 'Tide',
    before: 'Tide',
    control: 'tide',
    ids: TIDE_STAGES,
    after: '.',
    rest: true,
    only: 'inshore',
  },
  {
    field: 'inflow',
    label: 'Inflow',
    before: 'Inflow',
    control: 'choice',
    ids: INFLOWS,
    names: { warmer: 'warmer than the water', colder: 'colder than the water' },
    after: ',',
    rest: true,
    seldom: true,
  },
  {
    field: 'salinityPsu',
    label: 'Salinity',
    before: 'salinity',
    control: 'number',
    unit: 'psu',
    unitName: 'Parts in a thousand',
    none: 'not known',
    after: ',',
    rest: true,
    seldom: true,
    only: 'inshore',
  },
  {
    field: 'thermoclineM',
    label: 'Thermocline',
    before: 'thermocline',
    control: 'quantity',
    measure: 'depth',
    none: 'not known',
    after: '.',
    rest: true,
    seldom: true,
  },
  { field: 'structures', label: 'Places', before: 'Places', control: 'list', ids: STRUCTURES, after: '.', rest: true },
  { field: 'covers', label: 'Cover', before: 'Cover', control: 'list', ids: COVERS, after: '.', rest: true },
  {
    field: 'coverTopDepthM',
    label: 'Water over the cover',
    before: 'Over it',
    control: 'quantity',
    measure: 'depth',
    step: 0.5,
    none: 'not known',
    after: ' of water,',
    rest: true,
    seldom: true,
  },
  {
    field: 'bankSlopeDeg',
    label: 'Slope of the banks',
    before: 'banks of',
    control: 'number',
    unit: '°',
    unitName: 'Degrees from level',
    none: 'any slope',
    after: '.',
    rest: true,
    seldom: true,
  },
  {
    field: 'maxDepthM',
    label: 'Deepest water',
    before: 'Deepest',
    control: 'quantity',
    measure: 'depth',
    none: 'not known',
    after: '.',
    rest: true,
    seldom: true,
  },
  {
    field: 'forage',
    label: 'Bait',
    before: 'Bait',
    control: 'forage',
    ids: FORAGE_KINDS,
    none: 'not seen',
    after: ',',
    rest: true,
  },
  {
    field: 'forage',
    label: 'Length of the bait',
    before: 'of',
    control: 'bait-length',
    measure: 'length',
    step: 0.5,
    none: 'any length',
    after: ',',
    rest: true,
    when: ({ forage }) => !!forage?.length,
  },
  {
    field: 'forage',
    label: 'What the bait does',
    before: 'it is',
    control: 'bait-seen',
    ids: FORAGE_SEEN,
    none: 'doing nothing one saw',
    after: ',',
    rest: true,
    when: ({ forage }) => !!forage?.length,
  },
  {
    field: 'signs',
    label: 'Signs',
    before: 'signs',
    control: 'list',
    ids: SIGNS,
    none: 'none',
    after: '.',
    rest: true,
  },
  {
    field: 'fishSigns',
    label: 'What fish in hand show',
    before: 'Fish in hand:',
    control: 'list',
    ids: FISH_SIGNS,
    none: 'none yet',
    after: '.',
    rest: true,
  },
  {
    field: 'feedback',
    label: 'What they did so far',
    before: 'So far',
    control: 'list',
    ids: FEEDBACK,
    none: 'no answer',
    after: '.',
    rest: true,
    seldom: true,
  },
  {
    field: 'current',
    label: 'Current',
    before: 'Current',
    control: 'choice',
    ids: CURRENTS,
    after: ',',
    rest: true,
  },
  {
    field: 'leaves',
    label: 'Leaves on the water',
    before: 'leaves',
    control: 'flag',
    ids: YES_NO,
    after: ',',
    rest: true,
  },
  {
    field: 'pressure',
    label: 'Fishing pressure',
    before: 'fishing pressure',
    names: PRESSURE_WORDS,
    control: 'choice',
    ids: PRESSURES,
    after: '.',
    rest: true,
  },
  {
    field: 'species',
    label: 'Species',
    before: 'Species:',
    control: 'choice',
    ids: BASS_SPECIES,
    after: '.',
    rest: true,
    only: 'bass',
  },
  {
    field: 'species',
    label: 'Species',
    before: 'Species:',
    control: 'choice',
    ids: INSHORE_SPECIES,
    after: '.',
    rest: true,
    only: 'inshore',
  },
  {
    field: 'goal',
    label: 'You want',
    before: 'For',
    control: 'choice',
    ids: GOALS,
    names: { numbers: 'bites', 'big-fish': 'one big fish', balanced: 'bites and size alike' },
    rest: true,
  },
  {
    field: 'familiarity',
    label: 'The water is',
    before: 'on',
    control: 'choice',
    ids: FAMILIARITIES,
    after: ' water.',
    rest: true,
  },
];
