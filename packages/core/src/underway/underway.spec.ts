import fc from 'fast-check';
import { parse } from '../contract/problems.js';
import { TripEvent, TripEvents } from '../contract/trips.js';
import {
  LogWriter,
  OTHER_DEVICE,
  TRIP_ID,
  idAt,
  jerkbait,
  momentOf,
  preSpawn,
  preSpawnPlan,
} from '../testing/trip-log.js';
import { blocksOf, castHours } from './blocks.js';
import { changesAt, namedApart, optionsOf } from './candidates.js';
import { goTo } from './go-to.js';
import { advisedAt, dayClock, windowAt } from './moment.js';
import { findingsOf } from './next.js';
import { latestReading, offPlan } from './off-plan.js';
import { reviewOf } from './review.js';
import { timelineOf } from './timeline.js';
import { lastTiedOn } from './carried.js';
import { lastTap, noteChanges, removedTripsOf, tagSeen, tripOf, tripsOf, type KnownTrips } from './trip.js';

const tripIn = (log: LogWriter) => {
  const trip = tripOf(log.events, TRIP_ID);
  if (!trip) throw new Error('no trip');
  return trip;
};
const found = (log: LogWriter, minute: number) =>
  findingsOf({ trip: tripIn(log), nowMs: momentOf(minute), units: 'us' });
const blocks = (log: LogWriter, minute: number) => {
  const trip = tripIn(log);
  return blocksOf(trip, momentOf(minute), dayClock(trip));
};

describe('events', () => {
  it('are taken as the device wrote them, and refused in words where a figure cannot be', () => {
    const log = new LogWriter();
    log.begin();
    log.add(5, {
      kind: 'contact',
      what: 'landed',
      fishing: jerkbait,
      fish: { lengthMm: 432, weightG: 1100, tag: 'A 17' },
    });
    expect(parse(TripEvents, JSON.parse(JSON.stringify(log.events))).ok).toBe(true);
    const huge = { ...log.events[1], fish: { lengthMm: 9000 } };
    expect(parse(TripEvent, huge)).toEqual({
      ok: false,
      problems: [{ path: 'fish.lengthMm', message: 'expected a length in millimetres from 20 to 2500, got 9000' }],
    });
    expect(parse(TripEvent, { ...log.events[1], kind: 'dream' })).toMatchObject({ ok: false });
    expect(parse(TripEvent, { ...log.events[1], mood: 'good' })).toMatchObject({ ok: false });
  });
});

describe('the order of events', () => {
  it('is the same whatever comes first, twice, or five times', () => {
    const one = new LogWriter();
    one.begin();
    for (let each = 1; each < 9; each++) one.casts(each * 7);
    const two = new LogWriter(OTHER_DEVICE, 0x9000);
    for (let each = 0; each < 7; each++) two.contact(each * 9 + 3, each % 2 ? 'short' : 'landed');
    const all = [...one.events, ...two.events];
    const wanted = timelineOf(all);
    fc.assert(
      fc.property(fc.shuffledSubarray([...all, ...all, ...all], { minLength: all.length * 3 }), (shuffled) => {
        expect(timelineOf(shuffled)).toEqual(wanted);
        expect(tripOf(shuffled, TRIP_ID)).toEqual(tripOf(all, TRIP_ID));
      }),
      { numRuns: 40 },
    );
    expect(wanted.events).toHaveLength(all.length);
    expect(wanted.wrongClocks.size).toBe(0);
  });

  it('holds a device to its own count where its clock ran backwards, and says so', () => {
    const log = new LogWriter();
    log.begin();
    for (const minute of [10, 20, 30, 40]) log.casts(minute);
    log.contact(-80, 'landed');
    log.casts(-70);
    const { events, wrongClocks } = timelineOf(log.events);
    expect(events.map(({ event }) => event.seq)).toEqual([0, 1, 2, 3, 4, 5, 6]);
    expect(events.at(-1)?.atMs).toBe(momentOf(40));
    expect([...wrongClocks]).toEqual([log.deviceId]);
  });

  it('does not let one leap ahead move all that follows', () => {
    const log = new LogWriter();
    log.begin();
    log.casts(10);
    log.contact(400_000, 'short');
    for (const minute of [20, 30, 40]) log.casts(minute);
    const { events } = timelineOf(log.events);
    expect(events.map(({ atMs }) => atMs)).toEqual([0, 10, 10, 20, 30, 40].map(momentOf));
  });

  it('never goes back within a device, whatever the clock says', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -500, max: 500 }), { minLength: 1, maxLength: 40 }), (minutes) => {
        const log = new LogWriter();
        minutes.forEach((minute) => log.casts(minute));
        const { events } = timelineOf(log.events);
        expect(events.map(({ event }) => event.seq)).toEqual(minutes.map((_, seq) => seq));
        expect(events.every(({ atMs }, at) => at === 0 || atMs >= (events[at - 1]?.atMs ?? 0))).toBe(true);
      }),
    );
  });
});

