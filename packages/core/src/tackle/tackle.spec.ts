import fc from 'fast-check';
import { BLADE_SHAPES, CATEGORIES, COLOUR_FAMILIES, LINE_MATERIALS } from '../contract/ids.js';
import { parse } from '../contract/problems.js';
import { TableProblem } from '../formats/table.js';
import { HOOK_SIZES } from '../mechanics/hooks.js';
import { combo, idOf, lure, manyLures } from '../testing/tackle.js';
import { TACKLE_COLUMNS } from './columns.js';
import { readTackleCsv, tackleToCsv } from './csv.js';
import { TACKLE_KINDS, TackleDraft, type TackleItem } from './item.js';
import { lurePreset, presetOf } from './presets.js';
import { searchTackle, tackleIndex } from './search.js';
import { chores, lineWear } from './upkeep.js';

let made = 0;
const options = (owned: readonly TackleItem[] = []) => ({ owned, newId: () => idOf(900_000 + made++) });
const read = (text: string, owned: readonly TackleItem[] = []) => readTackleCsv(text, options(owned));
const draftOf = ({ id: _, ...draft }: TackleItem): unknown => draft;

describe('quick entry', () => {
  it.each(CATEGORIES.map((id) => [id]))('fills in a %s that the schema takes as it is', (id) => {
    const preset = lurePreset(id);
    const checked = parse(TackleDraft, preset);
    expect(checked.ok && checked.value).toEqual(preset);
  });
  it.each(TACKLE_KINDS.filter((kind) => kind !== 'lure').map((kind) => [kind]))('fills in a %s', (kind) => {
    expect(parse(TackleDraft, presetOf(kind)).ok).toBe(true);
  });
  it('gives divers their depth with the line it stands for, and trebles to what carries them', () => {
    expect(lurePreset('deep-diver')).toMatchObject({
      statedDepthM: 5.5,
      statedMaterial: 'fluorocarbon',
      buoyancy: 'floats',
    });
    expect(lurePreset('suspending-jerkbait')).toMatchObject({ buoyancy: 'suspends' });
    expect(lurePreset('football-jig').hooks).toEqual([]);
    expect(lurePreset('football-jig')).not.toHaveProperty('statedDepthM');
  });
});

