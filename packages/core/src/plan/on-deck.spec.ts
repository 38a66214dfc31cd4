import { day } from '../testing/days.js';
import { makePlan } from './make-plan.js';
import { onDeck } from './on-deck.js';

describe('what is tied on', () => {
  const { windows } = makePlan(day());

  it('begins with the first choices of the windows, and has no category twice', () => {
    const tied = onDeck(windows).map(({ category }) => category);
    const firsts = [...new Set(windows.map(({ presentations }) => presentations[0]?.category))];
    expect(tied.slice(0, Math.min(5, firsts.length))).toEqual(firsts.slice(0, 5));
    expect(new Set(tied).size).toBe(tied.length);
  });

  it('stays within the rods on deck, and within five', () => {
    expect(onDeck(windows, 2)).toHaveLength(2);
    expect(onDeck(windows, 20).length).toBeLessThanOrEqual(5);
    expect(onDeck([])).toEqual([]);
  });
});
