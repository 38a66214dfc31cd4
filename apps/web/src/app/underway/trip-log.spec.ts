import 'fake-indexeddb/auto';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { TripEvent } from '@inky-shoal/core/underway';
import Dexie from 'dexie';
import { firstValueFrom } from 'rxjs';
import { TripDb } from './trip-db';
import type { NewTripEvent } from '@inky-shoal/core/underway';
import { TripLogService } from './trip-log.service';
import { TripSyncService } from './trip-sync.service';

const TRIP = '01960000-0000-7000-8000-000000000001';
const AT = Date.parse('2027-03-13T14:00:00Z');
const casts: NewTripEvent = { kind: 'effort', casts: 20, fishing: null };
const EVENTS = '/api/books/demo/trip-events';

/** Lets what was asked of the database and the server come round. */
const settle = (ms = 30) => new Promise((resolve) => setTimeout(resolve, ms));

async function open() {
  // structuredClone is not among what jsdom gives, and the database copies by it.
  const log = TestBed.inject(TripLogService);
  await firstValueFrom(log.log$);
  return log;
}

beforeEach(() => {
  globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value)) as never;
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
});
afterEach(async () => {
  TestBed.resetTestingModule();
  await Dexie.delete('inky-trips-demo');
});

/** Starts anew, as after a reload: what is in the database is all there is. */
const reload = () => {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
};

describe('the log on the device', () => {
  it('keeps every note over a reload, with ids and counts of its own that go on', async () => {
    const log = await open();
    const first = await log.add(TRIP, casts, AT);
    const second = await log.add(TRIP, { kind: 'contact', what: 'short', fishing: null }, AT + 1000);
    expect([first.seq, second.seq]).toEqual([0, 1]);
    expect(first.id < second.id).toBe(true);
    expect(log.now?.waiting.size).toBe(2);
    const { deviceId } = first;
    reload();
    const again = await open();
    expect(again.now?.events.map(({ id }) => id).sort()).toEqual([first.id, second.id]);
    expect(again.now?.waiting.size).toBe(2);
    expect(await again.add(TRIP, casts, AT)).toMatchObject({ seq: 2, deviceId });
  });

  it('keeps many notes of several trips in their order, all or none', async () => {
    const log = await open();
    const other = '01960000-0000-7000-8000-000000000002';
    const kept = await log.addAll([
      { tripId: TRIP, said: casts, atMs: AT },
      { tripId: other, said: { kind: 'finish' }, atMs: AT },
    ]);
    expect(kept.map(({ tripId, seq }) => [tripId, seq])).toEqual([
      [TRIP, 0],
      [other, 1],
    ]);
    const bad: NewTripEvent = { kind: 'effort', casts: -3, fishing: null };
    await expect(
      log.addAll([
        { tripId: TRIP, said: casts, atMs: AT },
        { tripId: TRIP, said: bad, atMs: AT },
      ]),
    ).rejects.toThrow('a number of casts');
    expect(log.now?.events).toHaveLength(2);
    expect(await log.add(TRIP, casts, AT)).toMatchObject({ seq: 2 });
  });

  it('refuses what could never be, in words, and keeps nothing of it', async () => {
    const log = await open();
    const giant: NewTripEvent = { kind: 'contact', what: 'landed', fishing: null, fish: { lengthMm: 9000 } };
    await expect(log.add(TRIP, giant, AT)).rejects.toThrow(
      'Not kept. expected a length in millimetres from 20 to 2500, got 9000.',
    );
    expect(log.now?.events).toEqual([]);
    expect(await log.add(TRIP, casts, AT)).toMatchObject({ seq: 0 });
  });

  it('says that the device is full where it is, and goes on when there is room', async () => {
    const log = await open();
    const put = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError');
    });
    await expect(log.add(TRIP, casts, AT)).rejects.toThrow('This device has no room left: the note was not kept.');
    put.mockRestore();
    expect(log.now?.events).toEqual([]);
    expect(await log.add(TRIP, casts, AT)).toMatchObject({ seq: 0 });
    expect(log.now?.events).toHaveLength(1);
  });

  it('takes in what other devices noted, and what is here already not twice', async () => {
    const log = await open();
    const own = await log.add(TRIP, casts, AT);
    const other: TripEvent = { ...own, id: '01960000-0000-7000-8000-0000000000ff', deviceId: TRIP };
    await log.addRemote('demo', { events: [own, other], upTo: 2, more: false });
    expect(log.now?.events).toHaveLength(2);
    expect(log.now?.waiting).toEqual(new Set([own.id]));
    expect(await log.heardUpTo('demo')).toBe(2);
  });

  it('forgets a trip that was erased, what still waited and its photographs too', async () => {
    const log = await open();
    const photoId = await log.addPhoto(new Blob(['fish']));
    const note = await log.add(TRIP, { kind: 'contact', what: 'landed', fishing: null, fish: { photoId } }, AT);
    expect(note.device).toBe('Computer');
    const other = await log.add('01960000-0000-7000-8000-0000000000aa', casts, AT);
    const erase: TripEvent = {
      kind: 'erase',
      id: '01960000-0000-7000-8000-0000000000fe',
      tripId: TRIP,
      deviceId: TRIP,
      seq: 0,
      at: note.at,
    };
    const lines = new TripDb('demo');
    await lines.told.put({ name: 'rows', of: 'the notes', rows: [] });
    const learned = { of: 'the notes', by: '1', since: '', lastTrip: '2027-03-13', state: null };
    await lines.learned.put({ discipline: 'bass', ...learned });
    await log.addRemote('demo', { events: [erase], upTo: 3, more: false });
    expect(log.now?.events.map(({ id }) => id).sort()).toEqual([other.id, erase.id].sort());
    expect(log.now?.waiting).toEqual(new Set([other.id]));
    expect(await log.photos('demo')).toEqual([]);
    // What the logbook had told of it, and what it had taught, goes with it.
    expect(await lines.told.count()).toBe(0);
    expect(await lines.learned.count()).toBe(0);
    lines.close();
    // It was on its way to the server meanwhile, which has said since that it came.
    await log.sent('demo', [note]);
    await log.refuse('demo', note, 'too late');
    const kept = new TripDb('demo');
    expect((await kept.events.toArray()).map(({ id }) => id).sort()).toEqual([other.id, erase.id].sort());
    kept.close();
  });
});

