import { above, all, always, any, below, between, is, not } from './fuzzy.js';
import { describeCondition, describeEffect } from './describe.js';

describe('conditions in words', () => {
  it.each([
    [above('windMps', 4.7, 5.2), 'wind over 5 m/s'],
    [below('surfaceTempC', 8, 13), 'water under 13 °C, wholly under 8 °C'],
    [
      between('tideHours', 1, 2, 3, 5),
      'into the tide over 1 h, wholly over 2 h; and into the tide under 5 h, wholly under 3 h',
    ],
    [is('front:post-frontal'), 'front just gone through'],
    [is('bright-and-calm'), 'bright and calm'],
    [not(is('ground:mat')), 'not ground mat'],
    [any(is('sky:rain'), is('sky:fog')), 'sky rain or sky fog'],
    [
      all(is('phase:fall'), above('relativeClarity', 0.5, 0.7)),
      'phase fall; and visibility against the normal over 0.5, wholly over 0.7',
    ],
    [always, 'always'],
    [is('fish-sign:small-males-shallow'), 'caught fish: small males shallow'],
  ])('%j', (condition, words) => expect(describeCondition(condition, 'metric')).toBe(words));
});

describe('effects in words', () => {
  it.each([
    [1.35, 'by 1.35'],
    ['mud-rising', 'mud rising'],
    [{ passesCover: 1.5, treble: -0.4 }, 'passes cover +1.5, treble −0.4'],
    [{ 'main-lake-point': 0.4 }, 'main-lake point +0.4'],
    [{ phase: 'spawn', floor: 0.35 }, 'speaks for spawn; where it does not hold, spawn counts 0.35 times as much'],
    [{ kind: 'shad', lengthMm: [40, 80] }, 'shad, 40 to 80'],
    [null, ''],
  ])('%j', (effect, words) => expect(describeEffect(effect)).toBe(words));
});
