import { parse } from '../contract/problems.js';
import { TripEvent, type Catch, type Fishing, type TripPlan } from '../contract/trips.js';
import { Conditions } from '../contract/conditions.js';
import { makePlan } from '../plan/make-plan.js';
import { seededNumbers } from '../numbers/seeded.js';
import { jerkbait, LogWriter, momentOf, preSpawn, preSpawnPlan } from '../testing/trip-log.js';
import { tripOf, type Trip } from '../underway/trip.js';
import {
  ANY,
  catchesToCsv,
  catchFeatures,
  claimOf,
  crossed,
  daysLike,
  FACTORS,
  findRows,
  levelOf,
  levelWords,
  logbookRow,
  narrowings,
  ratesBy,
  Sought,
  memoryAt,
  spotMemories,
  stretchesOf,
  tagStories,
  tripsToCsv,
  type Factor,
} from './index.js';

const idOf = (n: number): string => `01960000-0000-7000-8000-0000b${n.toString(16).padStart(7, '0')}`;
const DAY_MIN = 1440;

interface Hour {
  readonly fishing?: Partial<Fishing>;
  readonly bites?: number;
  readonly fish?: Catch;
  readonly lonLat?: [number, number];
}

let made = 0;
/** A trip so many days after the first, an hour a stretch. */
function tripOn(day: number, hours: readonly Hour[], plan: TripPlan | null = preSpawnPlan): Trip {
  made++;
  const log = new LogWriter(undefined, 0x10000 * made, idOf(made));
  const at = (minute: number) => day * DAY_MIN + minute;
  const place = preSpawn.place;
  log.add(at(0), { kind: 'begin', name: `Trip ${made}`, place, plan, stops: [], aheadMs: 0 });
  hours.forEach(({ fishing, bites = 0, fish, lonLat }, hour) => {
    const own = { ...jerkbait, ...fishing };
    const sensed = lonLat && { from: 'browser' as const, lonLat };
    log.add(at(60 * hour + 1), { kind: 'effort', minutes: 60, fishing: own, sensed });
    for (let bite = 0; bite < bites; bite++) {
      log.add(at(60 * hour + 2 + bite), { kind: 'contact', what: 'landed', fishing: own, fish, sensed });
    }
  });
  log.add(at(60 * hours.length + 1), { kind: 'finish' });
  const trip = tripOf(log.events, idOf(made));
  if (!trip) throw new Error('the log begins no trip');
  return trip;
}

const all = (trips: readonly Trip[]) => trips.flatMap(stretchesOf);

describe('a line of the logbook', () => {
  const trip = tripOn(3, [
    {
      bites: 2,
      fish: {
        species: 'largemouth',
        lengthMm: 410,
        tag: 'A 12',
        whose: 'My brother',
        note: 'Spat a crayfish',
        girthMm: 300,
        hooked: 'lip',
        state: 'full-of-eggs',
        throat: 'crayfish',
      },
      fishing: { spot: 'Ditch bend' },
    },
    { fishing: { category: 'finesse-jig', depthM: 4 } },
  ]);
  const row = logbookRow(trip, 'Lake Ferrow');

  it('tells the day, the water, what was fished and what it brought', () => {
    expect(row).toMatchObject({
      date: '2027-03-16',
      phase: preSpawnPlan.plan.phase.id,
      surfaceTempC: 10.5,
      visibilityM: 1.8,
      bites: 2,
      fish: 2,
      longestMm: 410,
      lures: ['suspending-jerkbait', 'finesse-jig'],
      species: ['largemouth'],
      spots: ['Ditch bend'],
      tags: ['A 12'],
      companions: ['My brother'],
    });
    expect(row.hours).toBeGreaterThan(2);
    expect(row.strokes.map(({ category }) => category)).toEqual(['suspending-jerkbait', 'finesse-jig']);
    expect(logbookRow(trip, 'Lake Ferrow')).toBe(row);
  });

  it('is told of a trip without a plan and without a note', () => {
    expect(logbookRow(tripOn(4, [], null))).toMatchObject({ phase: null, surfaceTempC: null, hours: 0, fish: 0 });
  });

  it.each<[Partial<Sought>, boolean]>([
    [{}, true],
    [{ words: 'march 2027' }, true],
    [{ words: 'crayfish JERKBAIT' }, true],
    [{ words: '"ditch bend"' }, true],
    [{ words: '"bend ditch"' }, false],
    [{ words: 'ferrow brother' }, true],
    [{ words: 'november' }, false],
    [{ from: '2027-03-16', to: '2027-03-16' }, true],
    [{ from: '2027-03-17' }, false],
    [{ to: '2027-03-15' }, false],
    [{ phase: 'summer' }, false],
    [{ clarity: 'clear' }, true],
    [{ clarity: 'muddy' }, false],
    [{ lure: 'finesse-jig', species: 'largemouth' }, true],
    [{ lure: 'spinnerbait' }, false],
    [{ species: 'smallmouth' }, false],
    [{ tempFromC: 10, tempToC: 11 }, true],
    [{ tempFromC: 11 }, false],
    [{ tempToC: 10 }, false],
    [{ lengthFromMm: 400 }, true],
    [{ lengthFromMm: 420 }, false],
    [{ waterId: idOf(1) }, false],
    [{ zoneId: idOf(1) }, false],
    [{ companion: 'My brother' }, true],
    [{ companion: 'A friend' }, false],
  ])('is found by %j: %s', (sought, isFound) => {
    expect(findRows([row], Sought.parse(sought)).length === 1).toBe(isFound);
  });

  it('counts what is asked beside words', () => {
    expect(narrowings(ANY)).toBe(0);
    expect(narrowings(Sought.parse({ words: 'x', lure: 'finesse-jig', from: '2027-01-01' }))).toBe(2);
  });

  it('goes out as CSV, its fish too, and those whose place is known as marks', () => {
    const csv = tripsToCsv([trip], () => 'Lake Ferrow').split('\r\n');
    expect(csv[1]).toMatch(/^2027-03-16,Lake Ferrow,Trip \d+,pre-spawn,10.5,1.8,overcast,4,2(\.\d+)?,2,2,410,/);
    const fish = catchesToCsv([trip], () => 'Lake Ferrow').split('\r\n');
    expect(fish).toHaveLength(4);
    expect(fish[1]).toContain('largemouth,410,,300,A 12,suspending jerkbait,1.8,lip,full of eggs,crayfish,My brother');
    expect(catchFeatures([trip])).toEqual([]);
    const marked = tripOn(5, [{ bites: 1, fish: { species: 'spotted' }, lonLat: [-88.4, 35.9] }]);
    expect(catchFeatures([marked])).toMatchObject([{ kind: 'mark', name: 'spotted, 2027-03-18' }]);
  });
});

