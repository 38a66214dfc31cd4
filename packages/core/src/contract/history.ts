import * as z from 'zod';

/** Something that was found damaged and set aside; what can be read of it may come back. */
export const SetAside = z.object({
  row: z.number(),
  /** What it is, in words. */
  kind: z.string(),
  /** What it was called, as far as that can be read; empty where it had no name. */
  name: z.string(),
  foundAt: z.string(),
});
export type SetAside = z.infer<typeof SetAside>;

/** Kinds of things whose former versions are kept. */
export const HISTORY_KINDS = ['plan', 'water', 'reading', 'tackle', 'chart_feature'] as const;
export type HistoryKind = (typeof HISTORY_KINDS)[number];

/** Something that was done, with the version before it, which can be brought back. */
export const HistoryEntry = z.object({
  entry: z.number(),
  kind: z.enum(HISTORY_KINDS),
  id: z.string(),
  version: z.number(),
  what: z.enum(['changed', 'removed', 'restored']),
  at: z.string(),
  device: z.string().nullable(),
  name: z.string(),
});
export type HistoryEntry = z.infer<typeof HistoryEntry>;

/** Something in the bin. */
export const BinEntry = z.object({
  kind: z.enum(HISTORY_KINDS),
  id: z.string(),
  name: z.string(),
  removedAt: z.string(),
});
export type BinEntry = z.infer<typeof BinEntry>;
