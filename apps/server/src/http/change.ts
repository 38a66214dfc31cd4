import type { Request } from 'express';
import type { Change } from '../services/change.js';

const MAX_NAME = 60;

/** What a request says of the change that it brings, in its headers. */
export function changeOf(request: Request): Change {
  const device = request.get('x-inky-device');
  const from = Number(request.get('x-inky-changed-from'));
  let name: string | null = null;
  try {
    name = device ? decodeURIComponent(device).trim().slice(0, MAX_NAME) : null;
  } catch {
    // A name that is none is no reason to refuse a change.
  }
  return { device: name || null, from: Number.isInteger(from) && from > 0 ? from : undefined };
}
