import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { join } from 'node:path';
import { pino } from 'pino';
import { createApp } from './app.js';
import { USUAL_SHARE_PORT, type Config } from './config.js';
import { SLOW_LIMITS } from './http/slow.js';
import { Share } from './share/share.js';
import { Library } from './services/library.js';
import { StationReader } from './services/station-reader.js';

/** Running requests may take so long to end when the server stops. */
const GRACE_MS = 2000;

export interface RunningServer {
  readonly address: string;
  readonly share: Share;
  /** Takes no new requests, lets running ones end, closes the books. */
  readonly stop: () => Promise<void>;
}

function listening(server: Server): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', reject);
  });
}

/** Opens the books and listens. Rejects where the address is taken or a book cannot be opened. */
export async function startServer(config: Config): Promise<RunningServer> {
  const logger = pino({ level: config.logLevel });
  const books = await Library.open({
    dataDir: config.dataDir,
    backupDir: config.backupDir ?? join(config.dataDir, 'backups'),
    programDir: config.programDir,
    systemNow: () => new Date(),
    demoOutside: config.demoOutside,
    demoBoat: config.demoBoat ?? null,
    demoTrips: config.demoTrips,
    retryPolicy: config.retryPolicy,
    lineRetryPolicy: config.lineRetryPolicy,
  });
  const share = new Share({
    dataDir: config.dataDir,
    host: config.shareHost ?? null,
    port: config.sharePort ?? USUAL_SHARE_PORT,
  });
  const stations = new StationReader(config.programDir);
  const slow = config.slow ?? SLOW_LIMITS;
  const app = createApp({
    books,
    share,
    stations,
    logger,
    webDir: config.webDir,
    dataDir: config.dataDir,
    allowedHosts: config.allowedHosts,
  });
  const server = createServer(slow, app);
  server.listen(config.port, config.host);
  try {
    await listening(server);
  } catch (error) {
    await books.close();
    throw error;
  }
  await share.begin(app);
  if (config.share) await share.turn(true);
  const { port } = server.address() as AddressInfo;
  const address = `http://${config.host.includes(':') ? `[${config.host}]` : config.host}:${port}`;
  logger.info({ address, dataDir: config.dataDir }, 'listening');
  return {
    address,
    share,
    stop: async () => {
      const closed = new Promise<void>((resolve) => server.close(() => resolve()));
      server.closeIdleConnections();
      // A page that is open asks again and again over its connection: it is given a moment to end, no more.
      const cut = setTimeout(() => server.closeAllConnections(), GRACE_MS);
      await Promise.all([closed, share.close()]);
      clearTimeout(cut);
      await stations.close();
      await books.close();
      logger.info('stopped');
    },
  };
}
