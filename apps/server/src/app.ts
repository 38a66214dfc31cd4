import { ENGINE_VERSION } from '@inky-shoal/core';
import { constants } from 'node:zlib';
import compression from 'compression';
import express, { type Express, type Request, type Response } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { hostCheck } from './http/host-check.js';
import { jsonBody } from './http/json-body.js';
import { page, security, withNonce } from './http/page.js';
import { problemHandler, unknownRoute } from './http/problem.js';
import { sameOrigin } from './http/same-origin.js';
import { archiveRoutes } from './routes/archive.js';
import { backupRoutes } from './routes/backups.js';
import { chartRoutes } from './routes/charts.js';
import { bookRoutes } from './routes/books.js';
import { historyRoutes } from './routes/history.js';
import { setAsideRoutes } from './routes/set-aside.js';
import { instrumentRoutes } from './routes/instruments.js';
import { planRoute } from './routes/plan.js';
import { shareRoutes } from './routes/share.js';
import { gate } from './share/gate.js';
import type { Share } from './share/share.js';
import { tackleRoutes } from './routes/tackle.js';
import { tideStationRoutes } from './routes/tide-stations.js';
import { practiceRoutes } from './routes/practice.js';
import { tripRoutes } from './routes/trips.js';
import type { Library } from './services/library.js';
import type { StationReader } from './services/station-reader.js';

/** The largest body taken: a year of readings fits many times over. */
const BODY_LIMIT = '1mb';
/** Better than usual (4), for a few milliseconds more on a large answer: a phone's line is slower than this machine. */
const BROTLI_QUALITY = 8;

export interface AppParts {
  readonly books: Library;
  readonly share: Share;
  readonly stations: StationReader;
  readonly logger: Logger;
  readonly webDir: string;
  readonly dataDir: string;
  readonly allowedHosts: readonly string[];
}

/** One short line a request: refusals and failures at the usual level, the rest only when asked for. */
const requestLog = (logger: Logger) =>
  pinoHttp<Request, Response>({
    logger,
    quietReqLogger: true,
    customLogLevel: (_request, { statusCode }, error) => {
      if (error || statusCode >= 500) return 'error';
      return statusCode >= 400 ? 'warn' : 'debug';
    },
    serializers: {
      req: ({ method, url }: { method: string; url: string }) => ({ method, url }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
  });

/** Puts the server together: safety first, then the API, then the page. */
export function createApp({ books, share, stations, logger, webDir, dataDir, allowedHosts }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(requestLog(logger));
  app.use(hostCheck(allowedHosts, share));
  app.use(gate(share));
  app.use(withNonce, security);
  app.use(compression({ brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY } } }));
  app.use('/api', sameOrigin, (_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
  // Tracks, beds and trips are larger than other bodies: these routes read their own.
  app.use('/api/books/:book', async (request, _response, next) => {
    await books.whenInPlace(request.params.book);
    next();
  });
  app.use('/api', chartRoutes(books), tripRoutes(books), jsonBody(BODY_LIMIT));
  app.get('/api/health', (_request, response) => {
    response.json({ status: 'ok', engineVersion: ENGINE_VERSION });
  });
  app.use(
    '/api',
    planRoute(),
    tideStationRoutes(stations),
    bookRoutes(books),
    backupRoutes(books),
    historyRoutes(books),
    setAsideRoutes(books),
    shareRoutes(share),
    archiveRoutes(books, dataDir),
    tackleRoutes(books),
    practiceRoutes(books),
    instrumentRoutes(books),
    unknownRoute,
  );
  app.use(page(webDir));
  app.use(unknownRoute);
  app.use(problemHandler(logger));
  return app;
}
