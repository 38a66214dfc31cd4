/** A level of the tide at a minute past midnight. */
export interface LevelAtMinute {
  readonly minute: number;
  readonly levelM: number;
}

/** Slack is where the tide runs less than this share of its fastest. */
export const SLACK_SHARE = 0.25;

/** The level at a minute, straight between those told; at their ends as they end. */
export function levelAtM({ levels }: { readonly levels: readonly LevelAtMinute[] }, minute: number): number {
  const next = levels.findIndex((level) => level.minute >= minute);
  const after = levels[next] ?? (levels.at(-1) as LevelAtMinute);
  const before = levels[next - 1] ?? (next === -1 ? after : (levels[0] as typeof after));
  const part = after.minute > before.minute ? (minute - before.minute) / (after.minute - before.minute) : 0;
  return before.levelM + (after.levelM - before.levelM) * Math.min(1, Math.max(0, part));
}