describe('a trip', () => {
  it('goes on, pauses and ends as its events say, pauses left out of the fishing', () => {
    const log = new LogWriter();
    log.begin();
    expect(tripIn(log)).toMatchObject({ state: 'going', stoppedMs: null, fishing: null });
    log.add(2, { kind: 'fishing', fishing: jerkbait });
    log.add(20, { kind: 'pause' });
    expect(tripIn(log).state).toBe('paused');
    log.add(50, { kind: 'resume' });
    log.add(60, { kind: 'finish' });
    const trip = tripIn(log);
    expect(trip).toMatchObject({ state: 'over', stoppedMs: momentOf(60), fishing: jerkbait });
    expect(blocks(log, 60).reduce((sum, { hours }) => sum + hours, 0)).toBeCloseTo(28 / 60, 5);
  });

  it('is put right by later events; what is taken back leaves nothing, a taken-back correction neither', () => {
    const log = new LogWriter();
    log.begin();
    const fish = log.contact(5, 'landed');
    log.add(6, { kind: 'correct', of: fish.id, fish: { lengthMm: 400 } });
    const tag = log.add(7, { kind: 'correct', of: fish.id, fish: { tag: 'K-9' } });
    const deeper = { ...jerkbait, depthM: 3 };
    log.add(8, { kind: 'correct', of: fish.id, fishing: deeper });
    expect(tripIn(log).notes[0]?.event).toMatchObject({ fish: { lengthMm: 400, tag: 'K-9' }, fishing: deeper });
    log.add(9, { kind: 'take-back', of: tag.id });
    expect(tripIn(log).notes[0]?.event).toMatchObject({ fish: { lengthMm: 400 } });
    expect(tripIn(log).notes[0]?.event).not.toHaveProperty('fish.tag');
    log.add(10, { kind: 'take-back', of: fish.id });
    expect(tripIn(log).notes).toEqual([]);
  });

  it('is not told anew where nothing was added to it', () => {
    const known: KnownTrips = new Map();
    const log = new LogWriter();
    log.begin();
    const [first] = tripsOf(log.events, known);
    expect(tripsOf(log.events, known)[0]).toBe(first);
    log.casts(5);
    const [second] = tripsOf(log.events, known);
    expect(second).not.toBe(first);
    expect(second).toEqual(tripOf(log.events, TRIP_ID));
  });

  it('is not robbed of what it knows by a correction that leaves a field open', () => {
    const log = new LogWriter();
    log.begin();
    const fish = log.contact(5, 'landed');
    log.add(6, { kind: 'correct', of: fish.id, fish: { lengthMm: 400, tag: undefined } });
    log.add(7, { kind: 'correct', of: fish.id, fish: { lengthMm: undefined, tag: 'K-9' } });
    expect(tripIn(log).notes[0]?.event).toMatchObject({ fish: { lengthMm: 400, tag: 'K-9' } });
  });

  it('fishes what a new plan says once it is taken, until another thing is said', () => {
    const log = new LogWriter();
    log.begin();
    log.casts(5);
    log.add(6, { kind: 'plan', plan: preSpawnPlan });
    expect(tripIn(log).fishing).toBeNull();
    log.casts(7);
    expect(tripIn(log).fishing).toEqual(jerkbait);
  });

  it('takes back the last tap of this device, then the one before', () => {
    const log = new LogWriter();
    log.begin();
    const [first, second] = [log.casts(5), log.contact(6, 'follow')];
    expect(lastTap(log.events, TRIP_ID, log.deviceId)).toBe(second);
    expect(lastTap(log.events, TRIP_ID, OTHER_DEVICE)).toBeNull();
    log.add(7, { kind: 'take-back', of: second.id });
    expect(lastTap(log.events, TRIP_ID, log.deviceId)).toBe(first);
  });

  it('carries what was tied on from the last fish of a lure, and of no other lure', () => {
    const log = new LogWriter();
    log.begin();
    log.add(5, { kind: 'contact', what: 'landed', fishing: jerkbait, fish: { tiedOn: { weightG: 9 } } });
    log.add(9, { kind: 'contact', what: 'landed', fishing: jerkbait, fish: { tiedOn: { weightG: 14 } } });
    log.add(12, { kind: 'contact', what: 'landed', fishing: jerkbait });
    expect(lastTiedOn(tripIn(log), jerkbait.category)).toEqual({ weightG: 14 });
    expect(lastTiedOn(tripIn(log), 'finesse-jig')).toBeNull();
  });

  it('knows a tag that was seen before, however it was written', () => {
    const before = new LogWriter(OTHER_DEVICE, 0x500, idAt(7));
    before.begin();
    const seen = before.add(5, {
      kind: 'contact',
      what: 'landed',
      fishing: { ...jerkbait, spot: 'Ditch bend' },
      fish: { tag: 'a 1734', lengthMm: 380 },
      sensed: { from: 'browser', lonLat: [-88.4, 35.9] },
    });
    const log = new LogWriter();
    log.begin();
    const now = log.add(9, { kind: 'contact', what: 'landed', fishing: jerkbait, fish: { tag: 'A1734' } });
    const trips = tripsOf([...before.events, ...log.events]);
    expect(trips).toHaveLength(2);
    expect(tagSeen(trips, 'A 1734', now.id)).toEqual([
      { atMs: momentOf(5), tripName: 'A day in March', spot: 'Ditch bend', lonLat: [-88.4, 35.9], lengthMm: 380 },
    ]);
    expect(tagSeen(trips, 'A 1735')).toEqual([]);
    expect(seen.id).not.toBe(now.id);
  });
});

