import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Problem } from '@inky-shoal/core';
import type { Logger } from 'pino';

/** What went wrong, as RFC 9457 says it. Thrown by routes, written by the error handler. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: readonly Problem[] = [],
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

export function writeProblem(response: Response, { status, title, detail, errors }: HttpProblem): void {
  response
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status, detail, ...(errors.length ? { errors } : {}) }));
}

/** Errors that the body parser raises before a route is reached, in a user's words. */
function fromBodyParser(error: unknown): HttpProblem | undefined {
  const { type, limit } = error as { type?: string; limit?: number };
  if (type === 'entity.too.large') {
    return new HttpProblem(
      413,
      'Too large',
      `The body is too large: expected at most ${Math.round((limit ?? 0) / 1024)} kB.`,
    );
  }
  if (type === 'entity.parse.failed') {
    return new HttpProblem(400, 'Not JSON', 'The body is not JSON: expected one JSON object.');
  }
  if (type === 'encoding.unsupported' || type === 'charset.unsupported') {
    return new HttpProblem(415, 'Not JSON', 'The body is in an encoding not known here: expected UTF-8 JSON.');
  }
  if (type === 'request.aborted') return new HttpProblem(400, 'Cut off', 'The body ended before it was complete.');
  return undefined;
}

/** Writes every error as problem+json. What is not the caller's fault is logged and told without its inside. */
export function problemHandler(logger: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const known = error instanceof HttpProblem ? error : fromBodyParser(error);
    if (!known) logger.error({ err: error, method: request.method, url: request.url }, 'request failed');
    writeProblem(
      response,
      known ?? new HttpProblem(500, 'Our fault', 'Something went wrong here. Nothing was changed; try again.'),
    );
  };
}

export const unknownRoute: RequestHandler = (request) => {
  throw new HttpProblem(404, 'Not found', `There is nothing at ${request.method} ${request.baseUrl}${request.path}.`);
};
