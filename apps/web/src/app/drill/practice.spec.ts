import 'fake-indexeddb/auto';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { PracticeEvent } from '@inky-shoal/core/drill';
import Dexie from 'dexie';
import { filter, firstValueFrom } from 'rxjs';
import { PracticeDb } from './practice-db';
import { PracticeService } from './practice.service';

const PATH = '/api/books/demo/practice';
const settle = (ms = 40) => new Promise((resolve) => setTimeout(resolve, ms));
const answer = { kind: 'answer', step: 'lure', topic: 'lure/jerkbait-cold-clear', score: 0.2 } as const;
const wait = { kind: 'wait', wantedS: 8, feltS: 6.5 } as const;

let server: HttpTestingController;
const begin = () => {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
};
async function open(): Promise<PracticeService> {
  const practice = TestBed.inject(PracticeService);
  server = TestBed.inject(HttpTestingController);
  await firstValueFrom(practice.ready$.pipe(filter(Boolean)));
  return practice;
}
const posts = () => server.match(({ method, url }) => method === 'POST' && url === PATH);
const asks = () => server.match(({ method, url }) => method === 'GET' && url.startsWith(PATH));
const eventsOf = (practice: PracticeService) => firstValueFrom(practice.events$);

beforeEach(() => {
  globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value)) as never;
  begin();
});
afterEach(async () => {
  TestBed.resetTestingModule();
  await Dexie.delete('inky-practice-demo');
});

describe('what is practised', () => {
  it('is kept on the device at once, over a reload, and goes to the server once', async () => {
    const practice = await open();
    const kept = practice.add(answer);
    expect(await eventsOf(practice)).toEqual([kept]);
    await settle();
    const [call] = posts();
    expect(call?.request.body).toEqual([kept]);
    call?.error(new ProgressEvent('cut'));
    await settle();
    begin();
    const again = await open();
    expect(await eventsOf(again)).toEqual([kept]);
    await settle();
    const [second] = posts();
    expect(second?.request.body).toEqual([kept]);
    second?.flush({ kept: 1, added: 1 });
    await settle();
    begin();
    await open();
    await settle();
    expect(posts()).toEqual([]);
  });

  it('hears what other devices practised, portion by portion, each once', async () => {
    const practice = await open();
    const own = practice.add(answer);
    const other: PracticeEvent = { ...wait, id: '01960000-0000-7000-8000-000000000007', at: '2027-03-13T20:00:00Z' };
    await settle();
    asks().forEach((call) => call.flush({ events: [own, other], upTo: 5, more: true }));
    await settle();
    const [more] = asks();
    expect(more?.request.urlWithParams).toMatch(/after=5$/);
    more?.flush({ events: [], upTo: 5, more: false });
    await settle();
    expect((await eventsOf(practice)).map(({ id }) => id)).toEqual([own.id, other.id]);
    const db = new PracticeDb('demo');
    expect((await db.facts.get('heard'))?.value).toBe(5);
    db.close();
  });

  it('does not count what is taken back, until that is taken back too', async () => {
    const practice = await open();
    const one = practice.add(wait);
    practice.add({ ...wait, feltS: 9 });
    const back = practice.takeBack([one.id]);
    expect((await firstValueFrom(practice.waits$)).map(({ feltS }) => feltS)).toEqual([9]);
    back();
    expect((await firstValueFrom(practice.waits$)).map(({ feltS }) => feltS)).toEqual([6.5, 9]);
    practice.add(answer);
    const memory = practice.memory(Date.now() + 3 * 86_400_000);
    expect(memory.get(answer.topic)).toMatchObject({ answers: 1, last: 0.2 });
  });

  it('sets aside what the server will not have, and sends the rest', async () => {
    const practice = await open();
    const [first, bad, last] = [practice.add(answer), practice.add({ ...answer, topic: 'odd' }), practice.add(wait)];
    const arrived = new Set<string>();
    for (let round = 0; round < 20; round++) {
      await settle(20);
      for (const call of posts()) {
        const events = call.request.body as PracticeEvent[];
        if (events.some(({ id }) => id === bad.id)) call.flush({ detail: 'odd' }, { status: 422, statusText: 'No' });
        else {
          events.forEach(({ id }) => arrived.add(id));
          call.flush({ kept: 1, added: 1 });
        }
      }
    }
    expect([...arrived].sort()).toEqual([first.id, last.id].sort());
    const db = new PracticeDb('demo');
    expect((await db.events.get(bad.id))?.state).toBe(2);
    expect(await db.events.where('state').equals(0).count()).toBe(0);
    db.close();
  });
});
