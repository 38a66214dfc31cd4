import type { Locator, Page } from 'playwright-core';

/** Chooses of a list by the words it shows; the last of those that say the same under several headings. */
export async function choose(list: Locator, name: string): Promise<void> {
  await list.click();
  await list.page().getByRole('option', { name, exact: true }).last().click();
}

/** The input behind a press that opens a file. */
export const fileInput = (page: Page, label: string): Locator =>
  page.locator('inky-open-file', { hasText: label }).locator('input[type=file]');

/** Waits until what the words and lines of the sheet open is fetched: that begins once the first view has stood 5 s. */
export const fetchedAhead = (page: Page): Promise<void> => page.waitForTimeout(6000);
