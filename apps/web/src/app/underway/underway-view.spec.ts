import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import type { KeptTackle } from '@inky-shoal/core/tackle';
import type { TripEvent } from '@inky-shoal/core/underway';
import { lure } from '../../../../../packages/core/src/testing/tackle';
import { TackleService } from '../rig/tackle.service';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { choose } from '../../testing/controls';
import { TripLogService } from './trip-log.service';
import { TripService } from './trip.service';
import { UnderwayView } from './underway.view';

/** A line of server-sent events that the test speaks on. */
class Line {
  static latest: Line | null = null;
  onmessage: ((message: { data: string }) => void) | null = null;
  closed = false;
  constructor(readonly address: string) {
    Line.latest = this;
  }
  close(): void {
    this.closed = true;
  }
  say(news: object): void {
    this.onmessage?.({ data: JSON.stringify(news) });
  }
}

let fixture: ComponentFixture<UnderwayView>;
let server: HttpTestingController;
/** What the book's angler owns. */
let owned: KeptTackle[] = [];
const ownedLure = (number: number, name: string, weightG: number): KeptTackle => {
  const { id, ...item } = lure(number, 'football-jig', { name, weightG });
  return { id, item, updatedAt: '2027-03-01T00:00:00Z' };
};
const host = () => fixture.nativeElement as HTMLElement;
const text = () => (host().textContent ?? '').replace(/\s+/g, ' ');
const button = (name: string | RegExp): HTMLButtonElement => {
  const found = [...host().querySelectorAll('button')].find(({ textContent }) => {
    const words = (textContent ?? '').replace(/\s+/g, ' ').trim();
    return typeof name === 'string' ? words.startsWith(name) : name.test(words);
  });
  if (!found) throw new Error(`No button ${String(name)} in: ${text()}`);
  return found;
};

/** Waits until the page says something; what it asks of the server meanwhile finds a book with nothing in it. */
async function until(holds: () => boolean): Promise<void> {
  for (let each = 0; each < 2000; each++) {
    for (const call of server.match(() => true)) {
      const { url, method } = call.request;
      if (call.cancelled) continue;
      if (url.endsWith('/waters') || url.endsWith('/plans')) call.flush([]);
      else if (url.endsWith('/tackle')) call.flush(owned);
      else if (method === 'POST') call.flush({ kept: 1, added: 1 });
      else if (url.includes('trip-events')) call.flush({ events: [], upTo: 0, more: false });
      else if (url.endsWith('/books/demo')) {
        call.flush({ id: 'demo', clock: { now: '2027-03-13T14:12:00.000Z', fixed: true } });
      } else call.flush({ status: 'ok' });
    }
    await new Promise((resolve) => setTimeout(resolve, 10));
    fixture.detectChanges();
    if (holds()) return;
  }
  throw new Error(`Waited in vain; it says: ${text()}`);
}
const says = (words: string | RegExp) =>
  until(() => (typeof words === 'string' ? text().includes(words) : words.test(text())));
async function press(name: string | RegExp): Promise<void> {
  button(name).click();
  await until(() => true);
}

beforeEach(async () => {
  globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value)) as never;
  Object.assign(globalThis, { EventSource: Line });
  jest.spyOn(window, 'scrollTo').mockImplementation(() => undefined);
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
  });
  server = TestBed.inject(HttpTestingController);
  fixture = TestBed.createComponent(UnderwayView);
  await says('Set out.');
});
afterEach(async () => {
  owned = [];
  TestBed.resetTestingModule();
  await Dexie.delete('inky-trips-demo');
});

/** Sets out with nothing and takes a lure up. */
async function bareTrip(): Promise<void> {
  await press('Set out without a plan');
  await says('What do you fish?');
  await press('Choose a lure');
  await choose(fixture, 'another-lure', 'football-jig');
  await says('Football jig');
}

