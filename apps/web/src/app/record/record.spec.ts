import { makePlan, type Conditions, type Plan } from '@inky-shoal/core';
import 'fake-indexeddb/auto';
import { deserialize, serialize } from 'node:v8';
import { jerkbait, LogWriter, preSpawn } from '../../../../../packages/core/src/testing/trip-log';
import { SENT, TripDb } from '../underway/trip-db';
import { writeLearned } from './kept-learned';
import { recordApi } from './record-api';
import { changedWords, movedWords, restsOn } from './record-words';

const CONDITIONS: Conditions = preSpawn;

describe('the words of a record', () => {
  const shipped = makePlan(CONDITIONS);
  const [window] = shipped.windows;
  const turned = (change: Partial<Plan['windows'][number]>): Plan => ({
    ...shipped,
    windows: shipped.windows.map((each) => (each === window ? { ...each, ...change } : each)),
  });

  it('say what stands before what, and nothing where all stands as it stood', () => {
    expect(changedWords(shipped, shipped, window!.id)).toBeNull();
    expect(changedWords(shipped, shipped, 'no-such-window')).toBeNull();
    const [first, second] = window!.presentations;
    const other = turned({ presentations: [second!, first!] });
    expect(changedWords(other, shipped, window!.id)).toMatch(/^the .+ before the .+$/);
    const [place] = window!.holding;
    const both = turned({
      presentations: [second!, first!],
      holding: [{ ...place!, structure: 'flat' }],
    });
    expect(changedWords(both, shipped, window!.id)).toMatch(/ before the .+, and the flat before the /);
  });

  it('say on how much it rests, and what it moved', () => {
    expect(restsOn(1, 1.2)).toBe('1 trip, 1 hour');
    expect(restsOn(14, 61.7)).toBe('14 trips, 62 hours');
    const moved = { what: 'drop shot in clear water', rule: null, hours: 0.4, likely: 0.8 };
    expect(movedWords({ ...moved, kind: 'factor', prior: 1, posterior: 1.3 })).toBe(
      'drop shot in clear water: 1.3 times the bites the rules expect (1 hour)',
    );
    expect(movedWords({ ...moved, kind: 'rule', what: 'Cold: it waits', prior: 0.9, posterior: 1.25, hours: 14 })).toBe(
      'Cold: it waits: weighs 1.25, shipped 0.9 (14 hours)',
    );
  });
});

describe('the record of a device', () => {
  it('says nothing without trips, is told anew with each, and goes over the border whole', async () => {
    expect(await recordApi.planDay('own', CONDITIONS, 'us')).toBeNull();
    const log = new LogWriter();
    log.begin();
    for (const minute of [20, 50, 80]) log.casts(minute, 30);
    log.contact(90, 'landed', { ...jerkbait, depthM: 2 });
    log.add(120, { kind: 'finish' });
    const db = new TripDb('own');
    await db.events.bulkAdd(log.events.map((event) => ({ id: event.id, event, state: SENT })));
    const day = await recordApi.planDay('own', CONDITIONS, 'us');
    expect(day?.version).toMatchObject({ trips: 1, lastTrip: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) });
    expect(day?.version.hours).toBeGreaterThan(0.5);
    expect(day?.shipped).toEqual(makePlan(CONDITIONS, { units: 'us' }));
    expect(deserialize(serialize(day))).toEqual(day);
    // What bass taught says nothing of the shore.
    const shore = { ...CONDITIONS, discipline: 'inshore', waterKind: 'estuary', structures: [], covers: [] } as const;
    expect(await recordApi.planDay('own', shore as unknown as Conditions, 'us')).toBeNull();
  });

  it('is kept, and learnt anew only where notes or rules are others', async () => {
    const db = new TripDb('own');
    const [kept] = await db.learned.toArray();
    expect(kept).toMatchObject({ discipline: 'bass', since: '-Infinity', lastTrip: '2027-03-13' });
    const lastTripSaid = async () => {
      // As after the page was opened anew: nothing is in mind.
      jest.resetModules();
      const { recordApi: opened } = await import('./record-api');
      return (await opened.planDay('own', CONDITIONS, 'us'))?.version.lastTrip;
    };
    const marked = { ...kept!, lastTrip: '2001-01-01' };
    await db.learned.put(marked);
    expect(await lastTripSaid()).toBe('2001-01-01');
    await db.learned.put({ ...marked, by: 'rules of once' });
    expect(await lastTripSaid()).toBe(kept!.lastTrip);
    await db.learned.put(marked);
    await db.events.add({
      id: 'x',
      event: { ...(await db.events.toArray())[1]!.event, id: 'x', seq: 99 },
      state: SENT,
    });
    expect(await lastTripSaid()).toBe(kept!.lastTrip);
    expect((await db.learned.toArray())[0]?.lastTrip).toBe(kept!.lastTrip);
    // What was learnt of other notes is not kept over what these taught.
    await writeLearned('own', marked);
    expect((await db.learned.toArray())[0]?.lastTrip).toBe(kept!.lastTrip);
  });

  it('is learnt once, however many ask at a time', async () => {
    await new TripDb('own').learned.clear();
    jest.resetModules();
    const { recordApi: opened } = await import('./record-api');
    const put = jest.spyOn(IDBObjectStore.prototype, 'put');
    const days = await Promise.all([1, 2, 3].map(() => opened.planDay('own', CONDITIONS, 'us')));
    expect(days.map((day) => day?.version.trips)).toEqual([1, 1, 1]);
    expect(put.mock.contexts.filter(({ name }) => name === 'learned')).toHaveLength(1);
    put.mockRestore();
  });
});
