import type { OutsideState } from '@inky-shoal/core';
import { SourceFailure } from '../outside/source.js';
import type { KeptState, OutsideKind, OutsideRepository } from '../repositories/outside.js';

const HOUR_MS = 3_600_000;
/** What was brought within the hour is fresh. */
const FRESH_MS = HOUR_MS;
/** After a failure nobody asks again by itself for so long. */
const REST_MS = 60_000;
/** A page waits so long for fresh figures before it gets the kept ones. */
const WAIT_MS = 1500;

const NEVER: KeptState = { source: null, issuedAt: null, answeredAt: null, askedAt: null, failure: null };

export interface OutsideClock {
  /** What counts as now in the book. */
  readonly bookNow: () => string;
  /** Time of the machine, for ages of what is kept. */
  readonly machineNow: () => Date;
}

/**
 * Questions to what lies outside of one book: put where what is kept is old, one of a kind at a time, and waited for a short
 * while. How each ended is kept.
 */
export class OutsideQuestions {
  private readonly underway = new Map<string, Promise<void>>();

  constructor(
    private readonly kept: OutsideRepository,
    private readonly clock: OutsideClock,
  ) {}

  /** Waits for questions that are on their way. */
  async settle(): Promise<void> {
    await Promise.all(this.underway.values());
  }

  /** How things stand with a source, as it was last asked. */
  async stateOf(waterId: string, kind: OutsideKind): Promise<Omit<OutsideState, 'asking'>> {
    const { source, issuedAt, answeredAt, failure } = (await this.kept.state(waterId, kind)) ?? NEVER;
    return { source, issuedAt, answeredAt, failure };
  }

  /** The state in which something has just been answered. */
  answered(source: string, issuedAt: string): KeptState {
    const machineNow = this.clock.machineNow().toISOString();
    return { source, issuedAt, answeredAt: machineNow, askedAt: machineNow, failure: null };
  }

  /**
   * Puts a question where it is due, or is wanted at once.
   * @param bring asks and keeps the answer
   * @returns whether it is still on its way
   */
  async refresh(waterId: string, kind: OutsideKind, atOnce: boolean, bring: () => Promise<void>): Promise<boolean> {
    const key = `${waterId} ${kind}`;
    let question = this.underway.get(key);
    if (!question) {
      if (!atOnce && !(await this.isDue(waterId, kind))) return false;
      question = this.put(waterId, kind, bring).finally(() => this.underway.delete(key));
      this.underway.set(key, question);
    }
    let timer: NodeJS.Timeout | undefined;
    const outOfTime = new Promise<boolean>((resolve) => {
      timer = setTimeout(() => resolve(true), WAIT_MS);
    });
    const waiting = await Promise.race([question.then(() => false), outOfTime]);
    clearTimeout(timer);
    return waiting;
  }

  private async isDue(waterId: string, kind: OutsideKind): Promise<boolean> {
    const { answeredAt, askedAt, failure } = (await this.kept.state(waterId, kind)) ?? NEVER;
    // A moment that lies ahead was told by a clock that was wrong: it says nothing of how long ago that was.
    const since = (at: string | null) => {
      const passed = at ? this.clock.machineNow().getTime() - Date.parse(at) : Infinity;
      return passed < 0 ? Infinity : passed;
    };
    return failure === null ? since(answeredAt) > FRESH_MS : since(askedAt) > REST_MS;
  }

  /** Asks, and keeps what went wrong. Never rejects for a silent outside: that is nothing unusual. */
  private async put(waterId: string, kind: OutsideKind, bring: () => Promise<void>): Promise<void> {
    try {
      await bring();
    } catch (error) {
      const before = (await this.kept.state(waterId, kind)) ?? NEVER;
      const failure = error instanceof SourceFailure ? error.message : 'The answer could not be kept';
      await this.kept.keepState(waterId, kind, { ...before, askedAt: this.clock.machineNow().toISOString(), failure });
      if (!(error instanceof SourceFailure)) throw error;
    }
  }
}
