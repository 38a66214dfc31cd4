/** Colours of the look in force, read from the page, for what is drawn on a canvas. */
export interface Ink {
  readonly ink: string;
  readonly ink2: string;
  readonly act: string;
  readonly onAct: string;
  readonly lure: string;
  readonly fish: string;
  readonly fishStrength: number;
  readonly paper: string;
  readonly paper2: string;
  readonly rule: string;
  readonly waterLight: string;
  readonly waterDark: string;
  readonly wash: number;
  readonly text: string;
  readonly display: string;
  /** Root type size in pixels. */
  readonly sizePx: number;
}

export function readInk(): Ink {
  const style = getComputedStyle(document.documentElement);
  const value = (name: string) => style.getPropertyValue(`--${name}`).trim();
  return {
    ink: value('ink'),
    ink2: value('ink-2'),
    act: value('act'),
    onAct: value('on-act'),
    lure: value('lure'),
    fish: value('fish'),
    fishStrength: Number(value('fish-strength')),
    paper: value('paper'),
    paper2: value('paper-2'),
    rule: value('rule'),
    waterLight: value('water-light'),
    waterDark: value('water-dark'),
    wash: Number(value('wash')),
    text: value('text'),
    display: value('display'),
    sizePx: parseFloat(style.fontSize),
  };
}
