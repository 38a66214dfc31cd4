import { Conditions, dateOf, dayNumber, type Reading, type WeatherDay } from '@inky-shoal/core';
import type { ToldCard, WindowSureness } from '@inky-shoal/core/mornings';
import { deserialize, serialize } from 'node:v8';
import { combo, lure } from '../../../../../packages/core/src/testing/tackle';
import type { Draft } from '../sheet/draft';
import { doubtsOf, type KnownSeason } from './day-doubts';
import { morningsApi, type MorningsQuestion } from './mornings-api';
import { cardWords, decidesWords, shortPlanWords, spreadWords, surenessWords } from './mornings-words';

const INPUT = {
  discipline: 'bass',
  date: '2027-03-13',
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  surfaceTempC: 12.7,
  structures: ['ditch', 'flat'],
  covers: ['stump'],
  maxDepthM: 10,
} as const;
const DAY = dayNumber(INPUT.date);
const draft = (more: Partial<Draft> = {}): Draft =>
  ({ waterId: 'w', waterName: 'Pond', savedId: null, savedName: null, input: INPUT, ...more }) as unknown as Draft;
const weather = (offset: number): WeatherDay => ({
  date: dateOf(DAY + offset),
  kind: offset < 0 ? 'observed' : 'forecast',
  airTempC: 15,
  dewPointC: 5,
  windMps: 3,
  windFromDeg: 180,
  cloudFraction: 0.4,
  pressureHpa: 1015,
  rainMm: 0,
  solarWm2: null,
});
const days = (value: number) => new Float32Array(31).fill(value);
const zone = (id: string, surfaceC: number, sdC: number, alike: number[]) => ({
  id,
  surfaceC: days(surfaceC),
  sdC: days(sdC),
  alike: alike.map(days),
});
const season = (more: object = {}): KnownSeason =>
  ({
    water: {},
    year: {
      firstDay: DAY - 10,
      today: DAY - 1,
      lastDay: DAY + 20,
      zones: [zone('a', 12, 0.8, [1, 0.7]), zone('b', 14, 2.2, [0.7, 1])],
    },
    readings: [{ at: `${dateOf(DAY - 4)}T18:00:00Z`, surfaceTempC: 11, visibilityM: 1.8 }] as Reading[],
    weatherDays: Array.from({ length: 60 }, (_, at) => weather(at - 40)),
    ...more,
  }) as unknown as KnownSeason;

describe('what is not known of a day', () => {
  it('is what the season, the forecast and the readings leave open', () => {
    const { doubts, notes } = doubtsOf(draft({ zoneId: 'a' }), season(), DAY - 1);
    expect(doubts).toMatchObject({ leadDays: 1, visibility: { daysSince: 4 }, fixed: [] });
    expect(doubts.surfaceSdC).toBeCloseTo(0.8);
    // Weather far off does not bear on it.
    expect(doubts.weather.length).toBeLessThan(20);
    expect(notes).toEqual([]);
  });

  it('leaves alone what was said by hand, and the trend with the water', () => {
    const { doubts } = doubtsOf(draft({ typed: ['surfaceTempC', 'windMps', 'goal'] }), season(), DAY);
    expect([...doubts.fixed].sort()).toEqual(['surfaceTempC', 'tempTrendCPerDay', 'windMps']);
    expect(doubts.leadDays).toBe(0);
  });

  it('is said in words where it is a guess: a zone hardly read, no forecast, no season, a day a year ahead', () => {
    expect(doubtsOf(draft({ zoneId: 'b' }), season(), DAY).notes.join()).toMatch(/The water itself is a guess/);
    const far = doubtsOf(draft({ input: { ...INPUT, date: '2028-03-13' } } as never), season(), DAY);
    expect(far.doubts.leadDays).toBe(366);
    expect(far.notes.join()).toMatch(/No forecast reaches this day/);
    const nothing = doubtsOf(draft({ waterId: null }), null, DAY);
    expect(nothing.notes).toHaveLength(2);
    expect(nothing.doubts.surfaceSdC).toBeGreaterThan(2);
  });
});

describe('a ramp in another zone', () => {
  it('is read along with the zone that is fished as far as both go together; in the same zone it is the same', () => {
    const { ramp } = doubtsOf(draft({ zoneId: 'a' }), season(), DAY - 1, 'b').doubts;
    expect(ramp?.surfaceC).toBe(14);
    expect(ramp?.sdC).toBeCloseTo(2.2);
    expect(ramp?.alike).toBeCloseTo(0.7);
    for (const at of ['a', 'gone', undefined]) {
      expect(doubtsOf(draft({ zoneId: 'a' }), season(), DAY - 1, at).doubts.ramp).toBeUndefined();
    }
  });
});

const question = (surfaceTempC: number): MorningsQuestion => ({
  conditions: Conditions.parse({ ...INPUT, surfaceTempC }),
  doubts: doubtsOf(draft({ zoneId: 'a' }), season(), DAY - 1).doubts,
  pairs: [],
  units: 'us',
});

const ROOM = { lures: 6, rods: 3, daysAfter: [] };

