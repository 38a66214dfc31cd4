import { createServer, type Server } from 'node:https';
import type { IncomingMessage, RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { toString as qrCode } from 'qrcode';
import { SLOW_LIMITS } from '../http/slow.js';
import { Devices, type Device } from './devices.js';

export interface ShareOptions {
  readonly dataDir: string;
  /** Where it listens; everywhere in the network where it is not said. */
  readonly host: string | null;
  readonly port: number;
}

/** How sharing stands, as Settings shows it. */
export interface ShareState {
  readonly on: boolean;
  /** Why it could not be turned on, in words. */
  readonly failure: string | null;
  /** Addresses under which other devices find the server. */
  readonly addresses: readonly string[];
  readonly passcode: boolean;
  readonly code: {
    readonly text: string;
    readonly endsAt: string;
    readonly address: string;
    readonly qr: string;
  } | null;
  readonly devices: readonly Device[];
}

const shared = new WeakSet<IncomingMessage>();

/** Whether a request came over the shared listener, from another device. */
export const isShared = (request: IncomingMessage): boolean => shared.has(request);

/** IPv4 addresses of this machine in its networks. */
const ownAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((each = []) =>
    each.filter(({ family, internal }) => family === 'IPv4' && !internal).map(({ address }) => address),
  );

/**
 * Shares the server with paired devices of the network it is in: over https under a certificate made here, beside the
 * listener on the loopback, which stays as it is.
 */
export class Share {
  readonly devices: Devices;
  private readonly folder: string;
  private server: Server | undefined;
  private authority: string | undefined;
  private failure: string | null = null;
  private app: RequestListener | undefined;

  constructor(private readonly options: ShareOptions) {
    this.folder = join(options.dataDir, 'share');
    this.devices = new Devices(join(this.folder, 'devices.json'));
  }

  /** Names and addresses under which it answers. */
  get names(): string[] {
    const { host } = this.options;
    if (host) return [host];
    const name = hostname().toLowerCase();
    return [...ownAddresses(), ...new Set([name, `${name.replace(/\.local$/, '')}.local`])];
  }

  /** The certificate of the authority that phones are asked to trust, as PEM; undefined while nothing is shared. */
  get authorityPem(): string | undefined {
    return this.authority;
  }

  /** Begins with the app that answers; listens where sharing is on. */
  async begin(app: RequestListener): Promise<void> {
    this.app = app;
    if (this.devices.on) await this.listen();
  }

  async turn(on: boolean): Promise<void> {
    if (on) {
      await this.listen();
      if (!this.failure) this.devices.turn(true);
    } else {
      this.devices.turn(false);
      await this.close();
    }
  }

  async state(): Promise<ShareState> {
    const addresses = this.addresses();
    const code = this.devices.currentCode();
    const address = addresses[0] ? `${addresses[0]}/pair` : null;
    return {
      on: this.server !== undefined,
      failure: this.failure,
      addresses,
      passcode: this.devices.hasPasscode,
      code:
        code && address
          ? {
              text: code.text,
              endsAt: new Date(code.endsAt).toISOString(),
              address,
              // The code stands behind the #: it goes to nobody on the way.
              qr: await qrCode(`${address}#${code.text}`, { type: 'svg', margin: 2 }),
            }
          : null,
      devices: this.devices.list(),
    };
  }

  async close(): Promise<void> {
    const { server } = this;
    this.server = undefined;
    if (!server) return;
    const closed = new Promise<void>((resolve) => server.close(() => resolve()));
    server.closeAllConnections();
    await closed;
  }

  private addresses(): string[] {
    const { port } = (this.server?.address() ?? {}) as Partial<AddressInfo>;
    return port === undefined ? [] : this.names.map((name) => `https://${name}:${port}`);
  }

  private async listen(): Promise<void> {
    if (this.server || !this.app) return;
    const { app } = this;
    // Making certificates takes much that nobody needs who does not share.
    const { certificatesFor } = await import('./certificates.js');
    const { server: pair, authority } = await certificatesFor(this.folder, this.names);
    const server = createServer({ ...SLOW_LIMITS, cert: pair.cert, key: pair.key }, (request, response) => {
      shared.add(request);
      app(request, response);
    });
    try {
      await new Promise<void>((resolve, reject) => {
        server.once('error', reject);
        server.listen(this.options.port, this.options.host ?? '0.0.0.0', () => resolve());
      });
      this.server = server;
      this.authority = authority;
      this.failure = null;
    } catch (error) {
      const { code, message } = error as NodeJS.ErrnoException;
      this.failure =
        code === 'EADDRINUSE'
          ? `The port ${this.options.port} is taken: stop the other program, or set INKY_SHARE_PORT.`
          : `The network could not be listened to: ${message}`;
    }
  }
}
