import { randomInt, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';

export const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
export const WATER = { name: 'Bench pond', discipline: 'bass', waterKind: 'pond', place: PLACE };
export const CONDITIONS = { discipline: 'bass', date: '2027-03-13', place: PLACE, surfaceTempC: 10.5 };
/** What was killed may leave something running that still writes for a moment. */
export const GONE = { recursive: true, force: true, maxRetries: 10, retryDelay: 200 };
export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
export const uuid = () => randomUUID();
export const memoryMb = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** Asks a server: a body that is neither text nor bytes goes as JSON. */
export function caller({ address }) {
  return async (method, path, body, headers = {}) => {
    const response = await fetch(address + path, {
      method,
      headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      body:
        body === undefined
          ? undefined
          : typeof body === 'string' || Buffer.isBuffer(body)
            ? body
            : JSON.stringify(body),
    });
    const text = await response.text();
    return { status: response.status, type: response.headers.get('content-type') ?? '', text };
  };
}

/** One of a list, by chance. */
export const pick = (list) => list[randomInt(list.length)];
