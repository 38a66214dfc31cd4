import type * as z from 'zod';
import { oneOf, quantity, record } from '../contract/fields.js';
import { LINE_MATERIALS } from '../contract/ids.js';

export const material = oneOf('a line material', LINE_MATERIALS);
export const diameterMm = quantity('a line diameter in mm', 0.04, 2);
export const testLb = quantity('a test in lb', 1, 200);

/** A line by its material and either its diameter or its test. */
export const LineSpec = record('a line', {
  material,
  diameterMm: diameterMm.optional(),
  testLb: testLb.optional(),
}).superRefine(oneOfTheTwo);

/** Refuses a line without its thickness, and one that states it twice. */
export function oneOfTheTwo(
  line: { diameterMm?: number | undefined; testLb?: number | undefined },
  context: { addIssue: (issue: { code: 'custom'; path: string[]; message: string }) => void },
): void {
  const [hasDiameter, hasTest] = [line.diameterMm !== undefined, line.testLb !== undefined];
  if (hasDiameter === hasTest) {
    context.addIssue({
      code: 'custom',
      path: [hasDiameter ? 'testLb' : 'diameterMm'],
      message: `expected either diameterMm or testLb, got ${hasDiameter ? 'both' : 'neither'}`,
    });
  }
}

export type LineSpec = z.infer<typeof LineSpec>;
