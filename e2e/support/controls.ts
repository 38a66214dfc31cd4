import type { Locator, Page } from 'playwright-core';
import { until } from './stage';

/** A list opens at once, or not at all. */
const OPENS_MS = 5000;

/** Chooses of a list by the words it shows; the last of those that say the same under several headings. */
export async function choose(list: Locator, name: string): Promise<void> {
  const option = list.page().getByRole('option', { name, exact: true }).last();
  // A view that is drawn anew just then takes the open list with it: who looks for it opens it again.
  const attempt = { timeout: OPENS_MS };
  await until(`${name} was chosen`, async () => {
    try {
      if (!(await option.isVisible())) {
        await list.click(attempt);
        await option.waitFor(attempt);
      }
      await option.click(attempt);
      return true;
    } catch {
      return false;
    }
  });
}

/** The input behind a press that opens a file. */
export const fileInput = (page: Page, label: string): Locator =>
  page.locator('inky-open-file', { hasText: label }).locator('input[type=file]');

/** The first view fetches ahead once it has stood this long; this much quiet after it, and all of it is here. */
const AHEAD_MS = 5500;
const QUIET_MS = 3000;

/**
 * Waits until what the words and lines of the sheet open is fetched. The page's own clock is asked: on a busy machine it
 * is behind, and what it has yet to fetch with it.
 */
export const fetchedAhead = (page: Page): Promise<void> =>
  page.evaluate(
    async ([aheadMs = 0, quietMs = 0]) => {
      const pass = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
      const fetched = () => performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('.js')).length;
      await pass(aheadMs);
      for (let before = -1; before !== fetched(); await pass(quietMs)) before = fetched();
    },
    [AHEAD_MS, QUIET_MS],
  );
