import { CATEGORIES } from '../../contract/ids.js';
import { nameOf } from '../../contract/names.js';
import { TripEvent } from '../../contract/trips.js';
import { readTable } from '../../formats/table.js';
import { reviewOf } from '../review.js';
import { tripOf } from '../trip.js';
import { lureNamed, speciesNamed } from './names.js';
import { guessTripMapping, type TripMapping } from './trip-mapping.js';
import { readTrips, type PastTrip, type TripTableContext } from './trip-table.js';

const LAKE = { id: '01960000-0000-7000-8000-000000000010', name: 'Heron Pond', timeZone: 'America/Chicago' };
const SOUND = { id: '01960000-0000-7000-8000-000000000011', name: 'Reed Sound', timeZone: 'America/New_York' };
const context: TripTableContext = {
  timeZone: 'America/Chicago',
  now: '2027-06-01T12:00:00Z',
  units: 'us',
  waters: [LAKE, SOUND],
  waterId: LAKE.id,
  known: [],
  lures: {},
};

function read(text: string, change: Partial<TripMapping> = {}, more: Partial<TripTableContext> = {}, twice = false) {
  const table = readTable(text);
  const used = { ...context, ...more };
  return readTrips(table, { ...guessTripMapping(table, used.units), ...change }, used, twice);
}

/** A past trip as the log would hold it. */
function logged({ startMs, told, waterId }: PastTrip) {
  const tripId = '01960000-0000-7000-8000-000000000001';
  const begin = {
    kind: 'begin',
    name: 'Then',
    waterId,
    place: null,
    plan: null,
    stops: [],
    aheadMs: 0,
    afterwards: true,
  };
  const events = [{ atMs: startMs, said: begin }, ...told].map(({ atMs, said }, seq) =>
    TripEvent.parse({
      ...said,
      id: `01960000-0000-7000-8000-${String(seq + 100).padStart(12, '0')}`,
      tripId,
      deviceId: tripId,
      seq,
      at: new Date(atMs).toISOString(),
    }),
  );
  const trip = tripOf(events, tripId);
  if (!trip) throw new Error('expected a trip');
  return trip;
}

const fishIn = ({ told }: PastTrip) => told.flatMap(({ said }) => (said.kind === 'contact' ? [said] : []));

