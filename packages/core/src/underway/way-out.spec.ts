import { clockOf } from '../day/windows.js';
import { stopsOpen } from './candidates.js';
import { wayOutOf } from './way-out.js';
import { wayOutWords } from './words.js';

/** High at eight in the morning, low a little after two, high again at twenty past eight. */
const hourlyTide = Array.from({ length: 92 }, (_, at) => ({
  at: clockOf(at * 15),
  levelM: 0.5 * Math.cos(((at * 15 - 480) / 372.6) * Math.PI),
}));
const stop = {
  name: 'Drain mouth',
  depthM: 0.8,
  lonLat: [-88.1, 30.2] as [number, number],
  fromMin: 540,
  toMin: 600,
  outByMin: 620,
};

describe('the way out of a stop', () => {
  const at = (minute: number) => wayOutOf(stop, { hourlyTide }, minute);

  it('shuts by the minute that was told, and opens when the water stands as high again', () => {
    expect(at(560)).toEqual({ isOpen: true, changesInMin: 60 });
    expect(at(620)!.isOpen).toBe(true);
    const shut = at(700)!;
    expect(shut.isOpen).toBe(false);
    // As long after low water, at 852.6, as it shut before it.
    expect(Math.abs(700 + shut.changesInMin! - (2 * 852.6 - 620))).toBeLessThan(3);
    expect(at(1300)).toEqual({ isOpen: true, changesInMin: null });
  });

  it('stays shut where no course of the tide is known, and never shuts where none was told', () => {
    expect(wayOutOf(stop, {}, 600)).toEqual({ isOpen: true, changesInMin: 20 });
    expect(wayOutOf(stop, {}, 700)).toEqual({ isOpen: false, changesInMin: null });
    expect(wayOutOf({ ...stop, outByMin: undefined }, { hourlyTide }, 700)).toBeNull();
  });

  it('is spoken of within the hour, and while it is shut', () => {
    expect(wayOutWords(at(500)!)).toBeNull();
    expect(wayOutWords(at(595)!)).toBe('The way out shuts in 25 min.');
    expect(wayOutWords(at(700)!)).toMatch(/^The way out is shut; it opens in 6 h/);
    expect(wayOutWords({ isOpen: false, changesInMin: null })).toMatch(/when the tide has risen/);
  });

  it('keeps one from running to a place that cannot be left again, not from staying there', () => {
    const free = { ...stop, name: 'Pass', outByMin: undefined };
    const names = (minute: number, here: string | null) =>
      stopsOpen([stop, free], { hourlyTide }, minute, here).map(({ name }) => name);
    expect(names(560, null)).toEqual(['Drain mouth', 'Pass']);
    expect(names(610, null)).toEqual(['Pass']);
    expect(names(610, 'Drain mouth')).toEqual(['Drain mouth', 'Pass']);
    expect(names(700, null)).toEqual(['Pass']);
    expect(names(1200, null)).toEqual(['Drain mouth', 'Pass']);
  });
});
