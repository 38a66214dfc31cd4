const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
/** Where the arrows have another meaning. */
const ELSEWHERE = 'input, textarea, [role=combobox], [role=listbox], [role=radiogroup], [role=dialog]';

/** The step to another window that a key asks for; 0 where it asks for none. */
export function stepBetween({ key, target, altKey, ctrlKey, metaKey }: KeyboardEvent): number {
  const elsewhere = altKey || ctrlKey || metaKey || !!(target as HTMLElement).closest(ELSEWHERE);
  return elsewhere ? 0 : (STEPS[key] ?? 0);
}
