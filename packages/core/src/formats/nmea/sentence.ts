/** A sentence of NMEA 0183: who says what, and its fields. */
export interface Sentence {
  /** Who speaks, as GP or SD, and what kind of sentence it is, as RMC. */
  readonly talker: string;
  readonly kind: string;
  readonly fields: readonly string[];
}

/** The longest line that is looked at: the standard allows 82 characters, and some instruments more. */
export const LONGEST_LINE = 160;

/**
 * The standard's checksum: all characters between $ and * put together by exclusive or.
 * @example
 * checksumOf('SDDPT,3.4,0.0') // => '50'
 */
export function checksumOf(body: string): string {
  let sum = 0;
  for (let at = 0; at < body.length; at++) sum ^= body.charCodeAt(at);
  return sum.toString(16).toUpperCase().padStart(2, '0');
}

/** A sentence as it goes over the line. */
export const sentenceOf = (body: string): string => `$${body}*${checksumOf(body)}\r\n`;

/** Why a line is no sentence. */
export type NoSentence = 'garbled' | 'bad-checksum';

/** Reads one line. A sentence without a checksum is not believed: on a line with noise it says nothing. */
export function readSentence(line: string): Sentence | NoSentence {
  const found = /^[$!]([A-Z0-9]{2})([A-Z]{3})((?:,[^*,]*)*)\*([0-9A-Fa-f]{2})$/.exec(line.trim());
  if (!found) return 'garbled';
  const [, talker = '', kind = '', rest = '', told = ''] = found;
  if (checksumOf(`${talker}${kind}${rest}`) !== told.toUpperCase()) return 'bad-checksum';
  return { talker, kind, fields: rest.split(',').slice(1) };
}
