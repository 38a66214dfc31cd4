import type { IncomingMessage } from 'node:http';
import { json, type RequestHandler } from 'express';

/** So deep may lists and objects lie in one another: the deepest honest body has eleven. */
const MAX_DEEP = 64;
const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d];

/** A body that is refused before it is parsed; the handler of problems says why in words. */
class BodyRefused extends Error {
  constructor(readonly type: 'inky.too-deep' | 'inky.nul') {
    super(type);
  }
}

/** Goes through the bytes of a JSON text once. @throws BodyRefused where it lies too deep or holds a NUL */
export function checkJsonBytes(bytes: Uint8Array): void {
  let deep = 0;
  let quoted = false;
  for (let at = 0; at < bytes.length; at++) {
    const byte = bytes[at];
    if (quoted && byte === BACKSLASH) {
      // \u0000 stands for a character that no text has.
      if (bytes[at + 1] === 0x75 && [2, 3, 4, 5].every((next) => bytes[at + next] === 0x30))
        throw new BodyRefused('inky.nul');
      at++;
    } else if (byte === QUOTE) quoted = !quoted;
    else if (!quoted && (byte === OPEN_LIST || byte === OPEN_OBJECT)) {
      if (++deep > MAX_DEEP) throw new BodyRefused('inky.too-deep');
    } else if (!quoted && (byte === CLOSE_LIST || byte === CLOSE_OBJECT)) deep--;
  }
}

/** Reads a body of JSON up to a size, looked through before it is parsed. */
export const jsonBody = (limit: string): RequestHandler =>
  json({ limit, verify: (_request: IncomingMessage, _response, bytes: Buffer) => checkJsonBytes(bytes) });
