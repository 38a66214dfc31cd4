import type { RequestHandler } from 'express';
import { isShared, type Share } from '../share/share.js';
import { HttpProblem } from './problem.js';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/** The name in a Host header, without its port. */
export const hostName = (header: string): string => header.toLowerCase().replace(/:\d+$/, '');

/**
 * Refuses requests addressed to any name but ours. A page elsewhere that makes its own name resolve to this machine
 * (DNS rebinding) then gets nothing.
 */
export function hostCheck(allowed: readonly string[], share: Pick<Share, 'names'>): RequestHandler {
  const names = new Set([...LOOPBACK, ...allowed.map((name) => name.toLowerCase())]);
  return (request, _response, next) => {
    const name = hostName(request.headers.host ?? '');
    const known = isShared(request) ? share.names.includes(name) : names.has(name);
    if (!known) {
      throw new HttpProblem(421, 'Wrong host', `This server does not answer to the name ${name || '(none)'}.`);
    }
    next();
  };
}