describe('CSV', () => {
  const text = fc.stringMatching(/^[A-Za-z0-9 ",;'éß=+-]{1,30}$/).map((value) => value.trim() || 'a');
  const maybe = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined });
  const figure = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const anyLure = fc.record({
    kind: fc.constant('lure' as const),
    name: text,
    count: fc.integer({ min: 0, max: 99 }),
    box: maybe(text),
    slot: maybe(fc.constantFrom('007', 'A1', '1')),
    notes: maybe(fc.constantFrom('two\nlines', 'plain', 'a "word", said')),
    category: fc.constantFrom(...CATEGORIES),
    lengthMm: figure(10, 300),
    weightG: figure(1, 200),
    statedDepthM: maybe(figure(0.2, 9)),
    statedMaterial: maybe(fc.constantFrom(...LINE_MATERIALS)),
    families: fc.uniqueArray(fc.constantFrom(...COLOUR_FAMILIES), { maxLength: 3 }),
    hooks: fc.array(fc.record({ size: fc.constantFrom(...HOOK_SIZES), at: figure(0, 1) }), { maxLength: 3 }),
    bladeShapes: maybe(fc.array(fc.constantFrom(...BLADE_SHAPES), { minLength: 1, maxLength: 3 })),
    checkedOn: maybe(fc.constant('2027-02-28')),
  });
  const anyLine = fc.record({
    kind: fc.constantFrom('line' as const, 'leader' as const),
    name: text,
    count: fc.integer({ min: 0, max: 99 }),
    material: fc.constantFrom(...LINE_MATERIALS),
    testLb: figure(2, 100),
    diameterMm: maybe(figure(0.05, 1.5)),
    daysUsed: maybe(fc.integer({ min: 0, max: 200 })),
  });

  it('goes out and comes back the same', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(anyLure, anyLine), { minLength: 1, maxLength: 12 }), (drafts) => {
        const items = drafts.map((draft, at) => ({ id: idOf(at), ...TackleDraft.parse(draft) }) as TackleItem);
        const back = read(tackleToCsv(items));
        expect(back.problems).toEqual([]);
        expect(back.twice).toEqual([]);
        expect(back.items).toEqual(items);
      }),
      { numRuns: 80 },
    );
  });
  it('holds nothing that a sheet would work out, and reads back what one is called', () => {
    const names = ['=1+1', '+sum', '@home', "'=quoted", '-dash', 'plain'];
    const items = names.map(
      (name, at) =>
        ({ id: idOf(at), ...TackleDraft.parse({ kind: 'line', name, material: 'braid', testLb: 20 }) }) as TackleItem,
    );
    const csv = tackleToCsv(items);
    expect(csv).not.toMatch(/(^|,|")[=+@-][a-z1]/m);
    expect(read(csv).items.map(({ name }) => name)).toEqual(names);
  });
  it('keeps rods on their reels and reels with their lines', () => {
    const items = combo(1);
    expect(read(tackleToCsv(items)).items).toEqual(items.map((item) => ({ ...item, ...(draftOf(item) as object) })));
  });
  it('takes rows without an id, with columns in any order, commas for points and capitals in the head', () => {
    const { items, problems } = read(
      'Name;Kind;Category;Length mm;Weight g;Colours\nRed one;lure;square-bill;55,5;12;red orange\n',
    );
    expect(problems).toEqual([]);
    expect(items[0]).toMatchObject({
      name: 'Red one',
      category: 'square-bill',
      lengthMm: 55.5,
      families: ['red', 'orange'],
      count: 1,
    });
  });
  it('reads a list as anglers keep it: names of their own, fractions, units in the head or in the cell', () => {
    const text = [
      'Type,Item,Lure,Size (in),Weight,Colours,Box,Price',
      'Lures,Brown jig,Football jig,3,3/4,brown; green pumpkin,Jigs,4',
      'lure,Flat one,flat-sided crankbait,2 1/2,10 g,shad,,7',
    ].join('\n');
    const { items, problems, columns, unknownColumns, sample } = readTackleCsv(text, { ...options(), units: 'us' });
    expect(columns.map(({ role }) => role)).toEqual([
      'kind',
      'name',
      'category',
      'length_in',
      'weight_oz',
      'colours',
      'box',
      null,
    ]);
    expect(unknownColumns).toEqual(['Price']);
    expect(sample[1]?.[0]).toBe('lure');
    expect(problems.map(({ column, message }) => `${column}: ${message}`)).toEqual([
      expect.stringContaining('colours: expected colours'),
      expect.stringContaining('colours: expected colours'),
    ]);
    expect(items).toEqual([]);
    const good = readTackleCsv(text.replace('brown; green pumpkin', 'brown').replace('shad', 'white'), {
      ...options(),
      units: 'us',
    });
    expect(good.items.map(({ name, ...rest }) => [name, (rest as { category?: string }).category])).toEqual([
      ['Brown jig', 'football-jig'],
      ['Flat one', 'flat-sided-crankbait'],
    ]);
    expect(good.items[0]).toMatchObject({ lengthMm: 76.2, box: 'Jigs', families: ['brown'] });
    expect((good.items[0] as { weightG: number }).weightG).toBeCloseTo(21.26, 2);
    expect(good.items[1]).toMatchObject({ lengthMm: 63.5, weightG: 10 });
  });

  it('takes columns for what it is told, and says which are missing', () => {
    const text = 'a,b,c\nweight,Bullet,10\nweight,Egg,20';
    const told = { ...options(), roles: ['kind', null, 'weight_g'] };
    expect(readTackleCsv(text, told)).toMatchObject({
      items: [],
      problems: [{ line: 1, column: 'name', message: 'say which column holds the name' }],
    });
    const read = readTackleCsv(text, { ...told, roles: ['kind', 'name', 'weight_g'] });
    expect(read.problems.map(({ column }) => column)).toEqual(['shape', 'metal', 'shape', 'metal']);
    expect(read.unknownColumns).toEqual([]);
  });

  it('names unknown columns, and the line and column of what cannot be read', () => {
    const { items, problems, unknownColumns } = read(
      [
        'kind,name,maker,category,length_mm,weight_g,hooks,price',
        'lure,Good,x,popper,60,8,8@0.4 8@0.9,3',
        'lure,Bad hook,x,popper,60,8,99@0.4,3',
        'lure,No kind of lure,x,teaspoon,60,8,,3',
        'boat,Not tackle,x,,,,,3',
        'weight,Long weight,x,,60,8,,3',
      ].join('\n'),
    );
    expect(unknownColumns).toEqual(['maker', 'price']);
    expect(items.map(({ name }) => name)).toEqual(['Good']);
    expect(problems.map(({ line, column }) => [line, column])).toEqual([
      [3, 'hooks'],
      [4, 'category'],
      [5, 'kind'],
      [6, 'shape'],
      [6, 'metal'],
      [6, 'length_mm'],
    ]);
    expect(problems[0]!.message).toContain('a hook size');
    expect(problems[1]!.message).toMatch(
      /^expected a category \(suspending-jerkbait, .* or one of 44 more\), got "teaspoon"$/,
    );
    expect(problems.at(-1)!.message).toBe('expected nothing here: a weight has no length_mm');
  });
  it('sets aside what stands twice, in the file or among what is owned, and tells what is changed', () => {
    const owned = [lure(1, 'popper', { name: 'Old' }), lure(2, 'square-bill')];
    const changed = { ...owned[0]!, name: 'Newly named' };
    const csv = tackleToCsv([changed, owned[1]!, lure(3, 'lipless-crankbait'), lure(3, 'lipless-crankbait')]);
    const found = read(csv, owned);
    expect(found.changed).toEqual([changed]);
    expect(found.items.map(({ id }) => id)).toEqual([idOf(3)]);
    expect(found.twice.map(({ line }) => line)).toEqual([3, 5]);
    expect(found.twice[0]!.as).toEqual({ owned: owned[1] });
    expect(found.twice[1]!.as).toEqual({ line: 4 });
    const row = 'kind,name,category,length_mm,weight_g\nlure,A,popper,60,8\nlure,A,popper,60,8\n';
    expect(read(row).items).toHaveLength(1);
    expect(read(row).twice[0]!.as).toEqual({ line: 2 });
  });
  it('refuses what is no table of tackle, and an id that is none, in a sentence', () => {
    expect(() => read('date,temp\n2027-01-01,8\n')).toThrow(TableProblem);
    expect(() => read('')).toThrow(/nothing to read/);
    expect(read('id,kind,name\n17,rod,A\n').problems).toEqual([
      { line: 2, column: 'id', message: 'expected an id, a UUID, or nothing, got "17"' },
    ]);
  });
  it('tells how far it has come, up to the end', () => {
    const shares: number[] = [];
    readTackleCsv(tackleToCsv(manyLures(500, CATEGORIES)), { ...options(), onProgress: (share) => shares.push(share) });
    expect(shares.length).toBeGreaterThan(2);
    expect(shares.at(-1)).toBe(1);
    shares.forEach((share, at) => at && expect(share).toBeGreaterThanOrEqual(shares[at - 1]!));
  });
  it('writes every field that any kind has', () => {
    const fields = TackleDraft.options.flatMap((kind) => Object.keys(kind.shape));
    expect(new Set(TACKLE_COLUMNS).size).toBe(TACKLE_COLUMNS.length);
    expect(TACKLE_COLUMNS.length).toBe(new Set(fields).size + 1);
  });
});

