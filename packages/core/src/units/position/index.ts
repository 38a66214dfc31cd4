/** A point on the earth in degrees, north and east positive. */
export interface Position {
  readonly latitude: number;
  readonly longitude: number;
}

export type ReadPosition =
  | { readonly ok: true; readonly position: Position }
  | {
      readonly ok: false;
      /** What is wrong, in a sentence. */
      readonly problem: string;
    };

const wrong = (problem: string): ReadPosition => ({ ok: false, problem });

/** Degrees, minutes and seconds, and the letter of the half of the earth, without the signs between them. */
function plain(text: string): string {
  let bare = text
    .trim()
    .toUpperCase()
    .replace(/^GEO:/, '')
    .replace(/\b(?:LAT(?:ITUDE)?|LON(?:G(?:ITUDE)?)?)\b[.:=]?/g, ' ')
    .replace(/[−–]/g, '-')
    .replace(/\b(NORTH|SOUTH|EAST|WEST)\b/g, (word) => word.charAt(0))
    .replace(/[°º'’′"”″]|\b(?:DEG|MIN|SEC)\b/g, ' ');
  // Commas within numbers part decimals where no point does and more than one comma stands there.
  if (!bare.includes('.') && /\d,\d.*\d,\d/.test(bare)) bare = bare.replace(/(\d),(\d)/g, '$1.$2');
  return bare.replace(/[()[\]]/g, ' ').trim();
}

interface Half {
  readonly degrees: number;
  readonly letter: string | null;
}

/** Degrees, or degrees with minutes, or with seconds too. @returns a sentence where a part is out of its range */
function half(text: string): Half | string | null {
  const letter = /[NSEW]/.exec(text)?.[0] ?? null;
  const rest = text.replace(/[NSEW]/, ' ').trim();
  const parts = rest.split(/\s+/);
  if (parts.length > 3 || !parts.every((part) => /^[-+]?(\d+\.?\d*|\.\d+)$/.test(part))) return null;
  const [degrees = 0, minutes = 0, seconds = 0] = parts.map(Number);
  if (minutes < 0 || minutes >= 60) return `Expected minutes from 0 to 59, got ${minutes}.`;
  if (seconds < 0 || seconds >= 60) return `Expected seconds from 0 to 59, got ${seconds}.`;
  const size = Math.abs(degrees) + minutes / 60 + seconds / 3600;
  const negative = rest.startsWith('-') !== (letter === 'S' || letter === 'W');
  return { degrees: negative ? -size : size, letter };
}

/** The two halves as they stand: parted by a comma, by the letters, or in the middle of an even count of numbers. */
function halves(text: string): readonly [string, string] | null {
  const byComma = text.split(/\s*[,;]\s*/).filter(Boolean);
  if (byComma.length === 2) return byComma as [string, string];
  if (byComma.length > 2) return null;
  const after = /^([^NSEW]+[NSEW])\s*([^NSEW]+[NSEW])$/.exec(text);
  const before = /^([NSEW][^NSEW]+)([NSEW][^NSEW]+)$/.exec(text);
  const byLetter = after ?? before;
  if (byLetter) return [byLetter[1] as string, byLetter[2] as string];
  const numbers = text.split(/\s+/);
  if (![2, 4, 6].includes(numbers.length)) return null;
  return [numbers.slice(0, numbers.length / 2).join(' '), numbers.slice(numbers.length / 2).join(' ')];
}

const EXAMPLE = 'Expected a place as "34.93, -88.12" or 34°56\'N 88°07\'W';

/**
 * Reads a place as people write and copy it: `34.93, -88.12`, `34,93 -88,12`, `34°56'N 88°07.2'W`, `N34 56 10 W88 7 12`,
 * `geo:34.93,-88.12`. Latitude first, unless the letters say otherwise.
 * @example
 * readPosition('34.93N, 88.12W') // => { ok: true, position: { latitude: 34.93, longitude: -88.12 } }
 */
export function readPosition(text: string): ReadPosition {
  const parts = halves(plain(text));
  const [a, b] = parts ? [half(parts[0]), half(parts[1])] : [null, null];
  if (typeof a === 'string') return wrong(a);
  if (typeof b === 'string') return wrong(b);
  const got = text.trim() ? `, got "${text.trim().slice(0, 40)}".` : '.';
  if (!a || !b) return wrong(`${EXAMPLE}${got}`);
  const isAcross = (letter: string | null) => letter === 'E' || letter === 'W';
  if ((a.letter === null) !== (b.letter === null)) return wrong(`${EXAMPLE}${got}`);
  if (a.letter !== null && isAcross(a.letter) === isAcross(b.letter)) return wrong(`${EXAMPLE}${got}`);
  const [latitude, longitude] = isAcross(a.letter) ? [b.degrees, a.degrees] : [a.degrees, b.degrees];
  if (Math.abs(latitude) > 90) {
    const turned = Math.abs(longitude) <= 90 ? ' Is the longitude first?' : '';
    return wrong(`Expected a latitude from -90 to 90 degrees, got ${latitude}.${turned}`);
  }
  if (Math.abs(longitude) > 180) return wrong(`Expected a longitude from -180 to 180 degrees, got ${longitude}.`);
  return { ok: true, position: { latitude, longitude } };
}

/** A place in words: `34.93° N, 88.12° W`; four decimals are some ten metres. */
export function sayPosition({ latitude, longitude }: Position): string {
  const degrees = (value: number) => String(Number(Math.abs(value).toFixed(4)));
  return `${degrees(latitude)}° ${latitude < 0 ? 'S' : 'N'}, ${degrees(longitude)}° ${longitude < 0 ? 'W' : 'E'}`;
}