describe('blocks of fishing', () => {
  it('count what was said: casts at their pace, minutes, and one cast for each answer', () => {
    const log = new LogWriter();
    log.begin();
    log.casts(10);
    log.contact(12, 'short');
    log.contact(13, 'follow');
    const [block] = blocks(log, 14);
    expect(block?.hours).toBeCloseTo(22 * castHours(jerkbait.paceMps), 6);
    expect([block?.bites, block?.nearMisses]).toEqual([0, 2]);
    expect(castHours(0.35)).toBeCloseTo((22 / 0.35 + 10) / 3600, 6);
    log.add(15, { kind: 'effort', minutes: 12, fishing: { ...jerkbait, depthM: 4 } });
    expect(blocks(log, 16).at(-1)).toMatchObject({ depthM: 4, bites: 0, hours: 0.2 });
  });

  it('take the time between notes where no effort was said, but not hours of silence', () => {
    const log = new LogWriter();
    log.begin();
    log.add(0, { kind: 'fishing', fishing: jerkbait });
    log.contact(15, 'landed');
    expect(blocks(log, 20)[0]).toMatchObject({ bites: 1 });
    expect(blocks(log, 20)[0]?.hours).toBeCloseTo(20 / 60, 5);
    expect(blocks(log, 300).reduce((sum, { hours }) => sum + hours, 0)).toBeCloseTo(55 / 60, 5);
  });

  it('are cut where what is fished changes', () => {
    const log = new LogWriter();
    log.begin();
    log.casts(5);
    log.casts(15, 20, { ...jerkbait, trim: 'brighter' });
    log.casts(16, 10, { ...jerkbait, trim: 'brighter' });
    expect(blocks(log, 20).map(({ trim }) => trim)).toEqual([null, 'brighter']);
    expect(blocks(log, 20)[1]?.hours).toBeCloseTo(30 * castHours(jerkbait.paceMps), 6);
  });
});

