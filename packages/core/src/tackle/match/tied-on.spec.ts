import { TiedOn } from '../../contract/trips.js';
import { combo, idOf, lure } from '../../testing/tackle.js';
import { isKind } from '../item.js';
import { ownedRods } from './combos.js';
import { tiedOnFrom } from './tied-on.js';

const owned = [
  lure(1, 'suspending-jerkbait', { name: 'Silver one', lengthMm: 112, weightG: 14, tone: 'bold' }),
  lure(2, 'suspending-jerkbait', { name: 'Small one', lengthMm: 90, weightG: 9 }),
  lure(3, 'finesse-jig'),
  ...combo(100, {}, { testLb: 10 }),
];
const [rod] = ownedRods(owned).combos;
const [, small] = owned.filter(isKind('lure'));

describe('what may be tied on', () => {
  it('is of the category, what stands on a rod first and with its line', () => {
    const choices = tiedOnFrom('suspending-jerkbait', [{ lure: small!, combo: rod! }], owned);
    expect(choices.map(({ name, rigged }) => [name, rigged])).toEqual([
      ['Small one', true],
      ['Silver one', false],
    ]);
    expect(choices[0]?.tiedOn).toMatchObject({ pieceId: idOf(2), sizeMm: 90, weightG: 9, lineLb: 10 });
    for (const { tiedOn } of choices) expect(TiedOn.safeParse(tiedOn).success).toBe(true);
  });

  it('hangs on the only rod that is owned, and on none that one would have to guess', () => {
    const [only] = tiedOnFrom('finesse-jig', [], owned);
    expect(only?.tiedOn.lineLb).toBe(10);
    const [of] = tiedOnFrom('finesse-jig', [], [...owned, ...combo(200, {}, { testLb: 20 })]);
    expect(of?.tiedOn.lineLb).toBeUndefined();
    expect(tiedOnFrom('popper', [], owned)).toEqual([]);
  });
});
