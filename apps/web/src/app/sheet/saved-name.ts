import { sayDate } from '../ui/dates';
import { isChangedSince, type Draft } from './draft';

/** The name that saving begins with: its own for a day that was changed since. */
export function nameToSave(draft: Draft | null): string {
  if (!draft) return '';
  const usual = `${draft.waterName}, ${sayDate(draft.input.date)}`;
  if (!draft.savedName || !isChangedSince(draft)) return draft.savedName ?? usual;
  return draft.savedName === usual || draft.input.date === draft.savedInput?.date ? nextName(draft.savedName) : usual;
}

/** The plan that saving may take the place of: that which the day was opened from and is not any more. */
export const replaced = (draft: Draft | null): string | null =>
  draft && isChangedSince(draft) ? (draft.savedName ?? null) : null;

/** A name to save a changed day under that is not the name it is saved under: `Dawn` becomes `Dawn, 2`. */
export function nextName(name: string): string {
  const [, stem = name, number] = /^(.*), (\d+)$/.exec(name) ?? [];
  return `${stem}, ${Number(number ?? 1) + 1}`;
}
