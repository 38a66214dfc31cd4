/** Rows that cannot be understood are passed over and told, so that one of them does not keep a whole list away. */
export class Unread {
  private readonly found = new Map<string, string>();

  /** How many rows were passed over since the book was opened. */
  get count(): number {
    return this.found.size;
  }

  /** The rows that can be understood. @param of what they are rows of, for the count */
  readable<Row extends { id?: string; arrived?: unknown }, T>(
    of: string,
    rows: readonly Row[],
    make: (row: Row) => T,
  ): T[] {
    const made: T[] = [];
    for (const row of rows) {
      try {
        made.push(make(row));
      } catch (error) {
        this.found.set(`${of} ${row.id ?? String(row.arrived)}`, (error as Error).message);
      }
    }
    return made;
  }
}