describe('the mornings of the worker', () => {
  it('are told with their progress, go over the border whole, and are worked out once for all who ask', async () => {
    const shares: number[] = [];
    const asked = question(12.7);
    const [told, packing] = await Promise.all([
      morningsApi.of(asked, (share) => shares.push(share)),
      morningsApi.pack(asked, [lure(1, 'lipless-crankbait'), lure(2, 'suspending-jerkbait'), ...combo(20)], ROOM),
    ]);
    expect(shares.at(-1)).toBe(1);
    expect(told!.sureness.mornings).toBe(256);
    expect(deserialize(serialize(told))).toEqual(told);
    const [low, middle, high] = told!.surfaceTempC;
    expect([low < middle, middle < high]).toEqual([true, true]);
    expect(packing!.aboard.length).toBeGreaterThan(0);
    for (const { why } of packing!.aboard) expect(why).toMatch(/, (wanted in .+ mornings|behind the others)$/);
    expect(packing!.rods).toMatchObject([{ name: 'Rod 20', spareLine: null }]);
    expect(packing!.days).toBe(1);
    expect((await morningsApi.pack(asked, [], ROOM))!.aboard).toEqual([]);
    const owned = [lure(1, 'lipless-crankbait')];
    const week = await morningsApi.pack(asked, owned, { ...ROOM, daysAfter: [question(20), question(24)] });
    expect(week!.days).toBe(3);
    // What three days lack is more than what one does.
    expect(week!.lacks.length).toBeGreaterThan((await morningsApi.pack(asked, owned, ROOM))!.lacks.length);
  });

  it('are gone through for what the box lacks until nobody waits for it any more', async () => {
    const days = [question(12), question(20), question(24)];
    const shares: number[] = [];
    const asked = morningsApi.lacksAhead(days, [], (share) => {
      shares.push(share);
      morningsApi.leaveLacks();
    });
    expect(await asked).toEqual([]);
    expect(shares).toEqual([0]);
    expect((await morningsApi.lacksAhead(days, [])).length).toBeGreaterThan(3);
  });

  it('give way to a day that is asked for meanwhile', async () => {
    const [first, second] = await Promise.all([morningsApi.of(question(9)), morningsApi.of(question(20))]);
    expect(first).toBeNull();
    expect(second!.sureness.windows.length).toBeGreaterThan(1);
  });
});

const sure = (more: Partial<WindowSureness>): WindowSureness => ({
  windowId: 'w1',
  first: 'lipless-crankbait',
  stands: 0.7,
  inSet: 0.9,
  firsts: [],
  sets: [],
  depthM: [1, 2, 3],
  decides: null,
  ...more,
});
const decides = (over: string, under: string): WindowSureness['decides'] =>
  ({
    question: { of: 'surfaceTempC', over: 13.888 },
    over: { of: over, share: 0.8 },
    under: { of: under, share: 0.9 },
  }) as WindowSureness['decides'];

describe('how sure it is, in words', () => {
  it.each<[Partial<WindowSureness>, string]>([
    [{ stands: 0.97 }, 'The lipless crankbait stands on nearly every morning that may come.'],
    [{}, 'The lipless crankbait stands in 7 of 10 mornings.'],
    [{ stands: 0.01 }, 'The lipless crankbait stands in 1 of 10 mornings.'],
    [
      { decides: decides('weightless-stick-worm', 'lipless-crankbait') },
      'The lipless crankbait stands in 7 of 10 mornings; the water temperature decides: with water over 57 °F the weightless stick worm takes over.',
    ],
    [
      { decides: decides('lipless-crankbait', 'suspending-jerkbait') },
      'The lipless crankbait stands in 7 of 10 mornings; the water temperature decides: with water up to 57 °F the suspending jerkbait takes over.',
    ],
  ])('of %j', (more, words) => expect(surenessWords(sure(more), 'us')).toBe(words));

  it('of a window in which neither answer is what was planned, and of what one sees', () => {
    expect(decidesWords(sure({ decides: decides('spinnerbait', 'drop-shot') }), 'us')).toMatch(
      /with water over 57 °F the spinnerbait, else the drop shot$/,
    );
    const seen = {
      ...decides('spinnerbait', 'lipless-crankbait')!,
      question: { of: 'visibilityM', over: 1.524 },
    } as const;
    expect(decidesWords(sure({ decides: seen }), 'us')).toBe(
      'how far down you see decides: with a visibility over 5 ft the spinnerbait takes over',
    );
    expect(spreadWords({ surfaceTempC: [12, 13, 14], visibilityM: [1, 2, 3], windMps: [2, 3, 5] }, 'us')).toBe(
      'Water 54 to 57 °F, visibility 3½ to 10 ft, wind 4 to 11 mph',
    );
  });

  it('of the card and its ends', async () => {
    const told = await morningsApi.of(question(13));
    const card = told!.card as ToldCard;
    expect(cardWords(card)).toMatch(/on \d+ of 100 mornings that it has not seen\.$/);
    const end = (node: ToldCard['root']): Extract<ToldCard['root'], { kind: 'answer' }> =>
      node.kind === 'answer' ? node : end(node.over.node);
    const [what, how] = shortPlanWords(end(card.root).plan, 'us');
    expect(what).toMatch(/^[A-Z].+ at .+ ft$/);
    expect(how).toMatch(/rod, \d+ lb .+\.$/);
  });
});