describe('what could be fished', () => {
  const window = preSpawnPlan.plan.windows[0]!;
  it("begins with the plan's own places and lures, the first of them likeliest", () => {
    const options = optionsOf(window, [], null, 420, { light: window.light, tide: null });
    const best = [...options].sort((a, b) => b.prior - a.prior)[0];
    expect(best?.category).toBe(window.presentations[0]?.category);
    expect(best?.structure).toBe(window.holding[0]?.structure);
    expect(new Set(options.map(({ id }) => id)).size).toBe(options.length);
    expect(options.length).toBeLessThanOrEqual(150);
  });

  it('adds one change at a time to what is fished, none beyond what the lure can do', () => {
    const options = optionsOf(window, [], jerkbait, 420, { light: window.light, tide: null });
    const own = options.filter(
      ({ category, structure }) => category === jerkbait.category && structure === jerkbait.structure,
    );
    expect(own.map(({ trim }) => trim)).toEqual(expect.arrayContaining(['brighter', 'smaller']));
    expect(Math.max(...own.map(({ depthM }) => depthM))).toBeLessThanOrEqual(4);
    expect(own.some(({ paceMps }) => paceMps > jerkbait.paceMps * 1.3)).toBe(true);
    expect(own.some(({ depthM }) => depthM < jerkbait.depthM * 0.8)).toBe(true);
  });

  it('tells stops of one name apart, and leaves the others as they are', () => {
    const stop = { depthM: 3, lonLat: [-88.4, 35.9] as [number, number], fromMin: 400, toMin: 460 };
    const names = ['Point, upper arm', 'Ditch', 'Point, upper arm', 'Point, upper arm'];
    const apart = namedApart(names.map((name) => ({ ...stop, name })));
    expect(apart.map(({ name }) => name)).toEqual([
      'Point, upper arm',
      'Ditch',
      'Point, upper arm (2)',
      'Point, upper arm (3)',
    ]);
    const options = optionsOf(window, apart, null, 420, { light: window.light, tide: null });
    expect(new Set(options.map(({ spot }) => spot)).size).toBe(4);
  });

  it('changes one thing at a time, and that within what the lure can do', () => {
    for (const other of changesAt(window, [], jerkbait, 420)) {
      const changed = (['depthM', 'paceMps', 'trim'] as const).filter((key) => other[key] !== jerkbait[key]);
      expect(changed).toHaveLength(1);
      expect({ ...other, depthM: 0, paceMps: 0, trim: null }).toEqual({
        ...jerkbait,
        depthM: 0,
        paceMps: 0,
        trim: null,
      });
    }
  });

  it("goes by the day's order where there is one, the stop of the hour first", () => {
    const stop = { depthM: 3, lonLat: [-88.4, 35.9] as [number, number] };
    const stops = [
      { ...stop, name: 'Ditch bend', fromMin: 400, toMin: 460 },
      { ...stop, name: 'Long point', fromMin: 470, toMin: 520 },
    ];
    const options = optionsOf(window, stops, null, 420, { light: window.light, tide: null });
    expect(new Set(options.map(({ spot }) => spot))).toEqual(new Set(['Ditch bend', 'Long point']));
    expect([...options].sort((a, b) => b.prior - a.prior)[0]?.spot).toBe('Ditch bend');
  });
});

