import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

const OWN = new Set(['same-origin', 'none']);

const refused = (): HttpProblem =>
  new HttpProblem(403, 'Another page', 'This was asked by another page. Only Inky Shoal itself may ask its server.');

/** The host that an Origin header names; null for one that is opaque or no address. */
const originHost = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null);

/**
 * Refuses what another page in the same browser asks for. A browser says itself where a request comes from
 * (Sec-Fetch-Site, Origin) and no page can change that; programs that are no browser say neither, and may ask.
 */
export const sameOrigin: RequestHandler = (request, _response, next) => {
  const site = request.headers['sec-fetch-site'];
  const { origin, host = '' } = request.headers;
  if (site !== undefined && !OWN.has(String(site))) throw refused();
  if (origin !== undefined && originHost(origin) !== host.toLowerCase()) throw refused();
  next();
};