describe('a trip from nothing', () => {
  it('says what to do first, and takes a lure of its own choice in two taps', async () => {
    expect(text()).toContain('The sheet has no plan yet.');
    await bareTrip();
    expect(text()).toContain('where you are');
    expect(text()).toContain('0 bites in 0 min of fishing.');
  });

  it('notes each tap with what is fished, counts effort, and takes back the last', async () => {
    await bareTrip();
    await press('20 casts');
    await says('20 casts,');
    await press('Missed');
    await says('Bite missed');
    await press('Undo');
    await says(/20 casts, \d+:\d\d [ap]m/);
    const log = TestBed.inject(TripLogService).now?.events ?? [];
    expect(log.map(({ kind }) => kind)).toEqual(['begin', 'fishing', 'effort', 'contact', 'take-back']);
    expect(log[2]).toMatchObject({ casts: 20, fishing: { category: 'football-jig', spot: null } });
    // The demo's day goes on from its own hour.
    expect(log[2]?.at.slice(0, 16)).toBe('2027-03-13T14:12');
  });

  it('takes minutes for effort, and marks a bite that came at the boat', async () => {
    await bareTrip();
    await press('20 min');
    await says('0 bites in 20 min of fishing.');
    await press('Short');
    await says('At the boat');
    await press('At the boat');
    await says('At the boat ✓');
    expect(TestBed.inject(TripLogService).now?.events.at(-1)).toMatchObject({ kind: 'correct', atBoat: true });
  });

  it('asks what bait did and what birds did, once, and needs no answer', async () => {
    await bareTrip();
    await press('Bait');
    await says('It was');
    await press('chased');
    await says('Bait chased');
    expect(TestBed.inject(TripLogService).now?.events.at(-1)).toMatchObject({ kind: 'correct', seen: 'chased' });
    expect(text()).not.toContain('It was');
    await press('Birds');
    await says('Or they');
    await press('dive');
    await says('Birds diving');
    await press('20 casts');
    // The next note closes the question, once it is kept.
    await says(/20 casts, \d+:\d\d [ap]m/);
    expect(text()).not.toContain('Or they');
  });

  it('asks more of a landed fish, refuses what no fish is, and needs none of it', async () => {
    TestBed.inject(SettingsService).set({ units: 'metric' });
    await bareTrip();
    await press('Landed');
    await says('Landed. It is noted.');
    const [length] = host().querySelectorAll<HTMLInputElement>('inky-fish-form input');
    const type = (words: string) => {
      if (!length) throw new Error('no field');
      length.value = words;
      length.dispatchEvent(new Event('input'));
    };
    type('900');
    await says('Expected 2 to 250 cm, got 900 cm.');
    expect(button('Keep').disabled).toBe(true);
    type('long');
    await says('Expected 2 to 250 cm, got "long".');
    type('41,5');
    await until(() => !button('Keep').disabled);
    await press('Keep');
    await says('41.5 cm');
    await press('Landed');
    await says('Landed. It is noted.');
    expect(host().querySelector<HTMLInputElement>('inky-fish-form input')?.value).toBe('');
    await press('Close');
    await until(() => !text().includes('It is noted'));
  });

  it('asks of a fish later, too, and says only what was typed over', async () => {
    await bareTrip();
    await press('Landed');
    await says('Landed. It is noted.');
    const field = (at: number) =>
      host().querySelectorAll<HTMLInputElement>('inky-fish-form input')[at] as HTMLInputElement;
    const type = (at: number, words: string) => {
      field(at).value = words;
      field(at).dispatchEvent(new Event('input'));
    };
    type(0, '17');
    await press('Keep');
    await says('17 in');
    await press('Size');
    await says('Landed. It is noted.');
    expect(field(0).value).toBe('17');
    type(2, 'K-9');
    await press('Keep');
    await says('17 in, tag K-9');
    const last = TestBed.inject(TripLogService).now?.events.at(-1);
    expect(JSON.parse(JSON.stringify(last))).toMatchObject({ kind: 'correct', fish: { tag: 'K-9' } });
    expect(JSON.stringify(last)).not.toContain('lengthMm');
  });

  it('carries the only lure that is owned with the fish, and another in two taps', async () => {
    owned = [ownedLure(1, 'Brown jig', 14)];
    TestBed.inject(TackleService).reload();
    await bareTrip();
    await press('Landed');
    await says('Landed. It is noted.');
    const noted = () => JSON.parse(JSON.stringify(TestBed.inject(TripLogService).now?.events.at(-1))) as TripEvent;
    expect(noted()).toMatchObject({ kind: 'contact', fish: { tiedOn: { pieceId: owned[0]!.id, weightG: 14 } } });
    await press('Close');
    owned = [...owned, ownedLure(2, 'Black jig', 21)];
    TestBed.inject(TackleService).reload();
    await until(() => true);
    await press('Landed');
    await says('Tied on');
    await choose(fixture, 'tied-on', owned[1]!.id);
    await press('Keep');
    await until(() => noted().kind === 'correct');
    expect(noted()).toMatchObject({ kind: 'correct', fish: { tiedOn: { pieceId: owned[1]!.id, weightG: 21 } } });
    // The next fish is taken to have bitten what the last one did.
    await press('Landed');
    await says('Landed. It is noted.');
    expect(noted()).toMatchObject({ kind: 'contact', fish: { tiedOn: { pieceId: owned[1]!.id } } });
  });

  it('loses no length that was typed when the form is closed', async () => {
    await bareTrip();
    await press('Landed');
    await says('Landed. It is noted.');
    const length = host().querySelector<HTMLInputElement>('inky-fish-form input');
    if (!length) throw new Error('no field');
    length.value = '19';
    length.dispatchEvent(new Event('input'));
    await press('Close');
    await says('19 in');
  });

  it('shows the latest notes of a long day, and all of them when they are wanted', async () => {
    await bareTrip();
    for (let at = 0; at < 45; at++) await TestBed.inject(TripService).casts(20);
    await says('older notes');
    const lines = () => host().querySelectorAll('inky-trip-log li').length;
    expect(lines()).toBe(40);
    await press(/older notes/);
    expect(lines()).toBeGreaterThan(44);
  });

  it('keeps what is typed of a reading while instruments go on speaking', async () => {
    await bareTrip();
    const heard = { kind: 'heard', at: '2027-03-13T14:12:01Z' };
    Line.latest?.say({ kind: 'line', state: 'hearing', why: null, sentences: 1, badChecksums: 0, garbled: 0 });
    Line.latest?.say({ ...heard, heard: { kind: 'water-temp', tempC: 12.8 } });
    await says('Water 55 °F.');
    await press('Take a reading');
    const temp = host().querySelector('inky-trip-reading input') as HTMLInputElement;
    expect(temp.value).toBe('55');
    temp.value = '61';
    temp.dispatchEvent(new Event('input'));
    // Two looks at the clock go by, and the instruments speak again.
    for (let each = 0; each < 2; each++) {
      Line.latest?.say({ ...heard, heard: { kind: 'water-temp', tempC: 12.9 } });
      await new Promise((resolve) => setTimeout(resolve, 2100));
      fixture.detectChanges();
    }
    expect(temp.value).toBe('61');
    await press('Keep');
    await says('Reading61 °F');
  });

  it('rests while it is paused, goes on, and is looked back on in the end', async () => {
    await bareTrip();
    await press('20 casts');
    await says('20 casts,');
    await press('Pause');
    await says('Paused.');
    await press('Go on');
    await says('Underway');
    await press('After the last cast');
    await says('looking back');
    expect(text()).toContain('Set out without a plan.');
    await press('Not over yet');
    await says('Underway');
    await press('After the last cast');
    await says('Save the review');
    await press('Save the review');
    await says('Trips before');
    await press('A trip without a plan');
    await says('Done');
    expect(text()).not.toContain('Save the review');
  });
});

