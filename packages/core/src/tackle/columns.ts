import { nameOf } from '../contract/names.js';
import * as ids from '../contract/ids.js';
import { readNumber, readQuantityIn, readRatio } from '../units/typed.js';
import type { Measure, UnitSystem } from '../units/units.js';

/** What is in a cell of a field. */
export type Codec = 'text' | 'figure' | 'list' | 'hooks';

/** A column of a file of tackle: its name, the field that it fills, and for a quantity what it measures in which unit. */
export interface Column {
  readonly name: string;
  readonly field: string;
  readonly codec: Codec;
  readonly measure?: Measure;
  readonly unit?: string;
}

const text = (name: string, field = name): Column => ({ name, field, codec: 'text' });
const number = (name: string, field = name): Column => ({ name, field, codec: 'figure' });
const list = (name: string, field = name): Column => ({ name, field, codec: 'list' });
const quantity = (stem: string, unit: string, field: string, measure: Measure): Column => ({
  name: `${stem}_${unit}`,
  field,
  codec: 'figure',
  measure,
  unit,
});

/** Every column, in the order in which they are written. Quantities are in the unit that the name ends with. */
export const COLUMNS: readonly Column[] = [
  text('id'),
  text('kind'),
  text('name'),
  number('count'),
  text('box'),
  text('slot'),
  text('category'),
  quantity('length', 'mm', 'lengthMm', 'length'),
  quantity('width', 'mm', 'widthMm', 'length'),
  quantity('weight', 'g', 'weightG', 'weight'),
  quantity('stated_depth', 'm', 'statedDepthM', 'depth'),
  text('stated_material', 'statedMaterial'),
  quantity('stated_test', 'lb', 'statedTestLb', 'test'),
  quantity('stated_cast', 'm', 'statedCastM', 'depth'),
  text('buoyancy'),
  list('colours', 'families'),
  text('tone'),
  text('sound'),
  { name: 'hooks', field: 'hooks', codec: 'hooks' },
  list('blade_shapes', 'bladeShapes'),
  text('blade_shape', 'bladeShape'),
  text('blade_finish', 'bladeFinish'),
  text('hook_style', 'hookStyle'),
  text('hook_size', 'hookSize'),
  text('shape'),
  text('metal'),
  text('trailer_action', 'trailerAction'),
  text('bulk'),
  text('handle'),
  text('power'),
  text('rod_action', 'rodAction'),
  quantity('rod_length', 'm', 'rodLengthM', 'rodLength'),
  quantity('casts_from', 'g', 'castsFromG', 'weight'),
  quantity('casts_to', 'g', 'castsToG', 'weight'),
  text('reel_id', 'reelId'),
  number('ratio'),
  quantity('spool', 'mm', 'spoolMm', 'length'),
  text('line_id', 'lineId'),
  text('leader_id', 'leaderId'),
  text('material'),
  quantity('test', 'lb', 'testLb', 'test'),
  quantity('diameter', 'mm', 'diameterMm', 'length'),
  quantity('length', 'm', 'lengthM', 'depth'),
  text('since'),
  number('days_used', 'daysUsed'),
  text('runs'),
  text('hook_state', 'hookState'),
  text('ring_state', 'ringState'),
  text('checked_on', 'checkedOn'),
  text('photo_id', 'photoId'),
  text('notes'),
];

/** The same quantities in other units: these are read, and never written. */
const IN_OTHER_UNITS: readonly Column[] = [
  quantity('length', 'in', 'lengthMm', 'length'),
  quantity('width', 'in', 'widthMm', 'length'),
  quantity('weight', 'oz', 'weightG', 'weight'),
  quantity('stated_depth', 'ft', 'statedDepthM', 'depth'),
  quantity('stated_test', 'kg', 'statedTestLb', 'test'),
  quantity('stated_cast', 'ft', 'statedCastM', 'depth'),
  quantity('rod_length', 'ft', 'rodLengthM', 'rodLength'),
  quantity('casts_from', 'oz', 'castsFromG', 'weight'),
  quantity('casts_to', 'oz', 'castsToG', 'weight'),
  quantity('spool', 'in', 'spoolMm', 'length'),
  quantity('test', 'kg', 'testLb', 'test'),
  quantity('diameter', 'in', 'diameterMm', 'length'),
  quantity('length', 'yd', 'lengthM', 'depth'),
];

/** All that a column of a file may hold. */
export const READ_COLUMNS: readonly Column[] = [...COLUMNS, ...IN_OTHER_UNITS];
const byName = new Map(READ_COLUMNS.map((column) => [column.name, column]));
export const columnNamed = (name: string): Column | undefined => byName.get(name);

/** Names of all columns. */
export const TACKLE_COLUMNS: readonly string[] = COLUMNS.map(({ name }) => name);
/** Names of all that a column of a file may hold, with the units of others. */
export const TACKLE_ROLES: readonly string[] = READ_COLUMNS.map(({ name }) => name);

