import type { Claim, LogbookRow } from '@inky-shoal/core/logbook';
import type { Moved } from '@inky-shoal/core/record';
import type { Fishing, NewTripEvent, TripEvent } from '@inky-shoal/core/underway';
import 'fake-indexeddb/auto';
import { deserialize, serialize } from 'node:v8';
import { jerkbait, LogWriter, preSpawn, preSpawnPlan } from '../../../../../packages/core/src/testing/trip-log';
import { recordApi } from '../record/record-api';
import { learntByRule } from '../record/record-words';
import { roundTicks } from '../ui/drawn-chart';
import { catchOf, fishFields, fishValues, pieceOf, withField, withTiedOn } from '../underway/fish-fields';
import { SENT, TripDb } from '../underway/trip-db';
import { readRows, writeRows } from './kept-rows';
import {
  broughtWords,
  claimWords,
  dayWords,
  hoursWords,
  lengthFigure,
  mostTelling,
  rateFigure,
  sureWords,
  taughtWords,
} from './log-words';

const moved = (more: Partial<Moved>): Moved => ({
  what: 'Grass flat',
  kind: 'factor',
  rule: null,
  prior: 1,
  posterior: 1.52,
  hours: 28.8,
  likely: 0.93,
  ...more,
});

describe('the words of the log', () => {
  it('say what a trip was and what it brought', () => {
    const row = { surfaceTempC: 10.5, visibilityM: 1.8, phase: 'pre-spawn' } as LogbookRow;
    expect(dayWords(row, 'us')).toBe('51 °F, sees 6 ft, pre-spawn');
    expect(dayWords({ ...row, surfaceTempC: null, visibilityM: null, phase: null }, 'us')).toBe('');
    expect(broughtWords({ fish: 3, bites: 3, hours: 5.5 })).toBe('3 fish, 5 h 30');
    expect(broughtWords({ fish: 0, bites: 1, hours: 1 })).toBe('0 fish of 1 bite, 1 h 00');
    expect(hoursWords(0.5)).toBe('30 min');
    expect(lengthFigure(null, 'us')).toBe('');
    expect(lengthFigure(508, 'us')).toBe('20');
  });

  it.each([
    [0.5, 'even odds'],
    [0.55, '6 in 10 sure'],
    [0.93, '9 in 10 sure'],
    [0.96, '9 in 10 sure'],
    [0.99, 'nearly certain'],
  ])('say how sure %s is', (likely, words) => expect(sureWords(likely)).toBe(words));

  it('tell of the record only what is likely and rests on hours, rules left to their page', () => {
    const list = [
      moved({ kind: 'rule', rule: 'x' }),
      moved({ likely: 0.7 }),
      moved({ hours: 2 }),
      moved({ what: 'steep bank', posterior: 0.75 }),
    ];
    expect(mostTelling(list)?.what).toBe('steep bank');
    expect(mostTelling(list.slice(0, 3))).toBeUndefined();
    expect(taughtWords(moved({}))).toBe(
      'Grass flat brings 1.5 times the bites that the rules expect (29 hours; 9 in 10 sure).',
    );
    expect(taughtWords(moved({ what: 'steep bank', posterior: 0.75 }))).toMatch(/^Steep bank brings 75 % of the bites/);
  });

  it('say of a claim that it is so, that it is not, and that nobody can know', () => {
    const claim: Claim = { times: 1.8, low: 1.2, high: 2.6, likely: 0.97, trips: 61, tripsWith: 14, hoursWith: 60 };
    const said = (told: Claim | null) => claimWords(told, 'barometer', '0 falling', 'bites', 'us');
    expect(said(claim)).toBe(
      'Falling: more bites, 9 in 10 sure: 1.8 times the bites of the rest, four times in five between 1.2 and 2.6 (14 of 61 trips).',
    );
    expect(said({ ...claim, times: 0.5, low: 0.3, high: 0.8, likely: 0.01 })).toMatch(/^Falling: fewer bites, nearly/);
    expect(said({ ...claim, likely: 0.6 })).toMatch(/^Falling: no sign of it in 14 of 61 trips/);
    expect(said(null)).toMatch(/never so, or never otherwise/);
    expect([0.123, 1.26, 12.6].map(rateFigure)).toEqual(['0.12', '1.3', '13']);
  });

  it('stand beside the rules whose weights were moved', () => {
    const rules = learntByRule([moved({}), moved({ kind: 'rule', rule: 'cold-waits', prior: 0.9, posterior: 1.25 })]);
    expect([...rules]).toEqual([['cold-waits', 'Shipped weight 0.9; by your trips 1.25 (29 hours).']]);
  });
});

describe('round figures along a scale', () => {
  it.each([
    [0, 2.6, 6, [0, 0.5, 1, 1.5, 2, 2.5]],
    [30, 89, 4, [40, 60, 80]],
    [0, 0.3, 6, [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3]],
    [0, 13, 6, [0, 5, 10]],
  ])('from %s to %s in at most %s steps', (from, to, steps, ticks) => {
    expect(roundTicks(from, to, steps).map(({ value }) => value)).toEqual(ticks);
  });
});

