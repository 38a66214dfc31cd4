import type { AddressInfo, Socket } from 'node:net';
import { seeded } from '@inky-shoal/demo';
import type { BrowserContext, Page } from 'playwright-core';
import type { TripEvent } from '@inky-shoal/core/underway';
import { v7 as uuid } from 'uuid';
import { Boat } from '../apps/sim/src/boat';
import { boatLine } from '../apps/sim/src/boat-line';
import { violations } from './support/axe';
import { PHONE, says, Stage, textOf, until } from './support/stage';

let stage: Stage;
/** Trips that stand in the demo before a test makes one. */
const demoTrips = new Set<string>();
beforeAll(async () => {
  stage = await Stage.set();
  for (const { tripId } of await heard()) demoTrips.add(tripId);
});
afterEach(async () => {
  await stage.closePages();
  await endOpenTrips();
});
afterAll(() => stage.strike());

const AT: [number, number] = [-88.41, 35.93];
const tap = (page: Page, name: string) => page.locator('inky-taps').getByRole('button', { name }).click();
const setOut = async (page: Page) => {
  await page.getByRole('button', { name: 'Set out with the plan on the sheet' }).click();
  await page.locator('inky-taps').waitFor();
};
const sync = (page: Page) => page.locator('.sync');

/** All events that the server has of the tests' own trips, as another device would hear them. */
async function heard(): Promise<TripEvent[]> {
  const events: TripEvent[] = [];
  for (let after = 0, more = true; more;) {
    const answer = await fetch(`${stage.server.address}/api/books/demo/trip-events?after=${after}`);
    const news = (await answer.json()) as { events: TripEvent[]; upTo: number; more: boolean };
    events.push(...news.events.filter(({ tripId }) => !demoTrips.has(tripId)));
    ({ more, upTo: after } = news);
  }
  return events;
}
/** Notes of the latest trip, by what was tapped. */
const tapsIn = (events: readonly TripEvent[], tripId: string) =>
  events
    .filter((event) => event.tripId === tripId)
    .map((event) => (event.kind === 'contact' ? event.what : event.kind))
    .sort();

/** Waits until so many events of the latest trip are at the server: the page may still say what held before a tap. */
async function reaches(page: Page, count: number): Promise<void> {
  let found = 0;
  const all = async () => {
    const events = await heard();
    const tripId = events
      .map((event) => event.tripId)
      .sort()
      .at(-1);
    found = events.filter((event) => event.tripId === tripId).length;
    return found === count;
  };
  await until(`${count} events are at the server`, all).catch((error: Error) => {
    throw new Error(`${error.message}; there are ${found}`);
  });
  await says(sync(page), 'All sent.');
}

