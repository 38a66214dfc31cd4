import { request as plainRequest, type IncomingMessage, type RequestOptions } from 'node:http';
import { request as secureRequest } from 'node:https';
import { publicLookup, refusePrivateHost } from './reachable.js';

/** An answer that is longer than was allowed. */
export class TooLong extends Error {}

export interface Answer {
  readonly status: number;
  readonly text: string;
}

export interface AskOptions {
  readonly signal: AbortSignal;
  /** Bytes of the body that are taken; it is counted while it comes in, and asked for unpacked. */
  readonly mostBytes: number;
  /** Whether the address may be one of this machine or of a network of one's own. */
  readonly privateNetwork: boolean;
}

async function textOf(answer: IncomingMessage, mostBytes: number): Promise<string> {
  const pieces: Buffer[] = [];
  let bytes = 0;
  for await (const piece of answer as AsyncIterable<Buffer>) {
    bytes += piece.length;
    if (bytes > mostBytes) throw new TooLong();
    pieces.push(piece);
  }
  return Buffer.concat(pieces).toString('utf8');
}

/**
 * Asks an address for text over HTTP: redirects are not followed, the body is bounded, and private addresses are called
 * only where that is allowed.
 * @throws NotReachable, TooLong, or what the connection raises
 */
export async function ask(url: URL, { signal, mostBytes, privateNetwork }: AskOptions): Promise<Answer> {
  if (!privateNetwork) refusePrivateHost(url.hostname);
  const options: RequestOptions = {
    signal,
    headers: { accept: 'application/json', 'accept-encoding': 'identity' },
    ...(privateNetwork ? {} : { lookup: publicLookup }),
  };
  const answer = await new Promise<IncomingMessage>((resolve, reject) => {
    const send = url.protocol === 'https:' ? secureRequest : plainRequest;
    send(url, options, resolve).on('error', reject).end();
  });
  const status = answer.statusCode ?? 0;
  try {
    if (status !== 200) return { status, text: '' };
    if (Number(answer.headers['content-length'] ?? 0) > mostBytes) throw new TooLong();
    return { status, text: await textOf(answer, mostBytes) };
  } finally {
    answer.destroy();
  }
}
