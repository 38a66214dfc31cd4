import { FileProblem } from '../file-problem.js';

/** A file of marks, tracks or areas that cannot be taken, in a sentence that says where. */
export class FeatureProblem extends FileProblem {}

/** The line of a text on which a character stands, the first being 1. */
export function lineAt(text: string, index: number): number {
  let line = 1;
  for (let at = text.indexOf('\n'); at !== -1 && at < index; at = text.indexOf('\n', at + 1)) line++;
  return line;
}
