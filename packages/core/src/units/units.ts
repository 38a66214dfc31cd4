/** The unit systems a user may choose. The core works in SI; these only format and parse. */
export const UNIT_SYSTEMS = ['us', 'metric'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

const METRES_PER_FOOT = 0.3048;
const MPS_PER_MPH = 0.44704;
const GRAMS_PER_OUNCE = 28.349523125;
const MM_PER_INCH = 25.4;
const KG_PER_POUND = 0.45359237;

/** What is measured, so that one place knows how to show each and how to read it back. */
export type Measure =
  | 'temp'
  | 'tempChange'
  | 'depth'
  | 'wind'
  | 'speed'
  | 'length'
  | 'weight'
  | 'test'
  | 'rodLength'
  | 'fishLength'
  | 'fishWeight';

interface Scale {
  readonly symbol: string;
  /** SI to shown. */
  readonly shown: (si: number) => number;
  /** Shown to SI. */
  readonly si: (shown: number) => number;
  /** The step to which figures are rounded for reading. */
  readonly step: (shown: number) => number;
}

const times = (factor: number, symbol: string, step: (shown: number) => number): Scale => ({
  symbol,
  shown: (si) => si * factor,
  si: (shown) => shown / factor,
  step,
});
const fixed = (step: number) => () => step;
const coarser = (limit: number, fine: number, coarse: number) => (shown: number) =>
  Math.abs(shown) < limit ? fine : coarse;

const SCALES: Record<UnitSystem, Record<Measure, Scale>> = {
  us: {
    temp: { symbol: '°F', shown: (c) => c * 1.8 + 32, si: (f) => (f - 32) / 1.8, step: fixed(1) },
    tempChange: times(1.8, '°F', coarser(2, 0.1, 0.5)),
    depth: times(1 / METRES_PER_FOOT, 'ft', coarser(10, 0.5, 1)),
    wind: times(1 / MPS_PER_MPH, 'mph', fixed(1)),
    speed: times(1 / METRES_PER_FOOT, 'ft/s', fixed(0.1)),
    length: times(1 / MM_PER_INCH, 'in', fixed(0.25)),
    weight: times(1 / GRAMS_PER_OUNCE, 'oz', coarser(0.5, 0.125, 0.25)),
    test: times(1, 'lb', fixed(1)),
    rodLength: times(1 / METRES_PER_FOOT, 'ft', fixed(0.1)),
    fishLength: times(1 / MM_PER_INCH, 'in', fixed(0.25)),
    fishWeight: times(1 / (KG_PER_POUND * 1000), 'lb', fixed(0.1)),
  },
  metric: {
    temp: times(1, '°C', fixed(0.5)),
    tempChange: times(1, '°C', fixed(0.1)),
    depth: times(1, 'm', coarser(3, 0.1, 0.5)),
    wind: times(1, 'm/s', fixed(1)),
    speed: times(1, 'm/s', fixed(0.1)),
    length: times(1, 'mm', fixed(5)),
    weight: times(1, 'g', coarser(20, 1, 5)),
    test: times(KG_PER_POUND, 'kg', coarser(5, 0.5, 1)),
    rodLength: times(1, 'm', fixed(0.01)),
    fishLength: times(0.1, 'cm', fixed(0.1)),
    fishWeight: times(0.001, 'kg', fixed(0.05)),
  },
};

/** Converts an SI quantity to what the user reads, unrounded. */
export const toShown = (measure: Measure, si: number, units: UnitSystem): number => SCALES[units][measure].shown(si);

/** Converts what the user typed to SI. */
export const toSi = (measure: Measure, shown: number, units: UnitSystem): number => SCALES[units][measure].si(shown);

/** The symbol of a measure in a unit system, as `°F`. */
export const symbolOf = (measure: Measure, units: UnitSystem): string => SCALES[units][measure].symbol;

const FRACTIONS = new Map([
  [0.125, '⅛'],
  [0.25, '¼'],
  [0.375, '⅜'],
  [0.5, '½'],
  [0.625, '⅝'],
  [0.75, '¾'],
  [0.875, '⅞'],
]);

function figure(shown: number, step: number): string {
  const rounded = Math.round(shown / step) * step;
  const whole = Math.trunc(rounded);
  const fraction = FRACTIONS.get(Math.abs(rounded - whole));
  if (fraction !== undefined && (step === 0.125 || step === 0.25 || step === 0.5)) {
    return `${rounded < 0 ? '-' : ''}${whole === 0 ? '' : Math.abs(whole)}${fraction}`;
  }
  const decimals = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
  return String(Number(rounded.toFixed(decimals)));
}

/** The bare figure, rounded as anglers say it: `4½`. */
export function figureOf(measure: Measure, si: number, units: UnitSystem): string {
  const scale = SCALES[units][measure];
  const shown = scale.shown(si);
  return figure(shown, scale.step(shown));
}

/** A quantity rounded as it is said, in the core's unit: what a question can be asked with. */
export function roundedAs(measure: Measure, si: number, units: UnitSystem): number {
  const scale = SCALES[units][measure];
  const shown = scale.shown(si);
  const step = scale.step(shown);
  return scale.si(Math.round(shown / step) * step);
}

/** A quantity in words: `48 °F`, `4½ ft`. `si` is in the core's unit of that measure (metres, m/s, mm, g, lb-test). */
export function say(measure: Measure, si: number, units: UnitSystem): string {
  return `${figureOf(measure, si, units)} ${symbolOf(measure, units)}`;
}

/** A range in words: `4½ to 6 ft`, or one figure where both ends read alike. */
export function sayRange(measure: Measure, range: readonly [number, number], units: UnitSystem): string {
  const from = figureOf(measure, range[0], units);
  const to = figureOf(measure, range[1], units);
  return from === to ? `${to} ${symbolOf(measure, units)}` : `${from} to ${to} ${symbolOf(measure, units)}`;
}

const PLACEHOLDER = /\{(temp|depth|wind):(-?[\d.]+)\}/g;

/** Words of rules once filled: a plan says the same few hundred again and again. */
const filled: Record<UnitSystem, Map<string, string>> = { us: new Map(), metric: new Map() };

/** Fills `{temp:10}`, `{depth:1.2}` and `{wind:5}` in a rule's words with quantities in the user's units. */
export function inUnits(text: string, units: UnitSystem): string {
  if (!text.includes('{')) return text;
  let words = filled[units].get(text);
  if (words === undefined) {
    words = text.replace(PLACEHOLDER, (_, measure: Measure, si: string) => say(measure, Number(si), units));
    filled[units].set(text, words);
  }
  return words;
}
