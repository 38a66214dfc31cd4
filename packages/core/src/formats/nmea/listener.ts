import type { Heard } from '../../contract/instruments.js';
import { heardIn } from './heard.js';
import { LONGEST_LINE, readSentence } from './sentence.js';

/** How a line of instruments has been so far. */
export interface LineCounts {
  readonly sentences: number;
  readonly badChecksums: number;
  readonly garbled: number;
}

/**
 * Listens to a line of instruments that comes in pieces. Keeps no more than one line however much noise there is, and
 * goes on with the next sentence after it.
 */
export class InstrumentListener {
  private rest = '';
  private counts = { sentences: 0, badChecksums: 0, garbled: 0 };

  get heardSoFar(): LineCounts {
    return { ...this.counts };
  }

  /** Takes the next piece of the line. @returns what the sentences that ended in it say */
  push(piece: string): Heard[] {
    const lines = (this.rest + piece).split(/\r\n|\r|\n/);
    const open = lines.pop() ?? '';
    this.rest = open.length > LONGEST_LINE ? '' : open;
    if (open.length > LONGEST_LINE) this.counts.garbled++;
    return lines.filter((line) => line.trim()).flatMap((line) => this.line(line));
  }

  private line(line: string): Heard[] {
    const sentence = line.length > LONGEST_LINE ? 'garbled' : readSentence(line);
    if (sentence === 'garbled') this.counts.garbled++;
    else if (sentence === 'bad-checksum') this.counts.badChecksums++;
    else {
      this.counts.sentences++;
      return heardIn(sentence);
    }
    return [];
  }
}