describe('a table of past trips', () => {
  it('makes one trip of the fish of one day, each with its size, lure and hour', () => {
    const { trips, problems, notes } = read(
      [
        'Date,Time,Species,Length (in),Weight (lb),Lure,Depth (ft),Water temp (F)',
        '3/13/2027,7:10 am,largemouth bass,17 1/2,2 lb 12 oz,Squarebill,4,52',
        '3/13/2027,8:40 am,Spotted bass,14,1.2,suspending jerkbait,,52',
        '4/2/2027,6:30 am,LMB,19,,wacky worm,,61',
      ].join('\n'),
    );
    expect(problems).toEqual([]);
    expect(trips.map(({ fish, hours, waterId }) => [fish, hours, waterId])).toEqual([
      [2, null, LAKE.id],
      [1, null, LAKE.id],
    ]);
    const [first, second] = fishIn(trips[0]!);
    expect(first).toMatchObject({
      fish: { species: 'largemouth', lengthMm: 445, weightG: 1247 },
      fishing: { category: 'square-bill', unsaid: ['paceMps'] },
    });
    expect(first!.fishing!.depthM).toBeCloseTo(1.219, 3);
    expect(second).toMatchObject({ fish: { species: 'spotted' }, fishing: { unsaid: ['depthM', 'paceMps'] } });
    expect(trips[0]!.startMs).toBe(Date.parse('2027-03-13T13:10:00Z'));
    expect(notes).toEqual(['2 trips do not tell how long one fished: no fish an hour for them.']);
    // What nobody said is not told as if it had been.
    const trip = logged(trips[0]!);
    expect(trip.state).toBe('over');
    expect(trip.notes.find(({ event }) => event.kind === 'reading')?.event).toMatchObject({
      reading: { surfaceTempC: expect.closeTo(11.11, 2) },
    });
  });

  it('takes a row as so many fish in so many hours, over midnight where it began in the evening', () => {
    const { trips, problems } = read(
      ['date;start;end;fish;lure', '2027-05-07;20:00;01:30;3;hollow frog', '2027-05-08;06:00;10:00;0;'].join('\n'),
    );
    expect(problems).toEqual([]);
    expect(trips.map(({ fish, hours }) => [fish, hours])).toEqual([
      [3, 5.5],
      [0, 4],
    ]);
    const { done } = reviewOf(logged(trips[0]!), 0, 'us');
    expect(done[0]).toMatch(/^5 h 30 out, 5 h 30 of fishing noted/);
    expect(done).toContain('3 bites, 3 fish landed.');
  });

  it('keeps hours lure by lure where each row has its own', () => {
    const { trips } = read(
      ['date,lure,hours,count', '2027-05-07,drop shot,2,4', '2027-05-07,spinnerbait,1:30,1'].join('\n'),
    );
    expect(trips).toHaveLength(1);
    expect(trips[0]!.hours).toBe(3.5);
    const efforts = trips[0]!.told.flatMap(({ said }) =>
      said.kind === 'effort' ? [[said.fishing?.category, said.minutes]] : [],
    );
    expect(efforts).toEqual([
      ['drop-shot', 120],
      ['spinnerbait', 90],
    ]);
  });

  it('says of each row that makes no sense what and where, in the units of the user', () => {
    const text = (rows: string) => `date,start,end,length,count\n${rows}`;
    const first = (rows: string, units: 'us' | 'metric' = 'us') => read(text(rows), {}, { units }).problems[0];
    expect(first('2027-05-07,06:00,09:00,900 cm,1', 'metric')).toEqual({
      line: 2,
      message: 'expected a length of a fish from 2 cm to 250 cm, got 900 cm',
    });
    expect(first('2027-05-07,09:00,06:00,,1')?.message).toBe('the trip ends at 06:00, before it begins at 09:00');
    expect(first('2027-02-30,,,,1')?.message).toBe('expected a day that exists, got "2027-02-30"');
    expect(first('2027-07-07,,,,1')?.message).toBe('2027-07-07 is still to come');
    expect(first('2027-05-07,dawn,,,1')?.message).toBe('expected a time of day, got "dawn"');
    expect(first('2027-05-07,,,,many')?.message).toBe('expected how many fish, up to 300, got "many"');
    expect(first('2027-05-07,,,big,1')?.message).toBe('expected a length of a fish, got "big"');
    expect(read('lake,what\nHeron Pond,3').problems[0]?.message).toBe(
      'say which column holds the day, and which the fish: how many, which kind, or how long',
    );
  });

  it('leaves out what stands twice, in the file and in the log, and says so', () => {
    const text = 'date,time,length\n2027-05-07,07:00,15\n2027-05-07,07:00,15\n2027-05-07,08:00,15';
    const once = read(text);
    expect(once.trips[0]!.fish).toBe(2);
    expect(once.notes[0]).toBe('Line 3: alike in every cell to a line before.');
    expect(read(text, {}, {}, true).trips[0]!.fish).toBe(3);
    const known = [logged({ ...once.trips[0]! })];
    expect(read(text, {}, { known }).trips[0]!.isInLog).toBe(true);
    expect(once.trips[0]!.isInLog).toBe(false);
    expect(read(text, {}, { known, waterId: SOUND.id }).trips[0]!.isInLog).toBe(false);
  });

  it('asks what lures mean that may mean several, keeps their words, and takes what is said', () => {
    const text = 'date,lure,count\n2027-05-07,Jig,2\n2027-05-08,green pumpkin drop shot,1\n2027-05-09,jigs,1';
    const asked = read(text);
    expect(asked.unknownLures).toEqual([{ key: 'jig', words: 'Jig', count: 2 }]);
    expect(fishIn(asked.trips[0]!)[0]).toMatchObject({ fishing: null, fish: { note: 'lure: Jig' } });
    expect(fishIn(asked.trips[1]!)[0]).toMatchObject({ fishing: { category: 'drop-shot' } });
    const said = read(text, {}, { lures: { jig: 'football-jig' } });
    expect(said.unknownLures).toEqual([]);
    expect(fishIn(said.trips[2]!)[0]).toMatchObject({ fishing: { category: 'football-jig' } });
  });

  it('tells waters by name, each on its own clock, and keeps names that are not known', () => {
    const { trips, notes } = read(
      'water,date,start,count\nreed sound,2027-05-07,06:00,1\nElm Lake,2027-05-07,06:00,1\n,2027-05-07,06:00,1',
    );
    expect(new Set(trips.map(({ waterName }) => waterName))).toEqual(new Set(['Reed Sound', 'Elm Lake', 'Heron Pond']));
    const at = Object.fromEntries(trips.map(({ waterName, startMs }) => [waterName, new Date(startMs).toISOString()]));
    expect(at).toMatchObject({ 'Reed Sound': '2027-05-07T10:00:00.000Z', 'Heron Pond': '2027-05-07T11:00:00.000Z' });
    expect(notes).toContain('Line 3: no water here is called "Elm Lake". The trip keeps that name.');
  });

  it('reads metric tables with commas and days in front', () => {
    const { trips } = read(
      'Datum;Fischart;Länge (cm);Gewicht (kg);Köder\n07.05.2027;Smallmouth;43,5;1,25;Spinnerbait',
      {},
      { units: 'metric' },
    );
    expect(fishIn(trips[0]!)[0]!.fish).toMatchObject({ species: 'smallmouth', lengthMm: 435, weightG: 1250 });
  });

  it('reads a unit in the title before that of the user', () => {
    const { trips } = read('date,fish length cm,weight oz\n2027-05-07,40,24');
    expect(fishIn(trips[0]!)[0]!.fish).toMatchObject({ lengthMm: 400, weightG: 680 });
  });
});

describe('the names of lures and fish', () => {
  it('knows every category by its id and its name, alone and in the plural', () => {
    for (const id of CATEGORIES) {
      expect([id, lureNamed(id)]).toEqual([id, id]);
      expect([id, lureNamed(`${nameOf(id)}s`)]).toEqual([id, id]);
    }
  });

  it('takes nothing for sure that may mean several', () => {
    for (const words of ['jig', 'worm', 'crankbait', 'topwater', 'spoon', 'live shiner', '']) {
      expect([words, lureNamed(words)]).toEqual([words, undefined]);
    }
    expect(speciesNamed('Redfish')).toBe('red-drum');
    expect(speciesNamed('walleye')).toBeUndefined();
  });
});