/** Ends what a test began, whether it held or not, as another device would: the next one sets out anew. */
async function endOpenTrips(): Promise<void> {
  const events = await heard();
  const over = new Set(events.flatMap(({ kind, tripId }) => (kind === 'review' ? [tripId] : [])));
  const open = events.filter(({ kind, tripId }) => kind === 'begin' && !over.has(tripId));
  const at = new Date(Date.parse(events.at(-1)?.at ?? '2027-03-13T14:00:00Z') + 1000).toISOString();
  const last = open.flatMap(({ tripId }) => {
    const own = { tripId, deviceId: uuid(), at };
    const review = { planned: [], done: [], found: [] };
    return [
      { ...own, id: uuid(), seq: 0, kind: 'finish' },
      { ...own, id: uuid(), seq: 1, kind: 'review', review },
    ];
  });
  if (!last.length) return;
  const answer = await fetch(`${stage.server.address}/api/books/demo/trip-events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(last),
  });
  expect(answer.status).toBe(200);
}

describe('a trip', () => {
  it('goes on with no signal, over a reload while off and a server killed while it is told; then all is there once', async () => {
    const page = await stage.page('/underway', { size: PHONE, keeps: true, position: AT });
    const context: BrowserContext = page.context();
    await page.getByRole('button', { name: 'Set out with the plan on the sheet' }).waitFor();
    // The page is kept a little after it stands.
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await until('the page is kept', () =>
      page.evaluate(async () => {
        const names = await caches.keys();
        const assets = names.find((name) => name.includes(':assets:') && name.endsWith(':cache'));
        return !!assets && (await (await caches.open(assets)).keys()).some(({ url }) => url.endsWith('/index.html'));
      }),
    );
    await page.reload();
    await setOut(page);
    await tap(page, '20 casts');
    await tap(page, 'Follow');
    await reaches(page, 3);
    const [begun] = await heard();
    expect(begun?.kind).toBe('begin');

    await context.setOffline(true);
    await tap(page, 'Short');
    await tap(page, 'Bait');
    await says(sync(page), /No signal\. 2 notes kept here\./);
    await page.reload();
    await page.locator('inky-taps').waitFor();
    await says(sync(page), /2 notes/);
    await tap(page, 'Landed');
    await page.getByLabel(/^Length/).fill('17');
    await page.getByLabel('Tag number').fill('A 1734');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await tap(page, 'Missed');
    await page.getByRole('button', { name: 'Undo' }).click();
    await says(page.locator('inky-trip-log'), /Landed17 in, tag A 1734/);
    await says(sync(page), /No signal\. 6 notes kept here\./);

    // The plan goes on, too: the core runs in the page.
    await page.getByRole('link', { name: 'Sheet' }).click();
    await page.locator('.note').waitFor();
    await page.getByRole('link', { name: 'Underway' }).click();
    await says(sync(page), /No signal\. 6 notes kept here\./);
    expect((await heard()).filter(({ tripId }) => tripId === begun?.tripId)).toHaveLength(3);

    // Back in reach, the server is killed as soon as it is spoken to; nobody knows what it had kept.
    const spokenTo = page.waitForRequest(
      (request) => request.method() === 'POST' && request.url().endsWith('/trip-events'),
    );
    await context.setOffline(false);
    await spokenTo;
    await stage.restart();
    await tap(page, 'Mark');
    await reaches(page, 10);
    const events = await heard();
    expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
    expect(tapsIn(events, begun!.tripId)).toEqual(
      ['begin', 'effort', 'follow', 'short', 'bait', 'landed', 'correct', 'missed', 'take-back', 'mark'].sort(),
    );
    const landed = events.find((event) => event.kind === 'contact' && event.what === 'landed');
    expect(landed?.sensed).toEqual({ from: 'browser', lonLat: AT });
  });

  it('is the same on two devices that both note on it, and shows where a tag was seen before', async () => {
    const one = await stage.page('/underway', { size: PHONE });
    await setOut(one);
    await tap(one, '20 casts');
    await tap(one, 'Landed');
    await one.getByLabel(/^Length/).fill('17');
    await one.getByLabel('Tag number').fill('A 1734');
    await one.getByRole('button', { name: 'Keep', exact: true }).click();
    await reaches(one, 4);
    const two = await stage.page('/underway', { size: PHONE });
    await two.locator('inky-taps').waitFor();
    await tap(two, 'Short');
    await tap(two, 'Landed');
    await two.getByLabel('Tag number').fill('a1734');
    await says(two.locator('inky-fish-form'), /Seen before: .*Lake Ferrow.*17 in\./);
    // What was typed is kept when the form is closed.
    await two.getByRole('button', { name: 'Close' }).click();
    await reaches(two, 7);
    await tap(one, 'Birds');
    await reaches(one, 8);
    for (const page of [one, two]) {
      await page.reload();
      await until('both tell the same', async () => {
        const log = await textOf(page.locator('inky-trip-log'));
        return ['Landed', 'Short strike', '20 casts', 'Birds'].every((words) => log.includes(words));
      });
      expect(await page.locator('inky-trip-log li').count()).toBe(5);
    }
  });

  it('answers taps with another next move, and undoes the last one', async () => {
    const page = await stage.page('/underway', { size: PHONE });
    await setOut(page);
    const next = page.locator('.move');
    await says(next, /^Begin with the /);
    await tap(page, '20 casts');
    await says(page.locator('inky-next-move'), /if you stay|Stay, and go on/);
    await tap(page, 'Landed');
    await page.getByRole('button', { name: 'Close' }).click();
    await tap(page, 'Landed');
    await page.getByRole('button', { name: 'Close' }).click();
    await says(next, /Turn round|Stay/);
    await page.getByRole('button', { name: 'Because' }).click();
    await says(page.locator('inky-next-move'), 'Several bites in a short stretch');
    await page.getByRole('button', { name: 'Undo' }).click();
    await says(page.locator('.last'), 'Landed');
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('Tap what happens.').waitFor();
    for (let each = 0; each < 4; each++) await tap(page, '20 casts');
    await says(next, /Move on|Take up|Go deeper|Come up|Slower|Faster|Change one thing/);
    await says(
      page.locator('.odds'),
      /bites an hour, likely \d+(\.\d)? to \d+(\.\d)?, \d+(\.\d)? if you stay; better in/,
    );
    // What is advised is fished with one tap, and carried into the next note.
    await page.getByRole('button', { name: 'I do that' }).click();
    await tap(page, 'Short');
    const lure = await textOf(page.locator('inky-trip-now h2'));
    await says(page.locator('inky-trip-log li').first(), new RegExp(`Short strike${lure}`, 'i'));
    // Another lure in two taps.
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    const other = page.locator('inky-change li button').nth(1);
    const words = (await textOf(other)).split(' at ')[0] as string;
    await other.click();
    await says(page.locator('inky-trip-now h2'), words);
  });

  it('goes along with a morning: an empty place, a follow, a school, put down, coming back', async () => {
    const page = await stage.page('/underway', { size: PHONE, apart: true });
    // The morning passes at once: the trip's clock is the page's.
    await page.clock.install();
    await page.reload();
    await setOut(page);
    const next = page.locator('inky-next-move');
    const later = (minutes: number) => page.clock.fastForward(minutes * 60_000);
    const because = async () => {
      const button = next.getByRole('button', { name: 'Because' });
      if ((await button.getAttribute('aria-expanded')) === 'false') await button.click();
    };
    for (let each = 0; each < 9; each++) {
      await later(12);
      await tap(page, '20 casts');
    }
    await because();
    await says(next, /This place is likely empty \(\d in 10\)\./);
    await says(page.locator('.move'), /^(?!Stay)/);
    await page.getByRole('button', { name: 'I do that' }).click();
    await later(12);
    await tap(page, '20 casts');
    await tap(page, 'Follow');
    await later(3);
    await tap(page, 'Follow');
    await because();
    await says(next, /2 came and did not take it: fish are here, and something is off\./);
    for (let each = 0; each < 4; each++) {
      await later(3);
      await tap(page, 'Landed');
      await page.getByRole('button', { name: 'Close' }).click();
    }
    await says(page.locator('.move'), /Stay|Turn round/);
    for (let each = 0; each < 3; each++) {
      await later(8);
      await tap(page, '20 casts');
    }
    await because();
    await says(next, /They were here and are put down: back at \d/);
    await later(240);
    await tap(page, '20 casts');
    await until('that is not spoken of any more', async () => !(await textOf(next)).includes('put down'));
  });

  it('is looked back on after the last cast, in own words too, and kept with its review', async () => {
    const page = await stage.page('/underway', { size: PHONE });
    await setOut(page);
    await tap(page, '20 casts');
    await tap(page, 'Missed');
    await page.getByRole('button', { name: /New reading/ }).click();
    await page.getByRole('spinbutton', { name: /Water temperature/ }).fill('56');
    await page.locator('inky-trip-reading').getByRole('button', { name: 'Keep' }).click();
    await page.getByRole('button', { name: 'After the last cast' }).click();
    await says(page.locator('inky-trip-review'), 'With it go to the water: 1 reading to its record.');
    // It is read from its top, though the button stands at the foot of a long page.
    expect(await page.evaluate(() => window.scrollY)).toBe(0);
    await says(page.locator('inky-trip-review'), /1 bite, 0 fish landed\..*Pre-spawn/s);
    await page.getByLabel('In your words').fill('Wind from the wrong side.');
    await page.getByRole('button', { name: 'Save the review' }).click();
    await says(page.locator('inky-trip-start'), 'Trips before');
    const told = (event: TripEvent) => event.kind === 'review' && event.note === 'Wind from the wrong side.';
    await until('the review is at the server', async () => (await heard()).some(told));
    // What was read belongs to the water: the season knows it from now on.
    const begun = (await heard()).filter((event) => event.kind === 'begin');
    const { waterId, tripId } = begun.at(-1)!;
    const noted = (await heard()).findLast(({ kind }) => kind === 'reading');
    await until('the reading is in the record', async () => {
      const record = await fetch(`${stage.server.address}/api/books/demo/waters/${waterId}/readings`);
      return ((await record.json()) as { id: string }[]).some(({ id }) => id === noted?.id);
    });
    // The demo's clock stands, so that trips of other tests began within the same second: which is its own is told by id.
    begun.sort((a, b) => Date.parse(b.at) - Date.parse(a.at) || (a.tripId < b.tripId ? 1 : -1));
    const at = begun.findIndex((event) => event.tripId === tripId);
    await page
      .getByRole('button', { name: /^Lake Ferrow/ })
      .nth(at)
      .click();
    await says(page.locator('inky-trip-review'), 'Wind from the wrong side.');
  });

  it('names the stops of the day in order, with the way to each from where one is', async () => {
    const waters = (await (await fetch(`${stage.server.address}/api/books/demo/waters`)).json()) as { id: string }[];
    const stop = { depthM: 3, fromMin: 480, toMin: 540, legM: 900 };
    const run = {
      waterId: waters[0]?.id,
      date: '2027-03-13',
      ramp: 'Marina ramp',
      backMin: 700,
      stops: [
        { ...stop, name: 'Ditch bend', lonLat: [AT[0], AT[1] + 0.01] },
        { ...stop, name: 'Long point', lonLat: [AT[0] + 0.02, AT[1]], fromMin: 560, toMin: 640 },
      ],
      line: [],
    };
    const page = await stage.page('/settings', { size: PHONE, position: AT });
    await page.evaluate((runs) => localStorage.setItem('inky.runs', JSON.stringify(runs)), [run]);
    await page.goto(`${stage.server.address}/underway`);
    await says(page.locator('inky-trip-start'), '2 stops in order');
    await setOut(page);
    const [first, second] = [page.locator('inky-order li').first(), page.locator('inky-order li').last()];
    await says(first, /Ditch bend8 to 9 am, 10 ft0\.7 miles N, 000°/);
    await says(second, /Long point9:20 to 10:40 am, 10 ft1\.1 miles E, 090°/);
    expect(await first.getAttribute('aria-current')).toBe('step');
    await says(page.locator('inky-trip-now'), 'Ditch bend');
  });

  it('keeps a photo of a fish with its note, and brings it to the server', async () => {
    const page = await stage.page('/underway', { size: PHONE });
    await setOut(page);
    await tap(page, 'Landed');
    const dot = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
    const photo = { name: 'fish.png', mimeType: 'image/png', buffer: Buffer.from(dot, 'base64') };
    await page.locator('inky-fish-form input[type=file]').setInputFiles(photo);
    await says(page.locator('inky-fish-form'), 'Photo is kept');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await reaches(page, 3);
    const told = (await heard()).at(-1);
    const photoId = told?.kind === 'correct' ? told.fish?.photoId : undefined;
    const there = async () => (await fetch(`${stage.server.address}/api/books/demo/photos/${photoId}`)).ok;
    await until('the photo is at the server', there);
    const shown = page.locator('inky-trip-log img');
    await until(
      'it is seen in the log',
      async () =>
        (await shown.count()) === 1 && (await shown.evaluate((image: HTMLImageElement) => image.naturalWidth)) > 0,
    );
  });

  it('meets a warm reading with the new plan beside the old, and takes it with one tap', async () => {
    const page = await stage.page('/underway', { size: PHONE });
    await setOut(page);
    // What is fished is noted with a tap: the new plan takes over from that, too.
    await tap(page, '20 casts');
    await page.getByRole('button', { name: /New reading/ }).click();
    await page.getByRole('spinbutton', { name: /Water temperature/ }).fill('64');
    await page.locator('inky-trip-reading').getByRole('button', { name: 'Keep' }).click();
    const off = page.locator('inky-off-plan');
    await says(off, /The water is 64 °F, warmer than the \d+ °F planned with\./);
    const instead = (await textOf(off.locator('dd').nth(1))).split(',')[0] as string;
    await page.getByRole('button', { name: 'Take the new plan' }).click();
    await off.waitFor({ state: 'detached' });
    await says(page.locator('inky-trip-now h2'), new RegExp(instead, 'i'));
  });
});

describe('instruments', () => {
  it('come, go into the notes by themselves, fall silent, are told as stale, and come back', async () => {
    const at = [-88.42, 35.94] as const;
    const boat = new Boat(at, [], 8, { depthM: () => 4.57, tempC: () => 13.4 });
    let silent = false;
    const faults = {
      badChecksum: 0.2,
      garbled: 0.2,
      silentEvery: 1,
      // A line that is silent for every second of each.
      get silentFor() {
        return silent ? 1 : 0;
      },
    };
    const line = boatLine(boat, faults, seeded(3), 100);
    const sockets = new Set<Socket>();
    line.on('connection', (socket) => sockets.add(socket));
    line.listen(0, '127.0.0.1');
    await new Promise((listening) => line.once('listening', listening));
    try {
      const page = await stage.page('/settings');
      const field = page.locator('inky-instruments-field');
      await field.getByRole('textbox').fill('boat');
      await field.getByRole('button', { name: 'Keep' }).click();
      await says(page.locator('#instruments-address-problem'), 'expected an address as tcp://');
      await field.getByRole('textbox').fill(`tcp://127.0.0.1:${(line.address() as AddressInfo).port}`);
      await field.getByRole('button', { name: 'Keep' }).click();
      await says(page.locator('.notice'), 'Underway listens to it.');
      await page.getByRole('link', { name: 'Underway' }).click();
      await setOut(page);
      const told = page.locator('section:has(> #instruments)');
      const latest = page.locator('inky-trip-log li').first();
      await says(told, /15 ft deep, water 56 °F/);
      await tap(page, '20 casts');
      await says(latest, /15 ft under the boat, water 56 °F/);
      silent = true;
      const stale = async () => /Silent for \d+ s\. Last: 15 ft deep/.test(await textOf(told));
      await until('silence is told', stale);
      await tap(page, 'Follow');
      await says(latest, 'Follow');
      expect(await textOf(latest)).not.toContain('under the boat');
      silent = false;
      await says(told, /^Instruments ?15 ft deep, water 56 °F, 0 mph\.$/);
      await tap(page, 'Short');
      await says(latest, /15 ft under the boat/);
      await reaches(page, 4);
      const noted = (await heard()).filter(({ kind }) => kind === 'contact' || kind === 'effort').slice(-3);
      expect(noted.map(({ sensed }) => sensed?.depthM?.toFixed(1))).toEqual(['4.6', undefined, '4.6']);
    } finally {
      const own = { method: 'PUT', headers: { 'content-type': 'application/json' }, body: '{"address":null}' };
      await fetch(`${stage.server.address}/api/books/demo/instruments`, own);
      for (const socket of sockets) socket.destroy();
      await new Promise((closed) => line.close(closed));
    }
  });
});

