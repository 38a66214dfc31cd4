import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Problem } from '@inky-shoal/core';
import type { Logger } from 'pino';
import { Elsewhere } from '../db/elsewhere.js';
import { BookAway } from '../db/trouble.js';
import { SecondCopy } from '../services/change.js';
import { StationsUnread } from '../services/station-reader.js';
import { NotReachable } from '../outside/reachable.js';

/** What went wrong, as RFC 9457 says it. Thrown by routes, written by the error handler. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: readonly Problem[] = [],
    /** What a kind of problem says beyond these. */
    readonly more: object = {},
  ) {
    super(detail);
  }
}

/** A refused input: one sentence that names the first field, and every problem with its path. */
export function invalidInput(errors: readonly Problem[]): HttpProblem {
  const [first] = errors;
  const where = first?.path ? `${first.path}: ` : '';
  const more = errors.length > 1 ? ` (and ${errors.length - 1} more)` : '';
  return new HttpProblem(422, 'Not understood', `${where}${first?.message ?? 'expected other input'}${more}`, errors);
}

export const notFound = (what: string): HttpProblem => new HttpProblem(404, 'Not found', `There is no ${what}.`);

export function writeProblem(response: Response, problem: HttpProblem): void {
  const { status, title, detail, errors, more } = problem;
  response
    .status(status)
    .type('application/problem+json')
    .send(
      JSON.stringify({ type: 'about:blank', title, status, detail, ...(errors.length ? { errors } : {}), ...more }),
    );
}

/** What the framework and the body parser refuse, by their types, in a user's words. */
const REFUSALS: Readonly<Record<string, readonly [status: number, title: string, detail: string]>> = {
  'entity.parse.failed': [400, 'Not JSON', 'The body is not JSON: expected one JSON object.'],
  'inky.too-deep': [400, 'Too deep', 'The body lies too deep: expected lists and objects at most 64 deep.'],
  'inky.nul': [422, 'Not understood', 'The body holds a NUL character: expected text.'],
  'encoding.unsupported': [415, 'Not JSON', 'The body is in an encoding not known here: expected UTF-8 JSON.'],
  'charset.unsupported': [415, 'Not JSON', 'The body is in an encoding not known here: expected UTF-8 JSON.'],
  'request.aborted': [400, 'Cut off', 'The body ended before it was complete.'],
  'request.size.invalid': [400, 'Cut off', 'The body is not as long as it says.'],
};

/** Errors that are the caller's fault, raised before a route is reached. */
function fromFramework(error: unknown): HttpProblem | undefined {
  const {
    type = '',
    limit,
    status,
    code = '',
  } = error as { type?: string; limit?: number; status?: number; code?: string };
  const refusal = REFUSALS[type];
  if (refusal) return new HttpProblem(...refusal);
  if (type === 'entity.too.large') {
    return new HttpProblem(
      413,
      'Too large',
      `The body is too large: expected at most ${Math.round((limit ?? 0) / 1024)} kB.`,
    );
  }
  if (error instanceof URIError) {
    return new HttpProblem(400, 'Not an address', 'The address is not well formed: a % in it stands for nothing.');
  }
  if (/^Z_|^ERR_(_ERROR_FORMAT|BROTLI|ZLIB|PADDING)/.test(code)) {
    return new HttpProblem(400, 'Not unpacked', 'The body is not packed as it says.');
  }
  if (status !== undefined && status >= 400 && status < 500) {
    return new HttpProblem(status, 'Not understood', 'The request could not be read.');
  }
  return undefined;
}

/** What a database cannot do, by SQLite's codes: what happened, and the way out. */
const BOOK_TROUBLE: readonly (readonly [code: RegExp, status: number, title: string, detail: string])[] = [
  [
    /^(SQLITE_FULL|ENOSPC)/,
    507,
    'Disk full',
    'The disk is full where the book lies: nothing was changed. Free some room there, then try again.',
  ],
  [
    /^(SQLITE_READONLY|EROFS|EACCES|EPERM)/,
    503,
    'Read-only',
    'The folder of the book may not be written to: nothing was changed. Give the server leave to write there.',
  ],
  [
    /^(SQLITE_BUSY|SQLITE_LOCKED)/,
    503,
    'Book in use',
    'Another program holds the book: nothing was changed. Close that program, then try again.',
  ],
  [
    /^(SQLITE_CORRUPT|SQLITE_NOTADB|SQLITE_IOERR)/,
    503,
    'Book damaged',
    'A part of the book cannot be read: nothing was changed. Start the server anew, which looks it through, or go back to a backup in Settings.',
  ],
];

/** A book that is away for a moment. */
const fromAway = (error: unknown): HttpProblem | undefined =>
  error instanceof BookAway ? new HttpProblem(503, 'Book away', error.message) : undefined;

/** A change that was kept as a second copy. */
const fromSecondCopy = (error: unknown): HttpProblem | undefined =>
  error instanceof SecondCopy
    ? new HttpProblem(409, 'Changed meanwhile', error.message, [], { copy: error.copy, version: error.version })
    : undefined;

/** Stations of tides that could not be read. */
const fromStations = (error: unknown): HttpProblem | undefined =>
  error instanceof StationsUnread ? new HttpProblem(503, 'Stations not read', error.message) : undefined;

/** An address that may not be called. */
const fromAddress = (error: unknown): HttpProblem | undefined =>
  error instanceof NotReachable ? invalidInput([{ path: 'address', message: error.message }]) : undefined;

/** An id under which another water keeps something. */
const fromElsewhere = (error: unknown): HttpProblem | undefined =>
  error instanceof Elsewhere ? new HttpProblem(409, 'Taken', error.message) : undefined;

/** What went wrong with the book's file, in words; undefined where it was something else. */
export function fromBook(error: unknown): HttpProblem | undefined {
  const code = String((error as { code?: unknown } | null)?.code ?? '');
  const trouble = BOOK_TROUBLE.find(([codes]) => codes.test(code));
  return trouble && new HttpProblem(trouble[1], trouble[2], trouble[3]);
}

/** Writes every error as problem+json. What is not the caller's fault is logged and told without its inside. */
export function problemHandler(logger: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const trouble = error instanceof HttpProblem ? undefined : fromBook(error);
    const known =
      error instanceof HttpProblem
        ? error
        : (trouble ??
          fromAway(error) ??
          fromSecondCopy(error) ??
          fromStations(error) ??
          fromElsewhere(error) ??
          fromAddress(error) ??
          fromFramework(error));
    const isOurs = !known || trouble || error instanceof StationsUnread;
    if (isOurs) logger.error({ err: error, method: request.method, url: request.url }, 'request failed');
    writeProblem(
      response,
      known ?? new HttpProblem(500, 'Our fault', 'Something went wrong here. Nothing was changed; try again.'),
    );
  };
}

export const unknownRoute: RequestHandler = (request) => {
  throw new HttpProblem(404, 'Not found', `There is nothing at ${request.method} ${request.baseUrl}${request.path}.`);
};
