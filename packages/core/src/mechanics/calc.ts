import type * as z from 'zod';
import { parse, type Problem } from '../contract/problems.js';
import { balanceOf, bodyOf, SuspendingBalanceInput } from './balance.js';
import { smallestChanges } from './balance-change.js';
import { countdown, CountdownInput } from './countdown.js';
import { coverage, CoverageInput } from './coverage.js';
import { parallelOffset, ParallelOffsetInput } from './parallel-offset.js';
import { retrieveSpeed, RetrieveSpeedInput } from './retrieve-speed.js';
import { CalcProblem } from './calibrated.js';
import { runningDepth, RunningDepthInput } from './running-depth.js';

/** One piece of arithmetic: what it takes, and what it makes of it. */
interface Calculation<T extends z.ZodType> {
  readonly input: T;
  readonly run: (input: z.output<T>) => object;
}

const calculation = <T extends z.ZodType>(input: T, run: (input: z.output<T>) => object): Calculation<T> => ({
  input,
  run,
});

/** How a lure hangs, and where it is wanted otherwise the smallest changes that make it so. */
const suspendingBalance = (input: SuspendingBalanceInput) => ({
  ...balanceOf(bodyOf(input), input, input),
  ...(input.wanted && { answers: smallestChanges(input) }),
});

/** All arithmetic by its name. */
export const CALCULATIONS = {
  'running-depth': calculation(RunningDepthInput, runningDepth),
  'suspending-balance': calculation(SuspendingBalanceInput, suspendingBalance),
  countdown: calculation(CountdownInput, countdown),
  retrieve: calculation(RetrieveSpeedInput, retrieveSpeed),
  coverage: calculation(CoverageInput, coverage),
  'parallel-offset': calculation(ParallelOffsetInput, parallelOffset),
} as const;
export type CalculationName = keyof typeof CALCULATIONS;

export const isCalculation = (name: string): name is CalculationName => Object.hasOwn(CALCULATIONS, name);

/** The answer, or what is wrong with the input, field by field. */
export type Calculated =
  { readonly ok: true; readonly value: object } | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Checks an input and works it out. Never throws on bad input: refusals come back as problems.
 * @example
 * calculate('countdown', { mood: 'good' }).ok // => false
 */
export function calculate(name: CalculationName, value: unknown): Calculated {
  const { input, run } = CALCULATIONS[name] as Calculation<z.ZodType>;
  const checked = parse(input, value);
  if (!checked.ok) return checked;
  try {
    return { ok: true, value: run(checked.value) };
  } catch (error) {
    if (error instanceof CalcProblem) return { ok: false, problems: [{ path: error.path, message: error.message }] };
    throw error;
  }
}