describe('what goes wrong', () => {
  it('is said in a sentence, and no note is lost or doubled', async () => {
    const page = await stage.page('/underway', { size: PHONE, units: 'metric' });
    await setOut(page);
    await tap(page, 'Landed');
    await page.getByLabel(/^Length/).fill('900');
    await says(page.locator('#lengthMm-problem'), 'Expected 2 to 250 cm, got 900 cm.');
    expect(await page.getByRole('button', { name: 'Keep', exact: true }).isDisabled()).toBe(true);
    await page.getByLabel(/^Length/).fill('90');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await says(page.locator('inky-trip-log'), 'Landed90 cm');
    // Where one is may not be told here: it is said, and all else goes on.
    await says(page.locator('section:has(> #trip-acts)'), 'This browser may not tell where you are');

    await page.evaluate(() => {
      const kept = IDBObjectStore.prototype.add;
      const full = () => {
        throw new DOMException('no room', 'QuotaExceededError');
      };
      Object.assign(window, { room: () => (IDBObjectStore.prototype.add = kept) });
      IDBObjectStore.prototype.add = full;
    });
    await tap(page, 'Short');
    await says(page.locator('.notice'), 'This device has no room left: the note was not kept.');
    expect(await page.locator('inky-trip-log li').count()).toBe(1);
    await page.evaluate(() => (window as unknown as { room: () => void }).room());
    await tap(page, 'Short');
    await says(page.locator('inky-trip-log li').first(), 'Short strike');
    expect(await page.locator('inky-trip-log li').count()).toBe(2);
  });
});

describe('for every hand and eye', () => {
  it.each(['paper', 'night', 'glare'])('axe finds nothing under way in %s', async (look) => {
    const page = await stage.page('/underway', { size: PHONE, look });
    await setOut(page);
    await tap(page, 'Short');
    await page.locator('.move').waitFor();
    expect(await violations(page)).toEqual([]);
    for (const open of ['Change', 'Why', 'Because']) {
      await page.getByRole('button', { name: open, exact: true }).click();
      expect(await violations(page)).toEqual([]);
      if (open === 'Change') await page.getByRole('button', { name: 'As it was' }).click();
    }
    const heights = await page
      .locator('inky-taps button')
      .evaluateAll((targets) => targets.map((target) => target.getBoundingClientRect().height));
    expect(Math.min(...heights)).toBeGreaterThanOrEqual(60);
  });

  it('complains of nothing on the way but of the address that was refused', () => {
    expect(stage.complaints.filter((each) => !each.includes('status of 422'))).toEqual([]);
  });
});