describe('the next move', () => {
  it('follows the plan before the first cast, and says that it is a guess', () => {
    const log = new LogWriter();
    log.begin();
    const { next, matters } = found(log, 1);
    expect(next).toMatchObject({ move: 'move', guess: true });
    expect(next?.text).toMatch(/^Begin with the /);
    expect(next?.because.length).toBeGreaterThan(0);
    expect(matters).toEqual([]);
  });

  it('says that a change is a try where it is told to bring no more than staying', () => {
    const toldRates = (odds: string) => /^([\d.]+) bites .* ([\d.]+) if you stay/.exec(odds)?.slice(1).map(Number);
    const told = ['short', 'follow', null].flatMap((contact) => {
      const log = new LogWriter();
      log.begin();
      return [8, 16, 24, 32, 40].flatMap((minute) => {
        log.casts(minute);
        if (contact) log.contact(minute + 1, contact as 'short');
        return found(log, minute + 2).next?.odds ?? [];
      });
    });
    const tries = told.filter((odds) => odds.includes('Worth a try.'));
    expect(tries.length).toBeGreaterThan(0);
    for (const odds of told) {
      const [change, stay] = toldRates(odds) ?? [];
      if (odds.includes('Worth a try.')) expect(change).toBeLessThanOrEqual(stay!);
      else if (stay !== undefined) expect(change).toBeGreaterThanOrEqual(stay);
    }
  });

  it('changes when the taps do: silence leads away, a run of fish back', () => {
    const quiet = new LogWriter();
    quiet.begin();
    for (let each = 1; each <= 5; each++) quiet.casts(each * 12);
    const away = found(quiet, 61);
    expect(['stay', 'turn-back']).not.toContain(away.next?.move);
    expect(away.next?.odds).toMatch(/bites an hour, .* if you stay; better in \d+ in 10\./);
    expect(away.tips.join(' ')).toContain('nobody is at home');
    // Who came to look is at home.
    quiet.contact(61, 'follow');
    expect(found(quiet, 62).tips.join(' ')).not.toContain('nobody is at home');

    const busy = new LogWriter();
    busy.begin();
    busy.casts(5, 10);
    for (const minute of [8, 11, 14]) busy.contact(minute, 'landed');
    const back = found(busy, 15);
    expect(back.next?.move).toBe('turn-back');
    expect(back.next?.because.join(' ')).toContain('Several bites in a short stretch');
    expect(back.bites).toBe(3);
  });

  it('answers short strikes by one change of the lure, follows by pace, bait without bites by depth', () => {
    const shorts = new LogWriter();
    shorts.begin();
    shorts.casts(6);
    for (const minute of [8, 16, 20]) shorts.contact(minute, 'short');
    expect(found(shorts, 21).tips.join(' ')).toContain('Colour first');

    const follows = new LogWriter();
    follows.begin();
    follows.casts(6);
    for (const minute of [8, 12, 14]) follows.contact(minute, 'follow');
    follows.casts(18);
    const paced = found(follows, 19);
    expect(paced.tips.join(' ')).toContain('change the pace first');
    expect(paced.next?.because.join(' ') ?? '').not.toContain('nobody is at home');

    const bait = new LogWriter();
    bait.begin();
    bait.add(2, { kind: 'bait' });
    bait.casts(6, 30);
    expect(found(bait, 8).tips.join(' ')).toContain('change the depth, then the pace');
  });

  it('leans, but does not decide: what was caught outweighs what was seen', () => {
    const log = new LogWriter();
    log.begin();
    log.casts(4, 5);
    for (const minute of [5, 7, 9, 11, 13]) log.contact(minute, 'landed');
    log.contact(14, 'follow');
    log.contact(15, 'follow');
    expect(['stay', 'turn-back']).toContain(found(log, 16).next?.move);
  });

  it('goes along with a morning: an empty place, a follow, fish, put down, coming back', () => {
    const log = new LogWriter();
    log.begin();
    const because = (minute: number) => found(log, minute).next?.because.join(' ') ?? '';
    for (let minute = 12; minute <= 132; minute += 12) log.casts(minute, 15);
    const empty = found(log, 133);
    expect(empty.next?.move).not.toBe('stay');
    expect(because(133)).toMatch(/This place is likely empty \(\d in 10\)\./);
    // Another place: a fish looks, so that fish are there.
    const there = { ...jerkbait, spot: 'Ditch bend' };
    log.casts(150, 15, there);
    log.contact(152, 'follow', there);
    log.contact(155, 'follow', there);
    expect(because(156)).toContain('2 came and did not take it: fish are here, and something is off.');
    for (const minute of [160, 163, 166, 170]) log.contact(minute, 'landed', there);
    expect(['stay', 'turn-back']).toContain(found(log, 171).next?.move);
    for (const minute of [178, 186, 194]) log.casts(minute, 15, there);
    expect(because(195)).toMatch(/They were here and are put down: back at \d\d:\d\d\./);
    // Hours later nobody speaks of that any more.
    log.casts(420, 5, there);
    expect(because(421)).not.toContain('put down');
  });

  it('tells what matters with its range once enough was fished', () => {
    const log = new LogWriter();
    log.begin();
    const jig = { ...jerkbait, category: 'football-jig' as const, depthM: 2, paceMps: 0.15 };
    for (let each = 0; each < 5; each++) {
      log.casts(each * 40 + 10, 8, { ...jig, depthM: 6 });
      log.casts(each * 40 + 30, 8, jig);
      log.contact(each * 40 + 34, 'landed', jig);
      log.contact(each * 40 + 38, 'missed', jig);
    }
    const { matters, next } = found(log, 230);
    expect(matters[0]).toMatch(/^Depth near 6½ ft: 2\.\d times the bites, likely \d\.\d+ to \d+\.\d\.$/);
    expect(next?.guess).toBe(false);
  });

  it('works without a plan from what was fished alone', () => {
    const log = new LogWriter();
    log.begin(null);
    expect(found(log, 1).next).toBeNull();
    log.casts(10);
    expect(found(log, 11).next?.because.length).toBeGreaterThan(0);
  });
});