describe('what more is told of a fish', () => {
  it('asks for the fish of its kind of fishing', () => {
    const kinds = (discipline: 'bass' | 'inshore' | undefined) => {
      const [species] = fishFields(discipline);
      return species?.kind === 'one' ? species.choices.map(({ id }) => id) : [];
    };
    expect(kinds('bass')).toContain('largemouth');
    expect(kinds('bass')).not.toContain('red-drum');
    expect(kinds('inshore')).toContain('red-drum');
    expect(kinds(undefined)).toEqual(expect.arrayContaining(['largemouth', 'red-drum']));
  });

  it('says only what was changed, what was tied on as a whole', () => {
    const known = { species: 'largemouth', tiedOn: { weightG: 10, tone: 'bold' } } as const;
    const values = fishValues(known);
    expect(catchOf(values, known)).toEqual({});
    expect(catchOf({ ...values, hooked: 'lip', species: undefined }, known)).toMatchObject({ hooked: 'lip' });
    expect(catchOf({ ...values, 'tied:weightG': 14 }, known).tiedOn).toEqual({ weightG: 14, tone: 'bold' });
    expect(catchOf({ ...values, 'tied:tone': undefined }, known).tiedOn).toEqual({ weightG: 10 });
  });

  it('is no longer an owned piece once its own figures are others, whatever line it hangs on', () => {
    const piece = { pieceId: '01960000-0000-7000-8000-000000000001', weightG: 14, tone: 'bold', lineLb: 12 } as const;
    const values = withTiedOn(fishValues({}), piece);
    expect(pieceOf(values)).toBe(piece.pieceId);
    expect(catchOf(values, {}).tiedOn).toEqual(piece);
    expect(pieceOf(withField(values, 'tied:lineLb', 10))).toBe(piece.pieceId);
    expect(pieceOf(withField(values, 'tied:weightG', 10))).toBe('');
    expect(pieceOf(withField(values, 'hooked', 'lip'))).toBe(piece.pieceId);
  });
});

describe('the log of a device', () => {
  const NAMES = { '01960000-0000-7000-8000-0000000000aa': 'Test pond' };
  const db = new TripDb('own');
  const keep = (events: readonly TripEvent[]) =>
    db.events.bulkPut(events.map((event) => ({ id: event.id, event, state: SENT })));

  function trip(first: number, hours: readonly (readonly [Partial<Fishing>, number])[], ends = true): TripEvent[] {
    const log = new LogWriter(undefined, first, `01960000-0000-7000-8000-${String(first).padStart(12, '0')}`);
    const begin: NewTripEvent = {
      kind: 'begin',
      name: 'Test pond, then',
      waterId: Object.keys(NAMES)[0],
      place: preSpawn.place,
      plan: preSpawnPlan,
      stops: [],
      aheadMs: 0,
    };
    log.add(0, begin);
    hours.forEach(([fishing, bites], hour) => {
      const own = { ...jerkbait, spot: 'Bend', ...fishing };
      log.add(60 * hour + 1, { kind: 'effort', minutes: 60, fishing: own });
      for (let bite = 0; bite < bites; bite++) log.contact(60 * hour + 2 + bite, 'landed', own);
    });
    if (ends) log.add(60 * hours.length + 1, { kind: 'finish' });
    return log.events;
  }

  it('tells its lines, keeps them, and says nothing new until a note is', async () => {
    const rows = (have: string | null, names: Readonly<Record<string, string>> = NAMES) =>
      recordApi.rows('own', names, have);
    expect((await rows(null))?.rows).toEqual([]);
    await keep(trip(10_000, [[{}, 2]]));
    // One that is underway has its own page.
    await keep(trip(20_000, [[{}, 1]], false));
    const told = await rows(null);
    expect(told?.rows).toMatchObject([{ water: 'Test pond', fish: 2, spots: ['Bend'] }]);
    expect(deserialize(serialize(told))).toEqual(told);
    expect(await readRows('own')).toMatchObject(told!);
    // Who has them is told nothing; who asked and did not wait for the answer is told again.
    expect(await rows(told!.of)).toBeNull();
    expect((await rows(null))?.rows).toEqual(told?.rows);
    expect((await rows(told!.of, { ...NAMES, other: 'Another' }))?.rows).toHaveLength(1);
  });

  it('keeps no line of notes that became others while it was told', async () => {
    const before = await readRows('own');
    await writeRows('own', 'of other notes', { of: 'older', rows: [] });
    expect(await readRows('own')).toEqual(before);
  });

  it('counts, tests claims, likens days, remembers places, and goes out in every form', async () => {
    await keep(
      trip(30_000, [
        [{}, 1],
        [{ category: 'finesse-jig' }, 3],
        [{}, 0],
      ]),
    );
    const query = { factor: 'lure', counted: 'bites' } as const;
    expect((await recordApi.shows('own', query)).trips).toBe(2);
    expect((await recordApi.shows('own', { ...query, waterId: 'no-water' })).trips).toBe(0);
    expect((await recordApi.claim('own', query, 'finesse-jig'))?.tripsWith).toBe(1);
    const [day] = await recordApi.likeDays('own', preSpawn, 1);
    expect(day?.distance).toBe(0);
    const { spots, tags } = await recordApi.places('own', 20_526, 1.8);
    expect(spots).toMatchObject([{ spot: 'Bend', trips: 2 }]);
    expect(tags).toEqual([]);
    expect((await recordApi.file('own', 'trips', NAMES)).split('\r\n')).toHaveLength(4);
    expect((await recordApi.file('own', 'fish', NAMES, [])).split('\r\n')).toHaveLength(2);
    expect(await recordApi.file('own', 'gpx', NAMES)).toContain('<gpx');
    expect(JSON.parse(await recordApi.file('own', 'geojson', NAMES))).toMatchObject({ type: 'FeatureCollection' });
  });

  it('teaches by kind of fishing, and from a day on alone', async () => {
    expect(await recordApi.taught('own')).toMatchObject([{ discipline: 'bass', trips: 2 }]);
    expect(await recordApi.taught('own', Date.parse('2030-01-01T00:00:00Z'))).toEqual([]);
    expect(await recordApi.planDay('own', preSpawn, 'us', Date.parse('2030-01-01T00:00:00Z'))).toBeNull();
  });
});
