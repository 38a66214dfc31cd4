import { Conditions } from '../contract/conditions.js';
import { makePlan } from '../plan/make-plan.js';
import { day } from '../testing/days.js';
import { clockOf } from '../day/windows.js';
import { LogWriter, preSpawn, preSpawnPlan, TRIP_ID } from '../testing/trip-log.js';
import { tideOfMoment, tideOfNote, windowAt } from './moment.js';
import { tripOf } from './trip.js';
import { noteTideWords, tideWords } from './words.js';

describe('the window of a moment', () => {
  const { windows } = makePlan(day({ window: { from: '18:00', to: '07:00' } }));
  const night = windows.findIndex((window) => window.night);

  it('is the night after midnight, too', () => {
    expect(windowAt(windows, 23 * 60)).toBe(windows[night]);
    expect(windowAt(windows, 2 * 60)).toBe(windows[night]);
  });

  it('is the first before the hours and the last after them', () => {
    expect(windowAt(windows, 17 * 60)).toBe(windows[0]);
    expect(windowAt(windows, 6 * 60 + 45)).toBe(windows.at(-1));
    expect(windowAt([], 600)).toBeNull();
  });
});

describe('the tide of a note', () => {
  it('is said as it was then', () => {
    expect(noteTideWords({ stage: 'falling', next: 'low', inMin: 131 })).toBe('on the fall, 2 h 11 before low water');
    expect(noteTideWords({ stage: 'high-slack', next: 'low', inMin: 300 })).toBe('slack at high water');
    expect(noteTideWords({ stage: 'rising' })).toBe('on the flood');
  });

  it('is the plan’s own of that hour, and none where the plan knows no course of it', () => {
    const conditions = Conditions.parse({
      ...preSpawn,
      discipline: 'inshore',
      waterKind: 'estuary',
      hourlyTide: [0, 6, 12, 18].map((hour, at) => ({ at: clockOf(hour * 60), levelM: at % 2 })),
    });
    const log = new LogWriter();
    log.begin({ conditions, plan: preSpawnPlan.plan });
    const trip = tripOf(log.events, TRIP_ID)!;
    // Nine in the morning there: from high water at six to low water at noon.
    expect(tideOfNote(trip, Date.parse('2027-03-13T15:00:00Z'))).toEqual({ stage: 'falling', next: 'low', inMin: 180 });
    const lake = new LogWriter();
    lake.begin(preSpawnPlan);
    expect(tideOfNote(tripOf(lake.events, TRIP_ID)!, Date.parse('2027-03-13T15:00:00Z'))).toBeUndefined();
  });
});

describe('the tide of a moment', () => {
  // High at eight in the morning, low a little after two.
  const hourlyTide = Array.from({ length: 92 }, (_, at) => ({
    at: clockOf(at * 15),
    levelM: 0.5 * Math.cos(((at * 15 - 480) / 372.6) * Math.PI),
  }));
  const words = (minute: number) => {
    const tide = tideOfMoment({ hourlyTide }, minute);
    return tide && tideWords(tide);
  };

  it('is told by its stage and by what it runs towards', () => {
    expect(words(300)).toBe('Tide rising, high water in 3 h 00');
    expect(words(470)).toBe('Slack at high water, high water in 10 min');
    expect(words(720)).toBe('Tide falling, low water in 2 h 15');
  });

  it('is not known beyond its levels, nor where none are', () => {
    expect(words(1400)).toBeNull();
    expect(tideOfMoment({}, 600)).toBeNull();
  });
});
