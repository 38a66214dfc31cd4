/** How slowly a request may come in before it is cut, in the words of Node's servers, milliseconds. */
export interface SlowLimits {
  readonly headersTimeout: number;
  /** For all of it: the largest chart over a slow line. */
  readonly requestTimeout: number;
  /** A line that nobody uses is kept open for so long: cut too soon, a call that is on its way already is lost with it. */
  readonly keepAliveTimeout: number;
  /** So often one looks. */
  readonly connectionsCheckingInterval: number;
}

export const SLOW_LIMITS: SlowLimits = {
  headersTimeout: 15_000,
  requestTimeout: 180_000,
  keepAliveTimeout: 65_000,
  connectionsCheckingInterval: 5000,
};
