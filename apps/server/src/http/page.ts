import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type RequestHandler, type Response, Router } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { HttpProblem } from './problem.js';

const NONCE_MARK = /__CSP_NONCE__/g;

/** A nonce for this answer, known to the policy and to the page. */
export const withNonce: RequestHandler = (_request, response, next) => {
  response.locals['nonce'] = randomBytes(16).toString('base64');
  next();
};

const nonce = (response: unknown): string => `'nonce-${String((response as Response).locals['nonce'])}'`;

/**
 * The page as the worker keeps it for when there is no server: it is checked against what was built, so no nonce can be
 * put in. Its policy names the mark that stands there, for styles alone.
 */
const KEPT_PAGE = '/index.html';

/** Only our own scripts, styles, fonts and connections; nobody frames the page. */
const policy = (style: (response: unknown) => string) => ({
  useDefaults: false,
  directives: {
    defaultSrc: ["'none'"],
    scriptSrc: ["'self'"],
    styleSrc: ["'self'", (_request: unknown, response: unknown) => style(response)],
    fontSrc: ["'self'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    connectSrc: ["'self'"],
    workerSrc: ["'self'"],
    manifestSrc: ["'self'"],
    baseUri: ["'self'"],
    formAction: ["'none'"],
    frameAncestors: ["'none'"],
  },
});
const live = helmet({ contentSecurityPolicy: policy(nonce), strictTransportSecurity: false });
const kept = helmet({
  contentSecurityPolicy: policy(() => `'nonce-${NONCE_MARK.source}'`),
  strictTransportSecurity: false,
});

/** Parts of the page with hashed names: they open in no window and run in no worker of their own. */
const PART = /^\/(media\/[\w-]+|(chunk|main|styles)-[A-Z0-9]{8})\.(js|css|woff2)$/;

/**
 * Headers for safety: only our own scripts, styles, fonts and connections; nobody frames the page. A part of it is held
 * to what it says it is and lent to nobody: a policy of its own would have nothing to govern, and weigh half a part.
 */
export const security: RequestHandler = (request, response, next) => {
  if (PART.test(request.path)) {
    response.setHeader('x-content-type-options', 'nosniff');
    response.setHeader('cross-origin-resource-policy', 'same-origin');
    next();
  } else (request.path === KEPT_PAGE ? kept : live)(request, response, next);
};

/** Parts of the first view, as the build wrote them down beside the page; none where it did not. */
function preloads(webDir: string): readonly string[] {
  const file = join(webDir, '../preload.json');
  return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as string[]) : [];
}

/** Addresses that begin on the first view. */
const FIRST_VIEW = /^\/(sheet)?$/;

/** The built page: its files as they are (hashed names, kept for good), and the page itself for every view's address. */
export function page(webDir: string): Router {
  const router = Router();
  const indexFile = join(webDir, 'index.html');
  router.use(
    // Files are sent as they were pressed when the page was built, where the browser takes that.
    expressStaticGzip(webDir, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: {
        setHeaders: (response, file) => {
          const hashed = /-[A-Z0-9]{8}\.\w+(\.br)?$/.test(file);
          response.setHeader('cache-control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
        },
      },
    }),
  );
  router.get('/{*view}', (request, response) => {
    if (/\.\w+$/.test(request.path)) throw new HttpProblem(404, 'Not found', `There is no file ${request.path}.`);
    if (!existsSync(indexFile)) {
      throw new HttpProblem(503, 'Not built', 'The page is not built yet: run npm start, which builds it.');
    }
    const html = readFileSync(indexFile, 'utf8').replace(NONCE_MARK, String(response.locals['nonce']));
    if (FIRST_VIEW.test(request.path)) {
      const links = preloads(webDir).map((part) => `</${part}>; rel=modulepreload`);
      if (links.length) response.setHeader('link', links.join(', '));
    }
    response.type('html').setHeader('cache-control', 'no-store').send(html);
  });
  return router;
}
