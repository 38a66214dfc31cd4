import { SPECIES } from '../../contract/ids.js';
import { SPECIES_LIKES, speciesToday } from './species.js';

describe('what a kind of fish likes', () => {
  it.each(SPECIES)('is told for %s: comfort lies within what it bears', (species) => {
    const { comfortC, bearsC, salinityPsu, covers, food } = SPECIES_LIKES[species];
    expect(bearsC[0]).toBeLessThan(comfortC[0]);
    expect(comfortC[0]).toBeLessThan(comfortC[1]);
    expect(comfortC[1]).toBeLessThan(bearsC[1]);
    expect(salinityPsu[0]).toBeLessThan(salinityPsu[1]);
    expect([covers.length, food.length].every((count) => count > 0)).toBe(true);
  });

  it('tells two kinds apart on one day', () => {
    const day = { surfaceTempC: 12, salinityPsu: 6 };
    expect(speciesToday('striped-bass', day)).toEqual({ suits: 'well', short: [], inDanger: false });
    expect(speciesToday('snook', day)).toEqual({ suits: 'badly', short: ['cold'], inDanger: true });
    expect(speciesToday('spotted-seatrout', day)).toEqual({
      suits: 'badly',
      short: ['cold', 'fresh'],
      inDanger: false,
    });
    expect(speciesToday('red-drum', day).suits).toBe('less');
    expect(
      speciesToday('red-drum', { surfaceTempC: 24, covers: ['pads'], forage: [{ kind: 'shrimp' }] }).short,
    ).toEqual(['cover']);
  });
});
