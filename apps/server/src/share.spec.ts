import { request, type RequestOptions } from 'node:https';
import type { IncomingHttpHeaders } from 'node:http';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { X509Certificate } from 'node:crypto';
import { readConfig } from './config.js';
import { certificatesFor } from './share/certificates.js';
import { Devices, type NotPaired } from './share/devices.js';
import type { ShareState } from './share/share.js';
import { testServer, type TestServer } from './testing/running.js';

let folder: string;
let server: TestServer;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'inky-share-'));
  server = await testServer({ shareHost: '127.0.0.2', sharePort: 0 });
});
afterAll(async () => {
  await server.remove();
  rmSync(folder, { recursive: true, force: true });
});

interface Answer {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
  readonly text: string;
}
const share = async (method: string, path = '', body?: unknown) =>
  (await server.call(method, `/api/share${path}`, body)) as { status: number; body: ShareState };
const form = (fields: Record<string, string>) => new URLSearchParams(fields).toString();

/** Asks over the network, as another device would, with the authority trusted. */
async function from(
  address: string,
  ca: string,
  path: string,
  options: RequestOptions = {},
  body?: string,
): Promise<Answer> {
  const { hostname, port } = new URL(address);
  return new Promise((resolve, reject) => {
    const asked = request({ hostname, port, path, ca, agent: false, ...options }, (response) => {
      let text = '';
      response.on('data', (piece: Buffer) => (text += piece.toString()));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
    });
    asked.on('error', reject);
    asked.end(body);
  });
}

