import { isChangedSince, type Draft } from './draft';

/** What stands beside the day of its having been saved. */
export function savedWords(draft: Draft | null): string {
  const name = draft?.savedName;
  if (!draft || !name) return '';
  return isChangedSince(draft) ? `, changed since it was saved as ${name}` : `, saved as ${name}`;
}
