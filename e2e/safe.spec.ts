import type { TripNews } from '@inky-shoal/core/underway';
import { createHash, X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext } from 'playwright-core';
import { keptTestBrowser } from '../scripts/lib/browser.mjs';
import { freePort } from '../scripts/lib/server.mjs';
import { PHONE, says, Stage, textOf, until, WAIT_MS } from './support/stage';
import { fetchedAhead } from './support/controls';

let stage: Stage;
let profile: string;
let phone: BrowserContext | undefined;
beforeAll(async () => {
  // Another address of this machine's loopback stands for the network.
  process.env.INKY_SHARE_HOST = '127.0.0.2';
  process.env.INKY_SHARE_PORT = String(await freePort());
  stage = await Stage.set();
  profile = mkdtempSync(join(tmpdir(), 'inky-phone-'));
});
afterEach(() => stage.closePages());
afterAll(async () => {
  await phone?.close();
  rmSync(profile, { recursive: true, force: true });
  await stage.strike();
});

const api = async (path: string, method = 'GET', body?: unknown) =>
  (
    await fetch(`${stage.server.address}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  ).json() as Promise<never>;

describe('another page in the same browser', () => {
  // What is refused is complained of on the console.
  afterEach(() => (stage.complaints.length = 0));

  it('gets nothing and changes nothing, by a form or by a script', async () => {
    const [water] = (await api('/books/demo/waters')) as { id: string }[];
    const target = `${stage.server.address}/api/books/demo/waters/${water!.id}/weather`;
    const foreign = createServer((_request, response) => {
      response.setHeader('content-type', 'text/html')
        .end(`<form id="f" method="post" enctype="text/plain" action="${target}">
        <input name="time,air C" value="2026-11-01 00:00,12"></form>`);
    }).listen(0, '127.0.0.1');
    await new Promise((ready) => foreign.once('listening', ready));
    const { port } = foreign.address() as AddressInfo;
    const page = await stage.page('/settings');
    await page.goto(`http://localhost:${port}/`);
    const [answer] = await Promise.all([
      page.waitForResponse(target),
      page.evaluate(() => (document.querySelector('#f') as HTMLFormElement).submit()),
    ]);
    expect(answer.status()).toBe(403);
    // The refused form ended on a page of its own.
    await page.waitForURL(target);
    await page.goto(`http://localhost:${port}/`);
    const sent = await page.evaluate(
      (url) =>
        fetch(url, { method: 'POST', mode: 'no-cors', body: 'time,air C' }).then(
          () => 'sent',
          () => 'refused',
        ),
      target,
    );
    expect(sent).toBe('refused');
    const read = await page.evaluate(
      (url) =>
        fetch(url).then(
          () => 'read',
          () => 'refused',
        ),
      `${stage.server.address}/api/books/demo`,
    );
    expect(read).toBe('refused');
    foreign.close();
  });
});

describe('two windows with the server away', () => {
  it('keep both changes, over a reload of one, and both go in', async () => {
    const first = await stage.page('/sheet');
    await first.locator('.note').waitFor();
    const second = await first.context().newPage();
    await second.goto(`${stage.server.address}/sheet`);
    await second.locator('.note').waitFor();
    await fetchedAhead(second);
    await stage.restart(async () => {
      for (const [page, name] of [
        [first, 'From the first'],
        [second, 'From the second'],
      ] as const) {
        await page.getByRole('button', { name: 'Save plan' }).click();
        await page.getByLabel('Name of the plan').fill(name);
        await page.getByRole('button', { name: 'Save', exact: true }).click();
        await says(page.locator('.notice'), 'is kept here');
      }
      await says(first.locator('.state'), '2 changes wait');
    });
    await until('both have arrived', async () => {
      const plans = (await api('/books/demo/plans')) as { name: string }[];
      return (
        plans.some(({ name }) => name === 'From the first') || plans.some(({ name }) => name === 'From the second')
      );
    });
    await until('nothing waits', async () => !(await textOf(first.locator('.state'))).includes('wait'));
    expect(stage.complaints).toEqual([]);
  });
});