describe('search', () => {
  const owned = [
    lure(1, 'square-bill', { name: 'Shad back', weightG: 10.5 }),
    lure(2, 'lipless-crankbait', { name: 'Red lipless', box: 'Shad box', families: ['red'] }),
    lure(3, 'spinnerbait', { name: 'Big shad blade', bladeFinish: 'gold' }),
    ...combo(10, { power: 'medium-heavy' }, { material: 'braid', testLb: 40 }, { ratio: 7.3 }),
  ];
  const names = (typed: string) => searchTackle(tackleIndex(owned), typed).map(({ name }) => name);

  it('finds by all words anywhere, names first', () => {
    expect(names('shad')).toEqual(['Shad back', 'Big shad blade', 'Red lipless']);
    expect(names('shad red')).toEqual(['Red lipless']);
    expect(names('nothing such')).toEqual([]);
    expect(names('')).toHaveLength(owned.length);
  });
  it('reads words as they are said: without hyphens, in ounces, pounds and ratios', () => {
    expect(names('SQUAREBILL')).toEqual(['Shad back']);
    expect(names('3/8oz')).toContain('Shad back');
    expect(names('40lb braid')).toEqual(['Line 10']);
    expect(names('7.3')).toEqual(['Reel 10']);
    expect(names('mediumheavy')).toEqual(['Rod 10']);
    expect(names('gold blade')).toEqual(['Big shad blade']);
  });
});

