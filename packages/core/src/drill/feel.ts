/** A wait that was felt without a sound: how long it should have been, and how long it was. */
export interface FeltWait {
  /** A UTC instant. */
  readonly at: string;
  readonly wantedS: number;
  readonly feltS: number;
}

/** How well somebody feels a wait. */
export interface Feel {
  readonly waits: number;
  /** How far off they are in the mean, as a share of the wait: over 0 who waits too long. */
  readonly bias: number;
  /** How far they scatter, as a share of the wait. */
  readonly spread: number;
  /** The last few beside the first few: how many times as far off, 1 where there are too few. */
  readonly better: number;
}

/** So many at the beginning and at the end are set beside one another. */
const FEW = 5;

const offOf = ({ wantedS, feltS }: FeltWait): number => feltS / wantedS - 1;
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** How well somebody feels the wait, over what they tapped; null where nothing was tapped. */
export function feelOf(waits: readonly FeltWait[]): Feel | null {
  if (!waits.length) return null;
  const off = waits.map(offOf);
  const bias = mean(off);
  const apart = (some: readonly number[]) => mean(some.map(Math.abs));
  const first = apart(off.slice(0, FEW));
  return {
    waits: waits.length,
    bias,
    spread: Math.sqrt(mean(off.map((each) => (each - bias) ** 2))),
    better: off.length >= 2 * FEW && first > 0 ? apart(off.slice(-FEW)) / first : 1,
  };
}

/** What a tap says, as one would say it: `Half a second early.` */
export function waitWords({ wantedS, feltS }: FeltWait): string {
  const off = feltS - wantedS;
  if (Math.abs(off) <= Math.max(0.15, 0.03 * wantedS)) return 'On the second.';
  const seconds = Math.abs(off) < 0.95 ? `${Math.abs(off).toFixed(1)} s` : `${Math.abs(off).toFixed(1)} seconds`;
  return `${seconds} ${off < 0 ? 'early' : 'late'}: ${feltS.toFixed(1)} for ${wantedS.toFixed(wantedS % 1 ? 1 : 0)}.`;
}

/** How it goes over all of them. */
export function feelWords({ waits, bias, spread, better }: Feel): string {
  if (waits < 3) return 'A few more, and it says how you feel it.';
  const way =
    Math.abs(bias) < 0.03
      ? 'Right in the mean'
      : `${Math.round(100 * Math.abs(bias))} % too ${bias < 0 ? 'short' : 'long'} in the mean`;
  const gained = better < 0.8 ? ' Nearer than at first.' : better > 1.25 ? ' Farther off than at first.' : '';
  return `${way}, give or take ${Math.round(100 * spread)} %, over ${waits} waits.${gained}`;
}
