import { bisectRight } from 'd3-array';
import { FileProblem } from '../file-problem.js';

/** A file of marks, tracks or areas that cannot be taken, in a sentence that says where. */
export class FeatureProblem extends FileProblem {}

/** The line of a text on which a character stands, the first being 1; the text is gone through once, at the first asking. */
export function linesOf(text: string): (index: number) => number {
  let ends: number[] | undefined;
  return (index) => {
    if (!ends) {
      ends = [];
      for (let at = text.indexOf('\n'); at !== -1; at = text.indexOf('\n', at + 1)) ends.push(at);
    }
    return bisectRight(ends, index - 1) + 1;
  };
}