describe('a reading off the plan', () => {
  it.each([
    [{ surfaceTempC: 12 }, /50 °F|54 °F.*warmer/],
    [{ surfaceTempC: 8.9 }, /colder/],
    [{ visibilityM: 0.9 }, /One sees 3 ft down, not 6 ft/],
    [{ sky: 'clear' as const }, /Clear, where overcast was planned/],
    [{ windMps: 9 }, /The wind is 20 mph, not 9 mph/],
    [{ windFromDeg: 300 }, /turned/],
    [{ level: 'rising' as const }, /rising/],
  ])('%j is said', (reading, words) => {
    const off = offPlan(preSpawnPlan, reading, 'us');
    expect(off?.words.join(' ')).toMatch(words);
    expect(off?.conditions).toMatchObject(reading);
    expect(offPlan({ conditions: off!.conditions, plan: preSpawnPlan.plan }, reading, 'us')).toBeNull();
  });

  it.each([{ surfaceTempC: 11.9 }, { visibilityM: 1.2 }, { sky: 'rain' as const }, { windFromDeg: 240 }, {}])(
    '%j is near enough',
    (reading) => expect(offPlan(preSpawnPlan, reading, 'us')).toBeNull(),
  );

  it('holds what was assumed for planned too', () => {
    const bare = { ...preSpawn, sky: undefined };
    const plan = { ...preSpawnPlan.plan, assumed: [{ path: 'sky', value: 'overcast' }] };
    expect(offPlan({ conditions: bare, plan }, { sky: 'clear' }, 'us')?.words).toHaveLength(1);
  });

  it('is looked for among what was read since the plan, by hand or by instrument', () => {
    const log = new LogWriter();
    log.begin();
    log.add(5, { kind: 'reading', reading: { surfaceTempC: 11, sky: 'clear' } });
    log.add(9, { kind: 'effort', casts: 20, fishing: jerkbait, sensed: { from: 'instruments', surfaceTempC: 12.4 } });
    expect(latestReading(tripIn(log))).toEqual({ surfaceTempC: 12.4, sky: 'clear' });
    log.add(10, { kind: 'plan', plan: preSpawnPlan });
    expect(latestReading(tripIn(log))).toEqual({});
  });
});

