import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import { get, type IncomingMessage } from 'node:http';
import { readConfig } from '../config.js';
import { startServer, type RunningServer } from '../server.js';
import { hostName } from './host-check.js';

let folder: string;
let server: RunningServer;
const SCRIPT = 'export const x = 1;\n'.repeat(200);

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'inky-page-'));
  const web = join(folder, 'browser');
  mkdirSync(web);
  writeFileSync(join(web, 'index.html'), '<html><inky-root ngCspNonce="__CSP_NONCE__"></inky-root></html>');
  writeFileSync(join(web, 'main-ABCD1234.js'), SCRIPT);
  writeFileSync(join(web, 'main-ABCD1234.js.br'), brotliCompressSync(SCRIPT));
  writeFileSync(join(web, 'mark.svg'), '<svg/>');
  writeFileSync(join(folder, 'preload.json'), JSON.stringify(['chunk-AAAA1111.js', 'chunk-BBBB2222.js']));
  server = await startServer({
    host: '127.0.0.1',
    port: 0,
    dataDir: join(folder, 'data'),
    programDir: join(process.cwd(), 'apps/server/program'),
    webDir: web,
    allowedHosts: [],
    demoOutside: null,
    logLevel: 'silent',
  });
});
afterAll(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** A file as it comes over the wire, not unpressed. */
function raw(path: string, encoding: string): Promise<{ headers: IncomingMessage['headers']; body: Buffer }> {
  return new Promise((done, fail) => {
    get(server.address + path, { headers: { 'accept-encoding': encoding } }, (response) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () => done({ headers: response.headers, body: Buffer.concat(chunks) }));
    }).on('error', fail);
  });
}

describe('the page', () => {
  it('answers at every view with a nonce that its policy names, never kept', async () => {
    for (const path of ['/', '/sheet', '/plans/compare/a/b']) {
      const answer = await fetch(server.address + path);
      const nonce = /ngCspNonce="([^"]+)"/.exec(await answer.text())?.[1];
      expect(nonce).toMatch(/^[\w+/=]{20,}$/);
      expect(answer.headers.get('content-security-policy')).toContain(`'nonce-${nonce}'`);
      expect(answer.headers.get('cache-control')).toBe('no-store');
    }
  });

  it('tells the browser at once of which parts the first view is made', async () => {
    const parts = '</chunk-AAAA1111.js>; rel=modulepreload, </chunk-BBBB2222.js>; rel=modulepreload';
    for (const path of ['/', '/sheet']) expect((await fetch(server.address + path)).headers.get('link')).toBe(parts);
    for (const path of ['/plans', '/index.html?kept=1'])
      expect((await fetch(server.address + path)).headers.get('link')).toBeNull();
  });

  it('is kept by the worker as it was built, under a policy that knows its styles', async () => {
    const answer = await fetch(`${server.address}/index.html?kept=1`);
    expect(await answer.text()).toContain('ngCspNonce="__CSP_NONCE__"');
    const policy = answer.headers.get('content-security-policy') ?? '';
    expect(policy).toContain("style-src 'self' 'nonce-__CSP_NONCE__'");
    expect(policy).toContain("script-src 'self';");
  });

  it('sends files as they were pressed, and plain to whom cannot unpress them', async () => {
    const pressed = await raw('/main-ABCD1234.js', 'br');
    expect(pressed.headers['content-encoding']).toBe('br');
    expect(brotliDecompressSync(pressed.body).toString()).toBe(SCRIPT);
    const plain = await raw('/main-ABCD1234.js', 'identity');
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(plain.body.toString()).toBe(SCRIPT);
    expect(pressed.headers['content-type']).toContain('javascript');
  });

  it('gives parts of the page no policy of their own, but holds them to their kind; workers have one', async () => {
    const part = (await raw('/main-ABCD1234.js', 'br')).headers;
    expect(part['content-security-policy']).toBeUndefined();
    expect(part).toMatchObject({
      'x-content-type-options': 'nosniff',
      'cross-origin-resource-policy': 'same-origin',
    });
    for (const path of ['/worker-ABCD1234.js', '/ngsw-worker.js', '/mark.svg', '/media/../index.html']) {
      expect((await raw(path, 'identity')).headers['content-security-policy']).toContain("default-src 'none'");
    }
  });

  it('lets files with hashed names be kept for good, others be asked for again', async () => {
    expect((await raw('/main-ABCD1234.js', 'br')).headers['cache-control']).toContain('immutable');
    expect((await raw('/mark.svg', 'identity')).headers['cache-control']).toBe('no-cache');
  });

  it('does not take a missing file for a view, nor leave its folder', async () => {
    expect((await fetch(`${server.address}/gone-ABCD1234.js`)).status).toBe(404);
    expect(await (await fetch(`${server.address}/..%2f..%2f..%2fetc%2fpasswd`)).text()).not.toContain('root:');
    expect((await fetch(`${server.address}/..%2fdata%2fdemo.sqlite`)).status).toBe(404);
  });
});

describe('names of hosts', () => {
  it.each([
    ['localhost:4720', 'localhost'],
    ['LOCALHOST', 'localhost'],
    ['[::1]:4720', '[::1]'],
    ['', ''],
  ])('%s is %s', (header, name) => expect(hostName(header)).toBe(name));
});

describe('configuration', () => {
  it('listens on the loopback by default and keeps data in one folder', () => {
    expect(readConfig({}, '/here')).toMatchObject({
      host: '127.0.0.1',
      port: 4720,
      dataDir: resolve('/here/.data'),
      allowedHosts: [],
      logLevel: 'info',
    });
  });

  it('follows the environment', () => {
    const env = {
      INKY_PORT: '0',
      INKY_DATA: '/there',
      INKY_HOST: '::1',
      INKY_ALLOWED_HOSTS: 'boat.local, shed.local,',
    };
    expect(readConfig(env, '/here')).toMatchObject({
      host: '::1',
      port: 0,
      dataDir: resolve('/there'),
      allowedHosts: ['boat.local', 'shed.local'],
    });
  });

  it("takes the demo's boat where its instruments speak, and refuses what is no such place", () => {
    expect(readConfig({}, '/here').demoBoat).toBeNull();
    expect(readConfig({ INKY_DEMO_BOAT: 'tcp://127.0.0.1:10110' }, '/here').demoBoat).toBe('tcp://127.0.0.1:10110');
    expect(() => readConfig({ INKY_DEMO_BOAT: 'a boat' }, '/here')).toThrow(
      'INKY_DEMO_BOAT: expected an address as tcp://192.168.4.1:10110, or null',
    );
  });

  it.each(['lots', '-1', '70000', '80.5'])('refuses the port %s in one sentence', (port) => {
    expect(() => readConfig({ INKY_PORT: port }, '/here')).toThrow(
      `INKY_PORT: expected a port from 0 to 65535, got ${port}`,
    );
  });
});