describe('two windows', () => {
  it('show the same readings: what one adds, the other reads by itself', async () => {
    const first = await stage.page('/waters');
    await first.locator('tbody tr').first().waitFor();
    const second = await first.context().newPage();
    await second.goto(`${stage.server.address}/waters`);
    await second.locator('tbody tr').first().waitFor();
    await first.getByLabel('Water, °F').fill('57');
    await first.getByRole('button', { name: 'Add', exact: true }).click();
    await says(second.locator('tbody tr').first(), '57 °F');
    expect(stage.complaints).toEqual([]);
  });
});

/** Trips that stand in the demo before a test makes one. */
const demoTrips = async (): Promise<Set<string>> =>
  new Set(((await api('/books/demo/trip-events')) as TripNews).events.map(({ tripId }) => tripId));

describe('what was removed', () => {
  it('lies in the bin, is put back, and a former version comes back', async () => {
    const page = await stage.page('/plans');
    const remove = page.getByRole('button', { name: 'Remove After the front' });
    await remove.click();
    await remove.waitFor({ state: 'detached' });
    await page.goto(`${stage.server.address}/bin`);
    await page.getByRole('button', { name: 'Put After the front back' }).click();
    await says(page.locator('.notice'), 'After the front is back.');
    await page.getByText('Nothing lies in the bin.').waitFor();
    await says(page.locator('section').nth(1), /After the front plan, removed .* on Computer/);
    expect(stage.complaints).toEqual([]);
  });

  it('of trips are notes and whole trips: a note is as it was, and an erased trip is gone here and there', async () => {
    const before = await demoTrips();
    const page = await stage.page('/underway');
    await page.getByRole('button', { name: 'Set out without a plan' }).click();
    await page.getByRole('button', { name: /^Landed/ }).click();
    const takeBack = page.getByRole('button', { name: /Landed.*take back/ });
    await takeBack.click();
    // It is on the disk once its line is gone: whoever leaves before has not taken it back.
    await takeBack.waitFor({ state: 'detached' });
    await page.goto(`${stage.server.address}/bin`);
    const notes = page.locator('section', { has: page.getByRole('heading', { name: 'Notes of trips' }) });
    await says(notes, /Landed, .* taken back .* on Computer/);
    await notes.getByRole('button').click();
    await says(page.locator('.notice'), /Landed, .* is as it was/);
    await page.goto(`${stage.server.address}/underway`);
    await page.getByRole('button', { name: 'After the last cast' }).click();
    await page.getByRole('button', { name: 'Save the review' }).click();
    await page.getByRole('heading', { name: 'Set out.' }).waitFor();
    await page.getByRole('button', { name: 'A trip without a plan' }).click();
    await page.getByRole('button', { name: 'Remove this trip' }).click();
    await says(page.locator('.notice'), 'is in the bin.');
    await page.goto(`${stage.server.address}/bin`);
    const events = async () => (await api('/books/demo/trip-events')) as TripNews;
    await until('the removal has arrived', async () => (await events()).events.some(({ kind }) => kind === 'remove'));
    await page.getByRole('button', { name: /^Erase/ }).click();
    await page.getByRole('button', { name: 'Erase for good' }).click();
    await until('nothing but that is left', async () => {
      const left = (await events()).events.filter(({ tripId }) => !before.has(tripId));
      return left.length === 1 && left[0]?.kind === 'erase';
    });
    await page.reload();
    await page.getByText('Nothing lies in the bin.').waitFor();
    expect(stage.complaints).toEqual([]);
  });
});