describe('instruments under way', () => {
  it('are listened to while one looks, go into notes, and are no trouble where there are none', async () => {
    await bareTrip();
    expect(Line.latest?.address).toContain('/api/books/demo/instruments/stream');
    const line = { kind: 'line', why: null, sentences: 3, badChecksums: 0, garbled: 0 };
    Line.latest?.say({ ...line, state: 'none' });
    await press('20 casts');
    expect(host().querySelector('#instruments')).toBeNull();
    Line.latest?.say({ ...line, state: 'hearing' });
    Line.latest?.say({ kind: 'heard', at: '2027-03-13T14:12:01Z', heard: { kind: 'depth', depthM: 3.05 } });
    Line.latest?.say({ kind: 'heard', at: 'never', heard: { kind: 'depth', depthM: 99 } });
    await says('10 ft deep.');
    await press('Follow');
    await says('10 ft under the boat');
    Line.latest?.say({ ...line, state: 'away', why: 'Nobody listens there.' });
    await says('The instruments cannot be reached. Nobody listens there.');
    fixture.destroy();
    expect(Line.latest?.closed).toBe(true);
  });
});

describe('a note that cannot be kept', () => {
  it('is said in words, and the next one is kept', async () => {
    await bareTrip();
    const said = jest.spyOn(TestBed.inject(NoticeService), 'say');
    const full = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError');
    });
    await press('Birds');
    await until(() => said.mock.calls.length > 0);
    expect(said.mock.calls[0]?.[0]).toContain('This device has no room left');
    full.mockRestore();
    await press('Birds');
    await says('Birds');
    const kinds = TestBed.inject(TripLogService).now?.events.map(({ kind }) => kind);
    expect(kinds).toEqual(['begin', 'fishing', 'birds']);
  });
});
