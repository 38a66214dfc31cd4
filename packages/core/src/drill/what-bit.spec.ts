import type { Stroke } from '../logbook/row.js';
import { day } from '../testing/days.js';
import { judgeDay } from '../plan/judge.js';
import { askedWindow } from './key.js';
import { bitWords, whatBit } from './what-bit.js';

const stroke = (change: Partial<Stroke>): Stroke => ({
  fromMin: 420,
  toMin: 460,
  depthM: 2,
  category: 'spinnerbait',
  bites: 1,
  landed: 0,
  ...change,
});

describe('what really bit', () => {
  it('is told lure by lure with its depths, most bites first', () => {
    const bit = whatBit([
      stroke({}),
      stroke({ category: 'deep-diver', bites: 1, depthM: 4 }),
      stroke({ category: 'deep-diver', bites: 3, landed: 2, depthM: 5, fromMin: 500, toMin: 600 }),
      stroke({ category: 'hollow-frog', bites: 0 }),
    ]);
    expect(bit.map(({ category, bites, landed }) => [category, bites, landed])).toEqual([
      ['deep-diver', 4, 2],
      ['spinnerbait', 1, 0],
    ]);
    expect(bit[0]).toMatchObject({ depthM: [4, 5], minute: 550 });
    expect(bitWords(bit, 'metric')).toBe(
      'What bit: 4 on the deep-diving crankbait at 4 to 5 m; 1 on the spinnerbait at 2 m.',
    );
    expect(bitWords(whatBit([stroke({ bites: 0 })]), 'us')).toBe('Nothing bit that day.');
  });

  it('is asked about the hours in which it bit, where they were planned', () => {
    const judged = judgeDay(day(), 'us');
    const [first, second] = judged.windows;
    const scene = { conditions: day(), at: 0 };
    expect(askedWindow(judged, scene)).toBe(0);
    expect(askedWindow(judged, { ...scene, minute: (second!.fromMin + second!.toMin) / 2 })).toBe(1);
    expect(askedWindow(judged, { ...scene, minute: first!.fromMin - 100 })).toBe(0);
  });
});
