import type { DegreeName, FactName, QuantityName } from './fact-names.js';

export type { DegreeName, FactName, QuantityName } from './fact-names.js';

/** Facts as a step states them. */
export type Known = Partial<Record<FactName, number>>;

/** Room for every fact that any day may ask or state: some three hundred and seventy names (`facts-room.spec`). */
const SLOT_CAPACITY = 400;
/** Room for the situations that rules share, some sixty; what has none is worked out each time it is asked. */
export const MAX_SITUATIONS = 96;
const slots = new Map<string, number>();

// Plain arrays: a typed array of this size is copied outside of the heap, which takes several times as long.
const NOTHING_KNOWN: number[] = Array.from({ length: SLOT_CAPACITY }, () => Number.NaN);
const NOTHING_ASKED: number[] = Array.from({ length: MAX_SITUATIONS }, () => Number.NaN);

/** The slot of a fact, given on first asking and kept for good. */
export function slotOf(name: FactName): number {
  let slot = slots.get(name);
  if (slot === undefined) {
    slot = slots.size;
    if (slot >= SLOT_CAPACITY) throw new Error(`No room for the fact ${name}: raise SLOT_CAPACITY`);
    slots.set(name, slot);
  }
  return slot;
}

/** The ids in a family of facts: what stands behind its colon. */
type IdIn<Family extends string> = FactName extends infer Name
  ? Name extends `${Family}:${infer Id}`
    ? Id
    : never
  : never;

const families = new Map<string, Map<string, number>>();

/** The slot of one of a family of facts: its name is put together once. */
function slotIn(family: string, id: string): number {
  let known = families.get(family);
  if (!known) families.set(family, (known = new Map<string, number>()));
  let slot = known.get(id);
  if (slot === undefined) known.set(id, (slot = slotOf(`${family}:${id}` as FactName)));
  return slot;
}

/** Facts as they are stated one by one; what is stated later wins. */
export class Statement {
  readonly slots: number[] = [];
  readonly values: number[] = [];

  /** A figure or a degree; nothing where it is not known. */
  put(name: FactName, value: number | null | undefined): void {
    if (value !== undefined && value !== null) this.state(slotOf(name), value);
  }

  /** One of a family, wholly so where nothing else is said; nothing where none is named. */
  of<Family extends string>(family: Family, id: IdIn<Family> | null | undefined, degree = 1): void {
    if (id) this.state(slotIn(family, id), degree);
  }

  /** Some of a family, wholly so. */
  all<Family extends string>(family: Family, ids: readonly IdIn<Family>[] = []): void {
    for (const id of ids) this.of(family, id);
  }

  private state(slot: number, value: number): void {
    this.slots.push(slot);
    this.values.push(value);
  }
}

/**
 * What is known so far. A figure that is missing supports no rule; a degree that is missing is 0. Facts stand in
 * numbered slots, since a plan asks them some ten thousand times and stacks a few new ones on all the old ones a
 * hundred times; copying an object of as many names takes over ten times as long.
 */
export class Facts {
  /** Answers to situations that many rules share, by their numbers; NaN where not asked yet. */
  private answers: number[] | null = null;

  private constructor(private readonly values: number[]) {}

  static of(...known: readonly Known[]): Facts {
    return new Facts(NOTHING_KNOWN).with(...known);
  }

  /** These facts with more on top; what is stated anew wins. */
  with(...stated: readonly Known[]): Facts {
    const values = this.values.slice();
    for (const known of stated)
      for (const name in known) values[slotOf(name as FactName)] = known[name as FactName] ?? Number.NaN;
    return new Facts(values);
  }

  /** These facts with what was stated one by one on top. */
  withStatement({ slots, values }: Statement): Facts {
    return this.withSlots(slots, values);
  }

  /** These facts with more on top, by their slots: for who stacks the same few names again and again. */
  withSlots(slots: readonly number[], stated: readonly number[]): Facts {
    const values = this.values.slice();
    for (let at = 0; at < slots.length; at++) values[slots[at] as number] = stated[at] as number;
    return new Facts(values);
  }

  /** Asks something as if these degrees were 1; nothing is copied, and all is as it was afterwards. */
  withTemporary<T>(names: readonly DegreeName[], ask: (facts: Facts) => T): T {
    return this.withTemporarySlots(names.map(slotOf), ask);
  }

  /** The same by slots. */
  withTemporarySlots<T>(tried: readonly number[], ask: (facts: Facts) => T): T {
    const { values, answers } = this;
    const before: number[] = [];
    for (const slot of tried) {
      before.push(values[slot] as number);
      values[slot] = 1;
    }
    this.answers = null;
    try {
      return ask(this);
    } finally {
      for (let at = 0; at < tried.length; at++) values[tried[at] as number] = before[at] as number;
      this.answers = answers;
    }
  }

  /** The answer to a shared situation; NaN where it was not worked out yet. */
  answerTo(situation: number): number {
    return this.answers === null ? Number.NaN : (this.answers[situation] as number);
  }

  /** Keeps the answer to a shared situation. */
  answered(situation: number, answer: number): number {
    this.answers ??= NOTHING_ASKED.slice();
    this.answers[situation] = answer;
    return answer;
  }

  /** The value in a slot, NaN where it is not known. */
  at(slot: number): number {
    return this.values[slot] as number;
  }

  /** A figure, undefined where it is not known. */
  figure(name: QuantityName): number | undefined {
    const value = this.at(slotOf(name));
    return Number.isNaN(value) ? undefined : value;
  }

  /** How far something is so, 0 where nothing is known of it. */
  degree(name: DegreeName): number {
    return this.at(slotOf(name)) || 0;
  }
}