describe('upkeep', () => {
  it('asks for what spoils the fishing first: lures that run off, dull hooks, worn rings, old line', () => {
    const [, , line] = combo(20, {}, { material: 'nylon', since: '2026-03-01', daysUsed: 3 });
    const found = chores(
      [
        lure(1, 'square-bill', { runs: 'to-the-left', checkedOn: '2026-01-01' }),
        lure(2, 'popper', { hookState: 'dull', ringState: 'worn' }),
        lure(3, 'popper', { runs: 'true', hookState: 'sharp', checkedOn: '2027-03-01' }),
        line!,
      ],
      '2027-03-13',
    );
    expect(found.map(({ itemId, urgent }) => [itemId, urgent])).toEqual([
      [idOf(1), true],
      [idOf(2), true],
      [idOf(2), true],
      [idOf(22), true],
      [idOf(1), false],
    ]);
    expect(found[0]!.what).toMatch(/bend the line tie a hair to the right/);
  });
  it('wears line by days fished and by age, nylon soonest, and knows nothing of line that tells nothing', () => {
    const wear = (material: 'nylon' | 'braid', daysUsed: number) =>
      lineWear({ material, daysUsed, since: undefined }, '2027-03-13')!;
    expect(wear('nylon', 12)).toBeCloseTo(1, 9);
    expect(wear('braid', 12)).toBeLessThan(0.3);
    expect(lineWear({ material: 'nylon', daysUsed: undefined, since: '2026-06-01' }, '2027-03-13')).toBeGreaterThan(1);
    expect(lineWear({ material: 'nylon', daysUsed: undefined, since: undefined }, '2027-03-13')).toBeNull();
  });
});

it.each([
  [{ ...presetOf('reel'), spoolMm: -34 }, 'spoolMm', /got -34/],
  [{ ...lurePreset('popper'), hooks: [{ size: '17', at: 0.5 }] }, 'hooks[0].size', /a hook size/],
  [{ ...lurePreset('deep-diver'), statedDepthM: 0 }, 'statedDepthM', /from 0\.1 to 12, got 0/],
  [{ ...presetOf('rod'), castsFromG: 30, castsToG: 10 }, 'castsToG', /at least as much/],
  [{ kind: 'boat', name: 'A' }, 'kind', /expected a kind: lure, trailer.*got "boat"/],
])('refuses %j at %s', (draft, path, message) => {
  const checked = parse(TackleDraft, draft);
  expect(checked.ok).toBe(false);
  const [first] = checked.ok ? [] : checked.problems;
  expect(first!.path).toBe(path);
  expect(first!.message).toMatch(message);
});