describe('a fish and a sign', () => {
  const said = { id: idOf(1), tripId: idOf(2), deviceId: idOf(3), seq: 0, at: '2027-03-13T14:00:00Z' };

  it.each([
    ['a girth of 90 m', { kind: 'contact', what: 'landed', fishing: null, fish: { girthMm: 90_000 } }, /a girth/],
    ['a hook that is nowhere', { kind: 'contact', what: 'landed', fishing: null, fish: { hooked: 'tail' } }, /hook/],
    ['bait that does what no bait does', { kind: 'bait', seen: 'singing' }, /what was seen/],
  ])('are refused in words: %s', (_, event, why) => {
    const checked = parse(TripEvent, { ...said, ...event });
    expect(checked.ok ? '' : checked.problems.map(({ message }) => message).join()).toMatch(why);
  });

  it('are told more of afterwards: what bait was and did, what birds did', () => {
    const log = new LogWriter();
    log.begin(null);
    const bait = log.add(5, { kind: 'bait' });
    const birds = log.add(6, { kind: 'birds', sign: 'birds-on-bank' });
    log.add(7, { kind: 'correct', of: bait.id, forage: 'shad', seen: 'following-the-lure' });
    log.add(8, { kind: 'correct', of: birds.id, sign: 'birds-diving' });
    const notes = tripOf(log.events, log.tripId)?.notes.map(({ event }) => event);
    expect(notes).toMatchObject([
      { kind: 'bait', forage: 'shad', seen: 'following-the-lure' },
      { kind: 'birds', sign: 'birds-diving' },
    ]);
  });
});

/** Trips on which one lure brings so many bites an hour and another so many, drawn by a seed. */
function drawn(seed: number, count: number, one: number, other: number): Trip[] {
  const random = seededNumbers(seed);
  const poisson = (mean: number) => {
    let bites = 0;
    for (let product = random(); product > Math.exp(-mean); product *= random()) bites++;
    return bites;
  };
  return Array.from({ length: count }, (_, day) =>
    tripOn(day, [
      { bites: poisson(one) },
      { fishing: { category: 'finesse-jig' }, bites: poisson(other) },
      { bites: poisson(one) },
      { fishing: { category: 'finesse-jig' }, bites: poisson(other) },
    ]),
  );
}