describe('bringing the log to the server', () => {
  let server: HttpTestingController;
  const start = async () => {
    const log = await open();
    server = TestBed.inject(HttpTestingController);
    return log;
  };
  const sent = () => server.match(({ method, url }) => method === 'POST' && url === EVENTS);
  const listened = () => server.match(({ method, url }) => method === 'GET' && url.startsWith(EVENTS));
  const quiet = () => listened().forEach((call) => call.flush({ events: [], upTo: 0, more: false }));

  it('counts a note as sent only when the server has said so; cut off, it is sent again', async () => {
    const log = await start();
    const note = await log.add(TRIP, casts, AT);
    TestBed.inject(TripSyncService);
    await settle(600);
    const [call] = sent();
    expect(call?.request.body).toEqual([note]);
    expect(log.now?.waiting.size).toBe(1);
    call?.error(new ProgressEvent('cut'));
    await settle();
    expect(log.now?.waiting.size).toBe(1);
    await log.add(TRIP, casts, AT + 1000);
    await settle(600);
    const [again] = sent();
    expect((again?.request.body as TripEvent[]).map(({ seq }) => seq)).toEqual([0, 1]);
    again?.flush({ kept: 2, added: 1 });
    await settle();
    quiet();
    await settle();
    expect(log.now?.waiting.size).toBe(0);
  });

  it('carries less at once after a line has failed, until all is there', async () => {
    const log = await start();
    for (let each = 0; each < 600; each++) await log.add(TRIP, casts, AT + each);
    TestBed.inject(TripSyncService);
    await settle(600);
    const [whole] = sent();
    expect(whole?.request.body).toHaveLength(600);
    whole?.error(new ProgressEvent('cut'));
    const sizes: number[] = [];
    for (let round = 0; round < 600 && log.now?.waiting.size; round++) {
      await settle(100);
      for (const call of sent()) {
        sizes.push((call.request.body as TripEvent[]).length);
        call.flush({ kept: 1, added: 1 });
      }
      quiet();
    }
    expect(sizes).toEqual([500, 100]);
    expect(log.now?.waiting.size).toBe(0);
  });

  it('brings the notes before a photo, and counts both until they are there', async () => {
    const log = await start();
    const id = await log.addPhoto(new Blob(['photo']));
    // What stands in for a database here gives no blobs back.
    const photo = { arrayBuffer: () => Promise.resolve(new ArrayBuffer(5)) } as Blob;
    jest.spyOn(log, 'photos').mockResolvedValueOnce([{ id, photo }]);
    await log.add(TRIP, casts, AT);
    const counts: number[] = [];
    log.waiting$.subscribe((waiting) => counts.push(waiting));
    TestBed.inject(TripSyncService);
    await settle(300);
    const photos = () => server.match(({ url }) => url.includes('/photos/'));
    expect(photos()).toEqual([]);
    sent().forEach((call) => call.flush({ kept: 1, added: 1 }));
    for (let round = 0; round < 600 && log.now?.photos; round++) {
      await settle();
      photos().forEach((call) => call.flush(null, { status: 204, statusText: 'No content' }));
      quiet();
    }
    expect(log.now?.photos).toBe(0);
    expect(counts).toEqual([2, 1, 0]);
  });

  it('finds the one note that the server refuses, keeps it here with the reason, and sends the others', async () => {
    const log = await start();
    const notes = [await log.add(TRIP, casts, AT), await log.add(TRIP, casts, AT), await log.add(TRIP, casts, AT)];
    TestBed.inject(TripSyncService);
    for (let round = 0; round < 600 && log.now?.waiting.size; round++) {
      await settle(round ? 30 : 600);
      for (const call of sent()) {
        const bad = (call.request.body as TripEvent[]).some(({ id }) => id === notes[1]?.id);
        if (bad) call.flush({ detail: 'It is odd.' }, { status: 422, statusText: 'Not understood' });
        else call.flush({ kept: 1, added: 1 });
      }
      quiet();
    }
    expect(log.now?.waiting.size).toBe(0);
    expect(log.now?.refused).toEqual([{ event: notes[1], why: 'It is odd.' }]);
  });
});
