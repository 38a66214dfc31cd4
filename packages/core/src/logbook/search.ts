import * as z from 'zod';
import { CATEGORIES, CLARITY_CLASSES, PHASES, SPECIES } from '../contract/ids.js';
import { clarityClass } from '../water/clarity.js';
import type { LogbookRow } from './row.js';

/** What is sought in a logbook: all of it must be so. What is left out is not asked. */
export const Sought = z.object({
  words: z.string().max(200).default(''),
  /** YYYY-MM-DD, both included. */
  from: z.string().default(''),
  to: z.string().default(''),
  waterId: z.string().default(''),
  zoneId: z.string().default(''),
  phase: z.enum(PHASES).nullable().default(null),
  clarity: z.enum(CLARITY_CLASSES).nullable().default(null),
  lure: z.enum(CATEGORIES).nullable().default(null),
  species: z.enum(SPECIES).nullable().default(null),
  /** Who else fished, by the name under which their fish were noted. */
  companion: z.string().default(''),
  tempFromC: z.number().nullable().default(null),
  tempToC: z.number().nullable().default(null),
  /** The longest fish of the trip is at least so long. */
  lengthFromMm: z.number().nullable().default(null),
});
export type Sought = z.infer<typeof Sought>;

/** Nothing is asked: every trip is found. */
export const ANY: Sought = Sought.parse({});

/** How many things are asked beside words. */
export const narrowings = (sought: Sought): number =>
  (Object.keys(ANY) as (keyof Sought)[]).filter((key) => key !== 'words' && sought[key] !== ANY[key]).length;

function isSought(row: LogbookRow, sought: Sought, words: readonly string[]): boolean {
  const { from, to, waterId, zoneId, phase, clarity, lure, species, companion, tempFromC, tempToC, lengthFromMm } =
    sought;
  if (from && row.date < from) return false;
  if (to && row.date > to) return false;
  if (waterId && row.waterId !== waterId) return false;
  if (zoneId && row.zoneId !== zoneId) return false;
  if (phase && row.phase !== phase) return false;
  if (clarity && (row.visibilityM === null || clarityClass(row.visibilityM) !== clarity)) return false;
  if (lure && !row.lures.includes(lure)) return false;
  if (species && !row.species.includes(species)) return false;
  if (companion && !row.companions.includes(companion)) return false;
  if (tempFromC !== null && (row.surfaceTempC === null || row.surfaceTempC < tempFromC)) return false;
  if (tempToC !== null && (row.surfaceTempC === null || row.surfaceTempC > tempToC)) return false;
  if (lengthFromMm !== null && (row.longestMm === null || row.longestMm < lengthFromMm)) return false;
  return words.every((word) => row.words.includes(word));
}

/** What one types apart from what one means: every word must be there, those between quotation marks together. */
const wordsOf = (typed: string): string[] =>
  [...typed.toLowerCase().matchAll(/"([^"]+)"|[^\s,"]+/g)].map((found) => found[1] ?? found[0]);

/** The trips that are sought, in the order in which they stand. */
export function findRows(rows: readonly LogbookRow[], sought: Sought): LogbookRow[] {
  const words = wordsOf(sought.words);
  return rows.filter((row) => isSought(row, sought, words));
}
