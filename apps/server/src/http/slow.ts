/** How slowly a request may come in before it is cut, in the words of Node's servers, milliseconds. */
export interface SlowLimits {
  readonly headersTimeout: number;
  /** For all of it: the largest chart over a slow line. */
  readonly requestTimeout: number;
  /** So often one looks. */
  readonly connectionsCheckingInterval: number;
}

export const SLOW_LIMITS: SlowLimits = {
  headersTimeout: 15_000,
  requestTimeout: 180_000,
  connectionsCheckingInterval: 5000,
};