/** What people call columns, by the column's name without its unit. */
const ALIASES: readonly (readonly [stem: string, words: RegExp])[] = [
  ['kind', /^(type|kind|what|sort)$/],
  ['name', /^(item|description|model|title|lure name)$/],
  ['category', /^(lure|lure type|style|class|category)$/],
  ['count', /^(qty|quantity|number|pieces|how many|amount)$/],
  ['box', /^(box|tray|bag|storage|where)$/],
  ['slot', /^(slot|compartment|place)$/],
  ['colours', /^(colou?rs?|pattern)$/],
  ['stated_depth', /^(depth|dives?|dives to|running depth|max depth)$/],
  ['length', /^(size|length|long)$/],
  ['weight', /^(weight|wt|heavy)$/],
  ['test', /^(test|breaking strain|strength)$/],
  ['ratio', /^(ratio|gear ratio|gear)$/],
  ['rod_action', /^action$/],
  ['notes', /^(notes?|remarks?|comments?)$/],
];
const UNIT_WORDS: Readonly<Record<string, RegExp>> = {
  mm: /\bmm\b/,
  in: /\b(in|inch|inches)\b/,
  g: /\b(g|grams?)\b/,
  oz: /\b(oz|ounces?)\b/,
  lb: /\b(lbs?|pounds?)\b/,
  kg: /\bkg\b/,
  ft: /\b(ft|feet)\b/,
  yd: /\b(yds?|yards?)\b/,
  m: /\b(m|met(?:er|re)s?)\b/,
};
const OF_SYSTEM: Readonly<Record<UnitSystem, readonly string[]>> = {
  us: ['in', 'oz', 'lb', 'ft', 'yd'],
  metric: ['mm', 'g', 'kg', 'm', 'lb'],
};

const tidy = (header: string): string =>
  header
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, '_');

/** The column that a title seems to mean; where it names no unit, in that of the user. */
export function guessColumn(title: string, units: UnitSystem): string | null {
  const exact = tidy(title);
  if (byName.has(exact)) return exact;
  const words = title.toLowerCase().replace(/[_()[\],.:]/g, ' ');
  const unit = Object.entries(UNIT_WORDS).find(([, word]) => word.test(words))?.[0];
  const bare = (unit ? words.replace(UNIT_WORDS[unit] as RegExp, ' ') : words).replace(/\s+/g, ' ').trim();
  const stem = ALIASES.find(([, alias]) => alias.test(bare))?.[0] ?? bare.replaceAll(' ', '_');
  if (byName.has(stem)) return stem;
  for (const each of unit ? [unit] : OF_SYSTEM[units]) {
    if (byName.has(`${stem}_${each}`)) return `${stem}_${each}`;
  }
  return null;
}

/** Ids by the words in which they are shown here. */
const byWords = new Map(
  [ids.CATEGORIES, ids.COLOUR_FAMILIES, ids.TONES, ids.ROD_POWERS, ids.ROD_ACTIONS, ids.BLADE_SHAPES]
    .flat()
    .map((id) => [nameOf(id).toLowerCase(), id as string]),
);
const TEXTS_OF_ONES_OWN: ReadonlySet<string> = new Set(['id', 'name', 'box', 'slot', 'notes', 'photoId']);
const idOf = (words: string): string => {
  const plain = words.trim().toLowerCase();
  return byWords.get(plain) ?? (/^[a-z][a-z ]*$/.test(plain) ? plain.replaceAll(' ', '-') : words.trim());
};

const BASE_UNITS: ReadonlySet<string> = new Set(['mm', 'g', 'm', 'lb']);
const HOOK = /^([\d/]+)@([\d.e-]+)$/;
const EXPONENT = /^[-+]?[\d.]+e[-+]?\d+$/i;

/** What a cell says, as the field wants it; what cannot be read is given as it stands, to be refused by its field. */
export function readCell(cell: string, { field, codec, measure, unit }: Column): unknown {
  switch (codec) {
    case 'figure': {
      if (EXPONENT.test(cell)) return Number(cell);
      if (!measure || !unit) return readRatio(cell) ?? cell;
      // What is in the field's own unit stays as it is written, to its last digit.
      const own = BASE_UNITS.has(unit) ? readNumber(cell) : undefined;
      if (own !== undefined) return own;
      const read = readQuantityIn(`${cell} ${unit}`, measure, 'metric') ?? readQuantityIn(cell, measure, 'metric');
      return read === undefined ? cell : Number(read.toPrecision(12));
    }
    case 'list':
      return cell
        .split(/[|;,]/.test(cell) ? /\s*[|;,]\s*/ : /\s+/)
        .filter(Boolean)
        .map(idOf);
    case 'hooks':
      return cell
        .split(/[\s|;]+/)
        .filter(Boolean)
        .map((part) => {
          const [, size, at] = HOOK.exec(part) ?? [];
          return size === undefined ? part : { size, at: Number(at) };
        });
    case 'text':
      if (TEXTS_OF_ONES_OWN.has(field)) return cell;
      if (field === 'kind') return idOf(cell).replace(/s$/, '');
      return idOf(cell);
  }
}