describe('sharing', () => {
  let address: string;
  let ca: string;
  const ask = (path: string, options?: RequestOptions, body?: string) => from(address, ca, path, options, body);
  const pair = (fields: Record<string, string>) =>
    ask('/pair', { method: 'POST', headers: { 'content-type': 'application/x-www-form-urlencoded' } }, form(fields));
  const cookieIn = ({ headers }: Answer) => String(headers['set-cookie']?.[0]).split(';')[0]!;

  beforeAll(async () => {
    expect((await share('GET')).body).toMatchObject({ on: false, addresses: [], code: null, devices: [] });
    const { body } = await share('PUT', '', { on: true });
    expect(body).toMatchObject({ on: true, failure: null });
    [address] = body.addresses as [string];
    // The certificate is fetched before it is trusted, as a phone does.
    ca = await new Promise<string>((resolve, reject) => {
      request(`${address}/authority.crt`, { rejectUnauthorized: false, agent: false }, (response) => {
        let text = '';
        response.on('data', (piece: Buffer) => (text += piece.toString()));
        response.on('end', () => resolve(text));
      })
        .on('error', reject)
        .end();
    });
    expect(ca).toContain('BEGIN CERTIFICATE');
  });

  it('answers who is not paired with the page for pairing alone', async () => {
    expect(address).toMatch(/^https:\/\/127\.0\.0\.2:\d+$/);
    expect(await ask('/api/books/own')).toMatchObject({ status: 401 });
    expect(await ask('/sheet')).toMatchObject({ status: 302, headers: { location: '/pair' } });
    const page = await ask('/pair');
    expect(page.text).toContain('Pair this device');
    expect(page.headers['content-security-policy']).toContain("form-action 'self'");
    expect((await share('GET')).status).toBe(200);
    for (const method of ['GET', 'PUT']) expect((await ask('/api/share', { method })).status).toBe(401);
  });

  it('lets a device in for a code, once, and no further than that', async () => {
    const { body } = await share('POST', '/code');
    const { text, qr, endsAt } = body.code!;
    expect(text).toMatch(/^[A-HJ-NP-Z2-9]{8}$/);
    expect(qr).toContain('<svg');
    expect(Date.parse(endsAt) - Date.now()).toBeLessThanOrEqual(5 * 60_000);
    const let_in = await pair({ code: text.toLowerCase(), name: 'Boat <phone>' });
    expect(let_in).toMatchObject({ status: 303, headers: { location: '/' } });
    expect(let_in.headers['set-cookie']?.[0]).toMatch(/; HttpOnly; Secure; SameSite=Strict; Path=\//);
    const cookie = cookieIn(let_in);
    expect((await ask('/api/books/own', { headers: { cookie } })).status).toBe(200);
    expect((await pair({ code: text, name: 'Another' })).status).toBe(403);
    expect((await ask('/api/share', { headers: { cookie } })).status).toBe(403);
    const { devices } = (await share('GET')).body;
    expect(devices).toMatchObject([{ name: 'Boat <phone>' }]);
    expect(JSON.stringify(devices)).not.toContain('tokenHash');
  });

  it('tells changes by the name that a device was paired under, whatever it calls itself', async () => {
    const { body } = await share('POST', '/code');
    const cookie = cookieIn(await pair({ code: body.code!.text, name: 'Tablet' }));
    const headers = { cookie, 'content-type': 'application/json', 'x-inky-device': 'Somebody' };
    const path = '/api/books/own/waters/019b0000-0000-7000-8000-000000000001';
    const water = (name: string) =>
      JSON.stringify({
        name,
        discipline: 'bass',
        waterKind: 'pond',
        place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
      });
    await ask(path, { method: 'PUT', headers }, water('One'));
    expect((await ask(path, { method: 'PUT', headers }, water('Two'))).status).toBe(200);
    const { body: history } = await server.call('GET', '/api/books/own/history');
    expect((history as { device: string }[])[0]?.device).toBe('Tablet');
  });

  it('lets a device that was removed in no more', async () => {
    const { body } = await share('POST', '/code');
    const cookie = cookieIn(await pair({ code: body.code!.text, name: 'Lost' }));
    const lost = (await share('GET')).body.devices.find(({ name }) => name === 'Lost')!;
    expect((await share('DELETE', `/devices/${lost.id}`)).status).toBe(200);
    expect((await ask('/api/books/own', { headers: { cookie } })).status).toBe(401);
    expect((await share('DELETE', `/devices/${lost.id}`)).status).toBe(404);
  });

  it('wants the passcode where one is set, and no short one', async () => {
    expect((await share('PUT', '', { passcode: '123' })).status).toBe(422);
    await share('PUT', '', { passcode: 'a long word' });
    const code = (await share('POST', '/code')).body.code!.text;
    expect((await ask('/pair')).text).toContain('name="passcode"');
    expect((await pair({ code, passcode: 'another', name: 'x' })).status).toBe(403);
    expect((await pair({ code, passcode: 'a long word', name: 'x' })).status).toBe(303);
    await share('PUT', '', { passcode: null });
  });

  it('answers to its own names alone, and refuses what another page asks', async () => {
    expect(
      (await ask('/pair', { headers: { host: 'evil.example' }, checkServerIdentity: () => undefined })).status,
    ).toBe(421);
    const { body } = await share('POST', '/code');
    const cookie = cookieIn(await pair({ code: body.code!.text, name: 'Page' }));
    expect((await ask('/api/books/own', { headers: { cookie, origin: 'https://evil.example' } })).status).toBe(403);
  });

  it('is turned off at once', async () => {
    expect((await share('PUT', '', { on: false })).body).toMatchObject({ on: false, addresses: [] });
    await expect(ask('/pair')).rejects.toThrow('ECONNREFUSED');
    expect((await share('POST', '/code')).status).toBe(409);
    expect((await share('PUT', '', { on: true })).body.devices.length).toBeGreaterThan(0);
  });
});

describe('devices', () => {
  let clock = Date.parse('2027-03-13T12:00:00Z');
  let count = 0;
  const devices = () => new Devices(join(folder, `devices-${count++}.json`), () => new Date(clock));
  const given = (code: string) => ({ code, passcode: '', name: 'Phone' });

  it('are let in by a code for five minutes', async () => {
    const some = devices();
    const { text } = some.newCode();
    clock += 5 * 60_000 + 1;
    await expect(some.pair(given(text), 'a')).rejects.toThrow('The code is wrong, or too old.');
    const token = await some.pair(given(some.newCode().text), 'a');
    expect(some.of(token)?.name).toBe('Phone');
    expect(some.of(`${token}x`)).toBeUndefined();
  });

  it('may try five times, many at once or not, and then have to wait', async () => {
    const some = devices();
    const { text } = some.newCode();
    const tries = await Promise.allSettled(Array.from({ length: 12 }, () => some.pair(given('WRONGONE'), 'a')));
    const why = tries.map((each) => (each.status === 'rejected' ? (each.reason as NotPaired).tooOften : null));
    expect(why.filter((tooOften) => tooOften === false)).toHaveLength(5);
    // The code is gone, for anybody else, too.
    await expect(some.pair(given(text), 'b')).rejects.toThrow('wrong, or too old');
    clock += 5 * 60_000 + 1;
    expect(await some.pair(given(some.newCode().text), 'a')).toBeTruthy();
  });

  it('are kept over a restart, for their owner alone; a list that cannot be read lets nobody in', async () => {
    const file = join(folder, 'kept.json');
    const token = await (() => {
      const some = new Devices(file);
      return some.pair(given(some.newCode().text), 'a');
    })();
    expect(new Devices(file).of(token)?.name).toBe('Phone');
    expect(statSync(file).mode & 0o777).toBe(0o600);
    writeFileSync(file, '{"devices": [{"id"');
    expect(new Devices(file).list()).toEqual([]);
  });
});

describe('certificates', () => {
  it('are kept, and made anew where names change or they end soon; the authority stays', async () => {
    const at = join(folder, 'certificates');
    const first = await certificatesFor(at, ['192.168.1.5', 'desk.local']);
    const [server, authority] = [new X509Certificate(first.server.cert), new X509Certificate(first.authority)];
    expect(server.checkIP('192.168.1.5')).toBe('192.168.1.5');
    expect(server.checkHost('desk.local')).toBe('desk.local');
    expect(server.verify(authority.publicKey)).toBe(true);
    expect(authority.ca).toBe(true);
    expect(server.ca).toBe(false);
    expect((Date.parse(server.validTo) - Date.now()) / 86_400_000).toBeLessThan(398);
    expect((await certificatesFor(at, ['desk.local'])).server).toEqual(first.server);
    const moved = await certificatesFor(at, ['192.168.7.9']);
    expect(moved.server.cert).not.toBe(first.server.cert);
    expect(moved.authority).toBe(first.authority);
    const later = await certificatesFor(at, ['192.168.7.9'], new Date(Date.now() + 350 * 86_400_000));
    expect(later.server.cert).not.toBe(moved.server.cert);
    expect(statSync(join(at, 'authority.key')).mode & 0o777).toBe(0o600);
  });
});

it('no address but the loopback is listened to without pairing', () => {
  expect(() => readConfig({ INKY_HOST: '0.0.0.0' }, '/here')).toThrow(
    'INKY_HOST: 0.0.0.0 would let in whoever is in the network. Leave it out, and use npm start -- --share',
  );
  expect(readConfig({ INKY_SHARE: '1' }, '/here')).toMatchObject({ share: true, sharePort: 4721 });
});
