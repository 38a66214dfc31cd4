import { ExponentialBackoff, handleWhen, isTaskCancelledError, retry, timeout, TimeoutStrategy, wrap } from 'cockatiel';
import { ask, TooLong, type Answer } from './ask.js';
import { NotReachable } from './reachable.js';
import { SourceFailure } from './source.js';

export interface RetryPolicy {
  /** One try may take so long. */
  readonly timeoutMs: number;
  /** Tries after the first. */
  readonly retries: number;
  /** Wait before the second try; it doubles with each, with some chance in it. */
  readonly firstWaitMs: number;
}

export const RETRY_POLICY: RetryPolicy = { timeoutMs: 4000, retries: 2, firstWaitMs: 300 };
/** Ten years of hours in eight columns are some 5 MB. */
const MAX_BYTES = 16e6;

/** A refusal that another try will not change. */
class Refused extends SourceFailure {}

/** Where a service is, and whether that may be in a network of one's own. */
export interface ServiceAddress {
  /** As http://127.0.0.1:4730 */
  readonly address: string;
  readonly privateNetwork: boolean;
}

/**
 * Asks a service for text, again where it may yet answer.
 * @throws SourceFailure with why it gave nothing
 */
export async function askPatiently(
  url: URL,
  { privateNetwork }: ServiceAddress,
  { timeoutMs, retries, firstWaitMs }: RetryPolicy,
): Promise<string> {
  const policy = wrap(
    retry(
      handleWhen((error) => !(error instanceof Refused)),
      { maxAttempts: retries, backoff: new ExponentialBackoff({ initialDelay: firstWaitMs }) },
    ),
    timeout(timeoutMs, TimeoutStrategy.Aggressive),
  );
  let gaveUp = false;
  try {
    return await policy.execute(async ({ signal }) => {
      try {
        return await once(url, privateNetwork, signal);
      } catch (error) {
        // Read at once: the policy ends its signal after every try, whatever came of it.
        gaveUp = signal.aborted;
        throw error;
      }
    });
  } catch (error) {
    if (error instanceof SourceFailure) throw error;
    throw new SourceFailure(
      `${url.host} ${gaveUp || isTaskCancelledError(error) ? 'takes too long to answer' : 'does not answer'}`,
      { cause: error },
    );
  }
}

async function once(url: URL, privateNetwork: boolean, signal: AbortSignal): Promise<string> {
  let answer: Answer;
  try {
    answer = await ask(url, { signal, mostBytes: MAX_BYTES, privateNetwork });
  } catch (error) {
    if (error instanceof TooLong) throw new Refused(`${url.host} sends more than can be used`);
    if (error instanceof NotReachable) throw new Refused(error.message);
    throw error;
  }
  const { status, text } = answer;
  if (status === 200) return text;
  if (status >= 300 && status < 400) throw new Refused(`${url.host} sends on to another address: give that one`);
  const words = `${url.host} answers with an error (${status})`;
  throw status < 500 ? new Refused(words) : new SourceFailure(words);
}
