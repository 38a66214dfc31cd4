import { sayStretch } from '@inky-shoal/core/underway';
import { PositionService } from '../base/position.service';
import { sayWay } from '../sheet/words';
import { sensedOf, STALE_MS, type Instruments } from './instruments.service';
import { yieldOf } from './trip-yield.service';
import { sayInstruments } from './instrument-words';
import { sayGoTo } from './underway-words';

const NOW = 1_000_000;
const heard = (agoMs: number): Instruments['heard'] => ({
  position: { heard: { kind: 'position', lonLat: [-88.4, 35.9] }, atMs: NOW - agoMs },
  depth: { heard: { kind: 'depth', depthM: 3.05 }, atMs: NOW - agoMs },
  'water-temp': { heard: { kind: 'water-temp', tempC: 12.8 }, atMs: NOW - agoMs },
});
const line = (state: 'none' | 'hearing' | 'silent' | 'away' | 'calling', why: string | null = null) =>
  ({ kind: 'line', state, why, sentences: 1, badChecksums: 0, garbled: 0 }) as const;
const known = (more: Partial<Instruments>): Instruments => ({
  line: line('hearing'),
  heard: {},
  browser: null,
  browserWhy: null,
  nowMs: NOW,
  ...more,
});

describe('what goes into a note by itself', () => {
  it('is what the instruments said just now', () => {
    expect(sensedOf(known({ heard: heard(3000) }), NOW)).toEqual({
      from: 'instruments',
      lonLat: [-88.4, 35.9],
      depthM: 3.05,
      surfaceTempC: 12.8,
      speedMps: undefined,
    });
  });

  it('is never what they said long ago', () => {
    expect(sensedOf(known({ heard: heard(20_000) }), NOW)).toBeUndefined();
  });

  it("is the browser's position where there are none", () => {
    const browser = { lonLat: [-88.3, 35.8], atMs: NOW - 1000 } as const;
    expect(sensedOf(known({ heard: heard(60_000), browser }), NOW)).toEqual({
      from: 'browser',
      lonLat: [-88.3, 35.8],
    });
    expect(sensedOf(known({ browser: { ...browser, atMs: NOW - 60_000 } }), NOW)).toBeUndefined();
  });
});

describe('where one is', () => {
  const place = (longitude: number) => ({ coords: { longitude, latitude: 35.9, accuracy: 8 } });
  const told = (tell: (found: (at: object) => void, failed: (why: { code: number }) => void) => void) =>
    Object.assign(navigator, { geolocation: { getCurrentPosition: tell } });
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => {
    jest.useRealTimers();
    Reflect.deleteProperty(navigator, 'geolocation');
  });

  it('is asked again and again, so that it does not grow old at anchor', () => {
    told((found) => found(place(-88.4)));
    const heard: number[] = [];
    const ends = new PositionService().follow().subscribe(({ lonLat }) => heard.push(lonLat[0]));
    jest.advanceTimersByTime(STALE_MS * 2);
    ends.unsubscribe();
    expect(heard.length).toBeGreaterThanOrEqual(4);
    jest.advanceTimersByTime(STALE_MS);
    expect(heard.length).toBeLessThanOrEqual(5);
  });

  it('goes on when there is no sky for a while, and ends in words where it may not be told', () => {
    const answers = [2, 0, 3, 0, 1];
    told((found, failed) => {
      const code = answers.shift() ?? 1;
      if (code) failed({ code });
      else found(place(-88.4));
    });
    const heard: string[] = [];
    new PositionService().follow().subscribe({
      next: () => heard.push('here'),
      error: ({ message }: Error) => heard.push(message),
    });
    jest.advanceTimersByTime(120_000);
    expect(heard).toEqual(['here', 'here', 'This browser may not tell where you are: allow it in its settings.']);
  });
});

describe('instruments in words', () => {
  it.each([
    [known({ line: line('none') }), null],
    [known({ line: null }), null],
    [known({ line: line('calling') }), 'Waiting for the instruments.'],
    [known({ line: line('silent') }), 'The instruments are silent.'],
    [
      known({ line: line('away', 'Nobody listens there.') }),
      'The instruments cannot be reached. Nobody listens there.',
    ],
    [known({ heard: heard(1000) }), '10 ft deep, water 55 °F.'],
    [
      known({ heard: { ...heard(42_000), 'water-temp': heard(1000)['water-temp'] } }),
      'Water 55 °F, 10 ft deep 42 s ago.',
    ],
    [known({ heard: heard(42_000) }), 'Silent for 42 s. Last: 10 ft deep, water 55 °F.'],
  ])('%#: stale is said to be stale, none is no problem', (instruments, words) => {
    const said = sayInstruments(instruments, 'us');
    expect(said?.text ?? null).toBe(words);
    if (words?.startsWith('Silent')) expect(said?.stale).toBe(true);
  });
});

describe('what a trip brings to its water', () => {
  const note = (n: number, told: object) => ({
    event: { id: `01960000-0000-7000-8000-00000000000${n}`, tripId: 't', deviceId: 'd', seq: n, at: 'x', ...told },
    atMs: Date.parse('2027-03-13T14:00:00Z'),
  });

  it('is readings with a temperature, and marks with a place, under the ids of their notes', () => {
    const sensed = { from: 'browser', lonLat: [-88.4, 35.9] };
    const notes = [
      note(1, { kind: 'reading', reading: { surfaceTempC: 13, visibilityM: 1.2 } }),
      note(2, { kind: 'reading', reading: { sky: 'clear' } }),
      note(3, { kind: 'mark', sensed }),
      note(4, { kind: 'mark' }),
      note(5, { kind: 'bait', sensed }),
    ];
    const { readings, marks } = yieldOf({ notes } as unknown as Parameters<typeof yieldOf>[0]);
    expect(readings).toEqual([
      { id: notes[0]?.event.id, at: '2027-03-13T14:00:00.000Z', surfaceTempC: 13, visibilityM: 1.2 },
    ]);
    expect(marks).toEqual([
      {
        id: notes[2]?.event.id,
        kind: 'mark',
        shape: { type: 'Point', coordinates: [-88.4, 35.9] },
        name: 'Mark of a trip',
      },
    ]);
  });
});

describe('ways and stretches in words', () => {
  it.each([
    [120, 'us', '130 yards'],
    [1931, 'us', '1.2 miles'],
    [120, 'metric', '120 m'],
    [2400, 'metric', '2.4 km'],
  ] as const)('%d m in %s is %s', (metres, units, words) => expect(sayWay(metres, units)).toBe(words));

  it('name the way to steer', () => {
    expect(sayGoTo({ distanceM: 1931, bearingDeg: 312.4 }, 'us')).toBe('1.2 miles NW, 312°');
    expect(sayGoTo({ distanceM: 50, bearingDeg: 359.8 }, 'metric')).toBe('50 m N, 000°');
  });

  it('count from minutes to hours', () => {
    expect([0, 59 * 60_000, 151 * 60_000].map(sayStretch)).toEqual(['0 min', '59 min', '2 h 31']);
  });
});
