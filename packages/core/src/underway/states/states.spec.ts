import { SILENT_HOUR } from '../../testing/stretches';
import { Belief, type Stretch } from './belief.js';
import { calculateNext, type NextAnswer } from './next.js';
import { Ways } from './ways.js';

const CONDITIONS = {
  discipline: 'bass',
  date: '2027-03-13',
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  surfaceTempC: 10.5,
  visibilityM: 1.5,
  waterKind: 'highland-reservoir',
};
const PLACES = [
  {
    id: 'point',
    structure: 'secondary-point',
    cover: 'mixed-rock',
    depthM: [1.5, 4],
    minutesTo: { swing: 6, flat: 9 },
  },
  { id: 'swing', structure: 'channel-swing', cover: 'chunk-rock', depthM: [2, 8], minutesTo: { flat: 5 } },
  { id: 'flat', structure: 'flat', cover: 'submerged-grass', depthM: [1, 3] },
];
const note = (from: string, to: string, more: object = {}) => ({
  from,
  to,
  place: 'point',
  category: 'suspending-jerkbait',
  depthM: 1.8,
  pace: 'slow',
  tone: 'natural',
  bites: 0,
  ...more,
});
const day = (notes: readonly object[], more: object = {}) => ({
  conditions: CONDITIONS,
  now: '09:40',
  until: '15:00',
  places: PLACES,
  notes,
  ...more,
});
const next = (notes: readonly object[], more: object = {}): NextAnswer => {
  const answer = calculateNext(day(notes, more));
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
  return answer.value;
};