describe('backups', () => {
  it('are made, told beside the book, and gone back to', async () => {
    const page = await stage.page('/settings');
    await page.getByRole('button', { name: 'Back up now' }).click();
    await says(page.locator('.notice'), 'Backed up.');
    const [water] = (await api('/books/demo/waters')) as { id: string; name: string }[];
    await fetch(`${stage.server.address}/api/books/demo/waters/${water!.id}`, { method: 'DELETE' });
    await page.getByRole('button', { name: 'Go back to it' }).first().click();
    await says(page.locator('.asked'), /It holds 2 waters.*now holds/);
    await page.locator('.asked').getByRole('button', { name: 'Go back to it' }).click();
    await says(page.locator('.notice'), 'The book is as it was then.');
    expect(await api('/books/demo/waters')).toHaveLength(2);
    expect(stage.complaints).toEqual([]);
  });
});

describe('a phone in the network', () => {
  it('is paired, keeps the page, loses the network, plans and logs, and comes back', async () => {
    const before = await demoTrips();
    const laptop = await stage.page('/settings');
    await laptop.getByRole('button', { name: 'Share on this network' }).click();
    await laptop.getByRole('button', { name: 'Pair a device' }).click();
    const address = await textOf(laptop.locator('.address'));
    const code = (await textOf(laptop.locator('.sign'))).replace(' ', '');
    expect(address).toMatch(/^https:\/\/127\.0\.0\.2:\d+\/pair$/);
    const { origin } = new URL(address);

    // The phone trusts the certificate: what its owner does by hand on it.
    const certificate = new X509Certificate(readFileSync(join(stage.server.dataDir, 'share/server.crt')));
    const spki = createHash('sha256')
      .update(certificate.publicKey.export({ type: 'spki', format: 'der' }))
      .digest('base64');
    phone = await keptTestBrowser(profile, {
      viewport: PHONE,
      locale: 'en-GB',
      reducedMotion: 'reduce',
      args: [`--ignore-certificate-errors-spki-list=${spki}`],
    });
    phone.setDefaultTimeout(WAIT_MS);
    const page = await phone.newPage();
    await page.goto(`${origin}/sheet`);
    expect(page.url()).toBe(`${origin}/pair`);
    await page.goto('about:blank');
    await page.goto(`${address}#${code}`);
    await page.getByLabel('What this device is called').fill('Boat phone');
    await page.getByRole('button', { name: 'Pair' }).click();
    await page.waitForURL(`${origin}/sheet`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await says(laptop.locator('inky-share'), /Paired.*Boat phone/);
    await page.waitForFunction(() => navigator.serviceWorker.ready.then(({ active }) => !!active), undefined, {
      timeout: 60_000,
    });
    await page.goto(`${origin}/underway`);
    await says(page.locator('main'), 'This page starts with no signal, too.');
    // The browser itself is asked whether it would install the page, and finds nothing against it.
    const browser = await page.context().newCDPSession(page);
    const { installabilityErrors } = await browser.send('Page.getInstallabilityErrors');
    expect(installabilityErrors).toEqual([]);
    const { url, errors } = await browser.send('Page.getAppManifest');
    expect([url, errors]).toEqual([`${origin}/manifest.webmanifest`, []]);

    // Out of reach: the phone starts the page from what it kept, plans and logs.
    await api('/share', 'PUT', { on: false });
    await page.goto(`${origin}/sheet`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.goto(`${origin}/underway`);
    await page.getByRole('button', { name: 'Set out without a plan' }).click();
    await page.getByRole('button', { name: 'Follow' }).first().click();
    await until('a note waits', async () => /notes? kept here|notes? wait/i.test(await textOf(page.locator('body'))));

    await api('/share', 'PUT', { on: true });
    await until(
      'the notes have come',
      async () => {
        const { events } = (await api('/books/demo/trip-events')) as TripNews;
        return events.some(({ kind, tripId }) => kind === 'contact' && !before.has(tripId));
      },
      75_000,
    );

    // Removed on the computer, the phone gets nothing more.
    await laptop.goto(`${stage.server.address}/settings`);
    await laptop.getByRole('button', { name: 'Remove Boat phone' }).click();
    await until('it is gone', async () => (await laptop.getByText('Boat phone').count()) === 0);
    expect(await page.evaluate(() => fetch('/api/books/demo').then(({ status }) => status))).toBe(401);
  });
});
