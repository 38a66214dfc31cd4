/** What was said of a thing: fields that were left open say nothing, and so replace nothing. */
export const withoutUndefined = <T extends object>(thing: T): Partial<T> =>
  Object.fromEntries(Object.entries(thing).filter(([, value]) => value !== undefined)) as Partial<T>;