describe('what to do next', () => {
  it('is the plan before the first cast, called a guess, with nothing in its range', () => {
    const answer = next([]);
    expect(answer.move).toBe('place');
    expect(answer.stayBitesPerHour).toBeNull();
    expect(answer.odds).toBeNull();
    expect(answer.range80[0]).toBeLessThan(0.5);
    expect(answer.range80[1]).toBeGreaterThan(answer.bitesPerHour);
    expect(answer.because[0]).toMatch(/guess/);
    expect(next([])).toEqual(answer);
  });

  it('leaves a place where nothing came for two hours, and says that it is likely empty', () => {
    const answer = next([note('07:00', '09:40', { casts: 110 })]);
    expect(answer.move).toBe('place');
    expect(answer.place).not.toBe('point');
    expect(answer.because.join(' ')).toMatch(/This place is likely empty \(\d+ in 10\)/);
    expect(answer.bitesPerHour).toBeGreaterThan(2 * answer.stayBitesPerHour!);
    // Two places of which neither holds more are no better than one another: about as often as the other holds fish.
    expect(answer.odds).toBeGreaterThan(0.4);
  });

  it('does not leave live water, and turns back where several came at once', () => {
    const live = next([note('08:30', '09:15', { bites: 1 }), note('09:15', '09:40', { bites: 1 })]);
    expect([live.move, live.place]).toEqual(['stay', 'point']);
    expect(live.odds).toBeNull();
    const cluster = next([note('09:15', '09:40', { bites: 2, casts: 20 })]);
    expect([cluster.move, cluster.place]).toEqual(['turn-back', 'point']);
    expect(cluster.empty).toBeLessThan(0.05);
  });

  it('says that fish are put down where three bit and then none, and when they are back', () => {
    const answer = next([note('09:00', '09:20', { bites: 4 }), note('09:20', '09:40')]);
    expect(answer.because[0]).toMatch(/^They were here and are put down: back at (09|10|11):\d\d\.$/);
  });

  it('hears a follow as fish that are there and want something else', () => {
    const [silent, followed] = [{}, { follows: 2, shortStrikes: 1 }].map((more) =>
      next([note('08:40', '09:40', more)]),
    );
    expect(followed!.stayBitesPerHour).toBeGreaterThan(silent!.stayBitesPerHour!);
    expect(followed!.because.join(' ')).toContain('3 came and did not take it');
    expect(silent!.because.join(' ')).not.toContain('did not take it');
    const longAgo = next([note('07:00', '07:40', { follows: 3 }), note('07:40', '09:40', { follows: 0 })]);
    expect(longAgo.because.join(' ')).not.toContain('did not take it');
  });

  it('knows that bites put a place down, and that it comes back', () => {
    const bites = { bites: 7, casts: 40 };
    const after = next([note('08:30', '09:40', bites)]);
    const later = next([note('08:30', '09:40', bites)], { now: '11:40' });
    expect(later.stayBitesPerHour).not.toBeNull();
    const belief = new Belief(new Ways({ holds: [0.5], works: [0.6], feeds: 0.4, kinds: [0], tones: 3 }), 0);
    belief.observe({ ...SILENT_HOUR, toMin: 70, hours: 1.2, bites: 7, nearMisses: 0 });
    const put = belief.rested(0);
    belief.advance(250);
    expect(put).toBeLessThan(0.95);
    expect(belief.rested(0)).toBeGreaterThan(put + 0.04);
    expect(belief.minutesUntilRested(0)).toBe(0);
    expect(after.empty).toBeLessThan(0.3);
  });

  it('keeps depths within the place and the lure, and its figures sane', () => {
    for (const notes of [
      [],
      [note('06:30', '07:30')],
      [note('06:30', '09:30', { bites: 3, place: 'swing', depthM: 5 })],
    ]) {
      const { depthM, range80, bitesPerHour, empty } = next(notes);
      expect(depthM).toBeGreaterThan(0);
      expect(depthM).toBeLessThanOrEqual(8.5);
      expect(range80[0]).toBeLessThanOrEqual(range80[1]);
      expect(bitesPerHour).toBeGreaterThan(0);
      expect(empty).toBeGreaterThanOrEqual(0);
      expect(empty).toBeLessThanOrEqual(1);
    }
  });

  it.each<[string, object, string, string]>([
    [
      'a place that nobody knows',
      { notes: [note('08:00', '09:00', { place: 'reef' })] },
      'notes[0].place',
      'the id of one of the places, got "reef"',
    ],
    ['a note that ends before it begins', { notes: [note('09:00', '08:00')] }, 'notes[0].to', 'a time after 09:00'],
    [
      'notes out of order',
      { notes: [note('08:00', '09:00'), note('08:30', '09:10')] },
      'notes[1].from',
      'in the order of their hours',
    ],
    ['a note from later on', { notes: [note('09:00', '10:00')] }, 'notes[0].to', 'a time up to now, 09:40'],
    ['an end before now', { until: '09:00' }, 'until', 'a time after now, 09:40'],
    ['no places', { places: [] }, 'places', 'at least one place'],
    [
      'a lure that nobody knows',
      { notes: [note('08:00', '09:00', { category: 'feather' })] },
      'notes[0].category',
      'a category',
    ],
  ])('refuses %s', (_, more, path, words) => {
    const answer = calculateNext(day([], more));
    expect(answer.ok).toBe(false);
    if (answer.ok) return;
    expect(answer.problems[0]!.path).toBe(path);
    expect(answer.problems[0]!.message).toContain(words);
  });

  it('keeps its head where more came than is likely in any way', () => {
    const answer = next([note('09:20', '09:30', { bites: 500, follows: 500 }), note('09:30', '09:40')]);
    expect(answer.place).toBe('point');
    for (const figure of [answer.bitesPerHour, answer.empty, ...answer.range80])
      expect(Number.isFinite(figure)).toBe(true);
    expect(answer.empty).toBeLessThan(0.1);
  });

  it('goes over midnight', () => {
    const answer = next([note('22:30', '23:50', { bites: 1 })], { now: '00:10', until: '03:00' });
    expect(answer.stayBitesPerHour).toBeGreaterThan(0);
  });
});