describe('the way to a place', () => {
  it('is as long as a minute of latitude, and points north', () => {
    const { distanceM, bearingDeg } = goTo([-88.4, 35.9], [-88.4, 35.9 + 1 / 60]);
    expect(distanceM).toBeGreaterThan(1849);
    expect(distanceM).toBeLessThan(1857);
    expect(bearingDeg).toBeCloseTo(0, 6);
  });
});

describe('the review', () => {
  it('tells what was planned, done and found, and marks small samples', () => {
    const log = new LogWriter();
    log.begin();
    log.casts(10, 20);
    log.contact(14, 'landed');
    log.add(20, { kind: 'reading', reading: { surfaceTempC: 12.5 } });
    log.add(30, { kind: 'finish' });
    const { planned, done, found: showed } = reviewOf(tripIn(log), momentOf(90), 'us');
    expect(planned[0]).toContain('Pre-spawn');
    expect(done[0]).toMatch(/^30 min out, 2\d min of fishing noted and 20 casts said\.$/);
    expect(done[1]).toBe('1 bite, 1 fish landed.');
    expect(showed[0]).toMatch(/bites an hour of fishing \(a small sample\)\./);
    expect(showed.join(' ')).toContain('Water read: 55 °F, planned 51 °F.');
  });

  it('has one account of time and bites: never more fishing than time out, no bite that is none', () => {
    const log = new LogWriter();
    log.begin(null);
    // Forty minutes of casts, told in the first of them: what was fished before one set out.
    log.casts(1, 60);
    log.casts(2, 60);
    log.add(3, { kind: 'contact', what: 'missed', fishing: null });
    log.add(10, { kind: 'finish' });
    const { done, found: showed } = reviewOf(tripIn(log), momentOf(10), 'us');
    const [out, fished] = [...(done[0] ?? '').matchAll(/(?:(\d+) h )?(\d+)(?= min| out| of)/g)].map(
      ([, hours, minutes]) => Number(hours ?? 0) * 60 + Number(minutes),
    );
    expect(fished).toBeGreaterThan(10);
    expect(out).toBeGreaterThanOrEqual(fished ?? Number.POSITIVE_INFINITY);
    expect(done[1]).toBe('1 bite, 0 fish landed.');
    expect(showed[0]).not.toContain('No bite');
  });

  it("leaves a place's own name as it is", () => {
    const log = new LogWriter();
    log.begin();
    log.casts(10, 20, { ...jerkbait, spot: 'Half-way rock' });
    log.contact(14, 'landed', { ...jerkbait, spot: 'Half-way rock' });
    expect(reviewOf(tripIn(log), momentOf(30), 'us').found.join(' ')).toContain('Best place: Half-way rock,');
  });

  it('takes a day without a bite for news', () => {
    const log = new LogWriter();
    log.begin(null);
    log.casts(60, 40);
    log.add(90, { kind: 'finish' });
    const { planned, found: showed } = reviewOf(tripIn(log), momentOf(90), 'us');
    expect(planned).toEqual(['Set out without a plan.']);
    expect(showed[0]).toMatch(/^No bite in \d+ min/);
  });
});

describe('the moment', () => {
  it("has the plan's first choice at its likeliest place, and nothing where there is no plan", () => {
    const log = new LogWriter();
    log.begin();
    const window = windowAt(preSpawnPlan.plan.windows, 7 * 60)!;
    expect(advisedAt(tripIn(log), momentOf(0))).toMatchObject({
      category: window.presentations[0]?.category,
      structure: window.holding[0]?.structure,
      spot: null,
    });
    const bare = new LogWriter();
    bare.begin(null);
    expect(advisedAt(tripIn(bare), momentOf(0))).toBeNull();
  });

  it('stands in the window of its minute, before the first and after the last too', () => {
    const { windows } = preSpawnPlan.plan;
    expect(windowAt(windows, 0)).toBe(windows[0]);
    expect(windowAt(windows, 1439)).toBe(windows.at(-1));
    expect(windowAt([], 600)).toBeNull();
  });

  it("counts on over midnight by the water's clock", () => {
    const log = new LogWriter();
    log.begin();
    const { minuteAt } = dayClock(tripIn(log));
    expect(minuteAt(momentOf(0))).toBe(7 * 60);
    // That night the clocks go forward.
    expect(minuteAt(momentOf(20 * 60))).toBe(28 * 60);
  });
});