describe('what the record shows', () => {
  it('counts every hour and bite once, whatever it is counted by', () => {
    const stretches = all(drawn(1, 6, 1, 2));
    const total = (of: 'bites' | 'hours') => stretches.reduce((sum, { block }) => sum + block[of], 0);
    for (const factor of FACTORS) {
      const told = stretches.filter((stretch) => levelOf(factor, stretch) !== null);
      const { levels, hours } = ratesBy(stretches, factor);
      const sum = (of: 'bites' | 'hours') => levels.reduce((so, level) => so + level[of], 0);
      const known = (of: 'bites' | 'hours') => told.reduce((so, { block }) => so + block[of], 0);
      expect(sum('hours')).toBeCloseTo(known('hours'), 6);
      expect(sum('bites')).toBe(known('bites'));
      expect(hours).toBeCloseTo(known('hours'), 6);
      for (const { level, low, perHour, high } of levels) {
        expect(low).toBeLessThan(perHour);
        expect(perHour).toBeLessThan(high);
        expect(levelWords(factor, level, 'us').length).toBeGreaterThan(0);
      }
    }
    expect(total('bites')).toBeGreaterThan(0);
  });

  it('finds what there is where there are hours for it', () => {
    const { levels } = ratesBy(all(drawn(3, 60, 1, 3)), 'lure');
    const rate = (id: string) => levels.find(({ level }) => level === id)!;
    const [one, other] = [rate('suspending-jerkbait'), rate('finesse-jig')];
    expect(one.low).toBeLessThan(1.3);
    expect(other.perHour / one.perHour).toBeGreaterThan(2);
    expect(other.perHour / one.perHour).toBeLessThan(4);
    expect(other.low).toBeGreaterThan(one.high);
    expect(other.isSmall).toBe(false);
  });

  it('draws three lucky hours to what is usual, and says that they are few', () => {
    const usual = drawn(5, 40, 1, 1);
    const lucky = tripOn(
      90,
      [0, 1, 2].map(() => ({ fishing: { category: 'spinnerbait' }, bites: 4 })),
    );
    const { levels } = ratesBy(all([...usual, lucky]), 'lure');
    const spinner = levels.find(({ level }) => level === 'spinnerbait')!;
    expect(spinner.bites / spinner.hours).toBeGreaterThan(3.5);
    expect(spinner.perHour).toBeLessThan(3);
    expect(spinner.isSmall).toBe(true);
  });

  it('counts two factors at once, and nothing where nothing was fished', () => {
    const { levels } = ratesBy(all(drawn(7, 5, 1, 1)), 'lure', 'fish', 'pace');
    expect(levels.map(({ level }) => level)).toContain(
      crossed('finesse-jig', levelOf('pace', all(drawn(7, 1, 1, 1))[1]!)!),
    );
    expect(ratesBy([], 'lure')).toEqual({ levels: [], trips: 0, hours: 0, perHour: 0 });
  });

  it('tests a claim: likely where it is so, undecided where it is not, null where nothing was otherwise', () => {
    const so = claimOf(all(drawn(11, 50, 1, 2.5)), 'lure', 'finesse-jig')!;
    expect(so.likely).toBeGreaterThan(0.98);
    expect(so.low).toBeGreaterThan(1.2);
    expect(so.trips).toBe(50);
    const not = claimOf(all(drawn(13, 50, 1.5, 1.5)), 'lure', 'finesse-jig')!;
    expect(not.low).toBeLessThan(1.1);
    expect(not.high).toBeGreaterThan(0.9);
    expect(claimOf(all([tripOn(1, [{ bites: 1 }])]), 'lure', 'suspending-jerkbait')).toBeNull();
  });

  it.each<[Factor, string, string]>([
    ['temperature', '0', 'under 45 °F'],
    ['wind', '3', 'over 14 mph'],
    ['hour', '10', '10 am to 12 pm'],
    ['month', '04', 'April'],
    ['trend', '2 warming', 'warming'],
    ['spot', '3 brothers', '3 brothers'],
    ['lure', 'finesse-jig', 'finesse jig'],
  ])('says a level of %s in words', (factor, level, words) => {
    expect(levelWords(factor, level, 'us')).toBe(words);
  });
});

describe('days like this one', () => {
  const dayOf = (change: Partial<Conditions>): TripPlan => {
    const conditions = Conditions.parse({ ...preSpawn, ...change });
    return { conditions, plan: makePlan(conditions) };
  };
  const same = tripOn(1, [{ bites: 1 }]);
  const warm = tripOn(2, [{ bites: 3 }], dayOf({ surfaceTempC: 24 }));
  const near = tripOn(3, [{ fishing: { category: 'finesse-jig' }, bites: 2 }, {}], dayOf({ surfaceTempC: 11.5 }));

  it('stand by how far they are off in what matters, and say what worked', () => {
    const found = daysLike(preSpawn, [warm, near, same, tripOn(4, [{ bites: 9 }], null)]);
    expect(found.map(({ trip }) => trip)).toEqual([same, near, warm]);
    expect(found[0]?.distance).toBe(0);
    expect(found[0]?.apart).toEqual([]);
    expect(found[1]?.worked.map(({ category }) => category)).toEqual(['finesse-jig']);
    expect(found[2]?.apart).toContain('temperature');
  });

  it('say nothing of another kind of fishing', () => {
    const shore = { ...preSpawn, discipline: 'inshore', waterKind: 'estuary', structures: [], covers: [] } as const;
    expect(daysLike(shore as unknown as Conditions, [same])).toEqual([]);
  });
});

