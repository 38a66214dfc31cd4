/** Measures that stand in a table, each with its unit and those that it may be told in. */
export const unitChoices = <M extends string, U extends string>(
  measures: readonly M[],
  names: Readonly<Record<M, string>>,
  unitsOf: (measure: M) => readonly U[],
  told: Partial<Readonly<Record<M, U>>> = {},
) =>
  measures.map((measure) => ({
    measure,
    name: names[measure],
    unit: told[measure] ?? '',
    choices: unitsOf(measure).map((id) => ({ id, name: id })),
  }));