describe('what was done to notes and trips afterwards', () => {
  it('a note that was taken back is there again when that is taken back, whatever the clocks say', () => {
    const log = new LogWriter();
    log.begin();
    const fish = log.contact(5, 'landed');
    const back = log.add(6, { kind: 'take-back', of: fish.id });
    expect(tripIn(log).notes).toHaveLength(0);
    // By a device whose clock is an hour behind.
    const other = { ...back, id: idAt(900), deviceId: OTHER_DEVICE, of: back.id, at: '2027-03-13T11:00:00.000Z' };
    log.events.push(other as TripEvent);
    expect(tripIn(log).notes.map(({ event }) => event.id)).toEqual([fish.id]);
    log.add(8, { kind: 'take-back', of: other.id });
    expect(tripIn(log).notes).toHaveLength(0);
  });

  it('take-backs in a circle end, and take nothing', () => {
    const log = new LogWriter();
    log.begin();
    const fish = log.contact(5, 'landed');
    const [one, two] = [idAt(900), idAt(901)];
    const circle = { ...fish, fishing: undefined, what: undefined };
    log.events.push(
      { ...circle, kind: 'take-back', id: one, of: two } as unknown as TripEvent,
      { ...circle, kind: 'take-back', id: two, of: one } as unknown as TripEvent,
    );
    expect(tripIn(log).notes.map(({ event }) => event.id)).toEqual([fish.id]);
  });

  it('is told, the latest first, with the note and the device', () => {
    const log = new LogWriter();
    log.begin();
    const fish = log.contact(5, 'landed');
    const bait = log.add(6, { kind: 'bait' });
    log.add(7, { kind: 'correct', of: fish.id, fish: { lengthMm: 400 }, device: 'Phone' });
    log.add(8, { kind: 'take-back', of: bait.id, device: 'Laptop' });
    const undone = log.add(9, { kind: 'take-back', of: fish.id });
    log.add(10, { kind: 'take-back', of: undone.id });
    // The last two leave the fish as it was; what stands is that taking it back was taken back.
    expect(noteChanges(log.events).map(({ event, note }) => [event.kind, event.device, note.kind])).toEqual([
      ['take-back', 'Laptop', 'bait'],
      ['correct', 'Phone', 'contact'],
    ]);
  });

  it('a trip goes to the bin, comes out of it, and is gone when it was erased', () => {
    const log = new LogWriter();
    log.begin();
    log.casts(5);
    const removal = log.add(9, { kind: 'remove', device: 'Phone' });
    expect(tripIn(log).removedAt).toBe(removal.at);
    expect(tripsOf(log.events)).toEqual([]);
    expect(removedTripsOf(log.events).map(({ id }) => id)).toEqual([TRIP_ID]);
    expect(tripIn(log).notes).toHaveLength(1);
    log.add(10, { kind: 'put-back' });
    expect(tripIn(log).removedAt).toBeNull();
    log.add(11, { kind: 'erase' });
    expect(tripOf(log.events, TRIP_ID)).toBeNull();
    expect(parse(TripEvents, JSON.parse(JSON.stringify(log.events))).ok).toBe(true);
  });

  it('lies in the bin since the day of the machine, whatever day the book has', () => {
    const log = new LogWriter();
    const begun = log.begin();
    const removal = log.add(9, { kind: 'remove' });
    log.events[0] = { ...begun, aheadMs: 86_400_000 } as TripEvent;
    expect(Date.parse(removal.at) - Date.parse(tripIn(log).removedAt ?? '')).toBe(86_400_000);
  });
});