describe('what places remember', () => {
  const at = (spot: string, bites: number): Hour => ({ fishing: { spot }, bites, lonLat: [-88.4, 35.9] });
  const dayNow = Math.floor(momentOf(0) / 86_400_000) + 31;

  it('tells hours, bites and when it last bit, and bites likelier where it bit lately', () => {
    const trips = [tripOn(1, [at('Old', 3), at('Empty', 0)]), tripOn(29, [at('New', 3), at('Empty', 0)])];
    const { spots } = spotMemories(trips, dayNow, 0.8);
    expect(spots.map(({ spot }) => spot)).toEqual(['New', 'Old', 'Empty']);
    const [fresh, , empty] = spots;
    expect(fresh).toMatchObject({ bites: 3, fish: 3, trips: 1, lonLat: [-88.4, 35.9] });
    expect(fresh!.lastBiteDay).toBe(dayNow - 2);
    expect(fresh!.boost).toBeGreaterThan(1.3);
    expect(empty).toMatchObject({ lastBiteDay: null, bites: 0, trips: 2 });
    expect(empty!.boost).toBeCloseTo(1);
  });

  it('forgets sooner in clear water, and at once where one came back in vain', () => {
    const trips = [tripOn(29, [at('New', 3)])];
    const boostIn = (visibilityM: number) => spotMemories(trips, dayNow, visibilityM).spots[0]!.boost;
    expect(boostIn(3)).toBeLessThan(boostIn(0.8));
    expect(spotMemories([...trips, tripOn(30, [at('New', 0)])], dayNow, 0.8).spots[0]!.boost).toBeCloseTo(1);
  });

  it('is that of its own name, else of the nearest, and of nothing far off or elsewhere', () => {
    const { spots } = spotMemories([tripOn(29, [at('New', 3)])], dayNow, 0.8);
    const here = spots.map((spot) => ({ ...spot, waterId: idOf(1) }));
    const found = (name: string | undefined, lonLat: [number, number], waterId = idOf(1)) =>
      memoryAt(here, { waterId, name, lonLat })?.spot ?? null;
    expect(found('new ', [0, 0])).toBe('New');
    expect(found(undefined, [-88.4003, 35.9])).toBe('New');
    expect(found(undefined, [-88.402, 35.9])).toBeNull();
    expect(found('New', [-88.4, 35.9], idOf(2))).toBeNull();
  });

  it('learns that stained water repeats, or does not, from returns', () => {
    const stained = (change: number): TripPlan => {
      const conditions = Conditions.parse({ ...preSpawn, visibilityM: 0.8, surfaceTempC: 10 + change / 100 });
      return { conditions, plan: preSpawnPlan.plan };
    };
    const returns = (again: number) =>
      Array.from({ length: 16 }, (_, pair) => [
        tripOn(40 * pair, [at('Bend', 2), at('Flat', 1)], stained(pair)),
        tripOn(40 * pair + 2, [at('Bend', again), at('Flat', 1)], stained(pair)),
      ]).flat();
    const boostOf = (again: number) => spotMemories(returns(again), dayNow + 700).repeats.stained.boost;
    expect(boostOf(6)).toBeGreaterThan(boostOf(1));
    expect(spotMemories([], dayNow)).toMatchObject({ spots: [], repeats: { clear: { boost: expect.any(Number) } } });
  });

  it('tells of a tagged fish how far it moved and how much it grew', () => {
    const fish = (lengthMm: number, lat: number): Hour => ({
      bites: 1,
      fish: { tag: lat > 36 ? 't 7' : 'T7', species: 'red-drum', lengthMm },
      lonLat: [-88.4, lat],
    });
    const [story] = tagStories([tripOn(200, [fish(520, 36.01)]), tripOn(10, [fish(470, 36 - 1e-9)])]);
    expect(story).toMatchObject({ tag: 'T7', species: 'red-drum', days: 190, grewMm: 50 });
    expect(story!.movedM).toBeCloseTo(1112, -1);
    expect(tagStories([tripOn(1, [{ bites: 1 }])])).toEqual([]);
  });
});
