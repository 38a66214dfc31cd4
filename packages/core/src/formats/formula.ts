/** What a spreadsheet would work out instead of showing it, with what was already put before it against that. */
const FORMULA = /^'*[=+\-@\t\r]/;
const GUARDED = /^'+[=+\-@\t\r]/;

const isFigure = (cell: string): boolean => /^[-+]?\d+([.,]\d+)?$/.test(cell);

/** A cell that no spreadsheet takes for a formula: an apostrophe stands before one that it would. Figures stay. */
export const guarded = (cell: string): string => (FORMULA.test(cell) && !isFigure(cell) ? `'${cell}` : cell);

/** A cell as it was before it was guarded. */
export const unguarded = (cell: string): string => (GUARDED.test(cell) ? cell.slice(1) : cell);