describe('what is believed', () => {
  const stretch = (more: Partial<Stretch>): Stretch => ({ ...SILENT_HOUR, nearMisses: 0, ...more });
  const begin = (more: object = {}) =>
    new Belief(new Ways({ holds: [0.5, 0.5], works: [0.6, 0.3], feeds: 0.4, kinds: [0, 1], tones: 3, ...more }), 0);
  const holds = (belief: Belief, place: number) => belief.mean((way) => belief.holdsAt(place)[way]!);

  it('sums to one, and goes back to what is usual as time passes', () => {
    const belief = begin();
    belief.observe(stretch({ bites: 2 }));
    expect(belief.weights.reduce((a, b) => a + b)).toBeCloseTo(1, 9);
    const feeds = belief.mean((way) => belief.feeds[way]!);
    expect(feeds).toBeGreaterThan(0.4);
    belief.advance(60 + 600);
    expect(belief.mean((way) => belief.feeds[way]!)).toBeCloseTo(0.4, 2);
    expect(holds(belief, 0)).toBeLessThan(0.99);
  });

  it('takes silence for emptiness the surer the longer, and a bite clears it, elsewhere little changes', () => {
    const [short, long, bite] = [
      stretch({ toMin: 20, hours: 1 / 3 }),
      stretch({ toMin: 120, hours: 2 }),
      stretch({ toMin: 120, hours: 2, bites: 1 }),
    ].map((each) => {
      const belief = begin();
      belief.observe(each);
      return belief;
    });
    expect(holds(short!, 0)).toBeLessThan(0.5);
    expect(holds(long!, 0)).toBeLessThan(holds(short!, 0));
    // In the hour since, a school may have left.
    expect(holds(bite!, 0)).toBeGreaterThan(0.65);
    expect(holds(long!, 1)).toBeCloseTo(0.5, 1);
  });

  it('learns that a lure is not the one where fish are known to be', () => {
    const belief = begin();
    belief.observe(stretch({ toMin: 60, bites: 3, lure: 1 }));
    belief.observe(stretch({ fromMin: 60, toMin: 120, lure: 0 }));
    const rate = (lure: number) => belief.mean((way) => belief.rates(stretch({ lure }), 0).feeding[way]!);
    expect(rate(1)).toBeGreaterThan(rate(0));
  });

  it('takes what one place of a kind shows for others of it, and for those of other kinds less', () => {
    const belief = begin({ holds: [0.5, 0.5, 0.5], kinds: [0, 0, 1] });
    belief.observe(stretch({ toMin: 240, hours: 4 }));
    expect(holds(belief, 1)).toBeLessThan(holds(belief, 2) - 0.01);
  });

  it('doubts a plan whose best places bring nothing, and thinks more of those that it thought little of', () => {
    const plan = { holds: [0.85, 0.85, 0.2], kinds: [0, 1, 2] };
    const belief = begin(plan);
    const before = holds(belief, 2);
    belief.observe(stretch({ place: 0, toMin: 90, hours: 1.5 }));
    belief.observe(stretch({ place: 1, fromMin: 90, toMin: 180, hours: 1.5 }));
    expect(holds(belief, 2)).toBeGreaterThan(before + 0.02);
  });

  it('turns a plan round with its mean kept, and with what was alike alike', () => {
    const belief = begin({ holds: [0.8, 0.2, 0.2, 0.2], kinds: [0, 1, 2, 3] });
    const mean = [0, 1, 2, 3].reduce((sum, place) => sum + holds(belief, place) / 4, 0);
    expect(mean).toBeCloseTo(0.35, 1);
    expect(Math.abs(holds(belief, 1) - holds(belief, 2))).toBeLessThan(0.03);
  });

  it('has a place put down by a few bites, yet not wholly where many more came at once', () => {
    const [few, many] = [3, 12].map((bites) => {
      const belief = begin();
      belief.observe(stretch({ toMin: 30, hours: 0.5, bites }));
      return belief;
    });
    const put = few!.rested(0);
    expect(put).toBeLessThan(0.85);
    expect(many!.rested(0)).toBeGreaterThan(0.3);
    expect(few!.rested(0, 150)).toBeGreaterThan(0.95);
    expect(few!.minutesUntilRested(0)).toBeGreaterThan(20);
  });

  it('hears nothing of near misses that nobody counted', () => {
    const [none, unsaid] = [0, null].map((nearMisses) => {
      const belief = begin();
      belief.observe(stretch({ nearMisses }));
      return belief;
    });
    expect(holds(none!, 0)).toBeLessThan(holds(unsaid!, 0));
  });
});
